import type { Shelf } from '../shelf/index.ts'
import type { Evidence } from './evidence.ts'
import { ratesOf } from './rates.ts'

/** What a batch is about, as far as its pace goes: the recipe, and the scents with their dose in g per kg of oils. */
export interface PaceOf {
  recipe: string
  scents: readonly { scent: string; share: number }[]
  gPerKg: number
}

const sdOf = (shelf: Shelf, { recipe, scents, gPerKg }: PaceOf): number => {
  const rates = ratesOf(shelf)
  const scented = scents.length > 0 ? rates.scented(recipe, scents, gPerKg).sd : 0
  return Math.hypot(rates.plain(recipe).sd, scented)
}

/** By how much one batch's readings narrow the range of a pace, 0…1; 0 where they say nothing of it, or do not count. */
export function narrowedBy(shelf: Shelf, of: PaceOf, one: Pick<Evidence, 'batch' | 'counts'>): number {
  if (!one.counts) return 0
  const without = { ...shelf, evidence: shelf.evidence.filter(other => other.batch !== one.batch) }
  return Math.max(0, 1 - sdOf(shelf, of) / sdOf(without, of))
}
