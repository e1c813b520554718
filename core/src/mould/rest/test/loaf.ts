import { towels } from '../../../plan/index.ts'
import { expect } from 'vitest'
import { workedThrough } from '../history.ts'
import type { RestRunInput } from '../history.ts'
import { materialOf } from '../material.ts'
import type { Material, MaterialInput } from '../material.ts'
import { facesOf, plainBlock } from '../setup.ts'
import type { MouldHeat, Wrap } from '../setup.ts'
import type { Phase } from '../surroundings.ts'
import { restResult } from '../verdict.ts'

/** A loaf of 24 cm with a blend of four oils, as the reference cases have it. */

export const near = (value: number, wanted: number, by: number) => expect(Math.abs(value - wanted)).toBeLessThan(by)

/** 30 coconut, 25 palm, 40 olive, 5 castor; and half coconut. 5 % superfat, 3 % scent. */
export const BLEND = { sapKohMgPerG: 211.85, short: 0.2425, long: 0.2235, poly: 0.0775, ricinoleic: 0.044 }
export const COCO = { sapKohMgPerG: 224.8, short: 0.402, long: 0.199, poly: 0.06, ricinoleic: 0.044 }
export const made = (change: Partial<MaterialInput> = {}): Material =>
  materialOf({
    ...BLEND,
    ...{ superfatShare: 0.05, lyeConcentration: 0.32, scent: 0.03, sugar: 0, solids: 0, acceleration: 1 },
    ...change,
  })

export const LOAF: MouldHeat = {
  ...{ widthM: 0.08, heightM: 0.07, lengthM: 0.24, isRound: false, exposure: 1 },
  ...{ wall: { kind: 'wood', mm: 12 }, liner: 'silicone' },
}
export const BARE: Wrap = { cover: 'film', towels: towels(0), under: 'wood' }
export const WRAPPED: Wrap = { cover: 'lid', towels: towels(4, 4), under: 'wood' }
export const ROOM: Phase[] = [{ fromS: 0, place: 'room', tempC: 21, holdS: 0 }]

export interface Case {
  mould?: MouldHeat
  wrap?: Wrap
  material?: Material
  pourC: number
  converted?: number
  grid?: [number, number]
  phases?: Phase[]
  hours?: number
  lengthInPlace?: number
}
export const runInputOf = (one: Case): RestRunInput => {
  const mould = one.mould ?? LOAF
  const wrap = one.wrap ?? BARE
  const phases = one.phases ?? ROOM
  return {
    block: plainBlock(
      mould,
      wrap,
      one.material ?? made(),
      { tempC: one.pourC, converted: one.converted ?? 0.06, roomC: 21 },
      one.grid ?? [14, 20],
    ),
    ...{ phases, wraps: phases.map(() => facesOf(mould, wrap)), roomC: 21 },
    ...{ untilS: (one.hours ?? 12) * 3600, lengthInPlace: one.lengthInPlace ?? 0.48, frameS: 0 },
  }
}
export const about = { soft: 0.534, water: 0.206, lnHardeners: 0, firmEnough: 63, isWhite: false, smallestMm: 70 }
export const ran = (one: Case) => {
  const history = workedThrough(runInputOf(one))
  const at = (hours: number) =>
    history.curve.reduce((a, b) => (Math.abs(b.s / 3600 - hours) < Math.abs(a.s / 3600 - hours) ? b : a))
  return { history, at, result: restResult(history, about) }
}
