import { showTemperature } from '@ostler/core'
import type { BodyPlan, HeatPlan } from '@ostler/core'
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts'
import { useId } from 'react'
import { useHabits, usePlan } from '../../plan/context.tsx'
import { clockBefore } from '../../ui/clock.ts'
import { rich, t } from '../../words/index.ts'

interface Point {
  before: number
  lye?: number
  oils?: number
}

/** The body's curve by minutes before mixing; it stops a quarter of an hour after. */
function pointsOf(body: BodyPlan, key: 'lye' | 'oils'): Point[] {
  const start = body.startsMin
  if (start === null) return []
  return body.curve
    .map(({ min, c }) => ({ before: Math.round(min - start), [key]: c }))
    .filter(point => point.before <= 15)
}

function joined(heat: HeatPlan): Point[] {
  const all = new Map<number, Point>()
  for (const point of [...pointsOf(heat.lye, 'lye'), ...pointsOf(heat.oils, 'oils')])
    all.set(point.before, { ...all.get(point.before), ...point })
  return [...all.values()].sort((a, b) => a.before - b.before)
}

/** What the two lines show, for those who cannot see them. */
function chartWords(heat: HeatPlan, clock: (min: number) => string, show: (c: number) => string): string {
  return (['lye', 'oils'] as const)
    .flatMap(name => {
      const points = pointsOf(heat[name], name)
      const ends = [points[0], points.at(-1)]
      const told = ends.map(
        point => point && t('{name} at {before}', { name: show(point[name]!), before: clock(-point.before) }),
      )
      return told[0] && told[1]
        ? [
            t('The {name} at {told} and at {told2}.', {
              name: name === 'lye' ? t('lye is') : t('oils are'),
              told: told[0],
              told2: told[1],
            }),
          ]
        : []
    })
    .join(' ')
}

/** Lye and oils over time, meeting at mixing. */
export function CoolingCurves({ heat }: { heat: HeatPlan }) {
  const habits = useHabits()
  const startAt = usePlan(state => state.plan.heat.startAt)
  const points = joined(heat)
  const show = (c: number) => showTemperature(Math.round(c), habits)
  const id = useId()
  if (points.length < 2) return null
  return (
    <figure aria-label={t('Lye and oils as they cool')} aria-describedby={id} className="h-72 max-w-220">
      <p id={id} className="sr-only">
        {chartWords(heat, at => clockBefore(startAt, at), show)}
      </p>
      <ResponsiveContainer>
        <LineChart data={points} margin={{ top: 18, right: 70, bottom: 4, left: 0 }}>
          <CartesianGrid stroke="var(--line)" vertical={false} />
          <XAxis
            dataKey="before"
            type="number"
            domain={['dataMin', 'dataMax']}
            tickFormatter={(min: number) => clockBefore(startAt, -min)}
            stroke="var(--soft)"
            tick={{ fontSize: 13, fill: 'var(--soft)' }}
            minTickGap={40}
          />
          <YAxis
            tickFormatter={show}
            stroke="var(--soft)"
            tick={{ fontSize: 13, fill: 'var(--soft)' }}
            width={62}
            domain={[10, 'auto']}
          />
          <Tooltip
            isAnimationActive={false}
            formatter={(value, name) => [show(Number(value)), name === 'lye' ? 'lye' : 'oils']}
            labelFormatter={min => clockBefore(startAt, -Number(min))}
            contentStyle={{ background: 'var(--paper)', borderColor: 'var(--ink)', color: 'var(--ink)' }}
          />
          <ReferenceLine
            x={0}
            stroke="var(--ink)"
            label={{ value: t('mixing'), position: 'top', fontSize: 13, fill: 'var(--ink)' }}
          />
          <Line
            dataKey="lye"
            stroke="var(--ink)"
            strokeWidth={2.5}
            dot={false}
            isAnimationActive={false}
            connectNulls
          />
          <Line
            dataKey="oils"
            stroke="var(--soft)"
            strokeWidth={2.5}
            strokeDasharray="7 4"
            dot={false}
            isAnimationActive={false}
            connectNulls
          />
        </LineChart>
      </ResponsiveContainer>
      <figcaption className="text-[13px] text-soft">
        {rich('{span} lye{span2} oils', {
          span: <span className="mr-1 inline-block w-6 border-t-[2.5px] border-ink align-middle" aria-hidden />,
          span2: (
            <span
              className="mr-1 ml-5 inline-block w-6 border-t-[2.5px] border-dashed border-soft align-middle"
              aria-hidden
            />
          ),
        })}
      </figcaption>
    </figure>
  )
}
