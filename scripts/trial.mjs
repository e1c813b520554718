// npm run -s trial -- trial.json [--shelf shelf.json]: what a trial needs, what it will be able to show, and what its readings answer, as JSON.
import { buildCore, ensurePackages } from './lib/build.mjs'
import { jsonFrom, listed, optionFrom, shelfFrom } from './lib/options.mjs'
import { Told, run } from './lib/say.mjs'

/** Answers of a trial stand by what they were called here, whoever keeps it. */
const OWN_ID = '00000000-0000-4000-8000-000000000000'

await run(async () => {
  const args = process.argv.slice(2)
  const shelfPath = optionFrom(args, '--shelf')
  if (args.length !== 1) throw new Told('Name a trial: npm run -s trial -- trial.json')
  ensurePackages()
  buildCore()
  const core = await import('@ostler/core')
  const read = core.readTrial(jsonFrom(args[0]))
  if (!read.ok) throw new Told(`${args[0]} is no trial:\n${listed(read.problems, core.say).join('\n')}`)
  const shelf = shelfFrom(core, shelfPath)
  const trial =
    read.trial.samples.length > 0 ? read.trial : { ...read.trial, samples: core.drawnUp(read.trial.question) }
  const says = core.trialSays(trial, OWN_ID, shelf, null)
  const ages = says.ages.map(age => ({ ...age, labs: Object.fromEntries(age.labs) }))
  const numbers = says.numbers.map(read => ({ ...read, means: Object.fromEntries(read.means) }))
  const answer = {
    samples: trial.samples,
    outlook: core.trialOutlook(trial),
    due: core.dueLooks(trial),
    ...says,
    ages,
    numbers,
  }
  process.stdout.write(`${JSON.stringify(answer, null, 2)}\n`)
})
