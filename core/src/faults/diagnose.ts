import type { Facts } from './facts.ts'
import { infer } from './infer.ts'
import type { Inferred } from './infer.ts'
import { expit, logit, priorsOf } from './priors.ts'
import type { Addition, Shifts } from './priors.ts'
import { CAUSES, LINKS_OF_CAUSE, LINKS_OF_SIGN, SIGN_ODDS } from './tables.ts'
import { isSeen, reportedAs, reportsOf } from './told.ts'
import type { Report, Told } from './told.ts'

/** What most likely went wrong, and why. */

/** Something seen, or looked for, that speaks for a cause or against it: ln of how many times likelier it makes what was seen. */
export interface Reason {
  sign: string
  report: Report
  ln: number
}

export interface ShownCause {
  id: string
  p: number
  prior: number
  /** Largest share of a sign that it explains. */
  blame: number
  /** With the prior's log-odds half a point lower and higher. */
  band: readonly [number, number]
  /** What is known of the batch that made it likelier beforehand, or less so. */
  additions: readonly Addition[]
  speaksFor: readonly Reason[]
  speaksAgainst: readonly Reason[]
}

export interface Diagnosis {
  causes: readonly ShownCause[]
  /** By sign that was seen, the two causes that explain it best. */
  bySign: Readonly<Record<string, readonly string[]>>
  /** Chance of free lye, whatever the cause; and of each cause. */
  freeLye: number
  p: Readonly<Record<string, number>>
  /** Nothing that is known here explains it well. */
  isUnexplained: boolean
  /** Many things at once: chances are rough. */
  isRough: boolean
}

/** What the rest of the room needs of it. */
export interface Reckoned {
  facts: Facts
  priors: readonly number[]
  additions: readonly (readonly Addition[])[]
  reports: ReadonlyMap<number, Report>
  inferred: Inferred
  blame: Float64Array
  /** Chance that lye was left over, whatever the cause. */
  freeLye: number
}

const HEAVIEST = 80
const LEAST_BLAME = 0.05
const MOST_SHOWN = 5
const ROUGH_EDGE = 0.2
const EXPLAINS = 0.35
const BAND = 0.5
/** ln of a factor that is worth a word for a cause, and against it. */
const SPEAKS = { for: 0.2, against: -0.2 } as const

/** How strongly a cause or chance pulls at a sign that was seen so. */
const pull = (p1: number, p2: number, report: 1 | 2): number => -Math.log(1 - (report === 1 ? p1 : p2))

/** Of each sign that was seen, the share that each cause explains, over the heaviest sets: sign by cause. */
function sharesOf({ engaged, sets }: Inferred, reports: ReadonlyMap<number, Report>): Map<number, Map<number, number>> {
  const at = new Map(engaged.map((cause, i) => [cause, i]))
  const heavy = sets.slice(0, HEAVIEST)
  const whole = heavy.reduce((sum, one) => sum + one.weight, 0)
  const shares = new Map<number, Map<number, number>>()
  for (const [sign, report] of reports) {
    if (!isSeen(report)) continue
    const links = LINKS_OF_SIGN[sign]!.filter(one => at.has(one.cause))
    const { leak1, leak2 } = SIGN_ODDS[sign]!
    const mine = new Map<number, number>()
    for (const { on, weight } of heavy) {
      const present = links.filter(one => on[at.get(one.cause)!] === 1)
      const pulls = present.map(one => pull(one.p1, one.p2, report))
      const all = pulls.reduce((sum, one) => sum + one, pull(leak1, leak2, report))
      present.forEach(({ cause }, i) => mine.set(cause, (mine.get(cause) ?? 0) + ((weight / whole) * pulls[i]!) / all))
    }
    shares.set(sign, mine)
  }
  return shares
}

/** What each sign says of a cause, the other causes of the likeliest set in their place. */
function reasonsOf(cause: number, { inferred, reports, priors }: Reckoned): Reason[] {
  const { engaged, base, idle } = inferred
  const present = new Set(engaged.filter((other, i) => base[i] === 1 && other !== cause))
  const isIdle = new Set(idle)
  return LINKS_OF_CAUSE[cause]!.flatMap(({ sign, p1, p2 }): Reason[] => {
    const report = reports.get(sign)
    if (report === undefined) return []
    let [a, b] = [1 - SIGN_ODDS[sign]!.leak1, 1 - SIGN_ODDS[sign]!.leak2]
    for (const other of LINKS_OF_SIGN[sign]!) {
      const q = present.has(other.cause) ? 1 : isIdle.has(other.cause) ? priors[other.cause]! : 0
      a *= 1 - q * other.p1
      b *= 1 - q * other.p2
    }
    const [none, some, strong] = reportedAs(report)
    const of = (x: number, y: number) => none * x + some * (y - x) + strong * (1 - y)
    return [{ sign: SIGN_ODDS[sign]!.id, report, ln: Math.log(of(a * (1 - p1), b * (1 - p2)) / of(a, b)) }]
  })
}

/** Facts and signs reckoned through, for the pages and rules that follow from them. */
export function reckon(facts: Facts, told: readonly Told[], shifts: Shifts = {}): Reckoned {
  const known = priorsOf(facts, shifts)
  const priors = known.map(one => one.p)
  const reports = reportsOf(facts, told)
  const inferred = infer(priors, reports)
  const blame = new Float64Array(CAUSES.length)
  for (const mine of sharesOf(inferred, reports).values())
    for (const [cause, share] of mine) blame[cause] = Math.max(blame[cause]!, share)
  const freeLye = freeLyeChance(priors, inferred, reports)
  return { facts, priors, additions: known.map(one => one.additions), reports, inferred, blame, freeLye }
}

const LEAVES_LYE = ['lye-over', 'value-wrong', 'lye-grain', 'early-split', 'false-trace'] as const
const LYE_AT = LEAVES_LYE.map(id => CAUSES.findIndex(one => one.id === id))

const freeLyeIn = (p: Float64Array): number => 1 - LYE_AT.reduce((none, cause) => none * (1 - p[cause]!), 1)

/**
 * Chance that lye was left over, whatever the cause: the larger of the whole reckoning's, and of one that is told only the answers to
 * signs of those causes, so that no answer about looks talks it away.
 */
function freeLyeChance(priors: readonly number[], inferred: Inferred, reports: ReadonlyMap<number, Report>): number {
  const mine = new Set(LYE_AT.flatMap(cause => LINKS_OF_CAUSE[cause]!.map(one => one.sign)))
  const answered = new Map([...reports].filter(([sign, report]) => report !== 'glanced' && mine.has(sign)))
  return Math.max(freeLyeIn(inferred.p), freeLyeIn(infer(priors, answered, 3).p))
}

/** A cause's odds after all that was seen go with its odds beforehand. */
const shifted = (p: number, by: number): number => (p > 0 && p < 1 ? expit(logit(p) + by) : p)

/** Causes by what they explain of what was seen, with the reasons. */
export function diagnosed(reckoned: Reckoned): Diagnosis {
  const { priors, additions, reports, inferred, blame } = reckoned
  const { p } = inferred
  const shares = sharesOf(inferred, reports)
  const shown = CAUSES.flatMap((_, cause) => (blame[cause]! >= LEAST_BLAME ? [cause] : []))
    .sort((x, y) => blame[y]! - blame[x]! || p[y]! - p[x]! || (CAUSES[x]!.id < CAUSES[y]!.id ? -1 : 1))
    .slice(0, MOST_SHOWN)
  const causes = shown.map((cause): ShownCause => {
    const reasons = reasonsOf(cause, reckoned)
    return {
      id: CAUSES[cause]!.id,
      p: p[cause]!,
      prior: priors[cause]!,
      blame: blame[cause]!,
      band: [shifted(p[cause]!, -BAND), shifted(p[cause]!, BAND)],
      additions: additions[cause]!,
      speaksFor: reasons
        .filter(one => one.ln > SPEAKS.for)
        .sort((x, y) => y.ln - x.ln)
        .slice(0, 3),
      speaksAgainst: reasons
        .filter(one => one.ln < SPEAKS.against)
        .sort((x, y) => x.ln - y.ln)
        .slice(0, 2),
    }
  })
  const best = (mine: ReadonlyMap<number, number>) =>
    [...mine]
      .sort((x, y) => y[1] - x[1])
      .slice(0, 2)
      .map(([cause]) => CAUSES[cause]!.id)
  return {
    causes,
    bySign: Object.fromEntries([...shares].map(([sign, mine]) => [SIGN_ODDS[sign]!.id, best(mine)])),
    freeLye: reckoned.freeLye,
    p: Object.fromEntries(CAUSES.map(({ id }, i) => [id, p[i]!])),
    isUnexplained: [...reports.values()].some(isSeen) && !causes.some(one => one.p >= EXPLAINS),
    isRough: inferred.edge > ROUGH_EDGE,
  }
}
