import { fact, keepingZeros, share } from '../quantities/facts/index.ts'
import type { Measure, Words } from '../quantities/facts/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { findById } from '../shelf/index.ts'
import { freeLyeOf, superfatBand } from './free-lye.ts'
import type { SuperfatBand } from './free-lye.ts'
import { NAOH_PER_KOH } from '../quantities/constants/index.ts'
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
  /** With what the oils' values and usual scales leave open. */
  superfat: SuperfatBand
  water: WaterReadings
  /** Lye as told that would leave 5 %. */
  lyeFor5G: number
  verdicts: { about: 'superfat' | 'water'; weight: 'stop' | 'warn' | 'good'; sentence: Words }[]
}

const percent = (value: number): Measure => keepingZeros(share(value, 1))

/** Scales that most benches have: 1 g for oils, 0.1 g for lye. */
const USUAL_STEPS = { oilG: 1, naohG: 0.1 }

function superfatVerdict(band: SuperfatBand): Audit['verdicts'][number] {
  const { weight, sentence } = freeLyeOf(band, fact('recipe.as-written'))
  if (weight !== 'none') return { about: 'superfat', weight, sentence }
  if (band.value > 0.2)
    return {
      about: 'superfat',
      weight: 'warn',
      sentence: fact('recipe.superfat-makes-soft-bar', { band: percent(band.value) }),
    }
  return {
    about: 'superfat',
    weight: 'good',
    sentence: fact('recipe.superfat-above-zero-however', {
      band: percent(band.value),
      low: percent(band.low),
      high: percent(band.high),
    }),
  }
}

function verdictsOf({ superfat, water }: Pick<Audit, 'superfat' | 'water'>): Audit['verdicts'] {
  const verdicts = [superfatVerdict(superfat)]
  if (water.ratio < 1)
    verdicts.push({
      about: 'water',
      weight: 'stop',
      sentence: fact('recipe.there-less-water-than'),
    })
  else if (water.concentration > 0.4)
    verdicts.push({
      about: 'water',
      weight: 'warn',
      sentence: fact('recipe.lye-at-strong-quick', { concentration: percent(water.concentration) }),
    })
  else if (water.concentration < 0.25)
    verdicts.push({
      about: 'water',
      weight: 'warn',
      sentence: fact('recipe.lye-at-weak-slow', { concentration: percent(water.concentration) }),
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
  const unit = { oils: oils.map(part => ({ oil: part.oil, share: part.massG / oilsG, late: false })) }
  const superfat = superfatBand(
    { ...unit, liquids: [], additives: [] },
    { oils, liquids: [], additives: [] },
    naohG,
    USUAL_STEPS,
  )
  const found = {
    oilsG,
    batterG: oilsG + recipe.lyeG + recipe.waterG,
    superfatShare: superfat.value,
    superfat,
    water: waterReadings(recipe.waterG, oilsG, naohG, 0.38),
    lyeFor5G: (demandG * 0.95) / recipe.lyePurityShare,
  }
  return { ...found, verdicts: verdictsOf(found) }
}
