import { fact } from '../../quantities/facts/index.ts'
import type { Fact } from '../../quantities/facts/index.ts'

/**
 * The trace scale: one level L from 0 to 5. 0 unmixed, 1 emulsion, 2 light, 3 medium, 4 heavy, 5 set.
 * From 1 up it is the logarithm of the apparent viscosity near 10 1/s. The anchors are engineering estimates, chosen so
 * that what a maker sees (how long a drip or a peak stays) follows from the yield stress.
 */

/** Viscosity at L = 0…5, Pa·s. */
const VISCOSITY = [0.05, 0.12, 0.5, 2.5, 12, 80] as const
/** Yield stress at L = 0…5, Pa. */
const YIELD = [0, 0.02, 1, 12, 80, 500] as const

const logBetween = (anchors: readonly number[], i: number, share: number) =>
  anchors[i]! * Math.pow(anchors[i + 1]! / anchors[i]!, share)

/** Apparent viscosity in Pa·s at level 0…5, log-linear between the anchors. */
export function viscosity(level: number): number {
  const i = Math.min(4, Math.max(0, Math.floor(level)))
  return logBetween(VISCOSITY, i, level - i)
}

/** Yield stress in Pa; 0 up to the emulsion. */
export function yieldStress(level: number): number {
  if (level <= 1) return 0
  const i = Math.min(4, Math.floor(level))
  return logBetween(YIELD, i, level - i)
}

function inverse(anchors: readonly number[], value: number): number {
  let i = 1
  while (i < 4 && value > anchors[i + 1]!) i += 1
  return i + Math.log(value / anchors[i]!) / Math.log(anchors[i + 1]! / anchors[i]!)
}

const LN_VISCOSITY = VISCOSITY.map(Math.log)

/** Level, 1…5, of ln(viscosity in Pa·s). */
export function levelOfLnViscosity(lnEta: number): number {
  if (lnEta <= LN_VISCOSITY[1]!) return 1
  if (lnEta >= LN_VISCOSITY[5]!) return 5
  let i = 1
  while (i < 4 && lnEta > LN_VISCOSITY[i + 1]!) i += 1
  return i + (lnEta - LN_VISCOSITY[i]!) / (LN_VISCOSITY[i + 1]! - LN_VISCOSITY[i]!)
}

/** Level, 1…5, of a viscosity in Pa·s. */
export const levelOfViscosity = (eta: number): number => levelOfLnViscosity(Math.log(eta))

/** Level of a yield stress in Pa; 5.01 says "not reachable". */
export const levelOfYield = (tau: number): number => (tau <= YIELD[1] ? 1 : tau > YIELD[5] ? 5.01 : inverse(YIELD, tau))

const NAMES: readonly (readonly [below: number, name: Fact])[] = [
  [0.85, fact('unmixed')],
  [1.6, fact('emulsion')],
  [2.5, fact('light trace')],
  [3.4, fact('medium trace')],
  [4.5, fact('heavy trace')],
]

/** The craft's word for a level. */
export const traceName = (level: number): Fact => NAMES.find(([below]) => level < below)?.[1] ?? fact('set')
