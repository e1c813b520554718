import { fromSquare, isInside, toSquare } from './chart.ts'
import { emptyPoured, pourBack } from './pour.ts'
import type { PourOp, Program, TwistOp } from './program.ts'
import { Twists } from './twist.ts'
import type { Point } from './twist.ts'

/** Below this share of a point nothing more is asked. */
const REST = 0.004
const poured = [emptyPoured(), emptyPoured(), emptyPoured()]

/** Wobble of the edges, reflected at the walls. First-order area-preserving: each wave runs along its crests. */
function fray(program: Program, at: Point): void {
  if (!program.fray) return
  const { amplitudeMm: a, wavelengthMm, seed } = program.fray
  const f = (2 * Math.PI) / wavelengthMm
  const x = at[0]!
  const y = at[1]!
  const z = at[2]!
  const s1 = Math.sin(f * (0.8 * y + 0.6 * z) + 0.31 * f * x + seed)
  const s2 = Math.sin(1.7 * f * (-0.5 * y + 0.85 * z) + 0.4 * f * x + 1.7 * seed)
  const s3 = Math.sin(3.1 * f * (0.95 * y - 0.3 * z) - 0.5 * f * x + 2.9 * seed)
  let newY = y + a * (0.6 * s1 + 0.6 * s2 - 0.09 * s3)
  const newZ = z + a * (-0.8 * s1 + 0.35 * s2 - 0.28 * s3) * Math.min(1, (program.heightMm - z) / 4)
  if (program.radiusMm === 0) {
    if (newY < 0) newY = -newY
    if (newY > program.widthMm) newY = 2 * program.widthMm - newY
  }
  at[1] = newY
  at[2] = newZ < 0 ? -newZ : newZ
}

/** Rounding may leave a point a hair outside the walls or the level of before: it is drawn in. */
function hold(program: Program, op: PourOp, at: Point): void {
  if (program.radiusMm > 0) {
    if (!isInside(program, at[0]!, at[1]!)) {
      const { lengthMm, widthMm } = program
      const { x, y } = toSquare('chord', program, { x: at[0]!, y: at[1]! })
      const held = { x: Math.min(lengthMm, Math.max(0, x)), y: Math.min(widthMm, Math.max(0, y)) }
      const back = fromSquare('chord', program, held)
      at[0] = back.x
      at[1] = back.y
    }
  } else {
    at[0] = Math.min(program.lengthMm, Math.max(0, at[0]!))
    at[1] = Math.min(program.widthMm, Math.max(0, at[1]!))
  }
  at[2] = Math.min(op.h0, Math.max(0, at[2]!))
}

/** The same pour with its fields in one order, whoever made it: reading them is then quick for all of them. */
const uniform = (op: PourOp): PourOp => ({
  kind: op.kind,
  shape: op.shape,
  colour: op.colour,
  h0: op.h0,
  h1: op.h1,
  volume: op.volume,
  edgeMm: op.edgeMm,
  cover: op.cover,
  pencil: op.pencil,
  pencilMm: op.pencilMm,
  chart: op.chart,
  modes: op.modes,
  tilt: op.tilt,
  x: op.x,
  y: op.y,
  halfX: op.halfX,
  halfY: op.halfY,
  profile: op.profile,
  veil: op.veil,
  wander: op.wander,
  last: { x: NaN, hand: 0, lo: 0, n: 0 },
  partner: op.partner,
  pot: op.pot,
})

/** A pour, or a run of twists: so many from the first on. */
interface Step {
  pour: PourOp | null
  first: number
  count: number
}

interface Compiled {
  steps: readonly Step[]
  twists: Twists
}

function compiledOf({ ops }: Program): Compiled {
  const twists: TwistOp[] = []
  const steps: Step[] = []
  for (const op of ops) {
    const last = steps.at(-1)
    if (op.kind === 'pour') steps.push({ pour: uniform(op), first: 0, count: 0 })
    else {
      if (last && !last.pour) last.count += 1
      else steps.push({ pour: null, first: twists.length, count: 1 })
      twists.push(op)
    }
  }
  return { steps, twists: new Twists(twists) }
}

const compiled = new WeakMap<Program, Compiled>()
let lastProgram: Program | null = null
let lastCompiled: Compiled = { steps: [], twists: new Twists([]) }

/** A program as it is run: most points in a row are of the same program. */
function runOf(program: Program): Compiled {
  if (program === lastProgram) return lastCompiled
  let known = compiled.get(program)
  if (!known) {
    known = compiledOf(program)
    compiled.set(program, known)
  }
  lastProgram = program
  lastCompiled = known
  return known
}

/**
 * Adds the colours at a point of the finished block to `out`, by running the design backwards. The weights add up to `scale`
 * within 0.4 %.
 *
 * @param at  the point, mm; it is changed
 */
export function backtrace(program: Program, at: Point, out: Float64Array, scale = 1, depth = 0): void {
  if (depth === 0) fray(program, at)
  const { steps, twists } = runOf(program)
  const found = poured[depth]!
  let rest = scale
  for (let i = steps.length - 1; i >= 0; i -= 1) {
    const { pour: op, first, count } = steps[i]!
    if (!op) {
      twists.move(at, first, count, -1, depth)
      continue
    }
    let x = at[0]!
    let y = at[1]!
    if (op.chart !== 'none') ({ x, y } = toSquare(op.chart, program, { x, y }))
    pourBack(op, program, x, y, at[2]!, found)
    const isLast = op.h0 <= 0
    const taken = isLast ? rest : rest * found.fresh
    const dusted = op.pencil >= 0 ? pencilShare(op, found.above) : 0
    if (taken > 0) give(op, found.u, found.q, found.v, taken * (1 - dusted), out, depth)
    if (dusted > 0) out[op.pencil]! += dusted * (found.above >= 0 ? taken : rest)
    rest -= found.above < 0 && dusted > 0 ? rest * Math.max(dusted, found.fresh) : taken
    if (isLast || rest < REST * scale) return
    if (op.chart === 'none') {
      at[0] = found.x
      at[1] = found.y
    } else {
      const back = fromSquare(op.chart, program, found)
      at[0] = back.x
      at[1] = back.y
    }
    at[2] = found.z
    hold(program, op, at)
  }
}

/** Share of a dusted line at so far from the boundary. */
function pencilShare({ pencilMm }: PourOp, above: number): number {
  const off = Math.abs(above)
  return off >= pencilMm ? 0 : Math.min(1, (pencilMm - off) / (0.4 * pencilMm))
}

/** Soft part of the seam between two colours of one stream, as a share of it. */
const SEAM = 0.012
/** Ribbons of two streams that touch in the air. */
const RIBBONS = 5

/** How much of a stream of two colours is the second, at a place in it: over the whole stream its share exactly. */
function partnerShare({ from, split }: NonNullable<PourOp['partner']>, u: number, q: number, v: number): number {
  let place = split === 'side' ? q : u
  if (split === 'mingled') {
    const turns = RIBBONS * q + 0.35 * Math.sin(6 * Math.PI * u) + 0.8 * v
    place = turns - Math.floor(turns)
    // The ribbon wraps round: its second seam lies at 0.
    if (place > 1 - SEAM) return 0.5 - (place - 1) / (2 * SEAM)
    if (place < SEAM) return 0.5 - place / (2 * SEAM)
  }
  const t = (place - from + SEAM) / (2 * SEAM)
  return t <= 0 ? 0 : t >= 1 ? 1 : t
}

function give(op: PourOp, u: number, q: number, v: number, share: number, out: Float64Array, depth: number): void {
  if (!op.pot) {
    const other = op.partner ? partnerShare(op.partner, u, q, v) : 0
    out[op.colour]! += share * (1 - other)
    if (op.partner) out[op.partner.colour]! += share * other
    return
  }
  const { program, from, to, isBack } = op.pot
  const along = from + (to - from) * (isBack ? 1 - u : u)
  const inPot = Float64Array.of(q * program.lengthMm, along * program.widthMm, v * program.heightMm)
  backtrace(program, inPot, out, share, depth + 1)
}
