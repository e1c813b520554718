import { applyEdit, forecast, readPlan, writePlan } from '@ostler/core'
import type { BatchAnswer, Edit, EditResult, ForecastResult, Plan, Remedy, Shelf } from '@ostler/core'
import { ApiError, saveBatch } from '../api/client.ts'
import { dropDraft, draftOf, keepDraft } from './draft.ts'

/** How the open plan stands to what the server has. */
export type SaveState =
  | { kind: 'saved'; at: Date }
  | { kind: 'saving' }
  | { kind: 'waiting'; sentence: string }
  | { kind: 'signed-out' }
  | { kind: 'refused'; sentence: string }
  | { kind: 'conflict'; theirs: BatchAnswer }
  | { kind: 'gone' }

export interface OpenBatchState {
  id: string
  plan: Plan
  result: ForecastResult
  /** Null while they are worked out. */
  remedies: readonly Remedy[] | null
  save: SaveState
  canUndo: boolean
  canRedo: boolean
}

/** Works out the changes that help most, off the main thread. */
export type Advise = (plan: Plan, shelf: Shelf) => Promise<Remedy[]>

const SAVE_AFTER_MS = 500
const REMEDIES_AFTER_MS = 150
const MERGE_WITHIN_MS = 1500
const FIRST_RETRY_MS = 1000
const LONGEST_RETRY_MS = 15_000

const same = (a: Plan, b: Plan): boolean => writePlan(a) === writePlan(b)

/** The batch that is open on screen: edits, undo, forecast, and the way to the server. Lives outside React. */
export class OpenBatch {
  #state: OpenBatchState
  #past: Plan[] = []
  #future: Plan[] = []
  #lastMerge = { key: '', at: 0 }
  #revision: number
  #saved: Plan
  #saving = false
  #retryMs = FIRST_RETRY_MS
  #saveTimer: ReturnType<typeof setTimeout> | undefined
  #remedyTimer: ReturnType<typeof setTimeout> | undefined
  #closed = true
  readonly #listeners = new Set<() => void>()
  #shelf: Shelf
  readonly #advise: Advise

  constructor(batch: BatchAnswer, shelf: Shelf, advise: Advise) {
    const read = readPlan(batch.plan)
    if (!read.ok) throw new Error(read.problems[0]!.sentence)
    this.#shelf = shelf
    this.#advise = advise
    this.#revision = batch.revision
    this.#saved = read.plan
    this.#state = this.#shape(batch.id, read.plan, { kind: 'saved', at: new Date(batch.updatedAt) })
    this.#takeUpDraft(batch)
  }

  /** Starts saving and advising; gives a function that stops it and sends what is unsaved. */
  attach(): () => void {
    this.#closed = false
    const hide = () => this.flush()
    addEventListener('pagehide', hide)
    this.#askForRemedies()
    if (this.#isDirty() && !this.#isHalted()) this.#saveSoon(0)
    return () => {
      removeEventListener('pagehide', hide)
      this.flush()
      this.#closed = true
      clearTimeout(this.#saveTimer)
      clearTimeout(this.#remedyTimer)
    }
  }

  get shelf(): Shelf {
    return this.#shelf
  }

  /** Takes on what the workshop has just changed on its shelf, and forecasts again. */
  renewShelf(change: Partial<Shelf>): void {
    this.#shelf = { ...this.#shelf, ...change }
    const { id, plan, save, remedies } = this.#state
    this.#set({ ...this.#shape(id, plan, save), remedies })
    this.#askForRemedies()
  }

  readonly get = (): OpenBatchState => this.#state

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener)
    return () => this.#listeners.delete(listener)
  }

  /**
   * Applies an edit, or says where and why not. Edits with the same `merge` key in quick succession (a drag, typing in one
   * field) are one step of undo.
   */
  edit(edit: Edit, merge = ''): EditResult {
    const result = applyEdit(this.#state.plan, edit)
    if (!result.ok || same(result.plan, this.#state.plan)) return result
    const now = Date.now()
    const merges = merge !== '' && merge === this.#lastMerge.key && now - this.#lastMerge.at < MERGE_WITHIN_MS
    if (!merges) this.#past.push(this.#state.plan)
    this.#lastMerge = { key: merge, at: now }
    this.#future = []
    this.#take(result.plan)
    return result
  }

  undo(): void {
    this.#step(this.#past, this.#future)
  }

  redo(): void {
    this.#step(this.#future, this.#past)
  }

  /** Sends what is unsaved at once, e.g. as the page is hidden. */
  flush(): void {
    if (this.#isDirty() && !this.#saving && !this.#isHalted()) {
      void saveBatch(this.#state.id, this.#revision, this.#state.plan, true).then(
        batch => this.#acknowledged(batch, this.#state.plan),
        () => undefined,
      )
    }
  }

  /** After a conflict: this window's plan goes on top of what was saved meanwhile. */
  keepMine(): void {
    if (this.#state.save.kind !== 'conflict') return
    this.#revision = this.#state.save.theirs.revision
    this.#set({ save: { kind: 'saving' } })
    this.#saveSoon(0)
  }

  /** After a conflict: what was saved meanwhile; this window's plan stays one undo away. */
  takeTheirs(): void {
    if (this.#state.save.kind !== 'conflict') return
    const { theirs } = this.#state.save
    const read = readPlan(theirs.plan)
    if (!read.ok) return
    this.#revision = theirs.revision
    this.#saved = read.plan
    this.#past.push(this.#state.plan)
    this.#set({ save: { kind: 'saved', at: new Date(theirs.updatedAt) } })
    this.#take(read.plan)
  }

  /** Tries at once to save what is waiting, e.g. after signing in again. */
  retry(): void {
    if (!this.#isDirty()) return
    this.#retryMs = FIRST_RETRY_MS
    this.#set({ save: { kind: 'saving' } })
    this.#saveSoon(0)
  }

  #shape(id: string, plan: Plan, save: SaveState): OpenBatchState {
    return {
      id,
      plan,
      result: forecast(plan, this.#shelf),
      remedies: null,
      save,
      canUndo: this.#past.length > 0,
      canRedo: this.#future.length > 0,
    }
  }

  #set(part: Partial<OpenBatchState>): void {
    this.#state = { ...this.#state, ...part }
    for (const listener of this.#listeners) listener()
  }

  #isDirty(): boolean {
    return !same(this.#state.plan, this.#saved)
  }

  #isHalted(): boolean {
    return ['conflict', 'gone'].includes(this.#state.save.kind)
  }

  #takeUpDraft(batch: BatchAnswer): void {
    const draft = draftOf(batch.id)
    if (!draft || same(draft.plan, this.#saved)) return
    const moved = draft.revision < batch.revision
    this.#past.push(this.#saved)
    this.#state = this.#shape(batch.id, draft.plan, moved ? { kind: 'conflict', theirs: batch } : { kind: 'saving' })
  }

  #step(from: Plan[], to: Plan[]): void {
    const plan = from.pop()
    if (!plan) return
    to.push(this.#state.plan)
    this.#lastMerge = { key: '', at: 0 }
    this.#take(plan)
  }

  #take(plan: Plan): void {
    this.#set({ ...this.#shape(this.#state.id, plan, this.#state.save), remedies: this.#state.remedies })
    this.#askForRemedies()
    if (this.#isHalted()) return keepDraft(this.#state.id, { revision: this.#revision, plan })
    if (!this.#isDirty() && !this.#saving) {
      clearTimeout(this.#saveTimer)
      dropDraft(this.#state.id)
      this.#set({ save: { kind: 'saved', at: new Date() } })
      return
    }
    keepDraft(this.#state.id, { revision: this.#revision, plan })
    if (this.#state.save.kind === 'saved') this.#set({ save: { kind: 'saving' } })
    this.#saveSoon(SAVE_AFTER_MS)
  }

  #askForRemedies(): void {
    clearTimeout(this.#remedyTimer)
    if (this.#closed) return
    const { plan } = this.#state
    this.#remedyTimer = setTimeout(() => {
      void this.#advise(plan, this.#shelf).then(remedies => {
        if (this.#state.plan === plan) this.#set({ remedies })
      })
    }, REMEDIES_AFTER_MS)
  }

  #saveSoon(afterMs: number): void {
    clearTimeout(this.#saveTimer)
    if (this.#closed) return
    this.#saveTimer = setTimeout(() => void this.#saveNow(), afterMs)
  }

  async #saveNow(): Promise<void> {
    if (this.#saving || this.#isHalted()) return
    const { id, plan } = this.#state
    this.#saving = true
    try {
      const batch = await saveBatch(id, this.#revision, plan)
      this.#saving = false
      this.#acknowledged(batch, plan)
    } catch (error) {
      this.#saving = false
      this.#failed(error)
    }
  }

  #acknowledged(batch: BatchAnswer, sent: Plan): void {
    this.#revision = batch.revision
    this.#saved = sent
    this.#retryMs = FIRST_RETRY_MS
    if (this.#isDirty()) {
      keepDraft(this.#state.id, { revision: this.#revision, plan: this.#state.plan })
      this.#saveSoon(SAVE_AFTER_MS)
      return
    }
    dropDraft(this.#state.id)
    this.#set({ save: { kind: 'saved', at: new Date(batch.updatedAt) } })
  }

  #failed(error: unknown): void {
    if (!(error instanceof ApiError)) throw error
    const { current } = error.answer
    if (error.status === 409 && current) return this.#set({ save: { kind: 'conflict', theirs: current } })
    if (error.status === 404) return this.#set({ save: { kind: 'gone' } })
    if (error.status === 401) return this.#set({ save: { kind: 'signed-out' } })
    if (error.status === 400) return this.#set({ save: { kind: 'refused', sentence: error.message } })
    this.#set({ save: { kind: 'waiting', sentence: error.message } })
    this.#saveSoon(this.#retryMs)
    this.#retryMs = Math.min(LONGEST_RETRY_MS, this.#retryMs * 2)
  }
}
