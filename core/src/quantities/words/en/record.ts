export const record = {
  'record.no-list': 'Entries of a record come as a list.',
  'record.no-such-day': 'There is no such day.',
  'record.no-such-sign': 'This sign is not on the list.',
  'record.lacks': 'This entry lacks what it says.',
  'due.steep': 'Last day to begin what is made ready beforehand',
  'record.lot-short': 'A lot holds {haveG}, and {wantG} would be taken of it: its count would fall below nothing.',
  'due.reorder': '{haveG} left: to be bought again at {reorderAtG}',
  'due.old': '{left} left of lot {mark}: use it by {useBy}',
  'due.too-old':
    '{left} left of lot {mark}, past its date of {useBy}: look at it, smell it, and use it or write it off',
  'due.make': 'Last day to make it: cure and rest take {days} days',
  'due.unmould': 'Look whether it comes out of the mould: firm to the thumb, and away from the walls',
  'due.cut': 'Cut it',
  'due.look': 'Look at its samples: day {days}, all in one photograph',
  'due.weigh': 'Weigh a bar, on the rack or under Cut',
  'due.turn': 'Turn the bars on the rack',
  'due.ready': 'Ready by its weight: test one before any is sold',
}
