import { changedParts, withChanges } from '@ostler/core'
import type { BatchAnswer, Change, Plan } from '@ostler/core'

interface Sent {
  id: string
  revision: number
  changes: Change[]
}

type Mood = 'well' | 'away' | 'loses-answers' | 'signed-out' | 'broken'

/** The server's side of saving, in memory: revisions, conflicts, and the ways in which it can fail. */
export class FakeServer {
  mood: Mood = 'well'
  saves = 0
  batch: BatchAnswer
  readonly #made = new Set<string>()

  constructor(plan: Plan) {
    this.batch = { id: 'batch-1', name: plan.name, revision: 1, updatedAt: '2026-11-23T12:00:00.000Z', plan }
  }

  /** Somebody else saves. */
  changeElsewhere(plan: Plan): void {
    this.batch = { ...this.batch, revision: this.batch.revision + 1, plan }
  }

  readonly fetch = (_url: string, init: RequestInit): Promise<Response> => {
    if (this.mood === 'away') return Promise.reject(new TypeError('Failed to fetch'))
    if (this.mood === 'signed-out') return answer(401, { sentence: 'Please sign in.' })
    if (this.mood === 'broken') return answer(500, { sentence: 'Something went wrong on the server.' })
    const { id, revision, changes } = JSON.parse(init.body as string) as Sent
    const isAlone = revision === this.batch.revision || (this.#made.has(id) && revision + 1 === this.batch.revision)
    if (!this.#made.has(id)) {
      const made = withChanges(this.batch.plan, changes)
      if (!made.ok || made.met.length > 0) {
        const parts = changedParts(
          made.met.map(one => one.change),
          this.batch.plan,
        )
        return answer(409, { sentence: 'Changed.', current: this.batch, parts })
      }
      this.saves += 1
      this.#made.add(id)
      this.batch = { ...this.batch, name: made.plan.name, revision: this.batch.revision + 1, plan: made.plan }
    }
    if (this.mood === 'loses-answers') return Promise.reject(new TypeError('Connection reset'))
    const { id: batch, revision: now, updatedAt, plan } = this.batch
    return answer(200, { id: batch, revision: now, updatedAt, plan: isAlone ? null : plan })
  }
}

const answer = (status: number, value: unknown): Promise<Response> =>
  Promise.resolve(new Response(JSON.stringify(value), { status, headers: { 'content-type': 'application/json' } }))
