export const heat = {
  'heat.fats-stay-clear-down': 'The fats stay clear down to {clearC}.',
  'heat.at-fats-begin-set':
    'At {mixC} the fats begin to set (clear from {clearC}): the batter can look thick without being soap. Mix at {lowest} or warmer.',
  'heat.clear-at': '{firstC}, clear at {clearC}',
  'heat.lyes-heat-melts-hard': 'The lye’s heat melts the hard fats ({at}); with the liquid oils {finalC}.',
  'heat.wax-stearic-acid-melt': 'Wax and stearic acid melt too slowly for this: melt them separately.',
  'heat.only-just-melts-hard':
    'It only just melts the hard fats ({at}): have a warm bath ready, or melt them separately.',
  'heat.lye-has-not-heat':
    'The lye has not the heat for it ({at}, {solidLeft} % still solid): melt the hard fats separately.',
  'heat.lye-only-reaches-less': 'The lye only reaches {c} (less ice, or warmer water), not {c2}.',
  'heat.oils-would-need-are':
    'The oils would need {c} and are melted to {c2}. Melt them warmer, or take the lye warmer.',
  'heat.oils-would-need-room': 'The oils would need {c} in a room of {c2}: cool them in a bath, or take cooler lye.',
  'heat.together': 'together {c}',
  'heat.there-are-no-hard': 'There are no hard fats for the hot lye to melt.',
  'heat.lye-oils-apart-within': 'Lye {c}, oils {c2}: {far} apart, within {rule}; {together}.',
  'heat.lye-oils-are-apart': 'Lye {c} and oils {c2} are {far} apart, more than your {rule}; {together}.',
  'heat.the-lye': 'the lye ({c})',
  'heat.the-oils': 'the oils ({c})',
  'heat.lye-oils-are-within': 'Lye {c} and oils {c2} are within {c3} to {c4}; {together}.',
  'heat.outside-your-band': '{outside} outside your band of {c} to {c2}; {together}.',
  'heat.lye-oils-give-mix': 'Lye {c} and oils {c2} give {c3}, the mix you plan with.',
  'heat.losses-through-wall-base':
    'Losses through wall, base and surface and, for lye, by evaporation; 5 s steps. Wall values are engineering estimates; before any reading right to a quarter.',
  'heat.time-its-peak': ' + time to its peak',
  'heat.time-cool-from': 'time to cool from {fromC} to {targetC} in {way}{which}',
  'heat.lye-into-water': 'Lye into water',
  'heat.oils-off-heat': 'Oils off the heat',
  'heat.peak-lye': 'Peak of the lye',
  'heat.heat-solution-naoh-this':
    'heat of solution of NaOH in this much water, less losses while stirring, second by second',
  'heat.handbook-heats-solution-specific':
    'Handbook heats of solution and specific heats. Pauses in stirring lower the peak by several degrees.',
  'heat.oils-their-c-lye': '(oils × {n} × their °C + lye × its specific heat × its °C) ÷ the same without °C − {n2}',
  'heat.specific-heat-oils-lye':
    'Specific heat of oils {n} {unit}; of the lye from handbook tables; {n2} is lost in pouring. The reaction then adds a few degrees.',
}
