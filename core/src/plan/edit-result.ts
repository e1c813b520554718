import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from './document.ts'

/** What came of an edit: the changed plan, or where and why it was refused. */
export type EditResult = { ok: true; plan: Plan } | { ok: false; path: string; sentence: Words }

export const refused = (path: string, sentence: Words): EditResult => ({ ok: false, path, sentence })

/** Shares are kept to a millionth: 0.0001 mm in a 100 mm mould, and short in the file. */
export const tidyShare = (share: number): number => Math.max(0.000001, Number(share.toFixed(6)))

/** A short id that the plan does not use yet, such as "cup-4". */
export function freshId(prefix: string, taken: readonly { id: string }[]): string {
  for (let n = taken.length + 1; ; n += 1) {
    const id = `${prefix}-${n}`
    if (!taken.some(item => item.id === id)) return id
  }
}
