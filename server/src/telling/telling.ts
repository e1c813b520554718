import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { ENGLISH } from '@ostler/core'
import type { Catalogue } from '@ostler/core'

/** How whoever asks is told things that are made here, such as a sheet as PDF. */

const file = (language: string): string => fileURLToPath(import.meta.resolve(`@ostler/core/languages/${language}.json`))

const read = (language: string): Catalogue => ({
  language,
  messages: JSON.parse(readFileSync(file(language), 'utf8')) as Record<string, string>,
})

const CATALOGUES: Readonly<Record<string, Catalogue>> = { en: ENGLISH, de: read('de') }

export interface Telling {
  language: string
  decimal: 'point' | 'comma'
}

/** Read from an address: ?language=de&decimal=comma. What is not known is told in English. */
export function tellingFrom({ language, decimal }: Readonly<Record<string, unknown>>): Telling {
  const isKnown = typeof language === 'string' && Object.hasOwn(CATALOGUES, language)
  return { language: isKnown ? language : 'en', decimal: decimal === 'comma' ? 'comma' : 'point' }
}

export const catalogueOf = (language: string): Catalogue =>
  (Object.hasOwn(CATALOGUES, language) ? CATALOGUES[language] : undefined) ?? ENGLISH
