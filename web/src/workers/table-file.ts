import type { ShelfItem, ShelfKind, TablePreview } from '@ostler/core'
import { proxy, wrap } from 'comlink'
import type { TableFileWorker } from './table-file.worker.ts'

/** Reads a table file off the main thread. Ending it early rejects. */
export async function previewTable(
  text: string,
  kind: ShelfKind,
  existing: readonly ShelfItem[],
  onShare: (share: number) => void,
): Promise<TablePreview> {
  const worker = new Worker(new URL('./table-file.worker.ts', import.meta.url), { type: 'module' })
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = () => reject(new Error('The file could not be read. Is it a table of text (CSV)?'))
  })
  const read = wrap<TableFileWorker>(worker).previewTable(
    text,
    kind,
    existing,
    proxy(async share => onShare(share)),
  )
  return Promise.race([read, failed]).finally(() => worker.terminate())
}
