import { emptyCavities } from './cavities.ts'
import type { Plan } from './document.ts'
import type { Cutting } from './score-part.ts'

/** A bar's two faces along what is cut, mm. */
export interface BarPlace {
  from: number
  to: number
}

/** Bars along a length, and what is left over besides the trimmed ends, mm. */
export function barsAlong(lengthMm: number, { barMm, trimMm, kerfMm }: Cutting): { bars: BarPlace[]; leftMm: number } {
  const count = Math.max(0, Math.floor((lengthMm - 2 * trimMm + kerfMm + 1e-9) / (barMm + kerfMm)))
  const bars = Array.from({ length: count }, (_, k) => {
    const from = trimMm + k * (barMm + kerfMm)
    return { from, to: from + barMm }
  })
  const leftMm = lengthMm - 2 * trimMm - Math.max(0, count * (barMm + kerfMm) - kerfMm)
  return { bars, leftMm: Math.max(0, leftMm) }
}

/** Whether a mould gives rounds cut from its height rather than bars cut along its length. */
export const isColumn = ({ form, cavities, innerHeightMm, innerLengthMm, innerWidthMm }: Plan['mould']): boolean => {
  if (cavities > 1) return false
  const wide = form === 'box' || form === 'ellipse' ? Math.max(innerLengthMm, innerWidthMm) : innerLengthMm
  return innerHeightMm > 1.5 * wide
}

/** Whether every cavity is a bar already. */
export const isTray = ({ cavities }: Plan['mould']): boolean => cavities > 1

/** Bars from the first mould, by the cut plan; a tray's cavities are bars already. */
export function barCount(plan: Pick<Plan, 'mould' | 'cutting' | 'score'>): number {
  const { mould, cutting } = plan
  if (isTray(mould)) return mould.cavities - emptyCavities(plan).length
  if (isColumn(mould)) return barsAlong(mould.fillMm, cutting).bars.length
  return barsAlong(mould.innerLengthMm, cutting).bars.length * cutting.rows
}
