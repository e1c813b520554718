import { fact, grams, keepingZeros, millimetres } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import { isColumn, isTray } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import { cutForecast } from './cut.ts'

export type SizedToBars =
  | { ok: true; fillMm: number; barMm: number; makes: number; eachG: number }
  | { ok: false; sentence: Words }

const THINNEST_BAR_MM = 5
const LOWEST_FILL_MM = 5

/**
 * Height of the soap and thickness of a bar such that the first mould gives so many bars of so much, fresh: ends, cuts,
 * planing and what clings are no part of a bar.
 */
export function sizedToBars(plan: Plan, count: number, eachG: number): SizedToBars {
  if (!(count >= 1 && eachG > 0)) return { ok: false, sentence: fact('cure.comes-nothing-give-size') }
  const wanted = Math.round(count)
  const { mould, cutting } = plan
  if (isTray(mould)) {
    if (wanted !== mould.cavities)
      return {
        ok: false,
        sentence: fact('cure.this-mould-makes-bars', { cavities: mould.cavities, wanted }),
      }
    return filled(plan, cutting.barMm, wanted, eachG)
  }
  if (isColumn(mould)) return column(plan, wanted, eachG)
  const rows = Math.max(1, cutting.rows)
  const perRow = Math.ceil(wanted / rows)
  const room = mould.innerLengthMm - 2 * cutting.trimMm - (perRow - 1) * cutting.kerfMm
  const barMm = Math.floor((room / perRow) * 100) / 100
  if (barMm < THINNEST_BAR_MM)
    return {
      ok: false,
      sentence: fact('cure.each-bars-would-be', { wanted, what: keepingZeros(millimetres(Math.max(0, barMm), 1)) }),
    }
  return filled(plan, barMm, perRow * rows, eachG)
}

/** A column is cut across its height: the bar's weight sets its thickness, and the count the height. */
function column(plan: Plan, count: number, eachG: number): SizedToBars {
  const { mould, cutting } = plan
  const { bars } = cutForecast(plan)
  if (!(bars.massG > 0)) return { ok: false, sentence: fact('cure.this-mould-gives-no') }
  const barMm = Number(((cutting.barMm * eachG) / bars.massG).toFixed(2))
  const fillMm = Math.ceil((count * barMm + (count - 1) * cutting.kerfMm + 2 * cutting.trimMm) * 100) / 100
  if (fillMm > mould.innerHeightMm)
    return {
      ok: false,
      sentence: fact('cure.would-stand-high-mould', {
        fillMm: keepingZeros(millimetres(fillMm, 0)),
        innerHeightMm: millimetres(mould.innerHeightMm),
      }),
    }
  if (barMm < THINNEST_BAR_MM)
    return { ok: false, sentence: fact('cure.each-bar-would-be', { barMm: keepingZeros(millimetres(barMm, 1)) }) }
  return { ok: true, fillMm, barMm, makes: count, eachG }
}

/** The height at which each bar weighs as wished: a bar's weight is a straight line of it. */
function filled(plan: Plan, barMm: number, makes: number, eachG: number): SizedToBars {
  const { mould } = plan
  const at = (fillMm: number) =>
    cutForecast({ ...plan, mould: { ...mould, fillMm }, cutting: { ...plan.cutting, barMm } }).bars.massG
  const [low, high] = [mould.innerHeightMm / 2, mould.innerHeightMm]
  const perMm = (at(high) - at(low)) / (high - low)
  const fillMm = Number((low + (eachG - at(low)) / perMm).toFixed(3))
  if (!Number.isFinite(fillMm) || fillMm < LOWEST_FILL_MM)
    return { ok: false, sentence: fact('cure.soap-would-stand-too') }
  if (fillMm > mould.innerHeightMm) {
    const most = at(mould.innerHeightMm)
    return {
      ok: false,
      sentence: fact('cure.would-stand-high-mould-bars', {
        fillMm: keepingZeros(millimetres(fillMm, 0)),
        innerHeightMm: millimetres(mould.innerHeightMm),
        makes,
        most: grams(Math.floor(most)),
      }),
    }
  }
  return { ok: true, fillMm, barMm, makes, eachG }
}
