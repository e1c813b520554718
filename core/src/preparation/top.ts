import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'
import { naohPerG, oilsByShare, superfatBand, unitBatter } from '../recipe/index.ts'
import type { SuperfatBand } from '../recipe/index.ts'
import { findById, isHard } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { roundDown, roundNearest } from '../quantities/working/index.ts'

/** Everything for a whipped or piped top of its own. */
export interface TopSheet {
  oils: { oil: string; name: string; massG: number; exactG: number }[]
  lyeG: number
  lyeExactG: number
  waterG: number
  waterExactG: number
  hardShare: number
  superfatShare: number
  /** With what the oils' values and the scales leave open. */
  superfat: SuperfatBand
  /** Bowl of four times the batter, ml. */
  bowlMl: number
  sentence: Words
}

/** The top's own batter, with the recipe's superfat, purity and water strength. Null without one. */
export function topSheet(plan: Plan, shelf: Shelf): TopSheet | null {
  const { top } = plan.division
  if (!top) return null
  const main = unitBatter(plan.recipe, shelf)
  const oils = oilsByShare({ oils: top.oils }, shelf)
  const { superfatShare, lyePurityShare } = plan.recipe
  const naoh = oils.reduce((sum, part) => sum + part.share * naohPerG(part.oil), 0) * (1 - superfatShare)
  const water = (naoh * (1 - main.water.concentration)) / main.water.concentration
  const oilG = top.massG / (1 + naoh / lyePurityShare + water)
  const weighed = oils.map(part => ({
    oil: part.oil.id,
    name: part.oil.name,
    massG: roundNearest(oilG * part.share, plan.conditions.scaleStepG),
    exactG: oilG * part.share,
  }))
  const demand = weighed.reduce((sum, part) => sum + part.massG * naohPerG(findById(shelf.oils, part.oil)!), 0)
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const lyeG = roundDown(Math.min(oilG * naoh, demand * (1 - superfatShare)) / lyePurityShare, fineScaleStepG)
  const superfat = superfatBand(
    { oils, liquids: [], additives: [] },
    { oils: weighed, liquids: [], additives: [] },
    lyeG * lyePurityShare,
    { oilG: scaleStepG, naohG: fineScaleStepG * lyePurityShare },
  )
  const hardShare = oils.reduce((sum, part) => sum + (isHard(part.oil) ? part.share : 0), 0)
  const percent = `${Math.round(hardShare * 100)} %`
  return {
    oils: weighed,
    lyeG,
    lyeExactG: (oilG * naoh) / lyePurityShare,
    waterG: roundNearest(oilG * water, scaleStepG),
    waterExactG: oilG * water,
    hardShare,
    superfatShare: superfat.value,
    superfat,
    bowlMl: top.massG * 4,
    sentence:
      hardShare < 0.6
        ? fact('preparation.hard-oils-are-little', { percent })
        : fact('preparation.hard-oils-cream-fats', { percent }),
  }
}
