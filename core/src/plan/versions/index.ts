import { toVersion2, toVersion3, toVersion4, toVersion5 } from './first.ts'
import { toVersion6, toVersion7, toVersion8, toVersion9 } from './later.ts'
import type { Loose } from './loose.ts'

/** One step: plain data in, plain data out, nothing thrown. */
export type Migration = (document: Loose) => Loose

/**
 * From an older version to the next, by the version it starts from: plain data in, plain data out, nothing thrown. The
 * current version has no entry.
 */
export const MIGRATIONS: Readonly<Record<number, Migration>> = {
  1: toVersion2,
  2: toVersion3,
  3: toVersion4,
  4: toVersion5,
  5: toVersion6,
  6: toVersion7,
  7: toVersion8,
  8: toVersion9,
}

/** Brings an older document to the current version, one version at a time. */
export function migrated(
  document: Record<string, unknown>,
  migrations: Readonly<Record<number, Migration>> = MIGRATIONS,
): Record<string, unknown> {
  let now = document
  for (let steps = 0; steps < 1000; steps += 1) {
    const migrate = typeof now['version'] === 'number' ? migrations[now['version']] : undefined
    if (!migrate) return now
    now = migrate(now)
  }
  return now
}
