import { referenceShelf, starterPlan } from '@ostler/core'
import type { Edit, Plan, Remedy } from '@ostler/core'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { OpenBatch } from '../open-batch.ts'
import { FakeServer } from './fake-server.ts'

const plan = starterPlan('Trial')
const mixC = (value: number): Edit => ({ kind: 'set', path: ['conditions', 'mixC'], value })
const named = (name: string): Plan => ({ ...plan, name })

let server: FakeServer
const noAdvice = () => Promise.resolve<Remedy[]>([])

const openBatch = (advise = noAdvice) => new OpenBatch(server.batch, referenceShelf(), advise)

/** Lets timers run and answers arrive. */
const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms)

beforeEach(() => {
  vi.useFakeTimers()
  localStorage.clear()
  server = new FakeServer(plan)
  vi.stubGlobal('fetch', (url: string, init: RequestInit) => server.fetch(url, init))
})

afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('edits and undo', () => {
  test('an edit forecasts at once', () => {
    const batch = openBatch()
    const before = batch.get().result
    expect(batch.edit(mixC(40)).ok).toBe(true)
    expect(batch.get().plan.conditions.mixC).toBe(40)
    expect(batch.get().result).not.toEqual(before)
  })

  test('a refused edit changes nothing and is no step of undo', () => {
    const batch = openBatch()
    const before = batch.get()
    expect(batch.edit(mixC(400))).toMatchObject({ ok: false, path: 'conditions.mixC' })
    expect(batch.get()).toBe(before)
    expect(batch.get().canUndo).toBe(false)
  })

  test('undo and redo walk through every step; a new edit ends what could be redone', () => {
    const batch = openBatch()
    for (const c of [31, 32, 33]) batch.edit(mixC(c))
    batch.undo()
    batch.undo()
    expect(batch.get().plan.conditions.mixC).toBe(31)
    batch.redo()
    expect(batch.get().plan.conditions.mixC).toBe(32)
    batch.edit(mixC(40))
    expect(batch.get().canRedo).toBe(false)
    for (let i = 0; i < 10; i += 1) batch.undo()
    expect(batch.get().plan).toEqual(plan)
  })

  test('a drag is one step of undo; a later drag is another', async () => {
    const batch = openBatch()
    for (const c of [31, 32, 33]) batch.edit(mixC(c), 'drag')
    await pass(2000)
    for (const c of [34, 35]) batch.edit(mixC(c), 'drag')
    batch.undo()
    expect(batch.get().plan.conditions.mixC).toBe(33)
    batch.undo()
    expect(batch.get().plan.conditions.mixC).toBe(30)
  })
})

describe('saving', () => {
  test('edits are saved together, shortly after the last', async () => {
    const batch = openBatch()
    const detach = batch.attach()
    batch.edit(mixC(31))
    await pass(300)
    batch.edit(mixC(32))
    expect(batch.get().save.kind).toBe('saving')
    await pass(600)
    expect(batch.get().save.kind).toBe('saved')
    expect(server.saves).toBe(1)
    expect(server.batch.plan.conditions.mixC).toBe(32)
    expect(localStorage.length).toBe(0)
    detach()
  })

  test('an edit made while a save is under way is saved too', async () => {
    const batch = openBatch()
    batch.attach()
    batch.edit(mixC(31))
    vi.advanceTimersByTime(500)
    batch.edit(mixC(33))
    await pass(3000)
    expect(server.batch.plan.conditions.mixC).toBe(33)
    expect(batch.get().save.kind).toBe('saved')
  })

  test('going back to what is saved needs no save', async () => {
    const batch = openBatch()
    batch.attach()
    batch.edit(mixC(31))
    batch.undo()
    await pass(2000)
    expect(server.saves).toBe(0)
    expect(batch.get().save.kind).toBe('saved')
  })

  test('a server that is away is told, tried again, and gets everything', async () => {
    const batch = openBatch()
    batch.attach()
    server.mood = 'away'
    batch.edit(mixC(31))
    await pass(700)
    expect(batch.get().save).toMatchObject({ kind: 'waiting' })
    batch.edit(mixC(32))
    await pass(10_000)
    expect(batch.get().save.kind).toBe('waiting')
    server.mood = 'well'
    await pass(20_000)
    expect(batch.get().save.kind).toBe('saved')
    expect(server.batch.plan.conditions.mixC).toBe(32)
  })

  test('a save whose answer was lost is no conflict when it is sent again', async () => {
    const batch = openBatch()
    batch.attach()
    server.mood = 'loses-answers'
    batch.edit(mixC(31))
    await pass(700)
    expect(batch.get().save.kind).toBe('waiting')
    server.mood = 'well'
    await pass(5000)
    expect(batch.get().save.kind).toBe('saved')
    expect(server.saves).toBe(1)
  })

  test('an error inside the server is tried again as well', async () => {
    const batch = openBatch()
    batch.attach()
    server.mood = 'broken'
    batch.edit(mixC(31))
    await pass(700)
    expect(batch.get().save).toMatchObject({ kind: 'waiting', sentence: 'Something went wrong on the server.' })
    server.mood = 'well'
    await pass(5000)
    expect(batch.get().save.kind).toBe('saved')
  })

  test('signed out: waits for the sign-in, then saves', async () => {
    const batch = openBatch()
    batch.attach()
    server.mood = 'signed-out'
    batch.edit(mixC(31))
    await pass(20_000)
    expect(batch.get().save.kind).toBe('signed-out')
    server.mood = 'well'
    batch.retry()
    await pass(1000)
    expect(batch.get().save.kind).toBe('saved')
  })

  test('closing the batch sends what is unsaved', async () => {
    const batch = openBatch()
    const detach = batch.attach()
    batch.edit(mixC(31))
    detach()
    await pass(100)
    expect(server.batch.plan.conditions.mixC).toBe(31)
  })
})

describe('two windows', () => {
  const conflict = async () => {
    const batch = openBatch()
    batch.attach()
    server.changeElsewhere(named('Theirs'))
    batch.edit(mixC(31))
    await pass(700)
    expect(batch.get().save.kind).toBe('conflict')
    return batch
  }

  test('nothing is overwritten while the question stands, and edits are kept', async () => {
    const batch = await conflict()
    batch.edit(mixC(36))
    await pass(20_000)
    expect(server.batch.plan).toEqual(named('Theirs'))
    expect(localStorage.length).toBe(1)
  })

  test('mine on top', async () => {
    const batch = await conflict()
    batch.keepMine()
    await pass(1000)
    expect(batch.get().save.kind).toBe('saved')
    expect(server.batch.plan).toMatchObject({ name: 'Trial', conditions: { mixC: 31 } })
  })

  test('theirs; mine stays one undo away and can still be saved', async () => {
    const batch = await conflict()
    batch.takeTheirs()
    expect(batch.get().plan.name).toBe('Theirs')
    expect(localStorage.length).toBe(0)
    batch.undo()
    await pass(1000)
    expect(server.batch.plan).toMatchObject({ name: 'Trial', conditions: { mixC: 31 } })
  })
})

describe('drafts', () => {
  const leaveUnsaved = async () => {
    const batch = openBatch()
    batch.attach()
    server.mood = 'away'
    batch.edit(mixC(31))
    await pass(700)
  }

  test('what was not saved is there again after a reload, and is saved', async () => {
    await leaveUnsaved()
    server.mood = 'well'
    const again = openBatch()
    again.attach()
    expect(again.get().plan.conditions.mixC).toBe(31)
    expect(again.get().canUndo).toBe(true)
    await pass(1000)
    expect(server.batch.plan.conditions.mixC).toBe(31)
  })

  test('if others saved meanwhile the reload asks', async () => {
    await leaveUnsaved()
    server.mood = 'well'
    server.changeElsewhere(named('Theirs'))
    const again = openBatch()
    again.attach()
    await pass(5000)
    expect(again.get().save.kind).toBe('conflict')
    expect(server.batch.plan.name).toBe('Theirs')
  })

  test.each([
    ['damaged', '{"revision":1,'],
    ['of another shape', '{"revision":1,"plan":{"name":"x"}}'],
    ['null', 'null'],
  ])('a %s draft is left aside', (_, text) => {
    localStorage.setItem('ostler.draft.batch-1', text)
    expect(openBatch().get().plan).toEqual(plan)
  })
})

test('advice that arrives for an older plan is left aside', async () => {
  const waiting: ((remedies: Remedy[]) => void)[] = []
  const batch = openBatch(() => new Promise(done => waiting.push(done)))
  batch.attach()
  await pass(200)
  batch.edit(mixC(40))
  waiting[0]!([{ id: 'old', sentence: '', before: 0, after: 1, edit: mixC(1) }])
  await pass(200)
  expect(batch.get().remedies).toBeNull()
  waiting[1]!([])
  await pass(1)
  expect(batch.get().remedies).toEqual([])
})
