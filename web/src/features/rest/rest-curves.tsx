import { showTemperature } from '@ostler/core'
import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceDot,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts'
import { useId } from 'react'
import { useHabits, usePlan } from '../../plan/context.tsx'
import { showHours } from '../../ui/clock.ts'
import type { RestLook } from '../../workers/rest.ts'
import { t } from '../../words/index.ts'

const LINES = [
  { key: 'core', text: t('core'), width: 2.4, dash: '' },
  { key: 'side', text: t('side'), width: 1.6, dash: '6 3' },
  { key: 'top', text: t('top'), width: 1.4, dash: '9 3 2 3' },
  { key: 'corner', text: t('corner'), width: 1.4, dash: '2 3' },
  { key: 'around', text: t('around it'), width: 1.2, dash: '' },
] as const
const HOURS_SHOWN = 24
/** From here on soap may crack; shown when it comes near. */
const TOO_HOT_C = 88
const NEARLY_TOO_HOT_C = 78

/** What the lines show, for those who cannot see them. */
function chartWords({ result, curve }: RestLook, show: (c: number) => string): string {
  const from = curve[0]
  const end = curve.filter(point => point.s <= HOURS_SHOWN * 3600).at(-1)
  return [
    from &&
      t('The core starts at {core} and is warmest after {peakMin} at {peakC}.', {
        core: show(from.core),
        peakMin: showHours(result.peakMin),
        peakC: show(result.peakC),
      }),
    t('Soap gels at {gelC}.', { gelC: show(result.gelC) }),
    end &&
      t('After {s} the core is at {core}, the coldest corner at {corner}.', {
        s: showHours(end.s / 60),
        core: show(end.core),
        corner: show(end.corner),
      }),
  ]
    .filter(Boolean)
    .join(' ')
}

const SMALL = { fontSize: 13, fill: 'var(--soft)' }

/** Where it gels, and where it may crack when it comes near. */
const heatLines = ({ result }: RestLook) => [
  <ReferenceLine
    key="gels"
    y={result.gelC}
    stroke="var(--rust)"
    strokeDasharray="5 4"
    label={{ value: t('gels'), position: 'right', fontSize: 13, fill: 'var(--rust)' }}
  />,
  result.peakC > NEARLY_TOO_HOT_C && (
    <ReferenceLine
      key="cracks"
      y={TOO_HOT_C}
      stroke="var(--rust)"
      label={{ value: t('may crack'), position: 'right', fontSize: 13, fill: 'var(--rust)' }}
    />
  ),
]

/** Core, side and corner over a day, what stands around, and readings typed in. */
export function RestCurves({ look }: { look: RestLook }) {
  const habits = useHabits()
  const readings = usePlan(state => state.plan.rest.readings)
  const points = look.curve
    .filter(point => point.s <= HOURS_SHOWN * 3600)
    .map(point => ({ ...point, min: point.s / 60 }))
  const band = (look.numbers?.core ?? []).map(({ s, low, high }) => ({ min: s / 60, band: [low, high] }))
  const show = (c: number) => showTemperature(Math.round(c), habits)
  const id = useId()
  return (
    <figure aria-label={t('Temperatures over a day')} aria-describedby={id} className="max-w-220">
      <p id={id} className="sr-only">
        {chartWords(look, show)}
      </p>
      <ResponsiveContainer height={288}>
        <ComposedChart data={points} margin={{ top: 18, right: 70, bottom: 4, left: 0 }}>
          <CartesianGrid stroke="var(--line)" vertical={false} />
          <XAxis
            dataKey="min"
            type="number"
            domain={[0, HOURS_SHOWN * 60]}
            ticks={[0, 120, 240, 360, 480, 720, 960, 1200, 1440]}
            tickFormatter={(min: number) => `${min / 60} h`}
            stroke="var(--soft)"
            tick={SMALL}
          />
          <YAxis tickFormatter={show} stroke="var(--soft)" tick={SMALL} width={62} domain={['auto', 'auto']} />
          <Tooltip
            isAnimationActive={false}
            formatter={(value, name) => [show(Number(value)), LINES.find(line => line.key === name)?.text ?? '']}
            labelFormatter={min => showHours(Number(min))}
            contentStyle={{ background: 'var(--paper)', borderColor: 'var(--ink)', color: 'var(--ink)' }}
          />
          {heatLines(look)}
          <Area
            data={band}
            dataKey="band"
            fill="var(--booth)"
            stroke="none"
            isAnimationActive={false}
            tooltipType="none"
            activeDot={false}
          />
          {LINES.map(line => (
            <Line
              key={line.key}
              dataKey={line.key}
              stroke={line.key === 'around' ? 'var(--soft)' : 'var(--ink)'}
              strokeWidth={line.width}
              strokeDasharray={line.dash}
              dot={false}
              isAnimationActive={false}
            />
          ))}
          {readings.map((reading, i) => (
            <ReferenceDot
              key={i}
              x={reading.atMin}
              y={reading.tempC}
              r={5}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth={2}
              label={{ value: reading.at, position: 'top', fontSize: 12, fill: 'var(--ink)' }}
            />
          ))}
        </ComposedChart>
      </ResponsiveContainer>
      <figcaption className="text-[13px] text-soft">
        {t(
          'Full line: core, with where it lies in 4 of 5 runs. Long dashes: side. Dash and dot: top. Dots: coldest corner. Thin: the air around. Rings: your readings.',
        )}
      </figcaption>
    </figure>
  )
}
