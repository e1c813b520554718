import { findById, fromLots, showMass, usedUp, weightsIn } from '@ostler/core'
import type { LotTaking, LotUse, ShelfItem, ShortLot, UsedLine } from '@ostler/core'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import { ApiError, shelfQuery } from '../../api/client.ts'
import { bookLots, lotsQuery } from '../../api/workshop.ts'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { useNotedState } from '../../run/noted.tsx'
import { Say } from '../../ui/say.tsx'
import { LotRow } from './lot-row.tsx'
import { rich, t } from '../../words/index.ts'

/** Which lots went into the batch: proposed from what was weighed, corrected by the maker, taken off the shelf's count once. */
export function LotsPage() {
  const { id = '' } = useParams()
  const { data, error } = useQuery(lotsQuery(id))
  const forecast = useForecast()
  return (
    <main className="mx-auto w-full max-w-260 flex-1 px-5 py-4 max-[900px]:px-3">
      <h1 className="text-2xl">{t('Which lots went in')}</h1>
      <ForecastRefused />
      {error && <p className="text-rust">{error.message}</p>}
      {data && forecast && <Lots key={data.length} batch={id} booked={data} />}
    </main>
  )
}

const lineOf = (line: UsedLine): string => `${line.kind} ${line.id}`
const itemOf = (take: LotTaking): string => `${take.kind} ${take.item}`

/** What went in, by what was weighed where something was. */
function useUsed(): UsedLine[] {
  const plan = usePlan(one => one.plan)
  const { shelf } = useBatch()
  const forecast = useForecast()
  const weighed = useNotedState()?.state.weighed
  return useMemo(
    () => (forecast ? usedUp(plan, shelf, forecast.portions, weightsIn(weighed ?? {})) : []),
    [forecast, plan, shelf, weighed],
  )
}

function Lots({ batch, booked }: { batch: string; booked: readonly LotUse[] }) {
  const { shelf } = useBatch()
  const used = useUsed()
  const proposed = useMemo(
    () =>
      used.flatMap(({ kind, id, massG }): LotTaking[] =>
        fromLots(findById<ShelfItem>(shelf[kind], id)?.lots ?? [], massG).map(one => ({
          ...{ kind, item: id, lot: one.lot, massG: one.massG },
        })),
      ),
    [shelf, used],
  )
  const [edited, setEdited] = useState<LotTaking[] | null>(null)
  const takes = edited ?? (booked.length > 0 ? booked : proposed)
  const booking = useBooking(batch, () => setEdited(null))
  const counted = used.filter(({ kind, id }) => (findById<ShelfItem>(shelf[kind], id)?.lots.length ?? 0) > 0)
  const others = used.filter(line => !counted.includes(line))
  const isWeighed = used.some(line => line.weighedG > 0)
  const change = (line: UsedLine, mine: LotTaking[]) =>
    setEdited([...takes.filter(one => itemOf(one) !== lineOf(line)), ...mine])
  if (counted.length === 0) return <NothingCounted />
  return (
    <>
      <p className="mt-1 max-w-160 text-soft">
        {booked.length > 0
          ? t('✓ Taken off the shelf. What is changed here and taken again stands instead of it.')
          : isWeighed
            ? t('By what was really weighed. What is open, or keeps shortest, is proposed first.')
            : t('Nothing was weighed on the page Weigh or at the bench: these are the amounts of the plan.')}
      </p>
      <table className="mt-4 w-full">
        <thead>
          <tr className="text-left text-[13px] text-soft">
            <th className="font-normal">{t('went in')}</th>
            <th className="text-right font-normal">{t('amount')}</th>
            <th className="pl-6 font-normal">{t('of lot')}</th>
          </tr>
        </thead>
        <tbody>
          {counted.map(line => (
            <LotRow
              key={lineOf(line)}
              line={line}
              item={findById<ShelfItem>(shelf[line.kind], line.id)!}
              takes={takes.filter(one => itemOf(one) === lineOf(line))}
              booked={booked.filter(one => itemOf(one) === lineOf(line))}
              short={booking.short}
              onTakes={mine => change(line, mine)}
            />
          ))}
        </tbody>
      </table>
      <BookButtons {...{ booking, takes, isBooked: booked.length > 0, isEdited: edited !== null }} />
      {others.length > 0 && <Uncounted lines={others} />}
    </>
  )
}

function useBooking(batch: string, onDone: () => void) {
  const client = useQueryClient()
  const act = useMutation({
    mutationFn: (sent: { takes: readonly LotTaking[]; evenIfShort: boolean }) =>
      bookLots(batch, {
        takes: sent.takes.map(({ kind, item, lot, massG }) => ({ kind, item, lot, massG })),
        evenIfShort: sent.evenIfShort,
      }),
    onSuccess: async () => {
      onDone()
      await Promise.all([
        client.invalidateQueries(lotsQuery(batch)),
        client.invalidateQueries(shelfQuery),
        client.invalidateQueries({ queryKey: ['lots'] }),
        client.invalidateQueries({ queryKey: ['due'] }),
      ])
    },
  })
  const short: readonly ShortLot[] = (act.error instanceof ApiError && act.error.answer.short) || []
  return { act, short }
}

interface ButtonsProps {
  booking: ReturnType<typeof useBooking>
  takes: readonly LotTaking[]
  isBooked: boolean
  isEdited: boolean
}

function BookButtons({ booking: { act, short }, takes, isBooked, isEdited }: ButtonsProps) {
  const send = (evenIfShort: boolean) => act.mutate({ takes: takes.filter(one => one.massG > 0), evenIfShort })
  return (
    <div className="mt-4 flex flex-wrap items-center gap-4">
      <button
        className="button button-main min-h-11"
        disabled={act.isPending || (isBooked && !isEdited)}
        onClick={() => send(false)}
      >
        {isBooked ? t('Take it so instead') : t('Take it off the shelf')}
      </button>
      {short.length > 0 && (
        <button className="button min-h-11" disabled={act.isPending} onClick={() => send(true)}>
          {t('The counts were wrong: empty {short, plural, one {that lot} other {those lots}}', {
            short: short.length,
          })}
        </button>
      )}
      {isBooked && (
        <button
          className="quiet min-h-11"
          disabled={act.isPending}
          onClick={() => act.mutate({ takes: [], evenIfShort: false })}
        >
          {t('Put it all back on the count')}
        </button>
      )}
      {act.error && (
        <p role="alert" className="w-full text-rust">
          {act.error.message}
        </p>
      )}
    </div>
  )
}

const NothingCounted = () => (
  <p className="mt-3 max-w-140 text-lg">
    {rich(
      'Of nothing in this batch is stock counted. Give an oil, a scent or a colour its lots on the {shelf}, and here it is told which of them went in, and from a lot which batches hold it.',
      {
        shelf: (
          <Link to="/shelf" className="underline">
            {t('shelf')}
          </Link>
        ),
      },
    )}
  </p>
)

function Uncounted({ lines }: { lines: readonly UsedLine[] }) {
  const habits = useHabits()
  return (
    <p className="mt-6 max-w-180 text-[15px] text-soft">
      {t('No lots are on the shelf of')}{' '}
      {lines.map((line, i) => (
        <span key={lineOf(line)}>
          {i > 0 && ', '}
          <Link to={`/shelf/${line.kind}/${line.id}`} className="underline">
            <Say of={line.name} />
          </Link>{' '}
          ({showMass(line.massG, habits, line.massG < 20 ? 0.1 : 1)})
        </span>
      ))}
      .
    </p>
  )
}
