import type { Change, Place } from './change.ts'

/** More than this is a document of its own. */
export const MOST_CHANGES = 2000
const DEEPEST = 10
const NAMES = ['at', 'was', 'to', 'after', 'order', 'wasOrder']

const isKey = (step: unknown): boolean =>
  typeof step === 'object' &&
  step !== null &&
  Object.keys(step).length === 1 &&
  typeof (step as { id?: unknown }).id === 'string'

const isPlace = (at: unknown): at is Place =>
  Array.isArray(at) &&
  at.length > 0 &&
  at.length <= DEEPEST &&
  at.every(step => typeof step === 'string' || isKey(step))

const isTexts = (value: unknown): boolean => Array.isArray(value) && value.every(one => typeof one === 'string')

function isChange(value: unknown): value is Change {
  if (typeof value !== 'object' || value === null || !isPlace((value as { at?: unknown }).at)) return false
  const { was, to, after, order, wasOrder } = value as Record<string, unknown>
  if (Object.keys(value).some(key => !NAMES.includes(key))) return false
  if (order !== undefined || wasOrder !== undefined) return isTexts(order) && isTexts(wasOrder) && was === to
  const isElement = typeof (value as Change).at.at(-1) === 'object'
  if (isElement && !(after === null || typeof after === 'string')) return false
  return isElement || (Object.hasOwn(value, 'was') && Object.hasOwn(value, 'to'))
}

/** Changes from outside; null when they are none. What they change and to what is checked when they are made. */
export const readChanges = (value: unknown): Change[] | null =>
  Array.isArray(value) && value.length <= MOST_CHANGES && value.every(isChange) ? value : null
