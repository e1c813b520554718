import type { LogEvent } from 'kysely'

/** Tables whose rows belong to a workshop. */
const OWNED = [
  ...[
    'member',
    'session',
    'way_in',
    'deed',
    'shelf_item',
    'batch',
    'recipe',
    'recipe_version',
    'design',
    'kept_version',
  ],
  ...['rehearsal', 'trial', 'evidence', 'batch_change', 'batch_version', 'share', 'presence', 'batch_look', 'run'],
  ...['run_event', 'record_entry', 'batch_record', 'photo', 'lot_use'],
]
const TABLE = new RegExp(`\\b(?:from|join|update|into)\\s+"?(${OWNED.join('|')})"?(?![\\w(.])`, 'gi')
const PINNED = /workshop_id"?\s*(?:=|in\b)/gi
const PUT_IN = /insert into "?\w+"? \([^)]*workshop_id/gi

/** What tells whose a row is before anybody is known: a name to sign in by, and what only its owner has. */
const BY_SECRET = /"(?:token_hash|watch_hash|sign_in_name)" = \$/

/** The server's own upkeep: what has expired, what is old in the bin, plans of older versions. */
const UPKEEP = [
  /^delete from "(?:session|way_in)" where "expires_at" < \$1$/,
  /^delete from "(?:batch|recipe|design|trial)" where deleted_at < \$1 and not (?:false|poured_at <> '')$/,
  /^select "id", "workshop_id", "revision", "plan", "updated_at" from "batch" where coalesce\(\(plan ->> 'version'\)::int, 0\) < \$1/,
]

const count = (text: string, pattern: RegExp): number => text.match(pattern)?.length ?? 0

/** Whether a query names the workshop of every table that it touches, by a value or by a join. */
export function staysInside(query: string): boolean {
  const text = query.replace(/\s+/g, ' ').trim()
  const tables = count(text, TABLE)
  if (tables === 0 || UPKEEP.some(one => one.test(text))) return true
  return count(text, PINNED) + count(text, PUT_IN) + (BY_SECRET.test(text) ? 1 : 0) >= tables
}

/** Looks at every query of an application; those that could reach into another workshop are kept, each once. */
export function watchQueries(): { log: (event: LogEvent) => void; crossing: ReadonlySet<string> } {
  const seen = new Set<string>()
  const crossing = new Set<string>()
  return {
    crossing,
    log({ query: { sql } }) {
      if (seen.has(sql)) return
      seen.add(sql)
      if (!staysInside(sql)) crossing.add(sql)
    },
  }
}
