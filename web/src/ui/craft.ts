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
    title: 'Before the lye is opened',
    why: 'Lye (sodium hydroxide) burns skin, eyes and lungs; most harm comes of haste and bare eyes.',
    steps: [
      'Goggles that close, long gloves, long sleeves, apron, long trousers, closed shoes: on until the last jug is rinsed.',
      'Moving air: outdoors, an open window, a hood. Nobody who stands in the fumes.',
      'Children and animals out; nobody who needs you for an hour.',
      'Jugs of polypropylene (mark 5), HDPE or stainless steel. No aluminium, no glass, no wood for hot lye.',
      'Running water within reach, and the number of the emergency service beside it.',
    ],
  },
  {
    id: 'dry-run',
    title: 'Once without lye',
    why: 'Hands that know the order have time to look.',
    steps: [
      'Set everything out. Use water for the lye solution and salt for the lye, plain water for the oils.',
      'Weigh by tare, pour salt into water, carry the jug, pour it along the blender, blend in bursts, divide, pour.',
      'Write down what was missing, and where you had to reach over a jug.',
    ],
  },
  {
    id: 'weigh-lye',
    title: 'Weigh it',
    why: 'Too much lye stays in the bar and burns; too little only makes it soft.',
    steps: [
      'Water into the lye jug. Lye into a dry cup of its own: what is too much goes back before anything is wet.',
      'If in doubt, under. A scale that is off is found with a weight that is known.',
      'Lid on the tub, label on the cup. Grains that fell are swept up dry, never with bare hands.',
    ],
  },
  {
    id: 'dissolve',
    title: 'Lye into water',
    why: 'It heats to 80 °C and more within a minute, and fumes.',
    steps: [
      'Always lye into water, in three or four parts, stirred; never water onto lye: that boils up.',
      'Face away, arm’s length. Stir until it is clear and no grain scrapes on the floor of the jug.',
      'Clear before it is cooled, covered or left. Label it, stand it where nobody knocks it over.',
    ],
  },
  {
    id: 'meet',
    title: 'Lye into the oils',
    why: 'From here to the cut the batter burns like lye.',
    steps: [
      'Both near the planned temperature; lye into oils along the blender’s stem, slowly.',
      'The head of the blender under and freed of air before it is switched on; off before it is lifted.',
      'Splashes are wiped up at once. Gloves on for every jug, spoon and cup.',
    ],
  },
  {
    id: 'emergency',
    title: 'If something happens',
    why: 'Water, at once and long. The batch can wait.',
    steps: [
      'On skin: brush off dry lye, take off what is splashed and jewellery, rinse with plenty of cool running water for 15 to 20 minutes at least.',
      'In the eyes: rinse with the lids held open, lenses out if that is easy, keep rinsing, get emergency help now.',
      'Swallowed: rinse the mouth, do not make anybody vomit, call for help. Breathed in: fresh air; call for help if it hurts.',
      'No vinegar and no acid on a burn: it adds heat and delay. The supplier’s safety data sheet and doctors come before this page.',
    ],
  },
]

/** What else is done every time. */
export const CRAFT_CARDS: readonly CraftCard[] = [
  {
    id: 'air',
    title: 'Air out of the batter',
    why: 'Bubbles are holes in the face of the bar, and white specks where the wire goes through.',
    steps: [
      'Lower the blender’s head at a slant, tap it on the floor of the pot until no bubble comes.',
      'Bursts with the head under; it is lifted only when it stands still.',
      'Pour low, over a spatula, in a thin stream along the wall.',
      'Tap the mould on a folded towel after each pour that is to lie level; not on the floor, and not when layers are thin.',
      'Specks in every batch: the head or its seal is worn.',
    ],
  },
  {
    id: 'tidy',
    title: 'Between layers and between batters',
    why: 'A smear on the wall is a line in every bar.',
    steps: [
      'Wipe the walls above the line with a strip of paper, from the corner inwards, before the next colour.',
      'Jiggle the mould once, along its length, so that the layer runs level.',
      'Scrape the spatula on its own cup, never on another; one spatula a colour.',
      'Between batters of their own: wipe the blender with paper, then rinse; a set crust on its head thickens the next one.',
    ],
  },
  {
    id: 'melt',
    title: 'Melting fats',
    why: 'Hot fat burns and catches fire; fat that is not clear sets again in the batter.',
    steps: [
      'Small pieces, hard fats first, the lowest heat that moves; stop when it is clear, the rest of its heat melts the crumbs.',
      'In a bath: the water as high as the fat stands, no higher; the pot lifted off its floor; no water into the fat.',
      'Butters and waxes to their own clear point, then the liquid oils, which cool it.',
      'Canned milk or coconut fat that has set: the closed tin in warm water, stirred smooth before it is weighed.',
      'Never alone on the heat, not for a minute.',
    ],
  },
  {
    id: 'into-lye',
    title: 'What may go into the lye',
    why: 'Lye breaks down what it can, and takes fat and acid for soap.',
    steps: [
      'First into the water, stirred clear, before the lye: salt, sugar, sodium lactate, citric acid that is counted, silk.',
      'After the lye is clear: colours that stand lye, clay wetted first.',
      'Milk and juice: frozen or as slush, lye in small parts, ice around the jug.',
      'Never: scent, essential oils, oils and butters, honey in one go, alcohol, powders that clump, anything of aluminium.',
    ],
  },
  {
    id: 'top-ready',
    title: 'When the top is ready',
    why: 'Too soon it flows flat, too late it tears.',
    steps: [
      'The gloss fades to satin.',
      'A spoon’s mark holds its edge; a peak bends over and stays.',
      'It no longer clings to the back of the spoon in a sheet.',
      'Petals and seeds: when a light touch leaves no wet film, or they sink and brown.',
    ],
  },
  {
    id: 'piping',
    title: 'Piping',
    why: 'The bag’s window is short: between peaks and putty.',
    steps: [
      'Fill bags half, two of them rather than one that is full; a fresh pair of gloves.',
      'Try one rosette on paper: its edge stands, its tip bends.',
      'From one end to the other without a stop; the next bag stands in the fridge’s door, not on the hot pot.',
      'A large open tip first; fine tips clog as it thickens.',
    ],
  },
  {
    id: 'clean',
    title: 'Cleaning up',
    why: 'Residue looks like icing and burns like lye for a day or two.',
    steps: [
      'Gear stays on. Scrape what clings with a spatula, into a spare mould or the bin, wipe with paper.',
      'Paper and raw scraps into a closed bag, out of reach of children and animals.',
      'Leave oily jugs for a day: what is in them turns into soap and rinses off; labelled, out of reach.',
      'Hot water and little soap; not all of it down the drain: fat sets in it.',
      'Wipe the bench twice, the tap and the handle too; gloves off last.',
    ],
  },
]
