export const forecast = {
  'forecast.blend-about-s-not': ' Blend about {blendS} s, not to the usual look.',
  'forecast.as-soon-as-blended': 'as soon as it is blended',
  'forecast.after-blending': '{minutes} after blending',
  'forecast.hour-or-more': 'is an hour or more',
  'forecast.are': 'are {withoutMin}',
  'forecast.too-thick-pour-leave':
    '{cupName} is too thick to pour {when}.{blend} Leave out first: {first}, without it there {which}.',
  'forecast.so-much-of-it': '{name} ({share})',
  'forecast.and-others': '{each} and others',
  'forecast.what-quickens': 'What quickens it: {parts}.',
  'forecast.nothing-quickens-much': 'Nothing in it quickens it much.',
  'forecast.what-slows': '{quick} What slows it: {parts}.',
  'forecast.be-blended-on-but': '{cup} is to be blended on to {stop}, but blending stops at {stopLevel} already.',
  'forecast.shares-batter-only-where': '{cup} shares a batter only where batters are made apart.',
  'forecast.has-lye-its-own': '{cup} has lye of its own strength only where each batter is made with its own lye.',
  'forecast.batter-one-batter-its': 'Batter {letter} is one batter: its cups cannot have lye of different strengths.',
  'forecast.drawn-while-pot-blended':
    '{list} {drawnCount, plural, one {is} other {are}} drawn while the pot is blended: the least emulsified cup {emulsionWord}.',
  'forecast.fatty-acids-alone-are':
    'Fatty acids alone are soap as soon as lye meets them: there is nothing to blend, divide or pour.',
  'forecast.slow-oils-without-blender':
    'Slow oils without a blender take hours to trace, and less is known of when: keep it covered, stir now and then, and look.',
  'forecast.stays-soft-for-minutes': 'stays soft for minutes after it stands',
  'forecast.set-s-after-stands': 'is set {setS} s after it stands',
  'forecast.stays-at-trace-while':
    'It stays at trace {moving} while it moves and {set}: have the mould beside the pot, blend the scent in for 10 s, and pour all of it at once, two hands on the pot. No texture, no tool, no clean rim after it; and it gets hot.',
  'forecast.and-of': ', and of {list}',
  'forecast.about-1-grains-or':
    'About 1 in {what}: grains, or a hairy batter that parts, in {cup}. It comes of the scent{which}. Cure: bursts of 3 s with the head under, up to five; then warm it by [3 to 5 K].',
  'forecast.more-than-half-these':
    'More than half of these oils are liquid at {startC}: it will not hold air. Take more hard fats, or whip cooler.',
  'forecast.comes-out-too-stiff': 'It comes out too stiff to pipe: warm it by a degree at a time.',
  'forecast.comes-out-too-soft':
    'It comes out too soft to pipe: chill it for 10 minutes and whip again, or take colder lye.',
  'forecast.lye-trickled-at-low': 'Lye of {lyeC} is trickled in at low speed; goggles and gloves: a whisk throws.',
  'forecast.how-batter-blended-does': 'How batter is blended does not matter here: it is whipped.',
  'forecast.layer-will-be-at': 'Layer {i} will be at trace {endLevel}',
  'forecast.spooned-textured-rather-than': '{head}: spooned and textured rather than poured.',
  'forecast.may-still-be-laid': '{head}: it may still be laid on with a spoon.',
  'forecast.knock-mould-on-table': '{head}: knock the mould on the table, or holes stay in the relief.',
  'forecast.cavity-stays': 'Cavity {empty} stays',
  'forecast.cavities-stay': 'Cavities {list} stay',
  'forecast.empty-no-layer-goes': '{some} empty: no layer goes into it.',
  'forecast.embeds-are-reckoned-every': 'Embeds are reckoned in every cavity that their layer goes into.',
  'forecast.not-on-shelf-without':
    '“{missing}” is not on the shelf. Without its saponification value no lye can be worked out: choose an oil from the shelf.',
  'forecast.oils-add-up-weights': 'The oils add up to {sum}. Weights are worked out as parts of the whole.',
  'forecast.trial-not-for-skin': 'A trial: not for skin.',
  'forecast.answered': 'Answered: “{reason}”',
  'forecast.step-on-lye-off':
    'A step of {fineScaleStepG} on {lyeG} of lye is off by up to {off}. Weigh on a finer scale or make a larger batch.',
  'forecast.step-on-oil-off':
    'A step of {scaleStepG} on {smallest} of oil is off by over 10 %. Use the finer scale for it.',
  'forecast.lye-at-there-less':
    'Lye at {w}: there is less water than lye, and it cannot dissolve. Take at least the lye’s own weight; 1.5 to 3 times is usual.',
  'forecast.forecast-trace-made-for':
    'The forecast of trace is made for 25 to 40 % lye; at {w} take its times as a rough guess.',
  'forecast.runs-over-tilted':
    'Pour {n} runs over the low rim: {filledMl} ml are in the mould then, and so tilted it holds {mostMl} ml. Tilt it by at most {mostDeg}°, or pour less before.',
  'forecast.drags':
    '{additive} in the body is dragged through the faces by the wire: cut the loaf on its side, take it finer than 1 mm, or on the top only.',
  'forecast.not-into-lye': '{additive} into the lye: it may break down, clump or boil up there. Usually it goes {how}.',
  'forecast.only-times-lyes-weight':
    'Only {waterToLyeWhenDissolved} times the lye’s weight of water when it is dissolved; it needs its own weight. Put more of the liquid into the lye.',
  'forecast.archived-on-shelf': '{item} is archived on the shelf.',
  'forecast.your-workshop-never-uses': '{item}: {holds}. Your workshop never uses that.',
  'forecast.for-label': 'For the label, {tag}: {list}.',
  'forecast.not-on-shelf-not': '“{additive}” is not on the shelf: it is not weighed, and what it does is left out.',
  'forecast.g-per-kg-oils': '{additive}: {usualMostGPerKg} g per kg of oils is the usual most.',
  'forecast.takes-lye-not-added': '{additive} takes lye that is not added: the superfat rises by what it takes.',
  'forecast.not-on-shelf-plain': '“{liquid}” is not on the shelf: plain water stands for it.',
  'forecast.sensible-up-water': '{liquid} is sensible up to {mostShareOfWater} of the water.',
  'forecast.scorches-hot-lye-use':
    '{liquid} scorches in hot lye: use it frozen. Say on Heat how much of the liquid is ice.',
  'forecast.not-on-shelf-nobody':
    '“{id}” is not on the shelf: nobody has told how it behaves or what its limit is. Quick ones are reckoned with; try a little first, and keep plain cups.',
  'forecast.nobody-has-told-how':
    'Nobody has told how {part} behaves: quick ones are reckoned with. A small trial with this recipe tells more than a supplier’s word.',
  'forecast.known-seize-batter-works':
    '{part} is known to seize batter. It works in one colour: plain cups poured first, the scent blended into what is left in the pot, and that poured without a stop.',
  'forecast.phototoxic-look-for-furocoumarin':
    '{part} is phototoxic: look for the furocoumarin-free or distilled kind.',
  'forecast.above-limit-on-shelf':
    '{load} is above the limit on the shelf, {capShare} of the oils. The supplier’s document comes first.',
  'forecast.above-its-limit-as':
    '{limiting} is above its limit: as mixed, the blend may be {capShare} of the oils, not {loadOfOils}.',
  'forecast.stands-at-its-limit': '{limiting} stands at its limit: weigh it slowly, in a cup of its own.',
  'forecast.more-than-one-part': 'More than one part carries {shared}: their limits add up. Compare the documents.',
  'forecast.supplier-says-your-own':
    '{part}: the supplier says “{supplierSays}”, your {ownRuns} own {ownRuns, plural, one {batch} other {batches}} “{acceleration}”. Your own count.',
  'forecast.no-cup-marked-as': 'No cup is marked as scented, so no scent is weighed.',
  'forecast.at-fats-begin-set':
    'At {mixC} the fats begin to set (they are clear from {clearPointC}): batter can look thick without being soap. Mix at {clearPointC2} or warmer.',
  'forecast.above-50-c-forecast': 'Above [50 °C] the forecast is a rough guess, and hot batter burns.',
  'forecast.forecast-trace-made-for-up': 'The forecast of trace is made for up to 20 % superfat.',
  'forecast.does-not-bring-this':
    '{longest} does not bring this batter to level {stopLevel}. Blend warmer, or stop at a lower level.',
  'forecast.one-pot-heavy-lift':
    '{potKg} in one pot is heavy to lift and larger than the forecast was fitted to. Two pots are easier to keep in time.',
  'forecast.needs-which-steps-cannot':
    '{cups} needs {powderG} of {part}, which steps of {fineScaleStepG} cannot weigh. Mix ten times as much and use a tenth of it, or take a finer scale.',
  'forecast.setting-at-once': 'setting at once',
  'forecast.saponification-values-from-shelf':
    'Saponification values from the shelf, mg KOH per g; NaOH by molar mass, {n} / {n2}.',
  'forecast.batter-pot': 'Batter in the pot',
  'forecast.length-width-height-density':
    'length × width × height × density + what clings − scent, colour and its liquid',
  'forecast.inner-dimensions-mould-batter':
    'Inner dimensions of the mould. Batter density 0.95–1.05 g/ml by habit; your own weighing comes first.',
  'forecast.batter-1-lye-water': 'batter ÷ (1 + lye and water for [1 g] of oils), each oil rounded to the scale',
  'forecast.shares-recipe': 'Shares of the recipe.',
  'forecast.lye-weigh': 'Lye to weigh',
  'forecast.naoh-for-all-oils':
    '(NaOH for all oils and counted fats × (1 − superfat) + NaOH for acids) ÷ purity, rounded down to the scale',
  'forecast.compare-oils-certificates': '{sapSource} Compare the oils’ certificates.',
  'forecast.what-liquids-additives-bring': '{formula} − what liquids and additives bring',
  'forecast.concentration-naoh-naoh-water':
    'Concentration = NaOH ÷ (NaOH + water), all water counted. A discount is from full water as a share of the oils.',
  'forecast.superfat-as-weighed': 'Superfat as weighed',
  'forecast.1-lye-purity-naoh': '1 − lye × purity ÷ NaOH for all oils',
  'forecast.lye-discount': 'Lye discount',
  'forecast.1-naoh-naoh-for': '1 − NaOH ÷ NaOH for the oils in the pot from the start',
  'forecast.superfat-counts-all-oils':
    'The superfat counts all oils once, late ones included; the discount is what the first ones see.',
  'forecast.pace-batter': 'Pace of the batter',
  'forecast.e-fatty-acids-pace':
    'e^(Σ fatty acids × pace + quickness + 6 × (lye concentration − 30 %) − 2 × (superfat − 5 %) + additives)',
  'forecast.fitted-what-makers-report':
    'Fitted to what makers report at the bench; right to a factor of about 1.4 for an untested recipe.',
  'forecast.scent-weigh': 'Scent to weigh',
  'forecast.load-oils-over-scented': 'load × oils, over the scented cups, rounded down',
  'forecast.rate-plan': 'The rate of the plan.',
  'forecast.most-this-scent-may': 'Most that this scent may be',
  'forecast.smallest-limit-part-its': 'the smallest of (limit of a part ÷ its share)',
  'forecast.limits-on-shelf-as':
    'Limits on the shelf, as % of the oils, rounded down; a limit on the cured bar × {n}. Suppliers’ documents come first.',
  'forecast.share-oil-its': 'Σ share of the oil × its {acids}',
  'forecast.textbook-profiles-10-20': 'It {does} Textbook profiles, ±10 to 20 % for the major acids.',
}
