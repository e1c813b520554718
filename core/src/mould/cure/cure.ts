import { latinNormals } from '../../quantities/chance/index.ts'
import type { Plan } from '../../plan/index.ts'
import { allBars, cutForecast } from './cut.ts'
import type { Bars, MouldBars } from './cut.ts'
import { checkedCure } from './doubts.ts'
import type { CureDoubt } from './doubts.ts'
import { LONGEST_DAYS, dryDay, expectedDrying, leftAfter, readyDay } from './drying.ts'
import type { Drying } from './drying.ts'
import { NOTHING_KNOWN, knownDrying } from './evidence.ts'
import type { CureKnown } from './evidence.ts'
import type { CureFit } from './weigh-ins.ts'

/** From, to: four of five cures lie within. */
export type CureRange = [from: number, to: number]

export interface CureForecast {
  bars: Bars
  /** Bars of every mould of the batch. */
  moulds: MouldBars[]
  drying: Drying
  /** Fresh weight of a bar as the weigh-ins have it, g. */
  freshG: number
  /** By the rule, and when nine tenths of the loss are over, days; with their ranges. */
  readyDay: number
  readyRange: CureRange
  dryDay: number
  dryRange: CureRange
  /** Of a bar when it is ready, g. */
  curedG: number
  curedRange: CureRange
  /** What the workshop's other batches taught of it, and when its bars would be ready without that and without weigh-ins. */
  known: CureKnown
  untaughtReadyDay: number
  /** Weigh-ins that are asked about. */
  doubts: CureDoubt[]
  /** Bars' weight of all soap in the mould, fresh. */
  yieldShare: number
  /** A bar's weight by day, g. */
  curve: { day: number; massG: number }[]
}

const CURVE_DAYS = 84
const DRAWS = 64
/** Ranks of 64 that four of five lie between. */
const RANKS = [6, 57] as const
const FIRST_DIMENSION = 300

/** Cholesky factor of a 3 × 3 covariance. */
function rootOf(c: CureFit['covariance']): number[][] {
  const root = [
    [0, 0, 0],
    [0, 0, 0],
    [0, 0, 0],
  ]
  for (let i = 0; i < 3; i += 1)
    for (let j = 0; j <= i; j += 1) {
      let sum = c[i]![j]!
      for (let k = 0; k < j; k += 1) sum -= root[i]![k]! * root[j]![k]!
      root[i]![j] = i === j ? Math.sqrt(Math.max(0, sum)) : root[j]![j]! > 0 ? sum / root[j]![j]! : 0
    }
  return root
}

/** Cures that might be, as sure as the weigh-ins make them. */
function drawsOf({ freshG, drying, covariance }: CureFit): { freshG: number; drying: Drying }[] {
  const root = rootOf(covariance)
  return Array.from({ length: DRAWS }, (_, n) => {
    const z = [0, 1, 2].map(d => latinNormals(FIRST_DIMENSION + d, DRAWS)[n]!)
    const [fresh, loss, tau] = root.map(row => row.reduce((sum, value, k) => sum + value * z[k]!, 0))
    return {
      freshG: freshG * Math.exp(fresh!),
      drying: { loss: Math.min(0.9, drying.loss * Math.exp(loss!)), tauDays: drying.tauDays * Math.exp(tau!) },
    }
  })
}

const rangeOf = (values: readonly number[]): CureRange => {
  const sorted = [...values].sort((a, b) => a - b)
  return [sorted[RANKS[0]]!, sorted[RANKS[1]]!]
}

interface CureAbout {
  /** Counts from the pour. */
  todayDay?: number | null
  /** What the workshop's other batches taught. */
  known?: CureKnown
}

/** Bars, what they lose and when they are ready. @param waterShare of the batter's mass */
export function cureForecast(
  plan: Plan,
  waterShare: number,
  { todayDay = null, known = NOTHING_KNOWN }: CureAbout = {},
): CureForecast {
  const { bars } = cutForecast(plan)
  const { rack, weighIns } = plan.rest
  const expected = expectedDrying(bars, waterShare, rack)
  const sds = { loss: known.loss.sd, tau: known.time.sd }
  const from = knownDrying(expected, known)
  const { fit, doubts } = checkedCure(from, bars.massG, weighIns, plan.conditions.scaleStepG, todayDay, sds)
  const { drying, freshG } = fit
  const ready = readyDay(drying)
  const draws = drawsOf(fit)
  return {
    bars,
    moulds: allBars(plan),
    drying,
    freshG,
    doubts,
    known,
    untaughtReadyDay: readyDay(expected),
    readyDay: ready,
    readyRange: rangeOf(draws.map(one => readyDay(one.drying))),
    dryDay: Math.min(LONGEST_DAYS, dryDay(drying)),
    dryRange: rangeOf(draws.map(one => Math.min(LONGEST_DAYS, dryDay(one.drying)))),
    curedG: freshG * leftAfter(drying, ready),
    curedRange: rangeOf(draws.map(one => one.freshG * leftAfter(one.drying, ready))),
    yieldShare: bars.count > 0 ? (bars.count * bars.massG) / (bars.count * bars.massG + bars.restG) : 0,
    curve: Array.from({ length: CURVE_DAYS / 2 + 1 }, (_, i) => ({
      day: 2 * i,
      massG: freshG * leftAfter(drying, 2 * i),
    })),
  }
}
