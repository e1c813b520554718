import { createHash } from 'node:crypto'
import pg from 'pg'

/** Statements that come back are parsed once for each connection; beyond so many different ones they are parsed each time. */
const MOST_KNOWN = 400
const ASKS = /^\s*(?:select|insert|update|delete|with)\b/i

/** Of each statement how it is known to the database; empty: asked for once so far. */
const names = new Map<string, string>()

/** What a statement is known as; undefined where it is parsed for this time alone. */
export function nameOf(text: string): string | undefined {
  const known = names.get(text)
  if (known) return known
  if (known === undefined) {
    if (names.size < MOST_KNOWN && ASKS.test(text)) names.set(text, '')
    return undefined
  }
  const name = createHash('sha256').update(text).digest('base64url')
  names.set(text, name)
  return name
}

type Query = (text: unknown, values?: unknown, done?: unknown) => unknown

/** Lets a connection know the statements that come back by a name each: PostgreSQL then neither parses nor, mostly, plans them anew. */
export function remembering(client: pg.PoolClient): void {
  const query = client.query.bind(client) as Query
  const named: Query = (text, values, done) =>
    typeof text === 'string' && Array.isArray(values)
      ? query({ name: nameOf(text), text, values }, done)
      : query(text, values, done)
  client.query = named as typeof client.query
}
