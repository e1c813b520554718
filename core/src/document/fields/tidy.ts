import { describedFields } from './describe.ts'
import type { Class, Field } from './describe.ts'

const asPart = (type: Class, value: unknown): unknown =>
  typeof value === 'object' && value !== null ? tidied(type, value) : value

function valueOf({ kind, of }: Field, value: unknown): unknown {
  if (kind === 'part') return asPart(of!(), value)
  if (kind === 'parts') return (value as unknown[]).map(one => asPart(of!(), one))
  return kind === 'list' ? [...(value as unknown[])] : value
}

/** A checked value as plain data with its names in the order of its class, so that equal ones are equal texts. */
export function tidied<T extends object>(type: Class<T>, value: T): T {
  const given = value as Record<string, unknown>
  const all = describedFields(type).flatMap(field => {
    const { key, optional } = field
    return optional === true && given[key] === undefined ? [] : [[key, valueOf(field, given[key])]]
  })
  return Object.fromEntries(all) as T
}

const copied = (value: unknown): unknown =>
  typeof value === 'object' && value !== null ? (JSON.parse(JSON.stringify(value)) as unknown) : value

function startOf(type: Class, { key, kind, start, orNull, orEmpty, optional, of, from }: Field): unknown {
  if (kind === 'parts' && typeof start === 'number') return Array.from({ length: start }, () => started(of!()))
  if (start !== undefined) return copied(start)
  if (orNull === true) return null
  if (optional === true) return undefined
  if (orEmpty === true) return ''
  if (kind === 'part') return started(of!())
  if ((kind === 'parts' || kind === 'list') && from === 0) return []
  throw new Error(`${type.name}.${key} has no starting value`)
}

/** A new one of a class: what is given, and for the rest what its fields start as. */
export function started<T extends object>(type: Class<T>, given: Partial<T> = {}): T {
  const all = describedFields(type).flatMap((field): [string, unknown][] => {
    const value = field.key in given ? given[field.key as keyof T] : startOf(type, field)
    return value === undefined ? [] : [[field.key, value]]
  })
  return Object.fromEntries(all) as T
}
