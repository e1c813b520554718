import type { ShelfItem, ShelfKind, TablePreview } from '@ostler/core'
import { Door, tells } from './door.ts'
import type { Asking } from './door.ts'
import type { TableFileWorker } from './table-file.worker.ts'

const door = new Door<TableFileWorker>(
  () => new Worker(new URL('./table-file.worker.ts', import.meta.url), { type: 'module' }),
)

/** Reads a table file, its columns by their headers or as they were said to be; tells the share of it that is read. */
export const previewTable = (
  text: string,
  kind: ShelfKind,
  existing: readonly ShelfItem[],
  chosen: readonly string[] | null,
  called: ReadonlyMap<string, string>,
  asking: Asking<number>,
): Promise<TablePreview> =>
  door.askApart(worker => worker.previewTable(text, kind, existing, chosen, called, tells(asking)), asking)
