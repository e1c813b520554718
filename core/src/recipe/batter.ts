import { findById } from '../shelf/index.ts'
import type { Oil, Shelf } from '../shelf/index.ts'
import { lyeMass, waterMass } from './lye.ts'

export interface RecipeInput {
  oils: readonly { oil: string; share: number }[]
  superfatShare: number
  lyePurityShare: number
  lyeConcentrationShare: number
}

export interface OilInRecipe {
  oil: Oil
  /** Share of all oils; the shares sum to 1 whatever was typed. */
  share: number
}

/** A recipe per 1 g of oils. */
export interface UnitBatter {
  oils: readonly OilInRecipe[]
  lyeG: number
  waterG: number
  /** Oils + lye + water, g per g of oils. */
  batterG: number
}

/**
 * Oils by their share of the whole. Shares are parts: 99.9 % in all is read as the whole. Oils that are not on the shelf
 * are left out (the plan's check names them).
 */
export function oilsByShare(recipe: RecipeInput, shelf: Shelf): OilInRecipe[] {
  const found = recipe.oils.flatMap(part => {
    const oil = findById(shelf.oils, part.oil)
    return oil && part.share > 0 ? [{ oil, share: part.share }] : []
  })
  const whole = found.reduce((sum, part) => sum + part.share, 0)
  return found.map(part => ({ oil: part.oil, share: part.share / whole }))
}

/** Oils, lye and water for 1 g of oils. */
export function unitBatter(recipe: RecipeInput, shelf: Shelf): UnitBatter {
  const oils = oilsByShare(recipe, shelf)
  const weighed = oils.map(part => ({ massG: part.share, sapKohMgPerG: part.oil.sapKohMgPerG }))
  const lyeG = lyeMass(weighed, recipe.superfatShare, recipe.lyePurityShare)
  const waterG = waterMass(lyeG, recipe.lyePurityShare, recipe.lyeConcentrationShare)
  return { oils, lyeG, waterG, batterG: 1 + lyeG + waterG }
}
