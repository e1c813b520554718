import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { STICK, level, oils, pace, run, scented, secondsTo, withAcid, withEffect } from './test/runs.ts'
import { cupCoolingS, freshBatter, split, stepBatter, PLAIN_LOAD } from './batter.ts'
import { blenderPower, handling } from './handling.ts'
import { rateConstant, reactionClock } from './kinetics.ts'
import { levelThatCarries } from './pour-physics.ts'
import type { RecipePace } from './recipe-pace.ts'
import { levelOfViscosity, levelOfYield, traceName, viscosity, yieldStress } from './scale.ts'
import { atDose, scentEffect } from './scent-effect.ts'
import { clearPoint, solidParts, solidShare } from './solid-fat.ts'

describe('basic functions', () => {
  test('trace scale', () => {
    expect(viscosity(2.5)).toBeCloseTo(1.12, 2)
    expect(viscosity(3.5)).toBeCloseTo(5.48, 2)
    expect(yieldStress(2.5)).toBeCloseTo(3.46, 2)
    expect(yieldStress(4.5)).toBeCloseTo(200, 0)
    for (const l of [1.2, 2, 2.7, 3.9, 4.8]) {
      expect(levelOfViscosity(viscosity(l))).toBeCloseTo(l, 9)
      expect(levelOfYield(yieldStress(l))).toBeCloseTo(l, 9)
    }
    expect([0.5, 1.2, 2, 3, 4, 4.9].map(level => traceName(level).fact)).toEqual([
      'unmixed',
      'emulsion',
      'light trace',
      'medium trace',
      'heavy trace',
      'set',
    ])
  })

  test.each([
    [0.001, 0.1738],
    [0.005, 0.6808],
    [0.02, 1.6935],
    [0.05, 2.7703],
    [0.1, 3.9686],
    [0.2, 5.8863],
    [0.4, 9.6749],
  ])('stretched time at conversion %f', (a, theta) => {
    const { thetaOf, conversionAt } = reactionClock()
    expect(Math.abs(thetaOf(a) - theta)).toBeLessThan(0.001)
    expect(conversionAt(thetaOf(a))).toBeCloseTo(a, 5)
  })

  test.each([
    [20, 0.002076],
    [27, 0.003163],
    [38, 0.0059],
    [45, 0.008577],
  ])('rate at %d °C', (c, k) => expect(Math.abs(rateConstant(c) / k - 1)).toBeLessThan(0.005))

  test.each([
    [0, [0.00493, 0.01092, 0.03145, 0.10987]],
    [0.0045, [0.00763, 0.01728, 0.04714, 0.14102]],
    [0.009, [0.01024, 0.02317, 0.0602, 0.16363]],
  ] as const)('a head start of %f: conversion after stretched times', (seed, wanted) => {
    const { thetaOf, conversionAt } = reactionClock(seed)
    ;[0.5, 1, 2, 4].forEach((theta, i) =>
      expect(Math.abs(conversionAt(thetaOf(0.001) + theta) - wanted[i]!)).toBeLessThan(1e-4),
    )
  })

  test('scent effect at a dose', () => {
    expect(atDose(1.05, 15)).toBeCloseTo(0.603, 3)
    expect(atDose(1.05, 60)).toBeCloseTo(1.575, 3)
    expect(atDose(-0.3, 15)).toBeCloseTo(-0.15, 3)
    const { gain, build, jump } = scentEffect(0.8)
    expect([gain, build, jump].map(x => Number(x.toFixed(3)))).toEqual([4.589, 6.111, 0.233])
  })

  test.each([
    ['palm', 20, 25.2],
    ['palm', 25, 12.8],
    ['palm', 35, 4.2],
    ['coconut', 15, 66.5],
    ['coconut', 25, 6.5],
    ['cocoa', 30, 50.6],
    ['shea', 25, 32.1],
    ['tallow', 40, 6.7],
    ['bal', 20, 3.2],
    ['bal', 28, 0.9],
  ])('solid fat of %s at %d °C', (name, c, percent) => {
    expect(Math.abs(100 * solidShare(solidParts(oils(name)), c) - percent)).toBeLessThan(0.3)
  })

  test.each([
    ['coconut', 25.5],
    ['palm', 37],
    ['cocoa', 32.75],
    ['shea', 39.25],
    ['lard', 35.75],
    ['tallow', 41.5],
    ['bal', 28.75],
    ['softM', 23.5],
    ['coco50', 25.75],
    ['waxed', 42.5],
  ])('%s is clear at %f °C', (name, c) => {
    expect(Math.abs(clearPoint(solidParts(oils(name))) - c)).toBeLessThanOrEqual(0.25)
  })

  test.each([
    [10, false, 3.43],
    [20, false, 3.74],
    [100, false, 4.57],
    [10, true, 2.48],
    [30, true, 2.87],
    [100, true, 3.45],
  ])('level that carries a pour from %d mm, over a spatula: %s', (drop, spatula, l) => {
    expect(Math.abs(levelThatCarries(drop, spatula) - l)).toBeLessThan(0.02)
  })
})

test.each([
  ['bal', 0.3, 0, 0.00107, 0.9839, -3.2692, 0.2457, 0.4786, 2.519, 54.95],
  ['soft', 0.28, -0.303, 0.00132, 0.9614, -3.2038, 0.2533, 0.4904, 2.534, 51.87],
  ['softM', 0.29, -0.255, 0.00104, 0.9606, -3.2651, 0.2492, 0.4838, 2.526, 53.36],
  ['pom', 0.285, 0.157, 0.0021, 0.9819, -3.2562, 0.2537, 0.4935, 2.534, 53.01],
  ['coco50', 0.3, 0.182, 0.00105, 0.9819, -3.3249, 0.2564, 0.5068, 2.538, 56.66],
  ['castile', 0.33, -1.725, 0.0008, 0.927, -3.2802, 0.2051, 0.3886, 2.446, 53.81],
])('quantities of %s at %f', (name, w, lnRate, acid, omega, eta, phi, lye, cb, rise) => {
  const p = pace(name, w)
  const close = (actual: number, expected: number, tolerance: number) =>
    expect(Math.abs(actual - expected)).toBeLessThan(tolerance)
  close(p.lnRate, lnRate, 0.001)
  close(p.freeAcid, acid, 0.00002)
  close(p.thickening, omega, 0.0002)
  close(p.lnViscosity40, eta, 0.0005)
  close(p.lyeVolumeShare, phi, 0.0009)
  close(p.lyeSolutionKgPerKg, lye, 0.002)
  close(p.heatCapacity, cb, 0.002)
  close(p.adiabaticRiseK, rise, 0.25)
})

describe('trace runs', () => {
  test('warm balanced batter under the stick', () => {
    const p = pace('bal', 0.3)
    let b = freshBatter(p, 37.8, true)
    const seen: number[] = []
    let at = 0
    for (const t of [15, 30, 37, 45, 60]) {
      b = run(b, p, STICK, t - at)
      at = t
      seen.push(level(b, p))
    }
    const wanted = [1.09, 1.75, 2.18, 2.81, 4.38]
    seen.forEach((l, i) => expect(Math.abs(l - wanted[i]!)).toBeLessThan(0.1))
    expect(b.converted).toBeCloseTo(0.2246, 2)
    expect(b.temperatureC).toBeCloseTo(50.1, 0)
  })

  test('cool soft batter, bursts, then stirred now and then: 24 min to medium', () => {
    const p = pace('soft', 0.28)
    const bursts = handling('bursts', blenderPower(1.5, 1))
    let b = run(freshBatter(p, 26.7), p, bursts, 120)
    expect(Math.abs(level(b, p) - 1.68)).toBeLessThan(0.03)
    b = run(b, p, bursts, 60)
    expect(Math.abs(level(b, p) - 1.9)).toBeLessThan(0.03)
    const minutes = (variation: number) =>
      3 + secondsTo(3, b, p, handling('now-and-then'), { ...PLAIN_LOAD, variation }, 5).t / 60
    expect(Math.abs(minutes(0) / 24.25 - 1)).toBeLessThan(0.03)
    expect(Math.abs(minutes(-0.45) / 36.25 - 1)).toBeLessThan(0.03)
    expect(Math.abs(minutes(0.45) / 16.67 - 1)).toBeLessThan(0.03)
  })

  test('strong accelerator: fluid while moving, set half a minute after it stands', () => {
    const p = pace('softM', 0.29)
    const load = scented(1.05)
    const { t, now } = secondsTo(1.8, freshBatter(p, 31), p, STICK)
    expect(Math.abs(t - 40)).toBeLessThanOrEqual(1)
    const minute = run(now, p, handling('hand'), 60, load)
    expect(Math.abs(level(minute, p, load) - 2.8)).toBeLessThan(0.05)
    expect(Math.abs(level(run(minute, p, handling('hand'), 60, load), p, load) - 3.25)).toBeLessThan(0.05)
    expect(Math.abs(level(run(minute, p, handling('rest'), 30, load), p, load) - 4.63)).toBeLessThan(0.06)
  })

  test.each([
    [0, [1.88, 2.03], 2.13, 2.36],
    [0.27, [1.9, 2.09], 2.26, 2.57],
    [0.6, [2.03, 2.32], 2.92, 3.48],
    [1.05, [2.65, 3.36], 5, 5],
  ])('scent of ln factor %f stirred by hand, then resting', (f, [at30, at120], rest30, rest120) => {
    const p = pace('softM', 0.29)
    const load = scented(f)
    const { now } = secondsTo(1.8, freshBatter(p, 32), p, STICK)
    const b30 = run(now, p, handling('hand'), 30, load)
    const b120 = run(b30, p, handling('hand'), 90, load)
    const stood = run(b120, p, handling('rest'), 30, load)
    const longer = run(b120, p, handling('rest'), 120, load)
    const seen = [b30, b120, stood, longer].map(b => level(b, p, load))
    ;[at30!, at120!, rest30, rest120].forEach((l, i) => expect(Math.abs(seen[i]! - l)).toBeLessThan(0.06))
  })

  test.each([
    [0.25, 39],
    [0.3, 34],
    [0.36, 29],
    [0.4, 26],
  ])('stick seconds to light trace at %f lye', (w, seconds) => {
    const p = pace('bal', w)
    expect(Math.abs(secondsTo(2, freshBatter(p, 38, true), p, STICK).t - seconds)).toBeLessThanOrEqual(1)
  })

  test.each([
    [0.3, 16],
    [0.7, 22],
    [3, 52],
    [6, 78],
  ])('stick seconds to light trace in %f kg', (mass, seconds) => {
    const p = pace('bal', 0.3)
    const how = handling('stick', blenderPower(mass, 1))
    expect(Math.abs(secondsTo(2, freshBatter(p, 38, true), p, how).t - seconds)).toBeLessThanOrEqual(1)
  })

  test('a cup that cools, standing ten minutes', () => {
    const p = pace('softM', 0.29)
    const { now } = secondsTo(1.8, freshBatter(p, 32), p, STICK)
    let b = now
    for (let t = 0; t < 600; t += 10)
      b = stepBatter(b, p, PLAIN_LOAD, handling('rest'), 10, { roomC: 21, tauS: cupCoolingS(250) })
    expect(Math.abs(level(b, p) - 2.67)).toBeLessThan(0.04)
    expect(Math.abs(level(run(b, p, handling('hand'), 5), p) - 2.35)).toBeLessThan(0.04)
  })

  test('solid fat makes false trace below the clear point', () => {
    const p = pace('fatty', 0.3)
    const at = (c: number) => level(run(freshBatter(p, c), p, handling('hand'), 120), p)
    expect(Math.abs(at(24) - 2.31)).toBeLessThan(0.04)
    expect(Math.abs(at(30) - 1.36)).toBeLessThan(0.04)
    expect(Math.abs(at(38) - 0.16)).toBeLessThan(0.04)
  })
})

describe('laws', () => {
  const p = pace('softM', 0.3)
  const warmth = fc.double({ min: 26, max: 44, noNaN: true })
  const after = (c: number, w: number, f: number, blend: number) => {
    const q = pace('softM', w)
    const start = split(run(freshBatter(q, c, true), q, STICK, blend))
    return level(run(start, q, handling('now-and-then'), 600, scented(f), 60), q, scented(f))
  }

  test('never slower when warmer (away from setting fat), blended longer, with less water or a quicker scent', () => {
    fc.assert(
      fc.property(
        warmth,
        fc.double({ min: 0.5, max: 5, noNaN: true }),
        fc.integer({ min: 20, max: 40 }),
        (c, more, s) => {
          const base = after(c, 0.3, 0, s)
          // The cream itself thins as it warms, by at most about 0.02 level per kelvin.
          expect(after(c + more, 0.3, 0, s)).toBeGreaterThan(base - 0.02 * more)
          expect(after(c, 0.3, 0, s + 3)).toBeGreaterThanOrEqual(base - 1e-9)
          expect(after(c, 0.33, 0, s)).toBeGreaterThanOrEqual(base - 0.01)
          expect(after(c, 0.3, 0.6, s)).toBeGreaterThanOrEqual(base - 1e-9)
        },
      ),
      { numRuns: 25 },
    )
  })

  test('every state stays in its bounds', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 60, noNaN: true }), fc.double({ min: -1, max: 3, noNaN: true }), (c, f) => {
        const b = run(freshBatter(p, c), p, handling('bursts', 1), 900, scented(f), 30)
        expect(b.converted).toBeLessThanOrEqual(0.999)
        expect(b.emulsion).toBeLessThanOrEqual(1)
        expect(level(b, p, scented(f))).toBeLessThanOrEqual(5)
        expect(Number.isFinite(level(b, p, scented(f)))).toBe(true)
      }),
      { numRuns: 40 },
    )
  })
})

describe('additives and stearic acid', () => {
  const effect = (lnRate: number, lnViscosity: number) => (p: RecipePace) =>
    withEffect(p, { lnRate, lnViscosity, lnSwell: 0 })
  test.each<[string, (p: RecipePace) => RecipePace, number, number]>([
    ['plain', p => p, 1.58, 20.3],
    ['solid acid 0.5 %', p => withAcid(p, 0.005), 1.91, 11],
    ['solid acid 1 %', p => withAcid(p, 0.01), 2.14, 6],
    ['milk powder 1.5 %', effect(0.225, 0.225), 1.75, 14.7],
    ['clay 2 %', effect(0.06, 0.24), 1.75, 17.5],
  ])('%s: level after 30 s of stick at 32 °C, and minutes to medium trace', (_, change, level30, minutes) => {
    const p = change(pace('softM', 0.29))
    const stirred = run(freshBatter(p, 32, true), p, STICK, 30)
    expect(Math.abs(level(stirred, p) - level30)).toBeLessThan(0.04)
    const { t } = secondsTo(3, stirred, p, handling('now-and-then'), PLAIN_LOAD, 10)
    expect(Math.abs(t / 60 / minutes - 1)).toBeLessThan(0.05)
  })
})
