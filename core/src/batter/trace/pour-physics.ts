import { levelOfYield, viscosity, yieldStress } from './scale.ts'

/**
 * Whether batter poured from a height breaks through what lies beneath, and how far it dives: momentum against the bearing
 * strength and the drag of a yield-stress fluid. The form is reasoned, the coefficients are estimates (a factor of 1.6
 * either way). Lengths in mm, densities in kg/m³.
 */
const LIP_SPEED = 0.2
const GRAVITY = 9.81
const DENSITY = 1000
/** Share of the speed left when the stream runs over a spatula. */
const OVER_SPATULA = 0.35
/** Plastic bearing factor, and the strength over momentum at which a layer carries. */
const BEARING = 5.7
const CARRIES = 1.3
/** A jug's stream, m³/s, and how long it stays over one spot, s. */
const JUG_FLOW = 40e-6
const CONTACT_S = 1

/** Speed in m/s of a stream after `dropMm`. */
export const streamSpeed = (dropMm: number, overSpatula: boolean): number =>
  (overSpatula ? OVER_SPATULA : 1) * Math.sqrt(LIP_SPEED * LIP_SPEED + (2 * GRAVITY * dropMm) / 1000)

/** Standing level that a lower layer needs so that the next does not break through; 5.01 = cannot be reached. */
export function levelThatCarries(dropMm: number, overSpatula: boolean): number {
  const speed = streamSpeed(dropMm, overSpatula)
  return levelOfYield((CARRIES * 0.5 * DENSITY * speed * speed) / BEARING)
}

export interface Stream {
  dropMm: number
  overSpatula: boolean
  /** m³/s; a jug's if left out. */
  flow?: number
  /** Seconds over one spot: 1 for a straight pour, 0.2 to 0.5 for a moving drizzle. */
  contactS?: number
}

/** How deep a stream goes into batter that stands at `level`, mm; 0: it stays on top. */
export function diveDepthMm(stream: Stream, level: number): number {
  const { flow = JUG_FLOW, contactS = CONTACT_S } = stream
  const speed = streamSpeed(stream.dropMm, stream.overSpatula)
  const radius = Math.sqrt(flow / (Math.PI * speed))
  const momentum = DENSITY * flow * speed
  const strength = Math.max(yieldStress(level), 0.02)
  if ((BEARING * strength) / (0.5 * DENSITY * speed * speed) >= CARRIES) return 0
  const thinning = 1 - 0.2 * Math.min(3, Math.max(0, level - 1))
  const drag = viscosity(level) * Math.pow(Math.max(1, speed / radius / 10), thinning - 1)
  const held = Math.sqrt(momentum / (BEARING * Math.PI * strength))
  const slowed = Math.sqrt((momentum * contactS) / (2 * Math.PI * drag))
  return 1000 * Math.min(held, slowed)
}

/** Level at which a layer of `heightMm`, levelled in a tilted mould, stays as it is when the mould is set down. */
export const levelThatStaysTilted = (heightMm: number, tiltDeg: number): number =>
  levelOfYield((DENSITY * GRAVITY * heightMm * Math.sin((Math.abs(tiltDeg) * Math.PI) / 180)) / 1000)

/** Height in mm of a peak that batter at `level` holds; `density` 650 for whipped batter. */
export const peakHeightMm = (level: number, density = DENSITY): number =>
  (1000 * Math.sqrt(3) * yieldStress(level)) / (density * GRAVITY)
