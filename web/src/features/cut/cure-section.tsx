import { MAX_WEIGH_INS, cureForecast, showMass } from '@ostler/core'
import type { EditResult } from '@ostler/core'
import { addDays, differenceInCalendarDays, format, isValid, parseISO, subDays } from 'date-fns'
import { Trash2 } from 'lucide-react'
import { useMemo, useState } from 'react'
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceDot,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts'
import { useBatch, useHabits, usePlan } from '../../plan/context.tsx'
import { NumberCell } from '../../ui/number-cell.tsx'
import { QuantityField } from '../../ui/quantity.tsx'
import { useTold } from '../../ui/plan-field.tsx'
import { Section } from '../../ui/section.tsx'

const DAY = 'EEE d MMM yyyy'
/** Of a day whose hour is not known. */
const NOON = '12:00'
const isDate = (text: string) => isValid(parseISO(text))

/** Round weights around a curve, g. */
function ticksOf(masses: readonly number[]): number[] {
  const [least, most] = [Math.min(...masses), Math.max(...masses)]
  const step = [0.5, 1, 2, 5, 10, 20, 50, 100, 200].find(g => (most - least) / g <= 5) ?? 500
  const from = Math.floor(least / step)
  return Array.from({ length: Math.ceil(most / step) - from + 1 }, (_, i) => (from + i) * step)
}

/** What bars lose on the rack, and when they are ready: forwards from a day, and back from another. */
export function CureSection({ waterShare }: { waterShare: number }) {
  const habits = useHabits()
  const plan = usePlan(state => state.plan)
  const cure = useMemo(() => cureForecast(plan, waterShare), [plan, waterShare])
  const { bars, readyDay } = cure
  const domain = ticksOf(cure.curve.map(point => point.massG))
  const facts: [string, string][] = [
    ['a bar, fresh', showMass(bars.massG, habits, 1)],
    ['cured, about', showMass(cure.curedG, habits, 1)],
    ['ready after', `${readyDay} days`],
  ]
  return (
    <Section title="Cure">
      <dl className="mt-2 flex flex-wrap gap-x-9 gap-y-2">
        {facts.map(([what, value]) => (
          <div key={what}>
            <dt className="text-[13px] text-soft">{what}</dt>
            <dd className="text-xl font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
      <Dates readyDay={readyDay} />
      <figure
        aria-label={`Weight of a bar as it cures: ${showMass(bars.massG, habits, 1)} fresh, ${showMass(cure.curedG, habits, 1)} when cured`}
        className="mt-2 max-w-180"
      >
        <ResponsiveContainer height={220}>
          <LineChart data={cure.curve} margin={{ top: 18, right: 40, bottom: 4, left: 0 }}>
            <CartesianGrid stroke="var(--line)" vertical={false} />
            <XAxis
              dataKey="day"
              type="number"
              domain={[0, 84]}
              ticks={[0, 14, 28, 42, 56, 70, 84]}
              tickFormatter={(day: number) => `${day / 7} wk`}
              stroke="var(--soft)"
              tick={{ fontSize: 13, fill: 'var(--soft)' }}
            />
            <YAxis
              domain={[domain[0]!, domain.at(-1)!]}
              ticks={domain}
              tickFormatter={(g: number) => showMass(g, habits, 1)}
              stroke="var(--soft)"
              tick={{ fontSize: 13, fill: 'var(--soft)' }}
              width={70}
            />
            <ReferenceLine
              x={readyDay}
              stroke="var(--ink)"
              label={{ value: 'ready', position: 'top', fontSize: 13, fill: 'var(--ink)' }}
            />
            <Line dataKey="massG" stroke="var(--ink)" strokeWidth={2} dot={false} isAnimationActive={false} />
            {plan.rest.weighIns.map((one, i) => (
              <ReferenceDot
                key={i}
                x={one.day}
                y={one.massG}
                r={5}
                fill="var(--paper)"
                stroke="var(--ink)"
                strokeWidth={2}
              />
            ))}
          </LineChart>
        </ResponsiveContainer>
      </figure>
      <WeighIns freshG={bars.massG} />
      <p className="mt-1 text-[13px] text-soft">
        Four weeks at least, and until a bar loses no more than half a percent a week. Selling has local rules.
      </p>
    </Section>
  )
}

function Dates({ readyDay }: { readyDay: number }) {
  const batch = useBatch()
  const told = useTold()
  const { pouredAt, wantedOn: wanted } = usePlan(state => state.plan.rest)
  const [today] = useState(() => format(new Date(), 'yyyy-MM-dd'))
  const [isEmpty, setEmpty] = useState(false)
  const made = isEmpty ? '' : pouredAt.slice(0, 10) || today
  const set = (key: 'pouredAt' | 'wantedOn', value: string) =>
    told(batch.edit({ kind: 'set', path: ['rest', key], value }, key))
  const setMade = (day: string) => {
    setEmpty(day === '')
    set('pouredAt', day && `${day}T${pouredAt.slice(11) || NOON}`)
  }
  return (
    <div className="mt-3 flex flex-wrap items-end gap-x-6 gap-y-2">
      <label className="flex flex-col gap-0.5 text-[13px] text-soft">
        Made on
        <input
          type="date"
          className="field min-h-9 text-ink"
          value={made}
          onChange={event => setMade(event.target.value)}
        />
      </label>
      <p className="min-h-9">
        {isDate(made) ? (
          <>
            ready on <strong>{format(addDays(parseISO(made), readyDay), DAY)}</strong>
          </>
        ) : (
          'Say on which day.'
        )}
      </p>
      <label className="flex flex-col gap-0.5 text-[13px] text-soft">
        Wanted for
        <input
          type="date"
          className="field min-h-9 text-ink"
          value={wanted}
          onChange={event => set('wantedOn', event.target.value)}
        />
      </label>
      {isDate(wanted) && <LastDay wanted={parseISO(wanted)} readyDay={readyDay} />}
    </div>
  )
}

/** Days before the pour in which things are got ready: a cold infusion takes weeks more. */
const GET_READY_DAYS = 2

function LastDay({ wanted, readyDay }: { wanted: Date; readyDay: number }) {
  const last = subDays(wanted, readyDay)
  const isPast = differenceInCalendarDays(last, new Date()) < 0
  return (
    <p className={`min-h-9 ${isPast ? 'text-rust' : ''}`}>
      {isPast && <span aria-hidden>▲ </span>}last making day <strong>{format(last, DAY)}</strong>
      {isPast
        ? ': that has passed. Take another date, or soap that is on the rack already.'
        : `; shop and prepare by ${format(subDays(last, GET_READY_DAYS), DAY)}.`}
    </p>
  )
}

function WeighIns({ freshG }: { freshG: number }) {
  const batch = useBatch()
  const told = useTold()
  const habits = useHabits()
  const weighIns = usePlan(state => state.plan.rest.weighIns)
  const [day, setDay] = useState(7)
  const [massG, setMassG] = useState(() => Math.round(freshG * 0.95))
  const weigh = (g: number): EditResult => {
    setMassG(g)
    return { ok: true, plan: batch.get().plan }
  }
  const [sentence, setSentence] = useState('')
  const set = (value: typeof weighIns) => batch.edit({ kind: 'set', path: ['rest', 'weighIns'], value })
  const note = () => {
    const result = set([...weighIns, { day, massG }].sort((a, b) => a.day - b.day))
    setSentence(result.ok ? '' : result.sentence)
  }
  return (
    <div>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <label className="flex flex-col text-[13px] text-soft">
          Days after the pour
          <NumberCell label="Days after the pour" kind="plain" unit="" value={day} onValue={setDay} />
        </label>
        <QuantityField label="The bar weighs" kind="mass" habits={habits} width={72} value={massG} onValue={weigh} />
        <button className="button" disabled={weighIns.length >= MAX_WEIGH_INS} onClick={note}>
          Note it
        </button>
      </div>
      {sentence && (
        <p role="alert" className="mt-1 text-rust">
          {sentence}
        </p>
      )}
      <ul className="max-w-100">
        {weighIns.map((one, i) => (
          <li key={i} className="flex items-center gap-2 border-t border-line text-[14px]">
            day {one.day}: {showMass(one.massG, habits, 0.1)}
            <button
              className="quiet ml-auto"
              aria-label={`Remove weigh-in ${i + 1}`}
              onClick={() => told(set(weighIns.filter((_, n) => n !== i)))}
            >
              <Trash2 size={15} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
    </div>
  )
}
