import type { Reckoned } from './diagnose.ts'
import { KNOWN_FACTS } from './known.ts'
import type { KnownFact } from './known.ts'
import { priorsOf } from './priors.ts'
import { CAUSES, LINKS_OF_SIGN, SIGN_ODDS } from './tables.ts'
import type { CauseGroup } from './tables.ts'
import { applies, reportedAs, stageOf } from './told.ts'

/** What is to be looked at next: what tells most for the trouble. */

export interface Question {
  sign: string
  /** Bits, weighed by what is at stake. */
  gain: number
  value: number
}

export type AskStage = 'mould' | 'cut' | 'cure'
const STAGES: Readonly<Record<AskStage, ReadonlySet<string>>> = {
  mould: new Set(['pot', 'cup', 'mould']),
  cut: new Set(['pot', 'cup', 'mould', 'unmoulding', 'cut', 'test']),
  cure: new Set(['pot', 'cup', 'mould', 'unmoulding', 'cut', 'cure', 'test']),
}

/** What is at stake: lye burns. */
const STAKE: Partial<Record<CauseGroup, number>> = { lye: 3, oil: 1.5 }
const LEAST_GAIN = 0.03
const MOST_ASKED = 3
/** Minutes that a day of waiting and a bar that is cut for it weigh. */
const WAITS = 10
const CUTS = 10
const A_DAY = new Set(['t-later'])
const A_BAR = new Set(['t-pheno', 't-ph', 't-oil'])
const METER_FROM_DAY = 28
const INDICATOR_FROM_DAY = 3

const entropy = (p: number): number => (p <= 0 || p >= 1 ? 0 : -(p * Math.log2(p) + (1 - p) * Math.log2(1 - p)))

interface Place {
  /** P(not at all) and P(at most some) of the sign in each set. */
  a: number[]
  b: number[]
}

/** The sign as each set has it, idle causes thinned by their chances. */
function placeOf(sign: number, { inferred, priors }: Reckoned): Place {
  const { engaged, sets, idle } = inferred
  let [a0, b0] = [1 - SIGN_ODDS[sign]!.leak1, 1 - SIGN_ODDS[sign]!.leak2]
  const at = new Map(engaged.map((cause, i) => [cause, i]))
  const isIdle = new Set(idle)
  const links = LINKS_OF_SIGN[sign]!
  for (const { cause, p1, p2 } of links) {
    if (!isIdle.has(cause) || priors[cause] === 0) continue
    a0 *= 1 - inferred.p[cause]! * p1
    b0 *= 1 - inferred.p[cause]! * p2
  }
  const mine = links.flatMap(one => (at.has(one.cause) ? [{ i: at.get(one.cause)!, p1: one.p1, p2: one.p2 }] : []))
  const [a, b]: [number[], number[]] = [[], []]
  for (const { on } of sets) {
    let [x, y] = [a0, b0]
    for (const { i, p1, p2 } of mine)
      if (on[i] === 1) {
        x *= 1 - p1
        y *= 1 - p2
      }
    a.push(x)
    b.push(y)
  }
  return { a, b }
}

const stakeOf = (cause: number, blame: number, isIdle: boolean): number => {
  const { group } = CAUSES[cause]!
  if (group === 'lye') return STAKE.lye!
  return isIdle ? 0 : (STAKE[group] ?? 1) * Math.min(1, blame / 0.1)
}

/** Bits that an answer would tell, by what is at stake. */
function gainOf(sign: number, reckoned: Reckoned): number {
  const { inferred, blame } = reckoned
  const { engaged, sets, idle, p } = inferred
  const whole = sets.reduce((sum, one) => sum + one.weight, 0)
  const { a, b } = placeOf(sign, reckoned)
  const isIdle = new Set(idle)
  const links = new Map(LINKS_OF_SIGN[sign]!.map(one => [one.cause, one]))
  // Over the kept sets, not over all: what was known before is taken from the same.
  const before = engaged.map((_, i) => sets.reduce((sum, one) => sum + (one.on[i] === 1 ? one.weight : 0), 0) / whole)
  let gain = engaged.reduce((sum, cause, i) => sum + stakeOf(cause, blame[cause]!, false) * entropy(before[i]!), 0)
  const lye = idle.filter(cause => CAUSES[cause]!.group === 'lye' && links.has(cause))
  gain += lye.reduce((sum, cause) => sum + STAKE.lye! * entropy(p[cause]!), 0)
  for (const report of [0, 1, 2] as const) {
    const [none, some, strong] = reportedAs(report)
    const of = (x: number, y: number) => none * x + some * (y - x) + strong * (1 - y)
    const weights = sets.map((one, k) => (one.weight / whole) * of(a[k]!, b[k]!))
    const chance = weights.reduce((sum, one) => sum + one, 0)
    if (chance <= 0) continue
    engaged.forEach((cause, i) => {
      const with_ = sets.reduce((sum, one, k) => sum + (one.on[i] === 1 ? weights[k]! : 0), 0)
      gain -= chance * stakeOf(cause, blame[cause]!, isIdle.has(cause)) * entropy(with_ / chance)
    })
    for (const cause of lye) {
      const { p1, p2 } = links.get(cause)!
      const q = p[cause]!
      const [x, y] = [mean(sets, a, whole) / (1 - q * p1), mean(sets, b, whole) / (1 - q * p2)]
      const ifThere = of(x * (1 - p1), y * (1 - p2))
      const odds = ((q / (1 - q)) * ifThere) / of(x, y)
      gain -= chance * STAKE.lye! * entropy(odds / (1 + odds))
    }
  }
  return gain
}

const mean = (sets: Reckoned['inferred']['sets'], values: readonly number[], whole: number): number =>
  sets.reduce((sum, one, k) => sum + one.weight * values[k]!, 0) / whole

function mayAsk(id: string, { facts, reports }: Reckoned, at: number, stage: AskStage): boolean {
  const report = reports.get(at)
  if (report !== undefined && report !== 'glanced') return false
  if (!STAGES[stage].has(stageOf(id)) || !applies(facts, id)) return false
  if (id === 't-ph' && facts.days < METER_FROM_DAY) return false
  return !(id === 't-pheno' && facts.days < INDICATOR_FROM_DAY)
}

const troubleOf = (id: string, effort: number): number =>
  Math.sqrt(effort + 1 + (A_DAY.has(id) ? WAITS : 0) + (A_BAR.has(id) ? CUTS : 0))

/** At most three looks or tests, the most telling for its trouble first; none where looking again would not change much. */
export function questionsOf(reckoned: Reckoned, stage: AskStage): Question[] {
  return SIGN_ODDS.flatMap(({ id, effort }, at): Question[] => {
    if (!mayAsk(id, reckoned, at, stage)) return []
    const gain = gainOf(at, reckoned)
    return gain < LEAST_GAIN ? [] : [{ sign: id, gain, value: gain / troubleOf(id, effort) }]
  })
    .sort((x, y) => y.value - x.value || (x.sign < y.sign ? -1 : 1))
    .slice(0, MOST_ASKED)
}

/**
 * Facts that only the maker knows, in the order of what an answer would move: the chance beforehand of causes that explain what was seen,
 * and of those that leave lye over. What was answered is left out.
 */
export function factsToAsk({ facts, blame }: Reckoned, answered: ReadonlySet<string>): KnownFact[] {
  const moves = (id: KnownFact): number => {
    const [yes, no] = [true, false].map(answer => priorsOf({ ...facts, [id]: answer }))
    return CAUSES.reduce((sum, { group }, cause) => {
      const weight = Math.max(blame[cause]!, group === 'lye' ? LYE_WEIGHS : 0)
      return sum + weight * Math.abs(yes![cause]!.p - no![cause]!.p)
    }, 0)
  }
  return (Object.keys(KNOWN_FACTS) as KnownFact[])
    .filter(id => !answered.has(id))
    .map(id => ({ id, moved: moves(id) }))
    .sort((a, b) => b.moved - a.moved)
    .map(({ id }) => id)
}
/** What lye that may be left over weighs beside what was seen. */
const LYE_WEIGHS = 0.15
