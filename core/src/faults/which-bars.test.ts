import { describe, expect, test } from 'vitest'
import { forecast } from '../forecast/index.ts'
import { plainCup, plannedMould, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { toldAtBench } from './at-bench.ts'
import { reckon } from './diagnose.ts'
import { ORDINARY } from './facts.ts'
import type { Facts } from './facts.ts'
import { factsToAsk } from './questions.ts'
import type { Told } from './told.ts'
import { verdictOf } from './verdict.ts'
import { whichBars } from './which-bars.ts'

const shelf = referenceShelf()
const loaf = starterPlan('Loaf')
const count = 10

/** Two colours, the first in the first four cavities of eight, the second in the others. */
const tray: Plan = {
  ...loaf,
  mould: plannedMould(shelf.moulds.find(one => one.cavities === 8)!),
  cups: ['a', 'b'].map(id => plainCup(id, id)),
  score: ['a', 'b'].map((cup, i) => ({
    ...loaf.score[0]!,
    ...{ id: `pour-${cup}`, cup, share: 0.5, cavities: [1, 2, 3, 4].map(k => k + 4 * i) },
  })),
  ...{ moves: [], seen: [] },
}

/** Weights written down, an emulsion that held: nothing but what was seen. */
const SOUND: Facts = { ...ORDINARY, weighedShare: 1, sfWeighed: 0.05, emulsionHeld: true, days: 20 }

function barsOf(plan: Plan, told: readonly Told[], facts = SOUND) {
  const made = forecast(plan, shelf)
  if (!made.ok) throw new Error(plan.name)
  const verdict = verdictOf(reckon(facts, told))
  const found = whichBars(verdict, { plan, forecast: made.forecast, noted: null, facts, told, count })
  const of = (is: string) => found.bars.filter(one => one.class === is).map(one => one.bar)
  return { verdict, of, first: found.bars.filter(one => one.isFirst).map(one => one.bar), ...found }
}

describe('which bars', () => {
  test('spots on two bars hold those two; many spots have them discarded and the others looked at again', () => {
    const some = barsOf(loaf, [{ sign: 'r-orange', grade: 1, bars: ['3', '4'] }])
    expect([some.verdict.class, some.of('hold'), some.of('fit').length]).toEqual(['hold', [3, 4], 8])
    const much = barsOf(loaf, [{ sign: 'r-orange', grade: 2, bars: ['3', '4'] }])
    expect([much.verdict.class, much.of('discard'), much.of('hold').length]).toEqual(['discard', [3, 4], 8])
  })

  test('not said where, it is all of them; so is what may hold lye, wherever it was seen', () => {
    expect(barsOf(loaf, [{ sign: 'r-orange', grade: 1 }]).isAll).toBe(true)
    const lye = barsOf(loaf, [{ sign: 'k-crumble', grade: 2, bars: ['7'] }])
    expect([lye.verdict.class, lye.isAll, lye.first]).toEqual(['test', true, [7]])
    const faint = barsOf(loaf, [
      { sign: 'k-crumble', grade: 1, bars: ['7'] },
      { sign: 'u-soft', grade: 1, bars: ['7'] },
    ])
    expect([faint.verdict.class, faint.isAll]).toEqual(['hold', true])
  })

  test('a cup is the cavities that it was poured into; in a loaf every bar has it', () => {
    const told: Told[] = [{ sign: 'u-soft', grade: 1, cups: ['b'] }]
    expect(barsOf(tray, told).of('hold')).toEqual([5, 6, 7, 8])
    expect(barsOf({ ...loaf }, [{ ...told[0]!, cups: [loaf.cups[0]!.id] }]).isAll).toBe(true)
  })

  test('where the emulsion broke, bars of the cup that was drawn first are tested first', () => {
    const broken = barsOf(tray, [], { ...SOUND, emulsionHeld: false, emulsion: 0.3, sf: 0.008, sfLow: 0 })
    expect(broken.verdict.rules).toContain('T8')
    expect([broken.isAll, broken.suspects, broken.first]).toEqual([true, ['a'], [1, 2, 3, 4]])
  })

  test('of a loaf that may hold lye the ends and the middle are tested first', () => {
    expect(barsOf(loaf, [{ sign: 'k-wetpocket', grade: 1 }]).first).toEqual([1, 6, 10])
  })
})

describe('trouble at the bench', () => {
  test('is a sign; the maker’s own word on it goes before', () => {
    const told = toldAtBench([{ how: 'split', cup: null }, { how: 'no-tool' }])
    expect(told).toEqual([{ sign: 'p-breaks', grade: 1 }])
    expect(verdictOf(reckon(SOUND, told)).rules).toContain('T9')
    expect(verdictOf(reckon(SOUND, [...told, { sign: 'p-breaks', grade: 0 }])).rules).not.toContain('T9')
  })

  test('what takes a rule away that holds is asked first', () => {
    const reckoned = reckon(SOUND, toldAtBench([{ how: 'false-trace' }]))
    const { all } = verdictOf(reckoned)
    expect(factsToAsk(reckoned, all, new Set())[0]).toBe('rewarmed')
    expect(factsToAsk(reckoned, all, new Set(['rewarmed']))).not.toContain('rewarmed')
    expect(verdictOf(reckon({ ...SOUND, rewarmed: true }, toldAtBench([{ how: 'false-trace' }]))).all).not.toContain(
      'T9',
    )
  })
})
