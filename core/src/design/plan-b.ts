import { fact } from '../quantities/facts/index.ts'
import type { Fact, Words } from '../quantities/facts/index.ts'
import { TOP_WAYS, TRIGGERS, cupShares, freshId, hasOwnCavities, startingShape } from '../plan/index.ts'
import type { Edit, Plan, PlanB, Pour } from '../plan/index.ts'
import { windowOf } from '../batter/schedule/index.ts'
import { tidy } from '../quantities/units/index.ts'

/** What a plan B can do with the same cups. */
export const PLAN_B_KINDS = {
  spooned: 'Spooned, when it thickens',
  layers: 'Rough layers instead of the swirl',
  fewer: 'Fewer colours',
  reserve: 'A reserve without scent poured over',
} as const
export type PlanBKind = keyof typeof PLAN_B_KINDS

/** Why one would, in a sentence. */
export const PLAN_B_REASONS: Readonly<Record<PlanBKind, Fact>> = {
  spooned: fact('design.heaps-one-on-another'),
  layers: fact('design.each-cup-layer-with'),
  fewer: fact('design.smaller-cups-are-not'),
  reserve: fact('design.one-cup-stays-without'),
}

/** What it takes from the design. */
export const PLAN_B_COSTS: Readonly<Record<PlanBKind, string>> = {
  spooned: 'the streams and what tools would draw; a rough face',
  layers: 'the swirl',
  fewer: 'the smaller colours, which are not made',
  reserve: 'the scent of one cup, and the streams of the others',
}

/** Trace that no stream stands, where a window says no more. */
const MOST_LEVEL = 4.5

/** Blending that stops this much further than planned leaves too little time for many cups. */
const STOPPED_LATE = 0.3

interface Share {
  cup: string
  share: number
}

const isTop = (pour: Pour): boolean => TOP_WAYS.includes(pour.shape.way)
const isSwirled = (plan: Plan): boolean => plan.moves.some(move => !move.off)

/** Cups in the order in which they are first poured, with their share of the soap below what stands on the top. */
function bodies(plan: Plan): Share[] {
  const shares = cupShares(plan)
  const onTop = (cup: string) =>
    plan.score.reduce((sum, pour) => (isTop(pour) && pour.cup === cup ? sum + pour.share : sum), 0)
  const order = [...new Set(plan.score.map(pour => pour.cup))]
  return order.flatMap(cup => {
    const share = shares[plan.cups.findIndex(one => one.id === cup)]! - onTop(cup)
    return share > 1e-6 ? [{ cup, share }] : []
  })
}

/** A pour of all of a cup's body. */
const poured = (plan: Plan, { cup, share }: Share, shape: Partial<Pour['shape']>): Pour => ({
  ...plan.score[0]!,
  cup,
  share: Number(share.toFixed(6)),
  waitMin: 0,
  window: null,
  together: 'no',
  shape: { ...startingShape(), ...shape },
})

/** Pours with ids of their own; what stands on the top stays at the end. */
function scored(plan: Plan, pours: readonly Pour[]): Pour[] {
  const score: Pour[] = []
  const tops = plan.score.filter(isTop)
  for (const pour of [...pours, ...tops]) score.push({ ...pour, id: freshId('heap', score), together: 'no' })
  return score
}

/** The cup that is left without scent: one that is anyway, else the last to be poured. */
export function reserveCup(plan: Plan): string | null {
  const list = bodies(plan)
  if (list.length < 2) return null
  const isPlain = (id: string) => plan.cups.some(cup => cup.id === id && !cup.scented && !cup.ownScent)
  return (list.find(one => isPlain(one.cup)) ?? list.at(-1)!).cup
}

/** Cups that are drawn when there are to be fewer: the larger half, two at least. */
function keptCups(plan: Plan): Set<string> {
  const list = [...bodies(plan)].sort((a, b) => b.share - a.share)
  return new Set(list.slice(0, Math.max(2, Math.ceil(list.length / 2))).map(one => one.cup))
}

/** The score with fewer cups: a pour of one that is not drawn is taken from the kept cup poured before it, else after it. */
function fewerCups(plan: Plan): Pick<PlanB, 'score' | 'moves'> {
  const kept = keptCups(plan)
  const pours = plan.score
  const ids = new Map<string, string>()
  const score: Pour[] = []
  pours.forEach((pour, i) => {
    const before = pours.slice(0, i).findLast(one => kept.has(one.cup))
    const stands = kept.has(pour.cup) ? pour : (before ?? pours.slice(i).find(one => kept.has(one.cup)) ?? pour)
    const last = score.at(-1)
    const isSame = last && last.cup === stands.cup && last.shape.way === pour.shape.way && pour.together === 'no'
    if (isSame) score[score.length - 1] = { ...last, share: Number((last.share + pour.share).toFixed(6)) }
    else score.push({ ...pour, cup: stands.cup, id: freshId('heap', score) })
    ids.set(pour.id, score.at(-1)!.id)
  })
  const moves = plan.moves.map(move => ({ ...move, after: ids.get(move.after) ?? score.at(-1)!.id }))
  return { score, moves }
}

function scoreOf(plan: Plan, kind: PlanBKind): Pick<PlanB, 'score' | 'moves'> | null {
  // Cups are as large as the cavities that they fill: another score would need other weights.
  if (hasOwnCavities(plan)) return null
  const list = bodies(plan)
  if (kind === 'fewer') return list.length > 2 ? fewerCups(plan) : null
  if (kind === 'layers') {
    const isLayered = !isSwirled(plan) && plan.score.every(pour => pour.shape.way === 'layer' || isTop(pour))
    if (isLayered || list.length === 0) return null
    return {
      score: scored(
        plan,
        list.map(one => poured(plan, one, { texture: 'rustic' })),
      ),
      moves: [],
    }
  }
  if (kind === 'spooned')
    return {
      score: scored(
        plan,
        list.map(one => poured(plan, one, { way: 'spoon' })),
      ),
      moves: [],
    }
  const reserve = reserveCup(plan)
  const isScented = plan.scent !== null || plan.cups.some(cup => cup.ownScent)
  if (!reserve || !isScented) return null
  const heaps = list.filter(one => one.cup !== reserve).map(one => poured(plan, one, { way: 'spoon' }))
  const over = list.filter(one => one.cup === reserve).map(one => poured(plan, one, {}))
  return { score: scored(plan, [...heaps, ...over]), moves: [] }
}

/**
 * A plan B for a score: the same cups, and what the first score's own windows say of when it is called for. Null where the
 * design has no use for this kind.
 */
export function firstPlanB(plan: Plan, kind: PlanBKind = 'spooned'): PlanB | null {
  const made = scoreOf(plan, kind)
  if (!made) return null
  const first = plan.score[0]!
  const looksLater = kind === 'spooned' && !isSwirled(plan)
  const before = looksLater ? (plan.score[1] ?? first) : first
  const { hi } = windowOf(plan, plan.score.indexOf(before))
  // Other weights for the cups can only be chosen at the pot: there the trace is seen as blending stops.
  const seenAt = kind === 'fewer' ? plan.conditions.stopLevel + STOPPED_LATE : hi
  return {
    name: PLAN_B_KINDS[kind],
    trigger: kind === 'reserve' ? 'ricing' : 'thick',
    before: before.id,
    level: Number(Math.min(MOST_LEVEL, seenAt).toFixed(1)),
    inUse: false,
    ...made,
  }
}

/** Takes a plan B, and leaves its reserve without scent where it has one; null where the design has no use for it. */
export function planBEdit(plan: Plan, kind: PlanBKind): Edit | null {
  const planB = firstPlanB(plan, kind)
  if (!planB) return null
  const edit: Edit = { kind: 'set', path: ['planB'], value: planB }
  const i = kind === 'reserve' ? plan.cups.findIndex(cup => cup.id === reserveCup(plan)) : -1
  const cup = plan.cups[i]
  if (!cup || (!cup.scented && !cup.ownScent)) return edit
  const plain: Edit[] = [{ kind: 'set', path: ['cups', i, 'scented'], value: false }]
  if (cup.ownScent) plain.push({ kind: 'set', path: ['cups', i, 'ownScent'], value: null })
  return { kind: 'many', edits: [edit, ...plain] }
}

/** Cups that plan B pours more or less of than the first score does, by more than a hundredth of the soap. */
export function planBDiffers(plan: Plan): string[] {
  const { planB } = plan
  if (!planB) return []
  const now = cupShares(plan)
  const then = cupShares({ ...plan, score: planB.score })
  return plan.cups.filter((_, i) => Math.abs(now[i]! - then[i]!) > 0.01).map(cup => cup.name)
}

/** When plan B is called for, in words: what is seen, and where. */
export function planBCall(plan: Plan): Words {
  const { planB } = plan
  if (!planB) return ''
  const level = tidy(planB.level, 1)
  if (planBDiffers(plan).length > 0)
    return planB.trigger === 'thick'
      ? fact('design.when-pot-thicker-than', { level })
      : fact('design.when-decided-before-pot', { sign: fact(TRIGGERS[planB.trigger]) })
  const pour = plan.score.find(one => one.id === planB.before)
  const cup = plan.cups.find(one => one.id === pour?.cup)?.name ?? ''
  return fact('design.when-looked-at-before', {
    sign: fact(TRIGGERS[planB.trigger]),
    which: planB.trigger === 'thick' ? fact('design.trace', { level }) : '',
    cup,
  })
}
