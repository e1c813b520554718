/**
 * A round mould as a square of the same area: pours are worked out in the square, where walls are straight, and every map
 * keeps areas. The square's side is √π · R.
 */

const acrossOf = (xi: number): number =>
  (Math.PI / 2 + Math.asin(xi) + xi * Math.sqrt(Math.max(0, 1 - xi * xi))) / Math.PI

/** The chord whose left side holds a share of the circle: Newton from a table would do as well; bisection is steady. */
function chordOf(share: number): number {
  let xi = Math.sin(Math.PI * (share - 0.5)) * 0.9
  for (let round = 0; round < 40; round += 1) {
    const slope = (2 * Math.sqrt(Math.max(1e-12, 1 - xi * xi))) / Math.PI
    const step = (acrossOf(xi) - share) / slope
    xi = Math.min(1, Math.max(-1, xi - step))
    if (Math.abs(step) < 1e-12) break
  }
  return xi
}

export interface Flat {
  x: number
  y: number
}

/** From mould axes (origin in the middle) to the square. */
export function toSquare(chart: 'chord' | 'polar', radius: number, side: number, { x, y }: Flat): Flat {
  if (chart === 'polar') {
    const r = Math.hypot(x, y) / radius
    const turnShare = 0.5 + Math.atan2(y, x) / (2 * Math.PI)
    return { x: side * turnShare, y: side * Math.min(1, r * r) }
  }
  const xi = Math.min(1, Math.max(-1, x / radius))
  const half = Math.sqrt(Math.max(1e-12, 1 - xi * xi))
  return { x: side * acrossOf(xi), y: side * (0.5 + y / (2 * half * radius)) }
}

export function fromSquare(chart: 'chord' | 'polar', radius: number, side: number, { x, y }: Flat): Flat {
  if (chart === 'polar') {
    const angle = (x / side - 0.5) * 2 * Math.PI
    const r = Math.sqrt(Math.max(0, y / side)) * radius
    return { x: r * Math.cos(angle), y: r * Math.sin(angle) }
  }
  const xi = chordOf(Math.min(1, Math.max(0, x / side)))
  const half = Math.sqrt(Math.max(0, 1 - xi * xi))
  return { x: xi * radius, y: (y / side - 0.5) * 2 * half * radius }
}
