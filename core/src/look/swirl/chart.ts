import type { Program } from './program.ts'

/**
 * A round, oval or six-sided mould as a rectangle of the same area: pours are worked out in the rectangle, where walls are
 * straight, and every map keeps areas. Mould axes have their origin in the middle; a six-sided one has corners at both ends
 * of its length.
 */

type Sides = Pick<Program, 'radiusMm' | 'halfWidthMm' | 'isHex' | 'lengthMm' | 'widthMm'>

export interface Flat {
  x: number
  y: number
}

/** Half the width of the footprint at a place along it, as a share of the greatest. */
function halfAt(xi: number, isHex: boolean): number {
  if (isHex) return Math.min(1, Math.max(1e-9, 2 * (1 - Math.abs(xi))))
  return Math.sqrt(Math.max(1e-12, 1 - xi * xi))
}

/** Share of the footprint's area to the left of xi (-1 to 1). */
function leftOf(xi: number, isHex: boolean): number {
  if (!isHex) return (Math.PI / 2 + Math.asin(xi) + xi * Math.sqrt(Math.max(0, 1 - xi * xi))) / Math.PI
  // A triangle, a rectangle, a triangle: 1/6, 2/3 and 1/6 of the area.
  if (xi < -0.5) return ((xi + 1) * (xi + 1) * 2) / 3
  if (xi > 0.5) return 1 - ((1 - xi) * (1 - xi) * 2) / 3
  return 1 / 6 + ((xi + 0.5) * 2) / 3
}

/** The place that has a share of the area to its left. */
function placeOf(share: number, isHex: boolean): number {
  if (isHex) {
    if (share < 1 / 6) return Math.sqrt(1.5 * share) - 1
    if (share > 5 / 6) return 1 - Math.sqrt(1.5 * (1 - share))
    return 1.5 * (share - 1 / 6) - 0.5
  }
  let xi = Math.sin(Math.PI * (share - 0.5)) * 0.9
  for (let round = 0; round < 40; round += 1) {
    const slope = (2 * Math.sqrt(Math.max(1e-12, 1 - xi * xi))) / Math.PI
    const step = (leftOf(xi, false) - share) / slope
    xi = Math.min(1, Math.max(-1, xi - step))
    if (Math.abs(step) < 1e-12) break
  }
  return xi
}

/** From mould axes to the rectangle. */
export function toSquare(chart: 'chord' | 'polar', sides: Sides, { x, y }: Flat): Flat {
  const { radiusMm: a, halfWidthMm: b, isHex, lengthMm: L, widthMm: W } = sides
  if (chart === 'polar') {
    const r = Math.hypot(x / a, y / b)
    return { x: L * (0.5 + Math.atan2(y / b, x / a) / (2 * Math.PI)), y: W * Math.min(1, r * r) }
  }
  const xi = Math.min(1, Math.max(-1, x / a))
  return { x: L * leftOf(xi, isHex), y: W * (0.5 + y / (2 * halfAt(xi, isHex) * b)) }
}

export function fromSquare(chart: 'chord' | 'polar', sides: Sides, { x, y }: Flat): Flat {
  const { radiusMm: a, halfWidthMm: b, isHex, lengthMm: L, widthMm: W } = sides
  if (chart === 'polar') {
    const angle = (x / L - 0.5) * 2 * Math.PI
    const r = Math.sqrt(Math.max(0, y / W))
    return { x: a * r * Math.cos(angle), y: b * r * Math.sin(angle) }
  }
  const xi = placeOf(Math.min(1, Math.max(0, x / L)), isHex)
  return { x: xi * a, y: (y / W - 0.5) * 2 * halfAt(xi, isHex) * b }
}

/** Whether a place lies within the mould's walls. */
export function isInside(sides: Sides, x: number, y: number): boolean {
  const { radiusMm: a, halfWidthMm: b, isHex, lengthMm, widthMm } = sides
  if (a === 0) return x >= 0 && x <= lengthMm && y >= 0 && y <= widthMm
  if (x < -a || x > a) return false
  return Math.abs(y) <= halfAt(x / a, isHex) * b
}

/** Radius of the largest circle that stays within a round mould's walls, mm. */
export const inscribedMm = ({ radiusMm, halfWidthMm }: Sides): number => Math.min(radiusMm, halfWidthMm)
