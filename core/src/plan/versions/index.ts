import { toVersion2, toVersion3, toVersion4, toVersion5 } from './first.ts'
import { toVersion6, toVersion7, toVersion8, toVersion9, toVersion10, toVersion11, toVersion12 } from './later.ts'
import { toVersion13 } from './thirteen.ts'
import type { Step } from '../../document/kept/index.ts'

/**
 * From an older version to the next, by the version it starts from: plain data in, plain data out, nothing thrown. The
 * current version has no entry.
 */
export const MIGRATIONS: Readonly<Record<number, Step>> = {
  1: toVersion2,
  2: toVersion3,
  3: toVersion4,
  4: toVersion5,
  5: toVersion6,
  6: toVersion7,
  7: toVersion8,
  8: toVersion9,
  9: toVersion10,
  10: toVersion11,
  11: toVersion12,
  12: toVersion13,
}
