import { celsius, fact, grams, keepingZeros, kilograms, plain, share, together } from '../quantities/facts/index.ts'
import type { Notice } from '../document/checks/index.ts'
import { cupNotices } from '../look/cups/index.ts'
import type { ColourForecast } from '../look/cups/index.ts'
import { tiltedPours } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { capShare, needsAnswer } from '../recipe/index.ts'
import type { ScentLoad } from '../recipe/index.ts'
import { ACCELERATIONS, MOMENTS, findById, rulesOn } from '../shelf/index.ts'
import type { Shelf, ShelfItem } from '../shelf/index.ts'
import type { RecipeResult } from './recipe-result.ts'
import type { RunInput, Lanes, Quickens } from '../batter/schedule/index.ts'
import { batterNotices } from './batter-notices.ts'
import type { BatchFreeLye } from '../weighing/index.ts'

const USUAL_OILS_OFF = 0.0005

function oils(plan: Plan): Notice[] {
  const sum = plan.recipe.oils.reduce((total, part) => total + part.share, 0)
  if (Math.abs(sum - 1) < USUAL_OILS_OFF) return []
  const sentence = fact('forecast.oils-add-up-weights', { sum: share(sum, 2) })
  return [{ path: 'recipe.oils', weight: 'hint', sentence }]
}

/** What the superfat leaves, by the one rule; a stop that was answered in writing, or is a trial's, is a caution. */
function freeLyeNotice(plan: Plan, { weight, sentence, superfatShare }: BatchFreeLye): Notice[] {
  const path = 'recipe.superfatShare'
  if (weight === 'none') return []
  if (weight === 'warn' || needsAnswer(plan, superfatShare)) return [{ path, weight, sentence }]
  const answer = plan.isTrial
    ? fact('forecast.trial-not-for-skin')
    : fact('forecast.answered', { reason: plan.freeLye!.reason })
  return [{ path, weight: 'warn', sentence: together([sentence, answer]) }]
}

function lye(plan: Plan, portions: Portions, recipe: RecipeResult): Notice[] {
  const notices: Notice[] = []
  const { fineScaleStepG, scaleStepG } = plan.conditions
  const off = fineScaleStepG / Math.max(portions.lyeG, 1e-9)
  if (off > 0.03) {
    const sentence = fact('forecast.step-on-lye-off', {
      fineScaleStepG: grams(fineScaleStepG),
      lyeG: grams(portions.lyeG),
      off: share(off, 0),
    })
    notices.push({ path: 'conditions.fineScaleStepG', weight: off > 0.1 ? 'stop' : 'warn', sentence })
  }
  const smallest = Math.min(...portions.oils.map(part => part.exactG))
  if (scaleStepG / smallest > 0.1) {
    const sentence = fact('forecast.step-on-oil-off', {
      scaleStepG: grams(scaleStepG),
      smallest: keepingZeros(grams(smallest, 1)),
    })
    notices.push({ path: 'conditions.scaleStepG', weight: 'warn', sentence })
  }
  const w = recipe.water.concentration
  if (w < 0.25 || w > 0.4) {
    notices.push({
      path: 'recipe.water.value',
      weight: w > 0.5 ? 'stop' : 'warn',
      sentence:
        w > 0.5
          ? fact('forecast.lye-at-there-less', { w: share(w, 1) })
          : fact('forecast.forecast-trace-made-for', { w: share(w, 1) }),
    })
  }
  if (recipe.waterToLyeWhenDissolved < 1 && w <= 0.5) {
    const sentence = fact('forecast.only-times-lyes-weight', {
      waterToLyeWhenDissolved: plain(recipe.waterToLyeWhenDissolved, 2),
    })
    notices.push({ path: 'recipe.liquids', weight: 'stop', sentence })
  }
  return notices
}

const nameOn = (items: readonly ShelfItem[], id: string): ShelfItem | undefined => items.find(item => item.id === id)

/** Everything of the plan that stands on the shelf, with its path. */
function onShelf(plan: Plan, shelf: Shelf): { path: string; id: string; item: ShelfItem | undefined }[] {
  const one = (items: readonly ShelfItem[]) => (path: string, id: string) => ({ path, id, item: nameOn(items, id) })
  return [
    ...plan.recipe.oils.map((part, i) => one(shelf.oils)(`recipe.oils[${i}].oil`, part.oil)),
    ...plan.recipe.liquids.map((part, i) => one(shelf.liquids)(`recipe.liquids[${i}].liquid`, part.liquid)),
    ...plan.recipe.additives.map((part, i) => one(shelf.additives)(`recipe.additives[${i}].additive`, part.additive)),
    ...(plan.scent?.parts ?? []).map((part, i) => one(shelf.scents)(`scent.parts[${i}].scent`, part.scent)),
    ...plan.potColorants.map((part, i) => one(shelf.colorants)(`potColorants[${i}].colorant`, part.colorant)),
    ...plan.cups.flatMap((cup, i) => [
      ...cup.colorants.map((part, j) => one(shelf.colorants)(`cups[${i}].colorants[${j}].colorant`, part.colorant)),
      ...(cup.ownScent?.parts ?? []).map((part, j) =>
        one(shelf.scents)(`cups[${i}].ownScent.parts[${j}].scent`, part.scent),
      ),
    ]),
  ]
}

/** The workshop's own rules, what the label must say, and what is archived. */
function house(plan: Plan, shelf: Shelf): Notice[] {
  const notices: Notice[] = []
  const told = new Map<string, string[]>()
  for (const { path, item } of onShelf(plan, shelf)) {
    if (!item) continue
    if (item.archived)
      notices.push({ path, weight: 'hint', sentence: fact('forecast.archived-on-shelf', { item: item.name }) })
    for (const { rule, holds } of rulesOn(shelf.rules, item)) {
      if (rule.weight === 'never')
        notices.push({
          path,
          weight: 'stop',
          sentence: fact('forecast.your-workshop-never-uses', { item: item.name, holds }),
        })
      else told.set(holds, [...(told.get(holds) ?? []), item.name])
    }
  }
  for (const [tag, names] of told)
    notices.push({
      path: 'recipe',
      weight: 'hint',
      sentence: fact('forecast.for-label', { tag, list: [...new Set(names)].join(', ') }),
    })
  return notices
}

/** Pours that would run over the low rim of a tilted mould. */
const tilts = (plan: Plan): Notice[] =>
  tiltedPours(plan)
    .filter(({ filledMl, mostMl }) => filledMl > mostMl)
    .map(({ pour, filledMl, mostMl, mostDeg }): Notice => ({
      path: `score[${pour}].shape.tiltDeg`,
      weight: 'warn',
      sentence: fact('forecast.runs-over-tilted', {
        n: pour + 1,
        filledMl: Math.round(filledMl),
        mostMl: Math.round(mostMl),
        mostDeg: Math.floor(mostDeg),
      }),
    }))

/** Grains that a wire drags through the face, g per kg of oils from so much on. Makers' rule. */
const DRAGS = /seed|scrub|pumice|loofah|exfoliant/i
const DRAGS_FROM = 5
const isCutClean = ({ cutting, mould }: Plan): boolean => cutting.onSide || mould.cavities > 1

function additives(plan: Plan, shelf: Shelf): Notice[] {
  return plan.recipe.additives.flatMap((part, i): Notice[] => {
    const additive = findById(shelf.additives, part.additive)
    const path = `recipe.additives[${i}].gPerKgOils`
    if (!additive)
      return [
        {
          path,
          weight: 'warn',
          sentence: fact('forecast.not-on-shelf-not', { additive: part.additive }),
        },
      ]
    const notices: Notice[] = []
    if (part.gPerKgOils > additive.usualMostGPerKg)
      notices.push({
        path,
        weight: 'hint',
        sentence: fact('forecast.g-per-kg-oils', {
          additive: additive.name,
          usualMostGPerKg: additive.usualMostGPerKg,
        }),
      })
    if (!part.addLye && additive.acidLyePerG > 0 && part.gPerKgOils > 0)
      notices.push({
        path,
        weight: 'hint',
        sentence: fact('forecast.takes-lye-not-added', { additive: additive.name }),
      })
    if (part.gPerKgOils >= DRAGS_FROM && DRAGS.test(`${additive.name} ${additive.role}`) && !isCutClean(plan))
      notices.push({ path, weight: 'hint', sentence: fact('forecast.drags', { additive: additive.name }) })
    if (part.moment === 'lye' && additive.moment !== 'lye')
      notices.push({
        path: `recipe.additives[${i}].moment`,
        weight: 'warn',
        sentence: fact('forecast.not-into-lye', {
          additive: additive.name,
          how: additive.how || fact(MOMENTS[additive.moment]),
        }),
      })
    return notices
  })
}

function liquids(plan: Plan, shelf: Shelf): Notice[] {
  return plan.recipe.liquids.flatMap((part, i): Notice[] => {
    const liquid = findById(shelf.liquids, part.liquid)
    const path = `recipe.liquids[${i}].shareOfWater`
    if (!liquid)
      return [{ path, weight: 'warn', sentence: fact('forecast.not-on-shelf-plain', { liquid: part.liquid }) }]
    const notices: Notice[] = []
    if (part.shareOfWater > liquid.mostShareOfWater + 1e-9)
      notices.push({
        path,
        weight: 'warn',
        sentence: fact('forecast.sensible-up-water', {
          liquid: liquid.name,
          mostShareOfWater: share(liquid.mostShareOfWater, 0),
        }),
      })
    if (liquid.useFrozen && part.moment === 'lye' && plan.heat.iceShare < 0.3)
      notices.push({
        path,
        weight: 'hint',
        sentence: fact('forecast.scorches-hot-lye-use', { liquid: liquid.name }),
      })
    return notices
  })
}

/** Whether one cup alone has the batch’s scent, poured without a stop: as it is advised. */
const isNeverStopped = ({ scent, cups }: Plan): boolean =>
  scent?.moment === 'never-stop' && cups.filter(cup => cup.scented && !cup.ownScent).length === 1

function scent(plan: Plan, shelf: Shelf, load: ScentLoad | null): Notice[] {
  if (!plan.scent || !load) return []
  const notices: Notice[] = []
  load.parts.forEach((part, i) => {
    const path = `scent.parts[${i}].scent`
    if (!part.scent) {
      const sentence = fact('forecast.not-on-shelf-nobody', { id: part.id })
      return void notices.push({ path, weight: 'warn', sentence })
    }
    if (part.scent.acceleration === 'unknown' && part.scent.ownRuns === 0) {
      const sentence = fact('forecast.nobody-has-told-how', { part: part.name })
      notices.push({ path, weight: 'warn', sentence })
    }
    if (part.scent.acceleration === 'seizes' && !isNeverStopped(plan)) {
      const sentence = fact('forecast.known-seize-batter-works', { part: part.name })
      notices.push({ path, weight: 'warn', sentence })
    }
    if (part.scent.phototoxic === 'yes')
      notices.push({
        path,
        weight: 'hint',
        sentence: fact('forecast.phototoxic-look-for-furocoumarin', { part: part.name }),
      })
  })
  if (load.isOver) {
    const sentence =
      load.parts.length === 1
        ? fact('forecast.above-limit-on-shelf', { load: load.name, capShare: share(capShare(load.mostOfOils), 2) })
        : fact('forecast.above-its-limit-as', {
            limiting: load.limiting.name,
            capShare: share(capShare(load.mostOfOils), 2),
            loadOfOils: share(load.loadOfOils, 2),
          })
    notices.push({ path: 'scent.load', weight: 'stop', sentence })
  } else if (load.mostOfOils - load.loadOfOils < 0.02 * load.mostOfOils) {
    notices.push({
      path: 'scent.load',
      weight: 'hint',
      sentence: fact('forecast.stands-at-its-limit', { limiting: load.limiting.name }),
    })
  }
  if (load.shared.length > 0) {
    const sentence = fact('forecast.more-than-one-part', { shared: load.shared.join(', ') })
    notices.push({ path: 'scent.parts', weight: 'hint', sentence })
  }
  const odd = load.parts.filter(
    part =>
      part.scent &&
      part.scent.supplierSays !== 'unknown' &&
      part.scent.ownRuns > 0 &&
      part.scent.supplierSays !== part.scent.acceleration,
  )
  for (const part of odd)
    notices.push({
      path: 'scent.parts',
      weight: 'hint',
      sentence: fact('forecast.supplier-says-your-own', {
        part: part.name,
        supplierSays: fact(ACCELERATIONS[part.scent!.supplierSays]),
        ownRuns: part.scent!.ownRuns,
        acceleration: fact(ACCELERATIONS[part.scent!.acceleration]),
      }),
    })
  if (!plan.cups.some(cup => cup.scented && !cup.ownScent)) {
    notices.push({
      path: 'scent.parts',
      weight: 'hint',
      sentence: fact('forecast.no-cup-marked-as'),
    })
  }
  return notices
}

const LARGE_POT_KG = 8
/** For how long each way of blending is gone on with. */
const LONGEST: Readonly<Record<RunInput['blending'], string>> = {
  stick: 'Twenty minutes of blending',
  bursts: 'An hour of bursts',
  whisk: 'Four hours with the whisk',
  hand: 'Eight hours of stirring',
}

function bench(plan: Plan, input: RunInput, neverEmulsified: boolean): Notice[] {
  const notices: Notice[] = []
  const mixC = Math.round(10 * input.mixC) / 10
  if (!input.whipped && mixC < input.pace.clearPointC + 2) {
    const sentence = fact('forecast.at-fats-begin-set', {
      mixC: celsius(mixC),
      clearPointC: celsius(input.pace.clearPointC),
      clearPointC2: celsius(Math.ceil(input.pace.clearPointC + 2)),
    })
    notices.push({ path: 'conditions.mixC', weight: 'warn', sentence })
  } else if (mixC > 50) {
    notices.push({
      path: 'conditions.mixC',
      weight: 'warn',
      sentence: fact('forecast.above-50-c-forecast'),
    })
  }
  if (plan.recipe.superfatShare > 0.2) {
    notices.push({
      path: 'recipe.superfatShare',
      weight: 'hint',
      sentence: fact('forecast.forecast-trace-made-for-up'),
    })
  }
  if (neverEmulsified) {
    const sentence = fact('forecast.does-not-bring-this', {
      longest: fact(LONGEST[input.blending]),
      stopLevel: plan.conditions.stopLevel,
    })
    notices.push({ path: 'conditions.stopLevel', weight: 'stop', sentence })
  }
  if (input.potKg > LARGE_POT_KG) {
    const sentence = fact('forecast.one-pot-heavy-lift', { potKg: keepingZeros(kilograms(input.potKg, 1)) })
    notices.push({ path: 'mould', weight: 'warn', sentence })
  }
  return notices
}

/** Rounding may take or add this part of a dose before it is worth a sentence. */
const COLOUR_OFF = 0.25

function scaleForColour(plan: Plan, portions: Portions): Notice[] {
  const { fineScaleStepG } = plan.conditions
  const onLadder = new Set(plan.ladders.flatMap(ladder => ladder.cups))
  const parts = portions.cups.flatMap((portion, i) =>
    (onLadder.has(portion.cup) ? [] : portion.colours).flatMap((part, j) =>
      part.exact.powderG > 0 ? [{ i, j, part, off: Math.abs(part.powderG / part.exact.powderG - 1) }] : [],
    ),
  )
  const worst = parts.reduce<(typeof parts)[number] | null>((a, b) => (a && a.off >= b.off ? a : b), null)
  if (!worst || worst.off <= COLOUR_OFF) return []
  const { i, j, part } = worst
  const sentence = fact('forecast.needs-which-steps-cannot', {
    cups: plan.cups[i]!.name,
    powderG: grams(part.exact.powderG, 2),
    part: part.name,
    fineScaleStepG: grams(fineScaleStepG, 2),
  })
  return [{ path: `cups[${i}].colorants[${j}].doseGPerKg`, weight: 'warn', sentence }]
}

const ORDER = { stop: 0, warn: 1, hint: 2 }

interface Known {
  plan: Plan
  shelf: Shelf
  portions: Portions
  freeLye: BatchFreeLye
  recipe: RecipeResult
  input: RunInput
  colours: ColourForecast
  lanes: Lanes
  quickens: Quickens | null
}

/** Everything worth a thought about a plan, the gravest first. */
export const noticesOf = ({
  plan,
  shelf,
  portions,
  freeLye,
  recipe,
  input,
  colours,
  lanes,
  quickens,
}: Known): Notice[] =>
  [
    ...freeLyeNotice(plan, freeLye),
    ...lye(plan, portions, recipe),
    ...scent(plan, shelf, recipe.scent),
    ...house(plan, shelf),
    ...liquids(plan, shelf),
    ...additives(plan, shelf),
    ...tilts(plan),
    ...bench(plan, input, lanes.neverEmulsified),
    ...batterNotices({ plan, shelf, input, lanes, quickens }),
    ...oils(plan),
    ...recipe.warnings.map(warning => ({ path: 'recipe', ...warning })),
    ...cupNotices({ plan, shelf, portions, colours }),
    ...scaleForColour(plan, portions),
  ].sort((a, b) => ORDER[a.weight] - ORDER[b.weight])
