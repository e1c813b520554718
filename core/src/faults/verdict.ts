import type { Facts } from './facts.ts'
import type { Reckoned } from './diagnose.ts'
import { SIGN_AT, SIGN_ODDS } from './tables.ts'
import { stageOf } from './told.ts'

/** Whether it is fit. Rules: no chance lowers a class, one chance, that of free lye, may raise it. */

export const FITNESS = {
  fit: 'fit',
  cosmetic: 'looks only',
  hold: 'hold',
  test: 'hold and test',
  discard: 'discard',
} as const
export type Fitness = keyof typeof FITNESS
const HEAVIER: readonly Fitness[] = ['fit', 'cosmetic', 'hold', 'test', 'discard']
export const heavier = (a: Fitness, b: Fitness): Fitness => (HEAVIER.indexOf(b) > HEAVIER.indexOf(a) ? b : a)

export interface Verdict {
  class: Fitness
  /** Rules of that class that hold. */
  rules: string[]
  /** All rules that hold, of whatever class. */
  all: string[]
  /** Look again so many days from today; and when so many days old. 0: no such day. */
  againInDays: number
  atDays: number
  /** Not before it is cured. */
  untilCured: boolean
  /** As it came out and at the cut it was gone through. */
  lookedAt: boolean
  freeLye: number
}

interface Case {
  f: Facts
  /** Grade of a sign that was told; 0: not seen, or not looked for. */
  grade: (id: string) => number
  lyeSigns: number
  /** Something was seen that may come from chemistry, and not only looks. */
  isChemical: boolean
  freeLye: number
}

/** Days from now, or days of age, or the end of cure, on which a rule wants it looked at again. */
interface Until {
  inDays?: number
  atDays?: number
  cured?: true
}

interface Rule {
  id: string
  class: Fitness
  holds: (c: Case) => boolean
  until: Until
  /** Proper tests that were normal take it away. */
  clears?: (c: Case) => boolean
}

const LYE_SIGNS = ['k-crumble', 'u-crust', 'u-needles', 'k-whitehard', 'r-chalk', 'k-wetpocket'] as const
const CHEMICAL = new Set(['lye', 'oil', 'liquid', 'bench', 'heat', 'where'])
const OLD = 28
const some = (c: Case, ...ids: readonly string[]): boolean => ids.some(id => c.grade(id) >= 1)
const strong = (c: Case, ...ids: readonly string[]): boolean => ids.some(id => c.grade(id) === 2)
const both = (c: Case): boolean => some(c, 'w-first') && some(c, 'w-last')
const always = () => true

const DISCARD: readonly Rule[] = [
  { id: 'D1', class: 'discard', holds: c => some(c, 'a-sting') && !c.f.stingElsewhere, until: {} },
  { id: 'D2', class: 'discard', holds: c => strong(c, 't-ph') && c.f.days >= OLD, until: {} },
  { id: 'D3', class: 'discard', holds: c => some(c, 'k-wetpocket') && strong(c, 't-pheno'), until: {} },
  { id: 'D4', class: 'discard', holds: c => c.f.weighedShare >= 0.99 && c.f.sfHigh < 0, until: {} },
  { id: 'D5', class: 'discard', holds: c => strong(c, 'r-orange'), until: {} },
  { id: 'D6', class: 'discard', holds: c => c.f.foreignMatter, until: {} },
]

const atOld = { atDays: OLD } as const
const TEST: readonly Rule[] = [
  { id: 'T1', class: 'test', holds: ({ f }) => f.sf < 0 || (f.sfLow < 0 && f.sf < 0.02), until: atOld, clears: always },
  {
    id: 'T2',
    class: 'test',
    holds: c => c.f.weighedShare < 1 && (c.lyeSigns >= 2 || strong(c, 'k-crumble')),
    until: atOld,
    clears: always,
  },
  // A pocket may lie beside the place that was tested.
  { id: 'T3', class: 'test', holds: c => some(c, 'k-wetpocket'), until: atOld },
  {
    id: 'T4',
    class: 'test',
    holds: c =>
      strong(c, 'k-crumble') || (some(c, 'k-crumble') && (some(c, 'u-crust', 'r-chalk') || strong(c, 'u-ash'))),
    until: atOld,
    clears: always,
  },
  {
    id: 'T5',
    class: 'test',
    holds: c => strong(c, 'u-crust', 'k-whitehard') || some(c, 'u-needles'),
    until: atOld,
    clears: always,
  },
  {
    id: 'T6',
    class: 'test',
    holds: c => some(c, 'u-oily', 'm-oilpool') && c.lyeSigns > 0,
    until: atOld,
    clears: always,
  },
  { id: 'T7', class: 'test', holds: c => strong(c, 'm-oilpool'), until: atOld, clears: always },
  {
    id: 'T8',
    class: 'test',
    holds: c =>
      c.f.emulsionHeld === false || (c.f.emulsionHeld === null && (c.f.leanest < 0 || c.f.emulsion < 0.5)) || both(c),
    until: atOld,
    // By the forecast alone it can be cleared; what was seen to part cannot.
    clears: c => c.f.emulsionHeld !== false && !both(c),
  },
  { id: 'T9', class: 'test', holds: c => some(c, 'p-breaks') && !c.f.rewarmed, until: atOld, clears: always },
  { id: 'T10', class: 'test', holds: c => strong(c, 'p-lump') && !c.f.cookedOut, until: atOld, clears: always },
  { id: 'T11', class: 'test', holds: c => c.f.lyeClear === false, until: atOld },
  {
    id: 'T12',
    class: 'test',
    holds: c =>
      (c.f.days >= OLD && c.grade('t-ph') === 1) ||
      (c.f.days < OLD && strong(c, 't-ph')) ||
      (c.f.days >= 3 && strong(c, 't-pheno')),
    until: atOld,
    clears: always,
  },
  { id: 'T13', class: 'test', holds: c => c.f.lyeTwice, until: atOld },
  {
    id: 'T14',
    class: 'test',
    holds: c => c.freeLye >= 0.5 || (c.freeLye >= 0.2 && c.isChemical),
    until: atOld,
    clears: always,
  },
]

const HOLD: readonly Rule[] = [
  {
    id: 'H1',
    class: 'hold',
    holds: c => [c.grade('k-crumble'), c.grade('u-crust'), c.grade('k-whitehard')].includes(1) || some(c, 'r-chalk'),
    until: { inDays: 7, cured: true },
    clears: always,
  },
  { id: 'H2', class: 'hold', holds: c => some(c, 'u-soft'), until: { inDays: 3 } },
  { id: 'H2', class: 'hold', holds: c => some(c, 'r-soft'), until: { inDays: 14 } },
  { id: 'H3', class: 'hold', holds: c => some(c, 'u-oily', 'm-oilpool'), until: { inDays: 3 } },
  {
    id: 'H4',
    class: 'hold',
    holds: c => some(c, 'p-grain') || c.grade('p-lump') === 1,
    until: { inDays: 7, cured: true },
  },
  { id: 'H5', class: 'hold', holds: c => some(c, 'm-rise', 'k-tunnel') || strong(c, 'm-crack'), until: { inDays: 7 } },
  { id: 'H6', class: 'hold', holds: c => some(c, 'u-scentbeads', 'c-weep'), until: { inDays: 7 } },
  { id: 'H7', class: 'hold', holds: c => c.f.scentOverLimit, until: { cured: true } },
  { id: 'H8', class: 'hold', holds: c => c.grade('r-orange') === 1, until: { inDays: 14 } },
  { id: 'H9', class: 'hold', holds: c => strong(c, 'u-sweat'), until: { inDays: 7 } },
  { id: 'H10', class: 'hold', holds: c => strong(c, 'p-thin'), until: { inDays: 7 } },
  { id: 'H11', class: 'hold', holds: c => some(c, 'a-harsh'), until: atOld },
  {
    id: 'H12',
    class: 'hold',
    holds: c =>
      c.freeLye >= 0.2 || (c.freeLye >= 0.06 && (c.lyeSigns > 0 || some(c, 'm-oilpool', 'u-oily', 'p-oilfilm'))),
    until: { inDays: 7 },
    clears: always,
  },
  {
    id: 'H13',
    class: 'hold',
    holds: ({ f }) => f.sfLow < 0 && !(f.sf < 0 || f.sf < 0.02),
    until: { cured: true },
    clears: always,
  },
  {
    id: 'H14',
    class: 'hold',
    holds: c => c.f.days < OLD && c.grade('t-ph') === 1,
    until: atOld,
    clears: always,
  },
  {
    id: 'H14',
    class: 'hold',
    holds: c => c.f.days < 3 && some(c, 't-pheno'),
    until: { atDays: 3 },
    clears: always,
  },
]

const COSMETIC: readonly Rule[] = [
  {
    id: 'C1',
    class: 'cosmetic',
    holds: c => SIGN_ODDS.some(one => one.class === 'cosmetic' && c.grade(one.id) >= 1),
    until: {},
  },
  { id: 'C2', class: 'cosmetic', holds: c => some(c, 'u-sweat', 'k-brittle'), until: {} },
]

export const RULES: readonly Rule[] = [...DISCARD, ...TEST, ...HOLD, ...COSMETIC]

function caseOf(reckoned: Reckoned): Case {
  const { facts, reports } = reckoned
  const grade = (id: string): number => {
    const report = reports.get(SIGN_AT.get(id)!)
    if (typeof report === 'number') return report
    return report?.startsWith('weak-') === true ? Number(report.slice(-1)) : 0
  }
  return {
    f: facts,
    grade,
    freeLye: reckoned.freeLye,
    lyeSigns: LYE_SIGNS.reduce((sum, id) => sum + grade(id), 0),
    isChemical: SIGN_ODDS.some(one => CHEMICAL.has(one.class) && grade(one.id) >= 1),
  }
}

/** Which class a batch is in, by which rules, and until when. */
export function verdictOf(reckoned: Reckoned): Verdict {
  const c = caseOf(reckoned)
  const holding = RULES.filter(rule => rule.holds(c) && !(c.f.testsNormal && rule.clears?.(c) === true))
  const heaviest = holding.reduce<Fitness>((most, rule) => heavier(most, rule.class), 'fit')
  const mine = holding.filter(rule => rule.class === heaviest)
  const gone = (stage: string) => [...reckoned.reports.keys()].some(at => stageOf(SIGN_ODDS[at]!.id) === stage)
  return {
    class: heaviest,
    rules: [...new Set(mine.map(rule => rule.id))],
    all: [...new Set(holding.map(rule => rule.id))],
    againInDays: Math.max(0, ...mine.map(rule => rule.until.inDays ?? 0)),
    atDays: Math.max(0, ...mine.map(rule => rule.until.atDays ?? 0)),
    untilCured: mine.some(rule => rule.until.cured === true),
    lookedAt: gone('unmoulding') && gone('cut'),
    freeLye: c.freeLye,
  }
}
