import { followingOf, readPlanText, referenceShelf, undone } from '@ostler/core'
import type { BenchEvent, RehearsalSetting, SurpriseKey } from '@ostler/core'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import text from '../../../examples/seven-fathoms.json?raw'
import { RehearsalRun } from './rehearsal-run.ts'

vi.mock('../api/client.ts', () => ({
  ApiError: class extends Error {},
  saveRehearsal: () => Promise.resolve({ revision: 2 }),
}))

const read = readPlanText(text)
if (!read.ok) throw new Error('seven-fathoms')
const { plan } = read
const shelf = referenceShelf()
const following = followingOf(plan, shelf)
const used = following.input.cups.flatMap((task, i) => (task.massG > 0 ? [{ id: task.cup.id, i }] : []))

beforeEach(() => {
  vi.useFakeTimers({ now: new Date('2026-11-30T10:00:00Z') })
})
afterEach(() => {
  vi.useRealTimers()
})

function opened(setting: Partial<RehearsalSetting>): RehearsalRun {
  const run = new RehearsalRun({
    ...{ id: 'r', batch: 'b', lesson: '', openedAt: new Date().toISOString(), person: '', isShared: false },
    ...{ setting: { seed: 5, level: 'none', begins: 'lye', ...setting }, plan, shelf, revision: 1, done: undone() },
  })
  run.attach()
  run.setSpeed(1)
  return run
}
const withOnly = (key: SurpriseKey, at?: NonNullable<RehearsalSetting['surprises']>[number]['at']) =>
  opened({ surprises: [{ key, size: 0.5, ...(at && { at }) }] })

const passes = (seconds: number) => vi.advanceTimersByTimeAsync(1000 * seconds)
const noteAll = (run: RehearsalRun, ...list: (Pick<BenchEvent, 'kind'> & Partial<BenchEvent>)[]) =>
  list.forEach(about => run.note(about))
const step = (run: RehearsalRun) => run.get().next[0]!.step!
const cupOf = (run: RehearsalRun, id: string) => run.get().state.cups.find(cup => cup.cup === id)!

/** Blended and held: cups are filled next. */
async function held(run: RehearsalRun): Promise<void> {
  await passes(6)
  noteAll(run, { kind: 'lye-in' }, { kind: 'blend-on' })
  await passes(40)
  noteAll(run, { kind: 'blend-off' })
  await passes(16)
  noteAll(run, { kind: 'hold', how: 'holds', amount: 15 })
}
async function filled(run: RehearsalRun, count = used.length): Promise<void> {
  for (const { id, i } of used.slice(0, count)) {
    await passes(8)
    noteAll(run, { kind: 'drawn', cup: id, amount: following.fills[i]!.drawG })
  }
}
/** Holds the key until so much has really run. */
async function pours(run: RehearsalRun, g: number): Promise<void> {
  run.press(step(run))
  while (run.ranG() < g) await passes(0.1)
  await passes(1)
  run.release()
}

describe('the scale under a cup', () => {
  test('that went dark counts from nothing when it wakes, with what stood there before or without', async () => {
    for (const isCounted of [true, false]) {
      const run = withOnly('scale-off', { after: 'filling', s: 1 })
      await held(run)
      await filled(run, 1)
      await passes(3)
      const asked = step(run).massG!
      await pours(run, 0.7 * asked)
      expect(run.measuring.weighs()).toMatchObject({ g: null, state: 'off' })
      const before = run.measuring.weighs()!.beforeG!
      expect(before / asked).toBeCloseTo(0.55, 1)
      run.seesTo(scale => scale.wake())
      const really = run.ranG()
      run.seesTo(scale => scale.count(isCounted))
      run.finish(step(run))
      const noted = cupOf(run, used[1]!.id).drawnG ?? 0
      if (isCounted) expect(noted).toBeCloseTo(before, 0)
      else expect(noted).toBeLessThan(0.05 * asked)
      expect(run.done.really?.at(-1)?.amount).toBeCloseTo(really, 0)
      // What is in the pot goes by what was really filled.
      const first = following.fills[used[0]!.i]!.drawG
      expect(run.world().potLeftG).toBeLessThan(1000 * following.input.potKg - first - really + 1)
    }
  })

  test('that is over shows no number until it is weighed in two parts; a guess is noted as what was asked for', async () => {
    const run = withOnly('scale-over', { after: 'filling', s: 1 })
    await held(run)
    await filled(run, 1)
    await passes(3)
    const asked = step(run).massG!
    await pours(run, 0.9 * asked)
    expect(run.measuring.weighs()).toMatchObject({ g: null, state: 'over' })
    run.weighsInParts()
    await passes(21)
    expect(run.measuring.weighs()!.g).toBeCloseTo(run.ranG(), 1)
    run.finish(step(run))
    expect(run.done.really ?? []).toEqual([])
    const other = withOnly('scale-over', { after: 'filling', s: 1 })
    await held(other)
    await filled(other, 1)
    await passes(3)
    await pours(other, 0.9 * asked)
    other.finish(step(other))
    expect(cupOf(other, used[1]!.id).drawnG).toBeCloseTo(asked, 0)
    expect(other.done.really).toHaveLength(1)
  })

  test('heard wrongly is typed in first; answered rightly nothing is left of it', async () => {
    const run = withOnly('typed-wrong')
    await held(run)
    await filled(run, 1)
    await passes(3)
    await pours(run, step(run).massG!)
    const { heard } = run.getMore()
    expect(heard).not.toBeNull()
    expect(cupOf(run, used[1]!.id).drawnG).toBeNull()
    // Hands wait for it.
    run.press(step(run))
    expect(run.getMore().held).toBeNull()
    run.reads('heard')
    run.note({ ...heard!.about, amount: Math.round(following.fills[used[1]!.i]!.drawG) })
    expect((run.done.really ?? []).every(one => Math.abs(one.amount - heard!.about.amount!) > 1)).toBe(true)
    expect(run.getMore().heard).toBeNull()
  })
})

test('a probe lags: let go too early it is read when it is taken as it is, at rest by itself', async () => {
  const run = opened({ begins: 'safety' })
  const probe = following.steps.find(one => one.kind === 'temp' && one.item === 'oils')!
  const warmth = run.world().oilsC
  run.press(probe)
  await passes(4)
  run.release()
  expect(run.get().state.temps.oils).toEqual([])
  expect(run.measuring.probed()!.value).toBeLessThan(warmth - 1)
  run.press(probe)
  await passes(40)
  expect(run.measuring.probed()!.isStable).toBe(true)
  run.release()
  expect(Math.abs(run.get().state.temps.oils.at(-1)!.value - warmth)).toBeLessThan(0.5)
  expect(run.measuring.probed()).toBeNull()
})

describe('what comes in between', () => {
  test('a scent that the list keeps back comes up when the bench asks for it', async () => {
    const run = withOnly('forgot-scent')
    await held(run)
    await filled(run)
    await passes(3)
    for (const { id } of used) noteAll(run, { kind: 'colour', cup: id })
    const kinds = () => run.get().next.map(one => one.step?.kind)
    await passes(1)
    expect(kinds()[0]).toBe('pour')
    expect(run.verdict({ kind: 'pour-start', pour: step(run).pour! }).kind).toBe('refused')
    expect(kinds()[0]).toBe('scent')
  })

  test('exchanged labels are put right by looking, and looking at a right one says so', async () => {
    const run = withOnly('labels-swapped', { after: 'coloured', s: 2 })
    await held(run)
    await filled(run)
    for (const { id } of used) noteAll(run, { kind: 'colour', cup: id })
    await passes(4)
    const [one] = run.world().swapped!
    const calm = used.find(({ id }) => !run.world().swapped!.includes(id))!.id
    run.looksAtLabel(calm)
    await passes(6)
    expect(run.getMore().said).toContain('agree')
    run.looksAtLabel(one)
    await passes(6)
    expect(run.getMore().said).toContain('exchanged')
    expect(run.world().swapped).toBeNull()
  })

  test('a question waits for its answer, with the clock; it is asked once', async () => {
    const at = { after: 'filling', s: 2 } as const
    const run = opened({ questions: [{ at, ask: 'Which is next?', answers: ['Ink', 'Foam'], right: 1 }] })
    await held(run)
    await filled(run, 1)
    await passes(4)
    expect(run.getMore()).toMatchObject({ isPaused: true, asked: { answer: null } })
    run.pause(false)
    run.setSpeed(30)
    const asked = run.nowS()
    await passes(5)
    expect(run.nowS()).toBe(asked)
    run.answer('Ink')
    run.answer('Foam')
    expect(run.getMore().asked).toMatchObject({ answer: 'Ink' })
    run.reads('asked')
    await passes(2)
    expect(run.getMore()).toMatchObject({ isPaused: false, asked: null })
    expect(run.done.events.filter(event => event.kind === 'note')).toHaveLength(1)
  })

  test('what is told in words of a script is said in them, and while the bench asks the clock runs as in life', async () => {
    const surprises = [{ key: 'leak', size: 0, at: { after: 'filling', s: 1 }, tell: 'Look under the mould.' } as const]
    const run = opened({ surprises, locks: { speed: 4 } })
    await held(run)
    run.setSpeed(10)
    expect(run.getMore().speed).toBe(1)
    run.setSpeed(4)
    run.slows(true)
    const from = run.nowS()
    await passes(2)
    expect(run.nowS() - from).toBeCloseTo(2, 0)
    run.slows(false)
    await filled(run, 1)
    await passes(1)
    expect(run.getMore().told?.text).toBe('Look under the mould.')
  })
})
