// npm run -s forecast -- plan.json [--shelf shelf.json] [--run run.json]: every result of a plan as JSON, and how a run of it stands.
import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { buildCore, ensurePackages } from './lib/build.mjs'
import { Told, run } from './lib/say.mjs'

const USAGE = 'Name a plan: npm run -s forecast -- plan.json'

function textOf(file) {
  try {
    return readFileSync(resolve(process.env.INIT_CWD ?? '.', file), 'utf8')
  } catch (error) {
    throw new Told(`${file} cannot be read (${error.code ?? 'unknown'}).`)
  }
}

function jsonFrom(file) {
  try {
    return JSON.parse(textOf(file))
  } catch (error) {
    throw error instanceof Told ? error : new Told(`${file} is not JSON.`)
  }
}

/** The file named after an option; the two are taken out of the arguments. */
function optionFrom(args, name) {
  const at = args.indexOf(name)
  return at >= 0 ? args.splice(at, 2)[1] : undefined
}

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

/** One line a problem: path, value, sentence. */
const listed = (problems, say) =>
  problems.map(({ path, value, sentence }) => `${path || '(document)'}\t${JSON.stringify(value)}\t${say(sentence)}`)

await run(async () => {
  const args = process.argv.slice(2)
  const shelfFile = optionFrom(args, '--shelf')
  const runFile = optionFrom(args, '--run')
  if (args.length !== 1) throw new Told(USAGE)
  ensurePackages()
  buildCore()
  const core = await import('@ostler/core')
  const {
    designResult,
    everything,
    forecast,
    readPlanText,
    readShelf,
    referenceShelf,
    remediesFor,
    restOutlook,
    said,
    say,
    sureRisk,
  } = core
  const made = shelfFile ? readShelf(jsonFrom(shelfFile)) : { ok: true, shelf: referenceShelf() }
  if (!made.ok) throw new Told(`${shelfFile} is not a shelf:\n${listed(made.problems, say).join('\n')}`)
  const { shelf } = made
  const read = readPlanText(textOf(args[0]))
  if (!read.ok)
    throw new Told(`${args[0]} is not a plan that can be forecast:\n${listed(read.problems, say).join('\n')}`)
  const result = forecast(read.plan, shelf)
  if (!result.ok) throw new Told(`${result.path}\t${say(result.sentence)}`)
  const more = {
    ...everything(read.plan, shelf, result.forecast),
    design: designResult(read.plan, result.forecast.lanes.pours),
    risk: sureRisk(read.plan, shelf),
    remedies: remediesFor(read.plan, shelf),
    rest: restOutlook({ ...result.forecast, plan: read.plan, shelf }),
  }
  const all = { ...result.forecast, ...more, ...(runFile && { run: standing(runFile, shelf, core) }) }
  process.stdout.write(`${JSON.stringify(said(all), null, 2)}\n`)
})
