import { baseAreaMm2 } from './mould.ts'
import type { Plan } from './document.ts'

/** A mould that is propped up at one side: how much goes in before it runs over the low rim. */

const rad = (degrees: number): number => (Math.abs(degrees) * Math.PI) / 180

/**
 * Volume that a tilted mould holds, ml, all its cavities together: what lies below a level surface through its low rim. Walls upright;
 * other forms than a box hold as much less as their area is smaller.
 */
export function tiltedMl(mould: Plan['mould'], tiltDeg: number): number {
  const { innerHeightMm: h, innerLengthMm: l } = mould
  const w = mould.form === 'box' || mould.form === 'ellipse' ? mould.innerWidthMm : l
  const rise = w * Math.tan(rad(tiltDeg))
  const sectionMm2 = rise <= h ? w * (h - rise / 2) : (h * h) / (2 * Math.tan(rad(tiltDeg)))
  const whole = baseAreaMm2({ ...mould, fillMm: h })
  return (whole * (sectionMm2 / w)) / 1000
}

export interface TiltedPour {
  /** Of the score. */
  pour: number
  /** Soap in the mould once it is poured, and most that fits so tilted, ml. */
  filledMl: number
  mostMl: number
  /** As far as it may be tilted with so much in it, degrees. */
  mostDeg: number
}

const STEEPEST = 80

/** Pours into a tilted mould, with what is in it then. */
export function tiltedPours(plan: Plan): TiltedPour[] {
  const { mould, score } = plan
  const wholeMl = (baseAreaMm2(mould) * mould.fillMm) / 1000
  const sum = score.reduce((all, pour) => all + pour.share, 0)
  let share = 0
  return score.flatMap(({ shape, share: mine }, pour): TiltedPour[] => {
    share += mine / sum
    if (shape.way !== 'layer' || shape.tiltDeg === 0) return []
    const filledMl = wholeMl * share
    let [low, high] = [0, STEEPEST]
    for (let n = 0; n < 40; n += 1) {
      const middle = (low + high) / 2
      if (tiltedMl(mould, middle) >= filledMl) low = middle
      else high = middle
    }
    return [{ pour, filledMl, mostMl: tiltedMl(mould, shape.tiltDeg), mostDeg: low }]
  })
}
