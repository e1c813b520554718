import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { ROOT } from './paths.mjs'

/** A kernel against its twin in C, in a process of its own; null without a compiler. */
export const againstC = name =>
  JSON.parse(execFileSync(process.execPath, [join(ROOT, 'scripts', 'lib', `${name}.mjs`)]))
