import { applyEdit, forecast, readPlan, writePlan } from '@ostler/core'
import type { Advice, BatchAnswer, Edit, EditResult, ForecastResult, Plan, Remedy, Risk, Shelf } from '@ostler/core'
import { ApiError, saveBatch } from '../api/client.ts'
import { dropDraft, dropKept, keepDraft, ownDraft } from './draft.ts'
import type { KeptDraft } from './draft.ts'
import { keepUndo, keptUndo } from './kept-undo.ts'

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
  /** The risk by many runs; null until they are worked through, and the forecast's own stands in. */
  risk: Risk | null
  save: SaveState
  canUndo: boolean
  canRedo: boolean
}

/** Works out the changes that help most, off the main thread. */
export type Advise = (plan: Plan, shelf: Shelf) => Promise<Advice>

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
  #lastMerge = { key: '', at: 0, gesture: -1 }
  /** What the pointer does: a drag, however slow, is one step of undo. */
  #gesture = { count: 0, isHeld: false }
  /** Whether what is unsaved stands in the browser's storage. */
  #isKept = true
  #revision: number
  #saved: Plan
  #saving = false
  #retryMs = FIRST_RETRY_MS
  #saveTimer: ReturnType<typeof setTimeout> | undefined
  #remedyTimer: ReturnType<typeof setTimeout> | undefined
  #closed = true
  readonly #listeners = new Set<() => void>()
  #shelf: Shelf
  /** The shelf that the last forecast was made with. */
  #forecastWith: Shelf | null = null
  readonly #advise: Advise

  /**
   * @param draft  edits to take up that were never acknowledged: this window's own, or of a window that is gone
   */
  constructor(batch: BatchAnswer, shelf: Shelf, advise: Advise, draft: KeptDraft | null = ownDraft(batch.id)) {
    const read = readPlan(batch.plan)
    if (!read.ok) throw new Error(read.problems[0]!.sentence)
    this.#shelf = shelf
    this.#advise = advise
    this.#revision = batch.revision
    this.#saved = read.plan
    this.#state = this.#shape(batch.id, read.plan, { kind: 'saved', at: new Date(batch.updatedAt) })
    this.#takeUpDraft(batch, draft)
    const kept = keptUndo(batch.id, this.#state.plan)
    if (kept.past.length + kept.future.length > 0) {
      this.#past = kept.past
      this.#future = kept.future
      this.#state = { ...this.#state, canUndo: kept.past.length > 0, canRedo: kept.future.length > 0 }
    }
  }

  /** Starts saving and advising; gives a function that stops it and sends what is unsaved. */
  attach(): () => void {
    this.#closed = false
    const hide = () => {
      this.#keepUndo()
      this.flush()
    }
    const leave = (event: BeforeUnloadEvent) => {
      // Nothing keeps what is unsaved: the browser asks before it is gone.
      if (this.#isDirty() && !this.#isKept) event.preventDefault()
    }
    const press = () => (this.#gesture = { count: this.#gesture.count + 1, isHeld: true })
    const release = () => (this.#gesture = { ...this.#gesture, isHeld: false })
    addEventListener('pagehide', hide)
    addEventListener('beforeunload', leave)
    addEventListener('pointerdown', press, true)
    addEventListener('pointerup', release, true)
    addEventListener('pointercancel', release, true)
    this.#askForRemedies()
    if (this.#isDirty() && !this.#isHalted()) this.#saveSoon(0)
    return () => {
      removeEventListener('pagehide', hide)
      removeEventListener('beforeunload', leave)
      removeEventListener('pointerdown', press, true)
      removeEventListener('pointerup', release, true)
      removeEventListener('pointercancel', release, true)
      this.#keepUndo()
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
    const { count, isHeld } = this.#gesture
    const isSoon = now - this.#lastMerge.at < MERGE_WITHIN_MS || (isHeld && count === this.#lastMerge.gesture)
    const merges = merge !== '' && merge === this.#lastMerge.key && isSoon
    if (!merges) this.#past.push(this.#state.plan)
    this.#lastMerge = { key: merge, at: now, gesture: count }
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
      // What is acknowledged is what was sent, whatever is edited until the answer comes.
      const { id, plan } = this.#state
      void saveBatch(id, this.#revision, plan, true).then(
        batch => this.#acknowledged(batch, plan),
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
    const before = this.#state as OpenBatchState | undefined
    // A name and notes change nothing that is forecast.
    const isRenamed =
      before !== undefined &&
      this.#forecastWith === this.#shelf &&
      same({ ...before.plan, name: plan.name, notes: plan.notes }, plan)
    this.#forecastWith = this.#shelf
    const result = isRenamed ? before.result : forecast(plan, this.#shelf)
    return {
      id,
      plan,
      result: result.ok ? { ok: true, forecast: { ...result.forecast, plan: plan.name } } : result,
      remedies: isRenamed ? before.remedies : null,
      risk: isRenamed ? before.risk : null,
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

  #takeUpDraft(batch: BatchAnswer, draft: KeptDraft | null): void {
    if (!draft) return
    if (same(draft.plan, this.#saved)) return dropKept(draft)
    const moved = draft.revision < batch.revision
    this.#past.push(this.#saved)
    this.#state = this.#shape(batch.id, draft.plan, moved ? { kind: 'conflict', theirs: batch } : { kind: 'saving' })
    // From now on it is this window's.
    if (this.#keep(draft.revision, draft.plan) && draft.key !== ownDraft(batch.id)?.key) dropKept(draft)
  }

  #keep(revision: number, plan: Plan): boolean {
    this.#isKept = keepDraft(this.#state.id, { revision, plan })
    return this.#isKept
  }

  #keepUndo(): void {
    keepUndo(this.#state.id, this.#state.plan, this.#past, this.#future)
  }

  #step(from: Plan[], to: Plan[]): void {
    const plan = from.pop()
    if (!plan) return
    to.push(this.#state.plan)
    this.#lastMerge = { key: '', at: 0, gesture: -1 }
    this.#take(plan)
  }

  #take(plan: Plan): void {
    this.#set({ ...this.#shape(this.#state.id, plan, this.#state.save), remedies: this.#state.remedies })
    this.#askForRemedies()
    if (this.#isHalted()) return void this.#keep(this.#revision, plan)
    if (!this.#isDirty() && !this.#saving) {
      clearTimeout(this.#saveTimer)
      dropDraft(this.#state.id)
      this.#set({ save: { kind: 'saved', at: new Date() } })
      return
    }
    this.#keep(this.#revision, plan)
    if (this.#state.save.kind === 'saved') this.#set({ save: { kind: 'saving' } })
    this.#saveSoon(SAVE_AFTER_MS)
  }

  #askForRemedies(): void {
    clearTimeout(this.#remedyTimer)
    if (this.#closed) return
    const { plan } = this.#state
    this.#remedyTimer = setTimeout(() => {
      this.#advise(plan, this.#shelf).then(
        ({ remedies, risk }) => {
          if (this.#state.plan === plan) this.#set({ remedies, risk })
        },
        // Advice that cannot be had is no advice; the plan stands without.
        () => undefined,
      )
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
      this.#keep(this.#revision, this.#state.plan)
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
