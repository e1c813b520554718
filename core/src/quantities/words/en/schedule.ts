export const schedule = {
  'schedule.scent-weighed-into-oils': 'scent weighed into the oils',
  'schedule.scent-weighed-share-for': 'scent weighed, a share for each cup',
  'schedule.scent-weighed-into-cup': 'scent weighed into a cup of its own',
  'schedule.colours-mixed':
    '{colours, plural, one {the colour mixed in its liquid} other {# colours mixed in their liquid}}',
  'schedule.cups-set-out-order': '{cupsCount} cups set out in the order of the pours',
  'schedule.at-hand': '{tools} at hand',
  'schedule.toppings-weighed': 'toppings weighed',
  'schedule.mould-level': 'mould level',
  'schedule.mould-lined-level': 'mould lined and level',
  'schedule.solid-fatty-acid': 'solid fatty acid',
  'schedule.milk-or-pur-e': 'milk or purée for water',
  'schedule.little-water': 'little water',
  'schedule.much-water': 'much water',
  'schedule.cool-mix': 'a cool mix',
  'schedule.hard-oils': 'hard oils',
  'schedule.slow-oils': 'slow oils',
}
