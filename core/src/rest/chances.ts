import { halton, inverseNormal } from '../schedule/halton.ts'
import { LOSSES, REST_PRIOR } from './constants.ts'
import { workedThrough } from './history.ts'
import type { RestJob } from './history.ts'
import { classOfShare } from './verdict.ts'
import type { GelClass } from './verdict.ts'

/** How likely each class is, and the peak in 1, 5 and 9 of 10 runs, °C. */
export interface RestChances {
  gel: Record<GelClass, number>
  peakC: [low: number, middle: number, high: number]
  runs: number
}

/** Spreads beside those of rate and losses: K on the gel temperature, share of the heat, K of the pour and of the room (E). */
const SPREAD = { gelK: 2.5, heat: 0.04, pourK: 1, roomK: 1.5 }
const BASES = [2, 3, 5, 7, 11, 13]
const SKIP = 20
/** By then everything that gels has begun to. */
const HOURS = 6

function drawn(job: RestJob, n: number): RestJob {
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
    untilS: Math.min(job.untilS, HOURS * 3600),
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

/** Works a coarse job through many times; the same job and count give the same answer. */
export function restChances(job: RestJob, runs = 32): RestChances {
  const gel: Record<GelClass, number> = { none: 0, partial: 0, full: 0 }
  const peaks: number[] = []
  for (let n = 1; n <= runs; n += 1) {
    const { block, peakC } = workedThrough(drawn(job, n))
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
  }
  peaks.sort((a, b) => a - b)
  const at = (share: number) => peaks[Math.min(runs - 1, Math.floor(share * runs))]!
  return { gel, peakC: [at(0.1), at(0.5), at(0.9)], runs }
}
