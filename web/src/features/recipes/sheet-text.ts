import { MOST_PASTED } from '@ostler/core'
import { isSpreadsheet, rowsOfSpreadsheet } from '../../parts/spreadsheet.ts'
import { t } from '../../words/index.ts'

/** A file that somebody has a recipe in, as lines of text; or a sentence why it is none. */

const MOST_BYTES = 2_000_000

export type SheetText = { ok: true; text: string } | { ok: false; sentence: string }

const refused = (sentence: string): SheetText => ({ ok: false, sentence })

/** Text, CSV, or the first sheet of a spreadsheet; of formulas their last values are read. */
export async function textOfFile(file: File): Promise<SheetText> {
  if (file.size > MOST_BYTES) return refused(t('This file is too large for a recipe.'))
  if (/\.(?:xls|ods|numbers|pdf|docx?)$/i.test(file.name))
    return refused(t('Of spreadsheets .xlsx is read. Save it as that, or as CSV; or copy the cells and paste them.'))
  if (!isSpreadsheet(file)) return { ok: true, text: await file.text() }
  try {
    const rows = (await rowsOfSpreadsheet(file)).slice(0, MOST_PASTED)
    return { ok: true, text: rows.map(row => row.join('\t')).join('\n') }
  } catch (error) {
    return refused((error as Error).message)
  }
}
