/** Walls beside the soap: what they conduct in a step, give and take. SI units, °C. */
import { CAPACITY, CELL, CONDUCTS, MEETS, SWEEP, THROUGH, TO_WALL, VOLUME, WALL_C, WARMTH } from './heat-fields.ts'
import { list, cellsAcross, ofWall } from './heat-lists.ts'
import { get, set, whole } from './memory.ts'

/** Mean warmth of a wall beside so many cells, or of the soap itself where it lies open. */

export function meanAtWall(wall: i32, count: i32, isOpen: boolean): f64 {
  const own = ofWall(wall, WALL_C)
  const cell = ofWall(wall, CELL)
  const warmth = list(WARMTH)
  let sum: f64 = 0
  for (let j: i32 = 0; j < count; j += 1) sum += isOpen ? get(warmth + whole(get(cell + j))) : get(own + j)
  return sum / count
}

/**
 * A step's conductances at a wall: `inner` m²K/W from the soap to its middle, a cell's half of `depth` m before that; the wall's own
 * capacity over the step and what it gives outwards, W/(m²K), to `outC`.
 */
export function warmWall(wall: i32, count: i32, inner: f64, depth: f64, own: f64, outwards: f64, outC: f64): void {
  const wallC = ofWall(wall, WALL_C)
  const cell = ofWall(wall, CELL)
  const toWall = ofWall(wall, TO_WALL)
  const through = ofWall(wall, THROUGH)
  const meets = ofWall(wall, MEETS)
  const k = list(CONDUCTS)
  for (let j: i32 = 0; j < count; j += 1) {
    const to = 1 / (inner + (0.5 * depth) / get(k + whole(get(cell + j))))
    set(toWall + j, to)
    set(through + j, (to * (own + outwards)) / (own + to + outwards))
    set(meets + j, (own * get(wallC + j) + outwards * outC) / (own + outwards))
  }
}

/** Adds what a wall gives its cells, as warm as they are, in a step; `scale`: area of wall to a cell's volume, 1/m. J/m³. */
export function pull(wall: i32, count: i32, dt: f64, scale: f64): void {
  const cell = ofWall(wall, CELL)
  const through = ofWall(wall, THROUGH)
  const meets = ofWall(wall, MEETS)
  const warmth = list(WARMTH)
  const d = list(SWEEP)
  for (let j: i32 = 0; j < count; j += 1) {
    const i = whole(get(cell + j))
    set(d + i, get(d + i) + dt * scale * get(through + j) * (get(meets + j) - get(warmth + i)))
  }
}

/**
 * Moves a wall's warmth on by what its cells came to in their own sweep: the last of all, or one with more to come.
 *
 * @returns heat that it takes, W/m² times the cells' volumes
 */
export function atWall(wall: i32, count: i32, isLast: boolean, own: f64, outwards: f64, outC: f64): f64 {
  const nx = cellsAcross()
  const wallC = ofWall(wall, WALL_C)
  const cell = ofWall(wall, CELL)
  const toWall = ofWall(wall, TO_WALL)
  const through = ofWall(wall, THROUGH)
  const meets = ofWall(wall, MEETS)
  const warmth = list(WARMTH)
  const capacity = list(CAPACITY)
  const d = list(SWEEP)
  const volume = list(VOLUME)
  let sum: f64 = 0
  for (let j: i32 = 0; j < count; j += 1) {
    const i = whole(get(cell + j))
    const stage = get(warmth + i) + (isLast ? 0 : get(d + i) / get(capacity + i))
    sum += get(through + j) * (stage - get(meets + j)) * get(volume + (i % nx))
    const to = get(toWall + j)
    set(wallC + j, (own * get(wallC + j) + to * stage + outwards * outC) / (own + to + outwards))
  }
  return sum
}

/**
 * Heat that a wall gives what is around it, or the soap where it lies open, on top of what others gave `before`; `outwards` W/(m²K) to
 * `outC`, `scale` of area to a cell's volume, of which one is `cell` times its column's.
 */
export function lossAtWall(
  wall: i32,
  count: i32,
  isOpen: boolean,
  outwards: f64,
  outC: f64,
  scale: f64,
  cell: f64,
  before: f64,
): f64 {
  const nx = cellsAcross()
  const wallC = ofWall(wall, WALL_C)
  const beside = ofWall(wall, CELL)
  const warmth = list(WARMTH)
  const volume = list(VOLUME)
  let sum = before
  for (let j: i32 = 0; j < count; j += 1) {
    const i = whole(get(beside + j))
    const c = isOpen ? get(warmth + i) : get(wallC + j)
    sum += outwards * (c - outC) * get(volume + (i % nx)) * scale * cell
  }
  return sum
}
