import { ONLY, SAYS, THINNER } from './way-out.ts'
import type { Trouble } from './way-out.ts'

/** What was forgotten, weighed wrong, or does not fit. */
export const AMOUNTS = {
  'wrong-weight': {
    title: 'A wrong weight',
    signs:
      'Write down what was really weighed, on Weigh or in the bench’s log: what would put it right is reckoned here.',
    ways: [
      {
        what: 'Too much water: go on, under a cover, out of the mould later.',
        cost: 'time',
        only: [SAYS('the lye is 24 % or stronger')],
      },
      {
        what: 'Too much scent: spoon out what floats, else more plain batter into that cup.',
        cost: 'a minute',
        only: [SAYS('above its limit: if it stays above, the bars are neither given nor sold')],
      },
      {
        what: 'An oil short: add it now, melted and as warm as the batter.',
        cost: 'a fifth of a level thinner; two minutes',
        only: [THINNER.custard],
        stop: 'pudding',
      },
      {
        what: 'Too much lye, and nobody knows how much, or it is thick already: do not mould it. Discard it as caustic.',
        cost: 'all of it',
        only: [SAYS('not known to the gram')],
      },
    ],
    stop: 'No lye is added on suspicion, ever. Verdict and labels go by the weights that are written down.',
  },
  'no-scent': {
    title: 'The scent was forgotten',
    signs: 'The bottle still stands there, weighed.',
    ways: [
      {
        what: 'Into the pot now, stirred by hand for a minute, and then divide.',
        cost: 'a minute, and what the scent quickens',
        only: [ONLY.whole, THINNER.custard],
      },
      {
        what: 'Each cup its share, weighed, right before its first pour, stirred by hand.',
        cost: '20 seconds a cup; streaks if it is not stirred enough',
        only: [ONLY.divided, THINNER.pudding],
      },
      {
        what: 'All cups back into the pot, scent, divide again.',
        cost: 'four minutes and a level of trace',
        only: [ONLY.divided, ONLY.notPoured, SAYS('all are plain')],
        stop: 'pudding',
      },
      { what: 'Go on unscented.', cost: 'the scent' },
    ],
    stop: 'In the mould already: none is poured on top, it would not go in. Its limit holds now too.',
  },
  'no-additive': {
    title: 'An additive was forgotten',
    signs: 'It stands there, weighed, and the batter is on its way.',
    ways: [
      {
        what: 'Wet it in its own weight of recipe oil or water kept back; stir it in. Salt and sugar only dissolved.',
        cost: 'a tenth to a third of a level; a minute',
        only: [THINNER.folds, SAYS('it takes no lye')],
      },
      {
        what: 'The same into the cups that are still thin.',
        cost: 'only they have it',
        only: [ONLY.divided, THINNER.folds, SAYS('it takes no lye')],
      },
      { what: 'Leave it out, and write that down.', cost: 'what it was to do' },
    ],
    stop: 'Never an acid or milk now: they change the lye and the heat.',
  },
  'no-colour': {
    title: 'A colour was forgotten',
    signs: 'The cup is plain and its pour is next.',
    ways: [
      {
        what: 'Colour that is wetted, stirred by hand into that cup.',
        cost: 'a tenth of a level; a minute',
        only: [THINNER.folds],
      },
      { what: 'Pour it plain.', cost: 'its look' },
    ],
    stop: 'No dry powder into a cup: lumps, and dust that is breathed.',
  },
  'too-little': {
    title: 'There is too little batter',
    signs: 'The cups hold less than their layers need.',
    ways: [
      {
        what: 'Every layer that is left a little lower, by the same share; the top keeps its height.',
        cost: 'lower bars',
        only: [SAYS('less than 15 % is missing')],
      },
      { what: 'Leave out the last layer.', cost: 'its look; thinner bars' },
      {
        what: 'Block off one end of the mould.',
        cost: 'a minute',
        only: [SAYS('a block is at hand; watch for leaks')],
      },
    ],
    stop: 'Weigh what the cups hold and note it under “Measured”: the pours are reckoned anew.',
  },
  'too-much': {
    title: 'There is too much batter',
    signs: 'The mould is full and a cup is not empty.',
    ways: [
      { what: 'Into spare cavities, labelled with cup and time. Raw: gloves.', cost: 'a minute' },
      {
        what: 'Peaks on the top with a spoon.',
        cost: 'two minutes',
        only: [{ words: 'pudding or thicker', holds: ({ level }) => (level === null ? null : level > 3) }],
      },
    ],
    stop: 'Nothing runs down a drain.',
  },
} as const satisfies Record<string, Trouble>
