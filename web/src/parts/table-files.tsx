import Papa from 'papaparse'
import { FileSpreadsheet, FileText } from 'lucide-react'
import { saveFile } from '../ui/save-file.ts'
import { t } from '../words/index.ts'

interface Props {
  /** What the files hold, e.g. "Weigh list". */
  what: string
  /** Of the batch. */
  name: string
  /** Heads first, then lines; cells as they are read. */
  rows: () => readonly (readonly string[])[]
}

const fileName = (what: string, name: string): string =>
  `${name} ${what}`
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')

/** Columns as wide as their widest cell, two blanks between them. */
export function asText(rows: readonly (readonly string[])[]): string {
  const widths = (rows[0] ?? []).map((_, i) => Math.max(...rows.map(row => (row[i] ?? '').length)))
  return rows
    .map(row =>
      row
        .map((cell, i) => cell.padEnd(widths[i]!))
        .join('  ')
        .trimEnd(),
    )
    .join('\n')
}

/** A table as a file for a spreadsheet, and as plain text. */
export function TableFiles({ what, name, rows }: Props) {
  const csv = () => {
    const text = Papa.unparse(rows() as string[][], { escapeFormulae: true, newline: '\r\n' })
    // The mark tells spreadsheets that it is UTF-8.
    saveFile(`${fileName(what, name)}.csv`, `\uFEFF${text}\r\n`, 'text/csv;charset=utf-8')
  }
  const plain = () =>
    saveFile(`${fileName(what, name)}.txt`, `${name}\n${what}\n\n${asText(rows())}\n`, 'text/plain;charset=utf-8')
  return (
    <p className="flex flex-wrap items-center gap-x-3 print:hidden">
      <span className="text-soft">{what}</span>
      <button className="quiet min-h-9" onClick={csv}>
        <FileSpreadsheet size={16} aria-hidden /> {t('as CSV')}
      </button>
      <button className="quiet min-h-9" onClick={plain}>
        <FileText size={16} aria-hidden /> {t('as plain text')}
      </button>
    </p>
  )
}
