/** What batter of a trace level looks like: engineering estimates, tuned by eye on rendered faces. Lengths in mm. */
export interface Look {
  edgeMm: number
  frayMm: number
  frayWaveMm: number
  /** Factors on a tool's drag and on the width of its core. */
  drag: number
  core: number
  /** Half-width to which a stream spreads. */
  spreadMm: number
  /** Factor on how deep a falling stream dives. */
  dive: number
  /** Largest unevenness that a layer's face keeps, root mean square. */
  textureMm: number
}

/** Emulsion to thin, light, medium, thick. */
const LEVELS = [1.3, 2, 3, 4] as const
const TABLE: readonly Look[] = [
  { edgeMm: 1.5, frayMm: 2, frayWaveMm: 16, drag: 1.4, core: 1.3, spreadMm: 45, dive: 1.3, textureMm: 0.5 },
  { edgeMm: 0.8, frayMm: 1, frayWaveMm: 14, drag: 1.2, core: 1.1, spreadMm: 36, dive: 1, textureMm: 1 },
  { edgeMm: 0.35, frayMm: 0.5, frayWaveMm: 12, drag: 1, core: 1, spreadMm: 28, dive: 0.6, textureMm: 2 },
  { edgeMm: 0.15, frayMm: 0.3, frayWaveMm: 5, drag: 0.6, core: 0.8, spreadMm: 18, dive: 0.25, textureMm: 3 },
]

/** The look at a trace level, between the four that are known; beyond them the nearest. */
export function lookAt(level: number): Look {
  const top = LEVELS.findIndex(known => level <= known)
  if (top === 0) return TABLE[0]!
  if (top < 0) return TABLE.at(-1)!
  const [below, above] = [TABLE[top - 1]!, TABLE[top]!]
  const t = (level - LEVELS[top - 1]!) / (LEVELS[top]! - LEVELS[top - 1]!)
  const keys = Object.keys(below) as (keyof Look)[]
  return Object.fromEntries(keys.map(key => [key, below[key] + (above[key] - below[key]) * t])) as unknown as Look
}

/** A stream from a narrow lip. */
const STREAM_MM = 5

/** How deep a stream dives that falls so far, mm. Engineering estimate, to a factor of 1.5. */
export const diveMm = (dropMm: number, look: Look): number => 6 * STREAM_MM * Math.sqrt(dropMm / 100) * look.dive
