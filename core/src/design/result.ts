import { barCount, cavityKinds, embedPieces, planOfCavity } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import type { PourForecast } from '../batter/schedule/index.ts'
import { countedShares, crestMm, designOf } from '../look/swirl/index.ts'
import { designAdvice } from './advice.ts'
import { measuresOf } from './measures.ts'
import { toppingPlaces } from './toppings.ts'

/** A step of the count, cells along each side of the block. */
const COUNT_STEPS = 32

/**
 * Everything that the design comes to, for the command line: a second or so of counting.
 *
 * @param pours as forecast, in the order of the score
 */
export function designResult(whole: Plan, pours: readonly PourForecast[]) {
  // Where cavities hold different pours, of the kind that there is most of.
  const [kind] = cavityKinds(whole)
  const plan = planOfCavity(whole, kind!)
  const levels = kind!.pours.map(i => (pours[i]!.startLevel + pours[i]!.endLevel) / 2)
  const design = designOf(plan, levels)
  const measures = measuresOf(design.program, plan)
  const counted = countedShares(design.program, COUNT_STEPS)
  return {
    bars: barCount(whole),
    heightMm: design.program.heightMm,
    crestMm: crestMm(design.program),
    embedPieces: embedPieces(plan).length,
    toppingPieces: toppingPlaces(plan, design.program).length,
    picturedShares: design.cups.map((cup, i) => ({ cup, share: counted[i]! })),
    faces: measures.faces.map(face => design.cups.map((cup, i) => ({ cup, share: face[i]! }))),
    threads: measures.threads,
    fitted: design.sentences,
    advice: designAdvice(plan, design, levels, measures),
  }
}
