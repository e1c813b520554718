/** A batter from its lye to its hold test. Seconds of the run. */
export interface Blend {
  lyeInAt: number | null
  /** Seconds that the blender was on, and since when it is; null: it is off. */
  blendS: number
  blendingSince: number | null
  /** When blending stopped for good, as far as is known. */
  stoppedAt: number | null
  hold: 'holds' | 'breaks' | 'not-sure' | null
}

export const UNBLENDED: Blend = { lyeInAt: null, blendS: 0, blendingSince: null, stoppedAt: null, hold: null }
