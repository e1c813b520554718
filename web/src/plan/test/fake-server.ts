import type { BatchAnswer, Plan } from '@ostler/core'
import { writePlan } from '@ostler/core'

type Mood = 'well' | 'away' | 'loses-answers' | 'signed-out' | 'broken'

/** The server's side of saving, in memory: revisions, conflicts, and the ways in which it can fail. */
export class FakeServer {
  mood: Mood = 'well'
  saves = 0
  batch: BatchAnswer

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
    const { revision, plan } = JSON.parse(init.body as string) as { revision: number; plan: Plan }
    const isSame = revision + 1 === this.batch.revision && writePlan(plan) === writePlan(this.batch.plan)
    if (revision !== this.batch.revision && !isSame) return answer(409, { sentence: 'Changed.', current: this.batch })
    if (!isSame) {
      this.saves += 1
      this.batch = { ...this.batch, revision: revision + 1, plan }
    }
    if (this.mood === 'loses-answers') return Promise.reject(new TypeError('Connection reset'))
    return answer(200, this.batch)
  }
}

const answer = (status: number, value: unknown): Promise<Response> =>
  Promise.resolve(new Response(JSON.stringify(value), { status, headers: { 'content-type': 'application/json' } }))
