import { Block } from './block.ts'
import type { Faces } from './block-input.ts'
import type { BlockInput } from './block-input.ts'
import { Surroundings } from './surroundings.ts'
import type { RestBox } from '../../plan/index.ts'
import type { OvenCools, Phase, RoomFrom } from './surroundings.ts'

/** Heat, conversion and gel of a block at a moment, for the picture. */
export interface Frame {
  s: number
  /** °C, conversion and gelled share of each cell of the middle slice, row by row from the floor. */
  tempC: Float32Array
  converted: Float32Array
  gelled: Float32Array
}

export interface RestRunInput {
  block: BlockInput
  phases: readonly Phase[]
  /** Faces from each phase on, as it is wrapped then. */
  wraps: readonly Faces[]
  roomC: number
  oven?: OvenCools | null
  box?: RestBox
  /** Changes of the room after the pour. */
  room?: readonly RoomFrom[]
  /** Spreads of ln of rate and losses where earlier batches have narrowed them. */
  sd?: { rate: number; losses: number }
  untilS: number
  /** What the block's loss is multiplied with to be that of all moulds in one oven or box: m and halves, or quarters. */
  lengthInPlace: number
  /** Seconds between frames; 0: none. */
  frameS: number
  /** The batch's own readings went into it: warmth of the pour and the room are better known. */
  isRead?: boolean
  /** Only what gels is asked: few looks, and a stop once it only cools after the last change. */
  isQuick?: boolean
  /** Asked at every point of the curve: whether the rest of it may be left out. */
  isDone?: (so: RestHistory) => boolean
}

export interface CurvePoint {
  s: number
  core: number
  side: number
  top: number
  corner: number
  /** Of what the mould stands in. */
  around: number
  meanConverted: number
  leastConverted: number
  gelledShare: number
}

export interface RestHistory {
  block: Block
  curve: CurvePoint[]
  frames: Frame[]
  peakC: number
  peakS: number
}

/**
 * Between points of the curves, and the longest step of what closes around a mould, s: close together as long as much happens
 * after the pour or a change of place, further apart later.
 */
const CURVE_S = { soon: 300, later: 600 } as const
const ENCLOSED_S = { soon: 60, later: 300 } as const
const SOON_S = 6 * 3600
const QUICK_S = { open: 1200, enclosed: 120 } as const
/** So much cooler than its peak since the last change it does not warm again by itself, K; after so long at least, s. */
const COOLED_K = 2
const SETTLES_S = 1.5 * 3600
/** A rest is followed so long at most, s: cold ones take days. */
export const LONGEST_S = 120 * 3600

/** A field's middle slice, row by row from the floor. */
export function middleSlice(field: Float64Array, { nx, ny, nz }: Pick<BlockInput, 'nx' | 'ny' | 'nz'>): Float32Array {
  const slice = new Float32Array(nx * ny)
  for (let y = 0; y < ny; y += 1) for (let x = 0; x < nx; x += 1) slice[y * nx + x] = field[y * nx * nz + x]!
  return slice
}

const frameOf = ({ T, X, g, timeS, input }: Block): Frame => ({
  s: timeS,
  tempC: middleSlice(T, input),
  converted: middleSlice(X, input),
  gelled: middleSlice(g, input),
})

function pointOf(block: Block, around: number): CurvePoint {
  const { nx, ny, nz } = block.input
  const { T, X, g, volume } = block
  const plane = nx * nz
  let whole = 0
  let mean = 0
  let gelled = 0
  let least = 1
  for (let i = 0; i < block.n; i += 1) {
    const v = volume[i % nx]!
    whole += v
    mean += v * X[i]!
    gelled += v * g[i]!
    if (X[i]! < least) least = X[i]!
  }
  const middle = (ny >> 1) * plane
  return {
    s: block.timeS,
    core: T[middle]!,
    side: T[middle + nx - 1]!,
    top: T[(ny - 1) * plane]!,
    corner: Math.min(T[plane - 1]!, T[block.n - 1]!),
    around,
    meanConverted: mean / whole,
    leastConverted: least,
    gelledShare: gelled / whole,
  }
}

/**
 * Works a rest through from the pour on, with every change of place and wrap at its time. Yields the share done from time to
 * time, so that a worker can tell of it and stop.
 */
export function* restHistory(input: RestRunInput): Generator<number, RestHistory> {
  const block = new Block({ ...input.block, faces: input.wraps[0]! })
  const place = new Surroundings(input.phases, input.roomC, input.oven, input.box, input.room)
  // Layers that wait for the last pour; times count from there.
  if (block.timeS < 0) block.run(0, place.at(0))
  const changes = place.changes.filter(s => s > 0 && s < input.untilS)
  const lastChangeS = Math.max(0, ...changes)
  const curve: CurvePoint[] = []
  const frames: Frame[] = []
  let peakC = -Infinity
  let peakS = 0
  let lastPeakC = -Infinity
  let phase = 0
  let nextFrame = 0
  while (block.timeS < input.untilS - 1e-6) {
    const now = block.timeS
    const at = place.phaseAt(now)
    if (at !== phase) {
      phase = at
      block.rewrap(input.wraps[at]!)
    }
    if (input.frameS > 0 && now >= nextFrame - 1e-6) {
      frames.push(frameOf(block))
      nextFrame += input.frameS
    }
    const around = place.at(now)
    const isEnclosed = ['oven', 'box'].includes(input.phases[at]!.place)
    const event = changes.find(s => s > now + 1e-6) ?? input.untilS
    const frameAt = input.frameS > 0 ? nextFrame : Infinity
    const when = now - Math.max(0, input.phases[at]!.fromS) < SOON_S ? 'soon' : 'later'
    const usual = isEnclosed ? ENCLOSED_S[when] : CURVE_S[when]
    const lookS = input.isQuick ? QUICK_S[isEnclosed ? 'enclosed' : 'open'] : usual
    const until = Math.min(input.untilS, event, frameAt, now + lookS)
    const last = curve.at(-1)
    if (!input.isQuick && (!last || now - last.s >= CURVE_S[when] - 1)) {
      curve.push(pointOf(block, around.airC))
      if (input.isDone?.({ block, curve, frames, peakC, peakS })) break
    }
    block.run(until, around)
    place.after(now, block.timeS - now, block.lossNow() * input.lengthInPlace)
    let hottest = -Infinity
    for (let i = 0; i < block.n; i += 1) if (block.T[i]! > hottest) hottest = block.T[i]!
    if (hottest > peakC) {
      peakC = hottest
      peakS = block.timeS
    }
    yield block.timeS / input.untilS
    if (block.timeS > lastChangeS) lastPeakC = Math.max(lastPeakC, hottest)
    if (input.isQuick && block.timeS > lastChangeS + SETTLES_S && hottest < lastPeakC - COOLED_K) break
  }
  if (curve.at(-1)?.s !== block.timeS) curve.push(pointOf(block, place.at(block.timeS).airC))
  if (input.frameS > 0) frames.push(frameOf(block))
  return { block, curve, frames, peakC: Math.max(...block.hottest), peakS }
}

/** The same without stopping in between. */
export function workedThrough(input: RestRunInput): RestHistory {
  const steps = restHistory(input)
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}
