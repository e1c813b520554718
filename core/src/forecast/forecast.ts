import type { Plan } from '../plan/index.ts'
import { missingOils, portionsOf } from '../portions/index.ts'
import type { Portions } from '../portions/index.ts'
import { jobOf, lanesOf, quickensOf } from '../schedule/index.ts'
import type { Lanes, Quickens } from '../schedule/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { coloursOfPlan } from '../cups/index.ts'
import type { ColourForecast } from '../cups/index.ts'
import { quickRest } from '../rest/index.ts'
import type { QuickRest } from '../rest/index.ts'
import { plannedFreeLye } from '../weighing/index.ts'
import type { BatchFreeLye } from '../weighing/index.ts'
import { riskOf } from '../advice/risk.ts'
import type { Risk } from '../advice/risk.ts'
import { recipeResult } from './recipe-result.ts'
import type { RecipeResult } from './recipe-result.ts'
import { noticesOf } from './notices.ts'
import type { Notice } from '../checks/index.ts'
import { workingsOf } from './workings.ts'
import type { WorkingKey } from './workings.ts'
import type { Working } from '../working/index.ts'

export const FORECAST_FORMAT = 'ostler-forecast'

/** Every result of a plan. Masses in g, lengths in mm, times in min from lye in, shares and chances from 0 to 1. */
export interface Forecast {
  format: typeof FORECAST_FORMAT
  version: 1
  plan: string
  portions: Portions
  recipe: RecipeResult
  lanes: Lanes
  /** What quickens and slows the cup that is too thick first. */
  quickens: Quickens | null
  /** A first look at the rest, from one run. */
  rest: QuickRest
  colours: ColourForecast
  risk: Risk
  /** Whether lye may be left over, by the one rule for all pages. */
  freeLye: BatchFreeLye
  notices: Notice[]
  workings: Record<WorkingKey, Working>
}

export type ForecastResult = { ok: true; forecast: Forecast } | { ok: false; sentence: string; path: string }

/**
 * Turns a checked plan and a shelf into every result. Pure and deterministic; it keeps nothing.
 *
 * @returns not ok when an oil is not on the shelf: without its saponification value no lye is safe
 */
export function forecast(plan: Plan, shelf: Shelf): ForecastResult {
  const missing = missingOils(plan, shelf)
  if (missing.length > 0) {
    const i = plan.recipe.oils.findIndex(part => part.oil === missing[0])
    const sentence = `“${missing[0]}” is not on the shelf. Without its saponification value no lye can be worked out: choose an oil from the shelf.`
    return { ok: false, sentence, path: `recipe.oils[${i}].oil` }
  }
  const portions = portionsOf(plan, shelf)
  const freeLye = plannedFreeLye(plan, portions, shelf)
  const recipe = recipeResult(plan, shelf)
  const job = jobOf(plan, portions, shelf)
  const lanes = lanesOf(job)
  const quickens = quickensOf(plan, shelf, job)
  const rest = quickRest({ plan, shelf, portions, lanes })
  const colours = coloursOfPlan(plan, portions, shelf, plan.colour.gel === null ? rest.shares : undefined)
  return {
    ok: true,
    forecast: {
      format: FORECAST_FORMAT,
      version: 1,
      plan: plan.name,
      portions,
      recipe,
      lanes,
      quickens,
      rest,
      colours,
      risk: riskOf(plan, shelf, lanes),
      freeLye,
      notices: noticesOf({
        plan,
        shelf,
        portions,
        freeLye,
        recipe,
        job,
        colours,
        lanes,
        quickens,
      }),
      workings: workingsOf(plan, shelf, portions, recipe),
    },
  }
}
