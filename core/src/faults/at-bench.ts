import type { TroubleKind } from '../bench/index.ts'
import type { Grade, Told } from './told.ts'

/** Signs that trouble noted at the bench is. */
const SIGNS: Partial<Record<TroubleKind, readonly (readonly [sign: string, grade: Grade])[]>> = {
  'too-thick': [['p-thick', 1]],
  seized: [
    ['p-thick', 2],
    ['p-lump', 2],
  ],
  ricing: [['p-grain', 1]],
  'false-trace': [['p-breaks', 1]],
  split: [['p-breaks', 1]],
  weeping: [['c-weep', 1]],
  'too-thin': [['p-thin', 1]],
  putty: [['c-thick', 1]],
  scorch: [['p-lyecolour', 1]],
  'broke-through': [['m-through', 1]],
  overheating: [['m-rise', 1]],
}

/** What went wrong at the bench, as signs; what is said of them afterwards goes before. */
export const toldAtBench = (wrong: readonly { how?: string; cup?: string | null }[]): Told[] =>
  wrong.flatMap(({ how, cup }) =>
    (SIGNS[how as TroubleKind] ?? []).map(([sign, grade]): Told => ({ sign, grade, ...(cup && { cups: [cup] }) })),
  )
