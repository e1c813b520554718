import { fact, plain, together } from '../quantities/facts/index.ts'
import type { Fact, Words } from '../quantities/facts/index.ts'
import { readQuantity, tidy } from '../quantities/units/index.ts'
import type { Field } from './fields.ts'

export type CellResult = { ok: true; value: unknown } | { ok: false; sentence: Words }

const wrong = (sentence: Words): CellResult => ({ ok: false, sentence })
const YES = new Set(['yes', 'y', 'true', '1', 'x', 'ja', 'oui', 'si'])
const NO = new Set(['no', 'n', 'false', '0', '', 'nein', 'non'])

/** The unit that a bare number in a cell means. */
const DEFAULT_UNITS: Record<string, string> = {
  share: '%',
  temperature: 'C',
  length: 'mm',
  mass: 'g',
  volume: 'ml',
  minutes: 'min',
  density: 'g/ml',
  dose: 'g/kg',
  plain: '',
}

function readNumber(field: Field, text: string): CellResult {
  const quantity = field.quantity ?? 'plain'
  const read = readQuantity(text, quantity, DEFAULT_UNITS[quantity] ?? '')
  if (!read.ok) return wrong(fact('shelf.field-wrong', { label: fact(field.label), sentence: read.sentence }))
  const value = Number(read.value.toPrecision(12))
  if (value < field.min! || value > field.max!) {
    const scale = quantity === 'share' ? 100 : 1
    return wrong(
      fact('shelf.out-of-range', {
        label: fact(field.label),
        from: plain(field.min! * scale, 4),
        to: plain(field.max! * scale, 4),
        unit: field.unit ?? '',
        typed: text.trim(),
      }),
    )
  }
  return { ok: true, value }
}

const notOneOf = (field: Field, word: string): Fact =>
  fact('shelf.not-one-of', {
    label: fact(field.label),
    typed: word.slice(0, 40),
    options: together(
      (field.options ?? []).map(one => one.text),
      ', ',
    ),
  })

const matches = (option: { value: string; text: string }, word: string): boolean =>
  option.value.toLowerCase() === word.toLowerCase() || option.text.toLowerCase() === word.toLowerCase()

function readList(field: Field, text: string): CellResult {
  const words = text
    .split(/[;|]/)
    .map(word => word.trim())
    .filter(Boolean)
  if (!field.options) return { ok: true, value: words }
  const values: string[] = []
  for (const word of words) {
    const option = field.options.find(one => matches(one, word))
    if (!option) return wrong(notOneOf(field, word))
    values.push(option.value)
  }
  return { ok: true, value: values }
}

/** Reads one cell of a table file; numbers may carry any unit and a decimal comma. */
export function readCell(field: Field, text: string): CellResult {
  const trimmed = text.trim()
  switch (field.kind) {
    case 'number':
      return trimmed === '' ? { ok: true, value: field.start } : readNumber(field, trimmed)
    case 'choice': {
      if (trimmed === '') return { ok: true, value: field.start }
      const option = field.options!.find(one => matches(one, trimmed))
      return option ? { ok: true, value: option.value } : wrong(notOneOf(field, trimmed))
    }
    case 'flag': {
      const word = trimmed.toLowerCase()
      if (YES.has(word)) return { ok: true, value: true }
      return NO.has(word)
        ? { ok: true, value: false }
        : wrong(fact('shelf.yes-or-no', { label: fact(field.label), typed: trimmed.slice(0, 40) }))
    }
    case 'list':
      return readList(field, trimmed)
    case 'colour':
      return /^#[0-9a-f]{6}$/i.test(trimmed)
        ? { ok: true, value: trimmed.toLowerCase() }
        : trimmed === ''
          ? { ok: true, value: field.start }
          : wrong(fact('shelf.like-a-colour', { label: fact(field.label), typed: trimmed.slice(0, 20) }))
    default:
      return { ok: true, value: trimmed }
  }
}

/** The text of a value, such that `readCell` gives it back. */
export function writeCell(field: Field, value: unknown): string {
  switch (field.kind) {
    case 'number':
      return tidy((value as number) * (field.quantity === 'share' ? 100 : 1), 8)
    case 'choice':
      return field.options!.find(one => one.value === value)?.text ?? String(value)
    case 'flag':
      return value ? 'yes' : 'no'
    case 'list':
      return (value as string[]).map(word => field.options?.find(one => one.value === word)?.text ?? word).join('; ')
    default:
      return String(value)
  }
}
