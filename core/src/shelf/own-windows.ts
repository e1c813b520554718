import { Choice, NumberFrom } from '../document/fields/index.ts'

/** What windows are for, in words. Pours are judged by the stirred cup, tools by what stands in the mould. */
export const WINDOW_KINDS = {
  plain: 'the only pour of its mould',
  floor: 'soap that others sink into',
  mat: 'soap on a relief mat',
  layer: 'a level layer',
  rough: 'a rustic or clouded layer',
  flooded: 'a level layer over a rough one',
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
  'tool-scooped': 'chopstick or spoon through scooped soap',
  'tool-comb': 'the comb',
  'tool-spoon': 'spoon plunges',
  'tool-spin': 'turning the mould',
  'tool-fold': 'spatula folds',
  'tool-stir': 'the spatula round the pot',
  'tool-decant': 'pouring out of the pot',
} as const
export type WindowKind = keyof typeof WINDOW_KINDS

/** A window that the workshop has shifted for itself. */
export class OwnWindow {
  @Choice(Object.keys(WINDOW_KINDS), 'A window is of one of the known ways of pouring, or of a tool.')
  kind!: WindowKind

  @NumberFrom(0.8, 4.8, 'A window starts at trace 0.8 to 4.8.')
  lo!: number

  @NumberFrom(1, 5, 'A window ends at trace 1 to 5.')
  hi!: number
}
