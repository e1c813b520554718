/**
 * Reaction and gel of cells, and what they have been through: compiled for speed, or run as it stands where nothing compiled runs. Written in
 * what both have in common. SI units, °C.
 */
import {
  BROWNS_FROM_C,
  GEL_HYSTERESIS_K,
  GEL_NEEDS,
  GEL_QUICKENS,
  GEL_WIDTH_K,
  K_GEL,
  K_SOAP,
} from './heat-constants.ts'
import {
  BEFORE,
  CAPACITY,
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
  KEEPS,
  MARGIN,
  MATERIAL_HEAD,
  MOST_GELLED,
  NEVER,
  NODES,
  SCRATCH,
  SEEDS,
  SLOPE,
  SOAP_STEPS,
  SOURCE,
  STEPS_PER_K,
  SWEEP,
  VOLUME,
  WARMTH,
} from './heat-fields.ts'
import { browningAt, list, material, cellsAcross, cellsInRow, soapAt } from './heat-lists.ts'
import { get, set, whole } from './memory.ts'

/** Soap that has reacted and set so far, and is so many K cooler than it gels, does nothing any more. */
const SPENT: f64 = 0.9999
const SETTLED: f64 = 1e-4
const COOL_K: f64 = GEL_HYSTERESIS_K + 12 * GEL_WIDTH_K
const HYSTERESIS: i32 = 4 * GEL_HYSTERESIS_K * STEPS_PER_K
const LAST: i32 = NODES - GEL_HYSTERESIS_K * STEPS_PER_K - 2
/** What a call found beside what it gives. */
let mostGel: f64 = 0
let made: f64 = 0
let kept: f64 = 0

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
  const soapTable = soapAt()
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
    const soap = get(soapTable + j)
    const able = soap + (get(soapTable + j + 1) - soap) * (soapAt - j)
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

/** Follows the last sweep back down, takes its changes over, and notes what each of so many cells has been through; gives the largest change, K. */
export function take(cells: i32, dt: f64): f64 {
  const nx = cellsAcross()
  const plane = cellsInRow()
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
  const browningTable = browningAt()
  let at = (t - COLDEST_C) * STEPS_PER_K
  if (at > NODES - 2) at = NODES - 2
  const i = whole(at)
  const left = get(browningTable + i)
  return left + (get(browningTable + i + 1) - left) * (at - i)
}
