import { Choice, NumberFrom } from '../fields/index.ts'
import type { Move, MoveTool } from '../plan/index.ts'

/** Seconds that the hands take for each thing: the usual ones, and a workshop's own. */

export const TIME_KINDS = {
  split: 'drawing a cup from the pot',
  'scent-pot': 'scent stirred into the pot',
  colour: 'a colour stirred into a cup',
  'more-colour': 'each further colour in it',
  scent: 'scent stirred into a cup',
  'own-lye': 'lye poured into a cup’s own oils',
  pour: 'pouring 250 g',
  'tool-hanger': 'a pass of the hanger wire',
  'tool-skewer': 'a stroke of the skewer',
  'tool-stick': 'a stroke of the chopstick',
  'tool-comb': 'a pass of the comb',
  'tool-spoon': 'a plunge of the spoon',
  'tool-spin': 'a turn of the mould',
  'tool-fold': 'a fold with the spatula',
  'tool-stir': 'a round in the pot',
  'tool-decant': 'pouring out of the pot',
} as const
export type TimeKind = keyof typeof TIME_KINDS
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

/** A time that a workshop has measured for itself. */
export class OwnTime {
  @Choice(Object.keys(TIME_KINDS), 'A time is of one of the known things that hands do.')
  kind!: TimeKind

  @NumberFrom(0.5, 600, 'Hands take half a second to ten minutes for one thing.')
  seconds!: number
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
