import type { Rack } from '../../plan/index.ts'
import type { Bars } from './cut.ts'

/**
 * Bars drying on the rack: water leaves towards what soap holds in that air, quickly at first and ever slower. All constants
 * are engineering estimates; weigh-ins take their place.
 */

/** What soap keeps of water in half-damp air, share of the bar, and how that goes with damp. */
const KEPT = { half: 0.08, perHumidity: 1.6 } as const
/** Days in which 63 % of the loss is over, for a bar of 7 mm volume over surface at 21 °C; and the shape of the curve. */
const TAU_DAYS = 22
const TAU_AT_MM = 7
const THICKNESS_POWER = 1.3
const SHAPE = 0.75
const WARMER = { per: 0.04, usualC: 21 } as const
const HALF = 0.5
const DAMPEST = 0.3
const AIR: Readonly<Record<Rack['air'], number>> = { boxed: 1.6, still: 1, moving: 0.7 }
const LEAST_LOSS = 0.005

/** Volume over surface of a bar, mm. */
const depthOf = ({ lengthMm: a, widthMm: b, heightMm: c }: Pick<Bars, 'lengthMm' | 'widthMm' | 'heightMm'>): number =>
  (a * b * c) / (2 * (a * b + b * c + a * c))

/** A curve of drying: all that a bar will lose, as a share of its fresh weight, and days until 63 % of that. */
export interface Drying {
  loss: number
  tauDays: number
}

/** What is expected of bars on a rack. `water` is of the batter's mass. */
export function expectedDrying(
  bars: Pick<Bars, 'lengthMm' | 'widthMm' | 'heightMm'>,
  water: number,
  { tempC, humidity, air }: Rack,
): Drying {
  const kept = KEPT.half * Math.exp(KEPT.perHumidity * (humidity - HALF))
  const thick = Math.pow(depthOf(bars) / TAU_AT_MM, THICKNESS_POWER)
  const dry = Math.sqrt(Math.max(DAMPEST, (1 - humidity) / HALF))
  return {
    loss: Math.max(LEAST_LOSS, (water - kept) / (1 - kept)),
    tauDays: (TAU_DAYS * thick * Math.exp(-WARMER.per * (tempC - WARMER.usualC)) * AIR[air]) / dry,
  }
}

/** What is left of a bar's fresh weight after so many days, 0…1. */
export const leftAfter = ({ loss, tauDays }: Drying, day: number): number =>
  1 - loss * (1 - Math.exp(-Math.pow(Math.max(0, day) / tauDays, SHAPE)))

/** Cured, by the usual rule: four weeks at least, and losing little. */
const LEAST_DAYS = 28
const LITTLE_A_WEEK = 0.005
export const LONGEST_DAYS = 365

/** First day on which bars are cured: four weeks, and a loss of at most half a percent a week from then on. */
export function readyDay(drying: Drying): number {
  for (let day = LEAST_DAYS; day < LONGEST_DAYS; day += 1) {
    const now = leftAfter(drying, day)
    if ((now - leftAfter(drying, day + 7)) / now <= LITTLE_A_WEEK) return day
  }
  return LONGEST_DAYS
}

/** Day on which nine tenths of all that a bar will lose are gone. */
export const dryDay = ({ tauDays }: Drying): number => tauDays * Math.pow(-Math.log(0.1), 1 / SHAPE)
