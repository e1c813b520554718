import type { HOW } from './event.ts'

/** What can go wrong while a batch is made, and the ways out in the order in which they are tried. */

export type TroubleKind = keyof (typeof HOW)['wrong']

export interface WayOut {
  what: string
  /** What it costs: trace, minutes, looks. */
  cost: string
}

export interface Trouble {
  title: string
  /** How it is told from what looks like it. */
  signs: string
  ways: readonly WayOut[]
  /** When it is not gone on with. */
  stop: string
}

/** Rules of the craft, not of a model: minutes and levels are what makers reckon with. */
export const TROUBLES: Readonly<Record<TroubleKind, Trouble>> = {
  'too-thick': {
    title: 'It thickens too fast',
    signs: 'Trails stay, it heaps on the spoon; warmer than it was.',
    ways: [
      { what: 'No more blender. Stir by hand, keep it moving.', cost: 'a hand that is busy; it gains a minute or two' },
      { what: 'Pour this cup now, before the others.', cost: 'the order of the layers' },
      { what: 'Go over to the plan B that you chose; the sheet has it.', cost: 'the planned look, for one that works' },
      { what: 'Leave the scent out of the cups that have none yet.', cost: 'those cups stay unscented' },
      { what: 'Spoon it in and press it down, no gaps.', cost: 'straight lines' },
    ],
    stop: 'When it no longer gives under the spoon it is pressed into a mould of its own, not over the others.',
  },
  'too-thin': {
    title: 'It stays too thin',
    signs: 'A drip sinks at once, layers would run together.',
    ways: [
      { what: 'Wait, and look again in two minutes.', cost: 'two minutes' },
      { what: 'Three seconds of blender, then stir and look.', cost: 'about a quarter of a level of trace' },
      { what: 'Pour over a spatula, low.', cost: 'a slower pour' },
    ],
    stop: 'Thin for half an hour: is all the lye in, was it weighed? Look at the weights before more is done.',
  },
  ricing: {
    title: 'Ricing',
    signs: 'Small firm grains in a thinner liquid, like cooked rice; it comes with the scent.',
    ways: [
      { what: 'Blend that cup for 15 seconds, until it is smooth.', cost: 'about a level of trace, at once' },
      { what: 'Pour it first, thick as it is now.', cost: 'the order of the layers' },
      { what: 'Leave the scent out of the other cups.', cost: 'those cups stay unscented' },
    ],
    stop: 'Grains that do not blend out are fat and lye apart: do not pour that cup over the others.',
  },
  lumps: {
    title: 'Lumps of colour',
    signs: 'Soft lumps or specks on the spoon, in one cup; the batter around them is smooth.',
    ways: [
      { what: 'Press them out against the wall with the spoon.', cost: 'half a minute of stirring' },
      { what: 'Through a strainer into another cup.', cost: 'a minute; a few grams stay behind' },
      { what: 'A short burst of blender.', cost: 'about a quarter of a level of trace' },
    ],
    stop: 'Specks are a matter of looks: pour it.',
  },
  split: {
    title: 'It separates',
    signs: 'Oil beads at the rim, streaks run, wet and grainy.',
    ways: [
      {
        what: 'Gloves on. Blend on until no streak is left, then test again whether it holds.',
        cost: 'one or two levels of trace',
      },
      { what: 'Cold fat? Warm the pot in a water bath by a few degrees, then blend on.', cost: 'five minutes' },
      { what: 'One cup alone: blend that cup by itself.', cost: 'that cup is thick' },
    ],
    stop: 'What does not come together is not poured, not used and not sold: lye lies free in it.',
  },
  spill: {
    title: 'Something is spilt',
    signs: 'On skin: rinse first, cool running water for 15 to 20 minutes; the batch can wait.',
    ways: [
      { what: 'Wipe up with paper, gloves on; rinse the place with much water.', cost: 'a minute' },
      {
        what: 'Weigh what is left in the cup, and note it under “Measured”: pours are reckoned anew.',
        cost: 'that layer is thinner',
      },
    ],
    stop: 'Lye or batter in the eyes: rinse at once, keep rinsing, get emergency help.',
  },
  'broke-vessel': {
    title: 'A vessel broke or leaks',
    signs: 'Safety first: shards and lye.',
    ways: [
      { what: 'What is still in it into a spare jug, if no shard is in it.', cost: 'some grams' },
      { what: 'A mould that leaks: a tray below, tape outside, pour slowly.', cost: 'a seam' },
    ],
    stop: 'Batter with shards in it is thrown away.',
  },
  scorch: {
    title: 'It got too hot',
    signs: 'Dark streaks, a burnt smell, milk gone orange.',
    ways: [
      { what: 'Off the heat; stir, and let it cool until a hand can stay on the pot.', cost: 'some minutes' },
      { what: 'Strain out what is brown.', cost: 'a minute' },
    ],
    stop: 'A burnt smell stays in the bar.',
  },
  putty: {
    title: 'A cup set like putty',
    signs: 'It keeps the shape of the cup and does not give under the spoon.',
    ways: [
      {
        what: 'Press it into the mould by the spoon now, if its turn is next.',
        cost: 'straight lines; gaps if it is not pressed down',
      },
      {
        what: 'Into a mould of its own, pressed flat: a bar by itself, or pieces to set into another batch.',
        cost: 'that layer',
      },
      { what: 'Share its place among the cups that still run.', cost: 'one colour fewer' },
    ],
    stop: 'No water and no lye to thin it; no blender in putty: it traps air and burns out.',
  },
  'no-scent': {
    title: 'The scent was forgotten',
    signs: 'The bottle still stands there, weighed.',
    ways: [
      { what: 'Not divided yet: into the pot now, stirred by hand, and then divide.', cost: 'half a minute' },
      {
        what: 'Divided: each cup its share, right before its first pour, stirred by hand.',
        cost: '20 seconds a cup; streaks if it is not stirred enough',
      },
      {
        what: 'All cups still thin and of one colour: back into the pot, scent, divide again.',
        cost: 'three minutes and half a level of trace',
      },
      { what: 'Leave these cups without.', cost: 'a weaker scent, evenly spread by the cure as far as it goes' },
    ],
    stop: 'In the mould already: none is poured on top, it would not go in.',
  },
  'broke-through': {
    title: 'A layer broke through',
    signs: 'The pour went into the one below instead of lying on it.',
    ways: [
      { what: 'Stop. Two minutes of waiting firm up what lies below.', cost: 'two minutes for every cup' },
      { what: 'Go on with a spoon or over a spatula, from the rim inward, close above.', cost: 'a slower pour' },
      { what: 'Make a swirl of it: a skewer once through both.', cost: 'the planned line' },
    ],
    stop: 'The place cannot be mended; the next layer covers it.',
  },
  'no-tool': {
    title: 'A tool is missing',
    signs: 'It is not where it should be, and the batter goes on.',
    ways: [
      { what: 'A skewer, a chopstick, a bent wire or a spoon handle instead.', cost: 'finer or coarser lines' },
      { what: 'Leave this move out: “done” on its step with a note.', cost: 'that figure' },
      { what: 'Plan B, if the design needs it.', cost: 'the planned look' },
    ],
    stop: 'No aluminium, brass or bare wood that sheds into raw batter.',
  },
  other: {
    title: 'Something else',
    signs: 'Noted with its time; add a note of what it was.',
    ways: [],
    stop: 'What cannot be explained by weights and order of work is not used or sold.',
  },
}
