import { fact, grams } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { TOPPINGS } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { plainIceG } from '../portions/index.ts'
import type { Portions, WeighedExtra } from '../portions/index.ts'
import { divisionSheet, topSheet } from '../preparation/index.ts'
import { findById, isHard } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { showShare } from '../quantities/units/index.ts'
import { roundNearest } from '../quantities/working/index.ts'
import { batterLines, solutionLines } from './batter-lines.ts'
import { colourLines, dustedPowderLines } from './colour-lines.ts'
import { howOf, oilName, usualMostOf } from './names.ts'
import { line, uncounted } from './line.ts'
import type { WeighGroup, WeighLine } from './line.ts'
import { scentLines } from './scent-lines.ts'

/** A difference of rounded amounts, without what binary fractions add. */
const tidied = (massG: number): number => Number(massG.toFixed(6))

const extra = (
  part: WeighedExtra,
  kind: 'liquid' | 'additive',
  group: WeighGroup,
  where: Words,
  stepG: number,
  most: WeighLine['most'] = null,
): WeighLine =>
  line({
    key: `${kind}:${part.id}`,
    kind,
    group,
    what: part.name,
    massG: part.massG,
    exactG: part.exactG,
    stepG,
    where,
    most,
    item: { kind: `${kind}s`, id: part.id },
  })

function lyeLines(plan: Plan, portions: Portions, shelf: Shelf): WeighLine[] {
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const iceG = plainIceG(plan, shelf, portions)
  const frozen = (id: string) => findById(shelf.liquids, id)?.useFrozen
  const lines = [
    line({
      key: 'water',
      kind: 'water',
      item: uncounted('water'),
      group: 'lye-water',
      what: fact('Water'),
      massG: tidied(portions.waterG - portions.rinseG),
      exactG: Math.max(0, portions.waterExactG - portions.rinseG),
      stepG: scaleStepG,
      where: iceG >= 1 ? fact('weighing.tare-lye-jug-as', { iceG: grams(iceG, 0) }) : fact('weighing.tare-lye-jug-2'),
    }),
    ...portions.liquids
      .filter(part => part.moment === 'lye')
      .map(part =>
        extra(
          part,
          'liquid',
          'lye-water',
          frozen(part.id) ? fact('weighing.lye-jug-frozen-slush') : fact('weighing.lye-jug'),
          scaleStepG,
        ),
      ),
    ...portions.additives
      .filter(part => part.moment === 'lye')
      .map(part =>
        extra(
          part,
          'additive',
          'lye-water',
          howOf(plan, shelf, part),
          stepOf(part, plan),
          usualMostOf(shelf, part.id, portions.oilG),
        ),
      ),
    line({
      key: 'rinse',
      kind: 'water',
      item: uncounted('water'),
      group: 'lye-water',
      what: fact('weighing.rinse'),
      massG: portions.rinseG,
      exactG: portions.rinseG,
      stepG: scaleStepG,
      where: fact('weighing.rinse-where'),
    }),
  ].filter(one => one.exactG > 0)
  const down = portions.lyeExactG - portions.lyeG
  const sf = showShare(portions.superfatShare, 2)
  return [
    ...lines,
    line(
      {
        key: 'lye',
        kind: 'lye',
        item: uncounted('lye'),
        group: 'lye',
        what: fact('weighing.lye-naoh'),
        massG: portions.lyeG,
        exactG: portions.lyeExactG,
        stepG: fineScaleStepG,
        where: fact('weighing.tare-dry-cup-its'),
        rounding:
          down > 1e-6 ? fact('weighing.rounded-down-superfat', { lyeExactG: grams(portions.lyeExactG, 2), sf }) : '',
      },
      { isCritical: true },
    ),
  ]
}

function oilLines(plan: Plan, portions: Portions, shelf: Shelf): WeighLine[] {
  const isHardOil = (id: string) => {
    const oil = findById(shelf.oils, id)
    return oil ? isHard(oil) : false
  }
  const order = [...portions.oils].sort(
    (a, b) => Number(isHardOil(b.oil)) - Number(isHardOil(a.oil)) || b.exactG - a.exactG,
  )
  const firstLiquid = order.findIndex(part => !part.late && !isHardOil(part.oil))
  return order.map((part, i) =>
    line({
      key: `oil:${part.oil}`,
      kind: 'oil',
      item: { kind: 'oils', id: part.oil },
      group: part.late ? 'late' : 'oils',
      what: oilName(plan, part),
      massG: part.massG,
      exactG: part.exactG,
      stepG: plan.conditions.scaleStepG,
      where: part.late
        ? fact('weighing.cup-its-own-at')
        : isHardOil(part.oil)
          ? fact('weighing.pot-tare-between-melt')
          : i === firstLiquid && firstLiquid > 0
            ? fact('weighing.pot-once-hard-fats')
            : fact('weighing.pot-tare-between'),
    }),
  )
}

/** The scale that an additive's mass was rounded to. */
const stepOf = (part: WeighedExtra, { conditions }: Plan): number =>
  part.exactG >= 100 ? conditions.scaleStepG : conditions.fineScaleStepG

function laterLines(plan: Plan, portions: Portions, shelf: Shelf): WeighLine[] {
  return [
    ...portions.liquids
      .filter(part => part.moment !== 'lye')
      .map(part => extra(part, 'liquid', 'additives', fact('weighing.its-own-cup-at'), plan.conditions.scaleStepG)),
    ...portions.additives
      .filter(part => part.moment !== 'lye')
      .map(part =>
        extra(
          part,
          'additive',
          'additives',
          howOf(plan, shelf, part),
          stepOf(part, plan),
          usualMostOf(shelf, part.id, portions.oilG),
        ),
      ),
  ]
}

/** A whipped or piped top has oils, lye and water of its own. */
function topLines(plan: Plan, shelf: Shelf): WeighLine[] {
  const top = topSheet(plan, shelf)
  if (!top) return []
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const own = { group: 'top', batter: 'top' } as const
  return [
    line({
      ...own,
      key: 'top:water',
      kind: 'water',
      item: uncounted('water'),
      what: fact('weighing.water-for-top'),
      massG: top.waterG,
      exactG: top.waterExactG,
      stepG: scaleStepG,
      where: fact('weighing.tare-second-lye-jug'),
    }),
    line(
      {
        ...own,
        key: 'top:lye',
        kind: 'lye',
        item: uncounted('lye'),
        what: fact('weighing.lye-naoh-for-top'),
        massG: top.lyeG,
        exactG: top.lyeExactG,
        stepG: fineScaleStepG,
        where: fact('weighing.its-own-cup-into'),
      },
      { isCritical: true },
    ),
    ...top.oils.map(part =>
      line({
        ...own,
        key: `top:${part.oil}`,
        kind: 'oil',
        item: { kind: 'oils' as const, id: part.oil },
        what: fact('weighing.for-top', { part: part.name }),
        massG: part.massG,
        exactG: part.exactG,
        stepG: scaleStepG,
        where: fact('weighing.whipping-bowl-tare-between'),
      }),
    ),
  ]
}

function toppingLines(plan: Plan): WeighLine[] {
  const stepG = plan.conditions.fineScaleStepG
  return plan.finish.toppings
    .filter(one => one.massG > 0)
    .map(one =>
      line({
        key: `topping:${one.id}`,
        kind: 'topping',
        group: 'toppings',
        what: one.name,
        item: { kind: 'uncounted', id: `topping-${one.id}`, name: one.name },
        massG: roundNearest(one.massG, stepG),
        exactG: one.massG,
        stepG,
        where: fact('weighing.small-pot-within-reach', { kind: fact(TOPPINGS[one.kind]) }),
      }),
    )
}

/**
 * Everything to weigh, in the order that keeps hands free and lye safe: lye water, lye, oils from the hard ones down, then
 * additives, scent and colours, lines of powder, the top's own batter and toppings. With batters of their own, what is common
 * comes first and each batter's share after it. Lye and scent are rounded down.
 */
export function weighList(plan: Plan, portions: Portions, shelf: Shelf): WeighLine[] {
  const common =
    plan.division.mode === 'own-batters'
      ? ownBatterLines(plan, portions, shelf)
      : [...lyeLines(plan, portions, shelf), ...oilLines(plan, portions, shelf), ...laterLines(plan, portions, shelf)]
  return [
    ...common,
    ...scentLines(plan, portions, shelf),
    ...colourLines(plan, portions, shelf),
    ...dustedPowderLines(plan, shelf),
    ...topLines(plan, shelf),
    ...toppingLines(plan),
  ]
}

function ownBatterLines(plan: Plan, portions: Portions, shelf: Shelf): WeighLine[] {
  const sheet = divisionSheet(plan, shelf, portions)
  return [...solutionLines(plan, shelf, sheet, portions), ...batterLines(plan, shelf, sheet)]
}
