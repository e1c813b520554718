/**
 * Conduction by alternating directions in increment form (Douglas), 0.55 implicit inside, fully implicit at the walls, whose own heat is
 * eliminated. SI units, °C.
 */
import {
  ACROSS,
  ALONG,
  CAPACITY,
  CONDUCTS,
  INNER,
  OUTER,
  SCRATCH,
  SOURCE,
  SWEEP,
  THROUGH,
  UP,
  VOLUME,
  WARMTH,
} from './heat-fields.ts'
import { list, cellsAcross, cellsAlong, ofWall, cellsInRow } from './heat-lists.ts'
import { get, set } from './memory.ts'

/** Implicit share of conduction inside. */
const THETA: f64 = 0.55

function between(a: f64, b: f64): f64 {
  return (2 * a * b) / (a + b)
}

/** Conductances between the cells of so many rows; upwards and along over the squares of their distances. */
export function conductances(rows: i32, up2: f64, along2: f64): void {
  const nx = cellsAcross()
  const nz = cellsAlong()
  const plane = cellsInRow()
  const k = list(CONDUCTS)
  const across = list(ACROSS)
  const up = list(UP)
  const along = list(ALONG)
  const count = rows * plane
  for (let row: i32 = 0; row < count; row += nx)
    for (let i: i32 = row + 1; i < row + nx; i += 1) set(across + i, between(get(k + i - 1), get(k + i)))
  for (let i: i32 = count; i < count + plane; i += 1) set(up + i, 0)
  for (let i: i32 = plane; i < count; i += 1) set(up + i, between(get(k + i - plane), get(k + i)) / up2)
  if (nz === 1) return
  for (let from: i32 = 0; from < count; from += plane)
    for (let i: i32 = from + nx; i < from + plane; i += 1) set(along + i, between(get(k + i - nx), get(k + i)) / along2)
}

/** Nothing is drawn from any of so many cells, nor from the plane of nothing above. */
export function still(cells: i32): void {
  const plane = cellsInRow()
  const d = list(SWEEP)
  for (let i: i32 = 0; i < cells + plane; i += 1) set(d + i, 0)
}

/**
 * Starts a step: heat made and what flows between cells as warm as they are, on top of what walls give; then the lines from the
 * middle outwards, with what the ends of a long block draw off along it, `lambda` 1/s towards `airC`. Leaves capacity times change
 * for the next sweep.
 *
 * @returns what the ends drew off, J/m³ times the cells' volumes
 */
export function sweepAcross(rows: i32, dt: f64, scale: f64, lambda: f64, airC: f64): f64 {
  const nx = cellsAcross()
  const nz = cellsAlong()
  const plane = cellsInRow()
  const warmth = list(WARMTH)
  const capacity = list(CAPACITY)
  const source = list(SOURCE)
  const across = list(ACROSS)
  const up = list(UP)
  const along = list(ALONG)
  const d = list(SWEEP)
  const c = list(SCRATCH)
  const inner = list(INNER)
  const outer = list(OUTER)
  const volume = list(VOLUME)
  const through = ofWall(0, THROUGH)
  const theta = THETA * dt
  const sink = dt * lambda
  const wall = dt * scale
  const isDeep = nz > 1
  let drawn: f64 = 0
  let z: i32 = 0
  for (let line: i32 = 0; line < rows * nz; line += 1) {
    const row = line * nx
    // Where there is no neighbour the cell itself stands for it: nothing flows.
    const below = line < nz ? 0 : plane
    const above = line >= (rows - 1) * nz ? 0 : plane
    const before = z === 0 ? 0 : nx
    const behind = z === nz - 1 ? 0 : nx
    z = z === nz - 1 ? 0 : z + 1
    let ratio: f64 = 0
    let last: f64 = 0
    let inward: f64 = 0
    for (let x: i32 = 0; x < nx; x += 1) {
      const i = row + x
      const holds = get(capacity + i)
      const t = get(warmth + i)
      const toNext = get(across + i + 1)
      const isInside = x + 1 < nx
      const outward = isInside ? toNext * (get(warmth + i + 1) - t) : 0
      let flux = get(outer + x) * outward - get(inner + x) * inward
      inward = outward
      flux += get(up + i + above) * (get(warmth + i + above) - t) - get(up + i) * (t - get(warmth + i - below))
      if (isDeep)
        flux +=
          get(along + i + behind) * (get(warmth + i + behind) - t) - get(along + i) * (t - get(warmth + i - before))
      const a = theta * get(inner + x) * get(across + i)
      const b = theta * get(outer + x) * toNext
      const own = holds + sink * holds + a + b + (isInside ? 0 : wall * get(through + line))
      const over = 1 / (own - a * ratio)
      ratio = b * over
      last = (get(d + i) + get(source + i) + dt * flux - sink * holds * (t - airC) + a * last) * over
      set(c + i, ratio)
      set(d + i, last)
    }
    let next: f64 = 0
    for (let x: i32 = nx - 1; x >= 0; x -= 1) {
      const i = row + x
      next = get(d + i) + get(c + i) * next
      const holds = get(capacity + i)
      drawn += sink * holds * (get(warmth + i) + next - airC) * get(volume + x)
      set(d + i, holds * next)
    }
  }
  return drawn
}

/** Lines along the mould, from the middle to the end, whose wall has `scale` of area to a cell's volume, 1/m. */
export function sweepAlong(rows: i32, dt: f64, scale: f64): void {
  const nx = cellsAcross()
  const nz = cellsAlong()
  const plane = cellsInRow()
  const along = list(ALONG)
  const capacity = list(CAPACITY)
  const d = list(SWEEP)
  const c = list(SCRATCH)
  const through = ofWall(3, THROUGH)
  const theta = THETA * dt
  const wall = dt * scale
  for (let y: i32 = 0; y < rows; y += 1) {
    const from = y * plane
    for (let z: i32 = 0; z < nz; z += 1)
      for (let x: i32 = 0; x < nx; x += 1) {
        const i = from + z * nx + x
        const isInside = z + 1 < nz
        const a = theta * get(along + i)
        const b = isInside ? theta * get(along + i + nx) : 0
        const own = get(capacity + i) + a + b + (isInside ? 0 : wall * get(through + y * nx + x))
        const over = z > 0 ? 1 / (own - a * get(c + i - nx)) : 1 / own
        set(c + i, b * over)
        set(d + i, (z > 0 ? get(d + i) + a * get(d + i - nx) : get(d + i)) * over)
      }
    for (let i: i32 = from + plane - nx - 1; i >= from; i -= 1) set(d + i, get(d + i) + get(c + i) * get(d + i + nx))
    for (let i: i32 = from; i < from + plane; i += 1) set(d + i, get(d + i) * get(capacity + i))
  }
}

/** Lines from the floor up, between walls of such areas to a cell's volume; `take` follows them back down. */
export function sweepUp(rows: i32, dt: f64, topScale: f64, bottomScale: f64): void {
  const plane = cellsInRow()
  const up = list(UP)
  const capacity = list(CAPACITY)
  const d = list(SWEEP)
  const c = list(SCRATCH)
  const atTop = ofWall(1, THROUGH)
  const atBottom = ofWall(2, THROUGH)
  const theta = THETA * dt
  const below = dt * bottomScale
  const above = dt * topScale
  for (let j: i32 = 0; j < plane; j += 1) {
    const b = theta * get(up + j + plane)
    const over = 1 / (get(capacity + j) + b + below * get(atBottom + j) + (rows === 1 ? above * get(atTop + j) : 0))
    set(c + j, b * over)
    set(d + j, get(d + j) * over)
  }
  for (let y: i32 = 1; y < rows; y += 1) {
    const isTop = y === rows - 1
    const row = y * plane
    for (let i: i32 = row; i < row + plane; i += 1) {
      const a = theta * get(up + i)
      const b = theta * get(up + i + plane)
      const wall = isTop ? above * get(atTop + i - row) : 0
      const over = 1 / (get(capacity + i) + a + b + wall - a * get(c + i - plane))
      set(c + i, b * over)
      set(d + i, (get(d + i) + a * get(d + i - plane)) * over)
    }
  }
}
