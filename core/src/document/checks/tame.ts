/** Shapes that nothing of ours has, refused before anything walks them deeply. */

const FORBIDDEN = new Set(['__proto__', 'constructor', 'prototype'])

export interface Tameness {
  depth: number
  values: number
}

/** Deeper or larger than any form but a plan. */
export const FORM_TAMENESS: Tameness = { depth: 10, values: 12_000 }

/** Whether a value from outside is no deeper and no larger than that, and uses no names that objects themselves have. */
export function isTame(value: unknown, { depth: most, values }: Tameness = FORM_TAMENESS): boolean {
  let seen = 0
  const walk = (node: unknown, depth: number): boolean => {
    seen += 1
    if (seen > values || depth > most) return false
    if (typeof node !== 'object' || node === null) return true
    return Object.keys(node).every(
      key => !FORBIDDEN.has(key) && walk((node as Record<string, unknown>)[key], depth + 1),
    )
  }
  return walk(value, 0)
}
