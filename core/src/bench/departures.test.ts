import { describe, expect, test } from 'vitest'
import { say } from '../quantities/words/index.ts'
import { benchLanes, benchOutlook, fold, followingOf, inCup, nextActions, saidAtSplit, saidBins } from './index.ts'
import { cupNow } from './state.ts'
import { followingExample, madeUntil, noted, untilHeld } from './test/runs.ts'

const LYE_IN = 2000
const milk = followingExample('weir-milk')
const [a] = milk.plan.cups.map(cup => cup.id) as [string, string]
const scented = madeUntil(milk, LYE_IN, step => step.kind === 'pour')
const last = scented.at(-1)!.r

describe('a cup that is weighed again', () => {
  const holds = inCup(cupNow(fold(milk, scented), a)!)

  test('with less in it: that much was spilt, and its pours take what is left', () => {
    const state = fold(milk, [...scented, noted('left', last + 5, { cup: a, amount: holds - 60 })])
    expect(cupNow(state, a)).toMatchObject({ spiltG: expect.closeTo(60, 6) as number })
    const before = nextActions(milk, fold(milk, scented))[0]!.massG!
    expect(nextActions(milk, state)[0]!.massG!).toBeCloseTo(before - 60, 6)
  })

  test('with more in it after its colour: the colour that it lacks is told, by the share that it has', () => {
    const state = fold(milk, [...scented, noted('left', last + 5, { cup: a, amount: holds * 1.1 })])
    expect(inCup(cupNow(state, a)!)).toBeCloseTo(holds * 1.1, 6)
    const { colours } = milk.portions.cups.find(one => one.cup === a)!
    const more = `${(colours[0]!.powderG * 0.1).toFixed(2)} g`
    expect(say(state.warnings.at(-1)!.sentence)).toContain(more)
  })
})

describe('a scent that was forgotten in the pot', () => {
  // The same plan, its scent in the pot.
  const following = followingOf({ ...milk.plan, scent: { ...milk.plan.scent!, moment: 'pot' } }, milk.shelf)

  test('goes into each cup afterwards, weighs what it weighs, and is asked for before the pour', () => {
    const held = untilHeld(following, LYE_IN)
    const cups = following.input.cups.filter(({ massG }) => massG > 0)
    let r = LYE_IN + 100
    const drawn = cups.flatMap(({ cup }) => {
      r += 10
      return [noted('waive', r, { how: `scent:${cup.id}` }), noted('drawn', r, { cup: cup.id })]
    })
    const state = fold(following, [...held, ...drawn])
    expect(state.splitAt).not.toBeNull()
    const task = cups.find(({ scent }) => scent?.moment === 'pot')!
    const open = following.steps.filter(step => step.kind === 'scent' && step.cup === task.cup.id)
    expect(open).toHaveLength(1)
    const after = fold(following, [...held, ...drawn, noted('scent', r + 20, { cup: task.cup.id })])
    const portion = following.portions.cups.find(one => one.cup === task.cup.id)!
    const [was, is] = [cupNow(state, task.cup.id)!, cupNow(after, task.cup.id)!]
    expect(is.scentedAt).toBe(r + 20)
    expect(inCup(is) - inCup(was)).toBeCloseTo(portion.scentG + portion.stabiliserG, 6)
    expect(inCup(is)).toBeCloseTo(portion.batterG + portion.scentG + portion.stabiliserG, 0)
    // Left without, the batter has more time than with it.
    const likely = (events: Parameters<typeof fold>[1]) =>
      benchOutlook(following, fold(following, events), r + 60).cups.find(one => one.cup === task.cup.id)!.likely
    expect(likely([...held, ...drawn])).toBeGreaterThanOrEqual(
      likely([...held, ...drawn, noted('scent', r + 20, { cup: task.cup.id })]),
    )
  })
})

test('lanes go on from what was into what may be, a band that widens', () => {
  const events = [...scented, noted('seen', last + 10, { cup: a, how: 'drip', amount: 2.4 })]
  const lane = benchLanes(milk, fold(milk, events), last + 30).find(one => one.cup === a)!
  const s = lane.past.map(one => one.s)
  expect([...s].sort((x, y) => x - y)).toEqual(s)
  expect(lane.ahead[0]!.s).toBe(s.at(-1))
  expect(lane.seen).toMatchObject([{ s: last + 10 - LYE_IN, value: 2.4 }])
  for (const one of lane.ahead) expect(one.low <= one.likely && one.likely <= one.high).toBe(true)
  const width = (n: number) => lane.ahead[n]!.high - lane.ahead[n]!.low
  expect(width(5)).toBeGreaterThan(width(0))
})

test('what was said as the batter was divided is held against what came of it', () => {
  const said = saidAtSplit(milk, scented)!
  expect(said).toBeGreaterThan(0.5)
  expect(saidAtSplit(milk, scented.slice(0, 3))).toBeNull()
  // What came later changes nothing of what was said.
  expect(saidAtSplit(milk, [...scented, noted('seen', last + 10, { cup: a, how: 'drip', amount: 4.5 })])).toBe(said)
  const runs = [0.91, 0.95, 1, 0.42].map((one, i) => ({ said: one, cameTrue: i !== 1 }))
  expect(saidBins(runs)).toEqual([
    { said: 0.42, cameTrue: 1, runs: 1 },
    { said: expect.closeTo((0.91 + 0.95 + 1) / 3, 6) as number, cameTrue: expect.closeTo(2 / 3, 6) as number, runs: 3 },
  ])
})

test('a cup whose vessel broke is not poured, unless what is left of it was weighed elsewhere', () => {
  const cup = milk.input.cups[milk.input.pours[0]!.cup]!.cup.id
  const broke = [...scented, noted('wrong', LYE_IN + 900, { how: 'broke-vessel', cup })]
  const stepsOpen = (events: typeof broke) => {
    const state = fold(milk, events)
    return nextActions(milk, state, 50).map(action => action.step!)
  }
  expect(stepsOpen(broke).some(step => step.kind === 'pour' && step.cup === cup)).toBe(false)
  const saved = [...broke, noted('left', LYE_IN + 960, { cup, amount: 200 })]
  expect(stepsOpen(saved).some(step => step.kind === 'pour' && step.cup === cup)).toBe(true)
})
