import { MOST_ROWS, TableReader, fact } from '@ostler/core'
import type { ShelfItem, ShelfKind, TablePreview, Words } from '@ostler/core'
import { expose } from 'comlink'
import Papa from 'papaparse'

const TOLD_EVERY = 500

/** So many rows are looked at for what stands in each column. */
const SAMPLED = 20

const refused = (problem: Words): TablePreview => ({ reports: [], items: [], columns: [], problem })

/** Reads a table file against what stands on the shelf, its columns as they were said to be; tells how far it is as it goes. */
function previewTable(
  text: string,
  kind: ShelfKind,
  existing: readonly ShelfItem[],
  chosen: readonly string[] | null,
  called: ReadonlyMap<string, string>,
  onShare: (share: number) => void,
): TablePreview {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t', '|'],
  })
  const [headers, ...rows] = data
  if (!headers || headers.length === 0) return refused(fact('This file is empty.'))
  if (rows.length > MOST_ROWS)
    return refused(
      fact('This file has {rows} rows; {most} at a time is the most. Split it.', {
        rows: rows.length,
        most: MOST_ROWS,
      }),
    )
  const reader = new TableReader(kind, headers, existing, chosen, called)
  for (const row of rows.slice(0, SAMPLED)) reader.sample(row)
  if (reader.preview.problem) return reader.preview
  for (const [i, row] of rows.entries()) {
    reader.read(row, i + 2)
    if (i % TOLD_EVERY === 0) onShare(i / rows.length)
  }
  return reader.preview
}

const worker = { previewTable }
export type TableFileWorker = typeof worker
expose(worker)
