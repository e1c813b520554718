import { restChosen } from '@ostler/core'
import type { BenchEvent, Gel, Plan } from '@ostler/core'
import { gelOfWay } from '../workers/rehearsal.ts'

/** What the way that was chosen for the night makes of a plan: asked for once as it is chosen. */
export class GelAsked {
  #asked: { way: string; gel: Gel | null } | null = null

  /** @param told as an answer has come */
  constructor(
    readonly plan: Plan,
    readonly told: () => void,
  ) {}

  /** Null: none is chosen, or it is not worked out yet. */
  of(events: readonly BenchEvent[]): Gel | null {
    const way = restChosen(events)
    if (way === null) return null
    if (this.#asked?.way !== way) void this.#ask({ way, gel: null })
    return this.#asked?.gel ?? null
  }

  async #ask(asked: { way: string; gel: Gel | null }): Promise<void> {
    this.#asked = asked
    try {
      asked.gel = await gelOfWay(this.plan, asked.way)
    } catch {
      // Asked again as it is looked at again.
      if (this.#asked === asked) this.#asked = null
      return
    }
    this.told()
  }
}
