import { LIVES, dayAfter, daysBetween, lifeOf, lotCode, recordFold } from '@ostler/core'
import type { RecordState } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { parseISO } from 'date-fns'
import { FileArchive, Printer } from 'lucide-react'
import { useMemo } from 'react'
import { useParams } from 'react-router'
import { recordQuery } from '../../api/client.ts'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { useForecast, usePlan } from '../../plan/context.tsx'
import { useNotedState } from '../../run/noted.tsx'
import { Cured } from './cured.tsx'
import { Faces } from './faces.tsx'
import { LotsAndCost } from './lots-and-cost.tsx'
import { Made } from './made.tsx'
import { Planned } from './planned.tsx'
import { Seen } from './seen.tsx'
import { useCure } from './use-cure.ts'
import { dated, t, todayHere } from '../../words/index.ts'

const NOTHING_NOTED = recordFold([])

/** The whole story of a batch on one page: what was planned, what was done, what came of it. Printed, or kept as a file. */
export function StoryPage() {
  const { id = '' } = useParams()
  const { data, error } = useQuery(recordQuery(id))
  const forecast = useForecast()
  const state = useMemo(() => (data ? recordFold(data.entries) : NOTHING_NOTED), [data])
  return (
    <main className="flex-1 bg-booth py-6 max-[600px]:py-0 print:bg-white print:p-0">
      <div className="mx-auto mb-4 flex max-w-200 flex-wrap gap-3 px-4 max-[600px]:pt-3 print:hidden">
        <button className="button button-main min-h-10" onClick={() => print()}>
          <Printer size={16} aria-hidden /> {t('Print, or save as PDF')}
        </button>
        <a className="button min-h-10" href={`/api/batches/${id}/whole`} download>
          <FileArchive size={16} aria-hidden /> {t('Save everything (ZIP)')}
        </a>
      </div>
      <article className="sheet mx-auto max-w-200 bg-paper p-8 text-[15px] max-[600px]:p-4 print:max-w-none print:p-0 print:text-[10.5pt]">
        {error && <p className="text-rust">{error.message}</p>}
        <ForecastRefused />
        {forecast && (
          <>
            <Head id={id} state={state} />
            <Faces state={state} photos={data?.photos ?? []} />
            <Planned />
            <Made />
            <Cured state={state} />
            <Seen state={state} />
            <LotsAndCost batch={id} state={state} />
          </>
        )}
      </article>
    </main>
  )
}

const day = (on: string): string => dated(parseISO(on), 'd MMMM yyyy')

/** What it is called, and how far it has come. */
function Head({ id, state }: { id: string; state: RecordState }) {
  const plan = usePlan(one => one.plan)
  const noted = useNotedState()?.state
  const cure = useCure()
  const today = todayHere()
  const { pouredAt } = plan.rest
  const readyDay = cure?.readyDay ?? null
  const life = lifeOf(
    {
      ...{ isPlanned: true, isBegun: Object.keys(noted?.weighed ?? {}).length > 0 },
      ...{ pouredAt: pouredAt === '' ? null : pouredAt, unmouldedAt: state.unmouldedAt, cutAt: state.cutAt },
      ...{ readyDay, cutCount: state.cutCount, goneCount: state.goneCount },
    },
    today,
  )
  const told = [
    pouredAt !== '' &&
      t('poured {pouredAt}, day {pouredAt2} today', {
        pouredAt: day(pouredAt),
        pouredAt2: daysBetween(pouredAt, today),
      }),
    state.cutAt !== null &&
      t('cut {cutAt}{cutCount}', {
        cutAt: day(state.cutAt),
        cutCount: state.cutCount === null ? '' : t(' into {cutCount} bars', { cutCount: state.cutCount }),
      }),
    pouredAt !== '' && readyDay !== null && t('ready {pouredAt}', { pouredAt: day(dayAfter(pouredAt, readyDay)) }),
    state.place !== '' && t('on {place}', { place: state.place }),
    state.goneCount > 0 && t('{goneCount} gone', { goneCount: state.goneCount }),
    plan.madeBy !== '' && t('made by {madeBy}', { madeBy: plan.madeBy }),
  ].filter(Boolean)
  return (
    <>
      <h1 className="text-3xl">{plan.name}</h1>
      <p className="text-lg">
        {t(LIVES[life])}
        {pouredAt !== '' && t(' · lot {pouredAt}', { pouredAt: lotCode(pouredAt, id) })}
      </p>
      <p className="mb-4 text-soft">{told.join(' · ') || t('not poured yet')}</p>
      {plan.notes !== '' && <p className="mb-4 max-w-160 whitespace-pre-line">{plan.notes}</p>}
    </>
  )
}
