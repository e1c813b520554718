import { fact, plain } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { ShelfKind } from '../shelf/index.ts'
import { dayAfter, daysBetween, lifeOf } from './life.ts'
import type { LifeFacts } from './life.ts'

/** What is due of batches, by the day. */

export const DUE_KINDS = {
  steep: 'to steep',
  make: 'to make',
  unmould: 'to unmould',
  cut: 'to cut',
  weigh: 'to weigh',
  turn: 'to turn',
  ready: 'ready',
  reorder: 'to buy',
  old: 'use first',
  look: 'to look at',
} as const
export type DueKind = keyof typeof DUE_KINDS

export interface DueFacts extends LifeFacts {
  id: string
  name: string
  /** When it is wanted; empty: at any time. */
  wantedOn: string
  /** Days that its preparation takes: an infusion in cold oil needs weeks. */
  aheadDays: number
  /** Hours from the pour until it can come out of its mould; null: not known. */
  unmouldH: number | null
  turnedAt: string | null
  /** Days from the pour of its last weigh-in; null: none. */
  weighedDay: number | null
  /** Days between two turns on the rack. */
  turnDays: number
}

export interface Due {
  /** Stable: the same thing of the same batch. */
  key: string
  kind: DueKind
  /** Null: it is due of the shelf. */
  batch: string | null
  item?: { kind: ShelfKind; id: string }
  /** Of a trial. */
  trial?: string
  name: string
  /** The day that it is due, and the hour where it matters, like "2026-03-02" or "2026-03-02T14:30". */
  on: string
  what: Words
}

/** Bars are weighed once a week on the rack. Makers' habit. */
const WEEK_DAYS = 7
/** Later than that after a weigh-in's day nobody is asked for it any more. */
const LONGEST_CURE_DAYS = 365

const at = (pouredAt: string, hours: number): string => {
  const start = pouredAt.length > 10 ? `${pouredAt}:00Z` : `${pouredAt}T12:00:00Z`
  return new Date(Date.parse(start) + hours * 3_600_000).toISOString().slice(0, 16)
}

/** Last day to pour for bars that are wanted, and the last to begin what is made beforehand. Days like "2026-03-02". */
export function lastDays(wantedOn: string, readyDay: number, aheadDays: number): { makeOn: string; beginOn: string } {
  const makeOn = dayAfter(wantedOn, -readyDay)
  return { makeOn, beginOn: dayAfter(makeOn, -aheadDays) }
}

function before({ id, name, wantedOn, readyDay, aheadDays }: DueFacts): Due[] {
  if (wantedOn === '' || readyDay === null) return []
  const { makeOn, beginOn } = lastDays(wantedOn, readyDay, aheadDays)
  const make: Due = {
    key: `${id}:make`,
    kind: 'make',
    batch: id,
    name,
    on: makeOn,
    what: fact('due.make', { days: plain(readyDay, 0) }),
  }
  const steep: Due = {
    key: `${id}:steep`,
    kind: 'steep',
    batch: id,
    name,
    on: beginOn,
    what: fact('due.steep'),
  }
  return aheadDays > 0 ? [steep, make] : [make]
}

/** The last day of a round that has come, or the next one: rounds that were missed do not add up. */
function inRounds(from: string, today: string, days: number): string {
  const late = daysBetween(from, today)
  return late < days ? from : dayAfter(from, days * Math.floor(late / days))
}

function onTheRack(facts: DueFacts, pouredAt: string, today: string): Due[] {
  const { id, name, cutAt, unmouldedAt, readyDay, weighedDay, turnedAt, turnDays } = facts
  const began = cutAt ?? unmouldedAt!
  const day = daysBetween(pouredAt, today)
  if (day > LONGEST_CURE_DAYS) return []
  const firstWeigh = weighedDay === null ? began : dayAfter(pouredAt, Math.floor(weighedDay) + WEEK_DAYS)
  const nextWeigh = inRounds(firstWeigh, today, WEEK_DAYS)
  const nextTurn = inRounds(dayAfter(turnedAt ?? began, turnDays), today, turnDays)
  const isReady = readyDay !== null && day >= readyDay
  return [
    ...(isReady && weighedDay !== null && weighedDay >= readyDay
      ? []
      : [
          {
            key: `${id}:weigh:${nextWeigh}`,
            kind: 'weigh' as const,
            batch: id,
            name,
            on: nextWeigh,
            what: fact('due.weigh'),
          },
        ]),
    ...(isReady
      ? []
      : [
          {
            key: `${id}:turn:${nextTurn}`,
            kind: 'turn' as const,
            batch: id,
            name,
            on: nextTurn,
            what: fact('due.turn'),
          },
        ]),
    ...(readyDay === null || facts.isHeld === true
      ? []
      : [
          {
            key: `${id}:ready`,
            kind: 'ready' as const,
            batch: id,
            name,
            on: dayAfter(pouredAt, readyDay),
            what: fact('due.ready'),
          },
        ]),
  ]
}

/** What is due of a batch from now on, the next of each kind. @param today like "2026-03-02" */
export function dueOf(facts: DueFacts, today: string): Due[] {
  const { id, name, pouredAt, unmouldedAt, cutAt, unmouldH } = facts
  const life = lifeOf(facts, today)
  if (life === 'gone') return []
  if (pouredAt === null) return before(facts)
  if (life === 'resting')
    return unmouldH === null
      ? []
      : [
          {
            key: `${id}:unmould`,
            kind: 'unmould',
            batch: id,
            name,
            on: at(pouredAt, unmouldH),
            what: fact('due.unmould'),
          },
        ]
  const cutting: Due[] =
    cutAt === null ? [{ key: `${id}:cut`, kind: 'cut', batch: id, name, on: unmouldedAt!, what: fact('due.cut') }] : []
  return [...cutting, ...onTheRack(facts, pouredAt, today)]
}

/** Dues of many batches, the earliest first. */
export const inOrder = (dues: readonly Due[]): Due[] =>
  [...dues].sort((a, b) => a.on.localeCompare(b.on) || a.name.localeCompare(b.name) || a.key.localeCompare(b.key))
