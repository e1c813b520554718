// Compares this project's kernels with the same arithmetic in C, where a compiler is at hand.
import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ROOT } from './paths.mjs'

/**
 * Compiles a program of scripts/lib/native with -O3 and hands it numbers.
 *
 * @returns what it printed, as numbers; null without a compiler
 */
export function runNative(name, numbers) {
  if (spawnSync('cc', ['--version'], { stdio: 'ignore' }).status !== 0) return null
  const folder = mkdtempSync(join(tmpdir(), 'ostler-native-'))
  try {
    const program = join(folder, name)
    execFileSync('cc', ['-O3', '-o', program, join(ROOT, 'scripts', 'lib', 'native', `${name}.c`), '-lm'])
    return execFileSync(program, { input: numbers.join('\n') })
      .toString()
      .trim()
      .split(/\s+/)
      .map(Number)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
