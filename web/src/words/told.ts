import { IntlMessageFormat } from 'intl-messageformat'
import { Children, createElement, Fragment } from 'react'
import type { ReactNode } from 'react'
import { catalogue } from './language.ts'
import { marked } from './marks.ts'

/** What stands in a sentence: a number for its plural, a text, or nothing. */
type Value = string | number | boolean | null | undefined

const parsed = new Map<string, IntlMessageFormat>()

/** What a sentence is in the language of this browser, read once. */
function formatOf(sentence: string): IntlMessageFormat {
  const known = parsed.get(sentence)
  if (known) return known
  const { language, messages } = catalogue()
  const made = new IntlMessageFormat(messages[sentence] ?? sentence, language, undefined, { ignoreTag: true })
  parsed.set(sentence, made)
  return made
}

const isPlain = (sentence: string): boolean => !/['{}]/.test(sentence)

/** A value that is not there leaves its place empty; a number with decimals has the mark of this browser. */
const shown = (value: unknown): unknown =>
  typeof value === 'boolean'
    ? ''
    : typeof value === 'number' && !Number.isInteger(value)
      ? marked(String(value))
      : (value ?? '')

const filled = (values: Readonly<Record<string, unknown>>): Record<string, unknown> =>
  Object.fromEntries(Object.entries(values).map(([name, value]) => [name, shown(value)]))

/**
 * A sentence of a page in the language of this browser. The English sentence, an ICU message, is its own id.
 *
 * @throws when the sentence names a value that is not given
 */
export function t(sentence: string, values?: Readonly<Record<string, Value>>): string {
  if (!values && isPlain(sentence)) return catalogue().messages[sentence] ?? sentence
  return formatOf(sentence).format(filled(values ?? {}) as Record<string, string | number>) as string
}

/** A sentence that came in English, as a server’s or a form’s; what the catalogue does not have stays as it is. */
export const known = (sentence: string): string => catalogue().messages[sentence] ?? sentence

/** The same with pieces of the page in it: a link, a bold number, a term. */
export function rich(sentence: string, values: Readonly<Record<string, ReactNode>>): ReactNode {
  const made = formatOf(sentence).format<ReactNode>(filled(values) as Record<string, ReactNode>)
  return Array.isArray(made) ? createElement(Fragment, null, ...Children.toArray(made)) : made
}

/** A word of the page inside a sentence: English writes it small there, other languages as it is. */
export const lowered = (word: string): string => (catalogue().language === 'en' ? word.toLowerCase() : word)
