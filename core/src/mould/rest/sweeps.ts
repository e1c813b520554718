import type { BlockInput } from './block-input.ts'
import type { WallLine } from './wall-line.ts'

/** Conduction between cells that lie x first, then z, then y from the floor. SI units. A class, so that all have one shape. */
export class Grid {
  readonly nx: number
  readonly nz: number
  /** Filled so far. */
  rows: number
  /** Squares of the distances upwards and along. */
  readonly dy2: number
  readonly dz2: number
  /** Area over volume and distance of a cell's inner and outer face, 1/m²; and the volumes. */
  readonly left: Float64Array
  readonly right: Float64Array
  readonly volume: Float64Array
  /** Conductivity between a cell and the one before it in x, W/(m·K); and in y and z over the distance squared; 0 at walls. */
  readonly kx: Float64Array
  readonly ky: Float64Array
  readonly kz: Float64Array
  /** J/(m³K). */
  readonly capacity: Float64Array
  /** What each sweep starts from and ends with (and a plane of nothing above), and its scratch. */
  readonly d: Float64Array
  readonly c: Float64Array

  constructor({ nx, ny, nz, widthM, heightM, depthM, isRound }: BlockInput) {
    const n = nx * ny * nz
    const dx = widthM / nx
    const area = (x: number) => (isRound ? x * dx : 1)
    this.nx = nx
    this.nz = nz
    this.rows = ny
    this.dy2 = (heightM / ny) ** 2
    this.dz2 = (depthM / nz) ** 2
    this.volume = Float64Array.from({ length: nx }, (_, x) => (isRound ? (x + 0.5) * dx : 1))
    const share = (x: number, face: number) => area(face) / (this.volume[x]! * dx * dx)
    this.left = Float64Array.from({ length: nx }, (_, x) => share(x, x))
    this.right = Float64Array.from({ length: nx }, (_, x) => share(x, x + 1))
    this.kx = new Float64Array(n + 1)
    this.ky = new Float64Array(n + nx * nz)
    this.kz = new Float64Array(n + nx)
    this.capacity = new Float64Array(n)
    this.d = new Float64Array(n + nx * nz)
    this.c = new Float64Array(n)
  }
}

/** Implicit share of conduction inside. */
const THETA = 0.55

const between = (a: number, b: number): number => (2 * a * b) / (a + b)

/** Conductances between filled cells, from what each conducts. */
export function faceConductances({ nx, nz, rows, dy2, dz2, kx, ky, kz }: Grid, k: Float64Array): void {
  const plane = nx * nz
  const count = rows * plane
  for (let row = 0; row < count; row += nx)
    for (let i = row + 1; i < row + nx; i += 1) kx[i] = between(k[i - 1]!, k[i]!)
  ky.fill(0, count, count + plane)
  for (let i = plane; i < count; i += 1) ky[i] = between(k[i - plane]!, k[i]!) / dy2
  for (let from = 0; nz > 1 && from < count; from += plane)
    for (let i = from + nx; i < from + plane; i += 1) kz[i] = between(k[i - nx]!, k[i]!) / dz2
}

/**
 * Starts a step: heat made and what flows between cells as warm as they are, on top of what walls give (in `d`); then the lines
 * from the middle outwards, with what the ends of a long block draw off along it, `lambda` 1/s towards `airC`. Leaves capacity
 * times change for the next sweep.
 *
 * @returns what the ends drew off, J/m³ times the cells' volumes
 */
export function sweepAcross(
  grid: Grid,
  dt: number,
  T: Float64Array,
  source: Float64Array,
  side: WallLine,
  lambda: number,
  airC: number,
): number {
  const { nx, nz, rows, left, right, volume, kx, ky, kz, capacity, d, c } = grid
  const plane = nx * nz
  const theta = THETA * dt
  const sink = dt * lambda
  const wall = dt * side.scale
  const isDeep = nz > 1
  let drawn = 0
  for (let line = 0; line < rows * nz; line += 1) {
    const row = line * nx
    const z = line % nz
    // Where there is no neighbour the cell itself stands for it: nothing flows.
    const below = line < nz ? 0 : plane
    const above = line >= (rows - 1) * nz ? 0 : plane
    const before = z === 0 ? 0 : nx
    const behind = z === nz - 1 ? 0 : nx
    let ratio = 0
    let last = 0
    let inward = 0
    for (let x = 0; x < nx; x += 1) {
      const i = row + x
      const holds = capacity[i]!
      const t = T[i]!
      const toNext = kx[i + 1]!
      const outward = x + 1 < nx ? toNext * (T[i + 1]! - t) : 0
      let flux = right[x]! * outward - left[x]! * inward
      inward = outward
      flux += ky[i + above]! * (T[i + above]! - t) - ky[i]! * (t - T[i - below]!)
      if (isDeep) flux += kz[i + behind]! * (T[i + behind]! - t) - kz[i]! * (t - T[i - before]!)
      const a = theta * left[x]! * kx[i]!
      const b = theta * right[x]! * toNext
      const own = holds + sink * holds + a + b + (x + 1 < nx ? 0 : wall * side.ge[line]!)
      const over = 1 / (own - a * ratio)
      ratio = b * over
      last = (d[i]! + source[i]! + dt * flux - sink * holds * (t - airC) + a * last) * over
      c[i] = ratio
      d[i] = last
    }
    let next = 0
    for (let x = nx - 1; x >= 0; x -= 1) {
      const i = row + x
      next = d[i]! + c[i]! * next
      const holds = capacity[i]!
      drawn += sink * holds * (T[i]! + next - airC) * volume[x]!
      d[i] = holds * next
    }
  }
  return drawn
}

/** Lines along the mould, from the middle to the end. */
export function sweepAlong(grid: Grid, dt: number, end: WallLine): void {
  const { nx, nz, rows, kz, capacity, d, c } = grid
  const theta = THETA * dt
  const wall = dt * end.scale
  const plane = nx * nz
  for (let y = 0; y < rows; y += 1) {
    const from = y * plane
    for (let z = 0; z < nz; z += 1)
      for (let x = 0; x < nx; x += 1) {
        const i = from + z * nx + x
        const a = theta * kz[i]!
        const b = z + 1 < nz ? theta * kz[i + nx]! : 0
        const own = capacity[i]! + a + b + (z + 1 < nz ? 0 : wall * end.ge[y * nx + x]!)
        const over = z > 0 ? 1 / (own - a * c[i - nx]!) : 1 / own
        c[i] = b * over
        d[i] = (z > 0 ? d[i]! + a * d[i - nx]! : d[i]!) * over
      }
    for (let i = from + plane - nx - 1; i >= from; i -= 1) d[i] = d[i]! + c[i]! * d[i + nx]!
    for (let i = from; i < from + plane; i += 1) d[i] = d[i]! * capacity[i]!
  }
}

/** Lines from the floor up; the way back down is `d + c · (d above)`, the whole step's change of warmth. */
export function sweepUp(grid: Grid, dt: number, top: WallLine, bottom: WallLine): void {
  const { nx, nz, rows, ky, capacity, d, c } = grid
  const theta = THETA * dt
  const plane = nx * nz
  const below = dt * bottom.scale
  const above = dt * top.scale
  for (let j = 0; j < plane; j += 1) {
    const b = theta * ky[j + plane]!
    const over = 1 / (capacity[j]! + b + below * bottom.ge[j]! + (rows === 1 ? above * top.ge[j]! : 0))
    c[j] = b * over
    d[j] = d[j]! * over
  }
  for (let y = 1; y < rows; y += 1) {
    const isTop = y === rows - 1
    for (let j = 0; j < plane; j += 1) {
      const i = y * plane + j
      const a = theta * ky[i]!
      const b = theta * ky[i + plane]!
      const over = 1 / (capacity[i]! + a + b + (isTop ? above * top.ge[j]! : 0) - a * c[i - plane]!)
      c[i] = b * over
      d[i] = (d[i]! + a * d[i - plane]!) * over
    }
  }
}
