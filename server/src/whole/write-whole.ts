import { signOf } from '@ostler/core'
import type { BenchRun, LotUse, Plan, RecordEntry } from '@ostler/core'
import type { Response } from 'express'
import { Zip, ZipDeflate, ZipPassThrough, strToU8 } from 'fflate'
import Papa from 'papaparse'
import type { BatchStore } from '../batches/store.ts'
import type { LotStore } from '../lots/store.ts'
import type { RunStore } from '../runs/store.ts'
import type { RecordStore } from '../record/store.ts'

/** All that is known of a batch as one file: plan and runs as documents, what came of it as tables, photographs. */

export interface Stores {
  batches: Pick<BatchStore, 'get'>
  runs: Pick<RunStore, 'list' | 'get'>
  records: Pick<RecordStore, 'get' | 'photo'>
  lots: Pick<LotStore, 'ofBatch'>
}

/** A cell that a table program would take for a formula is kept as text. */
const table = (rows: readonly object[]): string =>
  Papa.unparse(rows as object[], { escapeFormulae: true, newline: '\n' })

const ABOUT = `All that Ostler keeps of one batch.

plan.json      the plan, as Ostler exports and imports it
record.json    what was noted after the pour: entries that were only ever added to
record.csv     the same as a table
lots.csv       lots that went in, g
runs/          what was noted while it was made: documents that can be imported again, and tables
photos/        photographs, without the place where they were taken
`

const entryRow = (entry: RecordEntry) => ({
  ...{ on: entry.on, kind: entry.kind, sign: signOf(entry.sign)?.words ?? '', grade: entry.grade ?? '' },
  ...{ aim: entry.aim ?? '', mark: entry.mark ?? '', part: entry.part ?? '', mass_g: entry.massG ?? '' },
  ...{ count: entry.count ?? '', way: entry.way ?? '', photo: entry.photo ?? '', person: entry.person ?? '' },
  ...{ text: entry.text ?? '', takes_back: entry.of ?? '', key: entry.key },
})

const lotRow = ({ kind, item, mark, lot, massG, takenG }: LotUse) => ({
  ...{ kind, item, mark, lot, mass_g: massG, taken_off_count_g: takenG },
})

const eventRow = (event: BenchRun['events'][number]) => ({
  ...{ second: event.r, kind: event.kind, source: event.source, cup: event.cup ?? '', pour: event.pour ?? '' },
  ...{ item: event.item ?? '', amount: event.amount ?? '', how: event.how ?? '', text: event.text ?? '' },
  ...{ person: event.person ?? '', key: event.key },
})

interface Known {
  plan: Plan
  entries: RecordEntry[]
  photos: string[]
  lots: LotUse[]
}

async function known({ batches, records, lots }: Stores, workshopId: string, id: string): Promise<Known | null> {
  const [batch, record, uses] = [
    await batches.get(workshopId, id),
    await records.get(workshopId, id),
    await lots.ofBatch(workshopId, id),
  ]
  return batch && record && uses
    ? { plan: batch.plan, entries: record.entries, photos: record.photos.map(one => one.id), lots: uses }
    : null
}

/** Waits until what was written has gone out: a large batch is never held in memory as a whole. */
const drained = (res: Response): Promise<void> =>
  res.writableNeedDrain
    ? new Promise(resolve => {
        res.once('drain', resolve)
        res.once('close', resolve)
      })
    : Promise.resolve()

/** A name that every file system takes. */
const fileName = (name: string): string =>
  name
    .normalize('NFD')
    .replace(/[^\w -]+/g, '')
    .trim()
    .slice(0, 60) || 'batch'

/**
 * Writes it all, one part after the other.
 *
 * @returns false where there is no such batch, and nothing was written
 */
export async function writeWhole(stores: Stores, workshopId: string, id: string, res: Response): Promise<boolean> {
  const all = await known(stores, workshopId, id)
  if (!all) return false
  res.type('zip').attachment(`${fileName(all.plan.name)}.zip`)
  const zip = new Zip((error, chunk, isLast) => {
    if (error) return void res.destroy(error)
    res.write(chunk)
    if (isLast) res.end()
  })
  const text = (name: string, content: string) => {
    const part = new ZipDeflate(name)
    zip.add(part)
    part.push(strToU8(content), true)
  }
  text('about.txt', ABOUT)
  text('plan.json', JSON.stringify(all.plan, null, 2))
  text('record.json', JSON.stringify(all.entries, null, 2))
  text('record.csv', table(all.entries.map(entryRow)))
  text('lots.csv', table(all.lots.map(lotRow)))
  for (const { id: runId, begunAt } of await stores.runs.list(workshopId, id)) {
    const run = begunAt === null ? null : await stores.runs.get(workshopId, runId)
    if (!run) continue
    const { openedAt, plan, events } = run
    const name = `runs/${openedAt.slice(0, 16).replace(/[:T]/g, '-')}-${runId.slice(0, 4)}`
    text(
      `${name}.json`,
      JSON.stringify({ format: 'ostler-run', version: 1, id: runId, openedAt, plan, events }, null, 2),
    )
    text(`${name}.csv`, table(events.map(eventRow)))
    await drained(res)
  }
  for (const [i, photo] of all.photos.entries()) {
    const data = await stores.records.photo(workshopId, photo, 'large')
    if (!data || res.destroyed) continue
    // It is packed already.
    const part = new ZipPassThrough(`photos/${String(i + 1).padStart(3, '0')}-${photo.slice(0, 8)}.jpg`)
    zip.add(part)
    part.push(new Uint8Array(data), true)
    await drained(res)
  }
  zip.end()
  return true
}
