import { describe, expect, test } from 'vitest'
import { restChances } from './chances.ts'
import { workedThrough } from './history.ts'
import type { RestJob } from './history.ts'
import { facesOf, plainBlock } from './setup.ts'
import type { MouldHeat, Wrap } from './setup.ts'
import type { Phase } from './surroundings.ts'
import { BARE, LOAF, ROOM, WRAPPED, about, made, near, ran } from './test/loaf.ts'
import { restResult } from './verdict.ts'

/** What is changed, the gelled share and the peak in °C that come of it. */
type Sweep = readonly (readonly [value: number, share: number, peakC: number])[]
const BY_POUR: Sweep = [
  [30, 0, 58],
  [33, 0, 62],
  [36, 0.24, 65],
  [38, 0.46, 68],
  [40, 0.63, 71],
  [43, 0.81, 76],
]
const WRAPPED_BY_POUR: Sweep = [
  [27, 0, 62],
  [30, 0.33, 64],
  [33, 0.75, 68],
  [36, 0.96, 71],
  [40, 1, 77],
]
const BY_LYE: Sweep = [
  [0.25, 1, 69],
  [0.3, 1, 75],
  [0.36, 0.9, 80],
  [0.38, 0.68, 82],
  [0.4, 0.42, 83],
]
const BY_SCENT: Sweep = [
  [0.7, 0, 54],
  [1.5, 0.45, 68],
  [2, 0.66, 72],
  [3, 0.84, 76],
]

describe('one thing changed, all else the same', () => {
  const sweeps = [
    ['poured under film, °C', BY_POUR, 0.06, (pourC: number) => ({ pourC, hours: 6 })],
    ['poured and wrapped, °C', WRAPPED_BY_POUR, 0.07, (pourC: number) => ({ pourC, wrap: WRAPPED, hours: 8 })],
    [
      'lye, wrapped at 40 °C',
      BY_LYE,
      0.08,
      (lyeConcentration: number) => ({ pourC: 40, wrap: WRAPPED, material: made({ lyeConcentration }), hours: 8 }),
    ],
    [
      'a scent that quickens so many times, poured at 33 °C',
      BY_SCENT,
      0.06,
      (acceleration: number) => ({ pourC: 33, material: made({ acceleration }), hours: 6 }),
    ],
  ] as const
  const cases = sweeps.flatMap(([name, sweep, within, of]) =>
    sweep.map(([value, share, peakC]) => ({ name, value, share, peakC, within, one: of(value) })),
  )

  test.each(cases)('$name: $value gels $share, peak $peakC °C', ({ share, peakC, within, one }) => {
    const { result } = ran(one)
    near(result.gelledShare, share, within)
    near(result.peakC, peakC, 1.2)
  })
})

describe('cavities in three dimensions', () => {
  const CAVITY: MouldHeat = {
    ...{ widthM: 0.055, heightM: 0.026, lengthM: 0.08, isRound: false, exposure: 0.55 },
    ...{ wall: { kind: 'silicone', mm: 2 }, liner: 'none' },
  }
  const OPEN: Wrap = { ...BARE, cover: 'open' }
  const cavity = (tempC: number, phase: Phase, count: number, wrap = OPEN) => {
    const job: RestJob = {
      block: plainBlock(CAVITY, wrap, made(), { tempC, converted: 0.06, roomC: 21 }, [8, 8, 8]),
      ...{ phases: [phase], wraps: [facesOf(CAVITY, wrap)], roomC: 21 },
      ...{ untilS: 12 * 3600, lengthInPlace: 4 * count, frameS: 0 },
    }
    const history = workedThrough(job)
    const at = (hours: number) =>
      history.curve.reduce((a, b) => (Math.abs(b.s / 3600 - hours) < Math.abs(a.s / 3600 - hours) ? b : a))
    return { at, result: restResult(history, { ...about, smallestMm: 26 }) }
  }

  test('in the room they hardly warm', () => {
    const { result, at } = cavity(35, { fromS: 0, place: 'room', tempC: 21, holdS: 0 }, 12)
    expect(result.gel).toBe('none')
    near(result.peakC, 36.4, 0.8)
    near(at(4).core, 29, 1)
    near(at(4).meanConverted, 0.696, 0.02)
  })

  test('a dozen in an oven of 55 °C that is switched off gel nearly through, and warm the oven too', () => {
    const { result, at } = cavity(38, { fromS: 0, place: 'oven', tempC: 55, holdS: 0 }, 12, { ...OPEN, under: 'rack' })
    near(result.peakC, 71.7, 1.2)
    near(result.gelledShare, 0.85, 0.1)
    near(result.startMin!, 51, 5)
    near(at(1).around, 45, 1)
    near(at(4).around, 32.2, 1)
    expect(result.ring!.toMm).toBeLessThanOrEqual(26 + 1e-9)
    expect(result.ring!.widthMm).toBeLessThanOrEqual(55 + 1e-9)
  })
})

describe('chances', () => {
  const chances = (pourC: number, wrap: Wrap, roomC = 21, lyeConcentration = 0.32) => {
    const block = plainBlock(LOAF, wrap, made({ lyeConcentration }), { tempC: pourC, converted: 0.06, roomC }, [7, 10])
    const job = {
      block,
      phases: ROOM,
      wraps: [facesOf(LOAF, wrap)],
      roomC,
      untilS: 6 * 3600,
      lengthInPlace: 0.48,
      frameS: 0,
    }
    return restChances(job, 64)
  }
  test.each([
    ['wrapped at 38 °C', 38, WRAPPED, 21, 0.32, [0, 0.41, 0.59], [69, 74, 78]],
    ['wrapped at 43 °C', 43, WRAPPED, 21, 0.32, [0, 0.06, 0.94], [75, 81, 85]],
    ['bare at 32 °C', 32, BARE, 21, 0.32, [0.7, 0.3, 0], [51, 60, 66]],
    ['bare at 36 °C', 36, BARE, 21, 0.32, [0.38, 0.61, 0.02], [57, 65, 72]],
    ['bare at 40 °C', 40, BARE, 21, 0.32, [0.16, 0.78, 0.06], [63, 71, 78]],
    ['bare at 33 °C with 40 % lye', 33, BARE, 21, 0.4, [0.95, 0.05, 0], [60, 69, 76]],
  ] as const)('%s', (_, pourC, wrap, roomC, lye, gel, peak) => {
    const found = chances(pourC, wrap, roomC, lye)
    near(found.gel.none, gel[0], 0.1)
    near(found.gel.partial, gel[1], 0.1)
    near(found.gel.full, gel[2], 0.1)
    peak.forEach((c, i) => near(found.peakC[i]!, c, 2))
    for (const { low, high } of found.core) expect(low).toBeLessThanOrEqual(high)
    expect(Math.max(...found.core.map(one => one.high))).toBeLessThanOrEqual(Math.max(...found.peakC) + 6)
  })
})
