import { describedFields } from '../fields/index.ts'
import type { Field } from '../fields/index.ts'

export type KeyOf = (element: unknown) => string

const byValue: KeyOf = one => (typeof one === 'string' ? one : JSON.stringify(one))

/** How the elements of a list are told apart: as the field says, or by their id; null: the list is one value. */
export function keyOf({ kind, of, elements }: Field): KeyOf | null {
  if (elements === 'by-value') return byValue
  if (kind !== 'parts') return null
  const name = elements ?? (describedFields(of!()).some(field => field.key === 'id') ? 'id' : null)
  return name === null ? null : one => String((one as Record<string, unknown>)[name])
}

/** The keys of a list; null when two elements share one, so that the list can only be taken as a whole. */
export function keysOf(list: readonly unknown[], key: KeyOf): string[] | null {
  const keys = list.map(key)
  return new Set(keys).size === keys.length ? keys : null
}
