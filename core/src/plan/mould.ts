import type { MouldShape } from '../shelf/index.ts'
import type { Mould, Plan } from './document.ts'

type Shape = Pick<Mould, 'form' | 'innerLengthMm' | 'innerWidthMm' | 'innerHeightMm' | 'cavities'>

/**
 * Floor area of all cavities together, mm²: what a millimetre of soap takes up. For a half sphere, which narrows, the mean
 * over its height.
 */
export function baseAreaMm2(mould: Shape): number {
  const { innerLengthMm: l, innerWidthMm: w, innerHeightMm: h } = mould
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

/** Brim-full volume, ml. */
export const brimMl = (mould: Shape): number => (baseAreaMm2(mould) * mould.innerHeightMm) / 1000

/** A mould from the shelf as a plan takes it, filled as usual. */
export const plannedMould = (shape: MouldShape): Mould => ({
  name: shape.name,
  form: shape.form,
  innerLengthMm: shape.innerLengthMm,
  innerWidthMm: shape.innerWidthMm,
  innerHeightMm: shape.innerHeightMm,
  cavities: Math.round(shape.cavities),
  lining: shape.lining,
  fillMm: Math.round(shape.innerHeightMm * shape.usualFillShare),
})

/** Density of the batter as it is poured, g/ml: air that is beaten in takes its part off. */
export const batterDensity = ({ conditions, whipped }: Pick<Plan, 'conditions' | 'whipped'>): number =>
  conditions.densityGPerMl * (1 - (whipped?.airShare ?? 0))
