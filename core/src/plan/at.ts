import { fieldAt, placeOf } from '../document/fields/index.ts'
import type { FieldPath } from '../document/fields/index.ts'
import { Plan } from './document.ts'

/** The place of a field of a plan: `at(plan => plan.recipe.superfatShare)`. */
export const at = (pick: (plan: Plan) => unknown): FieldPath => placeOf(pick)

/** What is said of the field at a place of a plan; null where there is none. */
export const planField = (path: FieldPath) => fieldAt(Plan, path)
