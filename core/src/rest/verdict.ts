import type { RestHistory } from './history.ts'
import type { Material } from './material.ts'

export type GelClass = 'none' | 'partial' | 'full'

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
  /** Earliest times; null: not within the hours looked at. */
  unmouldMin: number | null
  spentMin: number | null
  /** From what the cup with most water gels, and the one with least, °C. */
  gelC: number
  gelToC: number
  /** Share of the top that gelled. */
  topShare: number
}

const NONE = 0.02
const FULL = 0.97
export const classOfShare = (share: number): GelClass => (share < NONE ? 'none' : share >= FULL ? 'full' : 'partial')

const logistic = (x: number) => 1 / (1 + Math.exp(-x))
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

function whenGelled({ block }: RestHistory, share: number): number | null {
  const { nx, ny, nz } = block.input
  const whole = block.volume.reduce((sum, v) => sum + v, 0) * ny * nz
  const cells = [...block.gelledAt.keys()].filter(i => block.gelledAt[i]! >= 0)
  cells.sort((a, b) => block.gelledAt[a]! - block.gelledAt[b]!)
  let sum = 0
  for (const i of cells) {
    sum += block.volume[i % nx]!
    if (sum / whole > share) return block.gelledAt[i]! / 60
  }
  return null
}

/** What is really in the mould. */
function usedMaterials({ input }: RestHistory['block']): Material[] {
  const used = new Set(input.materialOf)
  return input.materials.filter((_, i) => used.has(i))
}

export interface About {
  roomC: number
  /** Unsaturated and castor share: soft soap is held longer. */
  soft: number
  acceleration: number
  isWhite: boolean
  smallestMm: number
}

/** First time from which on the soap has been cool and spent for long enough, s. */
function unmouldS({ curve }: RestHistory, { roomC, soft }: About, share: number): number | null {
  const isGelled = share > 0.9
  const needed = isGelled ? 0.95 : 0.92 + 0.03 * clamp01((soft - 0.4) / 0.5)
  const holdS = 3600 * (isGelled ? 2 : 8 * (1 + 2 * Math.max(0, soft - 0.55)))
  const limitC = Math.max(32, roomC + 6)
  let since: number | null = null
  for (const point of curve) {
    const isReady = Math.max(point.core, point.side, point.top) <= limitC && point.leastConverted >= needed
    if (!isReady) since = null
    else since ??= point.s
    if (since !== null && point.s - since >= holdS) return point.s
  }
  return null
}

/** Reads a rest worked through: class, ring, times and risks. Indices of risk are ordinal engineering estimates. */
export function restResult(history: RestHistory, about: About): RestResult {
  const { block, curve } = history
  const { share, topShare, core, cold, ring } = gelled(history)
  const used = usedMaterials(block)
  const gelC = used.map(one => one.gelC + (block.input.gelShiftK ?? 0))
  const water = Math.max(...used.map(one => one.water))
  const atPeak = curve.reduce((a, b) => (b.core > a.core ? b : a))
  const contrast = atPeak.core - atPeak.top
  const hours = curve.reduce((sum, point, i) => {
    const next = curve[i + 1]
    return next && point.gelledShare > 0.5 ? sum + (next.s - point.s) / 3600 : sum
  }, 0)
  const dose = Math.max(...block.dose)
  const spent = curve.find(point => point.leastConverted > 0.985)
  const unmould = unmouldS(history, about, share)
  const sugar = Math.max(...used.map(one => one.sugar))
  const thick = Math.min(1, about.smallestMm / 60)
  return {
    gel: classOfShare(share),
    gelledShare: share,
    coreMarginK: core,
    coldMarginK: cold,
    ring,
    startMin: whenGelled(history, 0.01),
    fullMin: whenGelled(history, 0.98),
    peakC: history.peakC,
    peakMin: history.peakS / 60,
    crack: logistic((history.peakC - 88 - 4 * (1 - thick) + 0.15 * Math.max(0, contrast - 10)) / 2),
    volcano: logistic((history.peakC - 95 + (sugar >= 0.03 ? 1.5 : 0) + (about.acceleration >= 2 ? 1 : 0)) / 1.5),
    browning: (dose * sugar) / MILK_SUGAR,
    rivers: Math.min(1, clamp01((water - 0.18) / 0.06) * clamp01(hours / 4) * (about.isWhite ? 1.6 : 1)),
    unmouldMin: unmould === null ? null : unmould / 60,
    spentMin: spent ? spent.s / 60 : null,
    gelC: Math.min(...gelC),
    gelToC: Math.max(...gelC),
    topShare,
  }
}
