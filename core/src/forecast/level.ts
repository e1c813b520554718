import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { ratesOf, recipeKey } from '../batter/learning/index.ts'
import { applyEdit } from '../plan/index.ts'
import type { Edit, Plan } from '../plan/index.ts'
import { unitBatter } from '../recipe/index.ts'
import type { Shelf } from '../shelf/index.ts'
import type { Forecast } from './forecast.ts'

/** How much a plan asks of its maker: advice, never a lock. */

export const LEVELS = { basic: 'basic', intermediate: 'intermediate', advanced: 'advanced' } as const
export type Level = keyof typeof LEVELS

export interface PlanLevel {
  level: Level
  /** What makes it so, the gravest first. */
  reasons: Words[]
}

/** From so strong a lye on water is short; so quick a scent, ln of its factor; so many cups. Makers' rules. */
const STRONG_LYE = 0.36
const QUICK = 0.4
const MANY_CUPS = 5
const EVEN = 0.5
const HARDLY = 0.2
/** So many reasons ask for practice. */
const ADVANCED = 3

interface Reason {
  sentence: Words
  /** A reason of this weight alone is enough for "advanced". */
  isGrave?: boolean
}

/** ln of the factor by which the quickest scent of a plan quickens. */
function quickest(plan: Plan, shelf: Shelf): number {
  const { batterG } = unitBatter(plan.recipe, shelf)
  const rates = ratesOf(shelf)
  const used = [plan.scent, ...plan.cups.map(cup => cup.ownScent)].flatMap(scent => scent ?? [])
  const known = used.map(scent => {
    const ofOils = scent.load * (scent.basis === 'batter' ? batterG : 1)
    return rates.scentedMean(recipeKey(plan), scent.parts, 1000 * ofOils)
  })
  return Math.max(0, ...known)
}

/** The level of a plan with its reasons. */
export function planLevelOf(plan: Plan, forecast: Forecast, shelf: Shelf): PlanLevel {
  const { lanes, recipe } = forecast
  const cups = new Set(plan.score.map(pour => pour.cup)).size
  const quick = quickest(plan, shelf)
  const list: (Reason | false)[] = [
    lanes.chance < HARDLY
      ? { sentence: fact('level.hardly-in-time'), isGrave: true }
      : lanes.chance < EVEN && { sentence: fact('level.tight') },
    quick >= QUICK && { sentence: fact('level.quick-scent'), isGrave: quick >= 2 * QUICK },
    plan.whipped !== null && { sentence: fact('level.whipped'), isGrave: true },
    plan.division.mode === 'own-batters' && { sentence: fact('level.own-batters') },
    recipe.water.concentration >= STRONG_LYE && { sentence: fact('level.strong-lye') },
    recipe.character.heatLoad === 'high' && { sentence: fact('level.hot') },
    cups >= MANY_CUPS && { sentence: fact('level.many-cups', { cups }) },
    plan.score.some(({ shape }) => shape.way === 'piped') && { sentence: fact('level.piped') },
    plan.moves.filter(move => !move.off).length > 1 && { sentence: fact('level.tools') },
    plan.finish.embeds.length > 0 && { sentence: fact('level.embeds') },
  ]
  const reasons = list.filter(one => one !== false).sort((a, b) => Number(b.isGrave) - Number(a.isGrave))
  const level =
    reasons.length === 0
      ? 'basic'
      : reasons.length >= ADVANCED || reasons[0]!.isGrave === true
        ? 'advanced'
        : 'intermediate'
  return { level, reasons: reasons.map(one => one.sentence) }
}

/** Usual for a first batch: enough water to have time. */
const CALM_LYE = 0.3
const CALM_STOP = 1.6

/**
 * A plainer variant of a plan for a first time: two level layers of its first two colours, no scent that quickens, more water, one pot.
 * Null where it is as plain already.
 */
export function plainer(plan: Plan, shelf: Shelf): Plan | null {
  const cups = [...new Set(plan.score.map(pour => pour.cup))].slice(0, 2)
  const score = cups.map((cup, i) => ({
    ...plan.score.find(pour => pour.cup === cup)!,
    id: `pour-${i + 1}`,
    share: 1 / cups.length,
    dropMm: 10,
    overSpatula: true,
    together: 'no' as const,
    waitMin: 0,
    cavities: [],
    window: null,
    shape: { ...plan.score[0]!.shape, way: 'layer' as const, texture: 'straight' as const, tiltDeg: 0, pencil: '' },
  }))
  const isCalm = quickest(plan, shelf) < QUICK
  const edits: Edit[] = [
    { kind: 'set', path: ['moves'], value: [] },
    { kind: 'set', path: ['finish'], value: { ...plan.finish, embeds: [], toppings: [] } },
    { kind: 'set', path: ['planB'], value: null },
    { kind: 'set', path: ['aside'], value: [] },
    { kind: 'set', path: ['score'], value: score },
    { kind: 'set', path: ['whipped'], value: null },
    { kind: 'set', path: ['division'], value: { ...plan.division, mode: 'one-pot', top: null, actual: [] } },
    {
      kind: 'set',
      path: ['recipe', 'water'],
      value: { ...plan.recipe.water, basis: 'concentration', value: CALM_LYE },
    },
    { kind: 'set', path: ['conditions', 'stopLevel'], value: CALM_STOP },
    ...(isCalm ? [] : [{ kind: 'set' as const, path: ['scent'], value: null }]),
  ]
  const made = applyEdit(plan, { kind: 'many', edits })
  return made.ok && JSON.stringify(made.plan) !== JSON.stringify(plan) ? made.plan : null
}
