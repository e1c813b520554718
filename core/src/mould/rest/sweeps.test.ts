import { describe, expect, test } from 'vitest'
import { towels } from '../../plan/index.ts'
import { restNumbers } from './chances.ts'
import { workedThrough } from './history.ts'
import type { RestRunInput } from './history.ts'
import { facesOf, plainBlock } from './setup.ts'
import type { MouldHeat, Wrap } from './setup.ts'
import type { Phase } from './surroundings.ts'
import { BARE, COCO, LOAF, ROOM, WRAPPED, about, made, near } from './test/loaf.ts'
import { restResult } from './verdict.ts'

describe('cavities in three dimensions', () => {
  const CAVITY: MouldHeat = {
    ...{ widthM: 0.055, heightM: 0.026, lengthM: 0.08, isRound: false, exposure: 0.55 },
    ...{ wall: { kind: 'silicone', mm: 2 }, liner: 'none' },
  }
  const OPEN: Wrap = { ...BARE, cover: 'open' }
  const cavity = (tempC: number, phase: Phase, count: number, wrap = OPEN) => {
    const input: RestRunInput = {
      block: plainBlock(CAVITY, wrap, made(), { tempC, converted: 0.06, roomC: 21 }, [8, 8, 8]),
      ...{ phases: [phase], wraps: [facesOf(CAVITY, wrap)], roomC: 21 },
      ...{ untilS: 12 * 3600, lengthInPlace: 4 * count, frameS: 0 },
    }
    const history = workedThrough(input)
    const at = (hours: number) =>
      history.curve.reduce((a, b) => (Math.abs(b.s / 3600 - hours) < Math.abs(a.s / 3600 - hours) ? b : a))
    return { at, result: restResult(history, { ...about, smallestMm: 26 }) }
  }

  test('in the room they hardly warm', () => {
    const { result, at } = cavity(35, { fromS: 0, place: 'room', tempC: 21, holdS: 0 }, 12)
    expect(result.gel).toBe('none')
    near(result.peakC, 37.4, 0.7)
    near(at(4).core, 28.9, 0.7)
    near(at(4).meanConverted, 0.723, 0.015)
  })

  test('a dozen in an oven of 55 °C that is switched off gel nearly through, and warm the oven too', () => {
    const { result, at } = cavity(38, { fromS: 0, place: 'oven', tempC: 55, holdS: 0 }, 12, { ...OPEN, under: 'rack' })
    near(result.peakC, 70.6, 0.7)
    near(result.gelledShare, 0.81, 0.04)
    near(result.startMin!, 51, 5)
    near(at(1).around, 45, 1)
    near(at(4).around, 32.2, 1)
    expect(result.ring!.toMm).toBeLessThanOrEqual(26 + 1e-9)
    expect(result.ring!.widthMm).toBeLessThanOrEqual(55 + 1e-9)
  })
})

/** A case as its many runs need it. */
interface Odds {
  mould?: MouldHeat
  wrap?: Wrap
  made?: Parameters<typeof made>[0]
  pourC: number
  converted?: number
  roomC?: number
  gel: readonly [none: number, partial: number, full: number]
  peak: readonly [low: number, middle: number, high: number]
  start: readonly [low: number, middle: number, high: number] | null
  crack: number
}
const SWEET = { lyeConcentration: 0.3, acceleration: 2, sugar: 0.045 }
const SLAB: MouldHeat = { ...LOAF, widthM: 0.3, heightM: 0.045, lengthM: 0.4, liner: 'paper' }
const ALL_COCONUT = {
  ...{ sapKohMgPerG: 257, short: 0.8, long: 0.12, poly: 0.02, ricinoleic: 0 },
  ...{ superfatShare: 0.2, lyeConcentration: 0.33 },
}
const ODDS: Readonly<Record<string, Odds>> = {
  'wrapped at 38 °C': {
    ...{ pourC: 38, wrap: WRAPPED },
    ...{ gel: [0.04, 0.38, 0.58], peak: [67, 73, 78], start: [41, 64, 115], crack: 0.02 },
  },
  'wrapped at 43 °C': {
    ...{ pourC: 43, wrap: WRAPPED },
    ...{ gel: [0.02, 0.13, 0.85], peak: [73, 79, 84], start: [29, 42, 68], crack: 0.08 },
  },
  'bare at 27 °C in a cool room': {
    ...{ pourC: 27, roomC: 17 },
    ...{ gel: [0.94, 0.04, 0.02], peak: [40, 51, 58], start: null, crack: 0.01 },
  },
  'bare at 32 °C': {
    ...{ pourC: 32 },
    ...{ gel: [0.66, 0.32, 0.02], peak: [51, 60, 66], start: null, crack: 0.01 },
  },
  'bare at 36 °C': {
    ...{ pourC: 36 },
    ...{ gel: [0.34, 0.64, 0.02], peak: [56, 65, 71], start: [47, 77, 110], crack: 0.01 },
  },
  'bare at 40 °C': {
    ...{ pourC: 40 },
    ...{ gel: [0.12, 0.84, 0.03], peak: [61, 71, 77], start: [36, 56, 93], crack: 0.02 },
  },
  'bare at 33 °C with 40 % lye': {
    ...{ pourC: 33, made: { lyeConcentration: 0.4 } },
    ...{ gel: [0.95, 0.03, 0.02], peak: [58, 68, 75], start: null, crack: 0.02 },
  },
  'a slab of half coconut under lid and towel at 38 °C': {
    ...{ mould: SLAB, wrap: { ...BARE, cover: 'lid', towels: towels(1) }, pourC: 38, converted: 0.07 },
    made: { ...COCO, acceleration: 1.1 },
    ...{ gel: [0.02, 0.09, 0.89], peak: [76, 80, 83], start: [19, 27, 39], crack: 0.07 },
  },
  'sweet and quick, wrapped at 40 °C': {
    ...{ pourC: 40, wrap: WRAPPED, made: SWEET, converted: 0.08 },
    ...{ gel: [0.02, 0.04, 0.94], peak: [83, 88, 91], start: [16, 22, 30], crack: 0.63 },
  },
  'sweet and quick, bare at 32 °C': {
    ...{ pourC: 32, made: SWEET, converted: 0.08 },
    ...{ gel: [0.02, 0.73, 0.25], peak: [72, 77, 81], start: [25, 35, 53], crack: 0.1 },
  },
  'all coconut, bare at 40 °C': {
    ...{ pourC: 40, made: ALL_COCONUT, mould: { ...LOAF, lengthM: 0.21 } },
    ...{ gel: [0.02, 0.33, 0.65], peak: [81, 85, 89], start: [16, 22, 30], crack: 0.51 },
  },
}

function oddsInput({ mould = LOAF, wrap = BARE, pourC, converted = 0.06, roomC = 21, made: of }: Odds): RestRunInput {
  const block = plainBlock(mould, wrap, made(of), { tempC: pourC, converted, roomC }, [7, 11])
  return {
    block: { ...block, stepK: 2 },
    ...{ phases: ROOM, wraps: [facesOf(mould, wrap)], roomC, untilS: 48 * 3600, lengthInPlace: 0.48, frameS: 0 },
  }
}

describe('chances', () => {
  test.each(Object.keys(ODDS))('%s', name => {
    const odds = ODDS[name]!
    const numbers = restNumbers(oddsInput(odds), { ...about, smallestMm: odds.mould ? 45 : 70 })
    const { none, partial, full } = numbers.gel
    expect(none + partial + full).toBeCloseTo(1, 6)
    near(none, odds.gel[0], 0.06)
    near(partial, odds.gel[1], 0.08)
    near(full, odds.gel[2], 0.08)
    const { low, middle, high } = numbers.peakC
    ;[low, middle, high].forEach((c, i) => near(c, odds.peak[i]!, 2))
    if (odds.start === null) expect(numbers.startMin?.share ?? 0).toBeLessThan(0.75)
    else
      [numbers.startMin!.low, numbers.startMin!.middle, numbers.startMin!.high].forEach((min, i) =>
        near(min / odds.start![i]!, 1, 0.15),
      )
    near(numbers.crack, odds.crack, odds.made === ALL_COCONUT ? 0.12 : 0.06)
    for (const point of numbers.core) expect(point.low).toBeLessThan(point.high)
  })

  test('never none and never sure, and never likelier not to gel for a warmer pour', () => {
    let before = 1
    for (let pourC = 27; pourC <= 46; pourC += 1) {
      const { gel, crack } = restNumbers(oddsInput({ ...ODDS['bare at 32 °C']!, pourC }), about, 12)
      expect(gel.none).toBeLessThanOrEqual(before + 1e-9)
      expect(Math.min(gel.none, gel.partial, gel.full, crack)).toBeGreaterThanOrEqual(0.01)
      before = gel.none
    }
  })
})
