import { readQuantity, showTemperature } from '@ostler/core'
import type { BodyPlan, HeatPlan, Words } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { NotedGate } from '../../parts/noted-gate.tsx'
import { useHabits } from '../../plan/context.tsx'
import { useNoted, useNotedState } from '../../run/noted.tsx'
import { format } from 'date-fns'
import { clockBefore } from '../../ui/clock.ts'
import { Section } from '../../ui/section.tsx'
import { clock, decimalMark, fixed, rich, t } from '../../words/index.ts'
import { Say } from '../../ui/say.tsx'

const BODIES = { lye: t('Lye'), oils: t('Oils') } as const

/** Readings typed in at the bench, and what the cooling is really like since. */
export function Readings({ heat }: { heat: HeatPlan }) {
  return (
    <Section title={t('Readings')}>
      <div className="grid max-w-180 grid-cols-2 gap-8 max-[600px]:grid-cols-1">
        <NotedGate>
          <BodyReadings body="lye" plan={heat.lye} />
          <BodyReadings body="oils" plan={heat.oils} />
        </NotedGate>
      </div>
      <p className="mt-1.5 text-[13px] text-soft">
        {t(
          'From the second reading on, the forecast follows yours. An infrared thermometer sees only the surface: stir first.',
        )}
      </p>
    </Section>
  )
}

/** Where a reading is typed, with the time it was taken at. */
function ReadingForm({ body }: { body: 'lye' | 'oils' }) {
  const run = useNoted().run!
  const habits = useHabits()
  const [text, setText] = useState('')
  const [at, setAt] = useState('')
  const [sentence, setSentence] = useState<Words | null>(null)
  const add = () => {
    const read = readQuantity(text, 'temperature', habits.temperature, undefined, decimalMark())
    if (!read.ok) return setSentence(read.sentence)
    const about = { kind: 'temp', body, amount: read.value, ...(at !== '' && { r: run.secondAt(at) }) } as const
    const verdict = run.verdict(about)
    if (verdict.kind === 'refused') return setSentence(verdict.sentence)
    run.note(about)
    setSentence(null)
    setText('')
    setAt('')
  }
  return (
    <>
      <form
        className="flex items-end gap-2"
        onSubmit={event => {
          event.preventDefault()
          add()
        }}
      >
        <label className="flex flex-col gap-0.5 text-[13px] text-soft">
          {t('{body} now, °{temperature}', { body: BODIES[body], temperature: habits.temperature })}
          <input
            className="field min-h-10 w-20 text-right text-lg text-ink"
            inputMode="decimal"
            value={text}
            onChange={event => setText(event.target.value)}
          />
        </label>
        <label className="flex flex-col gap-0.5 text-[13px] text-soft">
          {t('at')}
          <input
            type="time"
            className="field min-h-10 text-ink"
            value={at}
            placeholder={t('now')}
            onChange={event => setAt(event.target.value)}
          />
        </label>
        <button className="button min-h-10" type="submit">
          {t('Take down')}
        </button>
      </form>
      {sentence && (
        <p role="alert" className="mt-1 text-[13px] text-rust">
          <Say of={sentence} />
        </p>
      )}
    </>
  )
}

function BodyReadings({ body, plan }: { body: 'lye' | 'oils'; plan: BodyPlan }) {
  const run = useNoted().run!
  const temps = useNotedState()!.state.temps[body]
  const habits = useHabits()
  const clockAt = (r: number) => format(run.openedAt + r * 1000, 'HH:mm')
  return (
    <div>
      <ReadingForm body={body} />
      <ul className="mt-2">
        {temps.map(reading => (
          <li key={reading.key} className="flex items-center gap-3 border-b border-line py-1">
            <span className="w-14">{clock(clockAt(reading.r))}</span>
            <strong className="flex-1">{showTemperature(reading.value, habits)}</strong>
            <button
              className="quiet"
              aria-label={t('Remove the reading of {r}', { r: clock(clockAt(reading.r)) })}
              onClick={() => run.takeBack(event => event.key === reading.key)}
            >
              <Trash2 size={15} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      {plan.fromReading && (
        <p role="status" className="mt-2">
          <Reaches plan={plan} at={clockAt(plan.fromReading.reading.atS)} count={temps.length} />
        </p>
      )}
    </div>
  )
}

/** When it is as warm as it is wanted, by its `count` readings, the last of them taken at `at`. */
function Reaches({ plan, at, count }: { plan: BodyPlan; at: string; count: number }) {
  const habits = useHabits()
  const ready = plan.fromReading?.readyMin
  if (!ready) return t('It will not get there within 12 hours.')
  if (ready.min < 0.5) return <strong>{t('At its target now.')}</strong>
  return rich('{atBy}, between {atS} and {atS2}{temps}.', {
    atBy: (
      <strong>
        {t('At {targetC} by {atS}', {
          targetC: showTemperature(Math.round(plan.targetC), habits),
          atS: clockBefore(at, -ready.min),
        })}
      </strong>
    ),
    atS: clockBefore(at, -ready.low),
    atS2: clockBefore(at, -ready.high),
    temps:
      count > 1 &&
      t('; it cools {lnKappa} times as fast as expected', { lnKappa: fixed(Math.exp(plan.fit.lnKappa), 2) }),
  })
}
