import { Section } from './section.ts'
import type { SectionInput } from './section.ts'
import { Surroundings } from './surroundings.ts'
import type { Phase } from './surroundings.ts'

/** Heat, conversion and gel of a section at a moment, for the picture. */
export interface Frame {
  s: number
  /** °C, conversion and gelled share of each cell, row by row from the bottom. */
  tempC: Float32Array
  converted: Float32Array
  gelled: Float32Array
}

export interface RestJob {
  section: SectionInput
  phases: readonly Phase[]
  /** Faces from each phase on, as it is wrapped then. */
  wraps: readonly SectionInput['faces'][]
  roomC: number
  untilS: number
  /** m of mould that stand in one oven or box, both halves counted: what the section's loss is multiplied with. */
  lengthInPlace: number
  /** Seconds between frames; 0: none. */
  frameS: number
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
  section: Section
  curve: CurvePoint[]
  frames: Frame[]
  peakC: number
  peakS: number
}

/** Longest step of what closes around a mould, and between points of the curves, s. */
const CURVE_S = 300
const ENCLOSED_S = 60

const copy = (from: Float64Array): Float32Array => Float32Array.from(from)

function pointOf(section: Section, around: number): CurvePoint {
  const { nx, ny } = section.input
  const { T, X, g, volume } = section
  let whole = 0
  let mean = 0
  let gelled = 0
  let least = 1
  for (let i = 0; i < section.n; i += 1) {
    const v = volume[i % nx]!
    whole += v
    mean += v * X[i]!
    gelled += v * g[i]!
    if (X[i]! < least) least = X[i]!
  }
  const middle = (ny >> 1) * nx
  return {
    s: section.timeS,
    core: T[middle]!,
    side: T[middle + nx - 1]!,
    top: T[(ny - 1) * nx]!,
    corner: Math.min(T[nx - 1]!, T[section.n - 1]!),
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
export function* restHistory(job: RestJob): Generator<number, RestHistory> {
  const section = new Section({ ...job.section, faces: job.wraps[0]! })
  const place = new Surroundings(job.phases, job.roomC)
  const changes = place.changes.filter(s => s > 0 && s < job.untilS)
  const curve: CurvePoint[] = []
  const frames: Frame[] = []
  let peakC = -Infinity
  let peakS = 0
  let phase = 0
  let nextFrame = 0
  while (section.timeS < job.untilS - 1e-6) {
    const now = section.timeS
    const at = place.phaseAt(now)
    if (at !== phase) {
      phase = at
      section.rewrap(job.wraps[at]!)
    }
    if (job.frameS > 0 && now >= nextFrame - 1e-6) {
      frames.push({ s: now, tempC: copy(section.T), converted: copy(section.X), gelled: copy(section.g) })
      nextFrame += job.frameS
    }
    const around = place.at(now)
    const isEnclosed = ['oven', 'box'].includes(job.phases[at]!.place)
    const event = changes.find(s => s > now + 1e-6) ?? job.untilS
    const frameAt = job.frameS > 0 ? nextFrame : Infinity
    const until = Math.min(job.untilS, event, frameAt, now + (isEnclosed ? ENCLOSED_S : CURVE_S))
    const last = curve.at(-1)
    if (!last || now - last.s >= CURVE_S - 1) curve.push(pointOf(section, around.airC))
    section.run(until, around)
    place.after(now, section.timeS - now, section.lossNow() * job.lengthInPlace)
    for (let i = 0; i < section.n; i += 1)
      if (section.T[i]! > peakC) {
        peakC = section.T[i]!
        peakS = section.timeS
      }
    yield section.timeS / job.untilS
  }
  curve.push(pointOf(section, place.at(section.timeS).airC))
  if (job.frameS > 0)
    frames.push({
      s: section.timeS,
      tempC: copy(section.T),
      converted: copy(section.X),
      gelled: copy(section.g),
    })
  return { section, curve, frames, peakC: Math.max(...section.hottest), peakS }
}

/** The same without stopping in between. */
export function workedThrough(job: RestJob): RestHistory {
  const steps = restHistory(job)
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}
