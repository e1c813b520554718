import { plainToInstance } from 'class-transformer'
import { validateSync } from 'class-validator'
import { crossChecks } from './cross-checks.ts'
import { PLAN_FORMAT, PLAN_VERSION, Plan } from './document.ts'
import { migrated } from './migrations.ts'
import { problemsOf } from './problems.ts'
import type { Problem } from './problems.ts'

export type PlanResult = { ok: true; plan: Plan } | { ok: false; problems: Problem[] }

/** A document larger than this is not a plan, bytes of JSON text. */
export const MAX_PLAN_BYTES = 256 * 1024
const MAX_DEPTH = 10
const MAX_VALUES = 5000
const FORBIDDEN = new Set(['__proto__', 'constructor', 'prototype'])

const refuse = (sentence: string, path = '', value: unknown = ''): PlanResult => ({
  ok: false,
  problems: [{ path, value, sentence }],
})

/** Refuses shapes that no plan has, before anything walks them deeply. */
function isTame(value: unknown): boolean {
  let seen = 0
  const walk = (node: unknown, depth: number): boolean => {
    seen += 1
    if (seen > MAX_VALUES || depth > MAX_DEPTH) return false
    if (typeof node !== 'object' || node === null) return true
    return Object.keys(node).every(
      key => !FORBIDDEN.has(key) && walk((node as Record<string, unknown>)[key], depth + 1),
    )
  }
  return walk(value, 0)
}

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

/** The same plan as plain data with its names in the order of the format, so that equal plans are equal texts. */
export function ordered(plan: Plan): Plan {
  return {
    format: PLAN_FORMAT,
    version: PLAN_VERSION,
    name: plan.name,
    notes: plan.notes,
    recipe: {
      oils: plan.recipe.oils.map(part => pick(part, ['oil', 'share'])),
      ...pick(plan.recipe, ['superfatShare', 'lyePurityShare', 'lyeConcentrationShare']),
    },
    mould: pick(plan.mould, ['name', 'innerLengthMm', 'innerWidthMm', 'innerHeightMm', 'fillMm']),
    pot: pick(plan.pot, ['clingG']),
    scent: plan.scent && pick(plan.scent, ['scent', 'shareOfOils', 'moment']),
    cups: plan.cups.map(cup => ({
      ...pick(cup, ['id', 'name', 'swatch']),
      colorant: cup.colorant && pick(cup.colorant, ['colorant', 'doseGPerKg', 'medium', 'mediumRatio']),
      ...pick(cup, ['scented', 'clingG']),
    })),
    score: plan.score.map(pour => pick(pour, ['id', 'kind', 'cup', 'share', 'dropMm', 'overSpatula', 'waitMin'])),
    conditions: pick(plan.conditions, [
      'roomC',
      'mixC',
      'stopLevel',
      'blenderStrength',
      'densityGPerMl',
      'scaleStepG',
      'fineScaleStepG',
    ]),
  }
}

/** The text of an exported plan. Reading it and writing it again gives the same bytes. */
export const writePlan = (plan: Plan): string => `${JSON.stringify(ordered(plan), null, 2)}\n`
