/** How a click picks: only this, this too, or all from the first picked to here. */
export type PickWay = 'one' | 'add' | 'range'
export type Pick = (id: string, way: PickWay) => void

/** What is picked after a click; a second plain click on the only one lets it go. */
export function pickedAfter(picked: readonly string[], all: readonly string[], id: string, way: PickWay): string[] {
  if (way === 'one') return picked.length === 1 && picked[0] === id ? [] : [id]
  if (way === 'add') return picked.includes(id) ? picked.filter(one => one !== id) : [...picked, id]
  const [from, to] = [all.indexOf(picked[0] ?? id), all.indexOf(id)]
  if (from < 0 || to < 0) return [id]
  const run = all.slice(Math.min(from, to), Math.max(from, to) + 1)
  // The first picked stays the anchor.
  return from <= to ? run : run.reverse()
}
