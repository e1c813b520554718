import { describedFields } from '../fields/index.ts'
import type { Class, Field } from '../fields/index.ts'
import { isAlike, isReorder } from './change.ts'
import type { Change, Place, Put, Reorder } from './change.ts'
import { keyOf } from './keys.ts'
import type { KeyOf } from './keys.ts'

/** A change that does not fit any more: what it changes is gone, or has become something else meanwhile. */
export interface Met {
  change: Change
  why: 'gone' | 'other'
}

export interface Replayed<T> {
  /** With all changes that fit; what they make has still to be checked. */
  value: T
  met: Met[]
}

class Misfit extends Error {
  readonly why: Met['why']
  constructor(why: Met['why']) {
    super(why)
    this.why = why
  }
}

type Named = Record<string, unknown>
const has = (change: Put, side: 'was' | 'to'): boolean => Object.hasOwn(change, side)

function setOf(put: Put, current: unknown, force: boolean): unknown {
  if (!force && !isAlike(current, put.was) && !isAlike(current, put.to)) throw new Misfit('other')
  return put.to
}

function withElement(list: readonly unknown[], put: Put, id: string, key: KeyOf, force: boolean): unknown[] {
  const at = list.findIndex(one => key(one) === id)
  if (!has(put, 'to')) {
    if (at < 0) return [...list]
    if (!force && !isAlike(list[at], put.was)) throw new Misfit('other')
    return list.filter((_, i) => i !== at)
  }
  if (at >= 0) {
    if (!force && !isAlike(list[at], put.to)) throw new Misfit('other')
    return list.map((one, i) => (i === at ? put.to : one))
  }
  const before = put.after === null ? -1 : list.findIndex(one => key(one) === put.after)
  const place = put.after === null ? 0 : before < 0 ? list.length : before + 1
  return [...list.slice(0, place), put.to, ...list.slice(place)]
}

/** Elements that the order does not know stay behind the one that they followed. */
function inOrder(list: readonly unknown[], { wasOrder, order }: Reorder, key: KeyOf, force: boolean): unknown[] {
  const keys = list.map(key)
  const known = keys.filter(id => order.includes(id))
  const wanted = order.filter(id => keys.includes(id))
  const was = wasOrder.filter(id => keys.includes(id))
  if (!force && !isAlike(known, was) && !isAlike(known, wanted)) throw new Misfit('other')
  const places = [...wanted]
  keys.forEach((id, i) => {
    if (!order.includes(id)) places.splice(i === 0 ? 0 : places.indexOf(keys[i - 1]!) + 1, 0, id)
  })
  return places.map(id => list[keys.indexOf(id)])
}

function inList(field: Field, list: unknown, at: Place, change: Change, force: boolean): unknown {
  if (!Array.isArray(list)) throw new Misfit('gone')
  const key = keyOf(field)
  const [step, ...rest] = at
  if (!key || typeof step !== 'object') throw new Misfit('gone')
  if (rest.length === 0) return withElement(list, change, step.id, key, force)
  const i = list.findIndex(one => key(one) === step.id)
  if (i < 0) throw new Misfit('gone')
  return list.map((one: unknown, n) => (n === i ? inPart(field.of!(), one, rest, change, force) : one))
}

function inField(field: Field, value: unknown, at: Place, change: Change, force: boolean): unknown {
  if (at.length === 0) {
    if (!isReorder(change)) return setOf(change, value, force)
    const key = keyOf(field)
    if (!key || !Array.isArray(value)) throw new Misfit('gone')
    return inOrder(value, change, key, force)
  }
  if (typeof at[0] === 'object') return inList(field, value, at, change, force)
  if (field.kind !== 'part') throw new Misfit('gone')
  return inPart(field.of!(), value, at, change, force)
}

function inPart(type: Class, value: unknown, at: Place, change: Change, force: boolean): unknown {
  if (typeof value !== 'object' || value === null) throw new Misfit('gone')
  const [name, ...rest] = at
  const field = describedFields(type).find(one => one.key === name)
  if (!field) throw new Misfit('gone')
  const owner = value as Named
  return { ...owner, [field.key]: inField(field, owner[field.key], rest, change, force) }
}

/**
 * Makes changes on a document that may have changed since. What fits is made; what does not is told. A change that has been
 * made already is no misfit, so that changes may be sent twice.
 *
 * @param force what became something else meanwhile is overwritten; what is gone cannot be
 */
export function replayed<T extends object>(
  type: Class<T>,
  document: T,
  changes: readonly Change[],
  { force = false }: { force?: boolean } = {},
): Replayed<T> {
  let value: unknown = document
  const met: Met[] = []
  for (const change of changes) {
    try {
      value = inPart(type, value, change.at, change, force)
    } catch (error) {
      if (!(error instanceof Misfit)) throw error
      met.push({ change, why: error.why })
    }
  }
  return { value: value as T, met }
}
