export const record = {
  'record.no-list': 'Entries of a record come as a list.',
  'record.no-such-day': 'There is no such day.',
  'record.no-such-sign': 'This sign is not on the list.',
  'record.lacks': 'This entry lacks what it says.',
  'due.steep': 'Last day to set its infusion to steep',
  'due.make': 'Last day to make it: cure and rest take {days} days',
  'due.unmould': 'Look whether it comes out of the mould: firm to the thumb, and away from the walls',
  'due.cut': 'Cut it',
  'due.weigh': 'Weigh a bar, and note it under Cut',
  'due.turn': 'Turn the bars on the rack',
  'due.ready': 'Ready by its weight: test one before any is sold',
}
