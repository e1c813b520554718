import type { Words } from '../quantities/facts/index.ts'
import type { SuperfatBand } from '../recipe/index.ts'

/** What a batch divided into batters of their own is weighed from. */

/** A liquid, additive or colour, as weighed for the solution or for one batter. */
export interface BatterPart {
  kind: 'liquid' | 'additive' | 'colour'
  id: string
  name: string
  /** Its place among the recipe's liquids or additives, or the pot's colours. */
  index: number
  massG: number
  exactG: number
  stepG: number
}

/** Lye, water and what goes in with them. `totalG` is the sum of all its parts as weighed. */
export interface LyeSolution {
  lyeG: number
  lyeExactG: number
  waterG: number
  waterExactG: number
  parts: BatterPart[]
  totalG: number
}

export interface BatterOil {
  oil: string
  name: string
  massG: number
  exactG: number
  /** Held back until the batter is emulsified. */
  late: boolean
  /** Comes with the common melt and is not weighed for itself. */
  fromMelt: boolean
  /** Of this oil, what the cup's colours bring instead of the pot, g. */
  drawnG: number
}

/** One small batter: what it gets of everything. */
export interface BatterShare {
  /** The first of its cups, which it is known by; all of them; and what they are called. */
  cup: string
  cups: string[]
  name: Words
  /** Batter that the cup needs; and plain batter kept back of it, drawn before scent and colour. */
  batterG: number
  blankG: number
  /** In the order of the recipe. */
  oils: BatterOil[]
  /** From the common melt, poured as one; 0 without one. */
  meltG: number
  /** The melt left in the pot after it, g: what the scale should show. */
  meltLeftG: number
  /** Of the common solution, g; 0 with one of its own. */
  solutionG: number
  /** Null: from the common one. */
  own: LyeSolution | null
  /** Weighed for this batter whichever way lye is divided: into its oils, or in at light trace. */
  parts: BatterPart[]
  /** Water that the cup's colours bring instead of the pot, g. */
  drawnWaterG: number
  /** Of this, lye as bought and plain water. */
  lyeG: number
  waterG: number
  superfatShare: number
  superfat: SuperfatBand
}

export interface DivisionSheet {
  /** In the order in which they are poured first. */
  batters: BatterShare[]
  /** The common melt with what clings to its pot; 0 without. */
  meltG: number
  meltClingG: number
  meltOils: { oil: string; name: string; massG: number; exactG: number }[]
  /** The common solution, null with one for each; and what of it clings to its jug. */
  solution: LyeSolution | null
  solutionClingG: number
}
