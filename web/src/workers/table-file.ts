import type { ShelfItem, ShelfKind, TablePreview } from '@ostler/core'
import { proxy } from 'comlink'
import { Door } from './door.ts'
import type { TableFileWorker } from './table-file.worker.ts'

/** Reads a table file off the main thread. Ending it early rejects. */
export async function previewTable(
  text: string,
  kind: ShelfKind,
  existing: readonly ShelfItem[],
  onShare: (share: number) => void,
): Promise<TablePreview> {
  const door = new Door<TableFileWorker>(
    () => new Worker(new URL('./table-file.worker.ts', import.meta.url), { type: 'module' }),
  )
  return door
    .ask(worker =>
      worker.previewTable(
        text,
        kind,
        existing,
        proxy(async share => onShare(share)),
      ),
    )
    .finally(() => door.close())
}
