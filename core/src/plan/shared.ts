import { baredShelf } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import type { Plan } from './document.ts'

/** A plan as it may be seen outside the workshop: for whom it is made, what it may cost, notes and what was seen stay inside. */
export const sharedPlan = (plan: Plan): Plan => ({
  ...plan,
  notes: '',
  seen: [],
  brief: { ...plan.brief, forWhom: '', priceFrom: 0, priceTo: 0 },
})

/** What scents are called outside where they are kept back. */
const A_SCENT = 'Scent'

/**
 * The shelf beside a plan that is shared: items that it names, without lots, prices and notes; of scents that are kept back neither name
 * nor what they are made of.
 */
export function sharedShelf(shelf: Shelf, plan: Plan, withScents: boolean): Shelf {
  const bare = baredShelf(shelf, plan)
  if (withScents) return bare
  return {
    ...bare,
    scents: bare.scents.map((scent, i) => ({
      ...scent,
      name: `${A_SCENT} ${i + 1}`,
      inci: '',
      constituents: [],
      allergens: [],
      words: [],
    })),
  }
}
