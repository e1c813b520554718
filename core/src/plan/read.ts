import { plainToInstance } from 'class-transformer'
import { validateSync } from 'class-validator'
import { crossChecks } from './cross-checks.ts'
import type { Cup, PlannedScent } from './cup-part.ts'
import { PLAN_FORMAT, PLAN_VERSION, Plan } from './document.ts'
import type { Mould } from './document.ts'
import type { Finish } from './finish-part.ts'
import type { OilPart, Recipe } from './recipe-part.ts'
import type { Move, Pour } from './score-part.ts'
import { migrated } from './migrations.ts'
import { isTame, problemsOf } from '../checks/index.ts'
import type { Problem } from '../checks/index.ts'

export type PlanResult = { ok: true; plan: Plan } | { ok: false; problems: Problem[] }

/** A document larger than this is not a plan, bytes of JSON text. */
export const MAX_PLAN_BYTES = 256 * 1024
const refuse = (sentence: string, path = '', value: unknown = ''): PlanResult => ({
  ok: false,
  problems: [{ path, value, sentence }],
})

/** Checks a value that claims to be a plan. Never throws; the plan given back is plain data. */
export function readPlan(value: unknown): PlanResult {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return refuse('A plan is one JSON object.')
  const { format, version } = value as Record<string, unknown>
  if (format !== PLAN_FORMAT) return refuse('This is not an Ostler plan: its format is another one.', 'format', format)
  if (typeof version === 'number' && version > PLAN_VERSION) {
    return refuse(
      `This plan was made by a newer Ostler (version ${version}; this one reads up to ${PLAN_VERSION}). Update Ostler to open it.`,
      'version',
      version,
    )
  }
  if (!isTame(value)) return refuse('This document is too deep or too large to be a plan, or uses names it must not.')
  const instance = plainToInstance(Plan, migrated(value as Record<string, unknown>))
  const errors = validateSync(instance, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true })
  if (errors.length > 0) return { ok: false, problems: problemsOf(errors) }
  const problems = crossChecks(instance)
  return problems.length > 0 ? { ok: false, problems } : { ok: true, plan: ordered(instance) }
}

/** Reads a plan from the text of a file. */
export function readPlanText(text: string): PlanResult {
  if (text.length > MAX_PLAN_BYTES) {
    return refuse(`This file is larger than ${MAX_PLAN_BYTES / 1024} KB; no plan is. Is it the right file?`)
  }
  let value: unknown
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch {
    return refuse('This file is damaged or not JSON: it cannot be read as a plan.')
  }
  return readPlan(value)
}

const pick = <T extends object, K extends keyof T>(from: T, keys: readonly K[]): Pick<T, K> =>
  Object.fromEntries(keys.map(key => [key, from[key]])) as Pick<T, K>

const orderedOil = (part: OilPart): OilPart => ({
  ...pick(part, ['oil', 'share', 'locked', 'late']),
  infusion: part.infusion && {
    ...pick(part.infusion, ['plant', 'plantPerOil', 'makeFactor']),
    colorant: part.infusion.colorant ?? '',
  },
})

/** A recipe as plain data with its names in the order of the format. */
export const orderedRecipe = (recipe: Recipe): Recipe => ({
  name: recipe.name,
  origin: recipe.origin && pick(recipe.origin, ['recipe', 'version']),
  oils: recipe.oils.map(orderedOil),
  ...pick(recipe, ['superfatShare', 'lyePurityShare']),
  water: pick(recipe.water, ['basis', 'value', 'fullShareOfOils']),
  liquids: recipe.liquids.map(part => pick(part, ['liquid', 'shareOfWater', 'measure', 'moment', 'countFat'])),
  additives: recipe.additives.map(part => pick(part, ['additive', 'gPerKgOils', 'moment', 'addLye'])),
})

const orderedMould = (mould: Mould): Mould =>
  pick(mould, ['name', 'form', 'innerLengthMm', 'innerWidthMm', 'innerHeightMm', 'cavities', 'lining', 'fillMm'])

const orderedScent = (scent: PlannedScent): PlannedScent => ({
  parts: scent.parts.map(part => pick(part, ['scent', 'share'])),
  ...pick(scent, ['load', 'basis', 'moment', 'how', 'spread', 'stabiliserRatio']),
})

const orderedCup = (cup: Cup): Cup => ({
  ...pick(cup, ['id', 'name', 'wish']),
  colorants: cup.colorants.map(part => ({
    ...pick(part, ['colorant', 'doseGPerKg', 'basis', 'medium', 'mediumRatio']),
    slurry: part.slurry && pick(part.slurry, ['powderG', 'mediumG', 'usedG']),
  })),
  scented: cup.scented,
  ownScent: cup.ownScent && orderedScent(cup.ownScent),
  ...pick(cup, ['stabiliserRatio', 'clingG', 'vessel', 'stop']),
  draw: cup.draw && pick(cup.draw, ['by', 'value']),
  ...pick(cup, ['batter', 'lyeShare']),
})

const orderedPour = (pour: Pour): Pour => ({
  ...pick(pour, ['id', 'kind', 'cup', 'share', 'dropMm', 'overSpatula', 'waitMin', 'together']),
  cavities: [...pour.cavities],
  window: pour.window && pick(pour.window, ['lo', 'hi']),
  shape: {
    ...pick(pour.shape, ['way', 'texture', 'tiltDeg', 'across', 'range', 'count', 'spreadMm', 'depth']),
    ...pick(pour.shape, ['cover', 'hour', 'pencil']),
  },
})

const orderedMove = (move: Move): Move => ({
  ...pick(move, ['id', 'after', 'tool', 'pattern', 'count', 'depth', 'strength', 'from', 'to']),
  path: move.path.map(point => pick(point, ['x', 'y'])),
  off: move.off,
})

const orderedFinish = (finish: Finish): Finish => ({
  embeds: finish.embeds.map(embed => ({
    ...pick(embed, ['id', 'name', 'form', 'hex', 'after', 'widthMm', 'heightMm', 'lengthMm', 'everyBar', 'count']),
    ...pick(embed, ['from', 'to', 'across', 'height', 'densityGPerMl']),
  })),
  toppings: finish.toppings.map(topping =>
    pick(topping, ['id', 'name', 'kind', 'hex', 'sizeMm', 'perBar', 'onGrid', 'massG']),
  ),
  mat: pick(finish.mat, ['texture', 'depthMm', 'pitchMm']),
})

/** The same plan as plain data with its names in the order of the format, so that equal plans are equal texts. */
export function ordered(plan: Plan): Plan {
  const { heat, division, preparation } = plan
  return {
    format: PLAN_FORMAT,
    version: PLAN_VERSION,
    name: plan.name,
    notes: plan.notes,
    isTrial: plan.isTrial,
    freeLye: plan.freeLye && pick(plan.freeLye, ['reason', 'superfatShare']),
    whipped: plan.whipped && pick(plan.whipped, ['airShare', 'lyeC', 'fatsC', 'creamMin', 'trickleMin']),
    recipe: orderedRecipe(plan.recipe),
    mould: orderedMould(plan.mould),
    moreMoulds: plan.moreMoulds.map(orderedMould),
    pot: pick(plan.pot, ['clingG']),
    scent: plan.scent && orderedScent(plan.scent),
    potColorants: plan.potColorants.map(part => pick(part, ['colorant', 'doseGPerKg', 'moment'])),
    cups: plan.cups.map(orderedCup),
    ladders: plan.ladders.map(ladder => ({ ...pick(ladder, ['id']), cups: [...ladder.cups], white: ladder.white })),
    reserves: plan.reserves.map(reserve => pick(reserve, ['id', 'use', 'cup', 'massG'])),
    score: plan.score.map(orderedPour),
    moves: plan.moves.map(orderedMove),
    aside: plan.aside.map(one => ({
      at: one.at,
      pour: orderedPour(one.pour),
      moves: one.moves.map(orderedMove),
    })),
    finish: orderedFinish(plan.finish),
    planB: plan.planB && {
      ...pick(plan.planB, ['name', 'trigger', 'before', 'level', 'inUse']),
      score: plan.planB.score.map(orderedPour),
      moves: plan.planB.moves.map(orderedMove),
    },
    cutting: pick(plan.cutting, ['barMm', 'trimMm', 'kerfMm', 'rows', 'onSide']),
    conditions: pick(plan.conditions, [
      'roomC',
      'mixC',
      'stopLevel',
      'stopWhen',
      'blendS',
      'leastS',
      'blenderStrength',
      'densityGPerMl',
      'scaleStepG',
      'fineScaleStepG',
    ]),
    hands: pick(plan.hands, ['order', 'people', 'pace', 'waiting', 'blend']),
    seen: plan.seen.map(one => pick(one, ['cup', 'atMin', 'level', 'by'])),
    blendedS: plan.blendedS,
    rest: {
      ...pick(plan.rest, ['wish', 'wall', 'wallMm', 'preheatedC', 'under', 'mist', 'pouredAt', 'wantedOn', 'humidity']),
      beside: pick(plan.rest.beside, ['count', 'gapMm']),
      room: plan.rest.room.map(one => pick(one, ['atMin', 'tempC'])),
      box: pick(plan.rest.box, ['kind', 'litres', 'moulds']),
      rack: pick(plan.rest.rack, ['tempC', 'humidity', 'air']),
      oven: plan.rest.oven && pick(plan.rest.oven, ['fromC', 'toC', 'inMin']),
      cut: pick(plan.rest.cut, ['waitH', 'sideTrimMm', 'topTrimMm', 'sampleMm']),
      steps: plan.rest.steps.map(step => ({
        ...pick(step, ['atMin', 'place', 'tempC', 'holdMin', 'cover']),
        towels: pick(step.towels, ['top', 'sides', 'below']),
      })),
      readings: plan.rest.readings.map(one => pick(one, ['atMin', 'at', 'tempC'])),
      weighIns: plan.rest.weighIns.map(one => pick(one, ['day', 'massG', 'bar', 'count', 'doubt'])),
    },
    heat: {
      ...pick(heat, ['startAt', 'waterC', 'iceShare', 'meltC', 'lyeVessel', 'oilsVessel', 'lyeCooling', 'oilsCooling']),
      ...pick(heat, ['bathC', 'bathLitres', 'iceKg', 'lyeC', 'rule', 'gapK', 'bandLowC', 'bandHighC']),
      readings: heat.readings.map(reading => pick(reading, ['body', 'at', 'tempC'])),
    },
    division: {
      ...pick(division, ['by', 'rule', 'makesUp', 'cling', 'mediumFrom', 'mediumOil']),
      actual: division.actual.map(one => ({
        ...pick(one, ['cup', 'batterG', 'colouredG']),
        powders: one.powders.map(part => pick(part, ['colorant', 'massG'])),
      })),
      ...pick(division, ['mode', 'lye', 'melt']),
      top: division.top && { massG: division.top.massG, oils: division.top.oils.map(orderedOil) },
    },
    colour: pick(plan.colour, ['baseHex', 'baseDays', 'gel', 'cutDays', 'curedDays']),
    preparation: {
      done: [...preparation.done],
      weighed: preparation.weighed.map(line => pick(line, ['item', 'massG'])),
      ...pick(preparation, ['overhangMm', 'rollWidthMm']),
    },
  }
}

/** The text of an exported plan. Reading it and writing it again gives the same bytes. */
export const writePlan = (plan: Plan): string => `${JSON.stringify(ordered(plan), null, 2)}\n`
