import { fact } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import { describedFields } from './describe.ts'
import type { Class, Field } from './describe.ts'

/** Something wrong with a document: where, what stands there, and a sentence that says what would do. */
export interface Problem {
  path: string
  value: unknown
  sentence: Words
}

/** Values in a report stay short and printable. */
function brief(value: unknown): unknown {
  if (typeof value === 'string') return value.slice(0, 80)
  if (value === null || typeof value === 'number' || typeof value === 'boolean') return value
  return value === undefined ? 'nothing' : Array.isArray(value) ? `a list of ${value.length}` : 'an object'
}

const STRANGE = fact('fields.strange-name')
const NO_OBJECT = fact('fields.no-object')
const under = (path: string, key: string): string => (path === '' ? key : `${path}.${key}`)
const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Whether a value is one that its field allows beside what it is made of: null, empty, left out. */
const isOff = ({ orNull, orEmpty, optional }: Field, value: unknown): boolean =>
  (orNull === true && value === null) || (orEmpty === true && value === '') || (optional === true && value == null)

function ofField(field: Field, value: unknown, before: unknown, path: string): Problem[] {
  if (value === before && value !== undefined) return []
  if (isOff(field, value)) return []
  if (!field.fits(value)) return [{ path, value: brief(value), sentence: field.inWords ?? fact(field.sentence) }]
  if (field.kind === 'part') return problemsIn(field.of!(), value, path, before)
  if (field.kind !== 'parts') return []
  const old = new Set(Array.isArray(before) ? (before as unknown[]) : [])
  return (value as unknown[]).flatMap((one, i) =>
    old.has(one) ? [] : problemsIn(field.of!(), one, `${path}[${i}]`, undefined),
  )
}

/**
 * What is wrong with a value that claims to be of a class; empty when nothing is. Never throws.
 *
 * @param before what stood there and was right: what is the same by reference is not looked at again
 */
export function problemsIn(type: Class, value: unknown, path = '', before?: unknown): Problem[] {
  if (!isRecord(value)) return [{ path, value: brief(value), sentence: NO_OBJECT }]
  const fields = describedFields(type)
  const old = isRecord(before) ? before : {}
  const problems = fields.flatMap(field => ofField(field, value[field.key], old[field.key], under(path, field.key)))
  const keys = Object.keys(value)
  if (keys.length <= fields.length && keys.every(key => fields.some(field => field.key === key))) return problems
  const strange = keys.filter(key => !fields.some(field => field.key === key))
  return [...problems, ...strange.map(key => ({ path: under(path, key), value: brief(value[key]), sentence: STRANGE }))]
}
