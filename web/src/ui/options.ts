import { t } from '../words/index.ts'

/** Words of a format as the options of a list. */
export const options = <T extends string>(words: Readonly<Record<T, string>>): { value: T; text: string }[] =>
  (Object.entries(words) as [T, string][]).map(([value, text]) => ({ value, text: t(text) }))
