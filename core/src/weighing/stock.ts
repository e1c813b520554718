import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { findById, stockOf, unitCost } from '../shelf/index.ts'
import type { Shelf, ShelfItem, ShelfKind } from '../shelf/index.ts'
import { weighList } from './weigh-list.ts'

/** One ingredient of a plan against the shelf's lots. */
export interface StockLine {
  /** 'uncounted': the shelf has no kind for it, such as lye. */
  kind: ShelfKind | 'uncounted'
  id: string
  name: Words
  needG: number
  /** Null: its stock is not kept. */
  haveG: number | null
  missingG: number
  /** For the need, in the workshop's money; null without a price. */
  cost: number | null
  /** Nearest use-by date of a lot with something left. */
  useBy: string | null
}

/** An infusion is made larger than what is used of it: the plant keeps some. */
const factorOf = (plan: Plan, kind: StockLine['kind'], id: string): number =>
  kind === 'oils' ? (plan.recipe.oils.find(part => part.oil === id)?.infusion?.makeFactor ?? 1) : 1

function stockLine(kind: StockLine['kind'], id: string, name: Words, needG: number, shelf: Shelf): StockLine {
  const item = kind === 'uncounted' ? undefined : findById<ShelfItem>(shelf[kind], id)
  const haveG = item && item.lots.length > 0 ? stockOf(item) : null
  const price = item ? unitCost(item) : null
  const dates = (item?.lots ?? []).filter(lot => lot.left > 0 && lot.useBy !== '').map(lot => lot.useBy)
  return {
    kind,
    id,
    name,
    needG,
    haveG,
    missingG: haveG === null ? 0 : Math.max(0, needG - haveG),
    cost: price === null ? null : price * needG,
    useBy: dates.sort()[0] ?? null,
  }
}

/** One thing that is weighed for a batch. */
export interface Material {
  kind: StockLine['kind']
  id: string
  name: Words
  massG: number
  /** Of it, what was put on the scale. */
  weighedG: number
}

/**
 * All that is weighed, one for each thing however many batters, cups and lines take it.
 *
 * @param weights by key of the weigh list, g, as they were really weighed
 */
export function materialsOf(
  plan: Plan,
  shelf: Shelf,
  portions: Portions,
  weights: Readonly<Record<string, number>>,
): Material[] {
  const needs = new Map<string, Material>()
  for (const { item, key, massG, what } of weighList(plan, portions, shelf)) {
    if (!item) continue
    const of = `${item.kind}:${item.id}`
    const name = item.kind === 'uncounted' ? item.name : (findById<ShelfItem>(shelf[item.kind], item.id)?.name ?? what)
    const known = needs.get(of) ?? { kind: item.kind, id: item.id, name, massG: 0, weighedG: 0 }
    const factor = factorOf(plan, item.kind, item.id)
    const weighed = weights[key]
    needs.set(of, {
      ...known,
      massG: known.massG + (weighed ?? massG) * factor,
      weighedG: known.weighedG + (weighed ?? 0) * factor,
    })
  }
  return [...needs.values()]
}

/** What a plan takes from the shelf, with what is there and what it costs. */
export const stockNeeds = (plan: Plan, shelf: Shelf, portions: Portions): StockLine[] =>
  materialsOf(plan, shelf, portions, {}).map(({ kind, id, name, massG }) => stockLine(kind, id, name, massG, shelf))

/** One ingredient as it went into a batch. */
export interface UsedLine {
  kind: ShelfKind
  id: string
  name: Words
  /** As weighed, and as planned where it was not weighed, g. */
  massG: number
  /** Of it, what was put on the scale, g. */
  weighedG: number
}

/** What of the shelf went into a batch. @param weights by key of the weigh list, g, as they were really weighed */
export const usedUp = (
  plan: Plan,
  shelf: Shelf,
  portions: Portions,
  weights: Readonly<Record<string, number>>,
): UsedLine[] =>
  materialsOf(plan, shelf, portions, weights).flatMap(({ kind, ...line }) =>
    kind === 'uncounted' || !(line.massG > 0) ? [] : [{ kind, ...line }],
  )
