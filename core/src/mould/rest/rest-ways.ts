import { celsius, fact, warmerBy } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import type { GelWish, RestStep } from '../../plan/index.ts'
import { restStep, towels } from '../../plan/index.ts'

/** A change of the rest that might do what is wished for. */
export interface Candidate {
  /** Of each kind at most one is proposed. */
  kind: string
  sentence: Words
  /** What it asks of the maker: the least is tried first (E). */
  cost: number
  /** Null: wrapped and placed as the plan has it. */
  steps: RestStep[] | null
  /** K warmer or cooler at the pour. */
  pourK?: number
  /** Points more or less of lye concentration. */
  lyePoints?: number
}

const wrapped = (n: number) => restStep({ cover: 'lid', towels: towels(n, n) })

function warming(): Candidate[] {
  return [
    ...[2, 4, 6].map(n => ({
      kind: 'towels',
      sentence: fact('rest.put-lid-on-wrap', { layers: n }),
      cost: 1 + 0.3 * n,
      steps: [wrapped(n)],
    })),
    {
      kind: 'box',
      sentence: fact('rest.stand-closed-box-under'),
      cost: 1.2,
      steps: [restStep({ place: 'box', cover: 'lid' })],
    },
    ...[45, 50, 55, 60, 65].flatMap(tempC =>
      [0, 60].map(holdMin => ({
        kind: 'oven',
        sentence:
          holdMin === 0
            ? fact('rest.heat-oven-switch-off', { tempC: celsius(tempC) })
            : fact('rest.put-into-oven-at', { tempC: celsius(tempC) }),
        cost: 3 + 0.05 * (tempC - 40) + (holdMin > 0 ? 0.5 : 0),
        steps: [restStep({ place: 'oven', tempC, holdMin })],
      })),
    ),
    ...[45, 55, 65].map(tempC => ({
      kind: 'mat',
      sentence: fact('rest.set-on-mat-at', { tempC: celsius(tempC), layers: 2 }),
      cost: 2.5 + 0.05 * (tempC - 35),
      steps: [restStep({ place: 'mat', tempC, holdMin: 60, cover: 'lid', towels: towels(2) })],
    })),
    ...[3, 6, 9].map(pourK => ({
      kind: 'pour',
      sentence: fact('rest.mix-warmer', { pourK: warmerBy(pourK, 0) }),
      cost: 0.5 * pourK,
      steps: null,
      pourK,
    })),
    ...[3, 6].map(pourK => ({
      kind: 'pour and towels',
      sentence: fact('rest.mix-warmer-wrap-under', { pourK: warmerBy(pourK, 0), layers: 4 }),
      cost: 2.5 + 0.5 * pourK,
      steps: [wrapped(4)],
      pourK,
    })),
    ...[-2, -4, -6].map(lyePoints => ({
      kind: 'water',
      sentence: fact('rest.take-more-water-lye', { lyePoints: -lyePoints, layers: 4 }),
      cost: 2.2 - lyePoints,
      steps: [wrapped(4)],
      lyePoints,
    })),
  ]
}

function cooling(): Candidate[] {
  const bare = restStep({ cover: 'film' })
  const cold = (place: 'refrigerator' | 'freezer', hours: number) => [
    restStep({ place }),
    restStep({ atMin: hours * 60, place: 'room' }),
  ]
  return [
    { kind: 'bare', sentence: fact('rest.leave-unwrapped-room-under'), cost: 0.5, steps: [bare] },
    ...[2, 4, 8, 12].map(hours => ({
      kind: 'refrigerator',
      sentence: fact('rest.put-into-refrigerator-for', { hours }),
      cost: 2 + 0.1 * hours,
      steps: cold('refrigerator', hours),
    })),
    ...[1, 2, 4].map(hours => ({
      kind: 'freezer',
      sentence: fact('rest.put-into-freezer-for', {
        which: hours === 1 ? fact('rest.an-hour') : fact('rest.hours', { hours }),
      }),
      cost: 3 + 0.1 * hours,
      steps: cold('freezer', hours),
    })),
    ...[-3, -6, -9].map(pourK => ({
      kind: 'pour',
      sentence: fact('rest.mix-cooler-leave-unwrapped', { pourK: warmerBy(-pourK, 0) }),
      cost: 1 - 0.5 * pourK,
      steps: [bare],
      pourK,
    })),
    ...[-3, -6, -9].map(pourK => ({
      kind: 'both',
      sentence: fact('rest.mix-cooler-put-into', { pourK: warmerBy(-pourK, 0) }),
      cost: 3 - 0.5 * pourK,
      steps: cold('refrigerator', 8),
      pourK,
    })),
    ...[3, 6, 9].map(lyePoints => ({
      kind: 'water',
      sentence: fact('rest.take-less-water-lye', { lyePoints }),
      cost: 1 + lyePoints,
      steps: [bare],
      lyePoints,
    })),
  ]
}

/** What is tried for each wish, the simplest first. */
export function candidatesFor(wish: Exclude<GelWish, 'any'>): Candidate[] {
  const list = wish === 'full' ? warming() : wish === 'none' ? cooling() : [...warming(), ...cooling()]
  return list.sort((a, b) => a.cost - b.cost)
}
