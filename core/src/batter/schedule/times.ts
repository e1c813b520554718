import type { Move, MoveTool } from '../../plan/index.ts'
import type { OwnTime, TimeKind } from '../../shelf/index.ts'

/** Seconds that the hands take for each thing: the usual ones, and a workshop's own. */

export type HandTimes = Readonly<Record<TimeKind, number>>

/** A pour that its time is given for, g. */
const POUR_OF_G = 250
/** Lifting the cup and wiping, s; and the stream, which is thicker from a larger cup. */
const POUR = { fixed: 12, factor: 1.34, power: 0.55 }
const usualPour = (massG: number): number => POUR.fixed + POUR.factor * Math.pow(massG, POUR.power)

/** Defaults before a workshop's own, s. Engineering estimates. */
export const USUAL_TIMES: HandTimes = {
  split: 15,
  'scent-pot': 30,
  colour: 45,
  'more-colour': 15,
  scent: 20,
  'own-lye': 20,
  pour: Math.round(usualPour(POUR_OF_G)),
  'tool-hanger': 8,
  'tool-skewer': 2.5,
  'tool-stick': 3,
  'tool-comb': 3,
  'tool-spoon': 9,
  'tool-spin': 4,
  'tool-fold': 4,
  'tool-stir': 5,
  'tool-decant': 8,
}

/** Seconds to take a tool up and to put it down. Engineering estimates. */
const TAKING_UP: Readonly<Record<MoveTool, number>> = {
  hanger: 15,
  skewer: 8,
  stick: 8,
  comb: 12,
  spoon: 8,
  spin: 4,
  fold: 5,
  stir: 4,
  decant: 10,
}

export const handTimes = (own: readonly OwnTime[] = []): HandTimes => ({
  ...USUAL_TIMES,
  ...Object.fromEntries(own.map(({ kind, seconds }) => [kind, seconds])),
})

/** Seconds for a pour of `massG`: about 40 for 250 g. */
export const pourSeconds = (massG: number, times: HandTimes = USUAL_TIMES): number =>
  (usualPour(massG) * times.pour) / USUAL_TIMES.pour

export const moveSeconds = (move: Pick<Move, 'tool' | 'count' | 'off'>, times: HandTimes = USUAL_TIMES): number =>
  move.off ? 0 : TAKING_UP[move.tool] + times[`tool-${move.tool}`] * move.count

/** Tools that one hand cannot hold, or that want the other at the mould. */
const BOTH_HANDS: readonly MoveTool[] = ['hanger', 'comb', 'spin', 'decant']

export const handsForTool = (tool: MoveTool): 1 | 2 => (BOTH_HANDS.includes(tool) ? 2 : 1)
