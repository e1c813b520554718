import { barsAlong, isColumn, isTray } from '../plan/index.ts'
import type { Plan, Topping } from '../plan/index.ts'
import { isInside } from '../look/swirl/chart.ts'
import type { Program } from '../look/swirl/index.ts'
import { seeded } from '../look/swirl/index.ts'

/** One piece on the top, mm from a corner of the mould (from the middle of a round one), turned by an angle. */
export interface ToppingPlace {
  topping: Topping
  x: number
  y: number
  angle: number
}

/** Bars as rectangles on the top, mm. A tray's cavity or a column is one. */
export function cutGrid(
  plan: Pick<Plan, 'mould' | 'cutting'>,
  program: Program,
): { x: number; y: number; w: number; h: number }[] {
  const { radiusMm: a, halfWidthMm: b } = program
  const [L, W] = a > 0 ? [2 * a, 2 * b] : [program.lengthMm, program.widthMm]
  if (isTray(plan.mould) || isColumn(plan.mould)) return [{ x: -a, y: a > 0 ? -b : 0, w: L, h: W }]
  const { rows } = plan.cutting
  return barsAlong(L, plan.cutting).bars.flatMap(bar =>
    Array.from({ length: rows }, (_, row) => ({
      x: bar.from - a,
      y: (W * row) / rows - (a > 0 ? b : 0),
      w: bar.to - bar.from,
      h: W / rows,
    })),
  )
}

/** Where every piece of a plan's toppings lies: each bar its share on the grid, or strewn over all. */
export function toppingPlaces(plan: Plan, program: Program): ToppingPlace[] {
  const cells = cutGrid(plan, program)
  const { radiusMm: a, halfWidthMm: b } = program
  return plan.finish.toppings.flatMap((topping, n) => {
    const random = seeded(7 + 31 * n + topping.perBar)
    const margin = topping.sizeMm / 2 + 2
    if (topping.onGrid)
      return cells.flatMap(cell =>
        Array.from({ length: topping.perBar }, (_, i): ToppingPlace => {
          const room = Math.max(0, cell.h - 2 * margin)
          const step = topping.perBar === 1 ? 0.5 : i / (topping.perBar - 1)
          const sway = Math.max(0, Math.min(cell.w / 2 - margin, cell.w * 0.16)) * (i % 2 === 0 ? 1 : -1)
          const spread = topping.perBar === 1 ? 0.5 : 0.18 + 0.64 * step
          return {
            topping,
            x: cell.x + cell.w / 2 + (topping.perBar === 1 ? 0 : sway),
            y: cell.y + margin + room * spread,
            angle: 6.28 * random(),
          }
        }),
      )
    const count = topping.perBar * Math.max(1, cells.length)
    return Array.from({ length: count }, (): ToppingPlace => {
      let x = 0
      let y = 0
      for (let tries = 0; tries < 20; tries += 1) {
        x = a > 0 ? (2 * random() - 1) * a : program.lengthMm * random()
        y = a > 0 ? (2 * random() - 1) * b : program.widthMm * random()
        if (isInside(program, x, y)) break
      }
      return { topping, x, y, angle: 6.28 * random() }
    })
  })
}

const SOFT: readonly Topping['kind'][] = ['mica']

/** Toppings that a blade going down would drag through the bar: hard ones that lie in the way of a cut. */
export function draggedToppings(plan: Plan): Topping[] {
  if (plan.cutting.onSide || isTray(plan.mould)) return []
  const { barMm } = plan.cutting
  return plan.finish.toppings.filter(
    topping => !SOFT.includes(topping.kind) && (!topping.onGrid || topping.sizeMm + 2 > barMm || isColumn(plan.mould)),
  )
}
