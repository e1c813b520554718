import type { Notice } from '../checks/index.ts'
import { cupNotices } from '../cups/index.ts'
import type { ColourForecast } from '../cups/index.ts'
import { showShare, tidy } from '../units/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { capShare, needsAnswer } from '../recipe/index.ts'
import type { ScentLoad } from '../recipe/index.ts'
import { TAGS, findById } from '../shelf/index.ts'
import type { Shelf, ShelfItem } from '../shelf/index.ts'
import type { RecipeResult } from './recipe-result.ts'
import type { Job, Lanes, Quickens } from '../schedule/index.ts'
import { batterNotices } from './batter-notices.ts'
import type { BatchFreeLye } from '../weighing/index.ts'

const USUAL_OILS_OFF = 0.0005

function oils(plan: Plan): Notice[] {
  const sum = plan.recipe.oils.reduce((total, part) => total + part.share, 0)
  if (Math.abs(sum - 1) < USUAL_OILS_OFF) return []
  const sentence = `The oils add up to ${showShare(sum, 2)}. Weights are worked out as parts of the whole.`
  return [{ path: 'recipe.oils', weight: 'hint', sentence }]
}

/** What the superfat leaves, by the one rule; a stop that was answered in writing, or is a trial's, is a caution. */
function freeLyeNotice(plan: Plan, { weight, sentence, superfatShare }: BatchFreeLye): Notice[] {
  const path = 'recipe.superfatShare'
  if (weight === 'none') return []
  if (weight === 'warn' || needsAnswer(plan, superfatShare)) return [{ path, weight, sentence }]
  const answer = plan.isTrial ? 'A trial: not for skin.' : `Answered: “${plan.freeLye!.reason}”`
  return [{ path, weight: 'warn', sentence: `${sentence} ${answer}` }]
}

function lye(plan: Plan, portions: Portions, recipe: RecipeResult): Notice[] {
  const notices: Notice[] = []
  const { fineScaleStepG, scaleStepG } = plan.conditions
  const off = fineScaleStepG / Math.max(portions.lyeG, 1e-9)
  if (off > 0.03) {
    const sentence = `A step of ${fineScaleStepG} g on ${portions.lyeG} g of lye is off by up to ${showShare(off, 0)}. Weigh on a finer scale or make a larger batch.`
    notices.push({ path: 'conditions.fineScaleStepG', weight: off > 0.1 ? 'stop' : 'warn', sentence })
  }
  const smallest = Math.min(...portions.oils.map(part => part.exactG))
  if (scaleStepG / smallest > 0.1) {
    const sentence = `A step of ${scaleStepG} g on ${smallest.toFixed(1)} g of oil is off by over 10 %. Use the finer scale for it.`
    notices.push({ path: 'conditions.scaleStepG', weight: 'warn', sentence })
  }
  const w = recipe.water.concentration
  if (w < 0.25 || w > 0.4) {
    notices.push({
      path: 'recipe.water.value',
      weight: w > 0.5 ? 'stop' : 'warn',
      sentence:
        w > 0.5
          ? `Lye at ${showShare(w)}: there is less water than lye, and it cannot dissolve. Take at least the lye’s own weight; 1.5 to 3 times is usual.`
          : `The forecast of trace is made for 25 to 40 % lye; at ${showShare(w)} take its times as a rough guess.`,
    })
  }
  if (recipe.waterToLyeWhenDissolved < 1 && w <= 0.5) {
    const sentence = `Only ${tidy(recipe.waterToLyeWhenDissolved, 2)} times the lye’s weight of water when it is dissolved; it needs its own weight. Put more of the liquid into the lye.`
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
    if (item.archived) notices.push({ path, weight: 'hint', sentence: `${item.name} is archived on the shelf.` })
    for (const tag of item.tags) {
      const rule = shelf.rules.find(one => one.tag === tag)
      if (rule?.weight === 'never')
        notices.push({ path, weight: 'stop', sentence: `${item.name}: ${TAGS[tag]}. Your workshop never uses that.` })
      else if (rule) told.set(TAGS[tag], [...(told.get(TAGS[tag]) ?? []), item.name])
    }
  }
  for (const [tag, names] of told)
    notices.push({
      path: 'recipe',
      weight: 'hint',
      sentence: `For the label, ${tag}: ${[...new Set(names)].join(', ')}.`,
    })
  return notices
}

function additives(plan: Plan, shelf: Shelf): Notice[] {
  return plan.recipe.additives.flatMap((part, i): Notice[] => {
    const additive = findById(shelf.additives, part.additive)
    const path = `recipe.additives[${i}].gPerKgOils`
    if (!additive)
      return [
        {
          path,
          weight: 'warn',
          sentence: `“${part.additive}” is not on the shelf: it is not weighed, and what it does is left out.`,
        },
      ]
    const notices: Notice[] = []
    if (part.gPerKgOils > additive.usualMostGPerKg)
      notices.push({
        path,
        weight: 'hint',
        sentence: `${additive.name}: ${additive.usualMostGPerKg} g per kg of oils is the usual most.`,
      })
    if (!part.addLye && additive.acidLyePerG > 0 && part.gPerKgOils > 0)
      notices.push({
        path,
        weight: 'hint',
        sentence: `${additive.name} takes lye that is not added: the superfat rises by what it takes.`,
      })
    return notices
  })
}

function liquids(plan: Plan, shelf: Shelf): Notice[] {
  return plan.recipe.liquids.flatMap((part, i): Notice[] => {
    const liquid = findById(shelf.liquids, part.liquid)
    const path = `recipe.liquids[${i}].shareOfWater`
    if (!liquid)
      return [{ path, weight: 'warn', sentence: `“${part.liquid}” is not on the shelf: plain water stands for it.` }]
    const notices: Notice[] = []
    if (part.shareOfWater > liquid.mostShareOfWater + 1e-9)
      notices.push({
        path,
        weight: 'warn',
        sentence: `${liquid.name} is sensible up to ${showShare(liquid.mostShareOfWater, 0)} of the water.`,
      })
    if (liquid.useFrozen && part.moment === 'lye' && plan.heat.iceShare < 0.3)
      notices.push({
        path,
        weight: 'hint',
        sentence: `${liquid.name} scorches in hot lye: use it frozen. Say on Heat how much of the liquid is ice.`,
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
      const sentence = `“${part.id}” is not on the shelf: nobody has told how it behaves or what its limit is. Quick ones are reckoned with; try a little first, and keep plain cups.`
      return void notices.push({ path, weight: 'warn', sentence })
    }
    if (part.scent.acceleration === 'unknown' && part.scent.ownRuns === 0) {
      const sentence = `Nobody has told how ${part.name} behaves: quick ones are reckoned with. A small trial with this recipe tells more than a supplier’s word.`
      notices.push({ path, weight: 'warn', sentence })
    }
    if (part.scent.acceleration === 'seizes' && !isNeverStopped(plan)) {
      const sentence = `${part.name} is known to seize batter. It works in one colour: plain cups poured first, the scent blended into what is left in the pot, and that poured without a stop.`
      notices.push({ path, weight: 'warn', sentence })
    }
    if (part.scent.phototoxic === 'yes')
      notices.push({
        path,
        weight: 'hint',
        sentence: `${part.name} is phototoxic: look for the furocoumarin-free or distilled kind.`,
      })
  })
  if (load.isOver) {
    const sentence =
      load.parts.length === 1
        ? `${load.name} is above the limit on the shelf, ${showShare(capShare(load.mostOfOils), 2)} of the oils. The supplier’s document comes first.`
        : `${load.limiting.name} is above its limit: as mixed, the blend may be ${showShare(capShare(load.mostOfOils), 2)} of the oils, not ${showShare(load.loadOfOils, 2)}.`
    notices.push({ path: 'scent.load', weight: 'stop', sentence })
  } else if (load.mostOfOils - load.loadOfOils < 0.02 * load.mostOfOils) {
    notices.push({
      path: 'scent.load',
      weight: 'hint',
      sentence: `${load.limiting.name} stands at its limit: weigh it slowly, in a cup of its own.`,
    })
  }
  if (load.shared.length > 0) {
    const sentence = `More than one part carries ${load.shared.join(', ')}: their limits add up. Compare the documents.`
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
      sentence: `${part.name}: the supplier says “${part.scent!.supplierSays}”, your ${part.scent!.ownRuns} own ${part.scent!.ownRuns === 1 ? 'batch' : 'batches'} “${part.scent!.acceleration}”. Your own count.`,
    })
  if (!plan.cups.some(cup => cup.scented && !cup.ownScent)) {
    notices.push({
      path: 'scent.parts',
      weight: 'hint',
      sentence: 'No cup is marked as scented, so no scent is weighed.',
    })
  }
  return notices
}

const LARGE_POT_KG = 8
/** For how long each way of blending is gone on with. */
const LONGEST: Readonly<Record<Job['blending'], string>> = {
  stick: 'Twenty minutes of blending',
  bursts: 'An hour of bursts',
  whisk: 'Four hours with the whisk',
  hand: 'Eight hours of stirring',
}

function bench(plan: Plan, job: Job, neverEmulsified: boolean): Notice[] {
  const notices: Notice[] = []
  const mixC = Math.round(10 * job.mixC) / 10
  if (!job.whipped && mixC < job.pace.clearPointC + 2) {
    const sentence = `At ${mixC} °C the fats begin to set (they are clear from ${job.pace.clearPointC} °C): batter can look thick without being soap. Mix at ${Math.ceil(job.pace.clearPointC + 2)} °C or warmer.`
    notices.push({ path: 'conditions.mixC', weight: 'warn', sentence })
  } else if (mixC > 50) {
    notices.push({
      path: 'conditions.mixC',
      weight: 'warn',
      sentence: 'Above 50 °C the forecast is a rough guess, and hot batter burns.',
    })
  }
  if (plan.recipe.superfatShare > 0.2) {
    notices.push({
      path: 'recipe.superfatShare',
      weight: 'hint',
      sentence: 'The forecast of trace is made for up to 20 % superfat.',
    })
  }
  if (neverEmulsified) {
    const sentence = `${LONGEST[job.blending]} does not bring this batter to level ${plan.conditions.stopLevel}. Blend warmer, or stop at a lower level.`
    notices.push({ path: 'conditions.stopLevel', weight: 'stop', sentence })
  }
  if (job.potKg > LARGE_POT_KG) {
    const sentence = `${job.potKg.toFixed(1)} kg in one pot is heavy to lift and larger than the forecast was fitted to. Two pots are easier to keep in time.`
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
  const sentence = `${plan.cups[i]!.name} needs ${tidy(part.exact.powderG, 2)} g of ${part.name}, which steps of ${tidy(fineScaleStepG, 2)} g cannot weigh. Mix ten times as much and use a tenth of it, or take a finer scale.`
  return [{ path: `cups[${i}].colorants[${j}].doseGPerKg`, weight: 'warn', sentence }]
}

const ORDER = { stop: 0, warn: 1, hint: 2 }

interface Known {
  plan: Plan
  shelf: Shelf
  portions: Portions
  freeLye: BatchFreeLye
  recipe: RecipeResult
  job: Job
  colours: ColourForecast
  lanes: Lanes
  quickens: Quickens | null
}

/** Everything worth a thought about a plan, the gravest first. */
export const noticesOf = ({ plan, shelf, portions, freeLye, recipe, job, colours, lanes, quickens }: Known): Notice[] =>
  [
    ...freeLyeNotice(plan, freeLye),
    ...lye(plan, portions, recipe),
    ...scent(plan, shelf, recipe.scent),
    ...house(plan, shelf),
    ...liquids(plan, shelf),
    ...additives(plan, shelf),
    ...bench(plan, job, lanes.neverEmulsified),
    ...batterNotices({ plan, shelf, job, lanes, quickens }),
    ...oils(plan),
    ...recipe.warnings.map(warning => ({ path: 'recipe', ...warning })),
    ...cupNotices({ plan, shelf, portions, colours }),
    ...scaleForColour(plan, portions),
  ].sort((a, b) => ORDER[a.weight] - ORDER[b.weight])
