import { describedFields } from './describe.ts'
import type { Class, Field } from './describe.ts'

/** Where a single value of a document stands, e.g. ['cups', 2, 'scented']. */
export type FieldPath = readonly (string | number)[]

/** What is said of the field at a place; null where there is none. */
export function fieldAt(type: Class, path: FieldPath): Field | null {
  const [key, ...rest] = path
  const field = describedFields(type).find(one => one.key === key)
  if (!field || rest.length === 0) return field ?? null
  const inner = field.kind === 'parts' ? rest.slice(1) : rest
  if (inner.length === 0) return field
  return field.of ? fieldAt(field.of(), inner) : null
}

/**
 * The place that a picker picks: `at<Plan>(plan => plan.recipe.superfatShare)` is ['recipe', 'superfatShare']. A field that is
 * renamed or gone does not compile.
 */
export function placeOf<T extends object>(pick: (root: T) => unknown): FieldPath {
  const path: (string | number)[] = []
  const step: object = new Proxy(
    {},
    {
      get(_, key) {
        path.push(/^\d+$/.test(String(key)) ? Number(key) : String(key))
        return step
      },
    },
  )
  pick(step as T)
  return path
}
