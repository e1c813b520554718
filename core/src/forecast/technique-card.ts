import { firstPlanB, madeBy, usualLevels } from '../design/index.ts'
import type { Technique } from '../design/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'
import { designTools, toolList } from '../preparation/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { forecast } from './forecast.ts'
import { planLevelOf } from './level.ts'
import type { PlanLevel } from './level.ts'

/** What a technique asks for, with the recipe, scent and mould of a plan, before it is chosen. */
export interface TechniqueCard {
  /** Trace that its pours are usually made at, from and to. */
  levels: readonly [from: number, to: number]
  cups: number
  /** Minutes from the lye to the last pour, most likely. */
  minutes: number
  /** Chance that every pour works. */
  chance: number
  tools: { what: Words; count: number; isHere: boolean }[]
  /** What shows it: the cut across, the top, or the cut along. */
  seen: Technique['seen']
  planB: string
  level: PlanLevel
}

/** Null where it cannot be made of this plan: too few cups, or an oil that is not on the shelf. */
export function techniqueCard(technique: Technique, plan: Plan, shelf: Shelf): TechniqueCard | null {
  if (plan.cups.length < technique.cups) return null
  const made: Plan = { ...plan, aside: [], planB: null, ...madeBy(technique, plan) }
  const result = forecast(made, shelf)
  if (!result.ok) return null
  const { portions, lanes } = result.forecast
  const levels = usualLevels(made)
  const here = new Map(toolList(made, shelf, portions).map(line => [line.key, line.state === 'here']))
  return {
    levels: [Math.min(...levels), Math.max(...levels)],
    cups: new Set(made.score.map(pour => pour.cup)).size,
    minutes: Math.max(...lanes.pours.map(pour => pour.endMin)),
    chance: lanes.chance,
    tools: designTools(made).map(({ id, what, count }) => ({ what, count, isHere: here.get(`tool:${id}`) ?? false })),
    seen: technique.seen,
    planB: firstPlanB(made, 'spooned')?.name ?? '',
    level: planLevelOf(made, result.forecast, shelf),
  }
}
