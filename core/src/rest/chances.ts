import { halton, inverseNormal } from '../schedule/halton.ts'
import { LOSSES, REST_PRIOR } from './constants.ts'
import { workedThrough } from './history.ts'
import type { CurvePoint, RestJob } from './history.ts'
import { classOfShare } from './verdict.ts'
import type { GelClass } from './verdict.ts'

/** How likely each class is, and the peak and the core through the first hours in 1, 5 and 9 of 10 runs, °C. */
export interface RestChances {
  gel: Record<GelClass, number>
  peakC: [low: number, middle: number, high: number]
  core: { s: number; low: number; high: number }[]
  runs: number
}

/** Spreads beside those of rate and losses: K on the gel temperature, share of the heat, K of the pour and of the room (E). */
const SPREAD = { gelK: 2.5, heat: 0.04, pourK: 1, roomK: 1.5 }
const BASES = [2, 3, 5, 7, 11, 13]
const SKIP = 20
/** By then everything that gels has begun to. */
const HOURS = 6

/** A job with the luck of run `n`: the same for every job. */
export function drawn(job: RestJob, n: number): RestJob {
  const [rate, losses, gel, heat, pour, room] = BASES.map(base => inverseNormal(halton(n + SKIP, base))) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ]
  const { block, sd = REST_PRIOR } = job
  return {
    ...job,
    frameS: 0,
    roomC: job.roomC + SPREAD.roomK * room,
    block: {
      ...block,
      materials: block.materials.map(one => ({ ...one, heat: one.heat * (1 + SPREAD.heat * heat) })),
      startC: block.startC.map(c => c + SPREAD.pourK * pour),
      rate: (block.rate ?? 1) * Math.exp(sd.rate * rate),
      losses: (block.losses ?? LOSSES) * Math.exp(sd.losses * losses),
      gelShiftK: (block.gelShiftK ?? 0) + SPREAD.gelK * gel,
    },
  }
}

/** How close points of the core's band lie, s. */
const BAND_S = 900

/** The core at every so many seconds, between the points of its curve. */
function coreEvery(curve: readonly CurvePoint[], everyS: number): number[] {
  const list: number[] = []
  let i = 0
  for (let s = 0; s <= curve.at(-1)!.s + 1; s += everyS) {
    while (i < curve.length - 2 && curve[i + 1]!.s < s) i += 1
    const [a, b] = [curve[i]!, curve[i + 1]!]
    list.push(a.core + ((b.core - a.core) * (s - a.s)) / (b.s - a.s))
  }
  return list
}

/** Works a coarse job through many times; the same job and count give the same answer. */
export function restChances(job: RestJob, runs = 32): RestChances {
  const gel: Record<GelClass, number> = { none: 0, partial: 0, full: 0 }
  const peaks: number[] = []
  const cores: number[][] = []
  const short = { ...job, untilS: Math.min(job.untilS, HOURS * 3600) }
  for (let n = 1; n <= runs; n += 1) {
    const { block, peakC, curve } = workedThrough(drawn(short, n))
    const { nx } = block.input
    let whole = 0
    let share = 0
    for (let i = 0; i < block.n; i += 1) {
      const v = block.volume[i % nx]!
      whole += v
      if (block.gmax[i]! > 0.5) share += v
    }
    gel[classOfShare(share / whole)] += 1 / runs
    peaks.push(peakC)
    cores.push(coreEvery(curve, BAND_S))
  }
  peaks.sort((a, b) => a - b)
  const ranked = (list: readonly number[], share: number) => list[Math.min(runs - 1, Math.floor(share * runs))]!
  const core = cores[0]!.map((_, i) => {
    const now = cores.map(one => one[i]!).sort((a, b) => a - b)
    return { s: i * BAND_S, low: ranked(now, 0.1), high: ranked(now, 0.9) }
  })
  return { gel, peakC: [ranked(peaks, 0.1), ranked(peaks, 0.5), ranked(peaks, 0.9)], core, runs }
}
