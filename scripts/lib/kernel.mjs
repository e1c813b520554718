// Compiles the heat kernel and writes it as a module that core imports.
import asc from 'assemblyscript/asc'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './paths.mjs'

const KERNEL = join(ROOT, 'core/src/mould/rest/kernel')
const OPTIONS = ['-O3', '--runtime', 'stub', '--noAssert', '--noColors']

/** The compiler asks for modules without their ending; the kernel's memory is another one where it is compiled. */
const fileOf = name => name.replace(/\.ts\.ts$/, '.ts').replace(/memory\.ts$/, 'memory.compiled.ts')

function read(name) {
  try {
    return readFileSync(join(KERNEL, fileOf(name)), 'utf8')
  } catch {
    return null
  }
}

let compiled = null
const { error, stderr } = await asc.main(['heat.ts', '--outFile', 'heat.wasm', ...OPTIONS], {
  readFile: read,
  writeFile: (_, contents) => (compiled = contents),
  listFiles: () => [],
})
if (error || !compiled) {
  console.error(`${error?.message ?? 'nothing was compiled'}\n${stderr}`)
  process.exit(1)
}
writeFileSync(
  join(KERNEL, 'compiled.ts'),
  `/** \`heat.ts\`, compiled; written by the build. */\nexport const COMPILED =\n  '${Buffer.from(compiled).toString('base64')}'\n`,
)
