import type { Fitness } from './verdict.ts'

/** What is to be done with bars of a class, and how tests are made safely. */

export const CARE: Readonly<Record<Fitness, string>> = {
  fit: 'Nothing seen or weighed speaks against it.',
  cosmetic: 'Nothing but its looks speaks against it.',
  hold: 'Keep these bars apart, labelled, out of reach of children and animals. Do not use, give or sell them before they were looked at again.',
  test: 'Hold every bar of this pour. It may hold free lye, which burns. Gloves and goggles. Do not use, give or sell. Test properly; if that cannot be done, discard. Looks, strips and time do not clear it.',
  discard:
    'Do not use it, and do not wash with it to see. Wrap it, label it caustic, discard it by your local rules; not down a drain, no acid on it. Rancid fat can irritate.',
}

/** On skin and in the eyes. */
export const FIRST_AID =
  'On skin: take off what is splashed, plenty of cool running water for 15 to 20 minutes at least. Eyes: rinse, and get emergency help. No vinegar. Nothing is ever tried by tongue. Local rules and doctors come before Ostler.'

export interface TestOf {
  how: string
  cannot: string
}

/** Tests, and what they cannot tell. Gloves and eye protection for every bar that is in doubt; what was tested is thrown away. */
export const TESTS: Readonly<Record<string, TestOf>> = {
  't-ph': {
    how: '1 g of shavings from each of three places (first poured, middle, an edge) in 99 g of distilled water each, warmed to 40 °C until dissolved, cooled to 25 °C. A meter set with two buffers, 7 and 10, the same day. Up to 10.5 is normal, 10.5 to 11.0 doubtful, above 11.0 free lye.',
    cannot:
      'Pockets between the places. Fresh soap reads high: it counts from day 28 on. A strip reads alike on good and bad bars, and never clears one.',
  },
  't-pheno': {
    how: 'A drop of 1 % phenolphthalein in alcohol on a fresh cut at five places. Gloves; alcohol burns. Colourless or faintly pink: 0. Pink within a minute: some. Deep pink at once: strong.',
    cannot: 'What lies between the drops. Wet soap may turn a little pink by itself.',
  },
  't-oil': {
    how: 'The meter’s solution, left for an hour: drops or a film on it are oil that is no soap.',
    cannot: 'A superfat of 5 % may leave a haze: count drops only.',
  },
  't-later': { how: 'Press a thumb on it again after 24 hours in the same room.', cannot: 'Why it is soft.' },
}
