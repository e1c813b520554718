import { SAYS, THINNER } from './way-out.ts'
import type { Trouble } from './way-out.ts'

/** At the mould, and what happens to hands and vessels. */
export const MOULD_AND_ACCIDENTS = {
  'broke-through': {
    title: 'A layer broke through',
    signs: 'The pour went into the one below instead of lying on it.',
    ways: [
      { what: 'Stop. The rest over a spatula, one centimetre above, from the rim inward.', cost: 'a slower pour' },
      {
        what: 'Wait until what lies below carries.',
        cost: 'two minutes or more for every cup',
        only: [SAYS('the cup above still has its minutes')],
      },
      { what: 'Make a swirl of it: a skewer once through both.', cost: 'the planned line', only: [THINNER.pudding] },
    ],
    stop: 'The place cannot be mended; the next layer covers it.',
  },
  overflow: {
    title: 'The mould runs over',
    signs: 'It stands at the rim and rises, or there is more to come.',
    ways: [
      { what: 'Stop pouring. Spoon it off into a spare mould, wipe with paper.', cost: 'two minutes' },
      { what: 'Peaks on the top, or spare cavities for what is left.', cost: 'a minute' },
    ],
    stop: 'The paper is caustic waste: gloves, and out of reach.',
  },
  leaks: {
    title: 'The mould leaks',
    signs: 'Batter at a seam or below.',
    ways: [
      { what: 'Press the wall, tape outside, set it in a tray. Gloves.', cost: 'a minute', only: [SAYS('drops')] },
      {
        what: 'Spoon it out, line anew, pour again.',
        cost: 'a level of trace; six minutes; the design',
        only: [THINNER.pudding, SAYS('it runs')],
      },
    ],
    stop: 'What ran out is wiped with paper; the rest is as sound as before.',
  },
  overheating: {
    title: 'It overheats in the mould',
    signs: 'The top domes, cracks or oozes; the mould is hot to the hand.',
    ways: [
      { what: 'Uncover it, onto a tray, to a cool place, a fan on it. Face away: hot and caustic.', cost: 'a minute' },
      {
        what: 'Stir the top down with a spoon. Goggles.',
        cost: 'the top; a minute',
        only: [SAYS('within a centimetre of the rim')],
      },
      {
        what: 'Into the freezer for half an hour, then into the room. Not beside food.',
        cost: 'half an hour',
        only: [SAYS('below 95 °C, and it fits')],
      },
    ],
    stop: 'Bars of the middle are looked at first when it is cut: tunnels, liquid.',
  },
  spill: {
    title: 'Something is spilt',
    signs: 'On skin: rinse first, cool running water for 15 to 20 minutes; the batch can wait.',
    ways: [
      {
        what: 'Gear on, people and animals away. Scrape with plastic, wipe with paper, rinse the place with much water.',
        cost: 'two minutes',
      },
      { what: 'Lye grains: sweep them up dry, never with bare hands.', cost: 'a minute' },
      {
        what: 'Weigh what is left in the cup, and note it under “Measured”: pours are reckoned anew.',
        cost: 'that layer is thinner',
      },
    ],
    stop: 'Lye or batter in the eyes: rinse at once, keep rinsing, get emergency help. No vinegar. Shoes that soaked are thrown away.',
  },
  'broke-vessel': {
    title: 'A vessel broke',
    signs: 'Safety first: shards and lye.',
    ways: [{ what: 'What is still in it into a spare jug, if no shard is in it; weigh it there.', cost: 'some grams' }],
    stop: 'Batter with shards in it is thrown away.',
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
} as const satisfies Record<string, Trouble>
