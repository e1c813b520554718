import type { Plan } from '../plan/index.ts'
import { plainIceG } from '../portions/index.ts'
import type { Portions, WeighedExtra } from '../portions/index.ts'
import { topSheet } from '../preparation/index.ts'
import { findById, isHard } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { showShare, tidy } from '../units/index.ts'
import { colourLines } from './colour-lines.ts'
import { MOMENT_WORDS, line } from './line.ts'
import type { WeighGroup, WeighLine } from './line.ts'

const extra = (
  part: WeighedExtra,
  kind: 'liquid' | 'additive',
  group: WeighGroup,
  where: string,
  stepG: number,
): WeighLine =>
  line({ key: `${kind}:${part.id}`, group, what: part.name, massG: part.massG, exactG: part.exactG, stepG, where })

/** Where an additive goes: in its own way, unless the plan puts it elsewhere than usual. */
function howOf(plan: Plan, shelf: Shelf, part: WeighedExtra): string {
  const additive = findById(shelf.additives, part.id)
  const own =
    additive && additive.moment === part.moment && additive.how !== '' ? additive.how : MOMENT_WORDS[part.moment]
  return `in its own cup; ${own}`
}

function lyeLines(plan: Plan, portions: Portions, shelf: Shelf): WeighLine[] {
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const iceG = plainIceG(plan, shelf, portions)
  const frozen = (id: string) => findById(shelf.liquids, id)?.useFrozen
  const lines = [
    line({
      key: 'water',
      group: 'lye-water',
      what: 'Water',
      massG: portions.waterG,
      exactG: portions.waterExactG,
      stepG: scaleStepG,
      where: iceG >= 1 ? `tare the lye jug; ${tidy(iceG, 0)} g of it as ice` : 'tare the lye jug',
    }),
    ...portions.liquids
      .filter(part => part.moment === 'lye')
      .map(part =>
        extra(
          part,
          'liquid',
          'lye-water',
          frozen(part.id) ? 'in the lye jug, frozen to slush' : 'in the lye jug',
          scaleStepG,
        ),
      ),
    ...portions.additives
      .filter(part => part.moment === 'lye')
      .map(part => extra(part, 'additive', 'lye-water', howOf(plan, shelf, part), fineScaleStepG)),
  ].filter(one => one.exactG > 0)
  const down = portions.lyeExactG - portions.lyeG
  const sf = showShare(portions.superfatShare, 2)
  return [
    ...lines,
    line(
      {
        key: 'lye',
        group: 'lye',
        what: 'Lye (NaOH)',
        massG: portions.lyeG,
        exactG: portions.lyeExactG,
        stepG: fineScaleStepG,
        where: 'tare a dry cup of its own; into the water, never the reverse',
      },
      {
        isCritical: true,
        rounding: down > 1e-6 ? `${tidy(portions.lyeExactG, 2)} g rounded down; superfat ${sf}` : '',
      },
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
  const infusion = (id: string) => plan.recipe.oils.find(part => part.oil === id)?.infusion
  const name = (part: (typeof order)[number]) => {
    const steeped = infusion(part.oil)
    return steeped ? `${part.name}, steeped with ${steeped.plant}` : part.name
  }
  const firstLiquid = order.findIndex(part => !part.late && !isHardOil(part.oil))
  return order.map((part, i) =>
    line({
      key: `oil:${part.oil}`,
      group: part.late ? 'late' : 'oils',
      what: name(part),
      massG: part.massG,
      exactG: part.exactG,
      stepG: plan.conditions.scaleStepG,
      where: part.late
        ? 'in a cup of its own; in at light trace'
        : isHardOil(part.oil)
          ? 'in the pot, tare between; melt these'
          : i === firstLiquid && firstLiquid > 0
            ? 'in the pot once the hard fats are clear; tare between'
            : 'in the pot; tare between',
    }),
  )
}

function laterLines(plan: Plan, portions: Portions, shelf: Shelf): WeighLine[] {
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const moments = {
    oils: 'into the oils before the lye',
    pot: 'into the pot before the split',
    'with-colour': 'into each cup with its colour',
    last: 'into each cup right before its pour',
  }
  const lines = [
    ...portions.liquids
      .filter(part => part.moment !== 'lye')
      .map(part => extra(part, 'liquid', 'additives', 'in its own cup; in at light trace', scaleStepG)),
    ...portions.additives
      .filter(part => part.moment !== 'lye')
      .map(part => extra(part, 'additive', 'additives', howOf(plan, shelf, part), fineScaleStepG)),
    ...portions.scents.map((part, i) =>
      line(
        {
          key: `scent:${part.scent}`,
          group: 'scent',
          what: part.name,
          massG: part.massG,
          exactG: part.exactG,
          stepG: fineScaleStepG,
          where:
            i === 0
              ? `in a cup of its own, standing in the mould; ${plan.scent ? moments[plan.scent.moment] : ''}`
              : 'tare and add to the same cup, slowly: it cannot be taken out again',
        },
        { isCritical: true, rounding: part.exactG - part.massG > 1e-6 ? `${tidy(part.exactG, 2)} g rounded down` : '' },
      ),
    ),
  ]
  return [
    ...lines,
    ...stabiliserLines(plan, portions),
    ...ownScentLines(plan, portions),
    ...colourLines(plan, portions, shelf),
  ]
}

function stabiliserLines(plan: Plan, portions: Portions): WeighLine[] {
  if (!(portions.stabiliserG > 0)) return []
  const exactG = portions.cups.reduce((sum, cup, i) => (plan.cups[i]!.ownScent ? sum : sum + cup.exact.stabiliserG), 0)
  return [
    line({
      key: 'stabiliser',
      group: 'scent',
      what: 'Vanilla stabiliser',
      massG: portions.stabiliserG,
      exactG,
      stepG: plan.conditions.fineScaleStepG,
      where: 'into the scent, stirred, as long before as its supplier says',
    }),
  ]
}

function ownScentLines(plan: Plan, portions: Portions): WeighLine[] {
  const { fineScaleStepG } = plan.conditions
  return plan.cups.flatMap((cup, i) => {
    const portion = portions.cups[i]!
    const scents = (portions.ownScents[i] ?? []).map(part =>
      line(
        {
          key: `scent:${cup.id}:${part.scent}`,
          group: 'scent',
          what: `${part.name} for ${cup.name} only`,
          massG: part.massG,
          exactG: part.exactG,
          stepG: fineScaleStepG,
          where: 'in a small pot of its own, marked with the cup’s name',
        },
        { isCritical: true, rounding: part.exactG - part.massG > 1e-6 ? `${tidy(part.exactG, 2)} g rounded down` : '' },
      ),
    )
    if (!cup.ownScent || !(portion.exact.stabiliserG > 0)) return scents
    const what = `Vanilla stabiliser for ${cup.name}`
    const { stabiliserG: massG, exact } = portion
    return [
      ...scents,
      line({
        key: `stabiliser:${cup.id}`,
        group: 'scent',
        what,
        massG,
        exactG: exact.stabiliserG,
        stepG: fineScaleStepG,
        where: 'into its scent',
      }),
    ]
  })
}

/** A whipped or piped top has oils, lye and water of its own. */
function topLines(plan: Plan, shelf: Shelf): WeighLine[] {
  const top = topSheet(plan, shelf)
  if (!top) return []
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const own = (key: string, what: string, massG: number, stepG: number, where: string) =>
    line({ key: `top:${key}`, group: 'top', what, massG, exactG: massG, stepG, where }, { isCritical: key === 'lye' })
  return [
    own('water', 'Water for the top', top.waterG, scaleStepG, 'tare a second lye jug'),
    own('lye', 'Lye (NaOH) for the top', top.lyeG, fineScaleStepG, 'in its own cup; into its water, gear on again'),
    ...top.oils.map(part =>
      own(part.oil, `${part.name} for the top`, part.massG, scaleStepG, 'in the whipping bowl; tare between'),
    ),
  ]
}

/**
 * Everything to weigh, in the order that keeps hands free and lye safe: lye water, lye, oils from the hard ones down, then
 * additives, scent and colours. Lye and scent are rounded down.
 */
export const weighList = (plan: Plan, portions: Portions, shelf: Shelf): WeighLine[] => [
  ...lyeLines(plan, portions, shelf),
  ...oilLines(plan, portions, shelf),
  ...laterLines(plan, portions, shelf),
  ...topLines(plan, shelf),
]
