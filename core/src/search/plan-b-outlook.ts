import { PLAN_B_KINDS, planBDiffers, planBEdit } from '../design/index.ts'
import type { PlanBKind } from '../design/index.ts'
import { applyEdit } from '../plan/index.ts'
import type { Edit, Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { beliefOf, runInputOf, variationAt, variationOf, runPlan, runWorks } from '../batter/schedule/index.ts'
import type { RunInput, Variation, PourRun } from '../batter/schedule/index.ts'
import type { Shelf } from '../shelf/index.ts'

/** How often a plan B is called for, and how it fares then beside the plan it stands in for. Shares of runs. */
export interface PlanBOutlook {
  /** Runs in which its trigger is seen. */
  fires: number
  /** Of those, how many plan A brings to an end all the same, and how many plan B; 0 where it is never called for. */
  planA: number
  planB: number
  /** Of the runs in which plan A fails, in how many the trigger is seen before: 0…1. */
  warns: number
  /** Minutes from lye in, as planned, by which one must have turned to it. */
  lastMin: number
  runs: number
}

const RUNS = 200

/** Whether a run of plan A shows what calls for plan B. */
function isCalledFor(
  { trigger, level }: NonNullable<Plan['planB']>,
  input: RunInput,
  i: number,
  pour: PourRun,
  variation: Variation,
) {
  if (trigger === 'ricing') return variation.rices === true
  if (trigger === 'thick') return pour.startLevel > level
  if (trigger === 'thin') return pour.startLevel < input.pours[i]!.window.lo
  return pour.carrierNeed !== null && pour.carrierLevel !== null && pour.carrierLevel < pour.carrierNeed
}

/** The plan with its second score in place of the first. */
const swapped = (plan: Plan): Plan => ({ ...plan, score: plan.planB!.score, moves: plan.planB!.moves, planB: null })

/**
 * Works plan A through many times, and plan B with the same variation wherever its trigger is seen, as if followed from its first
 * pour. Null without a plan B, or while it is plan A that is put by.
 */
export function planBOutlook(plan: Plan, shelf: Shelf, runs = RUNS): PlanBOutlook | null {
  const { planB } = plan
  if (!planB || planB.inUse) return null
  const first = runInputOf(plan, portionsOf(plan, shelf), shelf)
  const instead = swapped(plan)
  const second = runInputOf(instead, portionsOf(instead, shelf), shelf)
  const belief = beliefOf(first)
  const at = Math.max(
    0,
    first.pours.findIndex(pour => pour.pour === planB.before),
  )
  const isEarly = planBDiffers(plan).length > 0
  let [fires, fails] = [0, 0]
  let [planA, other] = [0, 0]
  const planned = runPlan(first, variationAt(belief.mean, first))
  const lastMin = (isEarly ? planned.splitS : planned.pours[at]!.startS) / 60
  for (let n = 0; n < runs; n += 1) {
    const variation = variationOf(n, runs, first, belief)
    const { run, works } = runWorks(first, variation)
    fails += 1 - works
    const isSeen = isEarly ? first.stopLevel + (variation.stop ?? 0) > planB.level : false
    if (isEarly && planB.trigger === 'thick' ? !isSeen : !isCalledFor(planB, first, at, run.pours[at]!, variation))
      continue
    fires += 1
    planA += works
    other += runWorks(second, variation).works
  }
  const of = (sum: number) => (fires > 0 ? sum / fires : 0)
  const warns = fails > 0 ? (fires - planA) / fails : 0
  return { fires: fires / runs, planA: of(planA), planB: of(other), warns, lastMin, runs }
}

/** A plan B that can be taken, and what it is worth. */
export interface PlanBOffer {
  kind: PlanBKind
  edit: Edit
  outlook: PlanBOutlook
}

/**
 * A plan B is offered when its trigger is seen now and then, it works often enough to turn to then, clearly oftener than plan A
 * would, and that many more batches come out.
 */
const WORTH = { fires: 0.02, works: 0.25, gains: 0.1, all: 0.02 } as const

/** How many more of all batches it brings to an end. */
const gain = ({ fires, planA, planB }: PlanBOutlook): number => fires * (planB - planA)

const helps = (outlook: PlanBOutlook): boolean =>
  outlook.fires >= WORTH.fires &&
  outlook.planB >= WORTH.works &&
  outlook.planB - outlook.planA >= WORTH.gains &&
  gain(outlook) >= WORTH.all

/** Every kind of plan B that helps this design when its trigger is seen, the most useful first. */
export function planBOffers(plan: Plan, shelf: Shelf): PlanBOffer[] {
  const offers = (Object.keys(PLAN_B_KINDS) as PlanBKind[]).flatMap((kind): PlanBOffer[] => {
    const edit = planBEdit(plan, kind)
    const changed = edit && applyEdit(plan, edit)
    const outlook = changed?.ok ? planBOutlook(changed.plan, shelf) : null
    return edit && outlook && helps(outlook) ? [{ kind, edit, outlook }] : []
  })
  return offers.sort((a, b) => gain(b.outlook) - gain(a.outlook))
}
