import type { GelWish, RestStep } from '../plan/index.ts'
import { restStep, towels } from '../plan/index.ts'
import { kelvins, sayDifference } from '../units/index.ts'

/** A change of the rest that might do what is wished for. */
export interface Candidate {
  /** Of each kind at most one is proposed. */
  kind: string
  sentence: string
  /** What it asks of the maker: the least is tried first (E). */
  cost: number
  /** Null: wrapped and placed as the plan has it. */
  steps: RestStep[] | null
  /** K warmer or cooler at the pour. */
  pourK?: number
  /** Points more or less of lye concentration. */
  lyePoints?: number
}

const layers = (n: number) => (n === 1 ? 'one layer of towel' : `${n} layers of towel`)
const wrapped = (n: number) => restStep({ cover: 'lid', towels: towels(n, n) })

function warming(): Candidate[] {
  return [
    ...[2, 4, 6].map(n => ({
      kind: 'towels',
      sentence: `Put a lid on and wrap it in ${layers(n)} all round`,
      cost: 1 + 0.3 * n,
      steps: [wrapped(n)],
    })),
    {
      kind: 'box',
      sentence: 'Stand it in a closed box under a lid',
      cost: 1.2,
      steps: [restStep({ place: 'box', cover: 'lid' })],
    },
    ...[45, 50, 55, 60, 65].flatMap(tempC =>
      [0, 60].map(holdMin => ({
        kind: 'oven',
        sentence:
          holdMin === 0
            ? `Heat the oven to ${tempC} °C, switch it off, and put it in`
            : `Put it into the oven at ${tempC} °C for an hour, then switch it off`,
        cost: 3 + 0.05 * (tempC - 40) + (holdMin > 0 ? 0.5 : 0),
        steps: [restStep({ place: 'oven', tempC, holdMin })],
      })),
    ),
    ...[45, 55, 65].map(tempC => ({
      kind: 'mat',
      sentence: `Set it on a mat at ${tempC} °C for an hour, under a lid and ${layers(2)}`,
      cost: 2.5 + 0.05 * (tempC - 35),
      steps: [restStep({ place: 'mat', tempC, holdMin: 60, cover: 'lid', towels: towels(2) })],
    })),
    ...[3, 6, 9].map(pourK => ({
      kind: 'pour',
      sentence: `Mix ${sayDifference(kelvins(pourK))} warmer`,
      cost: 0.5 * pourK,
      steps: null,
      pourK,
    })),
    ...[3, 6].map(pourK => ({
      kind: 'pour and towels',
      sentence: `Mix ${sayDifference(kelvins(pourK))} warmer, and wrap it in ${layers(4)} under a lid`,
      cost: 2.5 + 0.5 * pourK,
      steps: [wrapped(4)],
      pourK,
    })),
    ...[-2, -4, -6].map(lyePoints => ({
      kind: 'water',
      sentence: `Take more water: lye ${-lyePoints} points weaker, wrapped in ${layers(4)} under a lid`,
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
    { kind: 'bare', sentence: 'Leave it unwrapped in the room, under film', cost: 0.5, steps: [bare] },
    ...[2, 4, 8, 12].map(hours => ({
      kind: 'refrigerator',
      sentence: `Put it into the refrigerator for ${hours} hours, on a rack`,
      cost: 2 + 0.1 * hours,
      steps: cold('refrigerator', hours),
    })),
    ...[1, 2, 4].map(hours => ({
      kind: 'freezer',
      sentence: `Put it into the freezer for ${hours === 1 ? 'an hour' : `${hours} hours`}, on a rack`,
      cost: 3 + 0.1 * hours,
      steps: cold('freezer', hours),
    })),
    ...[-3, -6, -9].map(pourK => ({
      kind: 'pour',
      sentence: `Mix ${sayDifference(kelvins(-pourK))} cooler, and leave it unwrapped`,
      cost: 1 - 0.5 * pourK,
      steps: [bare],
      pourK,
    })),
    ...[-3, -6, -9].map(pourK => ({
      kind: 'both',
      sentence: `Mix ${sayDifference(kelvins(-pourK))} cooler, and put it into the refrigerator for 8 hours`,
      cost: 3 - 0.5 * pourK,
      steps: cold('refrigerator', 8),
      pourK,
    })),
    ...[3, 6, 9].map(lyePoints => ({
      kind: 'water',
      sentence: `Take less water: lye ${lyePoints} points stronger, and leave it unwrapped`,
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
