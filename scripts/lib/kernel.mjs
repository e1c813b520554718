// Compiles the kernel and writes it as a module that core imports.
import asc from 'assemblyscript/asc'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './paths.mjs'

const KERNEL = join(ROOT, 'core/src/kernel')
const OPTIONS = ['-O3', '--runtime', 'stub', '--noAssert', '--noColors']

/** What the compiler reads: it names modules without their ending, and the memory is another one where it is compiled. */
function read(name) {
  try {
    const source = readFileSync(join(KERNEL, name.replace(/^memory\.ts$/, 'memory.compiled.ts')), 'utf8')
    return source.replace(/ from '(\.\/[\w-]+)\.ts'/g, " from '$1'")
  } catch {
    return null
  }
}

let compiled = null
const { error, stderr } = await asc.main(['all.ts', '--outFile', 'kernel.wasm', ...OPTIONS], {
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
  `/** \`all.ts\`, compiled; written by the build. */\nexport const COMPILED =\n  '${Buffer.from(compiled).toString('base64')}'\n`,
)
