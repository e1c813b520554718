import { ONLY, SAYS, THINNER } from './way-out.ts'
import type { Trouble } from './way-out.ts'

/** Batter that does what it should not. Rules of the craft, not of a model: minutes and levels are what makers reckon with. */
export const POT_AND_CUPS = {
  'too-thick': {
    title: 'It thickens too fast',
    signs: 'Trails stay, it heaps on the spoon; warmer than it was.',
    ways: [
      {
        what: 'Warm bowl or bag by a degree, in lukewarm water or in the hands, and fold; then look again.',
        cost: 'a minute a degree; it gets soft all at once',
        stop: 'the tips of the peaks bend over',
        batter: 'whipped',
      },
      {
        batter: 'blended',
        what: 'No more blender. Stir by hand, keep it moving, pour the lowest layers now.',
        cost: 'a hand that is busy; it gains a minute or two',
        only: [THINNER.thick],
      },
      {
        what: 'Leave the scent out of the cups that have none yet.',
        cost: 'those cups stay unscented',
        only: [ONLY.scentLeft, SAYS('the scent is what quickens it')],
      },
      {
        batter: 'blended',
        what: 'Set waiting cups in a bath 8 to 10 °C cooler and stir each once a minute. No water into the batter.',
        cost: 'three minutes; gains a fifth of a level every five',
        only: [ONLY.warm, SAYS('hands are free')],
        stop: 'oil shows as a film',
      },
      {
        what: 'Go over to the plan B that you chose; the sheet has it.',
        cost: 'the planned look, for one that works',
        only: [ONLY.planB],
      },
      {
        what: 'Spoon it in, press it down, tap on a folded towel: no gaps.',
        cost: 'straight lines; two minutes',
        only: [ONLY.held],
      },
    ],
    stop: 'When it no longer gives under the spoon see “It seized”. If the emulsion was never sound, too.',
  },
  seized: {
    title: 'It seized',
    signs: 'One solid lump, within seconds; often hot, often with the scent.',
    ways: [
      {
        what: 'Fold it with a strong spoon, move it to a wide pot. It is hot: eyes and face away.',
        cost: 'two minutes',
        only: [ONLY.notHot],
      },
      {
        what: 'Cook it at 70 to 80 °C under a lid, stirred every ten minutes, until it is even and translucent. Stay with it: it rises and spits.',
        cost: 'the design; 45 to 90 minutes',
        only: [SAYS('the pot holds twice as much')],
        stop: 'it rises to three quarters of the pot',
      },
      {
        what: 'Press it hot into a plain mould. “Cooked through” is answered yes on Faults only if it was even.',
        cost: 'the design; five minutes',
        only: [SAYS('even, and no liquid is left free')],
      },
      { what: 'Discard it as caustic.', cost: 'all of it', only: [SAYS('liquid still stands apart after 90 minutes')] },
    ],
    stop: 'No water, no lye, no blender in a lump: it traps air and burns out.',
  },
  ricing: {
    title: 'Ricing',
    signs: 'Small firm grains in a thinner liquid, like cooked rice; it comes with the scent.',
    ways: [
      {
        what: 'Blend that cup in bursts of three seconds, the head under, until it is smooth.',
        cost: 'a third of a level of trace each',
        only: [THINNER.pudding],
        stop: 'five bursts change nothing',
      },
      {
        what: 'Warm it by 3 to 5 °C in a bath while stirring, then a burst.',
        cost: 'a fifth of a level; five minutes',
        only: [ONLY.cold],
        stop: 'pudding',
      },
      { what: 'Leave the scent out of the other cups.', cost: 'those cups stay unscented', only: [ONLY.scentLeft] },
      {
        what: 'Accept the grains: pour it first, as a plain layer.',
        cost: 'its look; the bars are held until they were looked at after a week',
        only: [SAYS('it holds still for 15 seconds, no liquid runs out')],
      },
    ],
    stop: 'Grains that do not blend out are fat and lye apart: do not pour that cup over the others.',
  },
  'false-trace': {
    title: 'False trace',
    signs: 'It looked thick, and stirred or warmed it is thin and oily again: fat had set, no soap had been made.',
    ways: [
      {
        what: 'Warm it to 5 °C above its clear point, at least 38 °C, in a bath, stirring.',
        cost: '8 to 15 minutes; it gets thinner',
        only: [ONLY.notPoured, ONLY.cold],
        stop: 'it is above 48 °C',
      },
      {
        what: 'Then blend to a true emulsion: 15 seconds still and not a streak. Note the hold test.',
        cost: 'most of a level; two minutes',
        only: [ONLY.notPoured],
        stop: 'six bursts, and it still breaks',
      },
      {
        what: 'In the mould already: pour it back, then the same. The head goes right under; no blender in the mould.',
        cost: 'the design; 15 minutes',
        only: [ONLY.poured, SAYS('within 20 minutes of the pour and still moving')],
        stop: 'crust or set edges',
      },
    ],
    stop: 'What does not hold is not divided. Once it held, answer on Faults that it was warmed again.',
  },
  split: {
    title: 'It separates',
    signs: 'Oil beads at the rim, streaks run, wet and grainy.',
    ways: [
      {
        what: 'Gloves on. Blend until no streak is left and it holds still for 15 seconds.',
        cost: 'half a level to one',
        only: [ONLY.whole],
        stop: 'three hold tests fail',
      },
      {
        what: 'Cold fat? Bring it 5 °C above its clear point in a bath, then blend on.',
        cost: 'five minutes',
        only: [ONLY.cold],
      },
      {
        what: 'Still breaking: look at what was weighed, lye, water, and each oil. No pour until it is explained.',
        cost: 'three minutes',
        only: [ONLY.notPoured],
      },
      {
        what: 'Divided already: all cups back into the pot, blend, hold, divide again.',
        cost: 'a level of trace; the colours are one',
        only: [ONLY.divided, ONLY.notPoured, THINNER.pudding],
        stop: 'pudding',
      },
      {
        what: 'In the mould: keep it at 45 to 50 °C under film for 24 hours, then look.',
        cost: 'a day',
        only: [ONLY.poured, SAYS('a film or drops, no more')],
        stop: 'a pool stays: hold every bar and test',
      },
    ],
    stop: 'What does not come together is not poured, not used and not sold: lye lies free in it.',
  },
  weeping: {
    title: 'Scent weeps out',
    signs: 'Oily beads that smell of the scent, on batter that is otherwise whole.',
    ways: [
      { what: 'Stir it in by hand until no beads are left.', cost: 'a tenth of a level; a minute' },
      {
        what: 'A burst of three seconds.',
        cost: 'a third of a level; a minute',
        only: [THINNER.folds],
        stop: 'two bursts',
      },
      { what: 'Pour it, film on; look after 24 hours.', cost: 'a day', only: [SAYS('beads, and no pool')] },
    ],
    stop: 'A pool of oil stays: hold every bar and test. No flame near it, scent may burn.',
  },
  'too-thin': {
    title: 'It will not thicken',
    signs: 'A drip sinks at once, layers would run together.',
    ways: [
      { what: 'Is all the lye in, and was it weighed? Look at the weights before more is done.', cost: 'two minutes' },
      {
        what: 'The bowl into the cold for ten minutes, then whip on, low first.',
        cost: 'a quarter of an hour',
        stop: 'chilled twice, and it still runs',
        batter: 'whipped',
      },
      { batter: 'blended', what: 'Wait, and look again in two minutes.', cost: 'two minutes' },
      {
        batter: 'blended',
        what: 'Bursts of three seconds, with rests of two minutes.',
        cost: 'a quarter of a level of trace each',
        only: [SAYS('the lye is sure')],
        stop: 'an hour',
      },
      {
        batter: 'blended',
        what: 'Warm it to 40 °C in a bath, then bursts.',
        cost: 'ten minutes',
        only: [ONLY.cold, SAYS('the lye is sure')],
      },
      { batter: 'blended', what: 'Pour over a spatula, low.', cost: 'a slower pour', only: [ONLY.held] },
    ],
    stop: 'Never lye on suspicion. Short by what was weighed: see “A wrong weight”.',
  },
  lumps: {
    title: 'Lumps of colour',
    signs: 'Soft lumps or specks on the spoon, in one cup; the batter around them is smooth.',
    ways: [
      { what: 'Press them out against the wall with the spoon.', cost: 'half a minute of stirring' },
      {
        what: 'Through a strainer into another cup.',
        cost: 'a minute; a few grams stay behind',
        only: [THINNER.custard],
      },
      { what: 'A short burst of blender.', cost: 'about a quarter of a level of trace', only: [THINNER.folds] },
    ],
    stop: 'Specks are a matter of looks: pour it.',
  },
  putty: {
    title: 'A cup set while it waited',
    signs: 'It keeps the shape of the cup and does not give under the spoon.',
    ways: [
      {
        what: 'Stir it hard for 20 seconds by hand: four in ten come back.',
        cost: 'a minute',
        only: [SAYS('it moved within the last ten minutes')],
      },
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
  scorch: {
    title: 'Milk or sugar scorches',
    signs: 'Yellow to orange, a smell of ammonia or burnt milk; fumes.',
    ways: [
      { what: 'No more lye in. Ice bath, stir, fresh air: fumes.', cost: 'five minutes', stop: 'brown and burnt' },
      { what: 'Off the heat; stir, and let it cool until a hand can stay on the pot.', cost: 'some minutes' },
      { what: 'Strain out what is brown.', cost: 'a minute', only: [THINNER.custard] },
    ],
    stop: 'A burnt smell stays in the bar.',
  },
} as const satisfies Record<string, Trouble>
