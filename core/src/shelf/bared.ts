import type { Scent, Oil } from './ingredients.ts'
import type { ShelfItem } from './item.ts'
import { shelfKinds } from './shelf.ts'
import type { Shelf } from './shelf.ts'

const wordsIn = (value: unknown): string[] =>
  typeof value === 'string' ? [value] : value && typeof value === 'object' ? Object.values(value).flatMap(wordsIn) : []

/** What a ready blend is made of, by ids. */
const partsOf = (item: ShelfItem): string[] => [
  ...((item as Partial<Scent>).parts ?? []).map(part => part.scent),
  ...((item as Partial<Oil>).blend ?? []).map(part => part.oil),
]

/**
 * A shelf as it may leave the workshop beside a plan: the items that the plan names, with what is reckoned from; no lots, no prices, no
 * notes, nothing else that the workshop has. What a blend is made of goes by a number.
 */
export function baredShelf(shelf: Shelf, plan: object): Shelf {
  const named = new Set(wordsIn(plan))
  const bare = (items: readonly ShelfItem[]): ShelfItem[] => {
    const parts = new Set(items.filter(({ id }) => named.has(id)).flatMap(partsOf))
    return items
      .filter(({ id }) => named.has(id) || parts.has(id))
      .map((item, n) => ({ ...item, note: '', lots: [], name: named.has(item.id) ? item.name : `part ${n + 1}` }))
  }
  const kept = Object.fromEntries(shelfKinds.map(kind => [kind, bare(shelf[kind])])) as unknown as Partial<Shelf>
  return { ...shelf, ...kept, evidence: shelf.evidence.map(one => ({ ...one, name: '' })) }
}
