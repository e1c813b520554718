/** What goes wrong when a pot is split too early. */

/** Time in which lye that is not bound settles out of a batter that is not stirred, s. */
const SETTLING_S = 300
/** Of the unbound lye, what the first cup can take too much of. Engineering estimate. */
const FIRST_CUP = 0.25

/**
 * How far each cup's superfat lies off the recipe's when an emulsion is split that does not hold: unbound lye runs out with
 * the first cups and leaves the oil to the last. The mean of equal cups is 0.
 *
 * @param emulsion how complete it is, 0…1
 * @param splitS seconds that the split takes
 * @returns one value a cup in the order of drawing, in shares of the lye: −0.02 is two points less superfat
 */
export function superfatOffsets(emulsion: number, splitS: number, cups: number): number[] {
  const most = FIRST_CUP * (1 - emulsion) * (1 - Math.exp(-splitS / SETTLING_S))
  if (cups < 2) return Array.from({ length: cups }, () => 0)
  return Array.from({ length: cups }, (_, i) => most * ((2 * i) / (cups - 1) - 1))
}

/** An emulsion that holds still stays whole from here on; below it separates where it stands. */
export const HOLDS = 0.7
/** Below this most of it comes apart before it has set. Set between "streaks" and "holds". */
export const BREAKS = 0.5
