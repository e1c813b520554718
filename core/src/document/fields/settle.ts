import { describedFields } from './describe.ts'
import type { Class, Field } from './describe.ts'

const isSame = (a: unknown, b: unknown): boolean => {
  if (Object.is(a, b)) return true
  if (!Array.isArray(a) || !Array.isArray(b) || a.length !== b.length) return false
  return a.every((one, i) => Object.is(one, b[i]))
}

/** A list of parts; one that has kept its id, or its place where there are none, is compared with what it was. */
function settledList(of: Class, value: readonly object[], before: unknown): object[] {
  const old = Array.isArray(before) ? (before as object[]) : []
  const idOf = (one: object) => (one as { id?: unknown }).id
  const byId = new Map(old.map(one => [idOf(one), one]))
  const wasOf = (one: object, i: number) => (idOf(one) === undefined ? old[i] : (byId.get(idOf(one)) ?? old[i]))
  const list = value.map((one, i) => settled(of, one, old.includes(one) ? one : wasOf(one, i)))
  return isSame(list, old) && Array.isArray(before) ? old : list
}

function settledValue({ kind, of }: Field, value: unknown, before: unknown): unknown {
  if (value === before) return before
  if (kind === 'part') return value === null ? null : settled(of!(), value as object, before)
  if (kind === 'parts') return settledList(of!(), value as object[], before)
  return isSame(value, before) ? before : value
}

/**
 * A checked value with its names in the order of its class, in which everything that is as it was `before` is the very same
 * object: what has not changed can be told by reference.
 */
export function settled<T extends object>(type: Class<T>, value: T, before: unknown): T {
  if (value === before) return value
  const old = (before ?? {}) as Record<string, unknown>
  const given = value as Record<string, unknown>
  let isAsBefore = typeof before === 'object' && before !== null
  const all = describedFields(type).flatMap((field): [string, unknown][] => {
    if (field.optional === true && given[field.key] === undefined) {
      isAsBefore &&= old[field.key] === undefined
      return []
    }
    const now = settledValue(field, given[field.key], old[field.key])
    isAsBefore &&= now === old[field.key]
    return [[field.key, now]]
  })
  return isAsBefore ? (before as T) : (Object.fromEntries(all) as T)
}
