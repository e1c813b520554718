import { readEvents } from './run.ts'
import type { BenchEvent } from './event.ts'

/** What was ticked, weighed and read used to stand in the plan, up to this version of it. */
const LAST_VERSION = 10

type Loose = Readonly<Record<string, unknown>>
const loose = (value: unknown): Loose => (typeof value === 'object' && value !== null ? (value as Loose) : {})
const listOf = (value: unknown): Loose[] => (Array.isArray(value) ? value.map(loose) : [])

/** Seconds of the day of a time like 14:05; null: it is none. */
function secondsOf(clock: unknown): number | null {
  const [, hours, minutes] = (typeof clock === 'string' && /^(\d\d):(\d\d)$/.exec(clock)) || []
  return hours === undefined ? null : Number(hours) * 3600 + Number(minutes) * 60
}

/** A moment of the day, s; ticks and weights kept none and stand at the first. */
type Noted = { daySeconds: number | null } & Pick<BenchEvent, 'kind'> & Partial<BenchEvent>

function notedIn(plan: Loose): Noted[] {
  const { done, weighed } = loose(plan['preparation'])
  const ticks = (Array.isArray(done) ? done : []).filter((item: unknown) => typeof item === 'string')
  return [
    // The safety list is read again before lye is opened again.
    ...ticks
      .filter(item => !item.startsWith('safety:'))
      .map((item): Noted => ({ daySeconds: null, kind: 'tick', item })),
    ...listOf(weighed).map((one): Noted => ({
      daySeconds: null,
      kind: 'weighed',
      item: one['item'] as string,
      amount: one['massG'] as number,
    })),
    ...listOf(loose(plan['heat'])['readings']).map((one): Noted => ({
      daySeconds: secondsOf(one['at']),
      kind: 'temp',
      body: one['body'] as 'lye' | 'oils',
      amount: one['tempC'] as number,
    })),
  ]
}

export interface FromPlan {
  openedAt: Date
  events: BenchEvent[]
}

/**
 * What an older plan held of its making, as a run that begins with the first of it; null where it held nothing, or is no older plan.
 * What is not well-formed is left out.
 *
 * @param day  when it was saved last: the readings show the clock of that day, in the zone of this machine
 */
export function runFromPlan(document: unknown, day: Date): FromPlan | null {
  const plan = loose(document)
  const { version } = plan
  if (plan['format'] !== 'ostler-plan' || typeof version !== 'number' || version > LAST_VERSION) return null
  const noted = notedIn(plan)
  const times = noted.flatMap(one => (one.daySeconds === null ? [] : [one.daySeconds]))
  const begins = times.length > 0 ? Math.min(...times) : null
  const at = day.toISOString()
  const openedAt = new Date(day)
  if (begins !== null) openedAt.setHours(0, 0, begins, 0)
  const events = noted.flatMap(({ daySeconds, ...about }, i): BenchEvent[] => {
    const r = daySeconds === null || begins === null ? 0 : daySeconds - begins
    const read = readEvents([{ ...about, key: `plan:${i + 1}`, r, noted: r, at, source: 'hand' }])
    return read.ok ? read.events : []
  })
  return events.length > 0 ? { openedAt, events } : null
}
