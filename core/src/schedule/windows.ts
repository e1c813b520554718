import { IsIn } from 'class-validator'
import { NumberFrom } from '../checks/index.ts'
import type { LayerFace, Move, MoveTool, Plan, Pour, PourWay } from '../plan/index.ts'

/** Trace range that a pour or a tool needs, by the level at its start and at its end. */
export interface Window {
  lo: number
  hi: number
}

/** What windows are for, in words. Pours are judged by the stirred cup, tools by what stands in the mould. */
export const WINDOW_KINDS = {
  floor: 'plain soap, nothing over it',
  layer: 'a level layer',
  rough: 'a rustic or clouded layer',
  swirled: 'a pour that a tool is drawn through',
  line: 'lines along the mould',
  walls: 'down both walls',
  spots: 'spots one into the other',
  drop: 'a stream from a height',
  spoon: 'spooned heaps',
  pot: 'into the pot, swirled there',
  drizzle: 'a drizzle over the top',
  peaks: 'peaks on the top',
  piped: 'piped rounds',
  'tool-hanger': 'the hanger wire',
  'tool-skewer': 'the skewer on the top',
  'tool-stick': 'the chopstick through the body',
  'tool-comb': 'the comb',
  'tool-spoon': 'spoon plunges',
  'tool-spin': 'turning the mould',
  'tool-fold': 'spatula folds',
  'tool-stir': 'the spatula round the pot',
  'tool-decant': 'pouring out of the pot',
} as const
export type WindowKind = keyof typeof WINDOW_KINDS

/**
 * Trace at which each thing lies as meant: streams must run, heaps must stand, a tool's furrow must close behind it yet not
 * blur. From the yield stress at each level and from practice; engineering estimates, for a workshop to shift.
 */
export const USUAL_WINDOWS: Readonly<Record<WindowKind, Window>> = {
  floor: { lo: 1.2, hi: 3.2 },
  layer: { lo: 2, hi: 3.2 },
  rough: { lo: 2.6, hi: 4 },
  swirled: { lo: 1.2, hi: 2.6 },
  line: { lo: 1.4, hi: 2.5 },
  walls: { lo: 1.4, hi: 2.5 },
  spots: { lo: 1.4, hi: 2.5 },
  drop: { lo: 1.3, hi: 2.4 },
  spoon: { lo: 3, hi: 4.3 },
  pot: { lo: 1.4, hi: 2.6 },
  drizzle: { lo: 1.4, hi: 2.8 },
  peaks: { lo: 3.5, hi: 4.5 },
  piped: { lo: 3.9, hi: 4.9 },
  'tool-hanger': { lo: 1.5, hi: 3 },
  'tool-skewer': { lo: 1.8, hi: 3.3 },
  'tool-stick': { lo: 1.5, hi: 3 },
  'tool-comb': { lo: 1.6, hi: 3.1 },
  'tool-spoon': { lo: 2, hi: 3.4 },
  'tool-spin': { lo: 1.2, hi: 2.5 },
  'tool-fold': { lo: 1.5, hi: 3.2 },
  'tool-stir': { lo: 1.2, hi: 2.6 },
  'tool-decant': { lo: 1.2, hi: 2.8 },
}

/** A window is at least so wide: narrower ones are wishes. */
export const LEAST_WINDOW = 0.2

/** A window that the workshop has shifted for itself. */
export class OwnWindow {
  @IsIn(Object.keys(WINDOW_KINDS), { message: 'A window is of one of the known ways of pouring, or of a tool.' })
  kind!: WindowKind

  @NumberFrom(0.8, 4.8, 'A window starts at trace 0.8 to 4.8.')
  lo!: number

  @NumberFrom(1, 5, 'A window ends at trace 1 to 5.')
  hi!: number
}

/** Faces that stay uneven: thinner batter levels out. */
const ROUGH: readonly LayerFace[] = ['rustic', 'clouds']
const THROUGH_BODY: readonly MoveTool[] = ['hanger', 'stick', 'comb', 'spoon', 'spin', 'fold']

/** Ways that the batter below must bear. */
const RESTS_ON: readonly PourWay[] = ['layer', 'spoon', 'drizzle', 'peaks', 'piped']

/** Whether a tool goes through the body after all, so that layers are poured thin. */
export const isSwirled = (plan: Plan): boolean => plan.moves.some(move => !move.off && THROUGH_BODY.includes(move.tool))

export const restsOn = (pour: Pour): boolean => RESTS_ON.includes(pour.shape.way)

/** What kind of pour the i-th of a plan is. */
export function windowKindOf(plan: Plan, i: number): WindowKind {
  const { way, texture } = plan.score[i]!.shape
  if (way !== 'layer') return way
  if (ROUGH.includes(texture) && !isSwirled(plan)) return 'rough'
  if (isSwirled(plan)) return 'swirled'
  const next = plan.score[i + 1]
  return plan.score.length > 1 && (!next || restsOn(next)) ? 'layer' : 'floor'
}

const plain = ({ lo, hi }: Window): Window => ({ lo, hi })

/** The usual window of a kind, or the workshop's. */
export const usualWindow = (kind: WindowKind, own: readonly OwnWindow[]): Window =>
  plain(own.find(one => one.kind === kind) ?? USUAL_WINDOWS[kind])

/** What a pour needs: its own window, else the workshop's for its kind, else the usual one. */
export const windowOf = (plan: Plan, i: number, own: readonly OwnWindow[] = []): Window =>
  plain(plan.score[i]!.window ?? usualWindow(windowKindOf(plan, i), own))

export const toolWindow = (move: Pick<Move, 'tool'>, own: readonly OwnWindow[] = []): Window =>
  usualWindow(`tool-${move.tool}`, own)
