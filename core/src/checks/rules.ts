import 'reflect-metadata'
import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsNotEmptyObject,
  IsNumber,
  IsObject,
  IsString,
  Matches,
  Max,
  Min,
  ValidateNested,
} from 'class-validator'

/** Several property decorators as one. */
const all =
  (...decorators: PropertyDecorator[]): PropertyDecorator =>
  (target, key) =>
    decorators.forEach(decorate => decorate(target, key))

/** A finite number in a range; one sentence for whatever is wrong with it. */
export const NumberFrom = (min: number, max: number, message: string): PropertyDecorator =>
  all(IsNumber({ allowNaN: false, allowInfinity: false }, { message }), Min(min, { message }), Max(max, { message }))

/** No control characters but tab and line breaks, and no half of a pair. One pattern says all of it, so that the published schema does too. */
const letters = (min: number, max: number): RegExp =>
  new RegExp(`^${min > 0 ? '(?=[\\s\\S]*\\S)' : ''}(?:[^\\p{Cc}\\p{Cs}]|[\\t\\n\\r]){${min},${max}}$`, 'u')

/**
 * Text of so many letters, counted in code points as the database counts them, without control characters (tab and line breaks
 * are allowed). Where it must not be empty, spaces alone are not enough.
 */
export const Text = (min: number, max: number, message: string): PropertyDecorator =>
  all(IsString({ message }), Matches(letters(min, max), { message }))

/** The same for each of a list of short texts. */
export const Texts = (max: number, message: string): PropertyDecorator =>
  all(IsString({ each: true, message }), Matches(letters(0, max), { each: true, message }))

/** A short name inside the document, e.g. "cup-2"; with `each`, a list of them. */
export const Id = (message = 'An id is 1 to 40 small letters, digits and dashes.', each = false): PropertyDecorator =>
  all(IsString({ message, each }), Matches(/^[a-z0-9](?:[a-z0-9-]{0,38}[a-z0-9])?$/, { message, each }))

/** A nested part: it must be there and be an object of its class. */
export const Part = (type: () => new () => object, message: string): PropertyDecorator =>
  all(IsObject({ message }), IsNotEmptyObject({ nullable: true }, { message }), ValidateNested({ message }), Type(type))

/** A list of nested parts. */
export const Parts = (type: () => new () => object, min: number, max: number, message: string): PropertyDecorator =>
  all(
    IsArray({ message }),
    ArrayMinSize(min, { message }),
    ArrayMaxSize(max, { message }),
    IsObject({ each: true, message }),
    ValidateNested({ each: true, message }),
    Type(type),
  )
