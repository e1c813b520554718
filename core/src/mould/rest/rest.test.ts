import { towels } from '../../plan/index.ts'
import { describe, expect, test } from 'vitest'
import { gelTemperature } from './material.ts'
import type { Material } from './material.ts'
import { Block } from './block.ts'
import type { BlockInput } from './block-input.ts'
import type { MouldHeat } from './setup.ts'
import { Surroundings } from './surroundings.ts'
import type { Phase } from './surroundings.ts'
import { lauricEffect, standingRate, withinReach } from '../../batter/standing/index.ts'
import { BARE, COCO, LOAF, WRAPPED, runInputOf, made, near, ran } from './test/loaf.ts'
import type { Case } from './test/loaf.ts'

describe('what a batter brings', () => {
  test('the blend at 32 % lye, number by number', () => {
    const m = made()
    near(m.water, 0.2062, 0.0004)
    near(m.cp50, 2501.9, 3)
    near(m.density, 1014.4, 1.2)
    near(m.conductivity, 0.2227, 0.0005)
    near(m.heat / 1000, 138.31, 0.2)
    near(m.quickness, 1.071, 0.005)
  })

  test.each([
    [0.25, 54.9],
    [0.28, 58],
    [0.3, 59.8],
    [0.33, 64.3],
    [0.36, 70.1],
    [0.4, 79.2],
    [0.45, 91.4],
  ])('at %d lye it gels at %d °C', (lyeConcentration, gelC) => near(made({ lyeConcentration }).gelC, gelC, 0.35))

  test('less water and longer fats gel later, within bounds', () => {
    expect(gelTemperature(0.15, 0.25)).toBeGreaterThan(gelTemperature(0.2, 0.25))
    expect(gelTemperature(0.2, 0.5)).toBeGreaterThan(gelTemperature(0.2, 0.2))
    expect(gelTemperature(0, 1)).toBe(100)
    expect(gelTemperature(0.6, 0)).toBe(50)
  })

  test.each([
    [25, 0.6887, [4.005, 15.21, 23.91, 55.16]],
    [40, 1.9862, [1.389, 5.275, 8.291, 19.13]],
    [60, 6.2606, [0.441, 1.674, 2.63, 6.068]],
    [75, 11.697, [0.236, 0.896, 1.408, 3.248]],
  ] as const)('held at %d °C: %d an hour, and hours to half, 90, 95 and 99 %', (c, perHour, hours) => {
    const rate = withinReach(standingRate(c))
    near((rate * 3600) / perHour, 1, 0.005)
    let x = 0.06
    let s = 0
    const stepS = 2
    for (const [i, wanted] of [0.5, 0.9, 0.95, 0.99].entries()) {
      while (x < wanted) {
        const mid = x + 0.5 * stepS * rate * (0.06 + x) * (1 - x) * (1 - 0.95 * x)
        x += stepS * rate * (0.06 + mid) * (1 - mid) * (1 - 0.95 * mid)
        s += stepS
      }
      near(s / 3600 / hours[i]!, 1, 0.006)
    }
  })

  test('much lauric acid quickens, and ever less so', () => {
    for (const [short, factor] of [
      [0.4, 2.52],
      [0.6, 3.28],
      [0.8, 3.45],
    ] as const)
      near(Math.exp(lauricEffect(short)), factor, 0.01)
  })
})

/** Soap that neither reacts nor gels, with properties that have exact answers. */
const INERT: Material = {
  ...made(),
  ...{ cp50: 2450, density: 1020, conductivity: 0.28, heat: 0, gelHeat: 0, quickness: 0 },
}
const OPEN = { facing: 'side', r1: 0, capacity: 0, r2: 0, outer: 1, under: 0, lengthM: 1, isOpen: false } as const
const SHUT = { ...OPEN, r2: 1e9 }
const inert = (change: Partial<BlockInput>): BlockInput => ({
  ...{ nx: 40, ny: 2, nz: 1, widthM: 0.035, heightM: 0.01, depthM: 1, isRound: false, lengthM: null },
  ...{ materials: [INERT], materialOf: new Uint8Array(80), startX: new Float64Array(80) },
  ...{ startC: new Float64Array(80).fill(60), faces: { side: OPEN, top: SHUT, bottom: SHUT, end: SHUT }, wallC: 20 },
  ...{ film: 8, cpSlope: 0, losses: 1, ...change },
})
const cooled = (input: BlockInput, hours: number): Block => {
  const block = new Block(input)
  while (block.timeS < hours * 3600 - 1e-6) block.stepBy(30, { airC: 20, roomC: 20, forced: 0, matC: null })
  return block
}
const surface = (c: number, dx: number) => ((2 * 0.28 * c) / dx + 8 * 20) / ((2 * 0.28) / dx + 8)

describe('exact answers', () => {
  test.each([
    [0.5, 58.753, 46.691],
    [1, 54.956, 43.003],
    [2, 47.492, 37.934],
    [4, 36.887, 31.014],
  ])('a slab of 70 mm after %d h: %d °C in the middle, %d at the surface', (hours, middle, outer) => {
    const block = cooled(inert({}), hours)
    near(block.T[0]!, middle, 0.1)
    near(surface(block.T[39]!, block.dx), outer, 0.1)
  })

  test.each([
    [0.5, 57.442, 44.494],
    [2, 39.106, 31.888],
    [4, 27.475, 24.651],
  ])('a cylinder of 76 mm after %d h: %d °C in the middle, %d at the surface', (hours, middle, outer) => {
    const block = cooled(inert({ widthM: 0.038, isRound: true }), hours)
    near(block.T[0]!, middle, 0.12)
    near(surface(block.T[39]!, block.dx), outer, 0.1)
  })

  test('a wall that takes up heat, and nothing outside', () => {
    const wall = { ...OPEN, r1: 0.06, capacity: 9600, r2: 1e9 }
    const block = cooled(inert({ faces: { side: wall, top: SHUT, bottom: SHUT, end: SHUT } }), 60)
    near(block.T[0]!, 56.044, 0.02)
  })

  test('without losses the heat of reaction warms, less what gelling takes', () => {
    const m = { ...INERT, heat: 130_000, gelHeat: 6000, quickness: 1, gelC: 63.55 }
    const input = inert({
      ...{ nx: 4, materials: [m], materialOf: new Uint8Array(8), startC: new Float64Array(8).fill(40) },
      ...{ startX: new Float64Array(8).fill(0.06), faces: { side: SHUT, top: SHUT, bottom: SHUT, end: SHUT } },
    })
    const block = new Block(input)
    const air = { airC: 20, roomC: 20, forced: 0, matC: null }
    // Before anything gels the same reaction by small steps of its own.
    let x = 0.06
    const warmth = () => 40 + (130_000 * (x - 0.06)) / 2450
    for (let s = 0; s < 1800; s += 0.5)
      x += 0.5 * withinReach(standingRate(warmth())) * (0.06 + x) * (1 - x) * (1 - 0.95 * x)
    while (block.timeS < 1800) block.stepBy(20, air)
    near(block.T[0]!, warmth(), 0.05)
    block.run(3600, air)
    near(block.T[0]!, 76.1, 1)
    block.run(48 * 3600, air)
    near(block.T[0]!, 87.429, 0.06)
  })

  test('an empty oven cools as it should', () => {
    const oven = new Surroundings([{ fromS: 0, place: 'oven', tempC: 55, holdS: 0 }], 20)
    expect(oven.at(0).airC).toBe(55)
    for (let s = 0; s < 7200; s += 10) {
      oven.at(s)
      oven.after(s, 10, 0)
    }
    near(oven.at(7200).airC, 20 + 35 * Math.exp(-7200 / 9091), 0.05)
  })
})

describe('laws', () => {
  test('what is made is lost or kept, to rounding; conversion never falls', () => {
    const block = new Block(runInputOf({ pourC: 40, wrap: WRAPPED }).block)
    let before = Float64Array.from(block.X)
    for (let s = 60; s <= 4 * 3600; s += 60) {
      block.run(s, { airC: 21, roomC: 21, forced: 0, matC: null })
      for (let i = 0; i < block.n; i += 1) expect(block.X[i]!).toBeGreaterThanOrEqual(before[i]!)
      before = Float64Array.from(block.X)
    }
    const { made: heat, lost, kept } = block
    near((heat - lost - kept) / heat, 0, 1e-9)
  })

  test('more wrap, a warmer pour or room never lower the peak; a quicker scent does not either', () => {
    const peak = (one: Partial<Case>) => ran({ pourC: 34, hours: 6, grid: [7, 10], ...one }).result.peakC
    const wraps = [0, 1, 2, 4].map(n => peak({ wrap: { ...WRAPPED, towels: towels(n, n) } }))
    const pours = [27, 30, 34, 40].map(pourC => peak({ pourC }))
    const scents = [0.7, 1, 1.5, 2, 3].map(acceleration => peak({ material: made({ acceleration }) }))
    for (const list of [wraps, pours, scents]) expect(list).toEqual([...list].sort((a, b) => a - b))
  })

  test('heat that was spent in the pot is missing in the mould', () => {
    const peaks = [0.03, 0.06, 0.15].map(
      converted => ran({ pourC: 36, converted, hours: 5, grid: [7, 10], wrap: WRAPPED }).history.peakC,
    )
    expect(peaks).toEqual([...peaks].sort((a, b) => b - a))
  })

  test('a finer grid changes neither peak nor class', () => {
    const [coarse, fine] = [
      [14, 20],
      [28, 40],
    ].map(grid => ran({ pourC: 38, hours: 6, grid: grid as [number, number] }).result)
    near(coarse!.peakC, fine!.peakC, 0.15)
    expect(coarse!.gel).toBe(fine!.gel)
  })
})

const COLUMN: MouldHeat = {
  ...{ widthM: 0.076, heightM: 0.3, lengthM: null, isRound: true, exposure: 1 },
  ...{ wall: { kind: 'pvc', mm: 4 }, liner: 'none' },
}
const SLAB: MouldHeat = { ...LOAF, widthM: 0.3, heightM: 0.045, lengthM: 0.4, liner: 'paper' }
const COLD: Phase[] = [{ fromS: 0, place: 'refrigerator', tempC: 4, holdS: 0 }]
const MAT: Phase[] = [{ fromS: 0, place: 'mat', tempC: 50, holdS: 3600 }]
const strong = (lyeConcentration: number, change = {}) => made({ lyeConcentration, ...change })

/** What a loaf, slab or column comes to; null: not looked at. */
interface Whole {
  one: Case
  peak: readonly [c: number, h: number]
  share: number
  margins: readonly [core: number, cold: number]
  start: number | null
  full: number | null
  core: readonly number[]
  mean: readonly number[]
}
const WHOLES: Readonly<Record<string, Whole>> = {
  'bare at 38 °C': {
    one: { pourC: 38 },
    ...{ peak: [67.9, 1.58], share: 0.44, margins: [5.4, -18.4], start: 71, full: null },
    ...{ core: [61.4, 65.5, 50.3, 30.8, 24.4], mean: [0.477, 0.881, 0.961, 0.978, 0.982] },
  },
  'in four towels at 40 °C': {
    one: { pourC: 40, wrap: WRAPPED, material: strong(0.33) },
    ...{ peak: [76.5, 1.42], share: 0.99, margins: [12.2, -1.2], start: 54, full: 113 },
    ...{ core: [71.9, 74.5, 64.9, 51.7, 40.9], mean: [0.643, 0.965, 0.996, 0.999, 1] },
  },
  'in the refrigerator at 30 °C': {
    one: { pourC: 30, phases: COLD, wrap: { ...BARE, under: 'rack' }, mould: { ...LOAF, lengthM: 0.17 } },
    ...{ peak: [39.6, 2], share: 0, margins: [-22.9, -47.6], start: null, full: null },
    ...{ core: [36.2, 38.8, 30.4, 12.9, 6.8], mean: [0.207, 0.406, 0.66, 0.772, 0.802] },
  },
  'on a mat under two towels at 32 °C': {
    one: { pourC: 32, phases: MAT, wrap: { cover: 'lid', towels: towels(2), under: 'wood' } },
    ...{ peak: [68.2, 2.17], share: 0.69, margins: [5.6, -6.6], start: 99, full: null },
    ...{ core: [46.7, 67.9, 60.3, 44.1, 33.6], mean: [0.322, 0.843, 0.98, 0.994, 0.996] },
  },
  'a slab of half coconut under a lid at 45 °C': {
    one: {
      ...{ pourC: 45, mould: SLAB, material: made(COCO), converted: 0.1, grid: [30, 14] as [number, number] },
      wrap: { ...BARE, cover: 'lid' },
    },
    ...{ peak: [84.8, 0.67], share: 1, margins: [24.1, 2.1], start: 18, full: 29 },
    ...{ core: [82.8, 74.8, 61.2, 44.5, 33.2], mean: [0.979, 0.997, 1] },
  },
  'hot, quick and sweet in four towels': {
    one: { pourC: 40, wrap: WRAPPED, material: strong(0.3, { acceleration: 2, sugar: 0.045 }), converted: 0.1 },
    ...{ peak: [86.7, 0.67], share: 1, margins: [25.9, 5.5], start: 21, full: 35 },
    ...{ core: [84.9, 76.9, 66, 52.2, 41.7], mean: [0.975, 0.997, 1] },
  },
  'a column at 38 °C': {
    one: { pourC: 38, mould: COLUMN, material: strong(0.33), grid: [16, 40] },
    ...{ peak: [63.6, 1.58], share: 0, margins: [-0.7, -26.9], start: null, full: null },
    ...{ core: [58.7, 61.8, 42.5, 26, 22.4], mean: [0.441, 0.818, 0.924, 0.952, 0.963] },
  },
  'a column at 43 °C': {
    one: { pourC: 43, mould: COLUMN, material: strong(0.33), grid: [16, 40] },
    ...{ peak: [71, 1.08], share: 0.3, margins: [6.7, -23.5], start: 49, full: null },
    ...{ core: [70.8, 63.2, 41.9, 25.6, 22.2], mean: [0.633, 0.898, 0.949, 0.966, 0.973] },
  },
}

describe('whole loaves, slabs and columns', () => {
  test.each(Object.keys(WHOLES))('%s', name => {
    const { one, peak, share, margins, start, full, core, mean } = WHOLES[name]!
    const { result, at } = ran(one)
    const time = (actual: number | null, wanted: number | null) =>
      wanted === null ? expect(actual).toBeNull() : near(actual!, wanted, Math.max(5, 0.05 * wanted))
    near(result.peakC, peak[0], 0.7)
    time(result.peakMin, 60 * peak[1])
    near(result.gelledShare, share, 0.04)
    near(result.coreMarginK, margins[0], 0.7)
    near(result.coldMarginK, margins[1], 0.7)
    time(result.startMin, start)
    time(result.fullMin, full)
    ;[1, 2, 4, 8, 12].forEach((hours, i) => {
      near(at(hours).core, core[i]!, 0.9)
      if (mean[i] !== undefined) near(at(hours).meanConverted, mean[i], 0.015)
    })
  })

  test('the ring and its rims are the mould’s width, and the slab gels from the middle outwards', () => {
    const { widthMm, sideRimMm, toMm } = ran({ pourC: 38 }).result.ring!
    expect(widthMm + 2 * sideRimMm).toBeCloseTo(80, 9)
    expect(sideRimMm).toBeGreaterThan(5)
    expect(toMm).toBeLessThan(65)
    const { gelledAt } = ran(WHOLES['a slab of half coconut under a lid at 45 °C']!.one).history.block
    const row = 7 * 30
    expect(gelledAt[row + 29]!).toBeGreaterThan(gelledAt[row]!)
  })
})
