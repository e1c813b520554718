import { normal } from '../../quantities/chance/index.ts'
import { FIRM, firmS, firmnessOf } from './firmness.ts'
import type { Setting } from './firmness.ts'
import type { RestHistory } from './history.ts'
import type { Material } from './material.ts'
import type { Heating } from './overheating.ts'

export type GelClass = 'none' | 'partial' | 'full'

const NONE = 0.02
const FULL = 0.97
export const classOfShare = (share: number): GelClass => (share < NONE ? 'none' : share >= FULL ? 'full' : 'partial')

/** The lye is spent from so much conversion on. */
export const SPENT = 0.985
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
export function usedMaterials({ input }: RestHistory['block']): Material[] {
  const used = new Set(input.materialOf)
  return input.materials.filter((_, i) => used.has(i))
}

export interface About extends Setting {
  isWhite: boolean
  smallestMm: number
  /** How firm it must be to come out: soft cavities bend, fine detail tears. */
  firmEnough: number
}

/** One run: what its numbers are made of. */
export interface RestRun {
  /** Margins that 2 % and 97 % of the soap reach, K: whether anything gels, and whether all does. */
  noneK: number
  fullK: number
  heating: Heating
  peakMin: number
  startMin: number | null
  fullMin: number | null
  unmouldMin: number | null
  /** Past its best for a wire. */
  hardMin: number | null
  spentMin: number | null
  gelledShare: number
  /** Chance that the top gels, the mean over its cells, with so much error of a margin. */
  topGel: (errorK: number) => number
}

/** The margin that a share of the soap reaches, K: cells by volume, in between by straight lines. */
function marginReached({ block }: RestHistory, share: number): number {
  const { nx } = block.input
  const cells = [...block.margin.keys()].sort((a, b) => block.margin[b]! - block.margin[a]!)
  const whole = cells.reduce((sum, i) => sum + block.volume[i % nx]!, 0)
  let below = 0
  let last = { at: 0, margin: block.margin[cells[0]!]! }
  for (const i of cells) {
    const v = block.volume[i % nx]! / whole
    const at = below + v / 2
    const margin = block.margin[i]!
    if (at >= share) {
      const part = at > last.at ? (share - last.at) / (at - last.at) : 1
      return last.margin + (margin - last.margin) * Math.min(1, Math.max(0, part))
    }
    last = { at, margin }
    below += v
  }
  return last.margin
}

function heatingOf({ block, curve, peakC }: RestHistory, smallestMm: number): Heating {
  const used = usedMaterials(block)
  const at = curve.reduce((best, point, i) => (point.core > curve[best]!.core ? i : best), 0)
  const rise = curve
    .slice(1, at + 1)
    .reduce((most, point, i) => Math.max(most, ((point.core - curve[i]!.core) * 3600) / (point.s - curve[i]!.s)), 0)
  return {
    peakC,
    riseKPerH: rise,
    skinK: curve[at]!.core - curve[at]!.top,
    water: Math.max(...used.map(one => one.water)),
    sugar: Math.max(...used.map(one => one.sugar)),
    smallestMm,
  }
}

/** Share of the soap that has gelled so far. */
export const gelledShareOf = ({ block }: RestHistory): number => {
  const { nx } = block.input
  let whole = 0
  let share = 0
  for (let i = 0; i < block.n; i += 1) {
    const v = block.volume[i % nx]!
    whole += v
    if (block.gmax[i]! > 0.5) share += v
  }
  return share / whole
}

/** Reads a run's facts off its history. */
export function restRun(history: RestHistory, about: About): RestRun {
  const { block, curve } = history
  const gelledShare = gelledShareOf(history)
  const firmness = firmnessOf(curve, about, gelledShare)
  const firmMin = (wanted: number) => {
    const s = firmS(curve, firmness, wanted)
    return s === null ? null : s / 60
  }
  const spent = curve.find(point => point.leastConverted > SPENT)
  const { nx, ny, nz } = block.input
  const top = (ny - 1) * nx * nz
  return {
    noneK: marginReached(history, NONE),
    fullK: marginReached(history, FULL),
    heating: heatingOf(history, about.smallestMm),
    peakMin: history.peakS / 60,
    startMin: whenGelled(history, 0.01),
    fullMin: whenGelled(history, 0.98),
    unmouldMin: firmMin(about.firmEnough),
    hardMin: firmMin(FIRM.hard),
    spentMin: spent ? spent.s / 60 : null,
    gelledShare,
    topGel: errorK => {
      let sum = 0
      let whole = 0
      for (let i = top; i < block.n; i += 1) {
        const v = block.volume[i % nx]!
        whole += v
        sum += v * normal(block.margin[i]! / errorK)
      }
      return sum / whole
    },
  }
}
