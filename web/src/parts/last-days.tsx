import { aheadDays, aheadOf, batterWater, cureForecast, cureKnown, lastDays } from '@ostler/core'
import { differenceInCalendarDays, parseISO } from 'date-fns'
import { useMemo } from 'react'
import { useBatch, useForecast, usePlan } from '../plan/context.tsx'
import { dated, rich, t } from '../words/index.ts'

const DAY = 'EEE d MMMM yyyy'
/** Before the pour things are got ready, whatever else it takes. */
const GET_READY_DAYS = 2

/** Last day to pour, and to begin what is made beforehand, for bars that are wanted on a day; null: none is, or it is not known. */
export function useLastDays(): { makeOn: string; beginOn: string; isSteeped: boolean } | null {
  const plan = usePlan(state => state.plan)
  const { shelf } = useBatch()
  const forecast = useForecast()
  return useMemo(() => {
    const { wantedOn } = plan.rest
    if (wantedOn === '' || !forecast) return null
    const { portions } = forecast
    const { readyDay } = cureForecast(plan, batterWater(plan, portions, shelf), { known: cureKnown(shelf.evidence) })
    const ahead = aheadDays(aheadOf(plan, shelf, portions))
    const days = lastDays(wantedOn, readyDay, Math.max(GET_READY_DAYS, ahead))
    return { ...days, isSteeped: ahead > GET_READY_DAYS }
  }, [forecast, plan, shelf])
}

/** The last days in a sentence; nothing where no day is wanted or it is poured already. */
export function LastDays({ className = '' }: { className?: string }) {
  const days = useLastDays()
  const isPoured = usePlan(state => state.plan.rest.pouredAt !== '')
  if (!days || isPoured) return null
  const isPast = (day: string) => differenceInCalendarDays(parseISO(day), new Date()) < 0
  const on = (day: string) => dated(parseISO(day), DAY)
  if (isPast(days.makeOn))
    return (
      <p className={`text-rust ${className}`}>
        {rich('{part}Last making day was {makeOn}: take another date, or soap that is on the rack already.', {
          part: <span aria-hidden>▲ </span>,
          makeOn: on(days.makeOn),
        })}
      </p>
    )
  return (
    <p className={isPast(days.beginOn) ? `text-rust ${className}` : className}>
      {rich('Last making day {makeOn};', { makeOn: <strong>{on(days.makeOn)}</strong> })}{' '}
      {isPast(days.beginOn) ? (
        <>
          {t('▲ what is made beforehand should have been begun by {beginOn}: warm instead of cold, or another date.', {
            beginOn: on(days.beginOn),
          })}
        </>
      ) : days.isSteeped ? (
        <>{rich('begin what is made beforehand by {beginOn}.', { beginOn: <strong>{on(days.beginOn)}</strong> })}</>
      ) : (
        <>{t('shop and prepare by {beginOn}.', { beginOn: on(days.beginOn) })}</>
      )}
    </p>
  )
}
