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

/** What is the same for every question: the kept sets' weights, and of each cause in which of them it is. */
interface Prepared {
  weights: Float64Array
  /** By place among the engaged. */
  members: Int32Array[]
  staked: { i: number; stake: number }[]
  /** Bits that are open, weighed by what is at stake. */
  open: number
}

/** The heaviest sets say what an answer would tell. */
const MOST_SETS = 400
/** Less at stake is passed over. */
const LEAST_STAKE = 0.02

function prepared({ inferred, blame }: Reckoned): Prepared {
  const { engaged } = inferred
  const sets = inferred.sets.slice(0, MOST_SETS)
  const whole = sets.reduce((sum, one) => sum + one.weight, 0)
  const weights = Float64Array.from(sets, one => one.weight / whole)
  const members = engaged.map((_, i) => Int32Array.from(sets.flatMap((one, k) => (one.on[i] === 1 ? [k] : []))))
  const staked = engaged
    .map((cause, i) => ({ i, stake: stakeOf(cause, blame[cause]!) }))
    .filter(({ stake }) => stake >= LEAST_STAKE)
  // Over the kept sets, not over all: what is known after an answer is taken from the same.
  const open = staked.reduce((sum, { i, stake }) => sum + stake * entropy(over(weights, members[i]!)), 0)
  return { weights, members, staked, open }
}

function over(weights: Float64Array, members: Int32Array): number {
  let sum = 0
  for (const k of members) sum += weights[k]!
  return sum
}

interface Place {
  /** P(not at all) and P(at most some) of the sign in each set. */
  a: Float64Array
  b: Float64Array
}

/** The sign as each set has it, idle causes thinned by their chances. */
function placeOf(sign: number, { inferred, priors }: Reckoned, { members, weights }: Prepared): Place {
  const { engaged, idle, p } = inferred
  const [isIdle, at] = [new Set(idle), new Map(engaged.map((cause, i) => [cause, i]))]
  let [a0, b0] = [1 - SIGN_ODDS[sign]!.leak1, 1 - SIGN_ODDS[sign]!.leak2]
  for (const { cause, p1, p2 } of LINKS_OF_SIGN[sign]!) {
    if (!isIdle.has(cause) || priors[cause] === 0) continue
    a0 *= 1 - p[cause]! * p1
    b0 *= 1 - p[cause]! * p2
  }
  const [a, b] = [new Float64Array(weights.length).fill(a0), new Float64Array(weights.length).fill(b0)]
  for (const { cause, p1, p2 } of LINKS_OF_SIGN[sign]!) {
    const i = at.get(cause)
    if (i === undefined) continue
    for (const k of members[i]!) {
      a[k]! *= 1 - p1
      b[k]! *= 1 - p2
    }
  }
  return { a, b }
}

function stakeOf(cause: number, blame: number): number {
  const { group } = CAUSES[cause]!
  return group === 'lye' ? STAKE.lye! : (STAKE[group] ?? 1) * Math.min(1, blame / 0.1)
}

/** Bits that an answer would tell, by what is at stake. */
function gainOf(sign: number, reckoned: Reckoned, ready: Prepared): number {
  const { idle, p } = reckoned.inferred
  const { weights, members, staked } = ready
  const { a, b } = placeOf(sign, reckoned, ready)
  const links = new Map(LINKS_OF_SIGN[sign]!.map(one => [one.cause, one]))
  const lye = idle.filter(cause => CAUSES[cause]!.group === 'lye' && links.has(cause))
  let gain = ready.open + lye.reduce((sum, cause) => sum + STAKE.lye! * entropy(p[cause]!), 0)
  const [meanA, meanB] = [mean(weights, a), mean(weights, b)]
  const after = new Float64Array(weights.length)
  for (const report of [0, 1, 2] as const) {
    const [none, some, strong] = reportedAs(report)
    const of = (x: number, y: number) => none * x + some * (y - x) + strong * (1 - y)
    let chance = 0
    for (let k = 0; k < after.length; k += 1) {
      after[k] = weights[k]! * of(a[k]!, b[k]!)
      chance += after[k]!
    }
    if (chance <= 0) continue
    for (const { i, stake } of staked) gain -= chance * stake * entropy(over(after, members[i]!) / chance)
    for (const cause of lye) {
      const { p1, p2 } = links.get(cause)!
      const q = p[cause]!
      const [x, y] = [meanA / (1 - q * p1), meanB / (1 - q * p2)]
      const odds = ((q / (1 - q)) * of(x * (1 - p1), y * (1 - p2))) / of(x, y)
      gain -= chance * STAKE.lye! * entropy(odds / (1 + odds))
    }
  }
  return gain
}

function mean(weights: Float64Array, values: Float64Array): number {
  let sum = 0
  for (let k = 0; k < weights.length; k += 1) sum += weights[k]! * values[k]!
  return sum
}

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
  const ready = prepared(reckoned)
  return SIGN_ODDS.flatMap(({ id, effort }, at): Question[] => {
    if (!mayAsk(id, reckoned, at, stage)) return []
    const gain = gainOf(at, reckoned, ready)
    return gain < LEAST_GAIN ? [] : [{ sign: id, gain, value: gain / troubleOf(id, effort) }]
  })
    .sort((x, y) => y.value - x.value || (x.sign < y.sign ? -1 : 1))
    .slice(0, MOST_ASKED)
}

/** Answers that take a rule away: asked first where the rule holds. */
const CLEARS: Readonly<Partial<Record<KnownFact, string>>> = {
  stingElsewhere: 'D1',
  rewarmed: 'T9',
  cookedOut: 'T10',
}

/**
 * Facts that only the maker knows: those that take away a rule that holds, then in the order of what an answer would move: the chance beforehand of causes that explain what was seen,
 * and of those that leave lye over. What was answered is left out.
 */
export function factsToAsk(
  { facts, blame }: Reckoned,
  rules: readonly string[],
  answered: ReadonlySet<string>,
): KnownFact[] {
  const moves = (id: KnownFact): number => {
    const [yes, no] = [true, false].map(answer => priorsOf({ ...facts, [id]: answer }))
    return CAUSES.reduce((sum, { group }, cause) => {
      const weight = Math.max(blame[cause]!, group === 'lye' ? LYE_WEIGHS : 0)
      return sum + weight * Math.abs(yes![cause]!.p - no![cause]!.p)
    }, 0)
  }
  const clears = (id: KnownFact) => rules.includes(CLEARS[id] ?? '')
  return (Object.keys(KNOWN_FACTS) as KnownFact[])
    .filter(id => !answered.has(id))
    .map(id => ({ id, moved: clears(id) ? Infinity : moves(id) }))
    .sort((a, b) => b.moved - a.moved)
    .map(({ id }) => id)
}
/** What lye that may be left over weighs beside what was seen. */
const LYE_WEIGHS = 0.15
