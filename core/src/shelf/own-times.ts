import { Choice, NumberFrom } from '../document/fields/index.ts'

/** Things that hands do, each with a time of its own. */
export const TIME_KINDS = {
  split: 'drawing a cup from the pot',
  'scent-pot': 'scent stirred into the pot',
  colour: 'a colour stirred into a cup',
  'more-colour': 'each further colour in it',
  scent: 'scent stirred into a cup',
  'own-lye': 'lye poured into a cup’s own oils',
  pour: 'pouring [250 g]',
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

/** A time that a workshop has measured for itself. */
export class OwnTime {
  @Choice(Object.keys(TIME_KINDS), 'A time is of one of the known things that hands do.')
  kind!: TimeKind

  @NumberFrom(0.5, 600, 'Hands take half a second to ten minutes for one thing.')
  seconds!: number
}
