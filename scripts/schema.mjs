// Writes the published schema of the plan document from the classes that check it. --check only compares.
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { buildCore, ensurePackages } from './lib/build.mjs'
import { ROOT } from './lib/paths.mjs'
import { Told, run } from './lib/say.mjs'

await run(async () => {
  ensurePackages()
  buildCore()
  const { planSchema } = await import('@ostler/core/schema')
  const file = join(ROOT, 'docs', 'plan.schema.json')
  const text = `${JSON.stringify(planSchema(), null, 2)}\n`
  if (!process.argv.includes('--check')) return writeFileSync(file, text)
  if (readFileSync(file, 'utf8') !== text) throw new Told('docs/plan.schema.json is out of date: npm run schema')
})
