/**
 * Turns of a swirl, many one after another, on flat lists of numbers: compiled for speed, or run as it stands. Each keeps volumes exactly
 * and is undone by the opposite turn.
 */
import { get, set } from './memory.ts'
import {
  ANGLE,
  BY_LONG_A,
  BY_LONG_B,
  BY_SHORT_A,
  BY_SHORT_B,
  CENTRE_A,
  CENTRE_B,
  JET,
  LAST,
  LAST_A,
  LAST_B,
  LAST_FACTOR,
  LONG_A,
  LONG_B,
  PER_CORE,
  PLANE,
  RING,
  SHORT_A,
  SHORT_B,
  SLICE,
  SLICE_NUMBERS,
  SQUARISH,
  TURN_ROOM,
  WANDERS,
  WANDER_NUMBERS,
} from './twist-fields.ts'

/** The two wobbles of a meander never meet in step. */
const OTHER_WOBBLE: f64 = 1.618
const TURN: f64 = 6.283185307179586

function smooth(t: f64): f64 {
  return t <= 0 ? 0 : t >= 1 ? 1 : t * t * (3 - 2 * t)
}

/** How strongly the slice at `c` turns, 0 to 1. */
function factorAt(turn: i32, c: f64): f64 {
  const kind = get(turn + SLICE)
  if (kind === 0) return 1
  const first = get(turn + SLICE_NUMBERS)
  const second = get(turn + SLICE_NUMBERS + 1)
  if (kind === 1) return smooth((c - first) / (second - first))
  const soft = get(turn + SLICE_NUMBERS + 2)
  return smooth((second + soft / 2 - Math.abs(c - first)) / soft)
}

/** Notes where the centre is, and how strong the turn, at a place along the axis that stays. */
function lookAt(turn: i32, c: f64): void {
  set(turn + LAST, c)
  if (get(turn + WANDERS) !== 0) {
    const turns = (TURN * c) / get(turn + WANDER_NUMBERS + 2) + get(turn + WANDER_NUMBERS + 3)
    set(turn + LAST_A, get(turn + CENTRE_A) + get(turn + WANDER_NUMBERS) * Math.sin(turns))
    set(turn + LAST_B, get(turn + CENTRE_B) + get(turn + WANDER_NUMBERS + 1) * Math.sin(OTHER_WOBBLE * turns + 1))
  }
  set(turn + LAST_FACTOR, factorAt(turn, c))
}

/**
 * The curve |p|⁴ + |q|⁴ = 1 by its area angle: a quarter turn is QUARTER, and turning by it keeps areas. Polynomials for the angle
 * of a ratio and back, good to 4e-7 and 6e-9.
 */
const QUARTER: f64 = 1.8540746773

function angleOf(t: f64): f64 {
  const u = t * t * t * t
  return (
    t *
    (0.9999989821 +
      u * (-0.099942116 + u * (0.0410016432 + u * (-0.0209730995 + u * (0.0089089224 - u * 0.0019573586)))))
  )
}

function ratioOf(angle: f64): f64 {
  const u = angle * angle * angle * angle
  return angle * (1.0000000052 + u * (0.0999998112 + u * (0.008335335 + u * (0.0006979007 + u * 0.0000702262))))
}

/** Where (p, q) came to. */
let newP: f64 = 0
let newQ: f64 = 0

/** Turns (p, q) by an area angle on its own curve, `r` times that of 1. */
function turnSquarish(p: f64, q: f64, r: f64, by: f64): void {
  const ap = Math.abs(p)
  const aq = Math.abs(q)
  let angle = aq > ap ? QUARTER - angleOf(ap / aq) : ap > 0 ? angleOf(aq / ap) : 0
  if (p < 0) angle = 2 * QUARTER - angle
  if (q < 0) angle = -angle
  angle += by
  const round = 4 * QUARTER
  angle -= round * Math.floor((angle + 2 * QUARTER) / round)
  const isBelow = angle < 0
  let rest = Math.abs(angle)
  const isLeft = rest > QUARTER
  if (isLeft) rest = 2 * QUARTER - rest
  const isSteep = rest > QUARTER / 2
  if (isSteep) rest = QUARTER - rest
  const t = ratioOf(rest)
  const far = r / Math.sqrt(Math.sqrt(1 + t * t * t * t))
  const near = t * far
  const p1 = isSteep ? near : far
  const q1 = isSteep ? far : near
  newP = isLeft ? -p1 : p1
  newQ = isBelow ? -q1 : q1
}

/** Of a jet at so far out: what its angle is divided by. */
function jetWidth(turn: i32, r: f64): f64 {
  const off = (r - get(turn + RING)) * get(turn + PER_CORE)
  const width = 1 + off * off
  return width * Math.sqrt(width)
}

/** Moves (p, q) within a turn's region; false outside it. */
function turnWithin(turn: i32, p: f64, q: f64, by: f64): boolean {
  const isJet = get(turn + JET) !== 0
  const p2 = p * p
  const q2 = q * q
  if (get(turn + SQUARISH) !== 0) {
    const r4 = p2 * p2 + q2 * q2
    if (r4 >= 1 || r4 === 0) return false
    const r = Math.sqrt(Math.sqrt(r4))
    const edge = 1 - r4
    let angle = by * edge * edge
    if (isJet) angle /= jetWidth(turn, r)
    turnSquarish(p, q, r, angle)
    return true
  }
  const r2 = p2 + q2
  if (r2 >= 1) return false
  const edge = 1 - r2
  let angle = by * edge * edge
  if (isJet) angle /= jetWidth(turn, Math.sqrt(r2))
  const cos = Math.cos(angle)
  const sin = Math.sin(angle)
  newP = p * cos - q * sin
  newQ = p * sin + q * cos
  return true
}

/**
 * Moves a point, three numbers at `point`, by `count` turns that follow each other from `first` on.
 *
 * @param direction 1: as the tools move batter; -1: the last one first, back to where it was
 */
export function turns(point: i32, first: i32, count: i32, direction: i32): void {
  for (let i: i32 = 0; i < count; i += 1) {
    const turn = first + TURN_ROOM * (direction > 0 ? i : count - 1 - i)
    const plane = get(turn + PLANE)
    const a: i32 = plane === 0 ? point + 1 : point
    const b: i32 = plane === 1 ? point + 1 : point + 2
    if (get(turn + SLICE) !== 0 || get(turn + WANDERS) !== 0) {
      const c: f64 = get(plane === 0 ? point : plane === 1 ? point + 2 : point + 1)
      if (get(turn + LAST) !== c) lookAt(turn, c)
      if (get(turn + LAST_FACTOR) === 0) continue
    }
    const da = get(a) - get(turn + LAST_A)
    const db = get(b) - get(turn + LAST_B)
    const q = da * get(turn + LONG_A) + db * get(turn + LONG_B)
    if (q >= 1 || q <= -1) continue
    const p = db * get(turn + SHORT_A) - da * get(turn + SHORT_B)
    if (p >= 1 || p <= -1) continue
    if (!turnWithin(turn, p, q, direction * get(turn + ANGLE) * get(turn + LAST_FACTOR))) continue
    const dp = newP - p
    const dq = newQ - q
    set(a, get(a) + (dq * get(turn + BY_LONG_A) - dp * get(turn + BY_SHORT_B)))
    set(b, get(b) + (dq * get(turn + BY_LONG_B) + dp * get(turn + BY_SHORT_A)))
  }
}
