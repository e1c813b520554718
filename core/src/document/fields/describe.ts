import type { Fact } from '../../quantities/facts/index.ts'

/**
 * What is said of a field, once, on its class: how it is checked, what is said when it does not fit, the order in which it is
 * written, what it starts as, its range on screen, and its line in the published schema and in the documents.
 */

export type Class<T extends object = object> = new () => T

export type FieldKind = 'number' | 'whole' | 'text' | 'flag' | 'choice' | 'fixed' | 'part' | 'parts' | 'list'

/** What a maker of a class may add to a field. */
export interface FieldOptions {
  /** What it is, for the documents. */
  says?: string
  /**
   * Value of a new one, of a list of parts how many there are. Without it parts start by their own fields, lists that may be empty
   * are, and what may be null is null.
   */
  start?: unknown
  /** It may be null: "none", "not known", "as usual". */
  orNull?: boolean
  /** A text that may be empty whatever its pattern says. */
  orEmpty?: boolean
  /** It may be left out. */
  optional?: boolean
  /**
   * What tells the elements of a list apart when two people change it: the name of a field, or 'by-value'. Without it the id, where
   * they have one; else the list is one value.
   */
  elements?: string
  /** What is said when a value does not fit, where that is put together from a message and values. */
  inWords?: Fact
}

export interface Field extends FieldOptions {
  key: string
  kind: FieldKind
  /** What is said when a value does not fit: a message of the catalogue, which is its own id. */
  sentence: string
  /** Whether a value that is neither null, empty nor left out fits; parts and lists of parts are walked besides. */
  fits: (value: unknown) => boolean
  /** Of numbers: their range. Of lists: how many there may be. */
  from?: number
  to?: number
  /** Of choices, or the one value that is fixed. */
  values?: readonly (string | number)[]
  /** Of texts. */
  pattern?: RegExp
  /** Of parts. */
  of?: () => Class
  /** What each of a list is like. */
  each?: Pick<Field, 'kind' | 'from' | 'to' | 'pattern' | 'values'>
}

const OWN = new Map<object, Field[]>()

/** The fields of a class in the order of their declaration, those of its base first. */
export function describedFields(type: abstract new () => object): readonly Field[] {
  const whole = WHOLE.get(type)
  if (whole) return whole
  const base = Object.getPrototypeOf(type) as (abstract new () => object) | null
  const all = [...(base && base !== Function.prototype ? describedFields(base) : []), ...(OWN.get(type) ?? [])]
  WHOLE.set(type, all)
  return all
}
const WHOLE = new Map<object, readonly Field[]>()

export function describe(target: object, field: Field): void {
  const type = target.constructor
  OWN.set(type, [...(OWN.get(type) ?? []), field])
  WHOLE.clear()
}

/** Every sentence that a field may say, for the catalogues of languages. */
export const fieldSentences = (): string[] => [
  ...new Set([...OWN.values()].flat().map(field => field.inWords?.fact ?? field.sentence)),
]
