// Writes the published schemas of the plan, the run and the trial document from the classes that check them. --check only compares.
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { buildCore, ensurePackages } from './lib/build.mjs'
import { ROOT } from './lib/paths.mjs'
import { Told, run } from './lib/say.mjs'

await run(async () => {
  ensurePackages()
  buildCore()
  const { planSchema, planTables, runSchema, trialSchema, trialTables } = await import('@ostler/core/schema')
  const { PLAN_VERSION } = await import('@ostler/core')
  const head = `# Fields of the plan document, version ${PLAN_VERSION}\n\nMade from the classes that check plans (\`npm run schema\`). What they mean together: [plan-format.md](plan-format.md).\n\n`
  const trialHead =
    '# The trial document, version 1\n\nOne JSON object, UTF-8; made from the classes that check trials (`npm run schema`), with [a schema](trial.schema.json). `npm run -s trial -- trial.json` prints what it needs, shows and answers.\n\n'
  const files = {
    'plan.schema.json': `${JSON.stringify(planSchema(), null, 2)}\n`,
    'run.schema.json': `${JSON.stringify(runSchema(), null, 2)}\n`,
    'trial.schema.json': `${JSON.stringify(trialSchema(), null, 2)}\n`,
    'trial-format.md': `${trialHead}${trialTables()}\n`,
    'plan-fields.md': `${head}${planTables()}\n`,
  }
  for (const [name, text] of Object.entries(files)) {
    const file = join(ROOT, 'docs', name)
    if (!process.argv.includes('--check')) writeFileSync(file, text)
    else if (readFileSync(file, 'utf8') !== text) throw new Told(`docs/${name} is out of date: npm run schema`)
  }
})
