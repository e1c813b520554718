import { applyEdit, changedParts, forecaster, planChanges, readPlan, withChanges } from '@ostler/core'
import type {
  Advice,
  BatchAnswer,
  BatchSaved,
  Change,
  Edit,
  EditResult,
  ForecastResult,
  Plan,
  Remedy,
  Shelf,
  Sure,
} from '@ostler/core'
import { ApiError, changeBatch } from '../api/client.ts'
import { dropDraft, dropKept, keepDraft, ownDraft } from './draft.ts'
import type { KeptDraft } from './draft.ts'
import { freshUuid } from './fresh-uuid.ts'
import type { History } from './history.ts'
import { keepUndo, keptUndo } from './kept-undo.ts'
import { openingOf } from './opening.ts'
import type { SaveState } from './save-state.ts'
import { say } from '../words/index.ts'

export interface OpenBatchState {
  id: string
  plan: Plan
  result: ForecastResult
  /** Null while they are worked out. */
  remedies: readonly Remedy[] | null
  /** What many runs say; null until they are worked through, and the forecast's own stands in. */
  sure: Sure | null
  save: SaveState
  canUndo: boolean
  canRedo: boolean
}

/** Works out the changes that help most, off the main thread. */
export type Advise = (plan: Plan, shelf: Shelf) => Promise<Advice>

const SAVE_AFTER_MS = 500
const REMEDIES_AFTER_MS = 150
const FIRST_RETRY_MS = 1000
const LONGEST_RETRY_MS = 15_000

/** Changes on their way, sent again as they are until they are acknowledged. */
interface Sending {
  id: string
  changes: Change[]
  sent: Plan
}

/** A name and notes change nothing that is forecast. */
const SAYS_NOTHING: readonly string[] = ['name', 'notes']
const forecastsAlike = (a: Plan, b: Plan): boolean =>
  (Object.keys(a) as (keyof Plan)[]).every(key => a[key] === b[key] || SAYS_NOTHING.includes(key))

/** The batch that is open on screen: edits, undo, forecast, and the way to the server. Lives outside React. */
export class OpenBatch {
  #state: OpenBatchState
  readonly #history: History
  /** Whether what is unsaved stands in the browser's storage. */
  #isKept = true
  #revision: number
  #saved: Plan
  #saving = false
  #sending: Sending | null = null
  #retryMs = FIRST_RETRY_MS
  #saveTimer: ReturnType<typeof setTimeout> | undefined
  #remedyTimer: ReturnType<typeof setTimeout> | undefined
  #closed = true
  readonly #listeners = new Set<() => void>()
  #shelf: Shelf
  /** Remembers what has not changed from one plan to the next. */
  readonly #forecast = forecaster()
  /** The shelf that the last forecast was made with. */
  #forecastWith: Shelf | null = null
  readonly #advise: Advise

  /**
   * @param draft  edits to take up that were never acknowledged: this window's own, or of a window that is gone
   */
  constructor(batch: BatchAnswer, shelf: Shelf, advise: Advise, draft: KeptDraft | null = ownDraft(batch.id)) {
    const read = readPlan(batch.plan)
    if (!read.ok) throw new Error(say(read.problems[0]!.sentence))
    this.#shelf = shelf
    this.#advise = advise
    this.#revision = batch.revision
    this.#saved = read.plan
    const opening = openingOf(batch, read.plan, draft)
    this.#history = keptUndo(batch.id, opening.plan)
    if (opening.plan !== read.plan && this.#history.past.length === 0) this.#history.record(read.plan, opening.plan)
    this.#state = this.#shape(batch.id, opening.plan, opening.save)
    this.#keepOpening(draft)
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
    const { press, release } = this.#history
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
    const { plan } = this.#state
    const result = applyEdit(plan, edit)
    if (!result.ok || result.plan === plan) return result
    this.#history.record(plan, result.plan, merge)
    this.#take(result.plan)
    return result
  }

  undo(): void {
    const plan = this.#history.undo(this.#state.plan)
    if (plan) this.#take(plan)
  }

  redo(): void {
    const plan = this.#history.redo(this.#state.plan)
    if (plan) this.#take(plan)
  }

  /** Sends what is unsaved at once, e.g. as the page is hidden. */
  flush(): void {
    if (!this.#isDirty() || this.#saving || this.#isHalted()) return
    const sending = this.#next()
    void this.#send(sending, true).then(
      saved => this.#acknowledged(saved, sending),
      () => undefined,
    )
  }

  /** After a conflict: this window's changes go on top of what was saved meanwhile. */
  keepMine(): void {
    const theirs = this.#theirs()
    if (!theirs) return
    const { plan: mine } = this.#state
    const made = withChanges(theirs, planChanges(this.#saved, mine), { force: true })
    this.#saved = theirs
    this.#history.pause()
    this.#set({ save: { kind: 'saving' } })
    this.#take(made.ok ? made.plan : mine)
  }

  /** After a conflict: what was saved meanwhile; this window's plan stays one undo away. */
  takeTheirs(): void {
    const theirs = this.#theirs()
    if (!theirs || this.#state.save.kind !== 'conflict') return
    const { plan: mine, save } = this.#state
    this.#saved = theirs
    this.#history.pause()
    this.#history.record(mine, theirs)
    this.#set({ save: { kind: 'saved', at: new Date(save.theirs.updatedAt) } })
    this.#take(theirs)
  }

  /** What was saved meanwhile, on whose revision the next save goes; null without a conflict. */
  #theirs(): Plan | null {
    const { save } = this.#state
    if (save.kind !== 'conflict') return null
    const read = readPlan(save.theirs.plan)
    if (!read.ok) return null
    this.#revision = save.theirs.revision
    return read.plan
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
    const isRenamed = before !== undefined && this.#forecastWith === this.#shelf && forecastsAlike(before.plan, plan)
    this.#forecastWith = this.#shelf
    return {
      id,
      plan,
      result: this.#forecast(plan, this.#shelf),
      remedies: isRenamed ? before.remedies : null,
      sure: isRenamed ? before.sure : null,
      save,
      canUndo: this.#history.past.length > 0,
      canRedo: this.#history.future.length > 0,
    }
  }

  #set(part: Partial<OpenBatchState>): void {
    this.#state = { ...this.#state, ...part }
    for (const listener of this.#listeners) listener()
  }

  #isDirty(): boolean {
    return this.#unsaved().length > 0
  }

  #unsaved(): Change[] {
    return planChanges(this.#saved, this.#state.plan)
  }

  #isHalted(): boolean {
    return ['conflict', 'gone'].includes(this.#state.save.kind)
  }

  /** From now on what was taken up is this window's; what is saved already needs no draft. */
  #keepOpening(draft: KeptDraft | null): void {
    if (!draft) return
    const { save } = this.#state
    if (!this.#isDirty() && save.kind !== 'conflict') {
      dropKept(draft)
      this.#state = { ...this.#state, save: { kind: 'saved', at: new Date() } }
    } else if (this.#keep() && draft.key !== ownDraft(this.#state.id)?.key) dropKept(draft)
  }

  #keep(): boolean {
    this.#isKept = keepDraft(this.#state.id, { revision: this.#revision, changes: this.#unsaved() })
    return this.#isKept
  }

  #keepUndo(): void {
    keepUndo(this.#state.id, this.#state.plan, this.#history)
  }

  #take(plan: Plan): void {
    this.#set({ ...this.#shape(this.#state.id, plan, this.#state.save), remedies: this.#state.remedies })
    this.#askForRemedies()
    if (this.#isHalted()) return void this.#keep()
    if (!this.#isDirty() && !this.#saving) {
      clearTimeout(this.#saveTimer)
      dropDraft(this.#state.id)
      this.#set({ save: { kind: 'saved', at: new Date() } })
      return
    }
    this.#keep()
    if (this.#state.save.kind === 'saved') this.#set({ save: { kind: 'saving' } })
    this.#saveSoon(SAVE_AFTER_MS)
  }

  #askForRemedies(): void {
    clearTimeout(this.#remedyTimer)
    if (this.#closed) return
    const { plan } = this.#state
    this.#remedyTimer = setTimeout(() => {
      this.#advise(plan, this.#shelf).then(
        ({ remedies, sure }) => {
          if (this.#state.plan === plan) this.#set({ remedies, sure })
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

  /** What is to be sent next: once more what was not acknowledged, or all that is unsaved. */
  #next(): Sending {
    this.#sending ??= { id: freshUuid(), changes: this.#unsaved(), sent: this.#state.plan }
    return this.#sending
  }

  #send({ id, changes }: Sending, isLeaving = false): Promise<BatchSaved> {
    return changeBatch(this.#state.id, { id, revision: this.#revision, changes }, isLeaving)
  }

  async #saveNow(): Promise<void> {
    if (this.#saving || this.#isHalted()) return
    const sending = this.#next()
    this.#saving = true
    try {
      const saved = await this.#send(sending)
      this.#saving = false
      this.#acknowledged(saved, sending)
    } catch (error) {
      this.#saving = false
      this.#failed(error)
    }
  }

  #acknowledged({ revision, updatedAt, plan: merged }: BatchSaved, { id, sent }: Sending): void {
    // A farewell and a save may both be answered.
    if (this.#sending?.id !== id) return
    this.#sending = null
    this.#revision = revision
    this.#retryMs = FIRST_RETRY_MS
    const since = planChanges(sent, this.#state.plan)
    this.#saved = sent
    if (merged && !this.#mergeIn(merged, since, { id: this.#state.id, revision, updatedAt })) return
    if (this.#isDirty()) {
      this.#keep()
      this.#saveSoon(SAVE_AFTER_MS)
      return
    }
    dropDraft(this.#state.id)
    this.#set({ save: { kind: 'saved', at: new Date(updatedAt) } })
  }

  /** Others changed other parts meanwhile: they are taken on. False: what was typed since meets theirs, and a question stands. */
  #mergeIn(merged: Plan, since: readonly Change[], about: Pick<BatchAnswer, 'id' | 'revision' | 'updatedAt'>): boolean {
    const read = readPlan(merged)
    if (!read.ok) return true
    const theirs = withChanges(this.#saved, planChanges(this.#saved, read.plan))
    const base = theirs.ok ? theirs.plan : read.plan
    const made = withChanges(base, since)
    this.#saved = base
    this.#history.pause()
    if (made.ok && made.met.length === 0) {
      this.#set(this.#shape(this.#state.id, made.plan, this.#state.save))
      this.#askForRemedies()
      return true
    }
    const parts = changedParts(
      made.met.map(one => one.change),
      base,
    )
    this.#set({ save: { kind: 'conflict', theirs: { ...about, name: base.name, plan: base }, parts } })
    this.#keep()
    return false
  }

  #failed(error: unknown): void {
    if (!(error instanceof ApiError)) throw error
    const { current, parts = [] } = error.answer
    // What was refused is not sent again as it is.
    if (error.status >= 400 && error.status < 500 && error.status !== 401) this.#sending = null
    if (error.status === 409 && current) return this.#set({ save: { kind: 'conflict', theirs: current, parts } })
    if (error.status === 404) return this.#set({ save: { kind: 'gone' } })
    if (error.status === 401) return this.#set({ save: { kind: 'signed-out' } })
    if (error.status === 400 || error.status === 403)
      return this.#set({ save: { kind: 'refused', sentence: error.message } })
    this.#set({ save: { kind: 'waiting', sentence: error.message } })
    this.#saveSoon(this.#retryMs)
    this.#retryMs = Math.min(LONGEST_RETRY_MS, this.#retryMs * 2)
  }
}
