export type Migration = (document: Record<string, unknown>) => Record<string, unknown>

/**
 * From an older version to the next, by the version it starts from: plain data in, plain data out, nothing thrown. The
 * current version has no entry, and there is no older one yet.
 */
export const MIGRATIONS: Readonly<Record<string, Migration>> = {}

/** Brings an older document to the current version, one version at a time. */
export function migrated(
  document: Record<string, unknown>,
  migrations: Readonly<Record<string, Migration>> = MIGRATIONS,
): Record<string, unknown> {
  let now = document
  for (let steps = 0; steps < 1000; steps += 1) {
    const version = String(now['version'])
    if (!Object.hasOwn(migrations, version)) return now
    now = migrations[version]!(now)
  }
  return now
}
