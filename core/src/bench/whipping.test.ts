import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { chanceOf } from '../batter/schedule/index.ts'
import { plainOil, readPlanText } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { say } from '../quantities/words/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { benchOutlook } from './bench-outlook.ts'
import type { BenchEvent } from './event.ts'
import { fold } from './fold.ts'
import { followingOf } from './following.ts'
import { verdictOn } from './gates.ts'
import { withRun } from './into-plan.ts'
import { eventOf, nextActions } from './next.ts'
import { recordOf } from './record.ts'
import { SAFETY_TICKS, safetyKey } from './safety.ts'
import { settle } from './settle.ts'
import { noted } from './test/runs.ts'

const WHIPPED = { airShare: 0.4, lyeC: 15, fatsC: 20, creamMin: 7, trickleMin: 4 }
const HARD = [plainOil('coconut', 0.45), plainOil('palm', 0.35), plainOil('olive', 0.2)]

function whippedPlan(): Plan {
  const read = readPlanText(readFileSync(new URL('../../../examples/otter-slide.json', import.meta.url), 'utf8'))
  if (!read.ok) throw new Error('otter-slide')
  const { plan } = read
  const score = plan.score.map(pour => ({ ...pour, window: null, shape: { ...pour.shape, way: 'spoon' as const } }))
  return { ...plan, score, planB: null, moves: [], whipped: WHIPPED, recipe: { ...plan.recipe, oils: HARD } }
}

const following = followingOf(whippedPlan(), referenceShelf())
const bigOf = (events: readonly BenchEvent[]) => say(nextActions(following, fold(following, events))[0]!.big)
const keyOf = (events: readonly BenchEvent[]) => nextActions(following, fold(following, events))[0]!.step?.key

/** Everything up to fats that are read, weighed and ready to be creamed. */
const weighed: BenchEvent[] = [
  ...SAFETY_TICKS.map(item => noted('tick', 0, { item: safetyKey(item) })),
  ...following.steps.filter(step => step.kind === 'ready').map(step => noted('tick', 10, { item: step.key })),
  noted('lye-mixed', 20),
  noted('lye-clear', 90, { how: 'yes' }),
  ...following.lines.map(line => noted('weighed', 100, { item: line.key, amount: line.massG })),
  noted('temp', 110, { body: 'oils', amount: 20 }),
]
const LYE_IN = 3600
const creamed = [
  ...weighed,
  noted('tick', LYE_IN - 600, { item: 'whip:creaming' }),
  noted('tick', LYE_IN - 180, { item: 'whip:cream' }),
]
const chilled = [...creamed, noted('temp', LYE_IN - 20, { body: 'lye', amount: 15 })]
const whippedUp = [
  ...chilled,
  noted('lye-in', LYE_IN),
  noted('tick', LYE_IN + 240, { item: 'whip:trickle' }),
  noted('blend-on', LYE_IN + 250),
  noted('blend-off', LYE_IN + 430),
]

describe('a whipped batch at the bench', () => {
  test('its fats are creamed, not melted, before cold lye is trickled in and it is whipped until it stands', () => {
    const order = following.steps
      .map(step => step.key)
      .filter(key => !/^(safety|weigh|draw|colour|scent|pour)/.test(key))
    expect(order).toEqual([
      ...['ready:gather', 'ready:level', 'ready:bags', 'lye-mix', 'lye-clear', 'temp:oils', 'whip:cream'],
      ...['temp:lye', 'lye-in', 'whip:trickle', 'blend', 'hold', 'finish:cover', 'finish:clean', 'close'],
    ])
  })

  test('says one deed after another', () => {
    expect(bigOf(weighed)).toBe('Cream the fats')
    expect(bigOf(creamed.slice(0, -1))).toBe('Creaming')
    // Lye that was read while it was hot says nothing of now.
    expect(keyOf([noted('temp', 95, { body: 'lye', amount: 71 }), ...creamed])).toBe('temp:lye')
    expect(keyOf(chilled)).toBe('lye-in')
    expect(bigOf(whippedUp.slice(0, -3))).toBe('Lye goes in')
    expect(bigOf(whippedUp.slice(0, -1))).toBe('Whipping')
    expect(bigOf(whippedUp)).toBe('Does it stand?')
  })

  test('creaming is begun and ended with one key', () => {
    const { step } = nextActions(following, fold(following, weighed))[0]!
    expect(eventOf(step!, fold(following, weighed))).toMatchObject({ kind: 'tick', item: 'whip:creaming' })
    expect(eventOf(step!, fold(following, creamed.slice(0, -1)))).toMatchObject({ item: 'whip:cream' })
  })

  test('lye does not meet fats that were not creamed, nor so warm that they melt', () => {
    const verdict = (events: readonly BenchEvent[]) => {
      const about = settle([noted('lye-in', LYE_IN)])[0]!
      return verdictOn(following, fold(following, events), about)
    }
    expect(verdict(chilled)).toEqual({ kind: 'free' })
    expect(verdict([...weighed, noted('temp', LYE_IN - 20, { body: 'lye', amount: 15 })])).toMatchObject({
      ...{ kind: 'refused', waiver: 'whip:cream' },
    })
    expect(verdict([...creamed, noted('temp', LYE_IN - 20, { body: 'lye', amount: 55 })])).toMatchObject({
      ...{ kind: 'refused', waiver: 'warm-lye' },
    })
  })

  test('too soft it is chilled and whipped on, too stiff it is warmed, and its maker may take it so', () => {
    const seen = (amount: number) => [...whippedUp, noted('seen', LYE_IN + 450, { amount, how: 'word' })]
    expect(bigOf(seen(3.15))).toBe('Chill it, then whip on')
    expect(bigOf(seen(5))).toBe('Too stiff: warm it a little')
    expect(bigOf(seen(4.3))).toBe('Does it stand?')
    for (const amount of [3.15, 5])
      expect(keyOf([...seen(amount), noted('hold', LYE_IN + 460, { how: 'not-sure' })])).toMatch(/^draw:/)
    const again = [...seen(3.15), noted('blend-on', LYE_IN + 1100), noted('blend-off', LYE_IN + 1200)]
    expect(bigOf(again)).toBe('Does it stand?')
  })

  test('cups have minutes left and a chance; a softer bowl gives softer cups; warmer lye as well', () => {
    const filled = (amount: number, events: readonly BenchEvent[] = whippedUp) => [
      ...events,
      noted('seen', LYE_IN + 450, { amount, how: 'word' }),
      noted('hold', LYE_IN + 451, { how: 'holds' }),
      ...following.input.cups.flatMap(({ cup, massG }, i) =>
        massG > 0 ? [noted('drawn', LYE_IN + 470 + i, { cup: cup.id, amount: following.fills[i]!.drawG })] : [],
      ),
    ]
    const at = (events: readonly BenchEvent[]) =>
      benchOutlook(following, fold(following, events), LYE_IN + 500).cups.map(cup => cup.level)
    const [soft, firm] = [at(filled(3.65)), at(filled(4.75))]
    expect(soft.length).toBeGreaterThan(0)
    soft.forEach((level, i) => {
      expect(level).toBeLessThan(firm[i]!)
      expect(level).toBeGreaterThan(3)
      expect(firm[i]!).toBeLessThan(5)
    })
    const warm = whippedUp.map(event => (event.body === 'lye' ? { ...event, amount: 24 } : event))
    at(filled(4.3, warm)).forEach((level, i) => expect(level).toBeLessThan(at(filled(4.3))[i]!))
    const outlook = benchOutlook(following, fold(following, filled(4.3)), LYE_IN + 500)
    // As it was planned, it is as likely as it was planned.
    expect(Math.abs(outlook.ways[0]!.chance.whole - chanceOf(following.input))).toBeLessThan(0.15)
    expect(outlook.cups.every(cup => cup.low >= 0 && cup.low <= cup.likely && cup.likely <= cup.high)).toBe(true)
  })

  test('what it took is kept with the run and teaches nothing of blended batters', () => {
    const state = fold(following, whippedUp)
    const { blend, temperatures } = recordOf(following, state, settle(whippedUp))
    expect(blend).toEqual({ plannedS: 660, realS: 420 + 240 + 180 })
    expect(temperatures.map(one => [one.plannedC, one.readC])).toEqual([
      [15, 15],
      [20, 20],
    ])
    expect(withRun(following.plan, state, () => '2026-11-30T10:00')).toEqual(following.plan)
  })
})
