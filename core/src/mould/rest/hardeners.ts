import { isTray } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import type { UnitBatter } from '../../recipe/index.ts'
import { isFattyAcid } from '../../shelf/index.ts'
import { FIRM } from './firmness.ts'

/** ln of the setting time per % of the oils that is fatty acid as such, and up to how much of it (E). */
const ACID = { perPercent: -0.1, most: 4 } as const
/** From so much dissolved or strewn salt on it is a salt bar, kg per kg of oils: nothing here was made for it. */
const SALT_BAR = 0.2

/** ln of what additives and fatty acids do to the time in which it sets: the shelf says what each does per % of the oils, up to its cap. */
export function lnHardeners(unit: UnitBatter): number {
  const acid = 100 * unit.oils.reduce((sum, part) => sum + (isFattyAcid(part.oil) ? part.share : 0), 0)
  return unit.additives.reduce(
    (sum, { part, additive }) =>
      sum +
      (additive.settingPerPercent < 0 && part.moment !== 'lye' && additive.waterShare < 0.2
        ? 0
        : additive.settingPerPercent * Math.min(additive.settingCapPercent, part.gPerKgOils / 10)),
    ACID.perPercent * Math.min(ACID.most, acid),
  )
}

/** Whether so much salt is in it that it is cut warm, within hours. */
export const isSaltBar = (unit: UnitBatter): boolean =>
  unit.additives.some(
    ({ part, additive }) =>
      additive.role === 'filler' && part.gPerKgOils / 1000 > SALT_BAR && additive.waterShare < 0.2,
  )

/** Detail of a relief mat that tears before it is firm, mm. */
const FINE_MM = 3

/** How firm soap must be to come out of this mould. */
export function firmEnough({ mould, finish }: Plan): number {
  if (finish.mat.texture !== 'flat' && finish.mat.pitchMm < FINE_MM) return FIRM.fine
  return isTray(mould) && mould.lining === 'none' ? FIRM.soft : FIRM.unmould
}
