import { t } from '../words/index.ts'

/** Cells of a spreadsheet that is opened here: .xlsx is read, of formulas their last values. */

export const isSpreadsheet = (file: File): boolean => /\.xlsx$/i.test(file.name)

/** A cell as it would be typed: days without their time of day. */
function typed(cell: unknown): string {
  if (typeof cell === 'string') return cell
  if (cell instanceof Date) return cell.toISOString().slice(0, 10)
  return typeof cell === 'number' || typeof cell === 'boolean' ? String(cell) : ''
}

/**
 * Rows of its first sheet.
 *
 * @throws Error with a sentence where it is none that can be read
 */
export async function rowsOfSpreadsheet(file: File): Promise<string[][]> {
  try {
    const { readSheet } = await import('read-excel-file/browser')
    return (await readSheet(file)).map(row => row.map(typed))
  } catch {
    throw new Error(t('This spreadsheet cannot be read. Save it as CSV, or copy its cells and paste them.'))
  }
}
