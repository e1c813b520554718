import type { Portions } from './portions.ts'

/**
 * What is left in the pot after each draw, g: what is kept back plain goes first, then the cups in an order; in the end what clings.
 *
 * @param order cups by their index in the plan, as they are drawn; usually as the plan has them
 */
export function potAfter(
  { potG, blankG, cups }: Pick<Portions, 'potG' | 'blankG' | 'cups'>,
  order: readonly number[] = cups.map((_, i) => i),
): { blankG: number; cupsG: number[] } {
  let left = potG - blankG
  const blank = left
  const cupsG = cups.map(() => 0)
  for (const i of order) {
    left -= cups[i]!.batterG
    cupsG[i] = Math.max(0, Number(left.toFixed(6)))
  }
  return { blankG: blank, cupsG }
}
