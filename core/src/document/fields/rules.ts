import {
  ArrayMaxSize,
  ArrayMinSize,
  Equals,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Matches,
  Max,
  Min,
  ValidateIf,
  ValidateNested,
  isBoolean,
  isIn,
  isInt,
  isNumber,
  isString,
  matches,
} from 'class-validator'
import { describe } from './describe.ts'
import type { Class, Field, FieldOptions } from './describe.ts'

/** Decorators that say all of a field at once. Each registers the validator's checks for forms, and the description. */

const isRecord = (value: unknown): boolean => typeof value === 'object' && value !== null && !Array.isArray(value)
const isWhole = (value: unknown): value is number => isInt(value)
const isNumeric = (value: unknown): value is number => isNumber(value, { allowNaN: false, allowInfinity: false })

function field(options: FieldOptions, about: Omit<Field, 'key'>, ...checks: PropertyDecorator[]): PropertyDecorator {
  const { orNull = false, orEmpty = false, optional = false } = options
  return (target, key) => {
    const name = String(key)
    const isOff = (value: unknown) => (orNull && value === null) || (orEmpty && value === '')
    if (orNull || orEmpty) ValidateIf((owner: Record<string, unknown>) => !isOff(owner[name]))(target, key)
    if (optional) IsOptional()(target, key)
    for (const check of checks) check(target, key)
    describe(target, { key: name, ...options, ...about })
  }
}

/** A finite number in a range; one sentence for whatever is wrong with it. */
export const NumberFrom = (from: number, to: number, message: string, options: FieldOptions = {}): PropertyDecorator =>
  field(
    options,
    {
      kind: 'number',
      from,
      to,
      sentence: message,
      fits: value => isNumeric(value) && value >= from && value <= to,
    },
    IsNumber({ allowNaN: false, allowInfinity: false }, { message }),
    Min(from, { message }),
    Max(to, { message }),
  )

/** A whole number in a range. */
export const Whole = (from: number, to: number, message: string, options: FieldOptions = {}): PropertyDecorator =>
  field(
    options,
    { kind: 'whole', from, to, sentence: message, fits: value => isWhole(value) && value >= from && value <= to },
    IsInt({ message }),
    Min(from, { message }),
    Max(to, { message }),
  )

/** Text of a pattern. */
export const Like = (pattern: RegExp, message: string, options: FieldOptions = {}): PropertyDecorator =>
  field(
    options,
    { kind: 'text', pattern, sentence: message, fits: value => isString(value) && matches(value, pattern) },
    IsString({ message }),
    Matches(pattern, { message }),
  )

/** No control characters but tab and line breaks, and no half of a pair. One pattern says all of it, so that the published schema does too. */
const letters = (min: number, max: number): RegExp =>
  new RegExp(`^${min > 0 ? '(?=[\\s\\S]*\\S)' : ''}(?:[^\\p{Cc}\\p{Cs}]|[\\t\\n\\r]){${min},${max}}$`, 'u')

/**
 * Text of so many letters, counted in code points as the database counts them, without control characters (tab and line breaks
 * are allowed). Where it must not be empty, spaces alone are not enough.
 */
export const Text = (min: number, max: number, message: string, options: FieldOptions = {}): PropertyDecorator =>
  Like(letters(min, max), message, options)

const ID = /^[a-z0-9](?:[a-z0-9-]{0,38}[a-z0-9])?$/

/** A short name inside the document, e.g. "cup-2". */
export const Id = (
  message = 'An id is 1 to 40 small letters, digits and dashes.',
  options: FieldOptions = {},
): PropertyDecorator => Like(ID, message, options)

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i

export const Uuid = (message: string, options: FieldOptions = {}): PropertyDecorator => Like(UUID, message, options)

/** True or false. */
export const YesNo = (message: string, options: FieldOptions = {}): PropertyDecorator =>
  field(options, { kind: 'flag', sentence: message, fits: isBoolean }, IsBoolean({ message }))

/** One of a few values. */
export const Choice = (
  values: readonly (string | number)[],
  message: string,
  options: FieldOptions = {},
): PropertyDecorator =>
  field(
    options,
    { kind: 'choice', values, sentence: message, fits: value => isIn(value, values) },
    IsIn(values, { message }),
  )

/** Always this value. */
export const Fixed = (value: string | number, message: string): PropertyDecorator =>
  field(
    { start: value },
    { kind: 'fixed', values: [value], sentence: message, fits: given => given === value },
    Equals(value, { message }),
  )

/** A nested part: it must be there and be an object of its class. */
export const Part = (of: () => Class, message: string, options: FieldOptions = {}): PropertyDecorator =>
  field(
    options,
    { kind: 'part', of, sentence: message, fits: isRecord },
    IsObject({ message }),
    ValidateNested({ message }),
  )

/** A list of nested parts. */
export const Parts = (
  of: () => Class,
  from: number,
  to: number,
  message: string,
  options: FieldOptions = {},
): PropertyDecorator =>
  field(
    options,
    {
      kind: 'parts',
      of,
      from,
      to,
      sentence: message,
      fits: value => Array.isArray(value) && value.length >= from && value.length <= to && value.every(isRecord),
    },
    IsArray({ message }),
    ArrayMinSize(from, { message }),
    ArrayMaxSize(to, { message }),
    IsObject({ each: true, message }),
    ValidateNested({ each: true, message }),
  )

/** A list of plain values; `fits` judges each. */
const list = (
  [from, to]: readonly [number, number],
  each: NonNullable<Field['each']>,
  fits: (value: unknown) => boolean,
  message: string,
  options: FieldOptions,
  ...checks: PropertyDecorator[]
): PropertyDecorator =>
  field(
    options,
    {
      kind: 'list',
      from,
      to,
      each,
      sentence: message,
      fits: value => Array.isArray(value) && value.length >= from && value.length <= to && value.every(fits),
    },
    IsArray({ message }),
    ArrayMinSize(from, { message }),
    ArrayMaxSize(to, { message }),
    ...checks,
  )

/** A list of texts of a pattern. */
const TextsLike = (
  pattern: RegExp,
  from: number,
  to: number,
  message: string,
  options: FieldOptions = {},
): PropertyDecorator =>
  list(
    [from, to],
    { kind: 'text', pattern },
    value => isString(value) && matches(value, pattern),
    message,
    options,
    IsString({ each: true, message }),
    Matches(pattern, { each: true, message }),
  )

/** A list of ids. */
export const Ids = (from: number, to: number, message: string, options: FieldOptions = {}): PropertyDecorator =>
  TextsLike(ID, from, to, message, options)

/** A list of short texts. */
export const Texts = (
  letterCount: number,
  most: number,
  message: string,
  options: FieldOptions = {},
): PropertyDecorator => TextsLike(letters(0, letterCount), 0, most, message, options)

/** A list of values out of a few. */
export const Choices = (
  values: readonly string[],
  most: number,
  message: string,
  options: FieldOptions = {},
): PropertyDecorator =>
  list(
    [0, most],
    { kind: 'choice', values },
    value => isIn(value, values),
    message,
    options,
    IsIn(values, { each: true, message }),
  )

/** A list of whole numbers in a range. */
export const Wholes = (
  [least, most]: readonly [number, number],
  to: number,
  message: string,
  options: FieldOptions = {},
): PropertyDecorator =>
  list(
    [0, to],
    { kind: 'whole', from: least, to: most },
    value => isWhole(value) && value >= least && value <= most,
    message,
    options,
    IsInt({ each: true, message }),
    Min(least, { each: true, message }),
    Max(most, { each: true, message }),
  )
