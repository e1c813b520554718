import { Like, NumberFrom } from '../document/fields/index.ts'
import type { StockLine } from '../weighing/index.ts'

/** What a batch costs and what a bar of it may be sold for. Money in the workshop's own currency. */

/** How a workshop reckons: the same for all of its batches. */
export class Pricing {
  @Like(/^[\p{L}\p{Sc}.]{0,6}$/u, 'A currency is a sign or a short name, like € or kr.')
  currency!: string

  @NumberFrom(0, 10_000, 'An hour of work costs from 0 to 10,000.', { says: 'Of an hour of work.' })
  hourly!: number

  @NumberFrom(0, 1000, 'Packing of a bar costs from 0 to 1,000.', { says: 'Wrapper, label and box of a bar.' })
  packing!: number

  @NumberFrom(0, 0.95, 'A margin is from 0 to 95 %.', { says: 'Share of the price that is left over.' })
  margin!: number

  @NumberFrom(0, 1000, 'A price is rounded up to a step from 0 to 1,000.', { says: '0: not rounded.' })
  roundTo!: number
}

export const USUAL_PRICING: Pricing = { currency: '€', hourly: 15, packing: 0.3, margin: 0.5, roundTo: 0.5 }

export const COST_GROUPS = {
  fats: 'oils, lye and water',
  scent: 'scent',
  colour: 'colours',
  other: 'liquids and additives',
  work: 'work',
  packing: 'packing',
} as const
export type CostGroup = keyof typeof COST_GROUPS

export interface CostFacts {
  stock: readonly Pick<StockLine, 'kind' | 'name' | 'cost' | 'needG'>[]
  /** Hands at work, h. */
  hours: number
  /** Bars that can be sold; ends, samples and losses are paid for by them. */
  bars: number
  /** Of a bar when it is ready, g. */
  curedG: number
}

export interface CostReckoned {
  groups: Record<CostGroup, number>
  whole: number
  perBar: number
  per100G: number
  /** What has no price on the shelf and is left out. */
  unpriced: StockLine['name'][]
}

const groupOf = (kind: StockLine['kind']): CostGroup => {
  if (kind === 'oils' || kind === 'uncounted') return 'fats'
  if (kind === 'scents') return 'scent'
  return kind === 'colorants' ? 'colour' : 'other'
}

/** Lye and water cost little, and the shelf keeps no price of them. */
const isNamed = ({ kind, needG, cost }: CostFacts['stock'][number]): boolean =>
  cost === null && needG > 0 && kind !== 'uncounted'

/** @returns null where there is no bar to bear the cost */
export function costReckoned({ stock, hours, bars, curedG }: CostFacts, pricing: Pricing): CostReckoned | null {
  if (!(bars > 0)) return null
  const groups: CostReckoned['groups'] = { fats: 0, scent: 0, colour: 0, other: 0, work: 0, packing: 0 }
  for (const { kind, cost } of stock) groups[groupOf(kind)] += cost ?? 0
  groups.work = hours * pricing.hourly
  groups.packing = bars * pricing.packing
  const whole = Object.values(groups).reduce((sum, one) => sum + one, 0)
  const perBar = whole / bars
  return {
    ...{ groups, whole, perBar, per100G: curedG > 0 ? (perBar / curedG) * 100 : 0 },
    unpriced: stock.filter(isNamed).map(({ name }) => name),
  }
}

/** The least price that leaves a margin, rounded up to a step. */
export function priceFor(cost: number, { margin, roundTo }: Pick<Pricing, 'margin' | 'roundTo'>): number {
  const least = cost / (1 - margin)
  return roundTo > 0 ? Math.ceil(least / roundTo - 1e-9) * roundTo : least
}

/** What is left of a price, as a share of it; below 0: it is sold at a loss. Null at a price of nothing. */
export const marginAt = (cost: number, price: number): number | null => (price > 0 ? 1 - cost / price : null)
