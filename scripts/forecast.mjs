// npm run -s forecast -- plan.json [--shelf shelf.json] [--run run.json]: every result of a plan as JSON, and how a run of it stands.
import { buildCore, ensurePackages } from './lib/build.mjs'
import { jsonFrom, listed, optionFrom, planAndShelf } from './lib/options.mjs'
import { Told, run } from './lib/say.mjs'

const USAGE = 'Name a plan: npm run -s forecast -- plan.json'

/** How a run stands after its last event: what is to be done then, what it weighs out to, and how long each cup can still be poured. */
function standing(file, shelf, core) {
  const read = core.openedRun(jsonFrom(file))
  if (!read.ok) throw new Told(`${file} is not a run:\n${listed(read.problems, core.say).join('\n')}`)
  const following = core.followingOf(read.value.plan, shelf)
  const state = core.fold(following, read.value.events)
  const next = core.nextActions(core.activeOf(following, state), state)
  const { plan, portions } = following
  const actual = core.actualOf(plan, portions, shelf, core.weightsIn(state.weighed))
  const { cups, ways, planB } = core.benchOutlook(following, state, state.r, true)
  return { state, next, actual, minutesLeft: cups, ways, planB }
}

await run(async () => {
  const args = process.argv.slice(2)
  const shelfFile = optionFrom(args, '--shelf')
  const runFile = optionFrom(args, '--run')
  if (args.length !== 1) throw new Told(USAGE)
  ensurePackages()
  buildCore()
  const core = await import('@ostler/core')
  const { designResult, everyResult, everything, forecast, remediesFor, restOutlook, said, say } = core
  const { plan, shelf } = planAndShelf(core, args[0], shelfFile)
  const result = forecast(plan, shelf)
  if (!result.ok) throw new Told(`${result.path}\t${say(result.sentence)}`)
  const more = {
    ...everything(plan, shelf, result.forecast),
    design: designResult(plan, result.forecast.lanes.pours),
    risk: result.forecast.sure.risk,
    remedies: remediesFor(plan, shelf),
    rest: restOutlook({ portions: result.forecast.portions, lanes: result.forecast.lanes, plan, shelf }),
  }
  const all = { ...everyResult(result.forecast), ...more, ...(runFile && { run: standing(runFile, shelf, core) }) }
  process.stdout.write(`${JSON.stringify(said(all), null, 2)}\n`)
})
