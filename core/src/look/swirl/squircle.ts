/**
 * The curve |p|⁴ + |q|⁴ = 1 by its area angle: a quarter turn is K, and turning by it keeps areas. Polynomials for the angle
 * of a ratio and back, good to 4e-7 and 6e-9.
 */
export const QUARTER = 1.8540746773

export function angleOf(t: number): number {
  const u = t * t * t * t
  return (
    t *
    (0.9999989821 +
      u * (-0.099942116 + u * (0.0410016432 + u * (-0.0209730995 + u * (0.0089089224 - u * 0.0019573586)))))
  )
}

export function ratioOf(angle: number): number {
  const u = angle * angle * angle * angle
  return angle * (1.0000000052 + u * (0.0999998112 + u * (0.008335335 + u * (0.0006979007 + u * 0.0000702262))))
}

/** Turns (p, q) by an area angle on its own curve; the result is left in `turned`. */
export const turned = new Float64Array(2)

export function turn(p: number, q: number, r: number, by: number): void {
  const ap = Math.abs(p)
  const aq = Math.abs(q)
  let angle = aq > ap ? QUARTER - angleOf(ap / aq) : ap > 0 ? angleOf(aq / ap) : 0
  if (p < 0) angle = 2 * QUARTER - angle
  if (q < 0) angle = -angle
  angle += by
  const whole = 4 * QUARTER
  angle -= whole * Math.floor((angle + 2 * QUARTER) / whole)
  const isBelow = angle < 0
  let rest = Math.abs(angle)
  const isLeft = rest > QUARTER
  if (isLeft) rest = 2 * QUARTER - rest
  const isSteep = rest > QUARTER / 2
  if (isSteep) rest = QUARTER - rest
  const t = ratioOf(rest)
  const far = r / Math.sqrt(Math.sqrt(1 + t * t * t * t))
  const near = t * far
  const newP = isSteep ? near : far
  const newQ = isSteep ? far : near
  turned[0] = isLeft ? -newP : newP
  turned[1] = isBelow ? -newQ : newQ
}
