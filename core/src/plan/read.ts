import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { Recipe } from '../recipe/index.ts'
import { opened } from '../document/kept/index.ts'
import type { Kind } from '../document/kept/index.ts'
import { problemsIn, tidied } from '../document/fields/index.ts'
import type { Problem } from '../document/fields/index.ts'
import { crossChecks } from './cross-checks.ts'
import { PLAN_FORMAT, PLAN_VERSION, Plan } from './document.ts'
import { MIGRATIONS } from './versions/index.ts'

export type PlanResult = { ok: true; plan: Plan } | { ok: false; problems: Problem[] }

/** A document larger than this is not a plan, bytes of JSON text. */
export const MAX_PLAN_BYTES = 256 * 1024
const refuse = (sentence: Words, path = '', value: unknown = ''): PlanResult => ({
  ok: false,
  problems: [{ path, value, sentence }],
})

/** Plans, of every version that there has been. */
const PLANS: Kind<Plan> = {
  format: PLAN_FORMAT,
  version: PLAN_VERSION,
  steps: MIGRATIONS,
  says: {
    noObject: fact('plan.plan-one-json-object'),
    otherFormat: fact('plan.this-not-ostler-plan'),
    tooDeep: fact('plan.this-document-too-deep'),
    newer: version => fact('plan.this-plan-was-made', { version, newest: PLAN_VERSION }),
  },
  read(document) {
    const amiss = problemsIn(Plan, document)
    if (amiss.length > 0) return { ok: false, problems: amiss }
    const plan = tidied(Plan, document as unknown as Plan)
    const problems = crossChecks(plan)
    return problems.length > 0 ? { ok: false, problems } : { ok: true, value: plan }
  },
}

/** Checks a value that claims to be a plan. Never throws; the plan given back is plain data. */
export function readPlan(value: unknown): PlanResult {
  const read = opened(PLANS, value)
  return read.ok ? { ok: true, plan: read.value } : read
}

/** Reads a plan from the text of a file. */
export function readPlanText(text: string): PlanResult {
  if (text.length > MAX_PLAN_BYTES) {
    return refuse(fact('plan.this-file-larger-than', { most: MAX_PLAN_BYTES / 1024 }))
  }
  let value: unknown
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch {
    return refuse(fact('plan.this-file-damaged-or'))
  }
  return readPlan(value)
}

/** A recipe as plain data with its names in the order of the format. */
export const orderedRecipe = (recipe: Recipe): Recipe => tidied(Recipe, recipe)

/** The same plan as plain data with its names in the order of the format, so that equal plans are equal texts. */
export const ordered = (plan: Plan): Plan => tidied(Plan, { ...plan, format: PLAN_FORMAT, version: PLAN_VERSION })

/** The text of an exported plan. Reading it and writing it again gives the same bytes. */
export const writePlan = (plan: Plan): string => `${JSON.stringify(ordered(plan), null, 2)}\n`
