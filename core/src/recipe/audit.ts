import type { Shelf } from '../shelf/index.ts'
import { findById } from '../shelf/index.ts'
import { NAOH_PER_KOH } from './lye.ts'
import { waterReadings } from './water.ts'
import type { WaterReadings } from './water.ts'

/** A recipe from elsewhere, as it is told: weights of oils, of lye, of water. */
export interface ForeignRecipe {
  oils: readonly { oil: string; massG: number }[]
  lyeG: number
  lyePurityShare: number
  waterG: number
}

export interface Audit {
  oilsG: number
  batterG: number
  superfatShare: number
  /** With every oil's value at its usual low and high. */
  lowShare: number
  highShare: number
  water: WaterReadings
  /** Lye as told that would leave 5 %. */
  lyeFor5G: number
  verdicts: { weight: 'stop' | 'warn' | 'good'; sentence: string }[]
}

const percent = (share: number): string => `${(share * 100).toFixed(1)} %`

function verdictsOf(audit: Omit<Audit, 'verdicts'>): Audit['verdicts'] {
  const { superfatShare, lowShare, highShare, water } = audit
  const verdicts: Audit['verdicts'] = []
  if (superfatShare < 0)
    verdicts.push({
      weight: 'stop',
      sentence: `There is more lye than the oils can take (superfat ${percent(superfatShare)}). Do not make this.`,
    })
  else if (lowShare < 0)
    verdicts.push({
      weight: 'stop',
      sentence: `Whether lye is left over depends on the oils: superfat ${percent(lowShare)} to ${percent(highShare)}. Take less lye, or get the oils’ certificates.`,
    })
  else if (superfatShare < 0.03)
    verdicts.push({
      weight: 'warn',
      sentence: `Superfat ${percent(superfatShare)} leaves little room for an error; 3 % or more is usual for skin.`,
    })
  else if (superfatShare > 0.2)
    verdicts.push({
      weight: 'warn',
      sentence: `Superfat ${percent(superfatShare)} makes a soft bar that turns rancid. Is an oil too many, or lye missing?`,
    })
  else
    verdicts.push({
      weight: 'good',
      sentence: `Superfat ${percent(superfatShare)}, and above zero however the oils’ values lie (${percent(lowShare)} to ${percent(highShare)}).`,
    })
  if (water.ratio < 1)
    verdicts.push({
      weight: 'stop',
      sentence:
        'There is less water than lye: it cannot dissolve. At least the lye’s own weight of water, 1.5 to 3 times is usual.',
    })
  else if (water.concentration > 0.4)
    verdicts.push({
      weight: 'warn',
      sentence: `Lye at ${percent(water.concentration)} is strong: quick trace, hot, hard to stir clear.`,
    })
  else if (water.concentration < 0.25)
    verdicts.push({
      weight: 'warn',
      sentence: `Lye at ${percent(water.concentration)} is weak: slow trace, soft for days, more ash.`,
    })
  return verdicts
}

/**
 * What a recipe from elsewhere really is: superfat with its band, and water on every basis. Oils not on the shelf are left
 * out, so name them first.
 *
 * @returns null when nothing can be said: no oils, or no lye
 */
export function auditOf(recipe: ForeignRecipe, shelf: Shelf): Audit | null {
  const oils = recipe.oils.flatMap(part => {
    const oil = findById(shelf.oils, part.oil)
    return oil && part.massG > 0 ? [{ oil, massG: part.massG }] : []
  })
  const oilsG = oils.reduce((sum, part) => sum + part.massG, 0)
  const naohG = recipe.lyeG * recipe.lyePurityShare
  if (oilsG <= 0 || naohG <= 0) return null
  const demand = (of: (oil: (typeof oils)[number]['oil']) => number) =>
    oils.reduce((sum, part) => sum + (part.massG * of(part.oil) * NAOH_PER_KOH) / 1000, 0)
  const demandG = demand(oil => oil.sapKohMgPerG)
  const found = {
    oilsG,
    batterG: oilsG + recipe.lyeG + recipe.waterG,
    superfatShare: 1 - naohG / demandG,
    lowShare: 1 - naohG / demand(oil => oil.sapKohLowMgPerG),
    highShare: 1 - naohG / demand(oil => oil.sapKohHighMgPerG),
    water: waterReadings(recipe.waterG, oilsG, naohG, 0.38),
    lyeFor5G: (demandG * 0.95) / recipe.lyePurityShare,
  }
  return { ...found, verdicts: verdictsOf(found) }
}
