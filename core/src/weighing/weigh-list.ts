import type { Plan } from '../plan/index.ts'
import { ladderSteps } from '../cups/index.ts'
import { plainIceG } from '../portions/index.ts'
import type { Portions, WeighedExtra } from '../portions/index.ts'
import { topSheet } from '../preparation/index.ts'
import { findById, isHard } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { showShare, tidy } from '../units/index.ts'
import { roundNearest } from '../working/index.ts'

export type WeighGroup = 'lye-water' | 'lye' | 'oils' | 'late' | 'additives' | 'scent' | 'colours' | 'top'

/** One thing to weigh, in a sensible order. */
export interface WeighLine {
  /** Stable name of the line, e.g. "oil:olive". */
  key: string
  group: WeighGroup
  what: string
  massG: number
  exactG: number
  stepG: number
  /** Where it goes, and how to tare. */
  where: string
  /** What rounding does to it, or empty. */
  rounding: string
  /** Half a step against the amount; null where it does not matter. */
  errorShare: number | null
  scale: 'fine' | 'coarse' | 'stop'
  scaleSentence: string
}

export const GROUP_TITLES: Readonly<Record<WeighGroup, string>> = {
  'lye-water': 'For the lye water',
  lye: 'Lye, in its own cup',
  oils: 'Oils',
  late: 'Oils kept back',
  additives: 'Additives',
  scent: 'Scent',
  colours: 'Colours and what they are mixed with',
  top: 'The top, a batter of its own',
}

/** A step above this part of the amount is worth a word, and above the second one too coarse. */
const WARN = 0.03
const STOP = 0.1

const needed = (amountG: number): string => tidy(Math.max(0.001, Number((amountG * 0.01).toPrecision(1))), 3)

function scaleOf(
  massG: number,
  stepG: number,
  isCritical: boolean,
): Pick<WeighLine, 'errorShare' | 'scale' | 'scaleSentence'> {
  if (!(massG > 0)) return { errorShare: null, scale: 'fine', scaleSentence: '' }
  const share = stepG / massG
  if (share <= WARN) return { errorShare: share, scale: 'fine', scaleSentence: '' }
  const text = `A step of ${tidy(stepG, 2)} g is ${showShare(share, 0)} of ${tidy(massG, 2)} g`
  return share > STOP && isCritical
    ? {
        errorShare: share,
        scale: 'stop',
        scaleSentence: `${text}: too coarse. Take a scale of ${needed(massG)} g steps, or make a larger batch.`,
      }
    : { errorShare: share, scale: 'coarse', scaleSentence: `${text}. A scale of ${needed(massG)} g steps is better.` }
}

const line = (
  base: Pick<WeighLine, 'key' | 'group' | 'what' | 'massG' | 'exactG' | 'stepG' | 'where'>,
  { isCritical = false, rounding = '' }: { isCritical?: boolean; rounding?: string } = {},
): WeighLine => ({ ...base, rounding, ...scaleOf(base.exactG, base.stepG, isCritical) })

const extra = (
  part: WeighedExtra,
  kind: 'liquid' | 'additive',
  group: WeighGroup,
  where: string,
  stepG: number,
): WeighLine =>
  line({ key: `${kind}:${part.id}`, group, what: part.name, massG: part.massG, exactG: part.exactG, stepG, where })

const MOMENT_WORDS = {
  lye: 'in the water before the lye',
  oils: 'into the oils before the lye',
  trace: 'in at light trace',
} as const

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

const CLUMPS: Readonly<Record<string, string>> = {
  oil: 'press it smooth; if it clumps, rest it an hour or sieve it',
  water: 'press it smooth; if it clumps, a drop of alcohol helps',
  glycerin: 'press it smooth',
}

function colourLines(plan: Plan, portions: Portions, shelf: Shelf): WeighLine[] {
  const base = { group: 'colours' as const, stepG: plan.conditions.fineScaleStepG }
  const dry = (dusty: boolean | undefined) => (dusty ? 'in a small pot; mask on while it is dry' : 'in a small pot')
  const whole = portions.potColours
    .filter(part => part.exactG > 0)
    .map(part =>
      line({
        ...base,
        key: `colour:pot:${part.colorant}`,
        what: `${part.name} for the whole pot`,
        massG: part.massG,
        exactG: part.exactG,
        where: `${dry(findById(shelf.colorants, part.colorant)?.dusty)}; ${MOMENT_WORDS[part.moment]}`,
      }),
    )
  const onLadder = new Set(plan.ladders.flatMap(ladder => ladder.cups))
  const ofCups = plan.cups.flatMap((cup, i) =>
    (onLadder.has(cup.id) ? [] : portions.cups[i]!.colours).flatMap(part => {
      if (!(part.exact.powderG > 0)) return []
      const colorant = findById(shelf.colorants, part.colorant)
      const powder = line({
        ...base,
        key: `colour:${cup.id}:${part.colorant}`,
        what: `${part.name} for ${cup.name}`,
        massG: part.powderG,
        exactG: part.exact.powderG,
        where: part.fromSlurry ? 'in the slurry already made' : dry(colorant?.dusty),
      })
      if (!(part.exact.mediumG > 0)) return [powder]
      const smooth = CLUMPS[part.medium] ?? 'stir smooth'
      const medium = line({
        ...base,
        key: `medium:${cup.id}:${part.colorant}`,
        what: `${mediumName(plan, shelf, part.medium)} for ${part.name}, ${cup.name}`,
        massG: part.mediumG,
        exactG: part.exact.mediumG,
        where: part.fromSlurry
          ? 'in the slurry already made'
          : part.medium === 'alcohol'
            ? 'on the powder; stir smooth. It burns: no flame, no hot plate, air the room'
            : `on the powder; ${colorant?.clumping === 'high' ? smooth : 'stir smooth'}`,
      })
      return [powder, medium]
    }),
  )
  return [...whole, ...ofCups, ...ladderLines(plan, portions, shelf)]
}

/** A ladder's colour is weighed once, for the mother cup; its white in as many pots as it is stirred in. */
function ladderLines(plan: Plan, portions: Portions, shelf: Shelf): WeighLine[] {
  const { fineScaleStepG: stepG } = plan.conditions
  const name = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? id
  const own = (key: string, what: string, exactG: number, where: string) =>
    line({ key, group: 'colours', what, massG: roundNearest(exactG, stepG), exactG, stepG, where })
  return plan.ladders.flatMap(ladder => {
    const { colours, steps } = ladderSteps(plan, portions, ladder)
    const mother = name(ladder.cups[0]!)
    const white = findById(shelf.colorants, ladder.white)
    return [
      ...colours.flatMap(part => [
        own(
          `colour:${ladder.id}:${part.colorant}`,
          `${part.name} for the mother cup of ${mother}`,
          part.powderG,
          'in a small pot; for all steps of the ladder',
        ),
        ...(part.mediumG > 0
          ? [
              own(
                `medium:${ladder.id}:${part.colorant}`,
                `${mediumName(plan, shelf, part.medium)} for ${part.name}, mother cup of ${mother}`,
                part.mediumG,
                'on the powder; stir smooth',
              ),
            ]
          : []),
      ]),
      ...steps
        .filter(step => step.addWhiteG > 0)
        .flatMap(step => [
          own(
            `white:${ladder.id}:${step.cup}`,
            `${white?.name ?? 'White'}, into the rest after ${name(step.cup)}`,
            step.addWhiteG,
            'in a small pot of its own',
          ),
          ...(white && white.mediumRatio > 0 && white.medium !== 'none'
            ? [
                own(
                  `wetting:${ladder.id}:${step.cup}`,
                  `${mediumName(plan, shelf, white.medium)} for that white`,
                  step.addWhiteG * white.mediumRatio,
                  'on the powder; stir smooth',
                ),
              ]
            : []),
        ]),
    ]
  })
}

/** The oil that disperses by its name, other liquids as they are. */
function mediumName(plan: Plan, shelf: Shelf, medium: string): string {
  const oil = medium === 'oil' ? findById(shelf.oils, plan.division.mediumOil) : undefined
  const drawn = plan.division.mediumFrom === 'recipe' ? ', drawn from the recipe,' : ''
  return `${oil?.name ?? medium.charAt(0).toUpperCase() + medium.slice(1)}${(medium === 'oil' && oil) || medium === 'water' ? drawn : ''}`
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
