import { t } from '../words/index.ts'

/** Cards of the craft: what is done in what order, and why, where each is needed. */

export interface CraftCard {
  id: string
  title: string
  /** Why it matters, in a sentence. */
  why: string
  steps: readonly string[]
}

/** The first time with lye: read before the first batch, and kept at hand. */
export const LYE_LESSON: readonly CraftCard[] = [
  {
    id: 'before-lye',
    title: t('Before the lye is opened'),
    why: t('Lye (sodium hydroxide) burns skin, eyes and lungs; most harm comes of haste and bare eyes.'),
    steps: [
      t(
        'Goggles that close, long gloves, long sleeves, apron, long trousers, closed shoes: on until the last jug is rinsed.',
      ),
      t('Moving air: outdoors, an open window, a hood. Nobody who stands in the fumes.'),
      t('Children and animals out; nobody who needs you for an hour.'),
      t('Jugs of polypropylene (mark 5), HDPE or stainless steel. No aluminium, no glass, no wood for hot lye.'),
      t('Running water within reach, and the number of the emergency service beside it.'),
    ],
  },
  {
    id: 'dry-run',
    title: t('Once without lye'),
    why: t('Hands that know the order have time to look.'),
    steps: [
      t('Set everything out. Use water for the lye solution and salt for the lye, plain water for the oils.'),
      t(
        'Weigh by tare, pour salt into water, carry the jug, pour it along the blender, blend in bursts, divide, pour.',
      ),
      t('Write down what was missing, and where you had to reach over a jug.'),
    ],
  },
  {
    id: 'weigh-lye',
    title: t('Weigh it'),
    why: t('Too much lye stays in the bar and burns; too little only makes it soft.'),
    steps: [
      t('Water into the lye jug. Lye into a dry cup of its own: what is too much goes back before anything is wet.'),
      t('If in doubt, under. A scale that is off is found with a weight that is known.'),
      t('Lid on the tub, label on the cup. Grains that fell are swept up dry, never with bare hands.'),
    ],
  },
  {
    id: 'dissolve',
    title: t('Lye into water'),
    why: t('It heats to 80 °C and more within a minute, and fumes.'),
    steps: [
      t('Always lye into water, in three or four parts, stirred; never water onto lye: that boils up.'),
      t('Face away, arm’s length. Stir until it is clear and no grain scrapes on the floor of the jug.'),
      t('Clear before it is cooled, covered or left. Label it, stand it where nobody knocks it over.'),
    ],
  },
  {
    id: 'meet',
    title: t('Lye into the oils'),
    why: t('From here to the cut the batter burns like lye.'),
    steps: [
      t('Both near the planned temperature; lye into oils along the blender’s stem, slowly.'),
      t('The head of the blender under and freed of air before it is switched on; off before it is lifted.'),
      t('Splashes are wiped up at once. Gloves on for every jug, spoon and cup.'),
    ],
  },
  {
    id: 'emergency',
    title: t('If something happens'),
    why: t('Water, at once and long. The batch can wait.'),
    steps: [
      t(
        'On skin: brush off dry lye, take off what is splashed and jewellery, rinse with plenty of cool running water for 15 to 20 minutes at least.',
      ),
      t(
        'In the eyes: rinse with the lids held open, lenses out if that is easy, keep rinsing, get emergency help now.',
      ),
      t(
        'Swallowed: rinse the mouth, do not make anybody vomit, call for help. Breathed in: fresh air; call for help if it hurts.',
      ),
      t(
        'No vinegar and no acid on a burn: it adds heat and delay. The supplier’s safety data sheet and doctors come before this page.',
      ),
    ],
  },
]

/** What else is done every time. */
export const CRAFT_CARDS: readonly CraftCard[] = [
  {
    id: 'air',
    title: t('Air out of the batter'),
    why: t('Bubbles are holes in the face of the bar, and white specks where the wire goes through.'),
    steps: [
      t('Lower the blender’s head at a slant, tap it on the floor of the pot until no bubble comes.'),
      t('Bursts with the head under; it is lifted only when it stands still.'),
      t('Pour low, over a spatula, in a thin stream along the wall.'),
      t(
        'Tap the mould on a folded towel after each pour that is to lie level; not on the floor, and not when layers are thin.',
      ),
      t('Specks in every batch: the head or its seal is worn.'),
    ],
  },
  {
    id: 'tidy',
    title: t('Between layers and between batters'),
    why: t('A smear on the wall is a line in every bar.'),
    steps: [
      t('Wipe the walls above the line with a strip of paper, from the corner inwards, before the next colour.'),
      t('Jiggle the mould once, along its length, so that the layer runs level.'),
      t('Scrape the spatula on its own cup, never on another; one spatula a colour.'),
      t(
        'Between batters of their own: wipe the blender with paper, then rinse; a set crust on its head thickens the next one.',
      ),
    ],
  },
  {
    id: 'melt',
    title: t('Melting fats'),
    why: t('Hot fat burns and catches fire; fat that is not clear sets again in the batter.'),
    steps: [
      t(
        'Small pieces, hard fats first, the lowest heat that moves; stop when it is clear, the rest of its heat melts the crumbs.',
      ),
      t(
        'In a bath: the water as high as the fat stands, no higher; the pot lifted off its floor; no water into the fat.',
      ),
      t('Butters and waxes to their own clear point, then the liquid oils, which cool it.'),
      t('Canned milk or coconut fat that has set: the closed tin in warm water, stirred smooth before it is weighed.'),
      t('Never alone on the heat, not for a minute.'),
    ],
  },
  {
    id: 'into-lye',
    title: t('What may go into the lye'),
    why: t('Lye breaks down what it can, and takes fat and acid for soap.'),
    steps: [
      t(
        'First into the water, stirred clear, before the lye: salt, sugar, sodium lactate, citric acid that is counted, silk.',
      ),
      t('After the lye is clear: colours that stand lye, clay wetted first.'),
      t('Milk and juice: frozen or as slush, lye in small parts, ice around the jug.'),
      t(
        'Never: scent, essential oils, oils and butters, honey in one go, alcohol, powders that clump, anything of aluminium.',
      ),
    ],
  },
  {
    id: 'top-ready',
    title: t('When the top is ready'),
    why: t('Too soon it flows flat, too late it tears.'),
    steps: [
      t('The gloss fades to satin.'),
      t('A spoon’s mark holds its edge; a peak bends over and stays.'),
      t('It no longer clings to the back of the spoon in a sheet.'),
      t('Petals and seeds: when a light touch leaves no wet film, or they sink and brown.'),
    ],
  },
  {
    id: 'piping',
    title: t('Piping'),
    why: t('The bag’s window is short: between peaks and putty.'),
    steps: [
      t('Fill bags half, two of them rather than one that is full; a fresh pair of gloves.'),
      t('Try one rosette on paper: its edge stands, its tip bends.'),
      t('From one end to the other without a stop; the next bag stands in the fridge’s door, not on the hot pot.'),
      t('A large open tip first; fine tips clog as it thickens.'),
    ],
  },
  {
    id: 'clean',
    title: t('Cleaning up'),
    why: t('Residue looks like icing and burns like lye for a day or two.'),
    steps: [
      t('Gear stays on. Scrape what clings with a spatula, into a spare mould or the bin, wipe with paper.'),
      t('Paper and raw scraps into a closed bag, out of reach of children and animals.'),
      t('Leave oily jugs for a day: what is in them turns into soap and rinses off; labelled, out of reach.'),
      t('Hot water and little soap; not all of it down the drain: fat sets in it.'),
      t('Wipe the bench twice, the tap and the handle too; gloves off last.'),
    ],
  },
]
