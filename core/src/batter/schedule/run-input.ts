import type { ScentMoment, ScentWay } from '../../recipe/index.ts'
import type { Blending, Cup, CupDraw, SeenBy, StopWhen, Waiting } from '../../plan/index.ts'
import type { Pace } from '../learning/index.ts'
import type { BatterEffect, RecipePace } from '../trace/index.ts'
import type { HandTimes } from './times.ts'
import type { Window } from './windows.ts'

/** A plan as a run needs it: cups, pours and tools as numbers. */

export interface CupTask extends BatterEffect {
  cup: Cup
  massG: number
  /** Its batter's: the pot's, or one with lye of its own. */
  pace: RecipePace
  /** Cups with the same letter share a batter of their own; empty: none. */
  batch: string
  /** Trace that it is blended on to by itself; null: as the pot is stopped. */
  stop: number | null
  /** When it is filled while the pot is blended; null: afterwards. */
  draw: CupDraw | null
  /** Seconds of stirring colour in; 0 without colour. */
  colourS: number
  /** When and how its scent goes in, ln(rate factor) at the dose it has, and the chance that it rices; null without scent. */
  scent: (ScentPace & { moment: ScentMoment; how: ScentWay }) | null
}

export interface ScentPace {
  lnRate: number
  sd: number
  ricing: number
  /** Cups with the same number have the same scent and share its variation. */
  group: number
}

/** Depths that are wished for of a stream, mm. */
export interface DepthWish {
  leastMm: number
  mostMm: number
}

export interface PourTask {
  pour: string
  /** Index of the cup. */
  cup: number
  massG: number
  seconds: number
  window: Window
  waitS: number
  dropMm: number
  overSpatula: boolean
  /** Earlier pours that lie in the same cavities, in their order. */
  below: number[]
  /** How deep the soap is that lies there, mm. */
  belowMm: number
  /** Whether the layer below must bear it, and the standing level that it must have at least for its sake. */
  isCarried: boolean
  leastBelow: number
  /** How far it is to dive into what lies below; null: not asked. With the stream it is poured in, m³/s and s over a spot. */
  depth: DepthWish | null
  flow: number
  contactS: number
  /** Blended with its scent and poured from the pot at once. */
  neverStops: boolean
  /** Tools used right after it. */
  tools: ToolTask[]
}

export interface ToolTask {
  /** Index of the move. */
  move: number
  seconds: number
  /** Hands that it takes. */
  hands: 1 | 2
  window: Window
  /** What it goes through: all that was poured, the top alone, or batter in the pot that is still stirred. */
  through: 'body' | 'top' | 'pot'
}

/** A plan as the timetable needs it: numbers only. */
export interface RunInput {
  pace: RecipePace
  /** The pot's, and those of batters with lye of their own. */
  paces: RecipePace[]
  potKg: number
  superfatShare: number
  /** Each cup is a batter of its own, or shares one, blended right before it is needed. */
  ownBatters: boolean
  /**
   * Whipped: what its fats and lye come to, °C, and how long creaming and trickling take, s; lye solution, kg per kg of fat, and the share
   * of lye in it. Null: blended.
   */
  whipped: { startC: number; seconds: number; lyeKg: number; w: number } | null
  mixC: number
  roomC: number
  stopLevel: number
  stopWhen: StopWhen
  blendS: number
  leastS: number
  blenderStrength: number
  blending: Blending
  /** Whether each cup is coloured right before its first pour, instead of all before the first. */
  colourEach: boolean
  people: 1 | 2
  /** Times of the hands against the workshop's usual. */
  handPace: number
  times: HandTimes
  waiting: Waiting
  /** ln(rate) of maker, recipe and run: what is expected, and its spread. */
  rate: Pace
  /** What the model is off by at any one reading, levels. */
  levelError: number
  /** Trace that was seen in a cup, s after the lye went in. */
  seen: { cup: number; s: number; level: number; by: SeenBy }[]
  /** Spread of ln(rate factor) of the least known scent; 0 without scent. */
  scentSd: number
  /** What colour of the whole pot does to it. */
  potEffect: BatterEffect
  cups: CupTask[]
  pours: PourTask[]
  moveIds: string[]
}
