/** Two unknowns known together on a grid: first a coarse one over all that was expected, then a fine one around what was found. */

export interface Expected {
  mean: number
  sd: number
}

export interface Believed {
  mean: number
  sd: number
}

const COARSE_SDS = 3.2
const FINE_SDS = 4.5
const POINTS = 31

interface Axis {
  at: number[]
  prior: Expected
}

const axis = (mean: number, sd: number, reach: number, prior: Expected): Axis => ({
  at: Array.from({ length: POINTS }, (_, i) => mean + sd * reach * ((2 * i) / (POINTS - 1) - 1)),
  prior,
})

function moments(a: Axis, b: Axis, lnLikely: (x: number, y: number) => number): [Believed, Believed] {
  const prior = ({ prior: { mean, sd } }: Axis, x: number): number => -(((x - mean) / sd) ** 2) / 2
  const points = a.at.flatMap(x => b.at.map(y => ({ x, y, ln: prior(a, x) + prior(b, y) + lnLikely(x, y) })))
  const most = points.reduce((best, { ln }) => Math.max(best, ln), -Infinity)
  const weighed = points.map(({ x, y, ln }) => ({ x, y, weight: Math.exp(ln - most) }))
  const whole = weighed.reduce((sum, { weight }) => sum + weight, 0)
  const of = (pick: (one: { x: number; y: number }) => number): Believed => {
    const mean = weighed.reduce((sum, one) => sum + one.weight * pick(one), 0) / whole
    const variance = weighed.reduce((sum, one) => sum + one.weight * (pick(one) - mean) ** 2, 0) / whole
    return { mean, sd: Math.sqrt(Math.max(1e-8, variance)) }
  }
  return [of(({ x }) => x), of(({ y }) => y)]
}

/** Means and spreads of two unknowns with normal priors. @param lnLikely ln of how well two values explain what was read */
export function posteriorOfTwo(
  first: Expected,
  second: Expected,
  lnLikely: (x: number, y: number) => number,
): [Believed, Believed] {
  const [a, b] = moments(
    axis(first.mean, first.sd, COARSE_SDS, first),
    axis(second.mean, second.sd, COARSE_SDS, second),
    lnLikely,
  )
  return moments(axis(a.mean, a.sd, FINE_SDS, first), axis(b.mean, b.sd, FINE_SDS, second), lnLikely)
}
