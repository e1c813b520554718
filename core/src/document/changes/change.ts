/**
 * A change to a document as a value of its own: plain JSON that can be made, taken back, sent, kept and replayed on a document
 * that others have changed meanwhile. Elements of lists are named by their key, never by their place.
 */

/** Where something stands: names of fields, and elements of lists by their key, e.g. ['cups', { id: 'cup-2' }, 'wish']. */
export type Place = readonly (string | Key)[]
export interface Key {
  id: string
}

/** A value set, or an element of a list put in (`was` is absent) or taken out (`to` is absent). */
export interface Put {
  at: Place
  was?: unknown
  to?: unknown
  /** Of an element: the key of the one before it in its list; null: it is the first. */
  after?: string | null
}

/** The elements of a list in another order. */
export interface Reorder {
  at: Place
  wasOrder: readonly string[]
  order: readonly string[]
}

export type Change = Put | Reorder

export const isReorder = (change: Change): change is Reorder => 'order' in change

/** The changes that take these back, in the order in which they are to be made. */
export const inverse = (changes: readonly Change[]): Change[] =>
  changes
    .map((change): Change => {
      if (isReorder(change)) return { at: change.at, wasOrder: change.order, order: change.wasOrder }
      const { at, was, to, after } = change
      return {
        at,
        ...('to' in change && { was: to }),
        ...('was' in change && { to: was }),
        ...(after !== undefined && { after }),
      }
    })
    .reverse()

/** Deep equality of plain JSON; the order of names does not matter. */
export function isAlike(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false
  if (Array.isArray(a) !== Array.isArray(b)) return false
  const [x, y] = [a as Record<string, unknown>, b as Record<string, unknown>]
  const keys = Object.keys(x)
  return keys.length === Object.keys(y).length && keys.every(key => key in y && isAlike(x[key], y[key]))
}
