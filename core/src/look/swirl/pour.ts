import { density, running, slope } from './profile.ts'
import type { PourOp, Program } from './program.ts'

/** What a pour did at a point: how much of it is new, where it was before, and where in the new material it lies. */
export interface Poured {
  /** 0 to 1: share of new material. */
  fresh: number
  /** Before the pour. */
  x: number
  y: number
  z: number
  /** Thickness of new material here. */
  thickness: number
  /** From the lower side of the new material, mm; below it negative. */
  above: number
  /** Place in the new material, each 0 to 1, evenly filled. */
  u: number
  q: number
  v: number
}

export const emptyPoured = (): Poured => ({ fresh: 0, x: 0, y: 0, z: 0, thickness: 0, above: 0, u: 0, q: 0, v: 0 })

/** Thickness, prior place across, and slopes at a column; in place, to spare memory. */
const column = { thickness: 0, x0: 0, y0: 0, slopeX: 0, slopeY: 0, q: 0 }

/** Where the jug's hand really is, mm across. */
const handAt = (op: PourOp, x: number): number => {
  const { mm, lengthMm, phase } = op.wander
  if (mm === 0) return op.y
  const turn = (2 * Math.PI * x) / lengthMm + phase
  const other = (2 * Math.PI * x) / (0.37 * lengthMm) + 2.3 * phase
  return op.y + mm * (0.65 * Math.sin(turn) + 0.35 * Math.sin(other))
}

function layerColumn(op: PourOp, { lengthMm: L, widthMm: W }: Program, x: number, y: number): void {
  const { h0, h1, tilt } = op
  const flat = op.volume / (L * W)
  if (Math.abs(tilt) * (W / 2) > flat) return wedgeColumn(op, L, W, x, y, flat)
  let thickness = flat - tilt * (y - W / 2)
  let sumX = flat * x
  let meanX = flat
  let sumY = flat * y - (tilt * (y * y - W * y)) / 2
  let slopeX = 0
  let slopeY = -tilt
  const { modes } = op
  for (let i = 0; i < modes.length; i += 3) {
    const km = (modes[i]! * Math.PI) / L
    const kn = (modes[i + 1]! * Math.PI) / W
    const a = modes[i + 2]!
    const cosX = Math.cos(km * x)
    const sinX = Math.sin(km * x)
    if (kn === 0) {
      thickness += a * cosX
      meanX += a * cosX
      sumX += km > 0 ? (a / km) * sinX : a * x
      sumY += a * cosX * y
      slopeX -= a * km * sinX
    } else {
      const cosY = Math.cos(kn * y)
      const sinY = Math.sin(kn * y)
      thickness += a * cosX * cosY
      sumY += ((a * cosX) / kn) * sinY
      slopeX -= a * km * sinX * cosY
      slopeY -= a * kn * cosX * sinY
    }
  }
  column.thickness = thickness
  column.x0 = h0 > 0 ? (h1 * x - sumX) / h0 : x
  column.y0 = h1 - meanX > 0 ? (h1 * y - sumY) / (h1 - meanX) : y
  column.slopeX = slopeX
  column.slopeY = slopeY
  column.q = y / W
}

/** A tilted layer that does not reach the far wall. */
function wedgeColumn(op: PourOp, _: number, W: number, x: number, y: number, flat: number): void {
  const { h0, h1, tilt } = op
  const steep = Math.abs(tilt)
  const reach = Math.sqrt((2 * flat * W) / steep)
  const t = Math.max(0, tilt > 0 ? reach - y : y - (W - reach))
  const sumY = tilt > 0 ? (steep * (reach * reach - t * t)) / 2 : (steep * t * t) / 2
  column.thickness = steep * t
  column.x0 = h0 > 0 ? (h1 * x - flat * x) / h0 : x
  column.y0 = (h1 * y - sumY) / (h1 - flat)
  column.slopeX = 0
  column.slopeY = t > 0 ? -tilt : 0
  column.q = y / W
}

function lineColumn(op: PourOp, { lengthMm: L, widthMm: W }: Program, x: number, y: number): void {
  const { h0, h1, profile, veil, halfY } = op
  const last = (op.last ??= { x: NaN, hand: 0, lo: 0, n: 0 })
  if (last.x !== x) {
    last.x = x
    last.hand = handAt(op, x)
    last.lo = running(profile, -last.hand / halfY)
    last.n = 1 / (running(profile, (W - last.hand) / halfY) - last.lo)
  }
  const { hand, lo, n } = last
  const u = (y - hand) / halfY
  const slice = op.volume / L
  const q = (1 - veil) * (running(profile, u) - lo) * n + (veil * y) / W
  const k = ((1 - veil) * density(profile, u) * n) / halfY + veil / W
  column.thickness = slice * k
  column.x0 = x
  column.y0 = h0 > 0 ? (h1 * y - slice * q) / h0 : y
  column.slopeX = 0
  column.slopeY = (slice * (1 - veil) * slope(profile, u) * n) / (halfY * halfY)
  column.q = q
}

function pointColumn(op: PourOp, { lengthMm: L, widthMm: W }: Program, x: number, y: number): void {
  const { h0, h1, profile, veil, halfX, halfY, volume } = op
  const loX = running(profile, -op.x / halfX)
  const nX = 1 / (running(profile, (L - op.x) / halfX) - loX)
  const uX = (x - op.x) / halfX
  const sumX = (1 - veil) * (running(profile, uX) - loX) * nX + (veil * x) / L
  const kX = ((1 - veil) * density(profile, uX) * nX) / halfX + veil / L
  const loY = running(profile, -op.y / halfY)
  const nY = 1 / (running(profile, (W - op.y) / halfY) - loY)
  const uY = (y - op.y) / halfY
  const sumY = (1 - veil) * (running(profile, uY) - loY) * nY + (veil * y) / W
  const kY = ((1 - veil) * density(profile, uY) * nY) / halfY + veil / W
  column.thickness = volume * kX * kY
  column.x0 = h0 > 0 ? (h1 * x - (volume / W) * sumX) / h0 : x
  column.y0 = (W * (h1 * y - volume * kX * sumY)) / (W * h1 - volume * kX)
  column.slopeX = (volume * kY * (1 - veil) * slope(profile, uX) * nX) / (halfX * halfX)
  column.slopeY = (volume * kX * (1 - veil) * slope(profile, uY) * nY) / (halfY * halfY)
  column.q = sumY
}

/** Part of a round pool's volume up to a chord: the running integral of (1 - ξ²)^(3/2), from -1. */
const roundRunning = (xi: number): number => {
  if (xi <= -1) return 0
  if (xi >= 1) return (3 * Math.PI) / 8
  return (xi * (5 - 2 * xi * xi) * Math.sqrt(1 - xi * xi) + 3 * Math.asin(xi)) / 8 + (3 * Math.PI) / 16
}

/** A pool as round as a parabola turned about its middle; it lies clear of the walls. */
function roundColumn(op: PourOp, { widthMm: W }: Program, x: number, y: number): void {
  const { h0, h1, halfY: w, volume } = op
  const peak = (2 * volume) / (Math.PI * w * w)
  const xi = (x - op.x) / w
  const eta = (y - op.y) / w
  const s2 = Math.max(0, 1 - xi * xi)
  const s = Math.sqrt(s2)
  const held = Math.max(-s, Math.min(s, eta))
  const rest = s2 - eta * eta
  const isIn = rest > 0
  const sumX = ((4 / 3) * peak * w * w * roundRunning(xi)) / W
  const meanX = ((4 / 3) * peak * w * s2 * s) / W
  const sumY = peak * w * (s2 * held - (held * held * held) / 3 + (2 / 3) * s2 * s)
  column.thickness = isIn ? peak * rest : 0
  column.x0 = h0 > 0 ? (h1 * x - sumX) / h0 : x
  column.y0 = h1 - meanX > 0 ? (h1 * y - sumY) / (h1 - meanX) : y
  column.slopeX = isIn ? (-2 * peak * xi) / w : 0
  column.slopeY = isIn ? (-2 * peak * eta) / w : 0
  column.q = s > 0 ? sumY / (meanX * W || 1) : 0.5
}

const THIN_MM = 0.35

/** Undoes a pour at a point (in the axes of the box or of the square): fills `out`. */
export function pourBack(op: PourOp, program: Program, x: number, y: number, z: number, out: Poured): void {
  if (op.shape === 'layer') layerColumn(op, program, x, y)
  else if (op.shape === 'line') lineColumn(op, program, x, y)
  else if (op.shape === 'round') roundColumn(op, program, x, y)
  else pointColumn(op, program, x, y)
  const { thickness, slopeX, slopeY } = column
  const { h0, h1, cover, edgeMm } = op
  const top = h1 - cover * (h1 - thickness)
  const floor = top - thickness
  const flatness = 1 / Math.sqrt(1 + slopeX * slopeX + slopeY * slopeY)
  const isOver = cover > 0 && z > top
  let inside: number
  if (z < floor) inside = (z - floor) * flatness
  else if (isOver) inside = (top - z) * flatness
  else inside = Math.min((z - floor) * flatness, cover > 0 ? (top - z) * flatness : Infinity)
  const soft = Math.min(edgeMm, THIN_MM * thickness * flatness + 1e-6)
  const t = (inside + soft) / (2 * soft)
  let fresh = t <= 0 ? 0 : t >= 1 ? 1 : t * t * (3 - 2 * t)
  if (thickness < THIN_MM) fresh *= Math.min(1, Math.max(0, (thickness - 0.05) / 0.3))
  if (fresh >= 0.999 || h0 <= 0) fresh = 1
  const closed = z < floor ? z : isOver ? z - thickness : floor
  const rest = h1 - thickness
  out.fresh = fresh
  out.x = column.x0
  out.y = column.y0
  out.z = rest > 0 ? (closed * h0) / rest : h0
  out.thickness = thickness
  out.above = (z - floor) * flatness
  out.u = x / program.lengthMm
  out.q = column.q
  out.v = thickness > 0 ? Math.min(1, Math.max(0, (z - floor) / thickness)) : 0
}

/** Greatest thickness of a line or point pour with such half-widths. */
function peakOf(op: PourOp, L: number, W: number): { thickness: number; sideways: number } {
  if (op.shape === 'round') return { thickness: (2 * op.volume) / (Math.PI * op.halfY * op.halfY), sideways: 0 }
  const most = (half: number, at: number, room: number) => {
    const span = running(op.profile, (room - at) / half) - running(op.profile, -at / half)
    return ((1 - op.veil) * density(op.profile, 0)) / (half * span) + op.veil / room
  }
  if (op.shape === 'line') {
    const hands = [op.y - op.wander.mm, op.y, op.y + op.wander.mm]
    return { thickness: Math.max(...hands.map(hand => (op.volume / L) * most(op.halfY, hand, W))), sideways: 0 }
  }
  const kX = most(op.halfX, op.x, L)
  return { thickness: op.volume * kX * most(op.halfY, op.y, W), sideways: op.volume * kX }
}

const ROUNDS = 60

/**
 * Finds how wide a stream spreads: as wide as asked, or as narrow as dives `penetrationMm` deep, and never thicker than the
 * batter is high.
 */
export function widened(op: PourOp, L: number, W: number, penetrationMm: number | null, aspect = 1): PourOp {
  const limit = penetrationMm === null ? 0.92 * op.h1 : Math.min(penetrationMm, 0.95 * op.h1)
  const at = (half: number): PourOp => ({ ...op, halfY: half, halfX: half * aspect })
  const isTooThick = (half: number): boolean => {
    const peak = peakOf(at(half), L, W)
    return peak.thickness > limit || (op.shape === 'point' && peak.sideways > 0.95 * W * op.h1)
  }
  const start = penetrationMm === null ? op.halfY : 1
  if (!isTooThick(start)) return at(start)
  let low = start
  let high = 4 * Math.max(L, W)
  for (let round = 0; round < ROUNDS; round += 1) {
    const mid = (low + high) / 2
    if (isTooThick(mid)) low = mid
    else high = mid
  }
  return at(high)
}

const GUARD_X = 65
const GUARD_Y = 33

/** Shrinks a layer's texture until the layer and what lies under it keep some thickness everywhere. */
export function guarded(op: PourOp, program: Program): { op: PourOp; scale: number } {
  const { lengthMm: L, widthMm: W } = program
  if (op.shape !== 'layer' || op.modes.length === 0) return { op, scale: 1 }
  const flat = op.volume / (L * W)
  const { modes } = op
  const wave = (count: number, at: 0 | 1) =>
    Array.from({ length: count }, (_, i) =>
      Array.from({ length: modes.length / 3 }, (_, k) => Math.cos((modes[3 * k + at]! * Math.PI * i) / (count - 1))),
    )
  const [alongX, acrossY] = [wave(GUARD_X, 0), wave(GUARD_Y, 1)]
  let scale = 1
  for (const cosX of alongX)
    acrossY.forEach((cosY, j) => {
      const bare = flat - op.tilt * W * (j / (GUARD_Y - 1) - 0.5)
      let extra = 0
      for (let k = 0; k < cosX.length; k += 1) extra += modes[3 * k + 2]! * cosX[k]! * cosY[k]!
      if (extra < 0) scale = Math.min(scale, Math.max(0, (bare - 0.02 * flat) / -extra))
      if (extra > 0) scale = Math.min(scale, Math.max(0, (op.h1 - 0.02 * op.h0 - bare) / extra))
    })
  if (scale >= 1) return { op, scale: 1 }
  return { op: { ...op, modes: op.modes.map((value, i) => (i % 3 === 2 ? value * scale : value)) }, scale }
}
