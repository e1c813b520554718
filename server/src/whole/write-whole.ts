import { signOf } from '@ostler/core'
import type { BenchRun, LotUse, Plan, RecordEntry } from '@ostler/core'
import type { Response } from 'express'
import { Zip, ZipDeflate, ZipPassThrough, strToU8 } from 'fflate'
import Papa from 'papaparse'
import type { BatchKept, BatchStore } from '../batches/store.ts'
import type { LotStore } from '../lots/store.ts'
import type { RunStore } from '../runs/store.ts'
import type { RecordStore } from '../record/store.ts'
import type { DesignStore } from '../designs/store.ts'
import type { RecipeStore } from '../recipes/store.ts'
import type { ShelfStore } from '../shelf/store.ts'
import type { WholeStore } from './whole-store.ts'
import type { TrialStore } from '../trials/store.ts'

/** All that is known of a batch as one file: plan and runs as documents, what came of it as tables, photographs. */

export interface Stores {
  batches: Pick<BatchStore, 'get' | 'kept'>
  runs: Pick<RunStore, 'list' | 'get'>
  records: Pick<RecordStore, 'get' | 'photo'>
  lots: Pick<LotStore, 'ofBatch'>
}

/** A cell that a table program would take for a formula is kept as text. */
const table = (rows: readonly object[]): string =>
  Papa.unparse(rows as object[], { escapeFormulae: true, newline: '\n' })

const ABOUT = `All that Ostler keeps of one batch.

plan.json      the plan, as Ostler exports and imports it
batch.json     its tags, and whether it is put away
record.json    what was noted after the pour: entries that were only ever added to
record.csv     the same as a table
lots.json      lots that went in, g
lots.csv       the same as a table
runs/          what was noted while it was made: documents that can be imported again, and tables
photos/        photographs, without the place where they were taken; in photos/small/ for lists
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
  kept: BatchKept
  entries: RecordEntry[]
  photos: string[]
  lots: LotUse[]
}

async function known({ batches, records, lots }: Stores, workshopId: string, id: string): Promise<Known | null> {
  const [batch, kept, record, uses] = [
    await batches.get(workshopId, id),
    await batches.kept(workshopId, id),
    await records.get(workshopId, id),
    await lots.ofBatch(workshopId, id),
  ]
  return batch && kept && record && uses
    ? { plan: batch.plan, kept, entries: record.entries, photos: record.photos.map(one => one.id), lots: uses }
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

/** A file of many parts that goes out as it is written. */
class Parcel {
  readonly #zip: Zip
  constructor(readonly res: Response) {
    this.#zip = new Zip((error, chunk, isLast) => {
      if (error) return void res.destroy(error)
      res.write(chunk)
      if (isLast) res.end()
    })
  }

  text(name: string, content: string): void {
    const part = new ZipDeflate(name)
    this.#zip.add(part)
    part.push(strToU8(content), true)
  }

  json(name: string, value: unknown): void {
    this.text(name, JSON.stringify(value, null, 2))
  }

  /** Something that is packed already. */
  packed(name: string, data: Uint8Array): void {
    const part = new ZipPassThrough(name)
    this.#zip.add(part)
    part.push(data, true)
  }

  drained(): Promise<void> {
    return drained(this.res)
  }

  end(): void {
    this.#zip.end()
  }
}

/** Everything of one batch, below a folder. Names end with the ids by which they are taken in again. */
async function putIn(parcel: Parcel, at: string, stores: Stores, workshopId: string, id: string, all: Known) {
  parcel.json(`${at}plan.json`, all.plan)
  parcel.json(`${at}batch.json`, all.kept)
  parcel.json(`${at}record.json`, all.entries)
  parcel.text(`${at}record.csv`, table(all.entries.map(entryRow)))
  parcel.json(`${at}lots.json`, all.lots)
  parcel.text(`${at}lots.csv`, table(all.lots.map(lotRow)))
  for (const { id: runId, begunAt } of await stores.runs.list(workshopId, id)) {
    const run = begunAt === null ? null : await stores.runs.get(workshopId, runId)
    if (!run) continue
    const { openedAt, plan, events } = run
    const name = `${at}runs/${openedAt.slice(0, 16).replace(/[:T]/g, '-')}-${runId.slice(0, 4)}`
    parcel.json(`${name}.json`, { format: 'ostler-run', version: 1, id: runId, openedAt, plan, events })
    parcel.text(`${name}.csv`, table(events.map(eventRow)))
    await parcel.drained()
  }
  for (const [i, photo] of all.photos.entries()) {
    const name = `${String(i + 1).padStart(3, '0')}-${photo}.jpg`
    for (const [size, folder] of [
      ['large', ''],
      ['small', 'small/'],
    ] as const) {
      const data = await stores.records.photo(workshopId, photo, size)
      if (!data || parcel.res.destroyed) continue
      parcel.packed(`${at}photos/${folder}${name}`, new Uint8Array(data))
      await parcel.drained()
    }
  }
}

/**
 * Writes all of a batch, one part after the other.
 *
 * @returns false where there is no such batch, and nothing was written
 */
export async function writeWhole(stores: Stores, workshopId: string, id: string, res: Response): Promise<boolean> {
  const all = await known(stores, workshopId, id)
  if (!all) return false
  res.type('zip').attachment(`${fileName(all.plan.name)}.zip`)
  const parcel = new Parcel(res)
  parcel.text('about.txt', ABOUT)
  await putIn(parcel, '', stores, workshopId, id, all)
  parcel.end()
  return true
}

const ABOUT_WORKSHOP = `All that Ostler keeps of a workshop, in open forms.

batches/       of each batch a folder: its plan, what was noted, lots, runs, photographs
shelf.json     everything on the shelf
workshop.json  how it prices, labels and lays out its rack
recipes/       saved recipes with their versions
designs/       designs, as Ostler takes them in
trials/        trials, as Ostler takes them in, and the batches that they were made as

Another Ostler takes the whole of it in, under Members.
`

/** What else a workshop has, by the stores that keep it. */
export interface WorkshopStores extends Stores {
  batches: Pick<BatchStore, 'get' | 'kept' | 'ids'>
  whole: Pick<WholeStore, 'ways'>
  shelves: Pick<ShelfStore, 'all'>
  recipes: Pick<RecipeStore, 'list' | 'versions'>
  designs: Pick<DesignStore, 'list'>
  trials: Pick<TrialStore, 'list'>
}

/** Writes all of a workshop, batch after batch: it is never held in memory as a whole. */
export async function writeWorkshop(stores: WorkshopStores, workshopId: string, name: string, res: Response) {
  res.type('zip').attachment(`${fileName(name)}.zip`)
  const parcel = new Parcel(res)
  parcel.text('about.txt', ABOUT_WORKSHOP)
  parcel.json('shelf.json', (await stores.shelves.all(workshopId)).shelf)
  parcel.json('workshop.json', { name, ...(await stores.whole.ways(workshopId)) })
  const named = (of: string, id: string) => `${fileName(of)}-${id}`
  for (const { id, name: recipe } of await stores.recipes.list(workshopId))
    parcel.json(`recipes/${named(recipe, id)}.json`, await stores.recipes.versions(workshopId, id))
  for (const { id, design } of await stores.designs.list(workshopId))
    parcel.json(`designs/${named(design.name, id)}.json`, design)
  const trials = await stores.trials.list(workshopId)
  for (const { id, trial } of trials) parcel.json(`trials/${named(trial.name, id)}.json`, trial)
  parcel.json('trials/batches.json', Object.fromEntries(trials.map(({ id, batch }) => [id, batch])))
  for (const id of await stores.batches.ids(workshopId)) {
    const all = res.destroyed ? null : await known(stores, workshopId, id)
    if (all) await putIn(parcel, `batches/${named(all.plan.name, id)}/`, stores, workshopId, id, all)
    await parcel.drained()
  }
  parcel.end()
}
