export type Migration = (document: Record<string, unknown>) => Record<string, unknown>

/**
 * From an older version to the next, by the version it starts from: plain data in, plain data out, nothing thrown. The
 * current version has no entry, and there is no older one yet.
 */
export const MIGRATIONS: Readonly<Record<number, Migration>> = {}

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
