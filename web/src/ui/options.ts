import { t } from '../words/index.ts'

/** Words of a format, each key with its text in the language of this browser. */
export const inWords = <T extends string>(words: Readonly<Record<T, string>>): [T, string][] =>
  (Object.entries(words) as [T, string][]).map(([value, text]) => [value, t(text)])

/** Words of a format as the options of a list. */
export const options = <T extends string>(words: Readonly<Record<T, string>>): { value: T; text: string }[] =>
  inWords(words).map(([value, text]) => ({ value, text }))
