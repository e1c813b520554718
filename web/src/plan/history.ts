import { planChanges, withChanges } from '@ostler/core'
import type { Change, Plan } from '@ostler/core'

/** One step of undo or redo: the changes that lead there. */
export type Step = readonly Change[]

const MERGE_WITHIN_MS = 1500
/** More is a walk, no undo. */
const MOST_STEPS = 500
const NOTHING = { key: '', at: 0, gesture: -1, before: null as Plan | null }

/** What can be taken back and done again, as changes: they hold on whatever others have made of the plan meanwhile. */
export class History {
  #past: Step[]
  #future: Step[]
  #last = NOTHING
  /** What the pointer does: a drag, however slow, is one step. */
  #gesture = { count: 0, isHeld: false }

  constructor(past: readonly Step[] = [], future: readonly Step[] = []) {
    this.#past = [...past]
    this.#future = [...future]
  }

  get past(): readonly Step[] {
    return this.#past
  }
  get future(): readonly Step[] {
    return this.#future
  }

  readonly press = (): void => {
    this.#gesture = { count: this.#gesture.count + 1, isHeld: true }
  }
  readonly release = (): void => {
    this.#gesture = { ...this.#gesture, isHeld: false }
  }

  /** Remembers the way back. Edits with the same `merge` key in quick succession, or in one drag, are one step. */
  record(before: Plan, after: Plan, merge = ''): void {
    const at = Date.now()
    const { count, isHeld } = this.#gesture
    const { key, at: last, gesture, before: first } = this.#last
    const merges = merge !== '' && merge === key && (at - last < MERGE_WITHIN_MS || (isHeld && count === gesture))
    const from = merges && first ? first : before
    if (merges) this.#past.pop()
    this.#past.push(planChanges(after, from))
    if (this.#past.length > MOST_STEPS) this.#past.shift()
    this.#future = []
    this.#last = { key: merge, at, gesture: count, before: from }
  }

  /** What comes next is a step of its own: the plan was changed by others meanwhile. */
  pause(): void {
    this.#last = NOTHING
  }

  /** The plan one step back, or null when there is none. */
  undo(plan: Plan): Plan | null {
    return this.#walk(this.#past, this.#future, plan)
  }

  /** The plan one step forward again, or null when there is none. */
  redo(plan: Plan): Plan | null {
    return this.#walk(this.#future, this.#past, plan)
  }

  #walk(from: Step[], to: Step[], plan: Plan): Plan | null {
    this.pause()
    const step = from.pop()
    if (!step) return null
    // Where others have changed the same meanwhile, taking back counts; what is gone cannot be.
    const made = withChanges(plan, step, { force: true })
    if (!made.ok) return this.#walk(from, to, plan)
    to.push(planChanges(made.plan, plan))
    return made.plan
  }
}
