import { showMass } from '@ostler/core'
import { useEffect, useState } from 'react'
import { useHabits } from '../plan/context.tsx'
import { useRehearsal, useRehearsalState } from './context.tsx'

/** What struck, until it was read. */
export function ToldSurprise() {
  const rehearsal = useRehearsal()
  const more = useRehearsalState()
  if (!rehearsal || !more?.told) return null
  return (
    <section role="alert" aria-label="What happens" className="border-b-4 border-rust px-6 py-3 max-[760px]:px-4">
      <p className="font-title text-[clamp(1.4rem,3vw,2.2rem)] leading-tight font-semibold">{more.told.text}</p>
      <div className="mt-2 flex flex-wrap gap-3">
        {more.told.struck.key === 'splash' && (
          <button
            className="button button-main min-h-16 px-6 text-xl"
            onClick={() => {
              rehearsal.note({ kind: 'wrong', how: 'other', text: 'rinsed for 20 minutes' })
              rehearsal.note({ kind: 'close', how: 'given-up' })
              rehearsal.acknowledge()
            }}
          >
            Rinse now, for 20 minutes
          </button>
        )}
        <button className="button min-h-16 px-6 text-xl" onClick={() => rehearsal.acknowledge()}>
          {more.told.struck.key === 'splash' ? 'Go on first' : 'Seen'}
        </button>
      </div>
    </section>
  )
}

const BEAT_MS = 100

/** A number that is read again and again. */
function useBeat(read: () => number, isOn: boolean): number {
  const [value, setValue] = useState(read)
  useEffect(() => {
    if (!isOn) return
    const timer = setInterval(() => setValue(read()), BEAT_MS)
    return () => clearInterval(timer)
  }, [read, isOn])
  return isOn ? value : read()
}

/** What the hands are at: how far it is; or what has run while a key is held. */
export function AtHand() {
  const rehearsal = useRehearsal()
  const more = useRehearsalState()
  const habits = useHabits()
  const busy = more?.busy ?? null
  const isRunning = busy !== null || more?.held != null
  const now = useBeat(() => rehearsal?.nowS() ?? 0, isRunning)
  if (!rehearsal || !more) return null
  if (busy) {
    const share = Math.min(1, Math.max(0, (now - busy.fromS) / Math.max(1, busy.toS - busy.fromS)))
    return (
      <div className="mt-3 max-w-180" role="status">
        <p className="text-xl">{busy.word} …</p>
        <div className="mt-1 h-4 border border-ink">
          <div className="h-full bg-ink" style={{ width: `${100 * share}%` }} />
        </div>
      </div>
    )
  }
  const step = more.held?.step
  const ran = rehearsal.ranG()
  if (step?.kind === 'blend' || (ran <= 0 && !step)) return null
  return (
    <p className="mt-2 text-[clamp(2rem,5vw,3.5rem)] leading-none font-semibold" role="status">
      {showMass(ran, habits, 1)}{' '}
      <span className="text-xl font-normal text-soft">
        {step ? 'and runs' : 'so far: hold on, or take it as it is'}
      </span>
    </p>
  )
}
