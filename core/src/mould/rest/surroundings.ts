import type { BoxKind, Place, RestBox } from '../../plan/index.ts'
import type { Around } from './block-input.ts'

/** From when on the mould stands where. Times in s from the pour, °C. */
export interface Phase {
  fromS: number
  place: Place
  /** Of the oven or the mat at its start. */
  tempC: number
  /** How long the oven is held there, or the mat stays on, s. */
  holdS: number
}

const FIXED_C = { refrigerator: 4, freezer: -18 } as const
/** Air that a refrigerator moves, W/(m²K) (E). */
const COLD_FORCED = 6
/** Heat capacity in J/K and losses in W/K of what closes around a mould. */
interface Enclosure {
  capacity: number
  loss: number
}
/** A usual oven (E; a maker's own cooling replaces it). */
const OVEN: Enclosure = { capacity: 20_000, loss: 2.2 }
/** Resistance of a box's walls beside that of the air on them, m²K/W (handbook, 25 mm of foam), and what of a box is surface. */
const BOX_WALLS: Readonly<Record<BoxKind, number>> = { cardboard: 0.06, foam: 0.71, cupboard: 0.12 }
const BOX_AIR = 0.25
const BOX_FREE = 0.9

/** Losses and heat capacity of a box by its size (E). */
export function enclosureOf({ kind, litres }: Pick<RestBox, 'kind' | 'litres'>): Enclosure {
  const areaM2 = 6 * Math.pow(litres / 1000, 2 / 3) * BOX_FREE
  return { capacity: 400 + 20 * Math.pow(litres, 2 / 3), loss: areaM2 / (BOX_AIR + BOX_WALLS[kind]) }
}

/** The room from a time on: s from the pour, °C. */
export interface RoomFrom {
  fromS: number
  tempC: number
}

/** An empty oven, switched off: from one temperature to another in so many minutes. */
export interface OvenCools {
  fromC: number
  toC: number
  inMin: number
}

/** Time in which an oven comes 63 % of the way to the room, s: from two readings. */
export const coolingS = ({ fromC, toC, inMin }: OvenCools, roomC: number): number =>
  (inMin * 60) / Math.log((fromC - roomC) / (toC - roomC))

/** A cardboard box for one loaf. */
export const USUAL_BOX: RestBox = { kind: 'cardboard', litres: 18, moulds: 1 }

/** Where the mould stands, moment by moment; ovens and boxes have a warmth of their own. */
export class Surroundings {
  #enclosureC: number
  #phase = -1

  constructor(
    readonly phases: readonly Phase[],
    readonly roomC: number,
    /** The maker's own oven; null: a usual one. */
    readonly oven: OvenCools | null = null,
    readonly box: RestBox = USUAL_BOX,
    /** Changes of the room after the pour, in their order. */
    readonly later: readonly RoomFrom[] = [],
  ) {
    this.#enclosureC = roomC
  }

  /** The room at a time, °C. */
  roomAt(s: number): number {
    return this.later.findLast(change => change.fromS <= s + 1e-6)?.tempC ?? this.roomC
  }

  /** Moments at which something changes, s. */
  get changes(): number[] {
    const places = this.phases.flatMap(({ fromS, place, holdS }) =>
      (place === 'oven' || place === 'mat') && holdS > 0 ? [fromS, fromS + holdS] : [fromS],
    )
    return [...places, ...this.later.map(change => change.fromS)].sort((a, b) => a - b)
  }

  phaseAt(s: number): number {
    return Math.max(
      0,
      this.phases.findLastIndex(phase => phase.fromS <= s + 1e-6),
    )
  }

  /** What surrounds the mould from `s` on. */
  at(s: number): Around {
    const i = this.phaseAt(s)
    const phase = this.phases[i]!
    const roomC = this.roomAt(s)
    if (i !== this.#phase) {
      this.#phase = i
      this.#enclosureC = phase.place === 'oven' ? phase.tempC : roomC
    }
    const still: Around = { airC: roomC, roomC, forced: 0, matC: null }
    if (phase.place === 'refrigerator' || phase.place === 'freezer')
      return { airC: FIXED_C[phase.place], roomC, forced: COLD_FORCED, matC: null }
    if (phase.place === 'mat') {
      const isOn = s < phase.fromS + phase.holdS - 1e-6
      return { ...still, matC: isOn ? phase.tempC : null }
    }
    if (phase.place === 'oven' || phase.place === 'box') return { ...still, airC: this.#enclosureC }
    return still
  }

  /** Warms and cools what closes around the mould, by the heat that all moulds in it give, W. */
  after(s: number, dt: number, heatW: number): void {
    const phase = this.phases[this.phaseAt(s)]!
    if (phase.place !== 'oven' && phase.place !== 'box') return
    const isOven = phase.place === 'oven'
    const { capacity, loss: usual } = isOven ? OVEN : enclosureOf(this.box)
    const roomC = this.roomAt(s)
    const loss = isOven && this.oven ? capacity / coolingS(this.oven, this.roomC) : usual
    const allW = isOven ? heatW : heatW * this.box.moulds
    const goal = (capacity / dt) * this.#enclosureC + loss * roomC + allW
    this.#enclosureC = goal / (capacity / dt + loss)
    if (phase.place === 'oven' && s < phase.fromS + phase.holdS)
      this.#enclosureC = Math.max(this.#enclosureC, phase.tempC)
  }
}
