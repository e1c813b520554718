import { referenceShelf, starterPlan } from '@ostler/core'
import type { BenchEvent, RunAnswer } from '@ostler/core'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { OpenRun } from './open-run.ts'
import type { KeptRun } from './kept-run.ts'

/** The server as the run sees it: each test says how it answers. */
const server = vi.hoisted(() => ({
  sent: [] as { key: string }[][],
  answer: (): { seq: number; now: number } => ({ seq: 1, now: Date.now() }),
}))
vi.mock('../api/client.ts', async original => ({
  ...(await original<object>()),
  sendEvents: (_: string, events: { key: string }[]) => {
    server.sent.push(events)
    return Promise.resolve().then(server.answer)
  },
}))
const kept = vi.hoisted((): { last: unknown } => ({ last: null }))
vi.mock('./kept-run.ts', () => ({ keepRun: (run: unknown) => Promise.resolve((kept.last = run) !== null) }))

/** A line of server-sent events in the hand of the test. */
class Line {
  static readonly CLOSED = 2
  static now: Line
  readyState = 1
  onopen: () => void = () => undefined
  onmessage: (message: { data: string }) => void = () => undefined
  onerror: () => void = () => undefined
  constructor(readonly url: string) {
    Line.now = this
  }
  close() {
    this.readyState = Line.CLOSED
  }
}

const OPENED = '2026-11-30T10:00:00.000Z'
const answer = (events: BenchEvent[] = [], seq = 0): RunAnswer => ({
  ...{ id: 'run', batch: 'batch', begunAt: null, openedAt: OPENED, plan: starterPlan('Run'), shelf: referenceShelf() },
  ...{ events, seq, now: new Date(OPENED).getTime() },
})
const opened = (about: Partial<KeptRun> = {}) => new OpenRun({ run: answer(), unsent: [], aheadMs: 0, ...about })
const theirs = (key: string, item: string): BenchEvent => ({
  ...{ key, kind: 'tick', r: 3, noted: 3, at: OPENED, source: 'hand', item },
})

beforeEach(() => {
  vi.useFakeTimers({ now: new Date(OPENED) })
  vi.stubGlobal('EventSource', Line)
  server.sent = []
  server.answer = () => ({ seq: 1, now: Date.now() })
  localStorage.clear()
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

const passing = (ms: number) => vi.advanceTimersByTimeAsync(ms)

describe('what is noted', () => {
  test('counts at once, is kept here first, and is then everywhere', async () => {
    const run = opened()
    run.attach()
    await passing(4200)
    const event = run.note({ kind: 'tick', item: 'safety:gear' })
    expect(event).toMatchObject({ kind: 'tick', r: 4.2, noted: 4.2, source: 'hand' })
    expect(run.get()).toMatchObject({ link: 'sending', unsent: 1 })
    expect(run.get().state.ticked).toEqual({ 'safety:gear': 4.2 })
    expect(kept.last).toMatchObject({ unsent: [event] })
    await passing(10)
    expect(server.sent).toEqual([[event]])
    expect(run.get()).toMatchObject({ link: 'everywhere', unsent: 0 })
    expect(kept.last).toMatchObject({ unsent: [], run: { events: [event] } })
  })

  test('carries on without the server, and goes there in its order when it is back', async () => {
    server.answer = () => {
      throw new Error('away')
    }
    const run = opened()
    run.attach()
    const [one, two] = ['safety:gear', 'safety:air'].map(item => run.note({ kind: 'tick', item }))
    await passing(20)
    expect(run.get()).toMatchObject({ link: 'here', unsent: 2 })
    expect(Object.keys(run.get().state.ticked)).toEqual(['safety:gear', 'safety:air'])
    server.answer = () => ({ seq: 2, now: Date.now() })
    await passing(1100)
    expect(server.sent.at(-1)).toEqual([one, two])
    expect(run.get().unsent).toBe(0)
  })

  test('that was kept here when the browser was closed is sent when the run is opened again', async () => {
    const left = { ...theirs('gone-0000:1', 'safety:gear') }
    const run = opened({ unsent: [left] })
    expect(run.get().state.ticked).toEqual({ 'safety:gear': 3 })
    run.attach()
    await passing(10)
    expect(server.sent).toEqual([[left]])
  })

  test('has a key of its own, also in a second window of the same browser', () => {
    const [a, b] = [opened(), opened()].map(run => run.note({ kind: 'note', text: 'x' }).key)
    expect(a).not.toBe(b)
    expect(a!.split('-')[0]).toBe(b!.split('-')[0])
  })
})

describe('what others note', () => {
  const told = (events: BenchEvent[], seq: number) => Line.now.onmessage({ data: JSON.stringify({ events, seq }) })

  test('comes in once, whichever way', async () => {
    const run = opened()
    run.attach()
    told([theirs('tablet:1', 'safety:air')], 5)
    told([theirs('tablet:1', 'safety:air')], 5)
    expect(run.get().events).toHaveLength(1)
    const mine = run.note({ kind: 'tick', item: 'safety:gear' })
    // The line may be quicker than the answer.
    told([mine], 6)
    await passing(10)
    expect(run.get().events.map(event => event.key)).toEqual(['tablet:1', mine.key])
    expect(run.get().unsent).toBe(0)
  })

  test('is asked for from where it broke off', async () => {
    const run = opened()
    run.attach()
    Line.now.onopen()
    told([theirs('tablet:1', 'safety:air')], 7)
    Line.now.readyState = Line.CLOSED
    Line.now.onerror()
    expect(run.get().link).toBe('here')
    await passing(2100)
    expect(Line.now.url).toMatch(/after=7$/)
    Line.now.onopen()
    await passing(10)
    expect(run.get().link).toBe('everywhere')
  })

  test('is not taken back by undo, what was noted here is', () => {
    const run = opened()
    run.attach()
    expect(run.last()).toBeNull()
    const mine = run.note({ kind: 'tick', item: 'safety:gear' })
    told([{ ...theirs('tablet:1', 'safety:air'), noted: 900 }], 5)
    expect(run.last()?.key).toBe(mine.key)
    run.note({ kind: 'undo', of: mine.key })
    expect(run.last()).toBeNull()
    expect(Object.keys(run.get().state.ticked)).toEqual(['safety:air'])
  })
})

test('the clock is the server’s, as far as an answer told it', async () => {
  server.answer = () => ({ seq: 1, now: Date.now() + 90_000 })
  const run = opened()
  run.attach()
  run.note({ kind: 'note', text: 'x' })
  await passing(10)
  expect(run.nowS()).toBeCloseTo(90, 0)
})

test('a clock that is set back moves nothing back; a device that slept has slept', async () => {
  const run = opened()
  await passing(60_000)
  expect(run.nowS()).toBeCloseTo(60, 0)
  const steady = performance.now()
  vi.setSystemTime(new Date(new Date(OPENED).getTime() - 3600_000))
  expect(performance.now()).toBe(steady)
  expect(run.nowS()).toBeCloseTo(60, 0)
  await passing(5000)
  expect(run.nowS()).toBeCloseTo(65, 0)
  vi.setSystemTime(new Date(Date.now() + 3600_000))
  expect(run.nowS()).toBeCloseTo(3665, 0)
})
