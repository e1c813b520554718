import type { Around } from './block.ts'

export const PLACES = {
  room: 'in the room',
  refrigerator: 'in the refrigerator',
  freezer: 'in the freezer',
  oven: 'in the oven, heated and switched off',
  mat: 'on a heating mat',
  box: 'in a closed box',
} as const
export type Place = keyof typeof PLACES

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
/** Heat capacity in J/K and losses in W/K of what closes around a mould (E; a maker's own cooling replaces them). */
export const ENCLOSURES = { oven: { capacity: 20_000, loss: 2.2 }, box: { capacity: 600, loss: 1 } } as const

/** An empty oven, switched off: from one temperature to another in so many minutes. */
export interface OvenCools {
  fromC: number
  toC: number
  inMin: number
}

/** Time in which an oven comes 63 % of the way to the room, s: from two readings. */
export const coolingS = ({ fromC, toC, inMin }: OvenCools, roomC: number): number =>
  (inMin * 60) / Math.log((fromC - roomC) / (toC - roomC))

/** Where the mould stands, moment by moment; ovens and boxes have a warmth of their own. */
export class Surroundings {
  #enclosureC: number
  #phase = -1

  constructor(
    readonly phases: readonly Phase[],
    readonly roomC: number,
    /** The maker's own oven; null: a usual one. */
    readonly oven: OvenCools | null = null,
  ) {
    this.#enclosureC = roomC
  }

  /** Moments at which something changes, s. */
  get changes(): number[] {
    return this.phases.flatMap(({ fromS, place, holdS }) =>
      (place === 'oven' || place === 'mat') && holdS > 0 ? [fromS, fromS + holdS] : [fromS],
    )
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
    const { roomC } = this
    if (i !== this.#phase) {
      this.#phase = i
      this.#enclosureC = phase.place === 'oven' ? phase.tempC : roomC
    }
    const still = { roomC, forced: 0, matC: null }
    if (phase.place === 'refrigerator' || phase.place === 'freezer')
      return { airC: FIXED_C[phase.place], roomC, forced: COLD_FORCED, matC: null }
    if (phase.place === 'mat') {
      const isOn = s < phase.fromS + phase.holdS - 1e-6
      return { ...still, airC: roomC, matC: isOn ? phase.tempC : null }
    }
    if (phase.place === 'oven' || phase.place === 'box') return { ...still, airC: this.#enclosureC }
    return { ...still, airC: roomC }
  }

  /** Warms and cools what closes around the mould, by the heat that all moulds in it give, W. */
  after(s: number, dt: number, heatW: number): void {
    const phase = this.phases[this.phaseAt(s)]!
    if (phase.place !== 'oven' && phase.place !== 'box') return
    const { capacity } = ENCLOSURES[phase.place]
    const own = phase.place === 'oven' && this.oven
    const loss = own ? capacity / coolingS(own, this.roomC) : ENCLOSURES[phase.place].loss
    const goal = (capacity / dt) * this.#enclosureC + loss * this.roomC + heatW
    this.#enclosureC = goal / (capacity / dt + loss)
    if (phase.place === 'oven' && s < phase.fromS + phase.holdS)
      this.#enclosureC = Math.max(this.#enclosureC, phase.tempC)
  }
}
