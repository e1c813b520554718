/** What a batch is called on its labels: the day it was poured, and four signs of its id, so that two of a day differ. */
export const lotCode = (pouredAt: string, batch: string): string =>
  `${pouredAt.slice(2, 10).replaceAll('-', '') || '000000'}-${batch.slice(0, 4).toUpperCase()}`
