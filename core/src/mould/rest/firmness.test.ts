import { describe, expect, test } from 'vitest'
import { towels } from '../../plan/index.ts'
import { FIRM, firmS, firmnessOf, settingHours } from './firmness.ts'
import { workedThrough } from './history.ts'
import type { RestRunInput } from './history.ts'
import { gelledShareOf } from './run.ts'
import { facesOf, plainBlock } from './setup.ts'
import type { MouldHeat, Wrap } from './setup.ts'
import type { Phase } from './surroundings.ts'
import { BARE, LOAF, ROOM, WRAPPED, made, near } from './test/loaf.ts'

const OLIVE = { sapKohMgPerG: 190, short: 0, long: 0.16, poly: 0.11, ricinoleic: 0 }
const COCONUT = { sapKohMgPerG: 257, short: 0.8, long: 0.12, poly: 0.02, ricinoleic: 0 }
const LID: Wrap = { cover: 'lid', towels: towels(4), under: 'wood' }
const BACK: Phase[] = [
  { fromS: 0, place: 'refrigerator', tempC: 4, holdS: 0 },
  { fromS: 24 * 3600, place: 'room', tempC: 21, holdS: 0 },
]

interface Loaf {
  pourC: number
  made?: Parameters<typeof made>[0]
  wrap?: Wrap
  phases?: Phase[]
  roomC?: number
  mould?: MouldHeat
  lnHardeners?: number
}

/** Hours until it may come out, and until it is hard. */
function hoursOf({
  pourC,
  made: of = {},
  wrap = BARE,
  phases = ROOM,
  roomC = 21,
  mould = LOAF,
  lnHardeners = 0,
}: Loaf) {
  const material = made(of)
  const block = plainBlock(mould, wrap, material, { tempC: pourC, converted: 0.06, roomC }, [7, 11])
  const input: RestRunInput = {
    block: { ...block, stepK: 2 },
    phases,
    wraps: phases.map(phase => facesOf(mould, phase.place === 'refrigerator' ? { ...wrap, under: 'rack' } : wrap)),
    ...{ roomC, untilS: 120 * 3600, lengthInPlace: 0.48, frameS: 0 },
  }
  const history = workedThrough(input)
  const { short, long } = { short: 0.2425, long: 0.2235, ...of }
  const setting = { soft: 1 - short - long, water: material.water, lnHardeners }
  const firmness = firmnessOf(history.curve, setting, gelledShareOf(history))
  const at = (wanted: number) => (firmS(history.curve, firmness, wanted) ?? NaN) / 3600
  return { firmness, unmould: at(FIRM.unmould), hard: at(FIRM.hard) }
}

describe('when it can come out', () => {
  test.each<[string, Loaf, number, number | null]>([
    ['bare at 32 °C', { pourC: 32 }, 23.1, 61],
    ['with 2.5 % lactate', { pourC: 32, lnHardeners: -0.22 * 2.5 }, 15.2, 37],
    ['with 1 % salt', { pourC: 32, lnHardeners: -0.28 }, 18.5, 47],
    ['with 2 % lactate and 1 % salt', { pourC: 32, lnHardeners: -0.72 }, 13.6, 32],
    ['with 1 % citrate', { pourC: 32, lnHardeners: 0.05 }, 24, 64],
    ['bare at 38 °C, a ring', { pourC: 38 }, 16.1, 40],
    ['in towels at 40 °C', { pourC: 40, wrap: LID, made: { lyeConcentration: 0.33 } }, 15.1, 20],
    ['wrapped at 38 °C', { pourC: 38, wrap: WRAPPED }, 16.3, 21],
    ['with much water', { pourC: 31, made: { lyeConcentration: 0.265 } }, 30.2, 82],
    ['with little', { pourC: 31, made: { lyeConcentration: 0.355 } }, 20.3, 53],
    ['olive alone', { pourC: 35, made: { ...OLIVE, lyeConcentration: 0.33 } }, 50.1, null],
    ['olive alone with much water', { pourC: 35, made: { ...OLIVE, lyeConcentration: 0.27 } }, 66.4, null],
    [
      'all coconut',
      {
        pourC: 40,
        made: { ...COCONUT, superfatShare: 0.2, lyeConcentration: 0.33 },
        mould: { ...LOAF, lengthM: 0.21 },
      },
      4.7,
      6,
    ],
    ['a day in the refrigerator first', { pourC: 32, phases: BACK }, 47, 85],
    ['in a cold room', { pourC: 38, roomC: 14 }, 27.3, 80],
  ])('%s', (_, loaf, unmould, hard) => {
    const found = hoursOf(loaf)
    near(found.unmould / unmould, 1, 0.06)
    if (hard !== null) near(found.hard / hard, 1, 0.08)
    for (let i = 1; i < found.firmness.length; i += 1)
      expect(found.firmness[i]!).toBeGreaterThanOrEqual(found.firmness[i - 1]!)
  })

  test.each([
    [0.535, 0.206, 0, 0, 19],
    [0.535, 0.206, 0, 1, 3.04],
    [0.84, 0.2, 0, 0, 45.62],
    [0.08, 0.22, 0, 1, 0.85],
    [0.535, 0.206, -0.55, 0, 10.96],
  ])('soft %f, water %f, hardeners %f, gelled %f: %f h', (soft, water, lnHardeners, gelled, hours) => {
    near(settingHours({ soft, water, lnHardeners }, gelled), hours, 0.01)
  })

  test('more hardener is never later', () => {
    const times = [0, -0.2, -0.4, -0.6].map(lnHardeners => hoursOf({ pourC: 33, lnHardeners }).unmould)
    expect(times).toEqual([...times].sort((a, b) => b - a))
  })
})
