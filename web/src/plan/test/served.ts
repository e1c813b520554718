import { referenceShelf, starterPlan } from '@ostler/core'
import type { Advice, Edit, Plan } from '@ostler/core'
import { afterEach, beforeEach, vi } from 'vitest'
import { OpenBatch } from '../open-batch.ts'
import { FakeServer } from './fake-server.ts'

export const plan = starterPlan('Trial')
export const mixC = (value: number): Edit => ({ kind: 'set', path: ['conditions', 'mixC'], value })
export const named = (name: string): Plan => ({ ...plan, name })
export const noAdvice = () => Promise.resolve<Advice>({ sure: null, remedies: [] })

/** Lets timers run and answers arrive. */
export const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms)

/** A server in memory for each test of a file, with the clock stopped and the browser's storage empty. */
export function served() {
  const at = {
    server: new FakeServer(plan),
    open: (advise = noAdvice) => new OpenBatch(at.server.batch, referenceShelf(), advise),
  }
  beforeEach(() => {
    vi.useFakeTimers()
    localStorage.clear()
    sessionStorage.clear()
    at.server = new FakeServer(plan)
    vi.stubGlobal('fetch', (url: string, init: RequestInit) => at.server.fetch(url, init))
  })
  afterEach(() => {
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })
  return at
}
