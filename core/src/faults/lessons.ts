import { ORDINARY } from './facts.ts'
import type { Facts } from './facts.ts'
import type { Told } from './told.ts'

/** Cases to guess at: what happened in a made-up workshop, what was seen, and what it was. */
export interface WorkedCase {
  id: string
  story: string
  facts: Facts
  told: readonly Told[]
  /** Causes to choose from, the right one among them. */
  choices: readonly string[]
  answer: string
}

const seen = (signs: Readonly<Record<string, 0 | 1 | 2>>): Told[] =>
  Object.entries(signs).map(([sign, grade]) => ({ sign, grade }))
const weighed: Partial<Facts> = { weighedShare: 1, sfWeighed: 0.05 }

function worked(
  id: string,
  story: string,
  facts: Partial<Facts>,
  signs: Readonly<Record<string, 0 | 1 | 2>>,
  [answer, ...others]: readonly [string, ...string[]],
): WorkedCase {
  const choices = [answer, ...others].sort()
  return { id, story, facts: { ...ORDINARY, ...facts }, told: seen(signs), choices, answer }
}

const layered: Partial<Facts> = { layers: 3, cups: 3, colours: 3 }

export const WORKED_CASES: readonly WorkedCase[] = [
  worked(
    'heavy-hand',
    'The log says 8 % more lye than planned. Three days on the bars crumble at the wire, and a thick white crust lies on the sides too.',
    { ...weighed, sfWeighed: -0.03, sf: -0.03, sfLow: -0.065, sfHigh: 0.006, days: 3 },
    { 'k-crumble': 2, 'u-crust': 2, 'k-brittle': 1 },
    ['lye-over', 'air-ash', 'cut-late', 'powder-salt'],
  ),
  worked(
    'borrowed',
    'A recipe of coconut alone came from a friend, with almost no superfat. After a month the bars are chalky again however often they are wiped, and hands feel tight each time.',
    {
      weighedShare: 1,
      foreign: true,
      sfPlan: 0.009,
      sfWeighed: 0.009,
      sf: 0.009,
      sfLow: -0.019,
      sfHigh: 0.035,
      days: 30,
    },
    { 'k-brittle': 1, 'r-chalk': 1, 'a-harsh': 2 },
    ['value-wrong', 'air-ash', 'cut-late', 'dry-uneven'],
  ),
  worked(
    'hurried',
    'Four cups were drawn while streaks still showed. What was poured first crumbles, what was poured last is greasy.',
    { ...weighed, cups: 4, colours: 4, layers: 4, emulsion: 0.45, early: 0.3, splitChance: 0.2, leanest: -0.03 },
    { 'p-oilfilm': 1, 'w-first': 2, 'w-last': 2, 'k-crumble': 1, 'u-oily': 1 },
    ['early-split', 'lye-over', 'fat-rich', 'scent-weep'],
  ),
  worked(
    'cold-palm',
    'Palm oil at 24 °C looked thick at once, and ran to oil when it was stirred. White waxy specks in a soft bar.',
    { overClear: -3, falseLift: 1.1, mixC: 24, hardShare: 0.6 },
    { 'p-breaks': 2, 'k-whitewax': 1, 'u-soft': 1 },
    ['false-trace', 'fats-set', 'scent-rice', 'unmould-early'],
  ),
  worked(
    'spice',
    'A spice scent went in, and within seconds the pot was a hot solid lump.',
    { scent: true, scentF: 2.6, scentOfOils: 0.03, days: 0 },
    { 'p-thick': 2, 'p-lump': 2, 'p-hot': 1 },
    ['scent-fast', 'ran-ahead', 'fats-set', 'water-low'],
  ),
  worked(
    'rice',
    'Grains like cooked rice all through, though it was no thicker than planned. It was blended smooth.',
    { scent: true, riceP: 0.25, scentF: 0.3, emulsionHeld: true, days: 1 },
    { 'p-grain': 2, 'p-breaks': 0, 'p-thick': 0 },
    ['scent-rice', 'false-trace', 'fats-set', 'scent-fast'],
  ),
  worked(
    'beads',
    'Six per cent of a scent that is known to part. A week on, beads that smell of it run down the bars.',
    { ...weighed, scent: true, separates: 'high', scentOfOils: 0.06, scentF: 0, days: 7 },
    { 'u-scentbeads': 2, 'u-oily': 1, 'k-crumble': 0 },
    ['scent-weep', 'damp-air', 'early-split', 'fat-rich'],
  ),
  worked(
    'custard',
    'Cream at the cut, brown from the outside in after three weeks. The scent is of custard.',
    { scent: true, vanillinG: 1.2, days: 21 },
    { 'r-brownrim': 2 },
    ['vanillin', 'milk-scorch', 'old-oils', 'dye-bleeds'],
  ),
  worked(
    'disc',
    'A darker, clearer disc in the middle of every face, with a sharp edge.',
    { gelPart: 0.78, gelNone: 0.16, gelFull: 0.06 },
    { 'k-ring': 2 },
    ['partial-gel', 'no-gel', 'rivers', 'cold-wall'],
  ),
  worked(
    'honey',
    'Honey, two towels, a warm evening. The top split open and the middle rose; the cut shows long holes.',
    { sugarShare: 0.03, crack: 0.5, volcano: 0.2, gelFull: 1, gelPart: 0, gelNone: 0, emulsionHeld: true },
    { 'm-crack': 2, 'm-rise': 1, 'k-tunnel': 1, 'k-wetpocket': 0 },
    ['overheat', 'scent-fast', 'air-in', 'water-low'],
  ),
  worked(
    'veil',
    'A white veil over the whole top wipes off and stays off. It never gelled.',
    { ...weighed, ash: 0.6, gelNone: 0.95, gelPart: 0.05, gelFull: 0, emulsionHeld: true },
    { 'u-ash': 2, 'u-crust': 0, 'k-crumble': 0 },
    ['air-ash', 'lye-over', 'cold-wall', 'white-much'],
  ),
  worked(
    'impatient',
    'Taken out twelve hours before the forecast: corners stayed in the mould. A day later it is firm.',
    { gelNone: 0.95, gelPart: 0.05, gelFull: 0, unmouldLead: 12, days: 1 },
    { 'u-soft': 1, 'u-stick': 2, 't-later': 0 },
    ['unmould-early', 'fat-rich', 'lye-short', 'water-high'],
  ),
  worked(
    'crackle',
    'Clear veins through a white loaf that gelled hot.',
    { whiteG: 7, gelFull: 0.9, gelPart: 0.1, gelNone: 0, riversIx: 0.6 },
    { 'k-rivers': 2, 'k-ring': 0 },
    ['rivers', 'partial-gel', 'poor-wetting', 'white-much'],
  ),
  worked(
    'plunge',
    'The second layer fell through the first along the whole mould.',
    { ...layered, carryFail: 0.5 },
    { 'm-through': 2, 'k-blur': 1 },
    ['poured-soon', 'cup-thick', 'joint-late', 'mix-up'],
  ),
  worked(
    'parting',
    'Two hours between the layers, and a thick line of mica. The bars come apart there.',
    { ...layered, waitMax: 120, lowerStanding: 4.9, micaLine: true, days: 3 },
    { 'k-split': 2, 'k-blur': 0 },
    ['joint-late', 'poured-soon', 'cut-late', 'embed-odd'],
  ),
  worked(
    'comet',
    'White comet tails from one side of every face to the other. The blade was not wiped.',
    { colours: 3, cups: 3, whiteG: 8, wiped: false },
    { 'k-drag': 2, 'k-whitepig': 2, 'u-soft': 0 },
    ['blade', 'white-much', 'poor-wetting', 'coarse-bits'],
  ),
  worked(
    'tan-pink',
    'A pink turned tan in its cup, before anything was poured, and stayed so.',
    { ...layered, dies: true, days: 3 },
    { 'c-shift': 1, 'k-wrongcolour': 2, 'w-onecup': 2 },
    ['colour-alkali', 'colour-light', 'vanillin', 'mix-up'],
  ),
  worked(
    'spots',
    'Five months on: orange spots that smell of old crayons. One oil was past its date.',
    { oilsPast: true, iodine: 88, sfPlan: 0.08, sf: 0.08, sfLow: 0.045, sfHigh: 0.11, days: 150 },
    { 'r-orange': 1 },
    ['old-oils', 'metal', 'vanillin', 'fat-rich'],
  ),
  worked(
    'old-tub',
    'The lye was in clumps. It would not thicken, and after two weeks it is still soft and greasy.',
    { lyeOld: true, days: 16 },
    { 'p-thin': 2, 'u-soft': 2, 'u-oily': 1, 't-later': 2, 'r-soft': 2, 'k-crumble': 0 },
    ['lye-short', 'water-high', 'no-gel', 'unmould-early'],
  ),
  worked(
    'grit',
    'Nobody looked whether the lye was clear. Hard white grains that crunch, and a hollow that holds liquid.',
    { ...weighed, lyeClear: false, emulsionHeld: true },
    { 'k-whitehard': 2, 'k-wetpocket': 1, 'u-oily': 0 },
    ['lye-grain', 'fats-set', 'poor-wetting', 'air-in'],
  ),
]
