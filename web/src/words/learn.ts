import { dateIn } from './dates.ts'
import { speak } from './language.ts'
import { languageHere } from './settings.ts'

/** Fetches the language of this browser, before the first page is drawn. English is there from the start. */
export async function learnLanguage(): Promise<void> {
  const language = languageHere()
  document.documentElement.lang = language
  if (language === 'en') return
  try {
    const [{ default: messages }, { de }] = await Promise.all([
      import('@ostler/core/languages/de.json'),
      import('date-fns/locale/de'),
    ])
    speak({ language, messages })
    dateIn(de)
  } catch {
    // Without the file it is told in English.
    document.documentElement.lang = 'en'
  }
}
