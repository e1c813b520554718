import { quickChances } from './chances.ts'
import type { RestHistory } from './history.ts'
import { crackTerms } from './overheating.ts'
import { classOfShare, restRun, usedMaterials } from './run.ts'
import type { About, GelClass } from './run.ts'

/** What a rest comes to. °C, minutes from the pour, shares. */
export interface RestResult {
  gel: GelClass
  gelledShare: number
  /** How far the warmest and the coldest cell were above (or below) their gel temperature while they could gel, K. */
  coreMarginK: number
  coldMarginK: number
  /** The gelled region in the middle slice, mm, from the middle and from the floor; null when nothing gelled. */
  ring: { widthMm: number; fromMm: number; toMm: number; sideRimMm: number } | null
  startMin: number | null
  fullMin: number | null
  peakC: number
  peakMin: number
  crack: number
  volcano: number
  /** Browning of milk and sugar: under 1 stays pale, over 12 dark. */
  browning: number
  /** Rivers of glycerin, 0 to 1, ordinal only. */
  rivers: number
  /** What a crack comes of, in K of peak each. */
  causes: ReturnType<typeof crackTerms>
  /** Earliest times; null: not within the hours looked at. Firm enough to come out; past its best for a wire. */
  unmouldMin: number | null
  hardMin: number | null
  spentMin: number | null
  /** From what the cup with most water gels, and the one with least, °C. */
  gelC: number
  gelToC: number
  /** Share of the top that gelled. */
  topShare: number
}

const clamp01 = (x: number) => Math.min(1, Math.max(0, x))

/** Sugar of a batter made with whole milk, per kg of oils: what browning is measured by. */
const MILK_SUGAR = 0.014

function gelled({ block }: RestHistory) {
  const { nx, ny, nz } = block.input
  let whole = 0
  let share = 0
  let top = 0
  let core = -Infinity
  let cold = Infinity
  let right = 0
  let low = Infinity
  let high = -Infinity
  for (let i = 0; i < block.n; i += 1) {
    const x = i % nx
    const y = Math.floor(i / (nx * nz))
    const isMiddle = Math.floor(i / nx) % nz === 0
    const v = block.volume[x]!
    whole += v
    core = Math.max(core, block.margin[i]!)
    cold = Math.min(cold, block.margin[i]!)
    if (block.gmax[i]! <= 0.5) continue
    share += v
    if (y === ny - 1) top += v
    if (!isMiddle) continue
    right = Math.max(right, x + 1)
    low = Math.min(low, y)
    high = Math.max(high, y + 1)
  }
  const mm = 1000
  const ring =
    right > 0
      ? {
          widthMm: 2 * right * block.dx * mm,
          fromMm: low * block.dy * mm,
          toMm: high * block.dy * mm,
          sideRimMm: (nx - right) * block.dx * mm,
        }
      : null
  return { share: share / whole, topShare: (top / whole) * ny, core, cold, ring }
}

/** Reads a rest worked through: class, ring, times and risks. Indices of risk are ordinal engineering estimates. */
export function restResult(history: RestHistory, about: About): RestResult {
  const { block, curve } = history
  const { share, topShare, core, cold, ring } = gelled(history)
  const used = usedMaterials(block)
  const gelC = used.map(one => one.gelC + (block.input.gelShiftK ?? 0))
  const water = Math.max(...used.map(one => one.water))
  const hours = curve.reduce((sum, point, i) => {
    const next = curve[i + 1]
    return next && point.gelledShare > 0.5 ? sum + (next.s - point.s) / 3600 : sum
  }, 0)
  const dose = Math.max(...block.dose)
  const sugar = Math.max(...used.map(one => one.sugar))
  const run = restRun(history, about)
  const { crack, volcano } = quickChances(run)
  return {
    gel: classOfShare(share),
    gelledShare: share,
    coreMarginK: core,
    coldMarginK: cold,
    ring,
    startMin: run.startMin,
    fullMin: run.fullMin,
    peakC: history.peakC,
    peakMin: run.peakMin,
    crack,
    volcano,
    causes: crackTerms(run.heating),
    browning: (dose * sugar) / MILK_SUGAR,
    rivers: Math.min(1, clamp01((water - 0.18) / 0.06) * clamp01(hours / 4) * (about.isWhite ? 1.6 : 1)),
    unmouldMin: run.unmouldMin,
    hardMin: run.hardMin,
    spentMin: run.spentMin,
    gelC: Math.min(...gelC),
    gelToC: Math.max(...gelC),
    topShare,
  }
}
