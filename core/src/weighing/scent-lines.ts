import { fact, grams, together } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { PlannedScent } from '../recipe/index.ts'
import { unitBatter, scentLoad } from '../recipe/index.ts'
import type { ScentLoad } from '../recipe/index.ts'
import { hasStabiliserApart } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Portions, WeighedScent } from '../portions/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { roundDown } from '../quantities/working/index.ts'
import { line } from './line.ts'
import type { WeighLine } from './line.ts'

const MOMENTS: Readonly<Record<PlannedScent['moment'], string>> = {
  oils: 'into the oils before the lye',
  pot: 'into the pot before the split',
  'with-colour': 'into each cup with its colour',
  last: 'into each cup right before its pour',
  'never-stop': 'blended into what is left in the pot, right before it is poured',
}

/** A part stands this near its cap when not one step more fits. */
function capWords(part: WeighedScent, mostG: number, stepG: number): Words {
  const down = part.exactG - part.massG
  const rounded =
    down > 1e-6
      ? fact('weighing.rounded-down', { exactG: grams(part.exactG, 2) })
      : down < -1e-6
        ? fact('weighing.what-other-parts-lost', { exactG: grams(part.exactG, 2) })
        : ''
  const atCap =
    part.massG + stepG > mostG + 1e-9
      ? fact('weighing.at-its-limit-not', { roundDown: grams(roundDown(mostG, 0.01), 2) })
      : ''
  return together([rounded, atCap], '; ')
}

/**
 * What a part of a scent may weigh at most, g: its limit in the oils of the cups that get it. Where the batch's scent is
 * crowded into few cups, those set it.
 */
const mostOf = (load: ScentLoad, i: number, part: WeighedScent, ofOils: number): number =>
  load.parts[i]!.share > 0 && ofOils > 0
    ? (part.exactG * load.parts[i]!.limitOfOils) / (ofOils * load.parts[i]!.share)
    : Infinity

function partsOf(
  parts: readonly WeighedScent[],
  load: ScentLoad,
  ofOils: number,
  stepG: number,
  of: (part: WeighedScent, i: number) => Pick<WeighLine, 'key' | 'what' | 'where'>,
): WeighLine[] {
  return parts.map((part, i) => {
    const mostG = mostOf(load, i, part, ofOils)
    return line(
      {
        ...of(part, i),
        item: { kind: 'scents', id: part.scent },
        kind: 'scent',
        group: 'scent',
        massG: part.massG,
        exactG: part.exactG,
        stepG,
        rounding: capWords(part, mostG, stepG),
        most: Number.isFinite(mostG) ? { massG: roundDown(mostG, stepG), isCap: true } : null,
      },
      { isCritical: true },
    )
  })
}

/** Scents of the batch and of single cups, with their stabiliser; each knows its cap. */
export function scentLines(plan: Plan, portions: Portions, shelf: Shelf): WeighLine[] {
  const { fineScaleStepG: stepG } = plan.conditions
  const perOils = unitBatter(plan.recipe, shelf).batterG
  const shared = portions.cups.filter((_, i) => plan.cups[i]!.scented && !plan.cups[i]!.ownScent)
  const ofOils = Math.max(0, ...shared.map(cup => cup.scentOfOils))
  const load = plan.scent && scentLoad(plan.scent, shelf, perOils)
  const common = load
    ? partsOf(portions.scents, load, ofOils, stepG, (part, i) => ({
        key: `scent:${part.scent}`,
        what: part.name,
        where:
          i === 0
            ? fact('weighing.cup-its-own-standing', { moment: fact(MOMENTS[plan.scent!.moment]) })
            : fact('weighing.tare-add-same-cup'),
      }))
    : []
  const own = plan.cups.flatMap((cup, i) => {
    const keeper = hasStabiliserApart(cup) ? stabiliser(plan, portions, i) : []
    if (!cup.ownScent) return keeper
    const ownLoad = scentLoad(cup.ownScent, shelf, perOils)
    const lines = partsOf(portions.ownScents[i] ?? [], ownLoad, portions.cups[i]!.scentOfOils, stepG, part => ({
      key: `scent:${cup.id}:${part.scent}`,
      what: fact('weighing.for-only', { part: part.name, cup: cup.name }),
      where: fact('weighing.small-pot-its-own-marked'),
    }))
    return [...lines, ...keeper]
  })
  return [...common, ...stabiliser(plan, portions, null), ...own]
}

/** Where the stabiliser goes: scent that is in the batter already cannot be treated before. */
function stabiliserGoes(plan: Plan, i: number | null): Words {
  const cup = i === null ? null : plan.cups[i]!
  if (cup?.ownScent) return fact('weighing.into-its-scent')
  const moment = plan.scent?.moment
  if (cup && (moment === 'oils' || moment === 'pot')) return fact('weighing.into-alone-stirred-well', { cup: cup.name })
  return cup ? fact('weighing.into-scent-this-cup') : fact('weighing.into-scent-stirred-as')
}

/** Stabiliser of the batch's scent, or of one cup's (`i`) where it is weighed apart. */
function stabiliser(plan: Plan, portions: Portions, i: number | null): WeighLine[] {
  const cups = portions.cups.filter((_, n) => (i === null ? !hasStabiliserApart(plan.cups[n]!) : n === i))
  const exactG = cups.reduce((sum, cup) => sum + cup.exact.stabiliserG, 0)
  const massG = i === null ? portions.stabiliserG : portions.cups[i]!.stabiliserG
  if (!(exactG > 0)) return []
  const key = i === null ? 'stabiliser' : `stabiliser:${plan.cups[i]!.id}`
  return [
    line({
      item: { kind: 'additives', id: 'vanilla-stabiliser' },
      key,
      kind: 'stabiliser',
      group: 'scent',
      massG,
      exactG,
      stepG: plan.conditions.fineScaleStepG,
      what:
        i === null
          ? fact('weighing.vanilla-stabiliser')
          : fact('weighing.vanilla-stabiliser-for', { cups: plan.cups[i]!.name }),
      where: stabiliserGoes(plan, i),
    }),
  ]
}
