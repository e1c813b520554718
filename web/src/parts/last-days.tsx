import { aheadDays, aheadOf, batterWater, cureForecast, cureKnown, lastDays } from '@ostler/core'
import { differenceInCalendarDays, format, parseISO } from 'date-fns'
import { useMemo } from 'react'
import { useBatch, useForecast, usePlan } from '../plan/context.tsx'

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
  const on = (day: string) => format(parseISO(day), DAY)
  if (isPast(days.makeOn))
    return (
      <p className={`text-rust ${className}`}>
        <span aria-hidden>▲ </span>Last making day was {on(days.makeOn)}: take another date, or soap that is on the rack
        already.
      </p>
    )
  return (
    <p className={isPast(days.beginOn) ? `text-rust ${className}` : className}>
      Last making day <strong>{on(days.makeOn)}</strong>;{' '}
      {isPast(days.beginOn) ? (
        <>
          ▲ what is made beforehand should have been begun by {on(days.beginOn)}: warm instead of cold, or another date.
        </>
      ) : days.isSteeped ? (
        <>
          begin what is made beforehand by <strong>{on(days.beginOn)}</strong>.
        </>
      ) : (
        <>shop and prepare by {on(days.beginOn)}.</>
      )}
    </p>
  )
}
