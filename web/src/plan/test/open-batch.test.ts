import { describe, expect, test, vi } from 'vitest'
import type { Advice } from '@ostler/core'
import { mixC, named, pass, plan, served } from './served.ts'

const at = served()
const lanesOf = (batch: ReturnType<typeof at.open>) => {
  const { result } = batch.get()
  return result.ok ? result.forecast.lanes : null
}

describe('edits and undo', () => {
  test('an edit forecasts at once', () => {
    const batch = at.open()
    const before = lanesOf(batch)
    expect(batch.edit(mixC(40)).ok).toBe(true)
    expect(batch.get().plan.conditions.mixC).toBe(40)
    expect(lanesOf(batch)).not.toEqual(before)
  })

  test('a new name forecasts nothing anew; notes neither', () => {
    const batch = at.open()
    const before = lanesOf(batch)
    batch.edit({ kind: 'set', path: ['name'], value: 'Another' })
    batch.edit({ kind: 'set', path: ['notes'], value: 'Stir well.' })
    expect(lanesOf(batch)).toBe(before)
    expect(batch.get().result).toMatchObject({ forecast: { plan: 'Another' } })
    batch.edit(mixC(40))
    expect(lanesOf(batch)).not.toBe(before)
  })

  test('a refused edit changes nothing and is no step of undo', () => {
    const batch = at.open()
    const before = batch.get()
    expect(batch.edit(mixC(400))).toMatchObject({ ok: false, path: 'conditions.mixC' })
    expect(batch.get()).toBe(before)
    expect(batch.get().canUndo).toBe(false)
  })

  test('undo and redo walk through every step; a new edit ends what could be redone', () => {
    const batch = at.open()
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
    const batch = at.open()
    for (const c of [31, 32, 33]) batch.edit(mixC(c), 'drag')
    await pass(2000)
    for (const c of [34, 35]) batch.edit(mixC(c), 'drag')
    batch.undo()
    expect(batch.get().plan.conditions.mixC).toBe(33)
    batch.undo()
    expect(batch.get().plan.conditions.mixC).toBe(30)
  })

  test('a drag is one step however slowly it is dragged; the next one is another', async () => {
    const batch = at.open()
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
    const batch = at.open()
    const detach = batch.attach()
    batch.edit(mixC(31))
    batch.edit(mixC(32))
    batch.undo()
    await pass(1000)
    detach()
    await pass(100)
    const again = at.open()
    again.redo()
    expect(again.get().plan.conditions.mixC).toBe(32)
    again.undo()
    again.undo()
    expect(again.get().plan.conditions.mixC).toBe(30)
    // It leads away from just that plan: changed elsewhere, it is dropped.
    localStorage.clear()
    at.server.changeElsewhere(named('Theirs'))
    expect(at.open().get().canUndo).toBe(false)
  })
})

describe('saving', () => {
  test('edits are saved together, shortly after the last', async () => {
    const batch = at.open()
    const detach = batch.attach()
    batch.edit(mixC(31))
    await pass(300)
    batch.edit(mixC(32))
    expect(batch.get().save.kind).toBe('saving')
    await pass(600)
    expect(batch.get().save.kind).toBe('saved')
    expect(at.server.saves).toBe(1)
    expect(at.server.batch.plan.conditions.mixC).toBe(32)
    expect(localStorage.length).toBe(0)
    detach()
  })

  test('an edit made while a save is under way is saved too', async () => {
    const batch = at.open()
    batch.attach()
    batch.edit(mixC(31))
    vi.advanceTimersByTime(500)
    batch.edit(mixC(33))
    await pass(3000)
    expect(at.server.batch.plan.conditions.mixC).toBe(33)
    expect(batch.get().save.kind).toBe('saved')
  })

  test('going back to what is saved needs no save', async () => {
    const batch = at.open()
    batch.attach()
    batch.edit(mixC(31))
    batch.undo()
    await pass(2000)
    expect(at.server.saves).toBe(0)
    expect(batch.get().save.kind).toBe('saved')
  })

  test('a server that is away is told, tried again, and gets everything', async () => {
    const batch = at.open()
    batch.attach()
    at.server.mood = 'away'
    batch.edit(mixC(31))
    await pass(700)
    expect(batch.get().save).toMatchObject({ kind: 'waiting' })
    batch.edit(mixC(32))
    await pass(10_000)
    expect(batch.get().save.kind).toBe('waiting')
    at.server.mood = 'well'
    await pass(20_000)
    expect(batch.get().save.kind).toBe('saved')
    expect(at.server.batch.plan.conditions.mixC).toBe(32)
  })

  test('a save whose answer was lost is no conflict when it is sent again', async () => {
    const batch = at.open()
    batch.attach()
    at.server.mood = 'loses-answers'
    batch.edit(mixC(31))
    await pass(700)
    expect(batch.get().save.kind).toBe('waiting')
    at.server.mood = 'well'
    await pass(5000)
    expect(batch.get().save.kind).toBe('saved')
    expect(at.server.saves).toBe(1)
  })

  test('an error inside the server is tried again as well', async () => {
    const batch = at.open()
    batch.attach()
    at.server.mood = 'broken'
    batch.edit(mixC(31))
    await pass(700)
    expect(batch.get().save).toMatchObject({ kind: 'waiting', sentence: 'Something went wrong on the server.' })
    at.server.mood = 'well'
    await pass(5000)
    expect(batch.get().save.kind).toBe('saved')
  })

  test('signed out: waits for the sign-in, then saves', async () => {
    const batch = at.open()
    batch.attach()
    at.server.mood = 'signed-out'
    batch.edit(mixC(31))
    await pass(20_000)
    expect(batch.get().save.kind).toBe('signed-out')
    at.server.mood = 'well'
    batch.retry()
    await pass(1000)
    expect(batch.get().save.kind).toBe('saved')
  })

  test('closing the batch sends what is unsaved', async () => {
    const batch = at.open()
    const detach = batch.attach()
    batch.edit(mixC(31))
    detach()
    await pass(100)
    expect(at.server.batch.plan.conditions.mixC).toBe(31)
  })

  test('what is edited while a farewell is under way is not taken for saved', async () => {
    const batch = at.open()
    batch.attach()
    batch.edit(mixC(31))
    batch.flush()
    batch.edit(mixC(36))
    await pass(5000)
    expect(at.server.batch.plan.conditions.mixC).toBe(36)
    expect(batch.get().save.kind).toBe('saved')
  })

  test('where the browser keeps nothing, leaving with unsaved edits is asked about', async () => {
    const set = vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError')
    })
    const batch = at.open()
    const detach = batch.attach()
    at.server.mood = 'away'
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
    expect(at.open().edit(mixC(31)).ok).toBe(true)
    get.mockRestore()
  })
})

test('advice that arrives for an older plan is left aside', async () => {
  const waiting: ((advice: Advice) => void)[] = []
  const batch = at.open(() => new Promise(done => waiting.push(done)))
  batch.attach()
  await pass(200)
  batch.edit(mixC(40))
  waiting[0]!({ sure: null, remedies: [{ id: 'old', sentence: '', before: 0, after: 1, edit: mixC(1) }] })
  await pass(200)
  expect(batch.get().remedies).toBeNull()
  waiting[1]!({ sure: null, remedies: [] })
  await pass(1)
  expect(batch.get().remedies).toEqual([])
})
