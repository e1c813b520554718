import { fact } from '../../quantities/facts/index.ts'
import type { Fact } from '../../quantities/facts/index.ts'
import { normal } from '../../quantities/chance/index.ts'

/** What goes wrong when an emulsion is divided that does not hold. */

/** Time in which lye that is not bound settles out of a batter that is not stirred, s. */
const SETTLING_S = 300
/** Of the unbound lye, what the first cup can take too much of. Engineering estimate. */
const FIRST_CUP = 0.25
/** From here on nothing runs out any more. */
const BOUND = 0.75
/** A cup that is filled while the pot is still blended stands so long before it is stirred, s. */
const DRAWN_S = 60

/** An emulsion from here on holds together when the blender rests: no streaks run. */
export const HOLDS = 0.72
/** Even chances that it comes apart before it has set, and how sharply that is known (fitted). */
const BREAKS = { at: 0.6, error: 0.07 } as const

/** What an emulsion does, from so complete on. */
export const EMULSION_LOOKS: readonly (readonly [from: number, look: string])[] = [
  [0.85, 'is sound'],
  [HOLDS, 'holds together'],
  [0.6, 'barely holds'],
  [0.45, 'shows streaks'],
  [0, 'comes apart'],
]
/** The same as words that follow "the emulsion". */
export const emulsionWord = (emulsion: number): Fact => fact(EMULSION_LOOKS.find(([from]) => emulsion >= from)![1])

/** Chance that an emulsion stays whole, 0…1. */
export const soundChance = (emulsion: number): number => normal((emulsion - BREAKS.at) / BREAKS.error)

/** Most that a cup's superfat can be off, as a share of the lye. */
const runsOut = (emulsion: number, seconds: number): number =>
  FIRST_CUP * (Math.max(0, BOUND - emulsion) / BOUND) * (1 - Math.exp(-seconds / SETTLING_S))

/**
 * How far each cup's superfat lies off the recipe's when an emulsion is divided that does not hold: unbound lye runs out with
 * the first cups and leaves the oil to the last. The mean of equal cups is 0.
 *
 * @param emulsion how complete it is, 0…1
 * @param splitS seconds that the division takes
 * @returns one value a cup in the order of drawing, in shares of the lye: −0.02 is two points less superfat
 */
export function superfatOffsets(emulsion: number, splitS: number, cups: number): number[] {
  const most = runsOut(emulsion, splitS)
  if (cups < 2 || most === 0) return Array.from({ length: cups }, () => 0)
  return Array.from({ length: cups }, (_, i) => most * ((2 * i) / (cups - 1) - 1))
}

/** The same of a cup that was filled while the pot was still being blended: it can only be leaner. */
export const drawnOffset = (emulsion: number): number => -runsOut(emulsion, DRAWN_S)
