import { CAUSE_TABLE } from './cause-table.ts'
import { LINK_TABLE } from './links.ts'
import { SIGN_CHANCES } from './sign-chances.ts'

/** The tables of signs, causes and what joins them, read once. */

export const CAUSE_GROUPS = {
  lye: 'lye',
  oil: 'too much oil',
  pace: 'pace',
  water: 'water',
  scent: 'scent',
  fat: 'fats',
  additive: 'additives',
  colour: 'colour',
  score: 'pours',
  rest: 'in the mould',
  cut: 'cut',
  cure: 'cure',
} as const
export type CauseGroup = keyof typeof CAUSE_GROUPS

export interface Cause {
  id: string
  name: string
  group: CauseGroup
  /** Chance in an ordinary batch; null: worked out of facts. */
  base: number | null
  gate: string
}

export interface Link {
  cause: number
  sign: number
  p1: number
  p2: number
}

export type SignClass =
  | 'bench'
  | 'cosmetic'
  | 'heat'
  | 'liquid'
  | 'soft'
  | 'lye'
  | 'damp'
  | 'weep'
  | 'oil'
  | 'brittle'
  | 'where'
  | 'rancid'
  | 'report'
  | 'stop'
  | 'test'

export interface SignChance {
  id: string
  leak1: number
  leak2: number
  /** Minutes to look. */
  effort: number
  class: SignClass
}

const rowsOf = (table: string): string[][] =>
  table
    .trim()
    .split('\n')
    .slice(1)
    .map(line => line.split('|').map(cell => cell.trim()))

export const CAUSES: readonly Cause[] = rowsOf(CAUSE_TABLE).map(([id, name, group, base, gate]) => ({
  id: id!,
  name: name!,
  group: group as CauseGroup,
  base: base === '' ? null : Number(base),
  gate: gate!,
}))

export const SIGN_ODDS: readonly SignChance[] = rowsOf(SIGN_CHANCES).map(([id, leak1, leak2, effort, of]) => ({
  id: id!,
  leak1: Number(leak1),
  leak2: Number(leak2),
  effort: Number(effort),
  class: of as SignClass,
}))

const indexOf = (list: readonly { id: string }[]): ReadonlyMap<string, number> =>
  new Map(list.map((one, i) => [one.id, i]))
export const CAUSE_AT = indexOf(CAUSES)
export const SIGN_AT = indexOf(SIGN_ODDS)

/** No cause is surer than that of a sign. */
const SUREST = 0.98

export const LINKS: readonly Link[] = LINK_TABLE.trim()
  .split('\n')
  .flatMap(line => {
    const [cause, rest] = line.split(': ') as [string, string]
    return rest.split('|').map((part): Link => {
      const [sign, p1, p2] = part.split(' ') as [string, string, string]
      const [at, of] = [CAUSE_AT.get(cause), SIGN_AT.get(sign)]
      if (at === undefined || of === undefined) throw new Error(`no such link: ${cause} to ${sign}`)
      return { cause: at, sign: of, p1: Math.min(SUREST, Number(p1)), p2: Math.min(SUREST, Number(p2)) }
    })
  })

export const LINKS_OF_CAUSE: readonly (readonly Link[])[] = CAUSES.map((_, i) => LINKS.filter(one => one.cause === i))
export const LINKS_OF_SIGN: readonly (readonly Link[])[] = SIGN_ODDS.map((_, i) => LINKS.filter(one => one.sign === i))

/** Causes that are hardly ever both there. */
const APART: readonly (readonly [string, string])[] = [
  ['no-gel', 'partial-gel'],
  ['no-gel', 'rivers'],
  ['no-gel', 'overheat'],
  ['water-low', 'water-high'],
  ['lye-short', 'lye-over'],
  ['lye-short', 'value-wrong'],
  ['lye-over', 'value-wrong'],
  ['unmould-early', 'cut-late'],
]
/** By cause, those it is hardly ever there with. */
export const EXCLUDED: readonly (readonly number[])[] = CAUSES.map(({ id }) =>
  APART.flatMap(([a, b]) => (a === id ? [CAUSE_AT.get(b)!] : b === id ? [CAUSE_AT.get(a)!] : [])),
)
export const TOGETHER = 0.001
