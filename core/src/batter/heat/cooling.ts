import { CONSTANTS } from '../../quantities/constants/index.ts'
import { lyeDensity, lyeHeatCapacity } from '../../recipe/index.ts'
import { WALL_HEAT, airLoss, vesselFor } from './vessel.ts'
import type { FilledVessel, HeatMaterial } from './vessel.ts'

/** What cools: lye solution of mass fraction `w`, or melted oils. */
export interface Body {
  kind: 'lye' | 'oils'
  massKg: number
  /** NaOH mass fraction; not used for oils. */
  w: number
  material: HeatMaterial
  covered?: boolean
}

export interface CoolingMedium {
  way: 'air' | 'bath' | 'ice-bath'
  roomC: number
  bathC: number
  bathLitres: number
  iceKg: number
  stirred?: boolean
}

export const OIL_HEAT_CAPACITY = CONSTANTS.oilHeatCapacity.value
const OIL_DENSITY = 905
const STEP_S = 5
const LONGEST_S = 12 * 3600
const ICE_KJ = 333.6
const ICE_BATH_C = 2
/** Heat that a bath takes up from the room, W/K. */
const BATH_TO_ROOM = 1

/** A cooling body at a moment. */
export interface CoolingState {
  c: number
  bathC: number
  iceKg: number
}

export interface Cooler {
  body: Body
  vessel: FilledVessel
  /** A fitted factor on all losses, 1 by default. */
  kappa: number
}

export function coolerFor(body: Body, kappa = 1): Cooler {
  const density = body.kind === 'lye' ? lyeDensity(body.w, 50) : OIL_DENSITY
  return { body, vessel: vesselFor(body.material, body.massKg / density), kappa }
}

export const startCooling = (c: number, medium: CoolingMedium): CoolingState => ({
  c,
  bathC: medium.way === 'ice-bath' ? ICE_BATH_C : medium.bathC,
  iceKg: medium.way === 'ice-bath' ? medium.iceKg : 0,
})

const heatCapacityOf = ({ body, vessel }: Cooler, c: number): number =>
  body.massKg * (body.kind === 'lye' ? lyeHeatCapacity(body.w, c) : OIL_HEAT_CAPACITY) + vessel.wallKjPerK

/** Stirring in the bath: oil hardly moves by itself. */
const stirring = (body: Body, stirred: boolean): number =>
  body.kind === 'lye' ? (stirred ? 1.3 : 1) : stirred ? 0.9 : 0.45

/** One step of `seconds` of cooling. */
export function stepCooling(
  state: CoolingState,
  cooler: Cooler,
  medium: CoolingMedium,
  seconds = STEP_S,
): CoolingState {
  const { body, vessel, kappa } = cooler
  const air = airLoss(vessel, state.c, medium.roomC, body.kind === 'lye' ? body.w : null, {
    covered: body.covered ?? false,
  })
  const capacity = heatCapacityOf(cooler, state.c)
  if (medium.way === 'air') {
    return { ...state, c: state.c - (kappa * (air.bodyW + air.topW) * seconds) / 1000 / capacity }
  }
  const u = WALL_HEAT[vessel.material].toBath * stirring(body, medium.stirred ?? false)
  const toBathW = kappa * u * (0.85 * vessel.sideM2 + vessel.topM2) * (state.c - state.bathC)
  const c = state.c - ((toBathW + kappa * air.topW) * seconds) / 1000 / capacity
  if (state.iceKg > 0) {
    const iceKg = Math.max(0, state.iceKg - (toBathW * seconds) / 1000 / ICE_KJ)
    return { c, bathC: state.bathC, iceKg }
  }
  const warming = (toBathW - BATH_TO_ROOM * (state.bathC - medium.roomC)) / (4186 * medium.bathLitres)
  return { c, bathC: state.bathC + warming * seconds, iceKg: 0 }
}

/**
 * Seconds until it has cooled to `toC`, in steps of 5 s.
 *
 * @returns null when it does not get there within 12 hours
 */
export function coolingTime(cooler: Cooler, medium: CoolingMedium, fromC: number, toC: number): number | null {
  let now = startCooling(fromC, medium)
  if (now.c <= toC) return 0
  for (let t = STEP_S; t <= LONGEST_S; t += STEP_S) {
    now = stepCooling(now, cooler, medium)
    if (now.c <= toC) return t
  }
  return null
}

/** Temperature after `seconds`. */
export function cooledTo(cooler: Cooler, medium: CoolingMedium, fromC: number, seconds: number): number {
  let now = startCooling(fromC, medium)
  let left = seconds
  while (left > 1e-9) {
    now = stepCooling(now, cooler, medium, Math.min(STEP_S, left))
    left -= STEP_S
  }
  return now.c
}

/**
 * When to move from open air into the bath so that it is at `toC` after `seconds`.
 *
 * @returns seconds in the air, or null when no such moment exists: air alone is fast enough, or the bath too slow
 */
export function moveToBath(
  cooler: Cooler,
  medium: CoolingMedium,
  fromC: number,
  toC: number,
  seconds: number,
): number | null {
  const air: CoolingMedium = { ...medium, way: 'air' }
  const endsAt = (inAirS: number) =>
    cooledTo(cooler, medium, cooledTo(cooler, air, fromC, inAirS), Math.max(0, seconds - inAirS))
  if (endsAt(seconds) <= toC || endsAt(0) > toC) return null
  let low = 0
  let high = seconds
  while (high - low > STEP_S / 2) {
    const mid = (low + high) / 2
    if (endsAt(mid) <= toC) low = mid
    else high = mid
  }
  return low
}

/** Spread of a cooling time before anything was read, ln. */
export const COOLING_SD = 0.25
