import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from './document.ts'

/** Cavities of the first mould that hold the same pours. */
export interface CavityKind {
  /** Counted from 1. */
  cavities: number[]
  /** Indices of the pours that go in, in the order of the score. */
  pours: number[]
}

type Filled = Pick<Plan, 'mould' | 'score'>

/** Cavities that a pour goes into: those it names and the mould has, or all of them. */
export function cavitiesOf({ mould }: Pick<Plan, 'mould'>, pour: Plan['score'][number]): number[] {
  const all = Array.from({ length: mould.cavities }, (_, i) => i + 1)
  const named = all.filter(k => pour.cavities.includes(k))
  return named.length > 0 ? named : all
}

/** Kinds of cavities, the one that holds most of them first; one kind where every cavity gets every pour. */
export function cavityKinds(plan: Filled): CavityKind[] {
  const { mould, score } = plan
  if (mould.cavities === 1 || score.every(pour => pour.cavities.length === 0))
    return [{ cavities: cavitiesOf(plan, { ...score[0]!, cavities: [] }), pours: score.map((_, i) => i) }]
  const into = score.map(pour => new Set(cavitiesOf(plan, pour)))
  const kinds = new Map<string, CavityKind>()
  for (let k = 1; k <= mould.cavities; k += 1) {
    const pours = into.flatMap((cavities, i) => (cavities.has(k) ? [i] : []))
    if (pours.length === 0) continue
    const key = pours.join()
    const kind = kinds.get(key)
    if (kind) kind.cavities.push(k)
    else kinds.set(key, { cavities: [k], pours })
  }
  return [...kinds.values()].sort((a, b) => b.cavities.length - a.cavities.length || a.cavities[0]! - b.cavities[0]!)
}

/** Whether cavities hold different pours. */
export const hasOwnCavities = (plan: Filled): boolean => {
  const kinds = cavityKinds(plan)
  return kinds.length > 1 || kinds[0]!.cavities.length < plan.mould.cavities
}

/** Cavities that nothing goes into. */
export function emptyCavities(plan: Filled): number[] {
  const filled = new Set(cavityKinds(plan).flatMap(kind => kind.cavities))
  return Array.from({ length: plan.mould.cavities }, (_, i) => i + 1).filter(k => !filled.has(k))
}

/** The plan as one kind of cavity sees it: its pours alone, and the tools that follow them. */
export function planOfCavity(plan: Plan, kind: CavityKind): Plan {
  if (kind.pours.length === plan.score.length) return plan
  const score = kind.pours.map(i => ({ ...plan.score[i]!, cavities: [] }))
  const ids = new Set(score.map(pour => pour.id))
  const { embeds } = plan.finish
  return {
    ...plan,
    score,
    moves: plan.moves.filter(move => ids.has(move.after)),
    finish: { ...plan.finish, embeds: embeds.filter(embed => ids.has(embed.after)) },
  }
}

/** The kind of cavity that a pour goes into; the one that holds most cavities where it is none of the score. */
export function kindOfPour(plan: Filled, pour: string | null): CavityKind {
  const kinds = cavityKinds(plan)
  const i = plan.score.findIndex(one => one.id === pour)
  return kinds.find(kind => kind.pours.includes(i)) ?? kinds[0]!
}

/** "cavity 3", "cavities 1 to 4", "cavities 1, 4 and 7". */
export function cavityWords({ cavities }: CavityKind): Words {
  const [first, last] = [cavities[0]!, cavities.at(-1)!]
  if (cavities.length === 1) return fact('plan.cavity', { first })
  if (cavities.length > 2 && last - first === cavities.length - 1) return fact('plan.cavities-to', { first, last })
  return fact('plan.cavities-and', { cavities: cavities.slice(0, -1).join(', '), last })
}

/** Height of every pour in one kind of cavity, mm, in the order of the kind's pours: shares are parts of what goes in. */
export function heightsIn({ mould, score }: Filled, { pours }: CavityKind): number[] {
  const whole = pours.reduce((sum, i) => sum + score[i]!.share, 0)
  return pours.map(i => (score[i]!.share / whole) * mould.fillMm)
}

/** Height of each layer, mm: the shares fill every cavity exactly. The mean, where a pour stands differently high. */
export function layerHeights(plan: Filled): number[] {
  const heights = plan.score.map(() => 0)
  const counts = plan.score.map(() => 0)
  for (const kind of cavityKinds(plan)) {
    heightsIn(plan, kind).forEach((mm, n) => {
      const i = kind.pours[n]!
      heights[i]! += mm * kind.cavities.length
      counts[i]! += kind.cavities.length
    })
  }
  return heights.map((mm, i) => (counts[i]! > 0 ? mm / counts[i]! : 0))
}

/** Share of all soap in the first mould that each pour is; 1 in all. */
export function pourShares(plan: Filled): number[] {
  const kinds = cavityKinds(plan)
  const filled = kinds.reduce((sum, kind) => sum + kind.cavities.length, 0)
  const shares = plan.score.map(() => 0)
  for (const kind of kinds)
    heightsIn(plan, kind).forEach((mm, n) => {
      shares[kind.pours[n]!]! += (mm / plan.mould.fillMm) * (kind.cavities.length / filled)
    })
  return shares
}
