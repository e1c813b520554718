import { baseAreaMm2 } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'

/** A line that only just covers: 5 mg to a square centimetre, an estimate; more of it parts the layers. */
const COVERS_G_PER_MM2 = 0.005 / 100

/** Powder sieved on a layer before the next is poured. */
export interface DustedLine {
  pour: string
  colorant: string
  name: string
  exactG: number
  /** What it lies on and under, for a label: the number of the pour that covers it. */
  under: number
}

/** Powder for every line of the score, in all moulds. */
export function dustedLines(plan: Plan, shelf: Shelf): DustedLine[] {
  const areaMm2 = [plan.mould, ...plan.moreMoulds].reduce((sum, mould) => sum + baseAreaMm2(mould), 0)
  return plan.score.flatMap(({ id, shape }, i) => {
    if (shape.pencil === '' || i === 0) return []
    const name = findById(shelf.colorants, shape.pencil)?.name ?? shape.pencil
    return [{ pour: id, colorant: shape.pencil, name, exactG: areaMm2 * COVERS_G_PER_MM2, under: i + 1 }]
  })
}
