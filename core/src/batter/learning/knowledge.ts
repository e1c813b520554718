import type { Evidence } from '../../shelf/index.ts'
import type { Plan } from '../../plan/index.ts'
import type { AccelerationClass, Shelf } from '../../shelf/index.ts'
import { findById } from '../../shelf/index.ts'
import { SCENT_PRIORS, classOf } from '../trace/index.ts'
import { recipeKey } from './evidence.ts'
import { BLENDER_SD, MAKER_SD, RECIPE_SD, ratesOf } from './rates.ts'
import type { Pace } from './rates.ts'

/** From so many readings and so narrow a spread a scent counts as tested. */
const TESTED = { runs: 2, sd: 0.2 }

/** What is known of a scent's pace, and from where. */
export interface ScentKnowledge {
  /** By its class alone. */
  prior: Pace & { acceleration: AccelerationClass }
  supplierSays: AccelerationClass | 'unknown'
  /** Batches that the shelf counts without their readings. */
  counted: number
  /** Batches with readings, whether they count or not. */
  batches: Evidence[]
  now: Pace & { acceleration: AccelerationClass }
  isTested: boolean
}

export function scentKnowledge(shelf: Pick<Shelf, 'scents' | 'evidence'>, id: string): ScentKnowledge {
  const scent = findById(shelf.scents, id)
  const acceleration = scent?.acceleration ?? 'unknown'
  const now = ratesOf(shelf).scent(id)
  const batches = shelf.evidence.filter(one =>
    one.observations.some(({ scents }) => scents.some(part => part.scent === id)),
  )
  const runs = (scent?.ownRuns ?? 0) + batches.filter(one => one.counts).length
  return {
    prior: { ...SCENT_PRIORS[acceleration], acceleration },
    supplierSays: scent?.supplierSays ?? 'unknown',
    counted: scent?.ownRuns ?? 0,
    batches,
    now: { ...now, acceleration: runs > 0 ? classOf(now.mean) : acceleration },
    isTested: runs >= TESTED.runs && now.sd < TESTED.sd,
  }
}

/** One thing whose pace a forecast rests on: what was expected without any batch, and what is believed now. */
export interface Knowledge {
  what: 'maker' | 'recipe' | 'blender' | 'scent'
  name: string
  before: Pace
  now: Pace
  /** Batches with readings that bear on it, whether they count or not. */
  batches: Evidence[]
  scent: ScentKnowledge | null
}

/** Everything that a plan's pace rests on. */
export function knowledgeOf(plan: Plan, shelf: Shelf): Knowledge[] {
  const rates = ratesOf(shelf)
  const key = recipeKey(plan)
  const withReadings = shelf.evidence.filter(one => one.observations.length > 0)
  const own = plan.cups.flatMap(cup => cup.ownScent?.parts ?? [])
  const scents = new Set([...(plan.scent?.parts ?? []), ...own].map(part => part.scent))
  return [
    {
      what: 'maker',
      name: 'Your hands and workshop',
      scent: null,
      before: { mean: 0, sd: MAKER_SD },
      now: rates.maker(),
      batches: withReadings,
    },
    {
      what: 'recipe',
      name: plan.recipe.name || 'This recipe',
      scent: null,
      before: { mean: 0, sd: RECIPE_SD },
      now: rates.recipe(key),
      batches: withReadings.filter(one => one.recipe === key),
    },
    {
      what: 'blender',
      name: 'Your blender',
      scent: null,
      before: { mean: 0, sd: BLENDER_SD },
      now: rates.blender(),
      batches: withReadings.filter(one => one.observations.some(({ stage }) => stage === 'blend')),
    },
    ...[...scents].map((id): Knowledge => {
      const scent = scentKnowledge(shelf, id)
      const name = findById(shelf.scents, id)?.name ?? id
      return { what: 'scent', name, before: scent.prior, now: scent.now, batches: scent.batches, scent }
    }),
  ]
}
