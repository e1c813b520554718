import { coolerFor, startCooling, stepCooling } from './cooling.ts'
import type { Body, CoolingMedium } from './cooling.ts'

/** Seconds from the first reading, and what was read, °C. */
export interface Reading {
  atS: number
  tempC: number
}

export interface Fit {
  /** ln of the factor on all losses: mean and spread. */
  lnKappa: number
  sd: number
}

const PRIOR_SD = 0.35
const READING_SD = 0.8
const REACH = 1.2
const GRID = 0.02

function cost(lnKappa: number, body: Body, medium: CoolingMedium, readings: readonly Reading[]): number {
  const cooler = coolerFor(body, Math.exp(lnKappa))
  let now = startCooling(readings[0]!.tempC, medium)
  let t = 0
  let sum = Math.pow(lnKappa / PRIOR_SD, 2)
  for (const reading of readings.slice(1)) {
    while (t < reading.atS - 1e-9) {
      const step = Math.min(5, reading.atS - t)
      now = stepCooling(now, cooler, medium, step)
      t += step
    }
    sum += Math.pow((now.c - reading.tempC) / READING_SD, 2)
  }
  return sum
}

/**
 * Fits the factor on all losses to readings in one medium, from two on. The first reading is where it starts.
 *
 * @returns the prior when there are fewer than two readings
 */
export function refit(body: Body, medium: CoolingMedium, readings: readonly Reading[]): Fit {
  if (readings.length < 2) return { lnKappa: 0, sd: PRIOR_SD }
  const points: { k: number; weight: number }[] = []
  for (let k = -REACH; k <= REACH + 1e-9; k += GRID)
    points.push({ k, weight: Math.exp(-cost(k, body, medium, readings) / 2) })
  const whole = points.reduce((sum, point) => sum + point.weight, 0)
  if (!(whole > 0)) return { lnKappa: 0, sd: PRIOR_SD }
  const mean = points.reduce((sum, point) => sum + point.k * point.weight, 0) / whole
  const variance = points.reduce((sum, point) => sum + Math.pow(point.k - mean, 2) * point.weight, 0) / whole
  return { lnKappa: mean, sd: Math.sqrt(variance) }
}
