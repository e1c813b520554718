import { createHash } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import {
  Labelling,
  LotUse,
  Pricing,
  RackPlan,
  RulesForm,
  TagsForm,
  TimesForm,
  WindowsForm,
  checkItem,
  fact,
  openedRecipe,
  openedRun,
  parseForm,
  readDesign,
  readEntries,
  readPlan,
  readTrial,
  shelfKinds,
  RECIPE_VERSION,
} from '@ostler/core'
import type { ShelfItem, ShelfKind, TakenIn, TakenKind, Words } from '@ostler/core'
import type { Who } from '../database/who.ts'
import { cleanJpeg } from '../record/photo.ts'
import type { RecordStore } from '../record/store.ts'
import type { RunStore } from '../runs/store.ts'
import type { ShelfStore } from '../shelf/store.ts'
import type { Archive } from './archive.ts'
import type { Put, Settings, TakenRecipe, WholeStore } from './whole-store.ts'

/** Takes in what a workshop was written out as, from this server or another; done twice it is done once. */

export interface TakeInStores {
  whole: WholeStore
  shelves: Pick<ShelfStore, 'importAll'>
  records: Pick<RecordStore, 'get' | 'add' | 'addPhoto'>
  runs: Pick<RunStore, 'bringIn'>
}

type Loose = Record<string, unknown>
const isLoose = (value: unknown): value is Loose => typeof value === 'object' && value !== null && !Array.isArray(value)
const looseIn = (value: unknown): Loose => (isLoose(value) ? value : {})
const listIn = (value: unknown): unknown[] => (Array.isArray(value) ? (value as unknown[]) : [])

const ID_AT_END = /([0-9a-f]{8}-(?:[0-9a-f]{4}-){3}[0-9a-f]{12})(?:\.\w+)?$/

/** The id at the end of a name. One that was written without gets the same each time. */
function idOf(name: string): string {
  const there = ID_AT_END.exec(name)?.[1]
  if (there !== undefined) return there
  const hash = createHash('sha256').update(name).digest('hex')
  return [
    hash.slice(0, 8),
    hash.slice(8, 12),
    `8${hash.slice(13, 16)}`,
    `8${hash.slice(17, 20)}`,
    hash.slice(20, 32),
  ].join('-')
}

const NAME_TAKEN = 'Another has this name already.'
const NOT_READ = 'It cannot be read.'

/** What came of it, part by part. */
class Tally {
  readonly told: TakenIn = {
    ...{
      shelf: [0, 0],
      recipes: [0, 0],
      designs: [0, 0],
      trials: [0, 0],
      batches: [0, 0],
      runs: [0, 0],
      photos: [0, 0],
    },
    refused: [],
  }

  refuse(name: string, sentence: Words): void {
    if (this.told.refused.length < 200) this.told.refused.push({ name, sentence })
  }

  put(kind: TakenKind, name: string, put: Put): void {
    if (put === 'name') this.refuse(name, NAME_TAKEN)
    else this.told[kind][put === 'taken' ? 0 : 1] += 1
  }
}

export class TakeIn {
  readonly #stores: TakeInStores
  readonly #who: Who
  readonly #archive: Archive
  readonly #tally = new Tally()

  constructor(stores: TakeInStores, who: Who, archive: Archive) {
    this.#stores = stores
    this.#who = who
    this.#archive = archive
  }

  /** Whether the archive is a workshop that was written out. */
  static isWorkshop = (archive: Archive): boolean => archive.has('shelf.json') || archive.names('batches/').length > 0

  async run(): Promise<TakenIn> {
    await this.#settings()
    for (const kind of shelfKinds) await this.#items(kind)
    for (const name of this.#archive.names('recipes/')) await this.#recipe(name)
    for (const name of this.#archive.names('designs/')) await this.#design(name)
    const plans = this.#archive.names('batches/').filter(name => /^batches\/[^/]+\/plan\.json$/.test(name))
    for (const name of plans) await this.#batch(name.slice(0, -'plan.json'.length))
    await this.#trials()
    return this.#tally.told
  }

  async #settings(): Promise<void> {
    const shelf = looseIn(await this.#archive.json('shelf.json'))
    const ways = looseIn(await this.#archive.json('workshop.json'))
    const read = <T extends object>(form: new () => T, value: unknown): T | null => {
      const parsed = parseForm(form, value)
      return parsed.ok ? parsed.value : null
    }
    const settings: Settings = {
      rules: read(RulesForm, { rules: shelf['rules'] })?.rules ?? null,
      windows: read(WindowsForm, { windows: shelf['windows'] })?.windows ?? null,
      times: read(TimesForm, { times: shelf['times'] })?.times ?? null,
      pricing: read(Pricing, ways['pricing']),
      labelling: read(Labelling, ways['labelling']),
      rack: read(RackPlan, ways['rack']),
    }
    await this.#stores.whole.settings(this.#who.workshopId, settings)
  }

  /** What the workshop has changed itself stays; what stands as it came is taken from the file. */
  async #items(kind: ShelfKind): Promise<void> {
    const sent = listIn(looseIn(await this.#archive.json('shelf.json'))[kind])
    const here = await this.#stores.whole.items(this.#who.workshopId, kind)
    const items: { item: ShelfItem; revision: number }[] = []
    for (const value of sent) {
      const checked = checkItem(kind, value)
      const { name: called } = looseIn(value)
      const name = typeof called === 'string' ? called : kind
      if (!checked.ok) this.#tally.refuse(name, checked.problems[0]?.sentence ?? NOT_READ)
      else {
        const stands = here.get(checked.value.id)
        const isSame = stands && isDeepStrictEqual(checkItem(kind, stands.item), checked)
        if (isSame || stands?.isAsItCame === false) this.#tally.put('shelf', name, 'there')
        else items.push({ item: checked.value, revision: stands?.revision ?? 0 })
      }
    }
    const done = await this.#stores.shelves.importAll(this.#who, kind, items)
    if (done.ok) this.#tally.told.shelf[0] += items.length
    else this.#tally.refuse(kind, 'wouldBe' in done ? 'The shelf would be too full.' : NOT_READ)
  }

  async #recipe(name: string): Promise<void> {
    const versions = listIn(await this.#archive.json(name)).map(looseIn)
    const taken: TakenRecipe = { id: idOf(name), name: '', versions: [] }
    for (const { version, reason, madeAt, recipe } of versions) {
      const read = openedRecipe(looseIn(recipe), RECIPE_VERSION)
      const at = new Date(String(madeAt))
      if (!read.ok) return this.#tally.refuse(name, read.problems[0]?.sentence ?? NOT_READ)
      if (!Number.isInteger(version) || Number.isNaN(at.getTime())) return this.#tally.refuse(name, NOT_READ)
      const [n, why] = [version as number, typeof reason === 'string' ? reason.slice(0, 300) : '']
      // The newest comes first, and has the name of today.
      taken.name ||= read.value.name
      taken.versions.push({ version: n, reason: why, madeAt: at, recipe: read.value })
    }
    if (taken.versions.length === 0 || taken.name === '') return this.#tally.refuse(name, NOT_READ)
    this.#tally.put('recipes', name, await this.#stores.whole.recipe(this.#who, taken))
  }

  async #design(name: string): Promise<void> {
    const read = readDesign(await this.#archive.json(name))
    if (!read.ok) return this.#tally.refuse(name, read.problems[0]?.sentence ?? NOT_READ)
    this.#tally.put('designs', read.design.name, await this.#stores.whole.design(this.#who, idOf(name), read.design))
  }

  async #trials(): Promise<void> {
    const batches = looseIn(await this.#archive.json('trials/batches.json'))
    for (const name of this.#archive.names('trials/').filter(one => one !== 'trials/batches.json')) {
      const read = readTrial(await this.#archive.json(name))
      if (!read.ok) {
        this.#tally.refuse(name, read.problems[0]?.sentence ?? NOT_READ)
        continue
      }
      const [id, batch] = [idOf(name), batches[idOf(name)]]
      const batchId = typeof batch === 'string' && ID_AT_END.test(batch) ? batch : null
      this.#tally.put('trials', read.trial.name, await this.#stores.whole.trial(this.#who, id, batchId, read.trial))
    }
  }

  async #batch(folder: string): Promise<void> {
    const plan = readPlan(await this.#archive.json(`${folder}plan.json`))
    if (!plan.ok) return this.#tally.refuse(folder, plan.problems[0]?.sentence ?? NOT_READ)
    const about = looseIn(await this.#archive.json(`${folder}batch.json`))
    const tags = parseForm(TagsForm, { tags: about['tags'] })
    const lots = listIn(await this.#archive.json(`${folder}lots.json`)).flatMap(value => {
      const read = parseForm(LotUse, value)
      return read.ok ? [read.value] : []
    })
    const id = idOf(folder.slice(0, -1))
    const put = await this.#stores.whole.batch(this.#who, {
      ...{ id, plan: plan.plan, lots, tags: tags.ok ? tags.value.tags : [], isArchived: about['isArchived'] === true },
    })
    this.#tally.put('batches', plan.plan.name, put)
    await this.#record(folder, id, plan.plan.name)
    for (const name of this.#archive.names(`${folder}runs/`).filter(one => one.endsWith('.json'))) {
      const run = openedRun(await this.#archive.json(name))
      if (!run.ok) this.#tally.refuse(name, run.problems[0]?.sentence ?? NOT_READ)
      else {
        const done = await this.#stores.runs.bringIn(this.#who.workshopId, id, run.value)
        if (done) this.#tally.put('runs', name, done === 'opened' ? 'taken' : 'there')
      }
    }
  }

  /** What was noted of a batch, and its photographs. */
  async #record(folder: string, id: string, name: string): Promise<void> {
    const read = readEntries(listIn(await this.#archive.json(`${folder}record.json`)))
    if (!read.ok) return this.#tally.refuse(name, read.problems[0]?.sentence ?? NOT_READ)
    if ((await this.#stores.records.add(this.#who, id, read.entries)) === 'full')
      this.#tally.refuse(name, 'This batch has as many entries as it can keep.')
    const { photos = [] } = (await this.#stores.records.get(this.#who.workshopId, id)) ?? {}
    const here = new Set(photos.map(photo => photo.id))
    for (const photo of this.#archive.names(`${folder}photos/`).filter(one => !one.includes('/small/'))) {
      if (here.has(idOf(photo))) {
        this.#tally.put('photos', photo, 'there')
        continue
      }
      const small = await this.#archive.bytes(photo.replace('/photos/', '/photos/small/'))
      const large = await this.#archive.bytes(photo)
      const pair = [small ?? large, large].map(bytes => bytes && cleanJpeg(bytes))
      if (!pair[0] || !pair[1]) this.#tally.refuse(photo, 'This is no photograph: a JPEG is expected.')
      else {
        const done = await this.#stores.records.addPhoto(this.#who.workshopId, id, idOf(photo), pair[0], pair[1])
        if (done === 'kept') this.#tally.put('photos', photo, 'taken')
        else if (done === 'full') this.#tally.refuse(photo, fact('This batch has as many photographs as it can keep.'))
      }
    }
  }
}
