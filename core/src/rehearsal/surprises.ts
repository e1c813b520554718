import type { RunInput } from '../batter/schedule/index.ts'
import { scentsQuicker } from './truth.ts'
import type { Truth } from './truth.ts'

/** What can come in between. */

/** Something that happens at a moment, beside what it does to the batter. */
export type Happening =
  | { kind: 'away'; seconds: number }
  | { kind: 'spill'; g: number }
  | { kind: 'broken-cup' }
  | { kind: 'no-blender' }
  | { kind: 'dim'; seconds: number }
  | { kind: 'splash' }
  | { kind: 'leak' }
  | { kind: 'lumps' }
  | { kind: 'pale'; seconds: number }
  /** The scale goes dark, or is over, once so much of what a cup asks for has run, as a share. */
  | { kind: 'scale-off'; share: number }
  | { kind: 'scale-over'; share: number }
  | { kind: 'creep' }
  | { kind: 'mistyped' }
  | { kind: 'swapped' }
  | { kind: 'hidden-scent'; seconds: number }
  | { kind: 'alone'; seconds: number }

/** Moments of a run that something may wait for. */
export const RUN_MOMENTS = {
  start: 'from the start',
  lye: 'the lye is mixed',
  blend: 'the lye is in the oils',
  filling: 'the first cup is filled',
  split: 'all cups are filled',
  colour: 'the first colour is in',
  coloured: 'all colours are in',
  scent: 'the first scent is in',
  pour: 'the first pour begins',
} as const
/** When it may strike, and is noticed at the earliest. */
export type Strikes = keyof typeof RUN_MOMENTS

/** One of the ways to meet what struck: what is said on its key, and what the hands are at for so long. */
export interface Way {
  how: string
  says: string
  word: string
  seconds: number
}

export interface Surprise {
  title: string
  /** Followed blindly, most batches fail of it. */
  isHard: boolean
  strikes: Strikes
  /** From the least to the most, in its own unit. */
  size: readonly [number, number]
  unit: string
  /** What it does to the truth. */
  turns?: (truth: Truth, size: number, input: RunInput) => Partial<Truth>
  /** What happens. */
  does?: (size: number) => Happening
  /** Said as it strikes; empty: it is only seen in the batter. `{cup}` is the cup that is meant. */
  tells: string
  /** Ways to meet it, the right one first; none: it is read and seen to at the bench. */
  ways?: readonly Way[]
  /** What is right to do, said afterwards. */
  good: string
  /** Only where a cup is scented, the batter is blended, cups are filled out of one pot or coloured, two people work. */
  needs?: 'scent' | 'blender' | 'cups' | 'draws' | 'colours' | 'two'
}

/** Sizes are engineering estimates of what makers tell of. */
export const SURPRISES = {
  'quick-scent': {
    ...{
      title: 'A quick scent',
      isHard: true,
      strikes: 'start',
      size: [0.4, 0.9],
      unit: 'ln of the rate',
      needs: 'scent',
    },
    turns: (truth, size, input) => ({ scents: scentsQuicker(truth, input, size) }),
    tells: '',
    good: 'Look early after the scent, and pour what thickens first.',
  },
  'seizing-scent': {
    ...{
      title: 'A scent that seizes',
      isHard: true,
      strikes: 'start',
      size: [1.3, 2],
      unit: 'ln of the rate',
      needs: 'scent',
    },
    turns: (truth, size, input) => ({ scents: scentsQuicker(truth, input, size) }),
    tells: '',
    good: 'Never stop stirring, take plan B at once, leave the other cups unscented.',
  },
  'calm-scent': {
    ...{
      title: 'A calm scent',
      isHard: false,
      strikes: 'start',
      size: [-0.4, -0.2],
      unit: 'ln of the rate',
      needs: 'scent',
    },
    turns: (truth, size, input) => ({ scents: scentsQuicker(truth, input, size) }),
    tells: '',
    good: 'Wait or give it a burst; no wild blending.',
  },
  rices: {
    ...{ title: 'Ricing', isHard: true, strikes: 'scent', size: [1, 1], unit: '', needs: 'scent' },
    turns: () => ({ rices: true }),
    tells: '',
    good: 'Say that it riced; blend each cup for a quarter of a minute in bursts, and pour by thicker windows.',
  },
  lumps: {
    ...{
      title: 'Lumps of colour',
      isHard: false,
      strikes: 'colour',
      size: [20, 20],
      unit: 's of stirring',
      needs: 'cups',
    },
    does: () => ({ kind: 'lumps' }),
    tells: 'Lumps of dry colour swim in {cup}.',
    good: 'Press them out by hand or strain them: no more blender.',
  },
  'quick-batch': {
    ...{ title: 'A quick batch', isHard: false, strikes: 'start', size: [0.35, 0.7], unit: 'ln of the rate' },
    turns: (truth, size) => ({ rate: truth.rate + size }),
    tells: '',
    good: 'Do less, and pour in the order of the time that is left.',
  },
  'slow-batch': {
    ...{ title: 'A slow batch', isHard: false, strikes: 'start', size: [-0.8, -0.4], unit: 'ln of the rate' },
    turns: (truth, size) => ({ rate: truth.rate + size }),
    tells: '',
    good: 'Wait; more scent or blending is no answer.',
  },
  'over-blended': {
    ...{ title: 'The blender ran on', isHard: true, strikes: 'blend', size: [8, 20], unit: 's', needs: 'blender' },
    turns: (_, size) => ({ overrunS: size }),
    tells: '',
    good: 'Say what you see as the blender stops, leave the bursts out, think of plan B.',
  },
  'false-emulsion': {
    ...{
      title: 'An emulsion that only looks like one',
      isHard: false,
      strikes: 'blend',
      size: [0.6, 0.75],
      unit: 'of it',
      needs: 'blender',
    },
    turns: (_, size) => ({ emulsion: size }),
    tells: '',
    good: 'Test whether it holds, and blend on if it does not.',
  },
  'warm-oils': {
    ...{ title: 'Oils warmer than read', isHard: false, strikes: 'start', size: [3, 7], unit: 'K' },
    turns: (truth, size) => ({ mixK: truth.mixK + size }),
    tells: '',
    good: 'Stir and read again before they meet.',
  },
  'cold-room': {
    ...{ title: 'A cold room', isHard: false, strikes: 'start', size: [-6, -3], unit: 'K' },
    turns: (truth, size) => ({ roomK: truth.roomK + size }),
    tells: 'It is cold in here: somebody left the window open.',
    good: 'Keep the cups warm, watch for fat that sets.',
  },
  'wrong-probe': {
    ...{ title: 'A probe that is off', isHard: false, strikes: 'start', size: [3, 3.5], unit: 'K' },
    turns: (truth, size) => ({ probeK: truth.probeK + size }),
    tells: '',
    good: 'Hold it against another, or against ice water.',
  },
  'weak-blender': {
    ...{
      title: 'A weak blender',
      isHard: false,
      strikes: 'start',
      size: [0.5, 0.6],
      unit: 'of its strength',
      needs: 'blender',
    },
    turns: (truth, size) => ({ blender: truth.blender * size }),
    tells: '',
    good: 'Go by trace, never by seconds.',
  },
  'dead-blender': {
    ...{
      title: 'The blender dies',
      isHard: false,
      strikes: 'blend',
      size: [10, 25],
      unit: 's after the lye is in',
      needs: 'blender',
    },
    does: () => ({ kind: 'no-blender' }),
    tells: 'The blender hums, smells and stands still. From here on it is stirred by hand.',
    good: 'Whisk on by hand and wait: a thin start, later pours.',
  },
  'short-pot': {
    ...{
      title: 'Batter stays on the walls',
      isHard: false,
      strikes: 'filling',
      size: [0.93, 0.97],
      unit: 'of it',
      needs: 'cups',
    },
    turns: (_, size) => ({ potShare: size }),
    tells: '',
    good: 'Share what is missing among all cups: weigh before the last is drawn.',
  },
  spill: {
    ...{ title: 'A spill', isHard: false, strikes: 'split', size: [20, 60], unit: 'g', needs: 'cups' },
    does: size => ({ kind: 'spill', g: size }),
    tells: 'An elbow: some of {cup} is on the bench.',
    good: 'Wipe it up with gloves on, weigh the cup, and let the pour be reckoned anew.',
  },
  'broke-cup': {
    ...{ title: 'A cup breaks', isHard: true, strikes: 'split', size: [1, 1], unit: '', needs: 'cups' },
    does: () => ({ kind: 'broken-cup' }),
    tells: 'The cup of {cup} bursts: its batter is on the bench.',
    good: 'Safety first: gloves, paper, out of the way. Say that the cup is lost, and go on with the others.',
  },
  'second-colour': {
    ...{ title: 'Too pale', isHard: false, strikes: 'colour', size: [20, 60], unit: 's', needs: 'cups' },
    does: size => ({ kind: 'pale', seconds: size }),
    tells: '{cup} is too pale: stirred on, with more of the colour.',
    good: 'Take it as it is, or top up and watch the other cups.',
  },
  doorbell: {
    ...{ title: 'Called away', isHard: false, strikes: 'split', size: [60, 180], unit: 's' },
    does: size => ({ kind: 'away', seconds: size }),
    tells: 'The door: a delivery that has to be signed for.',
    good: 'Back at the bench look first at the cup with the least time.',
  },
  splash: {
    ...{ title: 'A splash on the skin', isHard: true, strikes: 'lye', size: [1, 1], unit: '' },
    does: () => ({ kind: 'splash' }),
    tells: 'Lye has splashed on your wrist.',
    good: 'Take off what is splashed and rinse with cool running water for 15 to 20 minutes. The batch is lost, and that is right.',
  },
  leak: {
    ...{ title: 'The mould leaks', isHard: false, strikes: 'pour', size: [8, 12], unit: 'g a minute' },
    does: () => ({ kind: 'leak' }),
    tells: 'A puddle grows at the corner of the mould.',
    ways: [
      { how: 'tape', says: 'Tape around it, paper under it', word: 'Taping the mould', seconds: 25 },
      { how: 'leave', says: 'Go on pouring', word: '', seconds: 0 },
    ],
    good: 'Tape or film around it, paper under it, and say so.',
  },
  'bad-light': {
    ...{ title: 'The light goes', isHard: false, strikes: 'split', size: [240, 300], unit: 's' },
    does: size => ({ kind: 'dim', seconds: size }),
    tells: 'The lamp is out: what batter looks like is hard to tell.',
    good: 'A drip test tells more than the eye.',
  },
  'scale-off': {
    ...{
      title: 'The scale goes dark',
      isHard: false,
      strikes: 'split',
      size: [0.4, 0.7],
      unit: 'of what is asked for',
      needs: 'draws',
    },
    does: size => ({ kind: 'scale-off', share: size }),
    tells: '',
    good: 'Woken, it begins at nothing: what stood there before has to be counted with it.',
  },
  'scale-over': {
    ...{
      title: 'Too much for the scale',
      isHard: false,
      strikes: 'filling',
      size: [0.5, 0.8],
      unit: 'of what is asked for',
      needs: 'draws',
    },
    does: size => ({ kind: 'scale-over', share: size }),
    tells: '',
    good: 'Weigh it in two parts: a guess is passed on to every other cup.',
  },
  'scale-creep': {
    ...{
      title: 'A scale that swallows drops',
      isHard: false,
      strikes: 'split',
      size: [0.1, 0.3],
      unit: 'ln of the rate',
      needs: 'scent',
    },
    does: () => ({ kind: 'creep' }),
    tells: 'The scent for {cup} goes in drop by drop, and the number on the scale stands still.',
    ways: [
      { how: 'back', says: 'Weigh the bottle back', word: 'Weighing the bottle back', seconds: 20 },
      { how: 'on', says: 'Go on until the number is right', word: '', seconds: 0 },
    ],
    good: 'A scale takes slow drops for its own drift: weigh the bottle before and after, and put back what is too much.',
  },
  'typed-wrong': {
    ...{ title: 'A number heard wrongly', isHard: false, strikes: 'filling', size: [1, 1], unit: '', needs: 'draws' },
    does: () => ({ kind: 'mistyped' }),
    tells: '',
    good: 'Answer what is asked: what was meant stands on the keys.',
  },
  'labels-swapped': {
    ...{ title: 'Two labels exchanged', isHard: false, strikes: 'coloured', size: [1, 1], unit: '', needs: 'colours' },
    does: () => ({ kind: 'swapped' }),
    tells: '',
    good: 'Look into the cup before it is poured: when its colour is not that of its label, say so.',
  },
  'forgot-scent': {
    ...{ title: 'The scent forgotten', isHard: false, strikes: 'split', size: [60, 120], unit: 's', needs: 'scent' },
    does: size => ({ kind: 'hidden-scent', seconds: size }),
    tells: '',
    good: 'Nothing smells, the bottle is full: what the list does not say for a while is still to be done before the pour.',
  },
  'helper-away': {
    ...{ title: 'The helper has to go', isHard: false, strikes: 'split', size: [180, 360], unit: 's', needs: 'two' },
    does: size => ({ kind: 'alone', seconds: size }),
    tells: 'The second pair of hands is called away for some minutes.',
    good: 'Reorder: what thickens first is made ready and poured first, the rest waits.',
  },
  'lye-grain': {
    ...{ title: 'A crust in the lye', isHard: false, strikes: 'lye', size: [120, 180], unit: 's' },
    turns: (_, size) => ({ clearS: size }),
    tells: '',
    good: 'Stir on until nothing is left at the bottom; never tip a crust into the oils.',
  },
} as const satisfies Record<string, Surprise>

export type SurpriseKey = keyof typeof SURPRISES
export const SURPRISE_KEYS = Object.keys(SURPRISES) as SurpriseKey[]
export const surpriseOf = (key: SurpriseKey): Surprise => SURPRISES[key]
