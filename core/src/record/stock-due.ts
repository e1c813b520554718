import { fact, grams } from '../quantities/facts/index.ts'
import { stockOf } from '../shelf/index.ts'
import type { Lot, ShelfKind } from '../shelf/index.ts'
import type { Due } from './due.ts'
import { dayAfter } from './life.ts'

/** What is due of the shelf itself: what runs out, and what grows old. */

export interface StockFacts {
  kind: ShelfKind
  id: string
  name: string
  lots: readonly Lot[]
  /** At or below it is to be bought again, g; 0: never told. */
  reorderAtG: number
}

/** So long before its use-by date something is used first. */
const AHEAD_DAYS = 30

/** @param today like "2026-03-02" */
export function stockDues({ kind, id, name, lots, reorderAtG }: StockFacts, today: string): Due[] {
  const item = { kind, id }
  const haveG = stockOf({ lots: [...lots] })
  const low: Due[] =
    reorderAtG > 0 && lots.length > 0 && haveG <= reorderAtG
      ? [
          {
            key: `${kind}:${id}:reorder`,
            kind: 'reorder',
            batch: null,
            item,
            name,
            on: today,
            what: fact('due.reorder', { haveG: grams(haveG, 0), reorderAtG: grams(reorderAtG, 0) }),
          },
        ]
      : []
  const old = lots.flatMap((lot): Due[] =>
    lot.left > 0 && lot.useBy !== '' && dayAfter(lot.useBy, -AHEAD_DAYS) <= today
      ? [
          {
            key: `${kind}:${id}:old:${lot.id}`,
            kind: 'old',
            batch: null,
            item,
            name,
            on: lot.useBy,
            what:
              lot.useBy < today
                ? fact('due.too-old', { mark: lot.mark, left: grams(lot.left, 0), useBy: lot.useBy })
                : fact('due.old', { mark: lot.mark, left: grams(lot.left, 0), useBy: lot.useBy }),
          },
        ]
      : [],
  )
  return [...low, ...old]
}
