export type HandlingMode = 'rest' | 'now-and-then' | 'stream' | 'hand' | 'whisk' | 'stick' | 'bursts'

/** Rate factor, growth of emulsion (1/s) and breakdown of rest structure (1/s). Fitted to bench observations. */
export interface Handling {
  mode: HandlingMode
  rate: number
  emulsify: number
  breakdown: number
  /** The emulsion that this movement makes without the help of soap, 0…1: a spoon makes coarse drops. */
  reach: number
  /** Whether its knives make the interface, so that what hastens adds little. */
  isBlender: boolean
}

const BURST_DUTY = 0.2

/** Power of a stick blender in `massKg` of batter, relative to 1.5 kg. */
export const blenderPower = (massKg: number, strength: number): number =>
  Math.min(2.2, Math.max(0.4, Math.pow(1.5 / massKg, 0.6))) * strength

const by = (
  mode: HandlingMode,
  [rate, emulsify, breakdown, reach]: readonly [number, number, number, number],
): Handling => ({ mode, rate, emulsify, breakdown, reach, isBlender: mode === 'stick' || mode === 'bursts' })

/** How a mode works on the batter; `power` matters only for the stick blender. */
export function handling(mode: HandlingMode, power = 1): Handling {
  switch (mode) {
    case 'rest':
      return by(mode, [0.44, 0, 0, 0])
    case 'now-and-then':
      return by(mode, [0.58, 1 / 800, 1 / 60, 0.18])
    // Poured on from a pot that never stood.
    case 'stream':
      return by(mode, [0.58, 0, 2, 0])
    case 'hand':
      return by(mode, [1, 1 / 300, 0.4, 0.16])
    case 'whisk':
      return by(mode, [1, 1 / 120, 0.6, 0.2])
    case 'stick':
      return by(mode, [19 * power, 0.088 * power, 2, 1])
    case 'bursts': {
      const still = 1 - BURST_DUTY
      return by(mode, [BURST_DUTY * 19 * power + still, BURST_DUTY * 0.088 * power + still / 300, 0.4, 1])
    }
  }
}
