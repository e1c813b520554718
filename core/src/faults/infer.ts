import { expit, logit } from './priors.ts'
import { CAUSES, EXCLUDED, LINKS_OF_CAUSE, LINKS_OF_SIGN, SIGN_ODDS, TOGETHER } from './tables.ts'
import { isSeen, reportedAs } from './told.ts'
import type { Report } from './told.ts'

/**
 * Causes are there or not, and may be there together. A sign's grade is the strongest that any of them, or nothing at all, brings (a noisy
 * maximum). Sets of causes near the likeliest one are gone through, each weighed by odds and by what was seen.
 */

/** A set of causes with its weight against the likeliest. */
export interface WeighedSet {
  /** By place among the engaged: 1, it is in it. */
  on: Uint8Array
  weight: number
}

export interface Inferred {
  /** Chance of each cause, in their order. */
  p: Float64Array
  /** Causes that a sign that was seen may come from, and those that are reckoned in one by one. */
  engaged: readonly number[]
  idle: readonly number[]
  /** The heaviest sets, the heaviest first. */
  sets: readonly WeighedSet[]
  /** Of the reckoning's weight, what lies in its last layer: much of it says that chances are rough. */
  edge: number
  /** The likeliest set. */
  base: Uint8Array
}

const MOST_SETS = 16_000
const LEAST_DEPTH = 3
const ROUNDS = 40
/** Lighter than that against the likeliest set, a branch is left. */
const LIGHT = 1e-9
const KEPT = 1e-3

const likelihood = ([none, some, strong]: readonly [number, number, number], a: number, b: number): number =>
  none * a + some * (b - a) + strong * (1 - b)

/** What a cause leaves of P(not at all) and P(at most some) of the signs that it touches; by their place among those reported. */
interface Touches {
  seen: Int32Array
  keepA: Float64Array
  keepB: Float64Array
}

/** The likeliest set and those around it: which causes are on, and what that makes of every sign that was reported. */
class Sets {
  readonly touches: Touches[]
  readonly odds: Float64Array
  readonly apart: number[][]
  readonly on: Uint8Array
  /** Of each sign that was reported: how likely its report is by grade, and P(not at all), P(at most some), P(report) as things stand. */
  readonly #m: readonly [Float64Array, Float64Array, Float64Array]
  readonly #a: Float64Array
  readonly #b: Float64Array
  readonly #l: Float64Array

  constructor(
    engaged: readonly number[],
    idle: readonly number[],
    p: readonly number[],
    reports: ReadonlyMap<number, Report>,
  ) {
    const isIdle = new Set(idle)
    const signs = [...reports.keys()]
    const places = new Map(signs.map((sign, i) => [sign, i]))
    const rows = signs.map(sign => reportedAs(reports.get(sign)!))
    const column = (k: 0 | 1 | 2) => Float64Array.from(rows, row => row[k])
    this.#m = [column(0), column(1), column(2)]
    // What else than the engaged causes brings a sign thins what is left of "not at all".
    const left = (leak: 'leak1' | 'leak2', of: 'p1' | 'p2') =>
      Float64Array.from(signs, sign =>
        LINKS_OF_SIGN[sign]!.reduce(
          (none, one) => (isIdle.has(one.cause) ? none * (1 - p[one.cause]! * one[of]) : none),
          1 - SIGN_ODDS[sign]![leak],
        ),
      )
    this.#a = left('leak1', 'p1')
    this.#b = left('leak2', 'p2')
    this.#l = Float64Array.from(signs, (_, i) => this.#likely(i, this.#a[i]!, this.#b[i]!))
    this.touches = engaged.map(cause => {
      const mine = LINKS_OF_CAUSE[cause]!.filter(one => places.has(one.sign))
      return {
        seen: Int32Array.from(mine, one => places.get(one.sign)!),
        keepA: Float64Array.from(mine, one => 1 - one.p1),
        keepB: Float64Array.from(mine, one => 1 - one.p2),
      }
    })
    this.odds = Float64Array.from(engaged, cause => p[cause]! / (1 - p[cause]!))
    const at = new Map(engaged.map((cause, i) => [cause, i]))
    this.apart = engaged.map(cause => EXCLUDED[cause]!.flatMap(other => at.get(other) ?? []))
    this.on = new Uint8Array(engaged.length)
  }

  #likely(i: number, a: number, b: number): number {
    const [none, some, strong] = this.#m
    return none[i]! * a + some[i]! * (b - a) + strong[i]! * (1 - b)
  }

  /** By how much a flip would change the weight. */
  ratio(i: number): number {
    const isOn = this.on[i] === 1
    let ratio = isOn ? 1 / this.odds[i]! : this.odds[i]!
    for (const other of this.apart[i]!) if (this.on[other] === 1) ratio *= isOn ? 1 / TOGETHER : TOGETHER
    const { seen, keepA, keepB } = this.touches[i]!
    for (let k = 0; k < seen.length; k += 1) {
      const at = seen[k]!
      const [keptA, keptB] = [keepA[k]!, keepB[k]!]
      const a = isOn ? this.#a[at]! / keptA : this.#a[at]! * keptA
      const b = isOn ? this.#b[at]! / keptB : this.#b[at]! * keptB
      ratio *= this.#likely(at, a, b) / this.#l[at]!
    }
    return ratio
  }

  flip(i: number): void {
    const isOn = this.on[i] === 1
    const { seen, keepA, keepB } = this.touches[i]!
    for (let k = 0; k < seen.length; k += 1) {
      const at = seen[k]!
      this.#a[at] = isOn ? this.#a[at]! / keepA[k]! : this.#a[at]! * keepA[k]!
      this.#b[at] = isOn ? this.#b[at]! / keepB[k]! : this.#b[at]! * keepB[k]!
      this.#l[at] = this.#likely(at, this.#a[at], this.#b[at])
    }
    this.on[i] = isOn ? 0 : 1
  }
}

/** Up to the heaviest set that single flips, or pairs of them, reach. */
function climb(sets: Sets, n: number): void {
  for (let i = 0; i < n; i += 1)
    if (sets.odds[i]! > 1 && !sets.apart[i]!.some(other => sets.on[other] === 1)) sets.flip(i)
  for (let round = 0; round < ROUNDS; round += 1) {
    let [best, at] = [1 + 1e-12, -1]
    for (let i = 0; i < n; i += 1) {
      const ratio = sets.ratio(i)
      if (ratio > best) [best, at] = [ratio, i]
    }
    if (at >= 0) {
      sets.flip(at)
      continue
    }
    let second = -1
    for (let i = 0; i < n; i += 1) {
      const first = sets.ratio(i)
      sets.flip(i)
      for (let k = i + 1; k < n; k += 1) {
        const ratio = first * sets.ratio(k)
        if (ratio > best) [best, at, second] = [ratio, i, k]
      }
      sets.flip(i)
    }
    if (at < 0) return
    sets.flip(at)
    sets.flip(second)
  }
}

/** As deep as the sets may be gone through: all of them where they are few. */
function depthFor(n: number, least: number): number {
  let [all, layer, depth] = [1, 1, 0]
  while (depth < n) {
    layer = (layer * (n - depth)) / (depth + 1)
    if (depth + 1 > least && all + layer > MOST_SETS) break
    all += layer
    depth += 1
  }
  return depth
}

interface Sum {
  z: number
  flipped: Float64Array
  edge: number
  kept: WeighedSet[]
}

function goThrough(sets: Sets, n: number, depth: number): Sum {
  const sum: Sum = { z: 0, flipped: new Float64Array(n), edge: 0, kept: [] }
  const keep = (weight: number): void => {
    if (weight > KEPT) sum.kept.push({ on: sets.on.slice(), weight })
  }
  /** The sets one flip further than the path, which are as deep as is gone: of them only the weight is needed. Gives their sum. */
  const last = (from: number, weight: number): number => {
    let all = 0
    for (let i = from; i < n; i += 1) {
      const next = weight * sets.ratio(i)
      if (next < LIGHT) continue
      all += next
      sum.flipped[i]! += next
      if (next <= KEPT) continue
      sets.flip(i)
      keep(next)
      sets.flip(i)
    }
    if (depth < n) sum.edge += all
    return all
  }
  /** The sets beyond a path, and its own. Gives their sum. */
  const visit = (at: number, from: number, weight: number): number => {
    keep(weight)
    if (at === depth) return weight
    let all = weight
    if (at === depth - 1) all += last(from, weight)
    else
      for (let i = from; i < n; i += 1) {
        const next = weight * sets.ratio(i)
        if (next < LIGHT) continue
        sets.flip(i)
        const beyond = visit(at + 1, i + 1, next)
        sets.flip(i)
        sum.flipped[i]! += beyond
        all += beyond
      }
    return all
  }
  sum.z = visit(0, 0, 1)
  return sum
}

/** "Neither" of no gel and partial gel is that all of it gelled: their odds are against that. */
function gelled(p: number[], engaged: readonly number[]): void {
  const [none, part] = ['no-gel', 'partial-gel'].map(id => CAUSES.findIndex(one => one.id === id)) as [number, number]
  if (!engaged.includes(none) || !engaged.includes(part)) return
  const neither = Math.max(0.02, 1 - p[none]! - p[part]!)
  for (const i of [none, part]) {
    const odds = p[i]! / neither
    p[i] = odds / (1 + odds)
  }
}

/** Causes that explain nothing that was seen, each moved by what was and was not: one step of a mean field. */
function idleChances(
  prior: readonly number[],
  p: Float64Array,
  idle: readonly number[],
  reports: ReadonlyMap<number, Report>,
): void {
  const isIdle = new Set(idle)
  const start = new Map(
    idle.map(cause => {
      let q = prior[cause]!
      for (const other of EXCLUDED[cause]!)
        if (!isIdle.has(other) && prior[other]! > 0) q *= (1 - p[other]!) / (1 - prior[other]!)
      return [cause, Math.min(0.97, Math.max(0.0005, q))]
    }),
  )
  for (const cause of idle) {
    let lnOdds = logit(start.get(cause)!)
    for (const { sign, p1, p2 } of LINKS_OF_CAUSE[cause]!) {
      const report = reports.get(sign)
      if (report === undefined) continue
      const [a, b] = thinned(sign, cause, prior, p, isIdle)
      const m = reportedAs(report)
      lnOdds += Math.log(likelihood(m, a * (1 - p1), b * (1 - p2)) / likelihood(m, a, b))
    }
    p[cause] = expit(lnOdds)
  }
}

/** P(not at all) and P(at most some) of a sign, all causes but one thinned by their chances. */
function thinned(
  sign: number,
  but: number,
  prior: readonly number[],
  p: Float64Array,
  isIdle: ReadonlySet<number>,
): [a: number, b: number] {
  let [a, b] = [1 - SIGN_ODDS[sign]!.leak1, 1 - SIGN_ODDS[sign]!.leak2]
  for (const { cause, p1, p2 } of LINKS_OF_SIGN[sign]!) {
    if (cause === but || prior[cause] === 0) continue
    const q = isIdle.has(cause) ? prior[cause]! : p[cause]!
    a *= 1 - q * p1
    b *= 1 - q * p2
  }
  return [a, b]
}

/**
 * Chances of all causes after what was reported.
 *
 * @param priors by cause; 0: it cannot have been
 * @param deepest at most so many flips from the likeliest set, at least three
 */
export function infer(priors: readonly number[], reports: ReadonlyMap<number, Report>, deepest = Infinity): Inferred {
  const called = new Set<number>()
  for (const [sign, report] of reports)
    if (isSeen(report)) for (const { cause } of LINKS_OF_SIGN[sign]!) if (priors[cause]! > 0) called.add(cause)
  const engaged = CAUSES.flatMap((_, i) => (called.has(i) ? [i] : []))
  const idle = CAUSES.flatMap((_, i) => (priors[i]! > 0 && !called.has(i) ? [i] : []))
  const odds = [...priors]
  gelled(odds, engaged)
  // The order in which signs were told moves nothing: they are gone through in their own.
  const inOrder = new Map([...reports].sort(([a], [b]) => a - b))
  const sets = new Sets(engaged, idle, odds, inOrder)
  const n = engaged.length
  climb(sets, n)
  const base = sets.on.slice()
  const sum = goThrough(sets, n, Math.min(deepest, depthFor(n, LEAST_DEPTH)))
  const p = new Float64Array(CAUSES.length)
  engaged.forEach((cause, i) => {
    const flipped = sum.flipped[i]! / sum.z
    p[cause] = base[i] === 1 ? 1 - flipped : flipped
  })
  idleChances(priors, p, idle, inOrder)
  const kept = sum.kept.sort((x, y) => y.weight - x.weight)
  return { p, engaged, idle, sets: kept, edge: sum.edge / sum.z, base }
}
