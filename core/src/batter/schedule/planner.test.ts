import type { ScentMoment } from '../../recipe/index.ts'
import { describe, expect, test } from 'vitest'
import { plainCup, starterPlan } from '../../plan/index.ts'
import type { CupOrder } from '../../plan/index.ts'
import { portionsOf } from '../../portions/index.ts'
import { findById, referenceShelf } from '../../shelf/index.ts'
import type { AccelerationClass } from '../../shelf/index.ts'
import {
  PLAIN_LOAD,
  SCENT_PRIORS,
  blenderPower,
  freshBatter,
  handling,
  levelOf,
  recipePace,
  stepBatter,
} from '../trace/index.ts'
import { modelShelf } from '../trace/test/model-shelf.ts'
import { runInputOf } from './input-of-plan.ts'
import type { RunInput } from './run-input.ts'
import { monteCarlo } from './monte-carlo.ts'

const oils = Object.entries({ coconut: 0.25, palm: 0.15, olive: 0.4, 'sunflower-high-oleic': 0.15, castor: 0.05 })
const paceAt = (lyeConcentrationShare: number) =>
  recipePace({
    oils: oils.map(([id, share]) => ({ oil: findById(modelShelf().oils, id)!, share, late: false })),
    superfatShare: 0.05,
    lyeConcentrationShare,
  })

const start = starterPlan('Planner')
const any = runInputOf(start, portionsOf(start, referenceShelf()), referenceShelf())

interface Settings {
  mixC: number
  w: number
  stop: number
  moment?: ScentMoment
  order?: CupOrder
}

/** Portions of 250 g, each coloured, scented and poured once, with windows from 1.6 to 2.8 and nothing to carry. */
function problem(classes: readonly AccelerationClass[], { mixC, w, stop, moment, order }: Settings): RunInput {
  const cups = classes.map((acceleration, i): RunInput['cups'][number] => ({
    cup: plainCup(`cup-${i + 1}`, `Cup ${i + 1}`),
    ...{ massG: 250, colourS: 45, lnRate: 0, lnViscosity: 0, lnSwell: 0, pace: paceAt(w) },
    ...{ batch: '', stop: null, draw: null },
    scent:
      acceleration === 'none'
        ? null
        : {
            moment: moment ?? 'last',
            lnRate: SCENT_PRIORS[acceleration].mean,
            sd: SCENT_PRIORS[acceleration].sd,
            how: 'hand' as const,
            ricing: 0,
            group: i,
          },
  }))
  return {
    ...any,
    ...{
      pace: paceAt(w),
      potKg: 1.5,
      mixC,
      roomC: 21,
      stopLevel: stop,
      stopWhen: 'level-holds' as const,
      blenderStrength: 1,
    },
    colourEach: order !== 'first',
    scentSd: Math.max(...cups.map(cup => cup.scent?.sd ?? 0)),
    cups,
    pours: cups.map((cup, i) => ({
      ...any.pours[0]!,
      ...{ pour: `pour-${i + 1}`, cup: i, massG: cup.massG, seconds: 40, window: { lo: 1.6, hi: 2.8 } },
      ...{ waitS: 0, isCarried: false, depth: null, below: [], belowMm: 0, tools: [] },
    })),
  }
}

test('the ladder of a pot: seconds of blending, conversion, emulsion and warmth at each level', () => {
  const pace = paceAt(0.29)
  const stick = handling('stick', blenderPower(1.5, 1))
  const rungs = [
    [1.2, 14, 0.00229, 0.7229, 30.06],
    [1.6, 30, 0.009, 0.9361, 30.37],
    [2, 48, 0.02764, 0.9877, 31.24],
    [2.4, 61, 0.05198, 0.9963, 32.38],
  ] as const
  for (const [level, seconds, converted, emulsion, c] of rungs) {
    let batter = freshBatter(pace, 30)
    let s = 0
    while (levelOf({ ...batter, structure: 0 }, pace, PLAIN_LOAD) < level) {
      batter = stepBatter(batter, pace, PLAIN_LOAD, stick, 1)
      s += 1
    }
    expect(Math.abs(s - seconds)).toBeLessThanOrEqual(1)
    expect(Math.abs(batter.converted / converted - 1)).toBeLessThan(0.06)
    expect(Math.abs(batter.emulsion - emulsion)).toBeLessThan(0.02)
    expect(Math.abs(batter.temperatureC - c)).toBeLessThan(0.35)
  }
})

describe('six portions, two of them lively', () => {
  const classes = ['none', 'mild', 'mild', 'moderate', 'strong', 'none'] as const
  const chance = (settings: Settings) => monteCarlo(problem(classes, settings), 400).chance

  test('settings matter more than order: hopeless warm and far blended, likely cool and at emulsion', () => {
    const hopeless = chance({ mixC: 38, w: 0.3, stop: 2 })
    const usual = chance({ mixC: 30, w: 0.29, stop: 1.6 })
    const good = chance({ mixC: 27, w: 0.27, stop: 1.2 })
    expect(hopeless).toBeLessThan(0.05)
    expect(usual).toBeLessThan(0.45)
    expect(Math.abs(good - 0.83)).toBeLessThan(0.08)
  })

  test('with one pair of hands, cup by cup is better than all colours and scents first', () => {
    const settings = { mixC: 30, w: 0.29, stop: 1.6 }
    const early = chance({ ...settings, moment: 'with-colour', order: 'first' })
    expect(chance({ ...settings, moment: 'last', order: 'each' })).toBeGreaterThanOrEqual(early - 0.02)
  })
})

test('four portions, mild and moderate: likely as usual, more so cool and early, where only the split is left to fail', () => {
  const input = (settings: Settings) => problem(['none', 'mild', 'moderate', 'mild'], settings)
  const usual = monteCarlo(input({ mixC: 30, w: 0.29, stop: 1.6 }), 400)
  const cool = monteCarlo(input({ mixC: 26, w: 0.27, stop: 1.2 }), 400)
  expect(usual.chance).toBeGreaterThan(0.6)
  expect(cool.chance).toBeGreaterThan(usual.chance)
  expect(cool.split).toBeGreaterThan(usual.split)
  expect(cool.pours.every(pour => (pour.thick ?? 0) < 0.02)).toBe(true)
})
