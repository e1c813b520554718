import { differingParts, planChanges, referenceShelf, say } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { describe, expect, test, vi } from 'vitest'
import { draftToTakeUp } from '../draft.ts'
import { OpenBatch } from '../open-batch.ts'
import { WINDOW } from '../windows.ts'
import { mixC, named, noAdvice, pass, plan, served } from './served.ts'

const at = served()

describe('two windows', () => {
  const theirs: Plan = { ...named('Theirs'), conditions: { ...plan.conditions, mixC: 44 } }
  const conflict = async () => {
    const batch = at.open()
    batch.attach()
    at.server.changeElsewhere(theirs)
    batch.edit(mixC(31))
    batch.edit({ kind: 'set', path: ['notes'], value: 'Mine.' })
    await pass(700)
    expect(batch.get().save).toMatchObject({ kind: 'conflict', parts: [{ fact: 'temperatures, blending and scales' }] })
    return batch
  }

  test('that change different parts never meet a question: each gets what the other did', async () => {
    const batch = at.open()
    batch.attach()
    at.server.changeElsewhere(named('Theirs'))
    batch.edit(mixC(31))
    await pass(700)
    expect(batch.get().save.kind).toBe('saved')
    expect(at.server.batch.plan).toMatchObject({ name: 'Theirs', conditions: { mixC: 31 } })
    expect(batch.get().plan).toMatchObject({ name: 'Theirs', conditions: { mixC: 31 } })
    // Taking back takes back what was done here, and nothing of theirs.
    batch.undo()
    await pass(1000)
    expect(at.server.batch.plan).toMatchObject({ name: 'Theirs', conditions: { mixC: 30 } })
  })

  test('what is typed while theirs arrives is kept beside it, or asked about where it meets', async () => {
    const batch = at.open()
    batch.attach()
    at.server.changeElsewhere(named('Theirs'))
    batch.edit(mixC(31))
    vi.advanceTimersByTime(500)
    batch.edit({ kind: 'set', path: ['notes'], value: 'Typed on.' })
    await pass(1500)
    expect(at.server.batch.plan).toMatchObject({ name: 'Theirs', notes: 'Typed on.', conditions: { mixC: 31 } })
    at.server.changeElsewhere({ ...at.server.batch.plan, name: 'Again' })
    batch.edit(mixC(32))
    vi.advanceTimersByTime(500)
    batch.edit({ kind: 'set', path: ['name'], value: 'Mine' })
    await pass(300)
    expect(batch.get().save).toMatchObject({ kind: 'conflict', parts: [{ fact: 'name' }] })
    expect(batch.get().plan.name).toBe('Mine')
  })

  test('nothing is overwritten while the question stands, and edits are kept', async () => {
    const batch = await conflict()
    batch.edit(mixC(36))
    await pass(20_000)
    expect(at.server.batch.plan).toEqual(theirs)
    expect(localStorage.length).toBe(1)
  })

  test('every part has words for the question', () => {
    const other: Plan = { ...plan, hands: { ...plan.hands, people: 2 }, blendedS: 40, isTrial: true }
    expect(differingParts(plan, other).map(part => say(part))).toEqual([
      'trial or not',
      'hands and their order',
      'seconds of blending',
    ])
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
    expect(at.server.batch.plan).toMatchObject({ name: 'Theirs', notes: 'Mine.', conditions: { mixC: 31 } })
  })

  test('theirs; mine stays one undo away and can still be saved', async () => {
    const batch = await conflict()
    batch.takeTheirs()
    expect(batch.get().plan).toMatchObject({ name: 'Theirs', notes: '', conditions: { mixC: 44 } })
    expect(localStorage.length).toBe(0)
    batch.undo()
    await pass(1000)
    expect(at.server.batch.plan).toMatchObject({ notes: 'Mine.', conditions: { mixC: 31 } })
  })
})

describe('drafts', () => {
  const leaveUnsaved = async () => {
    const batch = at.open()
    batch.attach()
    at.server.mood = 'away'
    batch.edit(mixC(31))
    await pass(700)
  }

  test('what was not saved is there again after a reload, and is saved', async () => {
    await leaveUnsaved()
    at.server.mood = 'well'
    const again = at.open()
    again.attach()
    expect(again.get().plan.conditions.mixC).toBe(31)
    expect(again.get().canUndo).toBe(true)
    await pass(1000)
    expect(at.server.batch.plan.conditions.mixC).toBe(31)
  })

  test('if others saved other parts meanwhile the reload brings both together', async () => {
    await leaveUnsaved()
    at.server.mood = 'well'
    at.server.changeElsewhere(named('Theirs'))
    at.open().attach()
    await pass(5000)
    expect(at.server.batch.plan).toMatchObject({ name: 'Theirs', conditions: { mixC: 31 } })
  })

  test('if they saved the same part the reload asks, and shows what was typed', async () => {
    await leaveUnsaved()
    at.server.mood = 'well'
    at.server.changeElsewhere({ ...plan, conditions: { ...plan.conditions, mixC: 44 } })
    const again = at.open()
    again.attach()
    await pass(5000)
    expect(again.get().save.kind).toBe('conflict')
    expect(again.get().plan.conditions.mixC).toBe(31)
    expect(at.server.batch.plan.conditions.mixC).toBe(44)
  })

  test('a draft of an older Ostler, a whole plan, is taken up; where others saved meanwhile it asks', () => {
    const old = JSON.stringify({ revision: 1, plan: named('Typed before'), at: 1 })
    localStorage.setItem(`ostler.draft.batch-1.${WINDOW}`, old)
    expect(at.open().get()).toMatchObject({ plan: { name: 'Typed before' }, save: { kind: 'saving' } })
    localStorage.setItem(`ostler.draft.batch-1.${WINDOW}`, old)
    at.server.changeElsewhere(named('Theirs'))
    expect(at.open().get().save).toMatchObject({ kind: 'conflict', parts: [{ fact: 'name' }] })
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
    const batch = new OpenBatch(at.server.batch, referenceShelf(), noAdvice, draft)
    batch.attach()
    expect(batch.get().plan.name).toBe('Gone')
    await pass(1000)
    expect(at.server.batch.plan.name).toBe('Gone')
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
    expect(at.open().get().plan).toEqual(plan)
  })
})
