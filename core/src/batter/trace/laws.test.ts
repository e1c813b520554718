import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { oilsByShare } from '../../recipe/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import {
  PLAIN_LOAD,
  blendedLevel,
  cupCoolingS,
  freshBatter,
  isFalseTrace,
  levelOf,
  movingLevel,
  split,
  stepBatter,
} from './batter.ts'
import type { Batter } from './batter.ts'
import { handling } from './handling.ts'
import type { HandlingMode } from './handling.ts'
import { colorantEffect, powderEffect } from './colorant-effect.ts'
import { rateConstant, reactionClock } from './kinetics.ts'
import { levelThatCarries, streamSpeed } from './pour-physics.ts'
import { recipePace } from './recipe-pace.ts'
import type { RecipePace } from './recipe-pace.ts'
import { STICK, withAcid, withEffect } from './test/runs.ts'
import { levelOfViscosity, levelOfYield, viscosity, yieldStress } from './scale.ts'
import { SCENT_PRIORS, atDose, scentEffect } from './scent-effect.ts'
import { clearPoint, solidParts, solidShare, solidShareTable } from './solid-fat.ts'

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })

/** Recipes of up to five oils from the shelf, in any parts. */
const anyOils = fc
  .array(fc.tuple(fc.constantFrom(...referenceShelf().oils), number(0.05, 1)), { minLength: 1, maxLength: 5 })
  .map(parts => {
    const list = parts.map(([oil, share]) => ({ oil: oil.id, share }))
    return oilsByShare({ oils: list }, referenceShelf())
  })
const paceOf = (oils: ReturnType<typeof oilsByShare>, w = 0.3, superfatShare = 0.05) =>
  recipePace({ oils, superfatShare, lyeConcentrationShare: w })

const anyBatter: fc.Arbitrary<Batter> = fc.record({
  emulsion: number(0, 1),
  converted: number(0.0001, 0.6),
  structure: number(0, 1),
  solid: number(0, 0.5),
  jump: number(0, 3),
  swollen: number(0, 1),
  swollenOwn: number(0, 1),
  temperatureC: number(10, 60),
})
const anyMode = fc.constantFrom<HandlingMode>('rest', 'now-and-then', 'stream', 'hand', 'whisk', 'stick', 'bursts')

describe('the trace scale', () => {
  test('viscosity and yield stress rise with the level, and their inverses give it back', () => {
    fc.assert(
      fc.property(number(1.01, 4.98), number(0.001, 0.01), (level, more) => {
        expect(viscosity(level + more)).toBeGreaterThan(viscosity(level))
        expect(yieldStress(level + more)).toBeGreaterThan(yieldStress(level))
        expect(levelOfViscosity(viscosity(level))).toBeCloseTo(level, 6)
        expect(levelOfYield(yieldStress(level))).toBeCloseTo(level, 6)
      }),
    )
  })

  test('beyond its ends it stays on its ends', () => {
    expect([levelOfViscosity(0), levelOfViscosity(1e9)]).toEqual([1, 5])
    expect([levelOfYield(0), levelOfYield(1e9)]).toEqual([1, 5.01])
  })
})

describe('the reaction', () => {
  test('stretched time and conversion are each other’s inverse', () => {
    fc.assert(
      fc.property(number(1e-5, 0.55), number(0, 0.02), (a, seed) => {
        const { thetaOf, conversionAt } = reactionClock(seed)
        expect(conversionAt(thetaOf(a))).toBeCloseTo(a, 4)
      }),
    )
  })

  test('goes faster when warmer, about double for every 13 K', () => {
    fc.assert(
      fc.property(number(10, 50), c => {
        expect(rateConstant(c + 1)).toBeGreaterThan(rateConstant(c))
      }),
    )
    expect(rateConstant(43) / rateConstant(30)).toBeGreaterThan(1.8)
    expect(rateConstant(43) / rateConstant(30)).toBeLessThan(2.3)
  })

  test('never goes back, never passes all, and warms what has no loss', () => {
    fc.assert(
      fc.property(anyOils, anyBatter, anyMode, number(0.5, 120), (oils, batter, mode, seconds) => {
        const pace = paceOf(oils)
        const after = stepBatter(batter, pace, PLAIN_LOAD, handling(mode), seconds)
        expect(after.converted).toBeGreaterThanOrEqual(batter.converted)
        expect(after.converted).toBeLessThanOrEqual(0.999)
        expect(after.temperatureC).toBeGreaterThanOrEqual(batter.temperatureC - 1e-9)
        expect(after.structure).toBeGreaterThanOrEqual(0)
        expect(after.structure).toBeLessThanOrEqual(1)
        expect(Object.values(after).every(Number.isFinite)).toBe(true)
      }),
    )
  })

  test('two half steps are as good as one', () => {
    fc.assert(
      fc.property(
        anyOils,
        number(24, 40),
        fc.constantFrom<HandlingMode>('rest', 'now-and-then', 'hand'),
        (oils, c, mode) => {
          const pace = paceOf(oils)
          const start: Batter = {
            emulsion: 0.95,
            converted: 0.01,
            structure: 0.1,
            solid: pace.solidAt(c),
            jump: 0,
            swollen: 0,
            swollenOwn: 0,
            temperatureC: c,
          }
          const how = handling(mode)
          const whole = stepBatter(start, pace, PLAIN_LOAD, how, 60)
          const halves = stepBatter(stepBatter(start, pace, PLAIN_LOAD, how, 30), pace, PLAIN_LOAD, how, 30)
          expect(Math.abs(levelOf(whole, pace, PLAIN_LOAD) - levelOf(halves, pace, PLAIN_LOAD))).toBeLessThan(0.08)
        },
      ),
      { numRuns: 60 },
    )
  })

  test('a cup closes on the room, a small one sooner', () => {
    const pace = paceOf(oilsByShare({ oils: [{ oil: 'olive', share: 1 }] }, referenceShelf()))
    const start = split({ ...freshBatter(pace, 45), emulsion: 0.95 })
    const after = (massG: number) =>
      stepBatter(start, pace, PLAIN_LOAD, handling('rest'), 600, { roomC: 20, tauS: cupCoolingS(massG) }).temperatureC
    expect(after(100)).toBeLessThan(after(500))
    expect(after(500)).toBeLessThan(45.5)
    expect(after(100)).toBeGreaterThan(20)
  })
})

describe('what the maker sees', () => {
  test('stirring never shows more than standing', () => {
    fc.assert(
      fc.property(anyOils, anyBatter, (oils, batter) => {
        const pace = paceOf(oils)
        expect(movingLevel(batter, pace, PLAIN_LOAD)).toBeLessThanOrEqual(levelOf(batter, pace, PLAIN_LOAD) + 1e-9)
      }),
    )
  })

  test('more soap, more solid fat, more rest and more cold are thicker', () => {
    fc.assert(
      fc.property(anyOils, anyBatter, (oils, batter) => {
        const pace = paceOf(oils)
        const level = (change: Partial<Batter>) => levelOf({ ...batter, ...change }, pace, PLAIN_LOAD)
        const now = level({})
        expect(level({ converted: Math.min(0.99, batter.converted + 0.05) })).toBeGreaterThanOrEqual(now - 1e-9)
        expect(level({ solid: batter.solid + 0.05 })).toBeGreaterThanOrEqual(now - 1e-9)
        expect(level({ structure: 1 })).toBeGreaterThanOrEqual(now - 1e-9)
        expect(level({ temperatureC: batter.temperatureC - 5 })).toBeGreaterThanOrEqual(now - 1e-9)
      }),
    )
  })

  test('fat that sets looks like trace, and is told from it', () => {
    const oils = oilsByShare(
      {
        oils: [
          { oil: 'cocoa-butter', share: 0.6 },
          { oil: 'olive', share: 0.4 },
        ],
      },
      referenceShelf(),
    )
    const pace = paceOf(oils)
    const cold = { ...freshBatter(pace, 22), emulsion: 0.7 }
    const warm = { ...freshBatter(pace, 45), emulsion: 0.7 }
    expect(isFalseTrace(cold, pace, PLAIN_LOAD)).toBe(true)
    expect(isFalseTrace(warm, pace, PLAIN_LOAD)).toBe(false)
    expect(pace.clearPointC).toBeGreaterThan(22)
  })
})

describe('solid fat', () => {
  test('is a share, falls with warmth, and is gone above the clear point', () => {
    fc.assert(
      fc.property(anyOils, number(5, 55), (oils, c) => {
        const parts = solidParts(oils)
        const now = solidShare(parts, c)
        expect(now).toBeGreaterThanOrEqual(0)
        expect(now).toBeLessThanOrEqual(1)
        expect(solidShare(parts, c + 2)).toBeLessThanOrEqual(now + 1e-9)
        expect(solidShare(parts, clearPoint(parts) + 1)).toBeLessThanOrEqual(0.005)
      }),
      { numRuns: 60 },
    )
  })

  test('its table agrees with it', () => {
    fc.assert(
      fc.property(anyOils, number(5, 55), (oils, c) => {
        const parts = solidParts(oils)
        expect(Math.abs(solidShareTable(parts)(c) - solidShare(parts, c))).toBeLessThan(0.0101)
      }),
      { numRuns: 60 },
    )
  })
})

describe('recipe, scent, colour and pour', () => {
  test('less water and less superfat are quicker, whatever the oils', () => {
    fc.assert(
      fc.property(anyOils, number(0.25, 0.38), number(0, 0.15), (oils, w, superfat) => {
        const now = paceOf(oils, w, superfat).lnRate
        expect(paceOf(oils, w + 0.02, superfat).lnRate).toBeGreaterThan(now)
        expect(paceOf(oils, w, superfat + 0.02).lnRate).toBeLessThan(now)
        expect(paceOf(oils, w + 0.02, superfat).lyeSolutionKgPerKg).toBeLessThan(
          paceOf(oils, w, superfat).lyeSolutionKgPerKg,
        )
      }),
    )
  })

  test('a higher dose of a quick scent is quicker; a slowing one never quickens', () => {
    fc.assert(
      fc.property(number(0, 80), number(0, 20), (dose, more) => {
        expect(atDose(SCENT_PRIORS.strong.mean, dose + more)).toBeGreaterThanOrEqual(
          atDose(SCENT_PRIORS.strong.mean, dose),
        )
        expect(atDose(SCENT_PRIORS.slows.mean, dose)).toBeLessThanOrEqual(0)
      }),
    )
  })

  test('all effects of a scent grow together', () => {
    fc.assert(
      fc.property(number(-0.5, 3), number(0, 0.5), (f, more) => {
        const [now, then] = [scentEffect(f), scentEffect(f + more)]
        for (const key of ['lnRate', 'gain', 'build', 'jump'] as const)
          expect(then[key]).toBeGreaterThanOrEqual(now[key])
      }),
    )
  })

  test('oil thins, water thins less and slows, and neither without end', () => {
    const effect = (medium: 'oil' | 'water' | 'none', mediumShareOfPortion: number) =>
      colorantEffect({
        powderShareOfOils: 0,
        mediumShareOfPortion,
        medium,
        lnRatePerPercent: 0,
        lnViscosityPerPercent: 0,
      })
    expect(effect('none', 0.05)).toEqual({ lnRate: 0, lnViscosity: 0, lnSwell: 0 })
    expect(effect('oil', 0.02).lnViscosity).toBeCloseTo(-0.08, 9)
    expect(effect('water', 0.02).lnViscosity).toBeCloseTo(-0.04, 9)
    expect(effect('water', 0.02).lnRate).toBeCloseTo(-0.06, 9)
    expect(effect('oil', 0.5)).toEqual(effect('oil', 0.08))
    expect(effect('water', 0.5)).toEqual(effect('water', 0.05))
  })

  test('a higher fall hits harder; a spatula takes two thirds of the speed', () => {
    fc.assert(
      fc.property(number(0, 300), number(0.1, 50), (drop, more) => {
        expect(streamSpeed(drop + more, false)).toBeGreaterThan(streamSpeed(drop, false))
        expect(streamSpeed(drop, true)).toBeCloseTo(0.35 * streamSpeed(drop, false), 9)
        expect(levelThatCarries(drop + more, true)).toBeGreaterThanOrEqual(levelThatCarries(drop, true))
        expect(levelThatCarries(drop, true)).toBeLessThanOrEqual(levelThatCarries(drop, false))
      }),
    )
  })
})

describe('what quickens never slows', () => {
  const mixes: Readonly<Record<string, Readonly<Record<string, number>>>> = {
    soft: { coconut: 25, palm: 15, olive: 40, 'sunflower-high-oleic': 15, castor: 5 },
    balanced: { coconut: 30, palm: 30, olive: 35, castor: 5 },
    hard: { coconut: 30, palm: 30, shea: 15, olive: 20, castor: 5 },
    lauric: { coconut: 50, palm: 20, olive: 25, castor: 5 },
    olive: { olive: 100 },
  }
  const dry = (lnRate: number, lnViscosity: number) => (p: RecipePace) =>
    withEffect(p, powderEffect(lnRate, lnViscosity, false))
  const quicker: Readonly<Record<string, (p: RecipePace) => RecipePace>> = {
    'acid 0.5 %': p => withAcid(p, 0.005),
    'acid 2 %': p => withAcid(p, 0.02),
    'milk 3 %': dry(0.45, 0.45),
    'dry clay 3 %': dry(0.09, 0.36),
    'oats 3 %': dry(0, 0.24),
    'acid and milk': p => dry(0.375, 0.375)(withAcid(p, 0.01)),
  }
  const blended = (p: RecipePace, c: number, stop: number): Batter => {
    let now = freshBatter(p, c, true)
    for (let t = 0; t < 900 && blendedLevel(now, p, PLAIN_LOAD) < stop; t += 1)
      now = stepBatter(now, p, PLAIN_LOAD, STICK, 1)
    return split(now)
  }

  test('stopped at the same trace it is less emulsified, and thickens at least as much', () => {
    const pick = <T>(of: Readonly<Record<string, T>>) => fc.constantFrom(...Object.keys(of))
    fc.assert(
      fc.property(
        pick(mixes),
        pick(quicker),
        fc.constantFrom(28, 34, 40),
        fc.constantFrom(1.2, 1.6, 2, 2.5),
        fc.constantFrom<[number, number]>([0, 0.03], [0.27, 0.03], [0.6, 0.03], [1.05, 0.1]),
        fc.constantFrom<HandlingMode>('now-and-then', 'hand', 'rest'),
        fc.constantFrom(60, 180, 300, 600),
        (mix, change, c, stop, [f, slack], mode, seconds) => {
          const oils = Object.entries(mixes[mix]!).map(([oil, share]) => ({ oil, share: share / 100 }))
          const plain = paceOf(oilsByShare({ oils }, referenceShelf()))
          const load = { ...PLAIN_LOAD, scent: scentEffect(f) }
          const rise = (p: RecipePace) => {
            const start = blended(p, c, stop)
            let now = start
            for (let t = 0; t < seconds; t += 30) now = stepBatter(now, p, load, handling(mode), 30)
            return { emulsion: start.emulsion, from: levelOf(start, p, load), to: levelOf(now, p, load) }
          }
          const [without, having] = [rise(plain), rise(quicker[change]!(plain))]
          expect(having.emulsion).toBeLessThanOrEqual(without.emulsion + 2e-5)
          // What parts where it stands, and what is set anyway, is no matter of quickness.
          if ((mode === 'rest' && having.emulsion < 0.78) || without.to > 4.4) return
          expect(having.to - having.from - (without.to - without.from)).toBeGreaterThanOrEqual(-slack - 0.005)
        },
      ),
      { numRuns: 150 },
    )
  })

  test('blending longer never leaves it thinner or less emulsified', () => {
    fc.assert(
      fc.property(anyOils, number(24, 44), fc.integer({ min: 1, max: 200 }), (oils, c, seconds) => {
        const pace = paceOf(oils)
        let now = freshBatter(pace, c, true)
        for (let t = 0; t < seconds; t += 1) now = stepBatter(now, pace, PLAIN_LOAD, STICK, 1)
        const then = stepBatter(now, pace, PLAIN_LOAD, STICK, 1)
        expect(then.emulsion).toBeGreaterThanOrEqual(now.emulsion)
        if (c > pace.clearPointC)
          expect(blendedLevel(then, pace, PLAIN_LOAD)).toBeGreaterThanOrEqual(
            blendedLevel(now, pace, PLAIN_LOAD) - 0.002,
          )
      }),
    )
  })
})
