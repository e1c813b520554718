import { Like, NumberFrom } from '../document/fields/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { findById, unitCost } from '../shelf/index.ts'
import type { Shelf, ShelfItem } from '../shelf/index.ts'
import { materialsOf } from '../weighing/index.ts'
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

  @NumberFrom(0, 10_000, 'What such soap sells for is from 0 to 10,000.', {
    says: 'Lowest, where it is sold; 0: not known.',
  })
  bandLow!: number

  @NumberFrom(0, 10_000, 'What such soap sells for is from 0 to 10,000.', {
    says: 'Highest, where it is sold; 0: not known.',
  })
  bandHigh!: number
}

export const USUAL_PRICING: Pricing = {
  currency: '€',
  hourly: 15,
  packing: 0.3,
  margin: 0.5,
  roundTo: 0.5,
  bandLow: 0,
  bandHigh: 0,
}

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

/** What of a lot went in, g. */
interface Taken {
  kind: string
  item: string
  lot: string
  massG: number
}

/** Price of a gram of a lot; that of all lots where it has none of its own. Null without any. */
function lotPrice(item: Pick<ShelfItem, 'lots'>, lot: string): number | null {
  const one = item.lots.find(known => known.id === lot)
  return one && one.cost > 0 && one.bought > 0 ? one.cost / one.bought : unitCost(item)
}

/** What one thing cost: by the lots that went in, and the rest by what its lots cost on average. */
function spentOn(item: Pick<ShelfItem, 'lots'>, massG: number, taken: readonly Taken[]): number | null {
  const average = unitCost(item)
  const rest = Math.max(0, massG - taken.reduce((sum, one) => sum + one.massG, 0))
  const parts = [
    ...taken.map(one => ({ g: one.massG, price: lotPrice(item, one.lot) })),
    ...(rest > 0 || taken.length === 0 ? [{ g: rest, price: average }] : []),
  ]
  return parts.some(part => part.price === null) ? null : parts.reduce((sum, part) => sum + part.g * part.price!, 0)
}

/**
 * What everything that went in cost, by what was weighed and the lots that it came from, as far as they were told.
 *
 * @param weights by key of the weigh list, g
 */
export const spent = (
  plan: Plan,
  shelf: Shelf,
  portions: Portions,
  weights: Readonly<Record<string, number>>,
  taken: readonly Taken[],
): CostFacts['stock'][number][] =>
  materialsOf(plan, shelf, portions, weights).map(({ kind, id, name, massG }) => {
    const item = kind === 'uncounted' ? undefined : findById<ShelfItem>(shelf[kind], id)
    const mine = taken.filter(one => one.kind === kind && one.item === id)
    return { kind, name, needG: massG, cost: item ? spentOn(item, massG, mine) : null }
  })

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
    groups,
    whole,
    perBar,
    per100G: curedG > 0 ? (perBar / curedG) * 100 : 0,
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

/** Where a price stands among what such soap sells for. Null: nobody has said what that is. */
export function inBand(
  price: number,
  { bandLow, bandHigh }: Pick<Pricing, 'bandLow' | 'bandHigh'>,
): 'below' | 'in' | 'above' | null {
  if (!(bandHigh > 0) || bandHigh < bandLow) return null
  return price < bandLow ? 'below' : price > bandHigh ? 'above' : 'in'
}

/** What a change would do to the cost of a bar. */
export interface CostVariant {
  change: 'half' | 'twice' | 'thinner' | 'thicker' | 'dearest'
  /** The thing that costs most, for the last. */
  of: StockLine['name']
  perBar: number
}

/** A tenth less of what costs most. */
const LESS = 0.1

/**
 * What a bar costs when the batch is half or twice as large with the same work, when bars are cut thinner or thicker, and with a tenth less of
 * what costs most.
 *
 * @param sized bars when they are cut a tenth thinner and thicker
 */
export function costVariants(
  facts: CostFacts,
  pricing: Pricing,
  sized: { thinner: number; thicker: number },
): CostVariant[] {
  const scaled = (by: number): CostFacts => ({
    ...facts,
    bars: facts.bars * by,
    stock: facts.stock.map(one => ({ ...one, cost: one.cost === null ? null : one.cost * by })),
  })
  const dearest = facts.stock.reduce<CostFacts['stock'][number] | null>(
    (most, one) => ((one.cost ?? 0) > (most?.cost ?? 0) ? one : most),
    null,
  )
  const variants: [CostVariant['change'], CostFacts][] = [
    ['half', scaled(0.5)],
    ['twice', scaled(2)],
    ['thinner', { ...facts, bars: sized.thinner }],
    ['thicker', { ...facts, bars: sized.thicker }],
  ]
  if (dearest)
    variants.push([
      'dearest',
      { ...facts, stock: facts.stock.map(one => (one === dearest ? { ...one, cost: one.cost! * (1 - LESS) } : one)) },
    ])
  return variants.flatMap(([change, of]): CostVariant[] => {
    const cost = costReckoned(of, pricing)
    return cost ? [{ change, of: dearest?.name ?? '', perBar: cost.perBar }] : []
  })
}
