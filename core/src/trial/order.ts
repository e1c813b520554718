import { correlation, mixing, ranksOf } from '../quantities/chance/index.ts'

/** In which order samples are drawn, so that what drifts while they are made does not look like the answer. */

/** As many orders are tried; as the worst of it, drift that bends counts half as much as drift that goes one way. */
const TRIED = 800
const BEND = 0.5

/** Numbers from 0 in a shuffled order: the same for the same seed. */
export function shuffled(count: number, random: () => number): number[] {
  const order = Array.from({ length: count }, (_, i) => i)
  for (let i = count - 1; i > 0; i -= 1) {
    const j = Math.floor(random() * (i + 1))
    const kept = order[i]!
    order[i] = order[j]!
    order[j] = kept
  }
  return order
}

export const randomOf = (seed: number): (() => number) => mixing(Math.imul(seed + 1, 2_654_435_761))

/** How much a place in the order goes with a rank: straight, and bent. */
export function driftsIn(ranks: readonly number[]): { straight: number; bent: number } {
  const places = ranks.map((_, i) => i)
  const mean = ranks.reduce((sum, rank) => sum + rank, 0) / ranks.length
  return {
    straight: correlation(places, ranks),
    bent: correlation(
      places,
      ranks.map(rank => (rank - mean) ** 2),
    ),
  }
}

const badness = (ranks: readonly number[]): number => {
  const { straight, bent } = driftsIn(ranks)
  return Math.abs(straight) + BEND * Math.abs(bent)
}

/**
 * Places in which levels of a factor are drawn: the middle one first and once more last, the others so that neither a drift nor a bend
 * goes with them.
 *
 * @param values levels, each once
 * @returns indices of levels in the order of drawing; the index of the middle one stands at both ends. Of fewer than three levels there is no bracket.
 */
export function drawingOrder(values: readonly number[], seed: number): number[] {
  const count = values.length
  if (count < 3) return values.map((_, i) => i)
  const byRank = ranksOf(values)
  const middle = byRank.indexOf(Math.floor((count - 1) / 2))
  const others = values.map((_, i) => i).filter(i => i !== middle)
  const ranks = ranksOf(others.map(i => byRank[i]!))
  const random = randomOf(seed)
  let best = others.map((_, i) => i)
  let worst = Infinity
  for (let n = 0; n < TRIED; n += 1) {
    const order = shuffled(others.length, random)
    const bad = badness(order.map(i => ranks[i]!))
    if (bad < worst - 1e-12) [best, worst] = [order, bad]
  }
  return [middle, ...best.map(i => others[i]!), middle]
}

/** So many standard deviations make a drift of the bracket believed. */
const BELIEVED = 2

/** What changed a place between two equal samples at both ends of the order. */
export interface Drift {
  aPlace: number
  sd: number
  /** It is taken off; a smaller one is left as it is. */
  isTakenOff: boolean
}

/** @param sd of one sample of its kind, in the same unit @param places between the two */
export function driftOf(first: number, last: number, sd: number, places: number): Drift {
  const aPlace = (last - first) / places
  const its = (Math.SQRT2 * sd) / places
  return { aPlace, sd: its, isTakenOff: Math.abs(aPlace) > BELIEVED * its }
}
