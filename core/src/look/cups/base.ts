import type { BaseTint } from '../colour/index.ts'
import type { Plan } from '../../plan/index.ts'
import { unitBatter } from '../../recipe/index.ts'
import type { Shelf } from '../../shelf/index.ts'

/** Sugar browns: for each 10 g in a kg of batter, thrice when gelled. Engineering estimate. */
const SUGAR_BROWN = 0.02

/** Tint of a plan's plain soap: its oils by share, milk and sugar, or the maker's own plain bar. */
export function baseOf(plan: Plan, shelf: Shelf): BaseTint {
  const unit = unitBatter(plan.recipe, shelf)
  const mean = (of: (oil: (typeof unit.oils)[number]['oil']) => number) =>
    unit.oils.reduce((sum, part) => sum + part.share * of(part.oil), 0)
  const perKg = (gPerOils: number) => (gPerOils / unit.batterG) * 1000
  const milkBrown = unit.liquids.reduce(
    (sum, part) => sum + part.liquid.brownPer100GPerKg * (perKg(part.massG) / 100),
    0,
  )
  const sugar =
    unit.additives.reduce((sum, part) => sum + part.massG * part.additive.sugarShare, 0) +
    unit.liquids.reduce(
      (sum, part) => (part.liquid.brownPer100GPerKg > 0 ? sum : sum + part.massG * part.liquid.sugarShare),
      0,
    )
  const { baseHex, baseDays, gel } = plan.colour
  return {
    carotene: mean(oil => oil.carotene),
    chlorophyll: mean(oil => oil.chlorophyll),
    brown: mean(oil => oil.brown),
    scatter: mean(oil => oil.scatter) || 1,
    milkBrown,
    sugarBrown: SUGAR_BROWN * (perKg(sugar) / 10),
    swatch: baseHex === null ? null : { hex: baseHex, days: baseDays, gel: gel ?? 0 },
  }
}
