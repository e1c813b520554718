import type { MouldShape } from '../shelf/index.ts'
import type { Mould, Plan } from './document.ts'

type Shape = Pick<Mould, 'form' | 'innerLengthMm' | 'innerWidthMm' | 'innerHeightMm' | 'cavities' | 'taperMm'>

/**
 * Area of all cavities together, mm²: what a millimetre of soap takes up, the mean over the soap's height where walls lean, and of a half
 * sphere over its own.
 *
 * @param mould with `fillMm`, the height that is filled; without, it is full
 */
export function baseAreaMm2(mould: Shape & { fillMm?: number }): number {
  const { innerLengthMm, innerWidthMm, innerHeightMm: h, taperMm } = mould
  if (taperMm > 0 && mould.form !== 'dome') return leaningAreaMm2(mould, Math.min(h, mould.fillMm ?? h))
  const [l, w] = [innerLengthMm, innerWidthMm]
  switch (mould.form) {
    case 'box':
      return mould.cavities * l * w
    case 'cylinder':
      return (mould.cavities * Math.PI * l * l) / 4
    case 'hexagon':
      return (mould.cavities * Math.sqrt(3) * l * l) / 2
    case 'ellipse':
      return (mould.cavities * Math.PI * l * w) / 4
    case 'dome':
      return (mould.cavities * (Math.PI / 12) * l * l * l) / h
  }
}

/** Walls that lean in by `taperMm` from rim to floor: by Simpson's rule, which is exact for areas that go by the square of the height. */
function leaningAreaMm2(mould: Shape, fillMm: number): number {
  const at = (mm: number) => {
    const inMm = mould.taperMm * (1 - mm / mould.innerHeightMm)
    return baseAreaMm2({
      ...mould,
      taperMm: 0,
      innerLengthMm: Math.max(0, mould.innerLengthMm - 2 * inMm),
      innerWidthMm: Math.max(0, mould.innerWidthMm - 2 * inMm),
    })
  }
  return (at(0) + 4 * at(fillMm / 2) + at(fillMm)) / 6
}

/** Brim-full volume, ml. */
export const brimMl = (mould: Shape): number =>
  (baseAreaMm2({ ...mould, fillMm: mould.innerHeightMm }) * mould.innerHeightMm) / 1000

/** A mould from the shelf as a plan takes it, filled as usual. */
export const plannedMould = (shape: MouldShape): Mould => ({
  name: shape.name,
  form: shape.form,
  innerLengthMm: shape.innerLengthMm,
  innerWidthMm: shape.innerWidthMm,
  innerHeightMm: shape.innerHeightMm,
  cavities: Math.round(shape.cavities),
  lining: shape.lining,
  taperMm: shape.taperMm,
  fillMm: Math.round(shape.innerHeightMm * shape.usualFillShare),
})

/** Density of the batter as it is poured, g/ml: air that is beaten in takes its part off. */
export const batterDensity = ({ conditions, whipped }: Pick<Plan, 'conditions' | 'whipped'>): number =>
  conditions.densityGPerMl * (1 - (whipped?.airShare ?? 0))
