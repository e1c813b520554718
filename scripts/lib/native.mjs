// Compares this project's kernels with the same arithmetic in C, where a compiler is at hand.
import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ROOT } from './paths.mjs'

/**
 * Compiles a program of scripts/lib/native with -O3 for as long as `use` runs, and hands it a function that gives the program
 * numbers and takes what it prints, as numbers.
 *
 * @returns what `use` returns; null without a compiler
 */
export function withNative(name, use) {
  if (spawnSync('cc', ['--version'], { stdio: 'ignore' }).status !== 0) return null
  const folder = mkdtempSync(join(tmpdir(), 'ostler-native-'))
  try {
    const program = join(folder, name)
    execFileSync('cc', ['-O3', '-o', program, join(ROOT, 'scripts', 'lib', 'native', `${name}.c`), '-lm'])
    const ask = numbers => {
      if (!numbers.every(Number.isFinite)) throw new Error(`${name} was given what is no number`)
      return execFileSync(program, { input: numbers.join('\n') })
        .toString()
        .trim()
        .split(/\s+/)
        .map(Number)
    }
    return use(ask)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

const ROUNDS = 15

/**
 * Both in turns, and the least seconds of each: what else the machine does counts for neither. Each gives its seconds first, then
 * sums that have to agree.
 */
export function leastRatio(own, native) {
  let [ours, theirs] = [Infinity, Infinity]
  for (let round = 0; round < ROUNDS; round += 1) {
    const [nativeSeconds, ...nativeSums] = native()
    const [ownSeconds, ...ownSums] = own()
    nativeSums.forEach((sum, i) => {
      if (!(Math.abs(ownSums[i] / sum - 1) <= 1e-6)) throw new Error(`C says ${sum}, this project ${ownSums[i]}`)
    })
    ours = Math.min(ours, ownSeconds)
    theirs = Math.min(theirs, nativeSeconds)
  }
  return ours / theirs
}
