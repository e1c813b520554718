// npm run -s forecast -- plan.json [--shelf shelf.json]: every result of a plan as JSON.
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

function shelfFrom(file) {
  try {
    return JSON.parse(textOf(file))
  } catch (error) {
    throw error instanceof Told ? error : new Told(`${file} is not JSON.`)
  }
}

/** One line a problem: path, value, sentence. */
const listed = (problems, say) =>
  problems.map(({ path, value, sentence }) => `${path || '(document)'}\t${JSON.stringify(value)}\t${say(sentence)}`)

await run(async () => {
  const args = process.argv.slice(2)
  const at = args.indexOf('--shelf')
  const shelfFile = at >= 0 ? args.splice(at, 2)[1] : undefined
  if (args.length !== 1) throw new Told(USAGE)
  ensurePackages()
  buildCore()
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
  } = await import('@ostler/core')
  const made = shelfFile ? readShelf(shelfFrom(shelfFile)) : { ok: true, shelf: referenceShelf() }
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
  const all = { ...result.forecast, ...more }
  process.stdout.write(`${JSON.stringify(said(all), null, 2)}\n`)
})
