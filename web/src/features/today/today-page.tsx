import { DUE_KINDS, dayAfter, daysBetween } from '@ostler/core'
import type { Due, DueKind } from '@ostler/core'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { parseISO } from 'date-fns'
import { Link } from 'react-router'
import { calendarQuery, duesQuery, renewCalendar } from '../../api/client.ts'
import { Places } from '../../frame/places.tsx'
import { TopBar } from '../../frame/top-bar.tsx'
import { Section } from '../../ui/section.tsx'
import { Say } from '../../ui/say.tsx'
import { Telling } from './telling.tsx'
import { clock, dated, datedNow, daysLeftOfWeek, t, todayHere } from '../../words/index.ts'

/** The page of a batch on which what is due is done. */
const PAGE: Readonly<Record<DueKind, string>> = {
  reorder: '',
  old: '',
  steep: 'prepare',
  make: 'prepare',
  unmould: 'outcome',
  cut: 'outcome',
  weigh: 'cut',
  turn: 'outcome',
  ready: 'outcome',
  look: '',
}
function placeOf({ batch, item, trial, kind }: Due): string {
  if (trial !== undefined) return `/trials/${trial}`
  return item ? `/shelf/${item.kind}/${item.id}` : `/batches/${batch}/${PAGE[kind]}`
}
const WEEK = 7
/** Days like "2026-03-02" of this browser's clock. */

interface Group {
  title: string
  /** Whether what is due in so many days stands here, with so many days left of this week. */
  holds: (days: number, left: number) => boolean
  isSoon: boolean
}

/** Days until something is due. What is ready is not late: it stands under today. */
const daysTo = (due: Due, today: string): number =>
  Math.max(due.kind === 'ready' ? 0 : -Infinity, daysBetween(today, due.on))
const GROUPS: readonly Group[] = [
  { title: t('Overdue'), holds: days => days < 0, isSoon: true },
  { title: t('Today'), holds: days => days === 0, isSoon: true },
  { title: t('This week'), holds: (days, left) => days > 0 && days <= left, isSoon: true },
  { title: t('Next week'), holds: (days, left) => days > left && days <= left + WEEK, isSoon: true },
  { title: t('Later'), holds: (days, left) => days > left + WEEK, isSoon: false },
]

/** What is due across all batches: what may come out of its mould, be cut, weighed, turned; last days to make what is wanted. */
export function TodayPage() {
  const today = todayHere()
  const { data, error, isPending } = useQuery(duesQuery(today))
  const left = daysLeftOfWeek(parseISO(today))
  const groups = GROUPS.map(({ title, holds, isSoon }) => ({
    ...{ title, isSoon },
    dues: (data ?? []).filter(due => holds(daysTo(due, today), left)),
  })).filter(({ dues }) => dues.length > 0)
  return (
    <>
      <TopBar>
        <Places />
      </TopBar>
      <main className="mx-auto w-full max-w-220 px-5 py-6 max-[900px]:px-3">
        <h1 className="text-3xl">{datedNow('EEEE, d MMMM')}</h1>
        {error && <p className="text-rust">{error.message}</p>}
        {isPending && <p className="text-soft">{t('Looking through the batches …')}</p>}
        {data && !groups.some(({ isSoon }) => isSoon) && (
          <p className="mt-3 max-w-140 text-lg">
            {t(
              'Nothing is due this week or the next. A batch that is poured, or has a day on which it is wanted, is told of here in time.',
            )}
          </p>
        )}
        {groups.map(({ title, dues }) => (
          <Section key={title} title={title} className="mt-6">
            <ul>
              {dues.map(due => (
                <DueRow key={due.key} due={due} today={today} />
              ))}
            </ul>
          </Section>
        ))}
        <Telling />
        <CalendarFeed />
      </main>
    </>
  )
}

/** When, in words that are read at a glance. */
function whenWords({ kind, on }: Due, today: string): string {
  const days = daysBetween(today, on)
  if (kind === 'ready' && days < 0) return t('since {on}', { on: dated(parseISO(on), 'd MMM') })
  const time = on.length > 10 ? `, ${clock(on.slice(11, 16))}` : ''
  if (days === 0) return t('today{timeIs}', { timeIs: time })
  if (days === -1) return t('since yesterday')
  if (days < 0) return t('{days} days late', { days: -days })
  return days === 1
    ? t('tomorrow{timeIs}', { timeIs: time })
    : `${dated(parseISO(dayAfter(on, 0)), 'EEE d MMM')}${time}`
}

function DueRow({ due, today }: { due: Due; today: string }) {
  const isLate = daysTo(due, today) < 0
  return (
    <li className="grid grid-cols-[10rem_minmax(0,1fr)] items-baseline gap-x-5 border-b border-line py-2.5 max-[600px]:grid-cols-1">
      <span className={isLate ? 'font-semibold text-rust' : 'text-soft'}>
        {isLate && '△ '}
        {whenWords(due, today)}
      </span>
      <span>
        <Link to={placeOf(due)} className="text-lg font-semibold hover:underline">
          {due.name}
        </Link>{' '}
        <span className="text-[13px] text-soft">{t(DUE_KINDS[due.kind])}</span>
        <span className="block">
          <Say of={due.what} />
        </span>
      </span>
    </li>
  )
}

/** The address under which other calendars read this list; renewed, the old one is worth nothing. */
function CalendarFeed() {
  const client = useQueryClient()
  const { data } = useQuery(calendarQuery)
  const renew = useMutation({
    mutationFn: renewCalendar,
    onSuccess: () => client.invalidateQueries(calendarQuery),
  })
  if (!data) return null
  const address = data.token === null ? null : `${location.origin}/api/calendar/feed/${data.token}.ics`
  return (
    <Section title={t('In your calendar')} className="mt-10">
      <p className="max-w-140 text-soft">
        {t(
          'Any calendar that takes an address can show this list. Whoever knows the address can read it: keep it to yourself.',
        )}
      </p>
      {address !== null && (
        <input
          readOnly
          aria-label={t('Address of the calendar')}
          className="field mt-2 min-h-9 w-full max-w-160"
          value={address}
          onFocus={focused => focused.target.select()}
        />
      )}
      <button className="button mt-2 min-h-9" disabled={renew.isPending} onClick={() => renew.mutate()}>
        {address === null ? t('Make an address') : t('Make another; this one ends')}
      </button>
      {renew.error && <p className="text-rust">{renew.error.message}</p>}
    </Section>
  )
}
