// npm run -s rehearse -- plan.json [--seed 7] [--level none|few|bad-day] [--policy fixed|follow|perfect] [--seeds 40] [--shelf shelf.json]
// [--script rehearsal.json]:
// a rehearsed batch, its events and what came of it, as JSON; of several seeds what came of each.
import { readFileSync } from 'node:fs'
import { buildCore, ensurePackages } from './lib/build.mjs'
import { optionFrom, planAndShelf } from './lib/options.mjs'
import { Told, run } from './lib/say.mjs'

const USAGE = 'Name a plan: npm run -s rehearse -- plan.json --seed 7 --policy follow'
const MOST_SEEDS = 10_000

function wholeFrom(text, name, least, most) {
  const number = Number(text)
  if (!Number.isInteger(number) || number < least || number > most)
    throw new Told(`${name} is a whole number from ${least} to ${most}.`)
  return number
}

function oneOf(text, all, name) {
  if (!all.includes(text)) throw new Told(`${name} is one of ${all.join(', ')}.`)
  return text
}

/** A script as the page saves it. */
function scriptIn(core, path) {
  const read = core.readSetting(JSON.parse(readFileSync(path, 'utf8')))
  if (!read.ok) throw new Told(`${path}: ${core.say(read.problems[0].sentence)}`)
  return read.value
}

await run(async () => {
  const args = process.argv.slice(2)
  const given = Object.fromEntries(
    ['--seed', '--level', '--policy', '--seeds', '--shelf', '--script'].map(name => [name, optionFrom(args, name)]),
  )
  if (args.length !== 1) throw new Told(USAGE)
  ensurePackages()
  buildCore()
  const core = await import('@ostler/core')
  if (given['--script'] !== undefined && given['--level'] !== undefined)
    throw new Told('A script says what comes in between: leave --level out.')
  const level = oneOf(given['--level'] ?? 'few', Object.keys(core.LEVELS_OF_SURPRISE), '--level')
  const policy = oneOf(given['--policy'] ?? 'follow', Object.keys(core.POLICIES), '--policy')
  const seed = wholeFrom(given['--seed'] ?? '1', '--seed', 0, 2 ** 31)
  const seeds = wholeFrom(given['--seeds'] ?? '1', '--seeds', 1, MOST_SEEDS)
  const { plan, shelf } = planAndShelf(core, args[0], given['--shelf'])
  const following = core.followingOf(plan, shelf)
  const script = given['--script'] === undefined ? null : scriptIn(core, given['--script'])
  const set = script ? { script: given['--script'] } : { level }
  const played = of => {
    const rehearsed = core.rehearsalOf(following, script ? { ...script, seed: of } : { seed: of, level, deck: 2 })
    const { events, endsAt } = core.rehearse(rehearsed, policy)
    const pours = core.judgedPours(core.sceneAt(rehearsed, events, endsAt))
    const surprises = rehearsed.puts.map(({ key }) => key)
    const result = {
      worth: core.worthOf(pours),
      isAllWell: core.allWell(pours),
      minutes: (endsAt - core.LYE_IN_S) / 60,
    }
    return { seed: of, ...set, policy, surprises, ...result, truth: rehearsed.truth, pours, events }
  }
  if (seeds === 1) return void process.stdout.write(`${JSON.stringify(played(seed), null, 2)}\n`)
  const all = Array.from({ length: seeds }, (_, n) => {
    const { seed: of, surprises, worth, isAllWell, minutes } = played(seed + n)
    return { seed: of, surprises, worth, isAllWell, minutes }
  })
  const mean = of => all.reduce((sum, one) => sum + of(one), 0) / seeds
  const summary = { worth: mean(one => one.worth), allWell: mean(one => Number(one.isAllWell)) }
  process.stdout.write(`${JSON.stringify({ ...set, policy, seeds, ...summary, all }, null, 2)}\n`)
})
