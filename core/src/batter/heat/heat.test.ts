import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { starterPlan } from '../../plan/index.ts'
import { portionsOf } from '../../portions/index.ts'
import { oilsByShare } from '../../recipe/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import { cooledTo, coolerFor, coolingTime, moveToBath } from './cooling.ts'
import type { Body, CoolingMedium } from './cooling.ts'
import { heatPlan } from './heat-plan.ts'
import { hotLyeMelt } from './melt.ts'
import { mixedTemperature, oilsFor } from './mixing.ts'
import { adiabaticLimit, lyePeak } from './peak.ts'
import type { LyeMix } from './peak.ts'
import { refit } from './refit.ts'
import type { HeatMaterial } from './vessel.ts'

const ROOM = 21
const solution = (massKg: number, w: number, change: Partial<LyeMix> = {}): LyeMix => ({
  naohKg: massKg * w,
  waterKg: massKg * (1 - w),
  purityShare: 0.975,
  waterC: ROOM,
  naohC: ROOM,
  roomC: ROOM,
  iceShare: 0,
  material: 'plastic',
  ...change,
})
const AIR: CoolingMedium = { way: 'air', roomC: ROOM, bathC: 15, bathLitres: 4, iceKg: 0 }
const BATH: CoolingMedium = { ...AIR, way: 'bath' }
const ICE: CoolingMedium = { ...AIR, way: 'ice-bath', bathLitres: 3, iceKg: 0.5 }
const lye = (massKg: number, w: number, material: HeatMaterial = 'plastic', covered = false): Body => ({
  kind: 'lye',
  massKg,
  w,
  material,
  covered,
})
const minutesTo38 = (body: Body, medium: CoolingMedium, fromC: number) =>
  coolingTime(coolerFor(body), medium, fromC, 38)! / 60
const near = (actual: number, expected: number, share: number) =>
  expect(Math.abs(actual / expected - 1), `${actual} for ${expected}`).toBeLessThan(share)

describe('the lye', () => {
  test.each<[HeatMaterial, number, number, number, number, number, number, number]>([
    ['plastic', 0.25, 81.0, 195, 58.3, 76, 14.0, 9.8],
    ['plastic', 0.27, 85.2, 190, 60.8, 82, 15.0, 10.6],
    ['plastic', 0.3, 90.9, 184, 64.4, 90, 16.3, 11.5],
    ['plastic', 0.33, 96.1, 179, 67.9, 98, 17.6, 12.3],
    ['plastic', 0.4, 104.5, 161, 75.4, 119, 19.8, 13.8],
    ['steel', 0.27, 86.5, 191, 63.0, 92, 7.9, 5.5],
    ['steel', 0.3, 92.4, 185, 66.7, 101, 8.6, 6.0],
    ['steel', 0.33, 97.7, 180, 70.4, 111, 9.2, 6.3],
  ])(
    '450 g in %s at %f: peak, and time to 38 °C by air, bath and ice',
    (material, w, peakC, peakS, at30, air, bath, ice) => {
      const peak = lyePeak(solution(0.45, w, { material }))
      expect(Math.abs(peak.peakC - peakC)).toBeLessThan(0.5)
      expect(Math.abs(peak.peakS - peakS)).toBeLessThanOrEqual(10)
      expect(Math.abs(peak.minutes[30]! - at30)).toBeLessThan(0.5)
      const body = lye(0.45, w, material)
      near(minutesTo38(body, AIR, peak.peakC), air, 0.03)
      near(minutesTo38(body, BATH, peak.peakC), bath, 0.03)
      near(minutesTo38(body, ICE, peak.peakC), ice, 0.03)
    },
  )

  test.each([
    [0.15, 85.9, 60, 90, 9.9],
    [0.3, 89.4, 77, 117, 13.3],
    [0.9, 92.8, 114, 175, 21.8],
    [1.8, 94.1, 145, 223, 33.2],
  ])('%f kg at 30 %: peak, air open and covered, bath of 6 l', (kg, peakC, air, covered, bath) => {
    const peak = lyePeak(solution(kg, 0.3))
    expect(Math.abs(peak.peakC - peakC)).toBeLessThan(0.5)
    near(minutesTo38(lye(kg, 0.3), AIR, peak.peakC), air, 0.03)
    near(minutesTo38(lye(kg, 0.3, 'plastic', true), AIR, peak.peakC), covered, 0.03)
    near(minutesTo38(lye(kg, 0.3), { ...BATH, bathLitres: 6 }, peak.peakC), bath, 0.03)
  })

  test.each([
    [5, 79.2],
    [15, 86.6],
    [30, 97.3],
  ])('water of %i °C', (waterC, peakC) => {
    expect(Math.abs(lyePeak(solution(0.45, 0.3, { waterC })).peakC - peakC)).toBeLessThan(0.5)
  })

  test.each([
    [0.25, 62.5],
    [0.5, 47.5],
    [0.75, 32.2],
    [1, 18.4],
  ])('ice as %f of the water', (iceShare, peakC) => {
    expect(Math.abs(lyePeak(solution(0.45, 0.3, { iceShare })).peakC - peakC)).toBeLessThan(1.5)
  })

  test('the limit without loss, and that it is one', () => {
    for (const [w, limit] of [
      [0.25, 92.6],
      [0.3, 103.3],
      [0.33, 108.7],
      [0.4, 115.2],
    ] as const)
      expect(adiabaticLimit(solution(0.45, w))).toBeCloseTo(limit, 0)
    expect(adiabaticLimit(solution(0.45, 0.3, { iceShare: 1 }))).toBeCloseTo(16.4, 0)
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 3, noNaN: true }),
        fc.double({ min: 0.22, max: 0.4, noNaN: true }),
        (kg, w) => {
          expect(lyePeak(solution(kg, w)).peakC).toBeLessThan(adiabaticLimit(solution(kg, w)))
        },
      ),
      { numRuns: 20 },
    )
  })
})

describe('cooling', () => {
  test.each([
    [0.5, 47.8, 5.1],
    [1, 60.3, 6.4],
    [2, 76.0, 8.4],
    [4, 95.8, 11.3],
  ])('%f kg of oils in steel from 60 to 38 °C, air and bath', (massKg, air, bath) => {
    const body: Body = { kind: 'oils', massKg, w: 0, material: 'steel' }
    near(minutesTo38(body, AIR, 60), air, 0.03)
    near(minutesTo38(body, { ...BATH, bathLitres: 8 }, 60), bath, 0.03)
  })

  test('mixing 45 min after the lye: into the bath 33.3 min after the peak', () => {
    const { peakC } = lyePeak(solution(0.45, 0.3))
    const seconds = moveToBath(coolerFor(lye(0.45, 0.3)), BATH, peakC, 38, 2516)!
    near(seconds / 60, 33.3, 0.03)
  })

  test('it never cools past what cools it, and a bath begins quicker than air', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 4, noNaN: true }),
        fc.double({ min: 40, max: 95, noNaN: true }),
        fc.integer({ min: 1, max: 15 }),
        (kg, fromC, min) => {
          const cooler = coolerFor(lye(kg, 0.3))
          const air = cooledTo(cooler, AIR, fromC, min * 60)
          const bath = cooledTo(cooler, BATH, fromC, min * 60)
          // Evaporation takes open lye a little below the room, never below the bath.
          expect(air).toBeGreaterThan(ROOM - 3)
          expect(bath).toBeGreaterThan(14)
          expect(bath).toBeLessThanOrEqual(air + 0.01)
        },
      ),
      { numRuns: 30 },
    )
  })

  test('readings fit the factor on all losses', () => {
    const body = lye(0.45, 0.3)
    const fit = refit(body, AIR, [
      { atS: 0, tempC: 85 },
      { atS: 600, tempC: 74 },
      { atS: 1200, tempC: 64 },
    ])
    expect(fit.lnKappa).toBeCloseTo(0.062, 2)
    expect(fit.sd).toBeCloseTo(0.043, 2)
    near(coolingTime(coolerFor(body), AIR, 85, 38)! / 60, 85.3, 0.03)
    near(coolingTime(coolerFor(body, Math.exp(fit.lnKappa)), AIR, 85, 38)! / 60, 80.3, 0.03)
    const two = refit(body, AIR, [
      { atS: 0, tempC: 85 },
      { atS: 600, tempC: 72 },
    ])
    expect(two.lnKappa).toBeCloseTo(0.169, 2)
    expect(two.sd).toBeCloseTo(0.073, 2)
  })
})

test('readings noted out of order are read in their order', () => {
  const fitOf = (...times: [number, number][]) => {
    const plan = starterPlan('Trial')
    const readings = times.map(([atS, tempC]) => ({ body: 'lye' as const, atS, tempC }))
    return heatPlan(plan, referenceShelf(), portionsOf(plan, referenceShelf()), readings).lye
  }
  const inOrder = fitOf([-600, 85], [0, 74], [600, 64])
  const mixed = fitOf([0, 74], [600, 64], [-600, 85])
  expect(mixed.fit.lnKappa).toBeCloseTo(inOrder.fit.lnKappa, 9)
  expect(mixed.fromReading!.reading.tempC).toBe(64)
})

describe('when they meet', () => {
  test('1 kg of oil at 40 °C and 479 g of lye at 35 °C give 37.7 °C, less 0.5 K for pouring', () => {
    const meeting = { oilsKg: 1, lyeKg: 0.479, w: 0.3 }
    expect(mixedTemperature(meeting, 40, 35)).toBeCloseTo(37.24, 1)
    expect(oilsFor(meeting, mixedTemperature(meeting, 40, 35), 35)).toBeCloseTo(40, 6)
  })

  test.each<[string, Record<string, number>, number, number, number, number, number, string]>([
    ['coconut', { coconut: 30, olive: 65, castor: 5 }, 88, 0.472, 63.4, 25.5, 47.1, 'works'],
    ['coconut and palm', { coconut: 30, palm: 30, olive: 35, castor: 5 }, 88, 0.479, 55.1, 32.25, 47.7, 'works'],
    ['the same, cooler', { coconut: 30, palm: 30, olive: 35, castor: 5 }, 65, 0.479, 42.0, 32.25, 37.4, 'works'],
    ['cocoa', { coconut: 25, 'cocoa-butter': 15, olive: 55, castor: 5 }, 88, 0.466, 55.8, 27, 44.3, 'works'],
    ['shea', { coconut: 20, shea: 40, olive: 35, castor: 5 }, 88, 0.448, 49.0, 36.5, 42.7, 'works'],
    ['shea, cooler', { coconut: 20, shea: 40, olive: 35, castor: 5 }, 65, 0.448, 36.5, 36.5, 33.0, 'marginal'],
    ['much cocoa', { coconut: 20, 'cocoa-butter': 60, olive: 20 }, 88, 0.464, 33.4, 31, 32.0, 'marginal'],
    ['much cocoa, cooler', { coconut: 20, 'cocoa-butter': 60, olive: 20 }, 65, 0.464, 29.6, 31, 28.2, 'no'],
    ['much tallow', { coconut: 20, tallow: 60, olive: 20 }, 88, 0.467, 41.7, 39.5, 39.4, 'marginal'],
    ['tallow alone', { tallow: 100 }, 88, 0.443, 37.1, 41.5, 37.1, 'no'],
    ['palm alone', { palm: 100 }, 88, 0.45, 37.6, 37, 37.6, 'marginal'],
    ['beeswax', { beeswax: 2, coconut: 30, palm: 30, olive: 38 }, 88, 0.475, 53.2, 45.25, 46.5, 'no'],
  ])('hot lye on %s', (_, parts, lyeC, lyeKg, firstC, clearC, finalC, verdict) => {
    const oils = oilsByShare({ oils: Object.entries(parts).map(([oil, share]) => ({ oil, share })) }, referenceShelf())
    const melt = hotLyeMelt(oils, 1, lyeKg, 0.3, lyeC, ROOM)!
    expect(Math.abs(melt.firstC - firstC), `${melt.firstC}`).toBeLessThan(0.5)
    expect(Math.abs(melt.clearC - clearC)).toBeLessThan(0.3)
    expect(Math.abs(melt.finalC - finalC), `${melt.finalC}`).toBeLessThan(0.5)
    expect(melt.verdict).toBe(verdict)
  })
})
