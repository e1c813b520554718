/** Which backups are kept: all of the last week, one a week for a month, one a month for a year. */

const DAY_MS = 86_400_000
const RULES = [
  { days: 7, each: at => at.toISOString().slice(0, 10) },
  { days: 35, each: at => `week ${Math.floor(at.getTime() / (7 * DAY_MS))}` },
  { days: 366, each: at => at.toISOString().slice(0, 7) },
]

/** @param backups [{ name, at }], at a Date @returns names that no rule keeps; the newest is always kept */
export function notKept(backups, now) {
  const kept = new Set()
  const newestFirst = [...backups].sort((a, b) => b.at - a.at)
  if (newestFirst[0]) kept.add(newestFirst[0].name)
  for (const { days, each } of RULES) {
    const seen = new Set()
    for (const { name, at } of newestFirst) {
      if (now - at > days * DAY_MS) continue
      const period = each(at)
      if (!seen.has(period)) kept.add(name)
      seen.add(period)
    }
  }
  return backups.map(({ name }) => name).filter(name => !kept.has(name))
}
