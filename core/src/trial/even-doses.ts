import { deltaE, mixed } from '../look/colour/index.ts'
import type { Age, BaseTint, Pigment } from '../look/colour/index.ts'

/** Doses that are even steps to the eye: from a 48th of the highest on. */
const LEAST_SHARE = 1 / 48
const STEPS = 200

export interface EvenDoses {
  doses: number[]
  /** ΔE of a step. */
  step: number
}

/** @param most g per kg of batter @param count at least two */
export function evenDoses(pigment: Pigment, base: BaseTint, age: Age, most: number, count: number): EvenDoses {
  const all = Array.from({ length: STEPS + 1 }, (_, i) => most * LEAST_SHARE ** (1 - i / STEPS))
  const labs = all.map(gPerKg => mixed(base, [{ pigment, gPerKg }], age).lab)
  const gone = [0]
  for (let i = 1; i <= STEPS; i += 1) gone.push(gone[i - 1]! + deltaE(labs[i - 1]!, labs[i]!))
  const step = gone[STEPS]! / (count - 1)
  const doses = Array.from({ length: count }, (_, n) => {
    if (n === 0) return all[0]!
    if (n === count - 1) return most
    const i = gone.findIndex(sum => sum >= n * step)
    const share = (n * step - gone[i - 1]!) / Math.max(1e-9, gone[i]! - gone[i - 1]!)
    return all[i - 1]! * (all[i]! / all[i - 1]!) ** share
  })
  return { doses, step }
}
