import { t } from '../words/index.ts'

/** Words of the craft, and those of this program, in plain sentences. `at` is the word's place in an address. */
export interface Entry {
  at: string
  word: string
  says: string
  /** Words that it leans on. */
  see?: readonly string[]
}

const entry = (at: string, word: string, says: string, ...see: string[]): Entry => ({ at, word, says, see })

export const GLOSSARY: readonly Entry[] = [
  entry(
    'acceleration',
    t('acceleration'),
    t('A scent, additive or warmth that makes batter thicken faster than the oils alone would.'),
    'pace',
    'seizing',
  ),
  entry(
    'acid',
    t('acid'),
    t(
      'Citric, lactic or acetic acid and juices take up lye before any oil does; lye is added for that, or the superfat rises.',
    ),
    'superfat',
  ),
  entry(
    'ash',
    t('soda ash'),
    t('A pale bloom of washing soda where fresh soap meets air. It is only looks, unless other signs of lye show.'),
    'emulsion',
  ),
  entry(
    'band',
    t('band'),
    t(
      'The range in which a forecast number falls in four of five batches. A wide band means that little is known yet.',
    ),
    'four-of-five',
  ),
  entry('batter', t('batter'), t('Oils and lye solution once they are blended, until it sets.'), 'emulsion', 'trace'),
  entry(
    'blank',
    t('blank'),
    t('A little plain batter drawn before scent and colour, to see later what the soap alone would have been.'),
  ),
  entry(
    'bursts',
    t('bursts'),
    t(
      'The blender on for three to five seconds, then stirring by hand: the batter thickens less than with the blender on all the time.',
    ),
  ),
  entry(
    'cap',
    t('limit of a scent'),
    t(
      'The most that a scent may be on skin, by its supplier’s document. It is rounded down, never up, and each cup keeps it.',
    ),
    'load',
  ),
  entry(
    'certificate',
    t('certificate'),
    t('A supplier’s paper that says the saponification value of this very lot. It narrows the superfat’s band.'),
    'saponification-value',
    'superfat',
  ),
  entry(
    'clear-point',
    t('clear point'),
    t('Warmth from which a blend of fats is clear, with no solid fat in it. Below it fat sets and looks like trace.'),
    'false-trace',
  ),
  entry(
    'clings',
    t('clings'),
    t('Batter, melt or lye that stays on a pot, jug or cup. It is made in addition, so that no cup is short.'),
  ),
  entry(
    'concentration',
    t('lye concentration'),
    t('Lye as a share of lye and water together. 25 to 40 % is usual; stronger is quicker, hotter, firmer sooner.'),
    'discount',
    'ratio',
  ),
  entry(
    'contrast',
    t('gel contrast'),
    t('Some cups gel and others do not, on purpose: by more or less water in them.'),
    'gel',
  ),
  entry(
    'cup',
    t('cup'),
    t('A portion of batter with its own colour and scent, split from the pot or made on its own.'),
    'pot',
    'own-batter',
  ),
  entry(
    'cure',
    t('cure'),
    t('Weeks on the rack in which soap loses water and grows mild and hard. Four weeks at least before use or sale.'),
  ),
  entry(
    'discount',
    t('water discount'),
    t('Less water than the full water of the recipe, as a share of it. Full water is often 38 % of the oils.'),
    'concentration',
  ),
  entry(
    'dive',
    t('dive'),
    t('A stream poured from a height goes into the batter below; the thinner both are, the deeper.'),
  ),
  entry('dose', t('dose'), t('Powder for a kilogram of batter (or of oils): 4 g/kg is 2 g in 500 g.')),
  entry(
    'emulsion',
    t('emulsion'),
    t('Oil and lye so well mixed that they stay together when they stand. Before it holds, batter must not be split.'),
    'split',
    'trace',
  ),
  entry(
    'evidence',
    t('evidence'),
    t('What the workshop’s own batches have shown, from trace that was seen and temperatures that were read.'),
    'seen',
    'rests-on',
  ),
  entry('face', t('face'), t('The cut surface of a bar.')),
  entry(
    'false-trace',
    t('false trace'),
    t(
      'Batter that looks thick because fat is setting in it, not because it turns to soap. It separates when it warms.',
    ),
    'clear-point',
  ),
  entry(
    'four-of-five',
    t('in 4 of 5 runs'),
    t(
      'Out of five batches made alike four would have at least this much: the forecast is worked through with many amounts of variation.',
    ),
    'band',
    'runs',
  ),
  entry(
    'free-lye',
    t('free lye'),
    t(
      'Lye that no oil is left for. It burns skin. A stop for it has to be answered in writing, unless the batch is a trial.',
    ),
    'superfat',
    'trial',
  ),
  entry(
    'gap',
    t('gap'),
    t('How far apart lye and oils are in warmth when they meet. Some makers watch it, others only the mix.'),
    'mix',
  ),
  entry(
    'gel',
    t('gel phase'),
    t(
      'Soap that grows so warm that it turns clear for a while. It comes out brighter, a little translucent, and firm sooner.',
    ),
    'ring',
    'contrast',
  ),
  entry(
    'hard-oil',
    t('hard oil'),
    t('A fat that is solid at room warmth: coconut, palm, butters, tallow. It is melted first.'),
  ),
  entry(
    'heat-load',
    t('heat in the mould'),
    t('Sugar, milk, coconut, stearic acid and some scents make soap warm itself more than others do.'),
    'gel',
  ),
  entry(
    'infusion',
    t('infusion'),
    t('An oil in which a plant was steeped. More of it is made than used, since the plant keeps some.'),
  ),
  entry(
    'kept-back',
    t('kept back'),
    t('An oil that goes in only when the batter is emulsified; or batter that is kept for the top.'),
    'superfat',
  ),
  entry(
    'ladder',
    t('ladder of tints'),
    t('One mother cup poured in steps: after each pour what is left is lightened with white or plain batter.'),
  ),
  entry(
    'lane',
    t('lane'),
    t('A cup’s trace over time, drawn as a band, with the window of each of its pours.'),
    'window',
    'band',
  ),
  entry(
    'level',
    t('level of trace'),
    t(
      '1 is an emulsion, 1.6 a very light trace, 2 light (lines stay a moment), 3 medium, 4 heavy like pudding, 5 stiff as for piping.',
    ),
    'trace',
    'stop-level',
  ),
  entry(
    'load',
    t('scent load'),
    t('Scent as a share of the oils or of the batter. Which of the two is always said.'),
    'cap',
  ),
  entry('lot', t('lot'), t('One purchase of an ingredient, with what is left of it, its price and its date.')),
  entry(
    'lye',
    t('lye (NaOH)'),
    t(
      'Sodium hydroxide, what turns oils into soap. Weighed to the fine scale’s step, rounded down; into water, never water into it.',
    ),
    'lye-solution',
    'purity',
  ),
  entry(
    'lye-solution',
    t('lye solution'),
    t('Lye dissolved in its water, stirred clear. It grows as hot as 90 °C.'),
    'lye',
  ),
  entry('mix', t('mix'), t('The warmth of the batter right after lye and oils have met.'), 'gap'),
  entry(
    'move',
    t('move'),
    t('A tool passed through batter that is poured already: a wire, a skewer, a comb.'),
    'score',
  ),
  entry(
    'own-batter',
    t('batter of its own'),
    t('A small batch of the same recipe for one cup alone, with its own lye: its clock starts when it is made.'),
    'cup',
  ),
  entry(
    'pace',
    t('pace'),
    t('How fast a recipe thickens against a balanced one: very slow, slow, even, quick or very quick.'),
    'acceleration',
  ),
  entry(
    'plan-b',
    t('plan B'),
    t('A simpler score for the same cups, chosen before the start, with what is seen when it is called for.'),
    'trigger',
  ),
  entry(
    'portion',
    t('portion'),
    t('What a cup holds: batter, scent, colour and its liquid. All portions and what clings add up to the pot.'),
    'clings',
  ),
  entry('pot', t('pot'), t('The vessel in which the batter is made.'), 'cup'),
  entry('pour', t('pour'), t('Some of one cup into the mould, with where, how, and from what height.'), 'score'),
  entry(
    'purity',
    t('purity'),
    t('How much of the lye as bought is NaOH; the label or certificate says it, often 97 to 99 %.'),
    'lye',
  ),
  entry('ratio', t('water to lye'), t('Water as so many times the lye’s weight; 1.5 to 3 is usual.'), 'concentration'),
  entry(
    'reserve',
    t('reserve'),
    t('Batter of a cup that does not go in with the layers: for the top, for piping, a sample.'),
    'blank',
  ),
  entry(
    'rests-on',
    t('rests on'),
    t('What a forecast is made from: only the models’ own guess, a supplier’s word, or your batches.'),
    'evidence',
  ),
  entry(
    'ricing',
    t('ricing'),
    t('A scent makes hard fat clump into grains like rice. Short blending often cures it, at the price of trace.'),
    'seizing',
  ),
  entry('ring', t('ring'), t('The middle gelled and the edge did not: a darker round in the cut.'), 'gel'),
  entry(
    'runs',
    t('runs'),
    t('The plan worked through again and again with other variation: maker, scent, hands, the moment blending stops.'),
    'four-of-five',
  ),
  entry(
    'saponification-value',
    t('saponification value'),
    t('Lye that an oil takes, in mg of KOH for a gram. It differs from lot to lot within a usual range.'),
    'certificate',
    'superfat',
  ),
  entry(
    'score',
    t('score'),
    t('The ordered list of pours and moves that makes a design. The picture follows from it.'),
    'pour',
    'move',
  ),
  entry(
    'seen',
    t('seen'),
    t('A trace that somebody looked at and wrote down: which cup, when, how thick. The forecast follows it.'),
    'evidence',
  ),
  entry(
    'seizing',
    t('seizing'),
    t('Batter that sets within a minute, mostly from a scent. Poured at once and kept moving it may still be saved.'),
    'acceleration',
  ),
  entry(
    'shelf',
    t('shelf'),
    t('What the workshop owns: oils, liquids, scents, colours, additives, moulds, vessels, tools.'),
    'lot',
  ),
  entry('slurry', t('slurry'), t('Powder stirred smooth in oil or water before it goes into a cup.'), 'dose'),
  entry(
    'split',
    t('split'),
    t('The pot divided into cups. Too early, the first cups get too much lye and the last too little.'),
    'emulsion',
  ),
  entry('stop-level', t('stop level'), t('The trace at which the blender is put away.'), 'level'),
  entry(
    'superfat',
    t('superfat'),
    t(
      'Oil that the lye leaves unsaponified, as a share of all oils; 3 to 8 % is usual. Its band says how far oils and scale may push it.',
    ),
    'free-lye',
    'band',
  ),
  entry('trace', t('trace'), t('How thick batter is: what is drizzled on it leaves a trace.'), 'level'),
  entry(
    'trial',
    t('trial'),
    t('A batch made to learn from. It is not for skin or sale, and may have no superfat.'),
    'free-lye',
  ),
  entry('trigger', t('trigger'), t('What is seen that calls for plan B, and before which pour one looks.'), 'plan-b'),
  entry(
    'wet',
    t('dispersing liquid'),
    t('Oil, water, glycerine or alcohol that wets a powder. It comes on top, or is taken off the recipe’s own.'),
    'slurry',
  ),
  entry(
    'window',
    t('window'),
    t('The range of trace that a pour or a tool needs: thinner it blurs, thicker it does not flow.'),
    'level',
    'lane',
  ),
]

export const entryAt = (at: string): Entry | undefined => GLOSSARY.find(one => one.at === at)
