import { celsius, fact, grams, keepingZeros, millimetres, plain } from '../quantities/facts/index.ts'
import type { Fact, Words } from '../quantities/facts/index.ts'
import type { ScentMoment, WaterBasis } from '../recipe/index.ts'
import { MAX_CUPS } from './document.ts'
import type { Plan } from './document.ts'
import type { Problem } from '../document/fields/index.ts'
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

/** Where the same may not stand twice: the place, what stands there, and what it is called. */
type Listed = readonly [path: string, ids: readonly string[], what: Words]

const colorantsOf = (parts: readonly { colorant: string }[]): string[] => parts.map(part => part.colorant)

function listed(plan: Plan): Listed[] {
  const { cups, score, moves, finish, recipe, reserves, division } = plan
  const ids = (list: readonly { id: string }[]) => list.map(one => one.id)
  const colorant = fact('plan.the-colorant')
  const scent = fact('plan.the-scent')
  return [
    ['cups', ids(cups), fact('plan.a-cup')],
    ['score', ids(score), fact('plan.a-pour')],
    ['moves', ids(moves), fact('plan.a-move')],
    ['finish.embeds', ids(finish.embeds), fact('plan.an-embed')],
    ['finish.toppings', ids(finish.toppings), fact('plan.a-topping')],
    ['recipe.oils', recipe.oils.map(part => part.oil), fact('plan.the-oil')],
    ['recipe.liquids', recipe.liquids.map(part => part.liquid), fact('plan.the-liquid')],
    ['recipe.additives', recipe.additives.map(part => part.additive), fact('plan.the-additive')],
    ['potColorants', colorantsOf(plan.potColorants), colorant],
    ['ladders', plan.ladders.flatMap(ladder => ladder.cups), fact('plan.on-ladder-cup')],
    ['reserves', ids(reserves), fact('plan.a-reserve')],
    ['division.actual', division.actual.map(actual => actual.cup), fact('plan.the-cup')],
    ...division.actual.map(({ powders }, i): Listed => [
      `division.actual[${i}].powders`,
      colorantsOf(powders),
      colorant,
    ]),
    ...cups.flatMap((cup, i): Listed[] => [
      [`cups[${i}].colorants`, colorantsOf(cup.colorants), colorant],
      [`cups[${i}].ownScent.parts`, cup.ownScent?.parts.map(part => part.scent) ?? [], scent],
    ]),
    ['scent.parts', plan.scent?.parts.map(part => part.scent) ?? [], scent],
  ]
}

const doubles = (plan: Plan): Problem[] =>
  listed(plan).flatMap(([path, ids, what]) =>
    ids.flatMap((id, i) =>
      ids.indexOf(id) < i
        ? [{ path: `${path}[${i}]`, value: id, sentence: fact('plan.there-already', { what, id }) }]
        : [],
    ),
  )

function moulds(plan: Plan): Problem[] {
  const tooHigh = [plan.mould, ...plan.moreMoulds].flatMap(({ fillMm, innerHeightMm }, i): Problem[] => {
    if (fillMm <= innerHeightMm + 1e-6) return []
    const sentence = fact('plan.soap-would-stand-high', {
      fillMm: millimetres(fillMm),
      innerHeightMm: millimetres(innerHeightMm),
    })
    return [{ path: i === 0 ? 'mould.fillMm' : `moreMoulds[${i - 1}].fillMm`, value: fillMm, sentence }]
  })
  if (tooHigh.length > 0) return tooHigh
  const ml = allMouldsMl(plan)
  if (ml >= SMALLEST_ML && ml <= LARGEST_ML) return []
  const litres =
    ml < 1000 ? fact('plan.ml', { ml: Math.round(ml) }) : fact('plan.litres', { ml: keepingZeros(plain(ml / 1000, 1)) })
  const sentence = fact('plan.this-fill-holds-ostler', {
    litres,
    least: SMALLEST_ML,
    most: LARGEST_ML / 1000,
  })
  return [{ path: 'mould.fillMm', value: plan.mould.fillMm, sentence }]
}

/** Names of cups that must exist, slurries that cannot give more than was made, and scents of single cups. */
function cups(plan: Plan): Problem[] {
  const known = new Set(plan.cups.map(cup => cup.id))
  const gone = (path: string, id: string): Problem[] =>
    id === '' || known.has(id) ? [] : [{ path, value: id, sentence: fact('plan.there-no-cup', { id }) }]
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
      const sentence = fact('plan.window-would-end-at', { hi: window.hi, lo: window.lo })
      return [{ path: `score[${i}].window.hi`, value: window.hi, sentence }]
    }),
    ...plan.cups.flatMap((cup, i) => [
      ...cup.colorants.flatMap((part, j): Problem[] => {
        const { slurry } = part
        if (!slurry || slurry.usedG <= slurry.powderG + slurry.mediumG + 1e-6) return []
        const sentence = fact('plan.more-than-slurry-was', {
          usedG: grams(slurry.usedG),
          powderG: grams(Number((slurry.powderG + slurry.mediumG).toFixed(2))),
        })
        return [{ path: `cups[${i}].colorants[${j}].slurry.usedG`, value: slurry.usedG, sentence }]
      }),
      ...(cup.ownScent && COMMON_MOMENTS.includes(cup.ownScent.moment)
        ? [
            {
              path: `cups[${i}].ownScent.moment`,
              value: cup.ownScent.moment,
              sentence: fact('plan.cups-own-scent-goes'),
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
  const sentence = fact('plan.scent-oils-every-cup', { plain: plain.name })
  return [{ path: 'scent.moment', value: 'oils', sentence }]
}

/** What is blended in and poured without a stop is one cup, poured once and last: nothing can be done after it. */
function neverStops(plan: Plan): Problem[] {
  if (plan.scent?.moment !== 'never-stop') return []
  const problem = (sentence: Words): Problem[] => [{ path: 'scent.moment', value: 'never-stop', sentence }]
  const poured = new Set(plan.score.map(pour => pour.cup))
  const scented = plan.cups.filter(cup => poured.has(cup.id) && cup.scented && !cup.ownScent)
  if (scented.length === 0) return []
  if (scented.length > 1) {
    const names = scented.map(cup => cup.name).join(', ')
    return problem(fact('plan.what-poured-without-stop', { scentedCount: scented.length, names }))
  }
  const at = plan.score.flatMap((pour, i) => (pour.cup === scented[0]!.id ? [i] : []))
  if (at.length > 1 || at[0] !== plan.score.length - 1)
    return problem(fact('plan.poured-once-without-stop', { scented: scented[0]!.name }))
  return []
}

const WATER_RANGES: Record<WaterBasis, readonly [number, number, Fact]> = {
  concentration: [0.2, 0.5, fact('plan.lye-concentration-from-20')],
  share: [0.12, 0.6, fact('plan.water-from-12-60')],
  ratio: [1, 4, fact('plan.water-from-1-4')],
  discount: [-0.5, 0.65, fact('plan.discount-from-0-65')],
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
      sentence: fact('plan.liquids-together-stand-for', { percent }),
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
      sentence: fact('plan.band-starts-at-above', { bandLowC: celsius(bandLowC), bandHighC: celsius(bandHighC) }),
    },
  ]
}

/** Cups of pours that are set aside or of plan B, and the tools of plan B. */
function besides(plan: Plan): Problem[] {
  const known = new Set(plan.cups.map(cup => cup.id))
  const lost = (path: string, cup: string): Problem[] =>
    known.has(cup) ? [] : [{ path, value: cup, sentence: fact('plan.there-no-cup-2', { cup }) }]
  return [
    ...plan.aside.flatMap((one, i) => lost(`aside[${i}].pour.cup`, one.pour.cup)),
    ...(plan.planB?.score.flatMap((pour, i) => lost(`planB.score[${i}].cup`, pour.cup)) ?? []),
    ...(plan.planB?.moves.flatMap((move, i): Problem[] => {
      if (plan.planB!.score.some(pour => pour.id === move.after)) return []
      const sentence = fact('plan.there-no-pour-plan', { after: move.after })
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
    const sentence = fact('plan.larger-than-mould-has', {
      embed: embed.name,
      wide: millimetres(wide),
      h: millimetres(h),
    })
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
      sentence: fact('plan.oils-add-up-nothing'),
    })
  }
  const waits = plan.score.reduce((sum, pour) => sum + pour.waitMin, 0)
  if (waits > LONGEST_WAITS_MIN) {
    const last = plan.score.findLastIndex(pour => pour.waitMin > 0)
    const sentence = fact('plan.waits-add-up-minutes', { waits: Math.round(waits), longest: LONGEST_WAITS_MIN })
    problems.push({ path: `score[${last}].waitMin`, value: plan.score[last]!.waitMin, sentence })
  }
  const known = new Set(plan.cups.map(cup => cup.id))
  plan.score.forEach((pour, i) => {
    if (known.has(pour.cup)) return
    const sentence = fact('plan.there-no-cup-plan', { cup: pour.cup, most: MAX_CUPS })
    problems.push({ path: `score[${i}].cup`, value: pour.cup, sentence })
  })
  plan.moves.forEach((move, i) => {
    if (plan.score.some(pour => pour.id === move.after)) return
    const sentence = fact('plan.there-no-pour-this', { after: move.after })
    problems.push({ path: `moves[${i}].after`, value: move.after, sentence })
  })
  problems.push(...besides(plan))
  layerHeights(plan).forEach((mm, i) => {
    if (plan.score[i]!.shape.way !== 'layer') return
    // Shares are kept to a millionth, so a layer of just 2 mm may read a hair less.
    if (mm >= THINNEST_LAYER_MM - 0.001) return
    const sentence = fact('plan.layer-would-be-poured', {
      i: i + 1,
      mm: keepingZeros(millimetres(mm, 2)),
      thinnest: millimetres(THINNEST_LAYER_MM),
    })
    problems.push({ path: `score[${i}].share`, value: plan.score[i]!.share, sentence })
  })
  return problems
}

/** A pour that names only cavities that the mould lacks goes nowhere; one that names one twice is a slip. */
const cavityChecks = (plan: Plan): Problem[] =>
  plan.score.flatMap((pour, i): Problem[] => {
    const path = `score[${i}].cavities`
    const twice = pour.cavities.find((k, n) => pour.cavities.indexOf(k) < n)
    if (twice !== undefined) return [{ path, value: twice, sentence: fact('plan.cavity-named-twice', { twice }) }]
    const lost = pour.cavities.find(k => k > plan.mould.cavities)
    if (lost === undefined || cavitiesOf(plan, pour).length < plan.mould.cavities) return []
    const sentence = fact('plan.mould-has-cavities-layer', { cavities: plan.mould.cavities, i: i + 1, lost })
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
            sentence: fact('plan.each-change-room-comes'),
          },
        ],
  ),
  ...rest.steps.flatMap(({ atMin }, i): Problem[] => {
    const path = `rest.steps[${i}].atMin`
    if (i === 0) return atMin === 0 ? [] : [{ path, value: atMin, sentence: fact('plan.first-step-rest-begins') }]
    return atMin > rest.steps[i - 1]!.atMin
      ? []
      : [{ path, value: atMin, sentence: fact('plan.each-step-rest-begins') }]
  }),
  ...(rest.oven && !(rest.oven.fromC > rest.oven.toC && rest.oven.toC > conditions.roomC)
    ? [
        {
          path: 'rest.oven.toC',
          value: rest.oven.toC,
          sentence: fact('plan.oven-cools-from-first'),
        },
      ]
    : []),
  ...(2 * rest.cut.sideTrimMm < mould.innerWidthMm
    ? []
    : [
        {
          path: 'rest.cut.sideTrimMm',
          value: rest.cut.sideTrimMm,
          sentence: fact('plan.planed-off-far-on'),
        },
      ]),
  ...(rest.cut.topTrimMm < mould.fillMm
    ? []
    : [
        {
          path: 'rest.cut.topTrimMm',
          value: rest.cut.topTrimMm,
          sentence: fact('plan.planed-off-far-from'),
        },
      ]),
]
