import type { RecipePace } from '../trace/index.ts'
import { handling, movingLevel, stepBatter } from '../trace/index.ts'
import type { Job, Window } from './job.ts'
import { runPlan, secondsUntil } from './timetable.ts'
import type { CupState, LanePoint, Luck, Run, Task } from './bench.ts'

/** Spread of ln(rate) from maker, recipe and this run together: √(0.25² + 0.20² + 0.15²). Engineering estimate. */
export const RATE_SD = 0.354
/** What the model is off by at any one reading, in trace levels. Engineering estimate. */
const MODEL_ERROR = 0.15
/** Luck at which the forecast is worked through, in standard deviations, with normal weights. */
const NODES = [-2.4, -1.8, -1.2, -0.6, 0, 0.6, 1.2, 1.8, 2.4] as const
const P90 = 1.2816
/** "In 4 of 5 runs there is at least this much time." */
const P80 = 0.8416
const SAMPLE_S = 30
const LONGEST_MARGIN_S = 3600

export type Fault = 'thick' | 'thin' | 'not-carried'

export interface PourForecast {
  pour: string
  cup: string
  startMin: number
  endMin: number
  window: Window
  /** Moving level at the start and end of the pour, in the median run. */
  startLevel: number
  endLevel: number
  /** Chance that this pour falls into its window and is carried. */
  chance: number
  /** Minutes to spare before the cup is too thick, in 4 of 5 runs; negative when it is too late. */
  marginMin: number
  /** Wait for the layer below before this pour, min; and the level it must show. */
  waitMin: number
  carrierLevel: number | null
  carrierNeed: number | null
  bursts: number
  /** What goes wrong most often, if anything does. */
  fault: Fault | null
}

export interface LaneBandPoint {
  min: number
  low: number
  level: number
  high: number
}

export interface Lane {
  cup: string
  /** P10, median and P90 of the level a stirred cup shows, from the split to its last pour. Empty if it is not poured. */
  points: LaneBandPoint[]
}

export interface Lanes {
  tasks: { kind: Task['kind']; fromMin: number; toMin: number; cup: string | null; pour: string | null }[]
  pours: PourForecast[]
  lanes: Lane[]
  /** Level of the pot until the split. */
  pot: { min: number; level: number }[]
  splitMin: number
  endMin: number
  /** Chance that every pour works. */
  chance: number
  neverEmulsified: boolean
  /** How much quicker than expected the batter is believed to be after what was seen: a factor on its pace; 1 without. */
  seenPace: number
}

/**
 * Luck of the most likely run whose total deviation is z standard deviations: maker and scent share it by their variances.
 */
export function luckAt(z: number, job: Job): Luck {
  const total = Math.hypot(RATE_SD, job.scentSd)
  return {
    plainRate: z * RATE_SD,
    scentedRate: (z * RATE_SD * RATE_SD) / total,
    scent: (z * job.scentSd * job.scentSd) / total,
  }
}

/** Standard normal distribution; Abramowitz and Stegun 7.1.26, error under 1.5e-7. */
function normal(x: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(x)) / Math.SQRT2)
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))))
  const tail = (poly * Math.exp((-x * x) / 2)) / 2
  return x >= 0 ? 1 - tail : tail
}

export interface Verdict {
  works: number
  fault: Fault
}

/** How likely a pour of one run works, given the model's own error at a reading. */
export function verdict(job: Job, run: Run, i: number): Verdict {
  const pour = run.pours[i]!
  const { window } = job.pours[i]!
  const notThick = normal((window.hi - pour.endLevel) / MODEL_ERROR)
  const notThin = pour.startLevel >= window.lo - 0.05 ? 1 : normal((pour.startLevel - window.lo) / MODEL_ERROR)
  const carried =
    pour.carrierNeed === null || pour.carrierLevel === null || pour.carrierLevel >= pour.carrierNeed
      ? 1
      : normal((pour.carrierLevel - pour.carrierNeed) / MODEL_ERROR)
  const worst = Math.min(notThick, notThin, carried)
  return { works: worst, fault: worst === notThick ? 'thick' : worst === carried ? 'not-carried' : 'thin' }
}

const WEIGHTS = (() => {
  const heights = NODES.map(z => Math.exp((-z * z) / 2))
  const sum = heights.reduce((a, b) => a + b, 0)
  return heights.map(h => h / sum)
})()

interface Chances {
  whole: number
  pours: { chance: number; fault: Fault | null }[]
}

function chancesOf(job: Job, runs: readonly Run[]): Chances {
  const verdicts = runs.map(run => job.pours.map((_, i) => verdict(job, run, i)))
  const emulsified = runs[0]!.neverEmulsified ? 0 : 1
  const mean = (of: (row: Verdict[]) => number) => verdicts.reduce((sum, row, n) => sum + WEIGHTS[n]! * of(row), 0)
  const pours = job.pours.map((_, i) => {
    const loss: Record<Fault, number> = { thick: 0, thin: 0, 'not-carried': 0 }
    verdicts.forEach((row, n) => (loss[row[i]!.fault] += WEIGHTS[n]! * (1 - row[i]!.works)))
    const [fault, lost] = (Object.entries(loss) as [Fault, number][]).reduce((a, b) => (b[1] > a[1] ? b : a))
    return { chance: emulsified * mean(row => row[i]!.works), fault: lost > 0.02 ? fault : null }
  })
  // Runs are common to all pours, so a batch works about as often as its weakest pour within each run.
  return { whole: emulsified * mean(row => Math.min(...row.map(one => one.works))), pours }
}

/** Where the luck of a job lies, in standard deviations: at nothing and one, until something is seen of it. */
export interface Belief {
  mean: number
  sd: number
}

/** A sighting's own error beside the model's, in trace levels: a level named by eye. */
const SIGHT_ERROR = 0.25
/** Degrees of freedom of the likelihood: one wild sighting does not turn the forecast over. */
const TAIL = 4

/** Level that a run shows for what was seen, after a short stir. */
function levelSeen(run: Run, { cup, s }: Job['seen'][number]): number | null {
  const lane = run.lanes[cup] ?? []
  if (lane.length === 0) return null
  return levelAt(lane, s)
}

/** What sightings of trace say of the luck: a grid of nine, weighed by how well each explains them. */
export function beliefOf(job: Job): Belief {
  if (job.seen.length === 0) return { mean: 0, sd: 1 }
  const spread = Math.hypot(SIGHT_ERROR, MODEL_ERROR)
  const weights = NODES.map((z, n) => {
    const run = runPlan(job, luckAt(z, job), SAMPLE_S)
    return job.seen.reduce((weight, seen) => {
      const level = levelSeen(run, seen)
      if (level === null) return weight
      const off = (seen.level - level) / spread
      return weight * Math.pow(1 + (off * off) / TAIL, -(TAIL + 1) / 2)
    }, WEIGHTS[n]!)
  })
  const whole = weights.reduce((sum, weight) => sum + weight, 0)
  if (!(whole > 0)) return { mean: 0, sd: 1 }
  const mean = weights.reduce((sum, weight, n) => sum + (weight / whole) * NODES[n]!, 0)
  const variance = weights.reduce((sum, weight, n) => sum + (weight / whole) * (NODES[n]! - mean) ** 2, 0)
  return { mean, sd: Math.max(0.2, Math.sqrt(variance)) }
}

/** Luck so many standard deviations from what is believed. */
const believed = (job: Job, { mean, sd }: Belief, z: number): Luck => luckAt(mean + sd * z, job)

/** Chance that every pour of a job works: the quick form, for comparing plans. */
export function chanceOf(job: Job, belief: Belief = beliefOf(job)): number {
  return chancesOf(
    job,
    NODES.map(z => runPlan(job, believed(job, belief, z))),
  ).whole
}

/** First time that the recorded lane shows more than `level`, s. */
function crossing(lane: readonly LanePoint[], level: number): number | null {
  const at = lane.findIndex(point => point.level > level)
  if (at < 0) return null
  if (at === 0) return lane[0]!.s
  const a = lane[at - 1]!
  const b = lane[at]!
  return a.s + ((b.s - a.s) * (level - a.level)) / Math.max(1e-9, b.level - a.level)
}

function marginMin(job: Job, late: Run, i: number): number {
  const pour = late.pours[i]!
  const { window, cup } = job.pours[i]!
  if (pour.endLevel <= window.hi) return secondsUntil(window.hi, pour.after, job.pace, LONGEST_MARGIN_S) / 60
  const crossed = crossing(late.lanes[cup]!, window.hi) ?? pour.endS
  return (Math.min(crossed, pour.endS) - pour.endS) / 60
}

function levelAt(lane: readonly LanePoint[], s: number): number {
  const at = lane.findIndex(point => point.s >= s)
  if (at <= 0) return (at === 0 ? lane[0] : lane.at(-1))!.level
  const a = lane[at - 1]!
  const b = lane[at]!
  return b.s === a.s ? b.level : a.level + ((b.level - a.level) * (s - a.s)) / (b.s - a.s)
}

/** A lane carried on at rest from the cup's last pour, so that bands can be compared at any time. */
function extended(lane: LanePoint[], last: CupState | undefined, pace: RecipePace, untilS: number): LanePoint[] {
  if (!last || last.atS >= untilS) return lane
  const points = [...lane]
  let { batter } = last
  for (let s = last.atS; s < untilS; s += 2 * SAMPLE_S) {
    batter = stepBatter(batter, pace, last.load, handling('rest'), 2 * SAMPLE_S, last.cooling)
    points.push({ s: s + 2 * SAMPLE_S, level: movingLevel(batter, pace, last.load) })
  }
  return points
}

function bandOf(job: Job, i: number, low: Run, mid: Run, high: Run): LaneBandPoint[] {
  const lastPour = job.pours.findLastIndex(pour => pour.cup === i)
  if (lastPour < 0) return []
  const endS = mid.pours[lastPour]!.endS
  const lanes = [low, mid, high].map(run => extended(run.lanes[i]!, run.pours[lastPour]!.after, job.pace, endS))
  return mid.lanes[i]!.filter(point => point.s <= endS).map(({ s, level }) => {
    const a = levelAt(lanes[0]!, s)
    const b = levelAt(lanes[2]!, s)
    const widen = (gap: number) => Math.hypot(gap, MODEL_ERROR)
    return {
      min: s / 60,
      low: Math.max(0, level - widen(Math.max(0, level - Math.min(a, b)))),
      level,
      high: Math.min(5, level + widen(Math.max(0, Math.max(a, b) - level))),
    }
  })
}

/** Lanes, planned times, margins and chances of a job. Deterministic: the same job gives the same lanes. */
export function lanesOf(job: Job): Lanes {
  const belief = beliefOf(job)
  const at = (z: number) => believed(job, belief, z)
  const mid = runPlan(job, at(0), SAMPLE_S)
  const low = runPlan(job, at(-P90), SAMPLE_S)
  const high = runPlan(job, at(P90), SAMPLE_S)
  const late = runPlan(job, at(P80), SAMPLE_S)
  const { whole, pours } = chancesOf(
    job,
    NODES.map(z => runPlan(job, at(z))),
  )
  const cupId = (i: number | null) => (i === null ? null : job.cups[i]!.cup.id)
  const waited = (i: number) =>
    mid.tasks
      .filter(task => task.kind === 'wait' && task.pour === i)
      .reduce((sum, task) => sum + task.toS - task.fromS, 0)
  return {
    tasks: mid.tasks.map(task => ({
      kind: task.kind,
      fromMin: task.fromS / 60,
      toMin: task.toS / 60,
      cup: cupId(task.cup),
      pour: task.pour === null ? null : job.pours[task.pour]!.pour,
    })),
    pours: mid.pours.map((run, i) => ({
      pour: job.pours[i]!.pour,
      cup: job.cups[job.pours[i]!.cup]!.cup.id,
      startMin: run.startS / 60,
      endMin: run.endS / 60,
      window: job.pours[i]!.window,
      startLevel: run.startLevel,
      endLevel: run.endLevel,
      chance: pours[i]!.chance,
      marginMin: marginMin(job, late, i),
      waitMin: waited(i) / 60,
      carrierLevel: run.carrierLevel,
      carrierNeed: run.carrierNeed,
      bursts: run.bursts,
      fault: pours[i]!.fault,
    })),
    lanes: job.cups.map((cup, i) => ({ cup: cup.cup.id, points: bandOf(job, i, low, mid, high) })),
    pot: mid.pot.map(point => ({ min: point.s / 60, level: point.level })),
    splitMin: mid.splitS / 60,
    endMin: mid.endS / 60,
    chance: whole,
    neverEmulsified: mid.neverEmulsified,
    seenPace: Math.exp(at(0).plainRate),
  }
}
