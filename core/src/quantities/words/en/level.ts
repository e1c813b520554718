/** How much a plan asks of its maker. */
export const level = {
  'level.hardly-in-time': 'there is hardly time for every pour',
  'level.tight': 'time is short for some pour',
  'level.quick-scent': 'a scent that quickens',
  'level.whipped': 'whipped fats: cold lye, trickled in',
  'level.own-batters': 'several batters with lye of their own',
  'level.strong-lye': 'little water: it thickens sooner and the lye is hotter',
  'level.hot': 'milk, sugar or a scent that heats',
  'level.many-cups': '{cups} cups to keep moving',
  'level.piped': 'piping, at the right minute',
  'level.tools': 'more than one tool through the batter',
  'level.embeds': 'embeds, to be placed while it still holds them',
}
