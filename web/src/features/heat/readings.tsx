import { readQuantity, showTemperature } from '@ostler/core'
import type { BodyPlan, HeatPlan, HeatReading, Words } from '@ostler/core'
import { format } from 'date-fns'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { useBatch, useHabits, usePlan } from '../../plan/context.tsx'
import { clockBefore } from '../../ui/clock.ts'
import { Section } from '../../ui/section.tsx'
import { decimalMark } from '../../ui/decimal-mark.ts'
import { Say } from '../../ui/say.tsx'

const BODIES = { lye: 'Lye', oils: 'Oils' } as const

/** Readings typed in at the bench, and what the cooling is really like since. */
export function Readings({ heat }: { heat: HeatPlan }) {
  return (
    <Section title="Readings">
      <div className="grid max-w-180 grid-cols-2 gap-8 max-[600px]:grid-cols-1">
        <BodyReadings body="lye" plan={heat.lye} />
        <BodyReadings body="oils" plan={heat.oils} />
      </div>
      <p className="mt-1.5 text-[13px] text-soft">
        From the second reading on, the forecast follows yours. An infrared thermometer sees only the surface: stir
        first.
      </p>
    </Section>
  )
}

function BodyReadings({ body, plan }: { body: 'lye' | 'oils'; plan: BodyPlan }) {
  const batch = useBatch()
  const habits = useHabits()
  const readings = usePlan(state => state.plan.heat.readings)
  const [text, setText] = useState('')
  const [at, setAt] = useState('')
  const [sentence, setSentence] = useState<Words | null>(null)
  const mine = readings.filter(reading => reading.body === body)
  const set = (value: HeatReading[]) => batch.edit({ kind: 'set', path: ['heat', 'readings'], value })
  const add = () => {
    const read = readQuantity(text, 'temperature', habits.temperature, undefined, decimalMark())
    if (!read.ok) return setSentence(read.sentence)
    const result = set([...readings, { body, at: at || format(new Date(), 'HH:mm'), tempC: read.value }])
    setSentence(result.ok ? null : result.sentence)
    if (result.ok) {
      setText('')
      setAt('')
    }
  }
  const ready = plan.fromReading?.readyMin
  return (
    <div>
      <form
        className="flex items-end gap-2"
        onSubmit={event => {
          event.preventDefault()
          add()
        }}
      >
        <label className="flex flex-col gap-0.5 text-[13px] text-soft">
          {BODIES[body]} now, °{habits.temperature}
          <input
            className="field min-h-10 w-20 text-right text-lg text-ink"
            inputMode="decimal"
            value={text}
            onChange={event => setText(event.target.value)}
          />
        </label>
        <label className="flex flex-col gap-0.5 text-[13px] text-soft">
          at
          <input
            type="time"
            className="field min-h-10 text-ink"
            value={at}
            placeholder="now"
            onChange={event => setAt(event.target.value)}
          />
        </label>
        <button className="button min-h-10" type="submit">
          Take down
        </button>
      </form>
      {sentence && (
        <p role="alert" className="mt-1 text-[13px] text-rust">
          <Say of={sentence} />
        </p>
      )}
      <ul className="mt-2">
        {mine.map((reading, i) => (
          <li key={`${reading.at}-${i}`} className="flex items-center gap-3 border-b border-line py-1">
            <span className="w-14">{reading.at}</span>
            <strong className="flex-1">{showTemperature(reading.tempC, habits)}</strong>
            <button
              className="quiet"
              aria-label={`Remove the reading of ${reading.at}`}
              onClick={() => set(readings.filter(one => one !== reading))}
            >
              <Trash2 size={15} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      {plan.fromReading && (
        <p role="status" className="mt-2">
          {ready === null || ready === undefined ? (
            'It will not get there within 12 hours.'
          ) : ready.min < 0.5 ? (
            <strong>At its target now.</strong>
          ) : (
            <>
              <strong>
                At {showTemperature(Math.round(plan.targetC), habits)} by{' '}
                {clockBefore(plan.fromReading.reading.at, -ready.min)}
              </strong>
              , between {clockBefore(plan.fromReading.reading.at, -ready.low)} and{' '}
              {clockBefore(plan.fromReading.reading.at, -ready.high)}
              {mine.length > 1 && `; it cools ${Math.exp(plan.fit.lnKappa).toFixed(2)} times as fast as expected`}.
            </>
          )}
        </p>
      )}
    </div>
  )
}
