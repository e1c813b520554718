import { differingParts, planChanges, referenceShelf, starterPlan } from '@ostler/core'
import type { Advice, Edit, Plan } from '@ostler/core'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { draftToTakeUp } from '../draft.ts'
import { OpenBatch } from '../open-batch.ts'
import { WINDOW } from '../windows.ts'
import { FakeServer } from './fake-server.ts'

const plan = starterPlan('Trial')
const mixC = (value: number): Edit => ({ kind: 'set', path: ['conditions', 'mixC'], value })
const named = (name: string): Plan => ({ ...plan, name })

let server: FakeServer
const noAdvice = () => Promise.resolve<Advice>({ risk: null, remedies: [] })

const openBatch = (advise = noAdvice) => new OpenBatch(server.batch, referenceShelf(), advise)

/** Lets timers run and answers arrive. */
const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms)

beforeEach(() => {
  vi.useFakeTimers()
  localStorage.clear()
  sessionStorage.clear()
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

  test('a new name forecasts nothing anew; notes neither', () => {
    const batch = openBatch()
    const lanes = () => {
      const { result } = batch.get()
      return result.ok ? result.forecast.lanes : null
    }
    const before = lanes()
    batch.edit({ kind: 'set', path: ['name'], value: 'Another' })
    batch.edit({ kind: 'set', path: ['notes'], value: 'Stir well.' })
    expect(lanes()).toBe(before)
    expect(batch.get().result).toMatchObject({ forecast: { plan: 'Another' } })
    batch.edit(mixC(40))
    expect(lanes()).not.toBe(before)
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

  test('a drag is one step however slowly it is dragged; the next one is another', async () => {
    const batch = openBatch()
    batch.attach()
    const drag = async (...values: number[]) => {
      dispatchEvent(new Event('pointerdown'))
      for (const c of values) {
        batch.edit(mixC(c), 'drag')
        await pass(4000)
      }
      dispatchEvent(new Event('pointerup'))
    }
    await drag(31, 32, 33)
    await drag(34, 35)
    batch.undo()
    expect(batch.get().plan.conditions.mixC).toBe(33)
    batch.undo()
    expect(batch.get().plan.conditions.mixC).toBe(30)
    expect(batch.get().canUndo).toBe(false)
  })

  test('undo is there again after a look at another page', async () => {
    const batch = openBatch()
    const detach = batch.attach()
    batch.edit(mixC(31))
    batch.edit(mixC(32))
    batch.undo()
    await pass(1000)
    detach()
    await pass(100)
    const again = openBatch()
    again.redo()
    expect(again.get().plan.conditions.mixC).toBe(32)
    again.undo()
    again.undo()
    expect(again.get().plan.conditions.mixC).toBe(30)
    // It leads away from just that plan: changed elsewhere, it is dropped.
    localStorage.clear()
    server.changeElsewhere(named('Theirs'))
    expect(openBatch().get().canUndo).toBe(false)
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

  test('what is edited while a farewell is under way is not taken for saved', async () => {
    const batch = openBatch()
    batch.attach()
    batch.edit(mixC(31))
    batch.flush()
    batch.edit(mixC(36))
    await pass(5000)
    expect(server.batch.plan.conditions.mixC).toBe(36)
    expect(batch.get().save.kind).toBe('saved')
  })

  test('where the browser keeps nothing, leaving with unsaved edits is asked about', async () => {
    const set = vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError')
    })
    const batch = openBatch()
    const detach = batch.attach()
    server.mood = 'away'
    batch.edit(mixC(31))
    const leave = () => {
      const event = new Event('beforeunload', { cancelable: true })
      dispatchEvent(event)
      return event.defaultPrevented
    }
    expect(leave()).toBe(true)
    set.mockRestore()
    batch.edit(mixC(32))
    expect(leave()).toBe(false)
    detach()
    await pass(1)
  })

  test('a browser whose storage cannot even be read opens the batch all the same', () => {
    const get = vi.spyOn(window, 'localStorage', 'get').mockImplementation(() => {
      throw new DOMException('denied', 'SecurityError')
    })
    expect(openBatch().edit(mixC(31)).ok).toBe(true)
    get.mockRestore()
  })
})

describe('two windows', () => {
  const theirs: Plan = { ...named('Theirs'), conditions: { ...plan.conditions, mixC: 44 } }
  const conflict = async () => {
    const batch = openBatch()
    batch.attach()
    server.changeElsewhere(theirs)
    batch.edit(mixC(31))
    batch.edit({ kind: 'set', path: ['notes'], value: 'Mine.' })
    await pass(700)
    expect(batch.get().save).toMatchObject({ kind: 'conflict', parts: ['temperatures, blending and scales'] })
    return batch
  }

  test('that change different parts never meet a question: each gets what the other did', async () => {
    const batch = openBatch()
    batch.attach()
    server.changeElsewhere(named('Theirs'))
    batch.edit(mixC(31))
    await pass(700)
    expect(batch.get().save.kind).toBe('saved')
    expect(server.batch.plan).toMatchObject({ name: 'Theirs', conditions: { mixC: 31 } })
    expect(batch.get().plan).toMatchObject({ name: 'Theirs', conditions: { mixC: 31 } })
    // Taking back takes back what was done here, and nothing of theirs.
    batch.undo()
    await pass(1000)
    expect(server.batch.plan).toMatchObject({ name: 'Theirs', conditions: { mixC: 30 } })
  })

  test('what is typed while theirs arrives is kept beside it, or asked about where it meets', async () => {
    const batch = openBatch()
    batch.attach()
    server.changeElsewhere(named('Theirs'))
    batch.edit(mixC(31))
    vi.advanceTimersByTime(500)
    batch.edit({ kind: 'set', path: ['notes'], value: 'Typed on.' })
    await pass(1500)
    expect(server.batch.plan).toMatchObject({ name: 'Theirs', notes: 'Typed on.', conditions: { mixC: 31 } })
    server.changeElsewhere({ ...server.batch.plan, name: 'Again' })
    batch.edit(mixC(32))
    vi.advanceTimersByTime(500)
    batch.edit({ kind: 'set', path: ['name'], value: 'Mine' })
    await pass(300)
    expect(batch.get().save).toMatchObject({ kind: 'conflict', parts: ['name'] })
    expect(batch.get().plan.name).toBe('Mine')
  })

  test('nothing is overwritten while the question stands, and edits are kept', async () => {
    const batch = await conflict()
    batch.edit(mixC(36))
    await pass(20_000)
    expect(server.batch.plan).toEqual(theirs)
    expect(localStorage.length).toBe(1)
  })

  test('every part has words for the question', () => {
    const other: Plan = { ...plan, hands: { ...plan.hands, people: 2 }, blendedS: 40, isTrial: true }
    expect(differingParts(plan, other)).toEqual(['trial or not', 'hands and their order', 'seconds of blending'])
  })

  test('each keeps its own draft; the other’s is never dropped or overwritten', async () => {
    const mine = await conflict()
    localStorage.setItem('ostler.draft.batch-1.other', JSON.stringify({ revision: 1, plan: named('Other'), at: 1 }))
    mine.edit(mixC(37))
    mine.takeTheirs()
    await pass(1000)
    expect(localStorage.getItem('ostler.draft.batch-1.other')).toContain('Other')
  })

  test('mine on top: what only they changed stays theirs', async () => {
    const batch = await conflict()
    batch.keepMine()
    await pass(1000)
    expect(batch.get().save.kind).toBe('saved')
    expect(server.batch.plan).toMatchObject({ name: 'Theirs', notes: 'Mine.', conditions: { mixC: 31 } })
  })

  test('theirs; mine stays one undo away and can still be saved', async () => {
    const batch = await conflict()
    batch.takeTheirs()
    expect(batch.get().plan).toMatchObject({ name: 'Theirs', notes: '', conditions: { mixC: 44 } })
    expect(localStorage.length).toBe(0)
    batch.undo()
    await pass(1000)
    expect(server.batch.plan).toMatchObject({ notes: 'Mine.', conditions: { mixC: 31 } })
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

  test('if others saved other parts meanwhile the reload brings both together', async () => {
    await leaveUnsaved()
    server.mood = 'well'
    server.changeElsewhere(named('Theirs'))
    openBatch().attach()
    await pass(5000)
    expect(server.batch.plan).toMatchObject({ name: 'Theirs', conditions: { mixC: 31 } })
  })

  test('if they saved the same part the reload asks, and shows what was typed', async () => {
    await leaveUnsaved()
    server.mood = 'well'
    server.changeElsewhere({ ...plan, conditions: { ...plan.conditions, mixC: 44 } })
    const again = openBatch()
    again.attach()
    await pass(5000)
    expect(again.get().save.kind).toBe('conflict')
    expect(again.get().plan.conditions.mixC).toBe(31)
    expect(server.batch.plan.conditions.mixC).toBe(44)
  })

  test('a draft of an older Ostler, a whole plan, is taken up; where others saved meanwhile it asks', () => {
    const old = JSON.stringify({ revision: 1, plan: named('Typed before'), at: 1 })
    localStorage.setItem(`ostler.draft.batch-1.${WINDOW}`, old)
    expect(openBatch().get()).toMatchObject({ plan: { name: 'Typed before' }, save: { kind: 'saving' } })
    localStorage.setItem(`ostler.draft.batch-1.${WINDOW}`, old)
    server.changeElsewhere(named('Theirs'))
    expect(openBatch().get().save).toMatchObject({ kind: 'conflict', parts: ['name'] })
  })

  test('what a window left that is gone is taken up; what one that lives is typing is let be', async () => {
    const kept = (name: string, at: number) =>
      JSON.stringify({ revision: 1, changes: planChanges(plan, named(name)), at })
    const nameIn = async () => (await draftToTakeUp('batch-1'))?.changes?.[0]
    localStorage.setItem('ostler.draft.batch-1.gone', kept('Gone', 5))
    localStorage.setItem('ostler.draft.batch-1.older', kept('Older', 4))
    localStorage.setItem('ostler.draft.batch-1.alive', kept('Alive', 9))
    localStorage.setItem('ostler.window.alive', String(Date.now()))
    const draft = await draftToTakeUp('batch-1')
    expect(await nameIn()).toMatchObject({ to: 'Gone' })
    const batch = new OpenBatch(server.batch, referenceShelf(), noAdvice, draft)
    batch.attach()
    expect(batch.get().plan.name).toBe('Gone')
    await pass(1000)
    expect(server.batch.plan.name).toBe('Gone')
    expect(localStorage.getItem('ostler.draft.batch-1.gone')).toBeNull()
    expect(localStorage.getItem('ostler.draft.batch-1.alive')).not.toBeNull()
    expect(await nameIn()).toMatchObject({ to: 'Older' })
  })

  test.each([
    ['damaged', '{"revision":1,'],
    ['of another shape', '{"revision":1,"plan":{"name":"x"}}'],
    ['null', 'null'],
  ])('a %s draft is left aside', (_, text) => {
    localStorage.setItem(`ostler.draft.batch-1.${WINDOW}`, text)
    expect(openBatch().get().plan).toEqual(plan)
  })
})

test('advice that arrives for an older plan is left aside', async () => {
  const waiting: ((advice: Advice) => void)[] = []
  const batch = openBatch(() => new Promise(done => waiting.push(done)))
  batch.attach()
  await pass(200)
  batch.edit(mixC(40))
  waiting[0]!({ risk: null, remedies: [{ id: 'old', sentence: '', before: 0, after: 1, edit: mixC(1) }] })
  await pass(200)
  expect(batch.get().remedies).toBeNull()
  waiting[1]!({ risk: null, remedies: [] })
  await pass(1)
  expect(batch.get().remedies).toEqual([])
})
