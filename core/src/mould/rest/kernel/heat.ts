/**
 * A step of heat, conversion and gel on flat lists of numbers: compiled for speed, or run as it stands where nothing compiled runs.
 * Written in what both have in common. Cells lie x first, then z, then y from the floor. SI units, °C. Conduction by alternating directions
 * in increment form (Douglas), 0.55 implicit inside, fully implicit at the walls, whose own heat is eliminated.
 */
import { BROWNS_FROM_C, GEL_HYSTERESIS_K, GEL_NEEDS, GEL_QUICKENS, GEL_WIDTH_K, K_GEL, K_SOAP } from '../constants.ts'
import {
  ACROSS,
  ALONG,
  BEFORE,
  BROWNING_AT,
  CAPACITY,
  CELL,
  COLDEST_C,
  CONDUCTS,
  CONVERTED,
  DOSE,
  FRESH,
  GELLED,
  GELLED_AT,
  GELS_AT,
  GEL_C,
  GEL_HEAT,
  HEAT,
  HOLDS,
  HOTTEST,
  INNER,
  KEEPS,
  LISTS,
  LISTS_AT,
  MARGIN,
  MATERIAL_HEAD,
  MATERIAL_ROOM,
  MEETS,
  MOST_GELLED,
  NEVER,
  NODES,
  OUTER,
  SCRATCH,
  SEEDS,
  SLOPE,
  SOAP_AT,
  SOAP_STEPS,
  SOURCE,
  STEPS_PER_K,
  SWEEP,
  THROUGH,
  TO_WALL,
  UP,
  VOLUME,
  WALLS,
  WALL_C,
  WALL_LISTS,
  WARMTH,
} from './fields.ts'
import { get, set, whole } from './memory.ts'

/** Implicit share of conduction inside. */
const THETA: f64 = 0.55
/** Soap that has reacted and set so far, and is so many K cooler than it gels, does nothing any more. */
const SPENT: f64 = 0.9999
const SETTLED: f64 = 1e-4
const COOL_K: f64 = GEL_HYSTERESIS_K + 12 * GEL_WIDTH_K
const HYSTERESIS: i32 = 4 * GEL_HYSTERESIS_K * STEPS_PER_K
const LAST: i32 = NODES - GEL_HYSTERESIS_K * STEPS_PER_K - 2

/** Cells over x and along, both together, and the room of each list. */
let nx: i32 = 0
let nz: i32 = 0
let plane: i32 = 0
let room: i32 = 0
/** What a call found beside what it gives. */
let mostGel: f64 = 0
let made: f64 = 0
let kept: f64 = 0

function list(field: i32): i32 {
  return LISTS_AT + field * room
}

function ofWall(wall: i32, what: i32): i32 {
  return list(WALLS + wall * WALL_LISTS + what)
}

function material(m: i32): i32 {
  return LISTS_AT + LISTS * room + m * MATERIAL_ROOM
}

/** Says how the lists lie: of so many cells over x and along, with so much room each. */
export function lay(cellsAcross: i32, cellsAlong: i32, roomEach: i32): void {
  nx = cellsAcross
  nz = cellsAlong
  plane = cellsAcross * cellsAlong
  room = roomEach
}

/** Most that a cell gelled or let go in the last reaction. */
export function gelledMost(): f64 {
  return mostGel
}

/** Heat made and kept in the last step, J/m³ times the cells' volumes. */
export function heatMade(): f64 {
  return made
}

export function heatKept(): f64 {
  return kept
}

/**
 * Takes cells of one material a step of `dt` s on, `ahead` of a step's change of warmth forward, to the time `nowS`; `decay` of
 * what gel still lacks stays. Fills what cells make and hold.
 *
 * @returns the largest change of conversion
 */
export function react(m: i32, from: i32, to: i32, dt: f64, ahead: f64, nowS: f64, decay: f64): f64 {
  const warmth = list(WARMTH)
  const before = list(BEFORE)
  const converted = list(CONVERTED)
  const gelled = list(GELLED)
  const most = list(MOST_GELLED)
  const source = list(SOURCE)
  const capacity = list(CAPACITY)
  const head = material(m)
  const table = head + MATERIAL_HEAD
  const keep = get(head + KEEPS)
  const heat = get(head + HEAT)
  const gelHeat = get(head + GEL_HEAT)
  const holds = get(head + HOLDS)
  const slope = get(head + SLOPE)
  const seed = get(head + SEEDS)
  const cool = get(head + GELS_AT) - COOL_K
  let largest: f64 = 0
  let largestGel: f64 = 0
  for (let i: i32 = from; i < to; i += 1) {
    const was = get(warmth + i)
    const t = was + (was - get(before + i)) * ahead
    const x = get(converted + i)
    const gel = get(gelled + i)
    set(capacity + i, holds * (1 + slope * (t - 50)))
    if (x > SPENT && gel < SETTLED && t < cool) {
      set(source + i, 0)
      continue
    }
    const highest = get(most + i)
    const node = (t - COLDEST_C) * STEPS_PER_K
    let n: i32 = whole(node)
    if (n < 0) n = 0
    if (n > LAST) n = LAST
    const part = node - n
    const at = table + 4 * n
    const speed = dt * (get(at) + part * get(at + 1)) * (1 + GEL_QUICKENS * gel)
    const half = x + 0.5 * speed * (seed + x) * (1 - x) * (1 - keep * x)
    const mid = half < 1 ? half : 1
    const full = x + speed * (seed + mid) * (1 - mid) * (1 - keep * mid)
    const now = full < 1 ? full : 1
    const soapAt = now * SOAP_STEPS
    const j = whole(soapAt)
    const soap = get(SOAP_AT + j)
    const able = soap + (get(SOAP_AT + j + 1) - soap) * (soapAt - j)
    const warm = (highest > 0.5 ? at + HYSTERESIS : at) + 2
    const goal = (get(warm) + part * get(warm + 1)) * able
    const after = goal + (gel - goal) * decay
    set(source + i, heat * (now - x) - gelHeat * (after - gel))
    if (now - x > largest) largest = now - x
    const moved = Math.abs(after - gel)
    if (moved > largestGel) largestGel = moved
    set(converted + i, now)
    set(gelled + i, after)
    if (after > highest) {
      set(most + i, after)
      if (after > 0.5 && highest <= 0.5) set(list(GELLED_AT) + i, nowS)
    }
  }
  mostGel = largestGel
  return largest
}

/** What cells of one material conduct now. */
export function conduct(m: i32, from: i32, to: i32): void {
  const fresh = get(material(m) + FRESH)
  const conducts = list(CONDUCTS)
  const converted = list(CONVERTED)
  const gelled = list(GELLED)
  for (let i: i32 = from; i < to; i += 1)
    set(conducts + i, fresh + K_SOAP * get(converted + i) + K_GEL * get(gelled + i))
}

function between(a: f64, b: f64): f64 {
  return (2 * a * b) / (a + b)
}

/** Conductances between the cells of so many rows; upwards and along over the squares of their distances. */
export function conductances(rows: i32, up2: f64, along2: f64): void {
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

/** Nothing is drawn from any of so many cells, nor from the plane of nothing above. */
export function still(cells: i32): void {
  const d = list(SWEEP)
  for (let i: i32 = 0; i < cells + plane; i += 1) set(d + i, 0)
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
 * Starts a step: heat made and what flows between cells as warm as they are, on top of what walls give; then the lines from the
 * middle outwards, with what the ends of a long block draw off along it, `lambda` 1/s towards `airC`. Leaves capacity times change
 * for the next sweep.
 *
 * @returns what the ends drew off, J/m³ times the cells' volumes
 */
export function sweepAcross(rows: i32, dt: f64, scale: f64, lambda: f64, airC: f64): f64 {
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

/** Follows the last sweep back down, takes its changes over, and notes what each of so many cells has been through; gives the largest change, K. */
export function take(cells: i32, dt: f64): f64 {
  const warmth = list(WARMTH)
  const before = list(BEFORE)
  const converted = list(CONVERTED)
  const margin = list(MARGIN)
  const hottest = list(HOTTEST)
  const dose = list(DOSE)
  const capacity = list(CAPACITY)
  const source = list(SOURCE)
  const gelC = list(GEL_C)
  const d = list(SWEEP)
  const c = list(SCRATCH)
  const volume = list(VOLUME)
  const hours = dt / 3600
  let most: f64 = 0
  let sumMade: f64 = 0
  let sumKept: f64 = 0
  let x: i32 = nx - 1
  for (let i: i32 = cells - 1; i >= 0; i -= 1) {
    const change = get(d + i) + get(c + i) * get(d + i + plane)
    set(d + i, change)
    const v = get(volume + x)
    x = x === 0 ? nx - 1 : x - 1
    sumMade += get(source + i) * v
    sumKept += get(capacity + i) * change * v
    const was = get(warmth + i)
    const t = was + change
    set(before + i, was)
    set(warmth + i, t)
    const size = Math.abs(change)
    if (size > most) most = size
    // While it cools, nothing of what follows can rise but a margin that waited for enough soap.
    if (change > 0 || get(margin + i) === NEVER) {
      if (t > get(hottest + i)) set(hottest + i, t)
      if (get(converted + i) > GEL_NEEDS) {
        const over = t - get(gelC + i)
        if (over > get(margin + i)) set(margin + i, over)
      }
    }
    if (t > BROWNS_FROM_C) set(dose + i, get(dose + i) + hours * browning(t))
  }
  made = sumMade
  kept = sumKept
  return most
}

/** How fast milk and sugar brown at `t` °C, from where they begin to, against 65 °C. */
function browning(t: f64): f64 {
  let at = (t - COLDEST_C) * STEPS_PER_K
  if (at > NODES - 2) at = NODES - 2
  const i = whole(at)
  const left = get(BROWNING_AT + i)
  return left + (get(BROWNING_AT + i + 1) - left) * (at - i)
}

/**
 * Moves a wall's warmth on by what its cells came to in their own sweep: the last of all, or one with more to come.
 *
 * @returns heat that it takes, W/m² times the cells' volumes
 */
export function atWall(wall: i32, count: i32, isLast: boolean, own: f64, outwards: f64, outC: f64): f64 {
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
