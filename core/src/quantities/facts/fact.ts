import type { Measure } from './measure.ts'

/**
 * What there is to say, before anyone says it: which message of the catalogue, and what goes into it. Plain data, so that it
 * crosses to a worker, to the server and into a file; a test asks for the id, a page says it in the reader's words and units.
 */
export interface Fact {
  readonly fact: string
  readonly values?: Readonly<Record<string, FactValue>>
}

/** What goes into a message: a name that somebody gave, a count, a measured quantity, a fact of its own, or several of these. */
export type FactValue = string | number | Measure | Fact | FactList

/** Several things in a row: "a, b and c", or with what stands between them. */
export interface FactList {
  readonly list: readonly FactValue[]
  readonly joint?: string
  /** Sentences as clauses of one: their full stops give way to what stands between. */
  readonly unstopped?: true
  /** "a, b or c" rather than "a, b and c". */
  readonly isChoice?: true
  /** It opens a sentence: the first letter is a capital. */
  readonly opens?: true
}

/** Either a fact, or what somebody named something: a name is shown as it was typed. */
export type Words = string | Fact

/** @param id the message in the catalogue, as `room.what-is-so`; a field's own sentence is its own id */
export const fact = (id: string, values?: Fact['values']): Fact =>
  values === undefined ? { fact: id } : { fact: id, values }

/** "a, b and c". */
export const listOf = (list: readonly FactValue[]): FactList => ({ list })

/** "a, b or c". */
export const choiceOf = (list: readonly FactValue[]): FactList => ({ list, isChoice: true })

/** The same as a fact of its own. */
export const inARow = (list: readonly FactValue[]): Fact => fact('{all}', { all: { list } })

/** Facts one after the other, in any language: sentences with a space between, or a row with commas. */
export const together = (list: readonly FactValue[], joint = ' '): Fact => fact('{all}', { all: { list, joint } })

/** Parts that make a sentence of their own: "Take less water, cover it close". */
export const opening = (list: readonly FactValue[], joint = ', '): Fact =>
  fact('{all}', { all: { list, joint, opens: true } })

/** Sentences as the clauses of one, without a full stop: "superfat 3 % instead of 5 %; hot, hard to stir". */
export const clauses = (list: readonly FactValue[]): Fact =>
  fact('{all}', { all: { list, joint: '; ', unstopped: true } })

export const isFact = (value: unknown): value is Fact =>
  typeof value === 'object' && value !== null && 'fact' in value && typeof value.fact === 'string'
