import { Choice, Choices, Like, NumberFrom, Text, Texts, YesNo } from '../document/fields/index.ts'
import { fact, together } from '../quantities/facts/index.ts'
import type { QuantityKind } from '../quantities/units/index.ts'

/** One value of a shelf item: how it is checked, shown, typed, and carried in a table file. */
export interface Field {
  key: string
  label: string
  kind: 'text' | 'long' | 'number' | 'choice' | 'flag' | 'list' | 'colour'
  /** For numbers: which quantity, so that any of its units may be typed. */
  quantity?: QuantityKind
  /** For numbers: the unit shown, e.g. "%" or "mg KOH/g". */
  unit?: string
  /** For choices: the values and their words. For lists: the values allowed; none = free words. */
  options?: readonly { value: string; text: string }[]
  /** Fields of one group stand together. */
  group: string
  /** Stands in the list of items. */
  inList?: boolean
  /** Value of a new item. */
  start: unknown
  min?: number
  max?: number
}

type Target = abstract new () => object
const OWN = new Map<Target, Field[]>()

/** All fields of an item class, those of its base first. */
export function fieldsOf(type: Target): Field[] {
  const base = Object.getPrototypeOf(type) as Target | null
  return [...(base ? fieldsOf(base) : []), ...(OWN.get(type) ?? [])]
}

const register = (target: object, field: Field): void => {
  const type = target.constructor as Target
  OWN.set(type, [...(OWN.get(type) ?? []), field])
}

interface About {
  label: string
  group?: string
  inList?: boolean
}

const GENERAL = 'General'

/** A number in the unit kept inside; shares from 0 to 1. */
export const Amount =
  (
    about: About & {
      quantity: QuantityKind
      unit: string
      min: number
      max: number
      start?: number
      /** Replaces the sentence made from label and range. */
      say?: string
    },
  ): PropertyDecorator =>
  (target, key) => {
    const { label, quantity, unit, min, max, say } = about
    const scale = quantity === 'share' ? 100 : 1
    const [from, to] = [min, max].map(end => Number((end * scale).toPrecision(6))) as [number, number]
    const start = about.start ?? Math.max(0, min)
    const inWords = fact(unit === '' ? '{label} is from {from} to {to}.' : '{label} is from {from} to {to} {unit}.', {
      label: fact(label),
      from,
      to,
      ...(unit !== '' && { unit: fact(unit) }),
    })
    const message = say ?? `${label} is from ${from} to ${to}${unit ? ` ${unit}` : ''}.`
    NumberFrom(min, max, message, { says: label, start, ...(say === undefined && { inWords }) })(target, key)
    register(target, {
      key: String(key),
      label,
      kind: 'number',
      quantity,
      unit,
      group: about.group ?? GENERAL,
      inList: about.inList ?? false,
      start,
      min,
      max,
    })
  }

/** One of a few values. */
export const OneOf =
  <T extends string>(about: About & { options: Readonly<Record<T, string>>; start: NoInfer<T> }): PropertyDecorator =>
  (target, key) => {
    const options = (Object.entries(about.options) as [T, string][]).map(([value, text]) => ({ value, text }))
    const message = `${about.label} is one of: ${options.map(option => option.text).join(', ')}.`
    const values = options.map(option => option.value)
    const inWords = fact('{label} is one of: {options}.', {
      label: fact(about.label),
      options: together(
        options.map(option => fact(option.text)),
        ', ',
      ),
    })
    Choice(values, message, { says: about.label, start: about.start, inWords })(target, key)
    register(target, {
      key: String(key),
      label: about.label,
      kind: 'choice',
      options,
      group: about.group ?? GENERAL,
      inList: about.inList ?? false,
      start: about.start,
    })
  }

export const Flag =
  (about: About): PropertyDecorator =>
  (target, key) => {
    const inWords = fact('{label} is yes or no.', { label: fact(about.label) })
    YesNo(`${about.label} is yes or no.`, { says: about.label, start: false, inWords })(target, key)
    register(target, {
      key: String(key),
      label: about.label,
      kind: 'flag',
      group: about.group ?? GENERAL,
      inList: about.inList ?? false,
      start: false,
    })
  }

export const Words =
  (about: About & { min?: number; max: number; long?: boolean; start?: string }): PropertyDecorator =>
  (target, key) => {
    const { label, min = 0, max } = about
    Text(min, max, min > 0 ? `${label} has ${min} to ${max} letters.` : `${label} has at most ${max} letters.`, {
      says: label,
      start: about.start ?? '',
      inWords: fact(min > 0 ? '{label} has {min} to {max} letters.' : '{label} has at most {max} letters.', {
        label: fact(label),
        max,
        ...(min > 0 && { min }),
      }),
    })(target, key)
    register(target, {
      key: String(key),
      label,
      kind: about.long ? 'long' : 'text',
      group: about.group ?? GENERAL,
      inList: about.inList ?? false,
      start: about.start ?? '',
    })
  }

/** A short list of words; with `options` only of those. */
export const WordList =
  (about: About & { options?: Readonly<Record<string, string>>; most: number }): PropertyDecorator =>
  (target, key) => {
    const { label, options, most } = about
    const message = options
      ? `${label} are some of: ${Object.values(options).join(', ')}.`
      : `${label} are up to ${most} words or short phrases.`
    const inWords = options
      ? fact('{label} are some of: {options}.', {
          label: fact(label),
          options: together(
            Object.values(options).map(text => fact(text)),
            ', ',
          ),
        })
      : fact('{label} are up to {most} words or short phrases.', { label: fact(label), most })
    const said = { says: label, inWords }
    if (options) Choices(Object.keys(options), most, message, said)(target, key)
    else Texts(60, most, message, said)(target, key)
    register(target, {
      key: String(key),
      label,
      kind: 'list',
      ...(options && { options: Object.entries(options).map(([value, text]) => ({ value, text })) }),
      group: about.group ?? GENERAL,
      inList: about.inList ?? false,
      start: [],
    })
  }

const HEX = /^#[0-9a-f]{6}$/

export const Colour =
  (about: About & { start: string }): PropertyDecorator =>
  (target, key) => {
    const inWords = fact('{label} is written like #3e8f82.', { label: fact(about.label) })
    Like(HEX, `${about.label} is written like #3e8f82.`, { says: about.label, start: about.start, inWords })(
      target,
      key,
    )
    register(target, {
      key: String(key),
      label: about.label,
      kind: 'colour',
      group: about.group ?? GENERAL,
      inList: about.inList ?? false,
      start: about.start,
    })
  }

/** Labels, groups, units and options of every field, for the catalogues of languages. */
export const fieldWords = (): string[] => [
  ...new Set(
    [...OWN.values()]
      .flat()
      .flatMap(({ label, group, unit = '', options = [] }) => [label, group, unit, ...options.map(one => one.text)])
      .filter(word => word !== ''),
  ),
]
