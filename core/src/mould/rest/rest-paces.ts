import { say } from '../../quantities/words/index.ts'
import type { Evidence } from '../../shelf/index.ts'
import { recipeKey } from '../../batter/learning/index.ts'
import type { Plan } from '../../plan/index.ts'
import { REST_PRIOR } from './prior.ts'
import { usualWall } from './usual-wall.ts'
import { showTowels } from './walls.ts'

/** From batch to batch things differ at least by this, sd of ln. */
const SCATTER = { rate: 0.1, losses: 0.05 }
/** What losses belong to: the mould, its wall and lining, and how it was wrapped at first. */
export function wrapKey({ mould, rest }: Plan): string {
  const [{ cover, towels, place }] = rest.steps as [Plan['rest']['steps'][0]]
  const wall = rest.wall === 'auto' ? usualWall(mould) : rest.wall
  const { beside, wallMm } = rest
  const thick = wallMm === null ? '' : `${wallMm} mm`
  const near = beside.count > 0 ? `${beside.count} beside at ${beside.gapMm} mm` : ''
  return [mould.name, wall, thick, mould.lining, place, cover, say(showTowels(towels)), near, rest.under]
    .filter(Boolean)
    .join(', ')
}

/** What the rate belongs to: the oils, and the scents. */
export const rateKey = (plan: Plan): string => {
  const scents = [plan.scent, ...plan.cups.map(cup => cup.ownScent)].flatMap(one => one?.parts ?? [])
  return [recipeKey(plan), ...new Set(scents.map(part => part.scent).sort())].join(' ')
}

/** ln of a factor with its spread, and how many batches it rests on. */
export interface RestPace {
  mean: number
  sd: number
  batches: number
}

function combined(priorSd: number, scatter: number, seen: readonly { value: number; variance: number }[]): RestPace {
  const parts = seen.map(one => ({ value: one.value, precision: 1 / (one.variance + scatter * scatter) }))
  const precision = parts.reduce((sum, one) => sum + one.precision, 1 / (priorSd * priorSd))
  const mean = parts.reduce((sum, one) => sum + one.value * one.precision, 0) / precision
  return { mean, sd: Math.max(scatter, Math.sqrt(1 / precision)), batches: seen.length }
}

/** What earlier batches say of a plan's rate (same oils and scents) and losses (same mould and wrap). */
export function restPaces(plan: Plan, evidence: readonly Evidence[]): { rate: RestPace; losses: RestPace } {
  const counting = evidence.flatMap(one => (one.counts && one.rest ? [one.rest] : []))
  const [wrap, rateOf] = [wrapKey(plan), rateKey(plan)]
  return {
    rate: combined(
      REST_PRIOR.rate,
      SCATTER.rate,
      counting.flatMap(one => (one.rateOf === rateOf && one.rate ? [one.rate] : [])),
    ),
    losses: combined(
      REST_PRIOR.losses,
      SCATTER.losses,
      counting.flatMap(one => (one.wrap === wrap && one.losses ? [one.losses] : [])),
    ),
  }
}
