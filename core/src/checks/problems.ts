import type { ValidationError } from 'class-validator'

/** Something wrong with a plan: where, what stands there, and a sentence that says what would do. */
export interface Problem {
  path: string
  value: unknown
  sentence: string
}

const step = (path: string, property: string): string =>
  /^\d+$/.test(property) ? `${path}[${property}]` : path === '' ? property : `${path}.${property}`

/** Values in a report stay short and printable. */
function brief(value: unknown): unknown {
  if (typeof value === 'string') return value.slice(0, 80)
  if (value === null || typeof value === 'number' || typeof value === 'boolean') return value
  return value === undefined ? 'nothing' : Array.isArray(value) ? `a list of ${value.length}` : 'an object'
}

const SENTENCES: Record<string, string> = {
  whitelistValidation: 'This name does not belong in a plan.',
}

/** Flattens the validator's tree; one problem a field, the innermost first. */
export function problemsOf(errors: readonly ValidationError[], path = ''): Problem[] {
  return errors.flatMap(error => {
    const here = step(path, error.property)
    const inner = problemsOf(error.children ?? [], here)
    if (inner.length > 0) return inner
    const [kind, sentence] = Object.entries(error.constraints ?? {}).at(-1) ?? ['', 'This is not understood.']
    return [{ path: here, value: brief(error.value), sentence: SENTENCES[kind] ?? sentence }]
  })
}
