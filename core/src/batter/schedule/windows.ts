import { cavityKinds } from '../../plan/index.ts'
import type { OwnWindow, WindowKind } from '../../shelf/index.ts'
import type { LayerFace, Move, MoveTool, Plan, Pour, PourWay } from '../../plan/index.ts'

/** Trace range that a pour or a tool needs, by the level at its start and at its end. */
export interface Window {
  lo: number
  hi: number
}

/**
 * Trace at which each thing lies as meant: streams must run, heaps must stand, a tool's furrow must close behind it yet not
 * blur. From the yield stress at each level and from practice; engineering estimates, for a workshop to shift.
 */
export const USUAL_WINDOWS: Readonly<Record<WindowKind, Window>> = {
  plain: { lo: 1.2, hi: 4.2 },
  floor: { lo: 1.2, hi: 3.3 },
  mat: { lo: 1.2, hi: 2.8 },
  layer: { lo: 2, hi: 3.3 },
  rough: { lo: 2.4, hi: 4.3 },
  flooded: { lo: 1.5, hi: 2.8 },
  swirled: { lo: 1.2, hi: 2.7 },
  line: { lo: 1.3, hi: 2.9 },
  walls: { lo: 1.3, hi: 2.8 },
  spots: { lo: 1.3, hi: 2.7 },
  drop: { lo: 1.2, hi: 3.2 },
  spoon: { lo: 2.6, hi: 4.4 },
  pot: { lo: 1.3, hi: 2.8 },
  drizzle: { lo: 1.3, hi: 3.2 },
  peaks: { lo: 3.4, hi: 4.6 },
  piped: { lo: 3.8, hi: 4.9 },
  'tool-hanger': { lo: 1.5, hi: 3 },
  'tool-skewer': { lo: 1.8, hi: 3.5 },
  'tool-stick': { lo: 1.5, hi: 3.1 },
  'tool-scooped': { lo: 1.8, hi: 3.9 },
  'tool-comb': { lo: 1.6, hi: 3.2 },
  'tool-spoon': { lo: 2, hi: 3.6 },
  'tool-spin': { lo: 1.2, hi: 2.5 },
  'tool-fold': { lo: 1.4, hi: 3.4 },
  'tool-stir': { lo: 1.2, hi: 2.7 },
  'tool-decant': { lo: 1.2, hi: 2.9 },
}

/** Batter whipped as a whole is spooned, scooped and piped; it does not set where it stands. */
const WHIPPED_WINDOWS: Partial<Readonly<Record<WindowKind, Window>>> = {
  peaks: { lo: 3.4, hi: 4.8 },
  piped: { lo: 3.8, hi: 4.9 },
}
const WHIPPED: Window = { lo: 3.4, hi: 4.9 }

/** From here on plain soap is spooned and textured instead of poured; a level layer may be laid on with a spoon up to there. */
export const SPOONED_FROM = 3.2
export const LAID_ON_UNTIL = 3.8
/** Standing level of a rough layer that is flooded. */
export const FLOODED_NEED = 3

/** A window is at least so wide: narrower ones are wishes. */
export const LEAST_WINDOW = 0.2

/** Faces that stay uneven: thinner batter levels out. */
const ROUGH: readonly LayerFace[] = ['rustic', 'clouds']
const THROUGH_BODY: readonly MoveTool[] = ['hanger', 'stick', 'comb', 'spoon', 'spin', 'fold']

/** Ways that the batter below must bear; a drizzle may go in, and is judged by how deep. */
const RESTS_ON: readonly PourWay[] = ['layer', 'spoon', 'peaks', 'piped']

/** Whether a tool goes through the body after all, so that layers are poured thin. */
export const isSwirled = (plan: Plan): boolean => plan.moves.some(move => !move.off && THROUGH_BODY.includes(move.tool))

/** Whether something is scooped into the mould: what a tool goes through is then thick by intention. */
export const isScooped = (plan: Plan): boolean => plan.score.some(pour => pour.shape.way === 'spoon')

export const restsOn = (pour: Pour): boolean => RESTS_ON.includes(pour.shape.way)

/** Pours that lie below or above the i-th in some cavity, by their place in the score. */
export function neighboursOf(plan: Plan, i: number): { below: number[]; above: number[] } {
  const inSame = new Set(cavityKinds(plan).flatMap(kind => (kind.pours.includes(i) ? kind.pours : [])))
  const list = [...inSame].sort((a, b) => a - b)
  return { below: list.filter(k => k < i), above: list.filter(k => k > i) }
}

const isRough = ({ shape }: Pour): boolean =>
  shape.way === 'spoon' || (shape.way === 'layer' && ROUGH.includes(shape.texture))

/** What kind of pour the i-th of a plan is. */
export function windowKindOf(plan: Plan, i: number): WindowKind {
  const { way, texture } = plan.score[i]!.shape
  if (way !== 'layer') return way
  const { below, above } = neighboursOf(plan, i)
  const isAlone = below.length + above.length === 0
  if (below.length === 0 && plan.finish.mat.texture !== 'flat') return 'mat'
  if (isAlone && !isSwirled(plan)) return 'plain'
  if (ROUGH.includes(texture) && !isSwirled(plan)) return 'rough'
  if (isSwirled(plan)) return isScooped(plan) ? 'floor' : 'swirled'
  if (below.length > 0 && isRough(plan.score[below.at(-1)!]!)) return 'flooded'
  const next = above[0]
  return next === undefined || restsOn(plan.score[next]!) ? 'layer' : 'floor'
}

const plain = ({ lo, hi }: Window): Window => ({ lo, hi })

/** The usual window of a kind, or the workshop's. */
export const usualWindow = (kind: WindowKind, own: readonly OwnWindow[]): Window =>
  plain(own.find(one => one.kind === kind) ?? USUAL_WINDOWS[kind])

/** What a pour needs: its own window, else the workshop's for its kind, else the usual one. */
export function windowOf(plan: Plan, i: number, own: readonly OwnWindow[] = []): Window {
  const kind = windowKindOf(plan, i)
  const usual = plan.whipped ? (WHIPPED_WINDOWS[kind] ?? WHIPPED) : usualWindow(kind, own)
  return plain(plan.score[i]!.window ?? usual)
}

const THROUGH_SCOOPED: readonly MoveTool[] = ['stick', 'spoon']

export const toolWindow = (plan: Plan, { tool }: Pick<Move, 'tool'>, own: readonly OwnWindow[] = []): Window =>
  usualWindow(THROUGH_SCOOPED.includes(tool) && isScooped(plan) ? 'tool-scooped' : `tool-${tool}`, own)
