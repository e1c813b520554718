import { fact, keepingZeros, millimetres } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { brimMl } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { portionsOf } from './portions.ts'

/** What the batch shall come to. */
export type SizeWish =
  | { by: 'oils'; massG: number }
  | { by: 'batter'; massG: number }
  /** The one ingredient that is short: as much of it as there is. */
  | { by: 'ingredient'; needG: number; haveG: number }

export type ResizeResult = { ok: true; fillMm: number; oilG: number } | { ok: false; sentence: Words; moulds: string[] }

const LEAST_FILL_MM = 5

/** Oils and batter of a plan filled to `fillMm`, before rounding matters: both are straight lines of the fill. */
function sumsAt(plan: Plan, shelf: Shelf, fillMm: number) {
  const fine = { ...plan.conditions, scaleStepG: 0.01, fineScaleStepG: 0.01 }
  const { oilG, potG } = portionsOf({ ...plan, conditions: fine, mould: { ...plan.mould, fillMm } }, shelf)
  return { oils: oilG, batter: potG }
}

/** The fill that makes the batch as large as wished, in the mould it has. */
export function resized(plan: Plan, shelf: Shelf, wish: SizeWish): ResizeResult {
  const now = plan.mould.fillMm
  const at = sumsAt(plan, shelf, now)
  const half = sumsAt(plan, shelf, now / 2)
  const measure = wish.by === 'oils' || wish.by === 'ingredient' ? 'oils' : 'batter'
  const goal = wish.by === 'ingredient' ? at.oils * (wish.haveG / wish.needG) : wish.massG
  if (!(goal > 0)) return { ok: false, sentence: fact('portions.comes-nothing-give-size'), moulds: [] }
  const perMm = (at[measure] - half[measure]) / (now / 2)
  const fillMm = now + (goal - at[measure]) / perMm
  const oilG = at.oils + ((at.oils - half.oils) / (now / 2)) * (fillMm - now)
  if (fillMm < LEAST_FILL_MM)
    return {
      ok: false,
      sentence: fact('portions.would-stand-only-high', { what: keepingZeros(millimetres(Math.max(0, fillMm), 1)) }),
      moulds: [],
    }
  if (fillMm > plan.mould.innerHeightMm) {
    const needMl = (brimMl(plan.mould) * fillMm) / plan.mould.innerHeightMm
    const moulds = shelf.moulds
      .filter(mould => !mould.archived && brimMl(mould) * mould.usualFillShare >= needMl)
      .sort((a, b) => brimMl(a) - brimMl(b))
    const larger = moulds[0]
      ? fact('portions.would-hold', { moulds: moulds[0].name })
      : fact('portions.no-mould-on-shelf')
    const over = Math.round(((fillMm - plan.mould.innerHeightMm) * brimMl(plan.mould)) / plan.mould.innerHeightMm)
    const sentence = fact('portions.would-stand-high-mould', {
      fillMm: keepingZeros(millimetres(fillMm, 0)),
      innerHeightMm: millimetres(plan.mould.innerHeightMm),
      over,
      larger,
    })
    return { ok: false, sentence, moulds: moulds.map(mould => mould.id) }
  }
  return { ok: true, fillMm: Number(fillMm.toFixed(3)), oilG }
}
