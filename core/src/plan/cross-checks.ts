import type { ScentMoment, WaterBasis } from '../recipe/index.ts'
import { MAX_CUPS } from './document.ts'
import type { Plan } from './document.ts'
import type { Problem } from '../fields/index.ts'
import { baseAreaMm2 } from './mould.ts'
import { cavitiesOf, emptyCavities, layerHeights } from './cavities.ts'

/** Thinnest layer, mm, that survives being poured over a spatula and smoothed. */
export const THINNEST_LAYER_MM = 2
/** All waits of a score together, min. */
const LONGEST_WAITS_MIN = 240
const SMALLEST_ML = 50
const LARGEST_ML = 40_000

/** Volume of the soap in a mould whose every cavity is filled, ml. */
export const fillVolumeMl = (mould: Plan['mould']): number => (baseAreaMm2(mould) * mould.fillMm) / 1000

/** Volume of all moulds together, ml; cavities that nothing goes into stay empty. */
export const allMouldsMl = (plan: Pick<Plan, 'mould' | 'moreMoulds' | 'score'>): number =>
  [plan.mould, ...plan.moreMoulds].reduce((sum, mould) => sum + fillVolumeMl(mould), 0) -
  (fillVolumeMl(plan.mould) * emptyCavities(plan).length) / plan.mould.cavities

function doubles(plan: Plan): Problem[] {
  const twice = (path: string, ids: readonly string[], what: string): Problem[] =>
    ids.flatMap((id, i) =>
      ids.indexOf(id) < i ? [{ path: `${path}[${i}]`, value: id, sentence: `There is already ${what} “${id}”.` }] : [],
    )
  return [
    ...twice(
      'cups',
      plan.cups.map(cup => cup.id),
      'a cup',
    ),
    ...twice(
      'score',
      plan.score.map(pour => pour.id),
      'a pour',
    ),
    ...twice(
      'moves',
      plan.moves.map(move => move.id),
      'a move',
    ),
    ...twice(
      'finish.embeds',
      plan.finish.embeds.map(embed => embed.id),
      'an embed',
    ),
    ...twice(
      'finish.toppings',
      plan.finish.toppings.map(topping => topping.id),
      'a topping',
    ),
    ...twice(
      'recipe.oils',
      plan.recipe.oils.map(part => part.oil),
      'the oil',
    ),
    ...twice(
      'recipe.liquids',
      plan.recipe.liquids.map(part => part.liquid),
      'the liquid',
    ),
    ...twice(
      'recipe.additives',
      plan.recipe.additives.map(part => part.additive),
      'the additive',
    ),
    ...twice(
      'potColorants',
      plan.potColorants.map(part => part.colorant),
      'the colorant',
    ),
    ...twice(
      'ladders',
      plan.ladders.flatMap(ladder => ladder.cups),
      'on a ladder the cup',
    ),
    ...twice(
      'reserves',
      plan.reserves.map(reserve => reserve.id),
      'a reserve',
    ),
    ...twice(
      'division.actual',
      plan.division.actual.map(actual => actual.cup),
      'the cup',
    ),
    ...plan.division.actual.flatMap((actual, i) =>
      twice(
        `division.actual[${i}].powders`,
        actual.powders.map(part => part.colorant),
        'the colorant',
      ),
    ),
    ...plan.cups.flatMap((cup, i) => [
      ...twice(
        `cups[${i}].colorants`,
        cup.colorants.map(part => part.colorant),
        'the colorant',
      ),
      ...twice(`cups[${i}].ownScent.parts`, cup.ownScent?.parts.map(part => part.scent) ?? [], 'the scent'),
    ]),
    ...twice('scent.parts', plan.scent?.parts.map(part => part.scent) ?? [], 'the scent'),
  ]
}

function moulds(plan: Plan): Problem[] {
  const tooHigh = [plan.mould, ...plan.moreMoulds].flatMap(({ fillMm, innerHeightMm }, i): Problem[] => {
    if (fillMm <= innerHeightMm + 1e-6) return []
    const sentence = `The soap would stand ${fillMm} mm high in a mould of ${innerHeightMm} mm. Lower the soap or choose a deeper mould.`
    return [{ path: i === 0 ? 'mould.fillMm' : `moreMoulds[${i - 1}].fillMm`, value: fillMm, sentence }]
  })
  if (tooHigh.length > 0) return tooHigh
  const ml = allMouldsMl(plan)
  if (ml >= SMALLEST_ML && ml <= LARGEST_ML) return []
  const litres = ml < 1000 ? `${Math.round(ml)} ml` : `${(ml / 1000).toFixed(1)} litres`
  const sentence = `This fill holds ${litres}. Ostler plans from ${SMALLEST_ML} ml to ${LARGEST_ML / 1000} litres in one pot; split a larger pour into batches.`
  return [{ path: 'mould.fillMm', value: plan.mould.fillMm, sentence }]
}

/** Names of cups that must exist, slurries that cannot give more than was made, and scents of single cups. */
function cups(plan: Plan): Problem[] {
  const known = new Set(plan.cups.map(cup => cup.id))
  const gone = (path: string, id: string): Problem[] =>
    id === '' || known.has(id) ? [] : [{ path, value: id, sentence: `There is no cup “${id}”.` }]
  return [
    ...plan.reserves.flatMap((reserve, i) => gone(`reserves[${i}].cup`, reserve.cup)),
    ...plan.ladders.flatMap((ladder, i) => ladder.cups.flatMap(cup => gone(`ladders[${i}].cups`, cup))),
    ...plan.division.actual.flatMap((actual, i) => gone(`division.actual[${i}].cup`, actual.cup)),
    ...gone('division.makesUp', plan.division.makesUp),
    ...plan.seen.flatMap((seen, i) => gone(`seen[${i}].cup`, seen.cup)),
    ...restChecks(plan),
    ...cavityChecks(plan),
    ...plan.score.flatMap(({ window }, i): Problem[] => {
      if (!window || window.hi >= window.lo + 0.2) return []
      const sentence = `The window would end at ${window.hi} after starting at ${window.lo}: it is at least 0.2 wide.`
      return [{ path: `score[${i}].window.hi`, value: window.hi, sentence }]
    }),
    ...plan.cups.flatMap((cup, i) => [
      ...cup.colorants.flatMap((part, j): Problem[] => {
        const { slurry } = part
        if (!slurry || slurry.usedG <= slurry.powderG + slurry.mediumG + 1e-6) return []
        const sentence = `${slurry.usedG} g is more than the ${Number((slurry.powderG + slurry.mediumG).toFixed(2))} g of slurry that was made.`
        return [{ path: `cups[${i}].colorants[${j}].slurry.usedG`, value: slurry.usedG, sentence }]
      }),
      ...(cup.ownScent && COMMON_MOMENTS.includes(cup.ownScent.moment)
        ? [
            {
              path: `cups[${i}].ownScent.moment`,
              value: cup.ownScent.moment,
              sentence: 'A cup’s own scent goes into the cup: with the colour, or last.',
            },
          ]
        : []),
    ]),
    ...scentInOils(plan),
    ...neverStops(plan),
  ]
}

/** Moments at which a scent goes into the batter of all cups. */
const COMMON_MOMENTS: readonly ScentMoment[] = ['oils', 'pot', 'never-stop']

/** Scent in the oils is in every cup that is split from them. */
function scentInOils(plan: Plan): Problem[] {
  if (plan.scent?.moment !== 'oils' || plan.division.mode === 'own-batters') return []
  const poured = new Set(plan.score.map(pour => pour.cup))
  const plain = plan.cups.find(cup => poured.has(cup.id) && (!cup.scented || cup.ownScent))
  if (!plain) return []
  const sentence = `Scent in the oils is in every cup, and ${plain.name} is to be without it. Let it go in later, or give each cup a batter of its own.`
  return [{ path: 'scent.moment', value: 'oils', sentence }]
}

/** What is blended in and poured without a stop is one cup, poured once and last: nothing can be done after it. */
function neverStops(plan: Plan): Problem[] {
  if (plan.scent?.moment !== 'never-stop') return []
  const problem = (sentence: string): Problem[] => [{ path: 'scent.moment', value: 'never-stop', sentence }]
  const poured = new Set(plan.score.map(pour => pour.cup))
  const scented = plan.cups.filter(cup => poured.has(cup.id) && cup.scented && !cup.ownScent)
  if (scented.length === 0) return []
  if (scented.length > 1) {
    const names = scented.map(cup => cup.name).join(', ')
    return problem(
      `What is poured without a stop is one colour and one scent: ${scented.length} cups have this scent (${names}). Leave it to one of them; the others are poured plain, first.`,
    )
  }
  const at = plan.score.flatMap((pour, i) => (pour.cup === scented[0]!.id ? [i] : []))
  if (at.length > 1 || at[0] !== plan.score.length - 1)
    return problem(
      `${scented[0]!.name} is poured once, without a stop, and last: nothing can wait on it. Pour the plain cups before it.`,
    )
  return []
}

const WATER_RANGES: Record<WaterBasis, readonly [number, number, string]> = {
  concentration: [0.2, 0.5, 'Lye concentration is from 20 to 50 %; 27 to 33 % is usual.'],
  share: [0.12, 0.6, 'Water is from 12 to 60 % of the oils; 28 to 38 % is usual.'],
  ratio: [1, 4, 'Water is from 1 to 4 times the lye; 1.5 to 3 is usual. With less water than lye it cannot dissolve.'],
  discount: [-0.5, 0.65, 'A discount is from 0 to 65 % of full water; below 0 is more than full water.'],
}

function water(plan: Plan): Problem[] {
  const { basis, value } = plan.recipe.water
  const [low, high, sentence] = WATER_RANGES[basis]
  const problems: Problem[] = []
  if (value < low - 1e-9 || value > high + 1e-9) problems.push({ path: 'recipe.water.value', value, sentence })
  const liquids = plan.recipe.liquids.reduce((sum, part) => sum + part.shareOfWater, 0)
  if (liquids > 1 + 1e-6) {
    const percent = Number((liquids * 100).toFixed(1))
    problems.push({
      path: `recipe.liquids[${plan.recipe.liquids.length - 1}].shareOfWater`,
      value: plan.recipe.liquids.at(-1)!.shareOfWater,
      sentence: `The liquids together stand for ${percent} % of the water; 100 % is all of it.`,
    })
  }
  return problems
}

function bands(plan: Plan): Problem[] {
  const { bandLowC, bandHighC } = plan.heat
  if (bandLowC <= bandHighC) return []
  return [
    {
      path: 'heat.bandLowC',
      value: bandLowC,
      sentence: `The band starts at ${bandLowC} °C, above its end at ${bandHighC} °C.`,
    },
  ]
}

/** Cups of pours that are set aside or of plan B, and the tools of plan B. */
function besides(plan: Plan): Problem[] {
  const known = new Set(plan.cups.map(cup => cup.id))
  const lost = (path: string, cup: string): Problem[] =>
    known.has(cup) ? [] : [{ path, value: cup, sentence: `There is no cup “${cup}”.` }]
  return [
    ...plan.aside.flatMap((one, i) => lost(`aside[${i}].pour.cup`, one.pour.cup)),
    ...(plan.planB?.score.flatMap((pour, i) => lost(`planB.score[${i}].cup`, pour.cup)) ?? []),
    ...(plan.planB?.moves.flatMap((move, i): Problem[] => {
      if (plan.planB!.score.some(pour => pour.id === move.after)) return []
      const sentence = `There is no pour “${move.after}” in plan B that this move could follow.`
      return [{ path: `planB.moves[${i}].after`, value: move.after, sentence }]
    }) ?? []),
    ...embedsFit(plan),
  ]
}

/** A piece larger than the mould cannot be set in. */
function embedsFit(plan: Plan): Problem[] {
  return plan.finish.embeds.flatMap((embed, i): Problem[] => {
    const { innerLengthMm: l, innerWidthMm: w, innerHeightMm: h, form } = plan.mould
    const wide = form === 'box' || form === 'ellipse' ? w : l
    const high = embed.form === 'bar' ? embed.heightMm : embed.widthMm
    if (embed.widthMm <= wide && high <= h) return []
    const sentence = `${embed.name} is larger than the mould: it has room for ${wide} mm across and ${h} mm upright.`
    return [{ path: `finish.embeds[${i}].widthMm`, value: embed.widthMm, sentence }]
  })
}

/** What no single field can know: sums, names that must exist, room in the mould. */
export function crossChecks(plan: Plan): Problem[] {
  const problems = [...doubles(plan), ...moulds(plan), ...cups(plan), ...water(plan), ...bands(plan)]
  if (plan.recipe.oils.reduce((sum, part) => sum + part.share, 0) < 0.01) {
    problems.push({
      path: 'recipe.oils',
      value: 0,
      sentence: 'The oils add up to nothing. Give at least one oil a share.',
    })
  }
  const waits = plan.score.reduce((sum, pour) => sum + pour.waitMin, 0)
  if (waits > LONGEST_WAITS_MIN) {
    const last = plan.score.findLastIndex(pour => pour.waitMin > 0)
    const sentence = `The waits add up to ${Math.round(waits)} minutes. Batter has set long before; ${LONGEST_WAITS_MIN} minutes in all is the most.`
    problems.push({ path: `score[${last}].waitMin`, value: plan.score[last]!.waitMin, sentence })
  }
  const known = new Set(plan.cups.map(cup => cup.id))
  plan.score.forEach((pour, i) => {
    if (known.has(pour.cup)) return
    const sentence = `There is no cup “${pour.cup}”; a plan has at most ${MAX_CUPS} and a pour takes from one of them.`
    problems.push({ path: `score[${i}].cup`, value: pour.cup, sentence })
  })
  plan.moves.forEach((move, i) => {
    if (plan.score.some(pour => pour.id === move.after)) return
    const sentence = `There is no pour “${move.after}” that this move could follow.`
    problems.push({ path: `moves[${i}].after`, value: move.after, sentence })
  })
  problems.push(...besides(plan))
  layerHeights(plan).forEach((mm, i) => {
    if (plan.score[i]!.shape.way !== 'layer') return
    // Shares are kept to a millionth, so a layer of just 2 mm may read a hair less.
    if (mm >= THINNEST_LAYER_MM - 0.001) return
    const sentence = `Layer ${i + 1} would be ${mm.toFixed(2)} mm. A poured layer thinner than ${THINNEST_LAYER_MM} mm does not survive smoothing; make it thicker or leave it out.`
    problems.push({ path: `score[${i}].share`, value: plan.score[i]!.share, sentence })
  })
  return problems
}

/** A pour that names only cavities that the mould lacks goes nowhere; one that names one twice is a slip. */
const cavityChecks = (plan: Plan): Problem[] =>
  plan.score.flatMap((pour, i): Problem[] => {
    const path = `score[${i}].cavities`
    const twice = pour.cavities.find((k, n) => pour.cavities.indexOf(k) < n)
    if (twice !== undefined) return [{ path, value: twice, sentence: `Cavity ${twice} is named twice.` }]
    const lost = pour.cavities.find(k => k > plan.mould.cavities)
    if (lost === undefined || cavitiesOf(plan, pour).length < plan.mould.cavities) return []
    const sentence = `The mould has ${plan.mould.cavities} cavities, and layer ${i + 1} goes into cavity ${lost} alone.`
    return [{ path, value: lost, sentence }]
  })

/** Steps of a rest follow each other, the first at the pour; an oven cools, towards the room; something is left after planing. */
const restChecks = ({ rest, conditions, mould }: Plan): Problem[] => [
  ...rest.room.flatMap(({ atMin }, i): Problem[] =>
    i === 0 || atMin > rest.room[i - 1]!.atMin
      ? []
      : [
          {
            path: `rest.room[${i}].atMin`,
            value: atMin,
            sentence: 'Each change of the room comes after the one before.',
          },
        ],
  ),
  ...rest.steps.flatMap(({ atMin }, i): Problem[] => {
    const path = `rest.steps[${i}].atMin`
    if (i === 0)
      return atMin === 0 ? [] : [{ path, value: atMin, sentence: 'The first step of a rest begins at the last pour.' }]
    return atMin > rest.steps[i - 1]!.atMin
      ? []
      : [{ path, value: atMin, sentence: 'Each step of a rest begins after the one before.' }]
  }),
  ...(rest.oven && !(rest.oven.fromC > rest.oven.toC && rest.oven.toC > conditions.roomC)
    ? [
        {
          path: 'rest.oven.toC',
          value: rest.oven.toC,
          sentence: 'An oven cools from the first reading to a lower one, still warmer than the room.',
        },
      ]
    : []),
  ...(2 * rest.cut.sideTrimMm < mould.innerWidthMm
    ? []
    : [
        {
          path: 'rest.cut.sideTrimMm',
          value: rest.cut.sideTrimMm,
          sentence: 'Planed off so far on both sides, nothing of the loaf is left.',
        },
      ]),
  ...(rest.cut.topTrimMm < mould.fillMm
    ? []
    : [
        {
          path: 'rest.cut.topTrimMm',
          value: rest.cut.topTrimMm,
          sentence: 'Planed off so far from the top, nothing of the loaf is left.',
        },
      ]),
]
