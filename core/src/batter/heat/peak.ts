import { NAOH_KG_PER_MOL, WATER_KG_PER_MOL } from '../../quantities/constants/index.ts'
import { heatOfSolution, lyeDensity, lyeHeatCapacity } from '../../recipe/index.ts'
import { airLoss, vesselFor } from './vessel.ts'
import type { HeatMaterial } from './vessel.ts'

export interface LyeMix {
  /** Lye as bought and water with ice, kg. */
  naohKg: number
  waterKg: number
  purityShare: number
  /** Temperatures of water and lye before, and of the room, °C. */
  waterC: number
  naohC: number
  roomC: number
  /** Share of the water that is ice from a freezer at −10 °C. */
  iceShare: number
  material: HeatMaterial
  covered?: boolean
}

export interface LyePeak {
  peakC: number
  /** From the first grain of lye, s. */
  peakS: number
  /** Water gone as vapour until then, kg; uncertain by a factor of two. */
  vapourKg: number
  /** Temperature at each whole minute, °C. */
  minutes: number[]
}

const SOLID_NAOH_KJ = 1.49
const MELT_KJ = 333.6
/** Warming ice from −10 °C, kJ/kg. */
const ICE_WARMING_KJ = 21
const VAPOUR_KJ = 2400
/** A spoon, kJ/K. */
const SPOON = 0.05

const moles = (mix: LyeMix) => (mix.purityShare * mix.naohKg) / NAOH_KG_PER_MOL

/** Mass fraction of lye in the finished solution. */
export const solutionShare = (mix: Pick<LyeMix, 'naohKg' | 'waterKg'>): number =>
  mix.naohKg / (mix.naohKg + mix.waterKg)

/** The temperature without any loss, °C: an upper bound. */
export function adiabaticLimit(mix: LyeMix): number {
  const n = moles(mix)
  const r = mix.waterKg / WATER_KG_PER_MOL / n
  const { iceShare: i, naohKg, waterKg } = mix
  const heat =
    n * heatOfSolution(r) +
    naohKg * SOLID_NAOH_KJ * (mix.naohC - 25) +
    waterKg * (1 - i) * 4.18 * (mix.waterC - 25) -
    i * waterKg * (4.18 * 25 + MELT_KJ + ICE_WARMING_KJ)
  return 25 + heat / ((naohKg + waterKg) * lyeHeatCapacity(solutionShare(mix), 20) * 1.018)
}

interface Dissolving {
  c: number
  dissolved: number
  iceKg: number
  heatKj: number
}

/** Stirred for four minutes, then left. */
const STIRRED_S = 240

/**
 * Dissolves lye in water, a second at a time, and follows it for half an hour (an hour with ice). Lye is added over a minute
 * and a half (three with ice). Good for 20 to 50 % solutions; pauses in stirring lower the peak by several degrees.
 */
export function lyePeak(mix: LyeMix): LyePeak {
  const { naohKg, waterKg, iceShare, roomC } = mix
  const n = moles(mix)
  const r = waterKg / WATER_KG_PER_MOL / n
  const w = solutionShare(mix)
  const vessel = vesselFor(mix.material, (naohKg + waterKg) / lyeDensity(w, 50))
  const wallKj = vessel.wallKjPerK + SPOON
  const addS = iceShare > 0 ? 180 : 90
  const step = 1 - Math.exp(-1 / (iceShare > 0 ? 120 : 40))
  const startC = iceShare >= 0.95 ? Math.min(mix.waterC, 0) : iceShare > 0 ? Math.min(mix.waterC, 5) : mix.waterC
  const now: Dissolving = { c: startC, dissolved: 0, iceKg: iceShare * waterKg, heatKj: 0 }
  const result: LyePeak = { peakC: startC, peakS: 0, vapourKg: 0, minutes: [startC] }
  let vapourKg = 0
  const lengthS = iceShare > 0 ? 3600 : 1800
  for (let t = 0; t < lengthS; t += 1) {
    const goal = Math.min(1, (t + 1) / addS)
    const dx = (goal - now.dissolved) * step
    now.dissolved += dx
    const heatKj = n * now.dissolved * heatOfSolution(Math.min(1000, r / now.dissolved))
    let q = heatKj - now.heatKj + naohKg * dx * SOLID_NAOH_KJ * (mix.naohC - now.c)
    now.heatKj = heatKj
    const liquidKg = naohKg * now.dissolved + waterKg - now.iceKg
    const wNow = liquidKg > 0 ? (naohKg * now.dissolved) / liquidKg : 0
    const capacity = liquidKg * lyeHeatCapacity(Math.min(0.5, wNow), now.c) + wallKj
    if (now.iceKg > 0) {
      const freezesC = -Math.min(25, 110 * wNow)
      const melted = Math.min(
        now.iceKg,
        ((Math.max(0, now.c - freezesC) * capacity) / MELT_KJ) * (1 - Math.exp(-1 / 8)),
      )
      q -= melted * (MELT_KJ + 4.18 * now.c + ICE_WARMING_KJ)
      now.iceKg -= melted
    }
    const loss = airLoss(vessel, now.c, roomC, wNow, { stirred: t < STIRRED_S, covered: mix.covered ?? false })
    now.c += (q - (loss.bodyW + loss.topW) / 1000) / capacity
    vapourKg += loss.vapourW / 1000 / VAPOUR_KJ
    if (now.c > result.peakC) Object.assign(result, { peakC: now.c, peakS: t + 1, vapourKg })
    if ((t + 1) % 60 === 0) result.minutes.push(now.c)
  }
  return result
}
