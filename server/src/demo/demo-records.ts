import type { Plan, RecordEntry } from '@ostler/core'

/** Batches of the made-up workshop that were poured before: one in every part of a batch's life, one that went wrong. */

type About = Pick<RecordEntry, 'kind'> & Partial<RecordEntry>

export interface DemoPast {
  /** The example that it is made like, and its name. */
  example: string
  name: string
  /** Days before today on which it was poured; null: it is still to be made, wanted in so many days. */
  pouredDaysAgo: number | null
  wantedInDays?: number
  brief?: Partial<Plan['brief']>
  tags?: readonly string[]
  /** Days after the pour and g of one bar. */
  weighed?: readonly (readonly [day: number, massG: number])[]
  /** Days after the pour, and what was noted then. */
  noted?: readonly (readonly [day: number, about: About])[]
}

const out = (day: number, bars: number): readonly (readonly [number, About])[] => [
  [day, { kind: 'unmoulded' }],
  [day, { kind: 'cut', count: bars }],
]

export const DEMO_PAST: readonly DemoPast[] = [
  {
    ...{ example: 'ninth-lock', name: 'Lamplight', pouredDaysAgo: null, wantedInDays: 75, tags: ['winter fair'] },
    brief: {
      ...{ occasion: 'Winter fair', forWhom: 'the lock keepers', priceFrom: 7, priceTo: 9 },
      wish: 'Lamps on dark water; a scent that is not sweet.',
    },
  },
  { example: 'heron-reach', name: 'First Frost', pouredDaysAgo: 1, tags: ['winter fair'] },
  {
    ...{ example: 'seven-fathoms', name: 'Slack Water', pouredDaysAgo: 16 },
    weighed: [
      [2, 118.4],
      [9, 112.1],
    ],
    noted: [
      ...out(2, 10),
      [2, { kind: 'sign', sign: 'u-ash', grade: 1 }],
      [2, { kind: 'graded', aim: 'layers', mark: 5 }],
      [2, { kind: 'graded', aim: 'colour', mark: 4 }],
      [3, { kind: 'placed', text: 'rack 1, shelf 2' }],
      [9, { kind: 'turned' }],
      [9, { kind: 'note', text: 'The scent reads greener than at the cut.' }],
    ],
  },
  {
    ...{ example: 'mill-race', name: 'Barn Owl', pouredDaysAgo: 58, tags: ['market stall'] },
    noted: [
      ...out(1, 9),
      [1, { kind: 'graded', aim: 'swirl', mark: 5 }],
      [2, { kind: 'placed', text: 'rack 1, shelf 1' }],
      [30, { kind: 'turned' }],
      [50, { kind: 'gone', way: 'sold', count: 4 }],
    ],
  },
  {
    ...{ example: 'verdigris-stair', name: 'Cinder Path', pouredDaysAgo: 34 },
    noted: [
      ...out(2, 8),
      [2, { kind: 'sign', sign: 'k-blur', grade: 2, text: 'layers two and three are one' }],
      [2, { kind: 'sign', sign: 'k-ring', grade: 1 }],
      [2, { kind: 'sign', sign: 'k-whitehard', grade: 0 }],
      [2, { kind: 'graded', aim: 'layers', mark: 1 }],
      [
        2,
        {
          kind: 'note',
          text: 'Poured too soon after the scent. Next time wait for lines to stay before the third layer.',
        },
      ],
      [4, { kind: 'placed', text: 'rack 2, shelf 1' }],
      [4, { kind: 'next', text: 'Scent the last two cups right before their pour, and have plan B at hand.' }],
    ],
  },
  {
    ...{ example: 'quarry-bench', name: 'Old Quay', pouredDaysAgo: 120 },
    noted: [
      ...out(2, 12),
      [45, { kind: 'gone', way: 'sold', count: 9 }],
      [60, { kind: 'gone', way: 'given', count: 3 }],
    ],
  },
]

const DAY_MS = 86_400_000
const day = (now: Date, days: number): string => new Date(now.getTime() + days * DAY_MS).toISOString().slice(0, 10)

/** The plan as it was poured, or as it is wanted. */
export function pastPlan(
  plan: Plan,
  { name, pouredDaysAgo, wantedInDays, brief, weighed = [] }: DemoPast,
  now: Date,
): Plan {
  const rest = {
    ...plan.rest,
    pouredAt: pouredDaysAgo === null ? '' : `${day(now, -pouredDaysAgo)}T14:00`,
    wantedOn: wantedInDays === undefined ? '' : day(now, wantedInDays),
    weighIns: weighed.map(([at, massG]) => ({ day: at, massG, bar: '', count: 1, doubt: 'ask' as const })),
  }
  return { ...plan, name, notes: '', rest, brief: { ...plan.brief, ...brief } }
}

/** What was noted of it, under keys of its own. */
export const pastEntries = ({ pouredDaysAgo, noted = [] }: DemoPast, now: Date): RecordEntry[] =>
  noted.map(([at, about], i) => ({
    ...{ key: `demo:${i + 1}`, on: `${day(now, at - (pouredDaysAgo ?? 0))}T16:00`, noted: now.toISOString() },
    ...about,
  }))
