import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'

/** The project's folder: the nearest one above this file, source or compiled, that holds the examples. */
export function projectDir(): string {
  let dir = import.meta.dirname
  while (!existsSync(join(dir, 'examples')) && dirname(dir) !== dir) dir = dirname(dir)
  return dir
}
