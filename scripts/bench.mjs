// npm run -s bench: JSON lines {"name","value","unit"} on standard output, measured here and now. Names of parts choose among them.
import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { buildAll, ensurePackages } from './lib/build.mjs'
import { machineRatio, tell } from './lib/measure.mjs'
import { ROOT } from './lib/paths.mjs'
import { run } from './lib/say.mjs'

const PARTS = [
  'forecasts',
  'edits',
  'colours',
  'faces',
  'lanes',
  'quick-look',
  'rest',
  'honesty',
  'run',
  'rehearsal',
  'trial',
  'calls',
  'record',
  'faults',
  'app',
]

await run(async () => {
  const [part] = process.argv.slice(2).filter(one => one.startsWith('--part='))
  if (part) {
    const { default: measure } = await import(`./bench/${part.slice('--part='.length)}.mjs`)
    return measure()
  }
  ensurePackages()
  buildAll()
  const wanted = process.argv.slice(2)
  const strange = wanted.filter(one => !PARTS.includes(one))
  if (strange.length > 0) throw new Error(`There is no part ${strange.join(', ')}; there are ${PARTS.join(', ')}.`)
  tell('machine.js_ratio', await machineRatio(), '1')
  // Each in a process of its own, as the page's workers are: what one has warmed up or littered is not the next one's.
  for (const name of PARTS.filter(one => wanted.length === 0 || wanted.includes(one)))
    execFileSync(process.execPath, [join(ROOT, 'scripts', 'bench.mjs'), `--part=${name}`], { stdio: 'inherit' })
})
