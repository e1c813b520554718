import { describe, expect, test } from 'vitest'
import { gelTemperature } from './material.ts'
import type { Material } from './material.ts'
import { Block } from './block.ts'
import type { BlockInput } from './block.ts'
import type { MouldHeat, Wrap } from './setup.ts'
import { Surroundings } from './surroundings.ts'
import type { Phase } from './surroundings.ts'
import { restRate } from './tables.ts'
import { BARE, COCO, LOAF, WRAPPED, jobOf, made, near, ran } from './test/loaf.ts'
import type { Case } from './test/loaf.ts'

describe('what a batter brings', () => {
  test('the blend at 32 % lye, number by number', () => {
    const m = made()
    near(m.water, 0.2062, 0.0004)
    near(m.cp50, 2501.9, 3)
    near(m.density, 1014.4, 1.2)
    near(m.conductivity, 0.2227, 0.0005)
    near(m.heat / 1000, 138.31, 0.2)
    near(m.quickness, 1.0477, 0.005)
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
    [25, 0.6685],
    [40, 1.9411],
    [60, 6.9],
    [75, 16.233],
  ])('the rate at %d °C is %d an hour', (c, perHour) => near((restRate(c) * 3600) / perHour, 1, 0.005))
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
    for (let s = 0; s < 1800; s += 0.5) x += 0.5 * restRate(warmth()) * (0.06 + x) * (1 - x) * (1 - 0.95 * x)
    while (block.timeS < 1800) block.stepBy(20, air)
    near(block.T[0]!, warmth(), 0.05)
    block.run(3600, air)
    near(block.T[0]!, 80.5, 1.5)
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
    const block = new Block(jobOf({ pourC: 40, wrap: WRAPPED }).block)
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
    const towels = [0, 1, 2, 4].map(n => peak({ wrap: { ...WRAPPED, towels: n } }))
    const pours = [27, 30, 34, 40].map(pourC => peak({ pourC }))
    const scents = [0.7, 1, 1.5, 2, 3].map(acceleration => peak({ material: made({ acceleration }) }))
    for (const list of [towels, pours, scents]) expect(list).toEqual([...list].sort((a, b) => a - b))
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

describe('whole loaves', () => {
  test('poured at 38 °C without a wrap: a ring', () => {
    const { result, at } = ran({ pourC: 38 })
    near(result.gelC, 62.6, 0.4)
    near(result.peakC, 68.3, 0.9)
    near(result.peakMin / 60, 1.57, 0.12)
    near(result.gelledShare, 0.46, 0.06)
    expect(result.gel).toBe('partial')
    near(result.coreMarginK, 5.7, 0.9)
    near(result.startMin!, 71, 5)
    expect(result.fullMin).toBeNull()
    for (const [hours, c] of [
      [1, 60],
      [2, 65.5],
      [4, 50.4],
      [8, 30.8],
    ] as const)
      near(at(hours).core, c, 1.2)
    near(at(4).meanConverted, 0.963, 0.015)
    const { widthMm, sideRimMm, toMm } = result.ring!
    expect(widthMm + 2 * sideRimMm).toBeCloseTo(80, 9)
    expect(sideRimMm).toBeGreaterThan(5)
    expect(toMm).toBeLessThan(65)
  })

  test('at 40 °C in four towels: gels to the corners', () => {
    const { result, at } = ran({ pourC: 40, wrap: WRAPPED, material: made({ lyeConcentration: 0.33 }) })
    near(result.peakC, 77.4, 0.9)
    expect(result.gel).toBe('full')
    near(result.startMin!, 53, 4)
    near(at(4).core, 64.6, 1.2)
    near(at(12).core, 40.6, 1.2)
  })

  test('at 30 °C in the refrigerator: none', () => {
    const phases: Phase[] = [{ fromS: 0, place: 'refrigerator', tempC: 4, holdS: 0 }]
    const wrap: Wrap = { ...BARE, under: 'rack' }
    const { result, at } = ran({ pourC: 30, phases, wrap, mould: { ...LOAF, lengthM: 0.17 } })
    expect(result.gel).toBe('none')
    near(result.peakC, 38, 1)
    near(at(4).core, 29.4, 1.2)
  })

  test('hot, quick and sweet, wrapped: overheats', () => {
    const material = made({ lyeConcentration: 0.3, acceleration: 2, sugar: 0.045 })
    const { result } = ran({ pourC: 40, wrap: WRAPPED, material, converted: 0.1 })
    near(result.peakC, 90.6, 1.2)
    expect(result.crack).toBeGreaterThan(0.6)
    expect(result.browning).toBeGreaterThan(4)
  })

  test('a slab of half coconut, lid on, gels within the hour, from the middle outwards', () => {
    const mould: MouldHeat = { ...LOAF, widthM: 0.3, heightM: 0.045, lengthM: 0.4, liner: 'paper' }
    const material = made(COCO)
    const { result, history } = ran({
      mould,
      pourC: 45,
      converted: 0.1,
      material,
      grid: [30, 14],
      wrap: { ...BARE, cover: 'lid' },
    })
    near(result.peakC, 84.6, 1.5)
    near(result.startMin!, 26, 4)
    expect(result.fullMin!).toBeGreaterThan(result.startMin!)
    const { gelledAt } = history.block
    const row = 7 * 30
    expect(gelledAt[row + 29]!).toBeGreaterThan(gelledAt[row]!)
  })

  test('a column that stands stops just short', () => {
    const mould: MouldHeat = {
      ...{ widthM: 0.076, heightM: 0.3, lengthM: null, isRound: true, exposure: 1 },
      ...{ wall: { kind: 'pvc', mm: 4 }, liner: 'none' },
    }
    const { result } = ran({ mould, pourC: 38, material: made({ lyeConcentration: 0.33 }), grid: [16, 40] })
    near(result.peakC, 63.7, 1)
    expect(result.gel).toBe('none')
  })
})
