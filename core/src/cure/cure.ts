import type { Plan } from '../plan/index.ts'
import { cutForecast } from './cut.ts'
import type { Bars } from './cut.ts'

/**
 * Bars drying on the rack: water leaves towards what soap holds in a room, quickly at first and ever slower. All constants
 * are engineering estimates; weigh-ins take their place.
 */

/** What soap keeps of water in an ordinary room, share of the bar. */
const KEPT_WATER = 0.08
/** Days in which 63 % of the loss is over, for a bar of 7 mm volume over surface at 21 °C; and the shape of the curve. */
const TAU_DAYS = 22
const TAU_AT_MM = 7
const THICKNESS_POWER = 1.3
const SHAPE = 0.75
const WARMER = 0.04
/** Spreads before any weigh-in: of ln of the whole loss, and of ln of its time; and of a weigh-in, share of the bar. */
const LOSS_SD = 0.2
const TAU_SD = 0.35
const WEIGH_SD = 0.005
/** Cured, by the usual rule: four weeks at least, and losing little. */
const LEAST_DAYS = 28
const LITTLE_A_WEEK = 0.005
const LONGEST_DAYS = 365

export interface WeighIn {
  /** Days after the pour, and the bar's weight then, g. */
  day: number
  massG: number
}

/** Volume over surface of a bar, mm. */
const depthOf = ({ lengthMm: a, widthMm: b, heightMm: c }: Bars): number => (a * b * c) / (2 * (a * b + b * c + a * c))

/** A curve of drying: all that a bar will lose, as a share of its fresh weight, and days until 63 % of that. */
export interface Drying {
  loss: number
  tauDays: number
}

export function expectedDrying(bars: Bars, waterShare: number, roomC: number): Drying {
  return {
    loss: Math.max(0.005, (waterShare - KEPT_WATER) / (1 - KEPT_WATER)),
    tauDays: TAU_DAYS * Math.pow(depthOf(bars) / TAU_AT_MM, THICKNESS_POWER) * Math.exp(-WARMER * (roomC - 21)),
  }
}

/** What is left of a bar's fresh weight after so many days, 0…1. */
export const leftAfter = ({ loss, tauDays }: Drying, day: number): number =>
  1 - loss * (1 - Math.exp(-Math.pow(Math.max(0, day) / tauDays, SHAPE)))

/** The curve that expectation and weigh-ins together make most likely: a grid around what is expected. */
export function fittedDrying(expected: Drying, freshG: number, weighIns: readonly WeighIn[]): Drying {
  if (weighIns.length === 0) return expected
  let best = expected
  let least = Infinity
  const marks = Array.from({ length: 41 }, (_, i) => (i - 20) / 20)
  for (const a of marks)
    for (const b of marks) {
      const z = { loss: 3 * a, tau: 3 * b }
      const drying = {
        loss: expected.loss * Math.exp(LOSS_SD * z.loss),
        tauDays: expected.tauDays * Math.exp(TAU_SD * z.tau),
      }
      const misses = weighIns.reduce(
        (sum, one) => sum + ((one.massG / freshG - leftAfter(drying, one.day)) / WEIGH_SD) ** 2,
        z.loss * z.loss + z.tau * z.tau,
      )
      if (misses < least) {
        least = misses
        best = drying
      }
    }
  return best
}

/** First day on which bars are cured: four weeks, and a loss of at most half a percent a week. */
export function readyDay(drying: Drying): number {
  for (let day = LEAST_DAYS; day < LONGEST_DAYS; day += 1) {
    const now = leftAfter(drying, day)
    if ((now - leftAfter(drying, day + 7)) / now <= LITTLE_A_WEEK) return day
  }
  return LONGEST_DAYS
}

export interface CureForecast {
  bars: Bars
  drying: Drying
  readyDay: number
  /** Of a bar when it is ready, g. */
  curedG: number
  /** Bars' weight of all soap in the mould, fresh. */
  yieldShare: number
  /** A bar's weight by day, g. */
  curve: { day: number; massG: number }[]
}

const CURVE_DAYS = 84

/** Bars, what they lose and when they are ready. `waterShare` is of the batter's mass. */
export function cureForecast(plan: Plan, waterShare: number): CureForecast {
  const { bars } = cutForecast(plan)
  const expected = expectedDrying(bars, waterShare, plan.conditions.roomC)
  const drying = fittedDrying(expected, bars.massG, plan.rest.weighIns)
  const ready = readyDay(drying)
  return {
    bars,
    drying,
    readyDay: ready,
    curedG: bars.massG * leftAfter(drying, ready),
    yieldShare: bars.count > 0 ? (bars.count * bars.massG) / (bars.count * bars.massG + bars.restG) : 0,
    curve: Array.from({ length: CURVE_DAYS / 2 + 1 }, (_, i) => ({
      day: 2 * i,
      massG: bars.massG * leftAfter(drying, 2 * i),
    })),
  }
}
