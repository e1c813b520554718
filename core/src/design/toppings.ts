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

/** So far, of its size, a piece may lie off its place. */
const JITTER = 0.35

const within = (x: number, from: number, to: number): number =>
  from > to ? (from + to) / 2 : Math.min(to, Math.max(from, x))

/** The part of a bar that a topping lies on: seen along the mould, where it is cut into one row, its left or its right half. */
function half({ side }: Topping, y: number, h: number, rows: number): [from: number, length: number] {
  if (side === 'all' || rows > 1) return [y, h]
  return side === 'left' ? [y, h / 2] : [y + h / 2, h / 2]
}

/** Where every piece of a plan's toppings lies: each bar its share on the grid, or strewn over all. */
export function toppingPlaces(plan: Plan, program: Program): ToppingPlace[] {
  const cells = cutGrid(plan, program)
  const { radiusMm: a, halfWidthMm: b } = program
  return plan.finish.toppings.flatMap((topping, n) => {
    const random = seeded(7 + 31 * n + topping.perBar)
    const margin = topping.sizeMm / 2 + topping.clearMm
    const off = () => (topping.jitter ? (2 * random() - 1) * JITTER * topping.sizeMm : 0)
    if (topping.onGrid)
      return cells.flatMap(cell =>
        Array.from({ length: topping.perBar }, (_, i): ToppingPlace => {
          const [from, h] = half(topping, cell.y, cell.h, plan.cutting.rows)
          const room = Math.max(0, h - 2 * margin)
          const step = topping.perBar === 1 ? 0.5 : i / (topping.perBar - 1)
          const sway = Math.max(0, Math.min(cell.w / 2 - margin, cell.w * 0.16)) * (i % 2 === 0 ? 1 : -1)
          const spread = topping.perBar === 1 ? 0.5 : 0.18 + 0.64 * step
          return {
            topping,
            x: within(
              cell.x + cell.w / 2 + (topping.perBar === 1 ? 0 : sway) + off(),
              cell.x + margin,
              cell.x + cell.w - margin,
            ),
            y: within(from + margin + room * spread + off(), from + margin, from + h - margin),
            angle: 6.28 * random(),
          }
        }),
      )
    const count = topping.perBar * Math.max(1, cells.length)
    const middle = a > 0 ? 0 : program.widthMm / 2
    return Array.from({ length: count }, (): ToppingPlace => {
      let x = 0
      let y = 0
      for (let tries = 0; tries < 20; tries += 1) {
        x = a > 0 ? (2 * random() - 1) * a : program.lengthMm * random()
        y = a > 0 ? (2 * random() - 1) * b : program.widthMm * random()
        const isThere = topping.side === 'all' || (topping.side === 'left') === y < middle
        if (isThere && isInside(program, x, y)) break
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
    topping =>
      !SOFT.includes(topping.kind) &&
      (!topping.onGrid || topping.sizeMm + 2 * topping.clearMm > barMm || isColumn(plan.mould)),
  )
}
