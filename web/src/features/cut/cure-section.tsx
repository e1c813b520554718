import { RACK_AIRS, cureForecast, cureKnown, listOf, showMass, at } from '@ostler/core'
import type { CureForecast, RackAir } from '@ostler/core'
import { addDays, differenceInCalendarDays, isValid, parseISO } from 'date-fns'
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
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { LastDays } from '../../parts/last-days.tsx'
import { Section } from '../../ui/section.tsx'
import { WeighIns } from './weigh-ins.tsx'
import { dated, rich, say, t, todayHere } from '../../words/index.ts'

/** Whole days since the pour; null where its day is not known. */
const daysSince = (pouredAt: string): number | null =>
  isDate(pouredAt) ? differenceInCalendarDays(new Date(), parseISO(pouredAt)) : null

/** Where the bars stand as they dry. */
function RackFields() {
  const batch = useBatch()
  const told = useTold()
  const air = usePlan(state => state.plan.rest.rack.air)
  return (
    <div className="mt-2 flex flex-wrap items-end gap-3">
      <PlanField
        label={t('The rack stands at')}
        kind="temperature"
        width={64}
        path={at(plan => plan.rest.rack.tempC)}
      />
      <PlanField
        label={t('Damp in the air')}
        kind="share"
        decimals={0}
        width={64}
        path={at(plan => plan.rest.rack.humidity)}
      />
      <Choice<RackAir>
        label={t('Bars stand')}
        value={air}
        options={options(RACK_AIRS)}
        onValue={value => told(batch.edit({ kind: 'set', path: at(plan => plan.rest.rack.air), value }))}
      />
    </div>
  )
}

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

/** A factor in words: so much more or less than is usual. */
const off = (ln: number, [more, less]: readonly [string, string]): string => {
  const by = Math.round((Math.exp(ln) - 1) * 100)
  return by === 0 ? '' : `${Math.abs(by)} % ${by > 0 ? more : less}`
}

const notEmpty = (text: string | undefined): text is string => Boolean(text)

/** What the weigh-ins of other batches changed. */
function Taught({ cure: { known, readyDay, untaughtReadyDay } }: { cure: CureForecast }) {
  if (known.batches === 0) return null
  const told = [off(known.time.mean, [t('slower'), t('faster')]), off(known.loss.mean, [t('more'), t('less')])]
  const words = say(
    listOf(
      [told[0] && t('dry {told}', { told: told[0] }), told[1] && t('lose {told}', { told: told[1] })].filter(notEmpty),
    ),
  )
  return (
    <p className="mt-2 max-w-160">
      {t(
        'By {batches} weighed {batches, plural, one {batch} other {batches}} of yours, bars here {words}: ready after {readyDay} days{readyDay2}',
        {
          batches: known.batches,
          words: words === '' ? t('dry as the model says') : t('{words} than the model says', { words }),
          readyDay,
          readyDay2:
            readyDay === untaughtReadyDay
              ? t(' all the same.')
              : t(', where it would have said {untaughtReadyDay}.', { untaughtReadyDay }),
        },
      )}
    </p>
  )
}

/** What bars lose on the rack, and when they are ready: forwards from a day, and back from another. */
export function CureSection({ waterShare }: { waterShare: number }) {
  const plan = usePlan(state => state.plan)
  const { shelf } = useBatch()
  const cure = useMemo(
    () => cureForecast(plan, waterShare, { todayDay: daysSince(plan.rest.pouredAt), known: cureKnown(shelf.evidence) }),
    [plan, shelf, waterShare],
  )
  return (
    <Section title={t('Cure')}>
      <CureFacts cure={cure} />
      <Taught cure={cure} />
      <RackFields />
      <Dates readyDay={cure.readyDay} />
      <CureCurve cure={cure} />
      <WeighIns freshG={cure.bars.massG} doubts={cure.doubts} />
      <p className="mt-1 text-[13px] text-soft">
        {t(
          'Four weeks at least, and until a bar loses no more than half a percent a week. Weights of the first three weeks say little of the end: weigh again after five. On a label give the lower weight at most; selling has local rules.',
        )}
      </p>
    </Section>
  )
}

/** What a bar weighs now and in the end, and when it is ready. */
function CureFacts({ cure }: { cure: CureForecast }) {
  const habits = useHabits()
  const { bars, readyDay } = cure
  const grams = (g: number) => showMass(g, habits, 1)
  const facts: [string, string, string][] = [
    [
      t('a bar, fresh'),
      grams(cure.freshG),
      Math.abs(cure.freshG - bars.massG) < 0.5 ? '' : t('planned {massG}', { massG: grams(bars.massG) }),
    ],
    [
      t('cured, about'),
      grams(cure.curedG),
      t('{curedRange} to {curedRange2}', {
        curedRange: grams(cure.curedRange[0]),
        curedRange2: grams(cure.curedRange[1]),
      }),
    ],
    [
      t('ready after'),
      t('{readyDay} days', { readyDay }),
      t('{readyRange} to {readyRange2}', { readyRange: cure.readyRange[0], readyRange2: cure.readyRange[1] }),
    ],
    [
      t('nine tenths dry by'),
      t('day {dryDay}', { dryDay: Math.round(cure.dryDay) }),
      t('{dryRange} to {dryRange2}', {
        dryRange: Math.round(cure.dryRange[0]),
        dryRange2: Math.round(cure.dryRange[1]),
      }),
    ],
  ]
  return (
    <dl className="mt-2 flex flex-wrap gap-x-9 gap-y-2">
      {facts.map(([what, value, range]) => (
        <div key={what}>
          <dt className="text-[13px] text-soft">{what}</dt>
          <dd className="text-xl font-semibold">{value}</dd>
          <dd className="min-h-5 text-[13px] text-soft">{range}</dd>
        </div>
      ))}
    </dl>
  )
}

/** The weight of a bar over twelve weeks, with what was weighed. */
function CureCurve({ cure }: { cure: CureForecast }) {
  const habits = useHabits()
  const weighIns = usePlan(state => state.plan.rest.weighIns)
  const { bars, readyDay } = cure
  const doubtful = new Set(cure.doubts.map(doubt => doubt.at))
  const domain = ticksOf(cure.curve.map(point => point.massG))
  return (
    <figure
      aria-label={t('Weight of a bar as it cures: {massG} fresh, {curedG} when cured', {
        massG: showMass(bars.massG, habits, 1),
        curedG: showMass(cure.curedG, habits, 1),
      })}
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
            tickFormatter={(day: number) => t('{day} wk', { day: day / 7 })}
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
            label={{ value: t('ready'), position: 'top', fontSize: 13, fill: 'var(--ink)' }}
          />
          <Line dataKey="massG" stroke="var(--ink)" strokeWidth={2} dot={false} isAnimationActive={false} />
          {weighIns.map((one, i) => (
            <ReferenceDot
              key={i}
              x={one.day}
              y={one.massG / one.count}
              opacity={doubtful.has(i) || one.doubt === 'leave-out' ? 0.35 : 1}
              r={5}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth={2}
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </figure>
  )
}

function Dates({ readyDay }: { readyDay: number }) {
  const batch = useBatch()
  const told = useTold()
  const { pouredAt, wantedOn: wanted } = usePlan(state => state.plan.rest)
  const [today] = useState(() => todayHere())
  const [isEmpty, setEmpty] = useState(false)
  const made = isEmpty ? '' : pouredAt.slice(0, 10) || today
  const set = (key: 'pouredAt' | 'wantedOn', value: string) =>
    told(batch.edit({ kind: 'set', path: at(plan => plan.rest[key]), value }, key))
  const setMade = (day: string) => {
    setEmpty(day === '')
    set('pouredAt', day && `${day}T${pouredAt.slice(11) || NOON}`)
  }
  return (
    <div className="mt-3 flex flex-wrap items-end gap-x-6 gap-y-2">
      <label className="flex flex-col gap-0.5 text-[13px] text-soft">
        {t('Made on')}
        <input
          type="date"
          className="field min-h-9 text-ink"
          value={made}
          onChange={event => setMade(event.target.value)}
        />
      </label>
      <p className="min-h-9">
        {isDate(made) ? (
          <>{rich('ready on {made}', { made: <strong>{dated(addDays(parseISO(made), readyDay), DAY)}</strong> })}</>
        ) : (
          t('Say on which day.')
        )}
      </p>
      <label className="flex flex-col gap-0.5 text-[13px] text-soft">
        {t('Wanted for')}
        <input
          type="date"
          className="field min-h-9 text-ink"
          value={wanted}
          onChange={event => set('wantedOn', event.target.value)}
        />
      </label>
      <LastDays className="min-h-9" />
    </div>
  )
}
