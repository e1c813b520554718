export const recipe = {
  'recipe.as-written': 'as it is written',
  'recipe.superfat-makes-soft-bar':
    'Superfat {band} makes a soft bar that turns rancid. Is an oil too many, or lye missing?',
  'recipe.superfat-above-zero-however':
    'Superfat {band}, and above zero however the oils’ values lie ({low} to {high}).',
  'recipe.there-less-water-than':
    'There is less water than lye: it cannot dissolve. At least the lye’s own weight of water, 1.5 to 3 times is usual.',
  'recipe.lye-at-strong-quick': 'Lye at {concentration} is strong: quick trace, hot, hard to stir clear.',
  'recipe.lye-at-weak-slow': 'Lye at {concentration} is weak: slow trace, soft for days, more ash.',
  'recipe.coconut-type-oils': 'coconut-type oils',
  'recipe.free-fatty-acid': 'free fatty acid',
  'recipe.strong-lye': 'strong lye',
  'recipe.the-scent': 'the scent',
  'recipe.liquid-oils-suit': '{liquid} liquid oils, {low} to {high} suit',
  'recipe.quick-for': '; quick for it',
  'recipe.slow-for': '; slow for it',
  'recipe.fine-swirls': 'fine swirls',
  'recipe.piped-or-textured-tops': 'piped or textured tops',
  'recipe.quickens-further': ' {scent} quickens it further.',
  'recipe.mostly-batter': 'Mostly {part} and {part2}: the batter is {paceWord}; {designs}.{smell}',
  'recipe.at-sets-batter-within':
    '{named} at {acidShare} sets the batter within seconds; over 3 % is for shaving soap, made hot.',
  'recipe.sets-at-about-63':
    '{named} sets at about [63 °C]: melt it with the hard fats and keep the mix warm, or leave it out.',
  'recipe.only-fatty-acids-make': 'Only {hardAcids} of the fatty acids make a bar hard: it stays soft for weeks.',
  'recipe.hard-fatty-acids-cut': '{hardAcids} hard fatty acids: cut early, or the bar turns brittle.',
  'recipe.makers-then-raise-superfat': '; makers then raise the superfat to 10 to 20 %',
  'recipe.lauric-myristic-cleans-hard': '{lauricHigh} lauric and myristic cleans hard and dries the skin{which}.',
  'recipe.linoleic-linolenic-soap-may':
    '{poly} linoleic and linolenic: the soap may turn rancid early; 15 % or less keeps.',
  'recipe.this-heats-strongly-mould':
    'This heats strongly in the mould ({heatFrom}): cool place, no blanket, watch for cracks.',
  'recipe.every-oil-kept-back': 'Every oil is kept back: nothing is in the pot for the lye to work on.',
  'recipe.what-acids-added-fats':
    'What acids and added fats take leaves a superfat of {superfatShare}: that is no soap. Add their lye, or take less of them.',
  'recipe.until-late-oil-pot':
    'Until the late oil is in, the pot holds more lye than its oils take. Gear on, and do not leave the late oil out.',
  'recipe.at-usual-most': '{oil} at {share}; {usualMostShare} is the usual most.',
  'recipe.late': ', late',
  'recipe.of-the-water': '{findById}, of the water',
  'recipe.g-kg': '{gPerKgOils} g/kg',
  'recipe.lye-purity': 'lye purity',
  'recipe.lye-concentration': 'lye concentration',
  'recipe.water-oils': 'water, of the oils',
  'recipe.lye-for-1-kg': 'lye for [1 kg] of oils',
  'recipe.iodine-value': 'iodine value',
  'recipe.hard-oils': 'hard oils',
  'recipe.heat-mould': 'heat in the mould',
  'recipe.to': '{low} to {high}',
  'recipe.free-lye-superfat-there':
    'Free lye: superfat {band} ({what}). There is more lye than the oils can take, and the soap would burn skin.',
  'recipe.no-superfat-nothing-left':
    'No superfat ({what}): nothing is left over for an error, and with the oils’ values and the scale it may be {from}.',
  'recipe.take-less-lye-or': '{sentence} Take less lye or more oil.',
  'recipe.suppliers-certificate-for': 'the supplier’s certificate for {widest}',
  'recipe.finer-scale': 'a finer scale',
  'recipe.a-superfat-of': 'a superfat of {enough}',
  'recipe.free-lye-possible-superfat':
    'Free lye is possible: superfat {band} ({what}) may lie anywhere from {from} with the oils’ values and the scale. What helps: {ways}.',
  'recipe.blend-of': '{split} blend of {partsCount}',
  'recipe.no-object': 'A recipe is an object with named values.',
  'recipe.other-format': 'This is no recipe of ours.',
  'recipe.too-deep': 'This recipe is too deep or too large, or uses names that it must not.',
  'recipe.newer': 'This recipe was kept by a newer Ostler (version {version}; this one reads up to {newest}).',
}
