import { parseForm, readChanges, readPlan, shelfKinds } from '@ostler/core'
import type { Change, Plan, ShelfKind } from '@ostler/core'
import { HttpError } from './errors.ts'

/** The body as a checked form, or a 400 that names every field in trouble. */
export function formFrom<T extends object>(form: new () => T, body: unknown): T {
  const parsed = parseForm(form, body)
  if (parsed.ok) return parsed.value
  throw new HttpError(400, parsed.problems[0]!.sentence, { problems: parsed.problems })
}

/** The body's plan, checked with the same rules as the page. */
export function planFrom(body: unknown): Plan {
  const result = readPlan((body as { plan?: unknown } | null)?.plan)
  if (result.ok) return result.plan
  throw new HttpError(400, result.problems[0]!.sentence, { problems: result.problems })
}

/** As far as the database counts. */
const MOST_REVISIONS = 2 ** 31 - 1

/** The revision that a change was made on. */
export function revisionFrom(body: unknown): number {
  const revision = (body as { revision?: unknown } | null)?.revision
  if (typeof revision === 'number' && Number.isInteger(revision) && revision > 0 && revision < MOST_REVISIONS)
    return revision
  throw new HttpError(400, 'A change says which revision it was made on.')
}

const UUID = /^[0-9a-f]{8}-(?:[0-9a-f]{4}-){3}[0-9a-f]{12}$/

/** An id from the address; one that cannot be is as good as none found. */
export function idFrom(id: unknown): string {
  if (typeof id === 'string' && UUID.test(id)) return id
  throw new HttpError(404, 'There is nothing of that name.')
}

/** A part of the shelf from the address or a body. */
export function kindFrom(value: unknown): ShelfKind {
  if (typeof value === 'string' && (shelfKinds as string[]).includes(value)) return value as ShelfKind
  throw new HttpError(404, 'There is no such part of the shelf.')
}

/** Changes to a document under an id of their own: sent twice they are made once. */
export interface SentChanges {
  id: string
  revision: number
  changes: Change[]
}

export function changesFrom(body: unknown): SentChanges {
  const { id, changes } = (body ?? {}) as { id?: unknown; changes?: unknown }
  const read = readChanges(changes)
  if (typeof id !== 'string' || !UUID.test(id) || !read)
    throw new HttpError(400, 'This is no list of changes with an id of its own.')
  return { id, revision: revisionFrom(body), changes: read }
}
