import { describedFields } from '../fields/index.ts'
import type { Class, Field } from '../fields/index.ts'
import { isAlike } from './change.ts'
import type { Change, Place, Put } from './change.ts'
import { keyOf, keysOf } from './keys.ts'

const isRecord = (value: unknown): value is object => typeof value === 'object' && value !== null

/** A list with elements taken out and put in as the changes say, keys only. */
function orderAfter(before: readonly string[], puts: readonly (Put & { key: string })[]): string[] {
  const keys = before.filter(key => !puts.some(put => put.key === key && !('to' in put)))
  for (const put of puts) {
    if (!('to' in put)) continue
    const at = put.after === null ? 0 : keys.indexOf(put.after!) + 1
    keys.splice(at, 0, put.key)
  }
  return keys
}

function ofList(field: Field, before: readonly unknown[], after: readonly unknown[], at: Place): Change[] | null {
  const key = keyOf(field)
  const [old, now] = key ? [keysOf(before, key), keysOf(after, key)] : [null, null]
  if (!key || !old || !now) return null
  const puts: (Put & { key: string })[] = []
  // The last first: taken back, each finds the one that it stood behind.
  for (let i = old.length - 1; i >= 0; i -= 1)
    if (!now.includes(old[i]!))
      puts.push({ key: old[i]!, at: [...at, { id: old[i]! }], was: before[i], after: old[i - 1] ?? null })
  now.forEach((id, i) => {
    if (!old.includes(id)) puts.push({ key: id, at: [...at, { id }], to: after[i], after: now[i - 1] ?? null })
  })
  const inner = now.flatMap((id, i) => {
    const was = before[old.indexOf(id)]
    return old.includes(id) && isRecord(was) ? ofPart(field.of!(), was, after[i] as object, [...at, { id }]) : []
  })
  const came = orderAfter(old, puts)
  const isOtherOrder = came.some((id, i) => id !== now[i])
  const plain = puts.map(({ key: _, ...put }): Put => put)
  return [...plain, ...inner, ...(isOtherOrder ? [{ at, wasOrder: came, order: now }] : [])]
}

function ofField(field: Field, before: unknown, after: unknown, at: Place): Change[] {
  if (before === after) return []
  if (field.kind === 'part' && isRecord(before) && isRecord(after)) return ofPart(field.of!(), before, after, at)
  if (Array.isArray(before) && Array.isArray(after)) {
    const found = ofList(field, before, after, at)
    if (found) return found
  }
  return isAlike(before, after) ? [] : [{ at, was: before, to: after }]
}

function ofPart(type: Class, before: object, after: object, at: Place): Change[] {
  if (before === after) return []
  const [old, now] = [before as Record<string, unknown>, after as Record<string, unknown>]
  return describedFields(type).flatMap(field => ofField(field, old[field.key], now[field.key], [...at, field.key]))
}

/** The changes that make `after` of `before`, as small as their classes tell things apart. */
export const changesBetween = <T extends object>(type: Class<T>, before: T, after: T): Change[] =>
  ofPart(type, before, after, [])
