import { lastingStore, readText, writeText } from '../kept/storage.ts'

/** How this browser is told things. What is left open goes by the browser's own language. */

export type Language = 'en' | 'de'
export const LANGUAGES: Readonly<Record<Language, string>> = { en: 'English', de: 'Deutsch' }

export interface TellingSettings {
  language: Language | ''
  decimal: 'point' | 'comma' | ''
  hours: '24' | '12' | ''
  week: 'monday' | 'sunday' | 'saturday' | ''
}

const OPEN: TellingSettings = { language: '', decimal: '', hours: '', week: '' }
const KEY = 'ostler.told'

/** What was read last, and of which text: every number that is shown asks for it. */
let last: { text: string | null; settings: TellingSettings } = { text: null, settings: OPEN }

export function tellingSettings(): TellingSettings {
  const text = readText(lastingStore(), KEY)
  if (text !== last.text) last = { text, settings: readSettings(text) }
  return last.settings
}

function readSettings(text: string | null): TellingSettings {
  try {
    return { ...OPEN, ...(JSON.parse(text ?? '{}') as Partial<TellingSettings>) }
  } catch {
    return OPEN
  }
}

export const keepTellingSettings = (settings: TellingSettings): boolean =>
  writeText(lastingStore(), KEY, JSON.stringify(settings))

/** What the browser speaks, the best first. */
export const browsers = (): readonly string[] => (typeof navigator === 'undefined' ? [] : navigator.languages)

/** The language that was chosen, or the first of the browser's that there is. */
export const languageHere = (): Language =>
  tellingSettings().language ||
  (browsers()
    .map(one => one.slice(0, 2).toLowerCase())
    .find(one => one in LANGUAGES) as Language | undefined) ||
  'en'
