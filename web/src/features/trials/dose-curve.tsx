import type { DosePoint } from '@ostler/core'
import { Area, CartesianGrid, ComposedChart, Line, ResponsiveContainer, Scatter, Tooltip, XAxis, YAxis } from 'recharts'
import { t } from '../../words/index.ts'

/** Four of five lie within so many standard deviations. */
const WIDE = 1.28

export interface ReadDose {
  label: string
  gPerKg: number
  l: number
}

/** Lightness by dose: as the shelf had it, by the trial with its band, and what was read last; under it both as colours. */
export function DoseCurve({ points, read }: { points: readonly DosePoint[]; read: readonly ReadDose[] }) {
  const rows = points.map(({ gPerKg, beforeL, afterL, sdL }) => ({
    ...{ gPerKg, beforeL, afterL },
    band: [afterL - WIDE * sdL, afterL + WIDE * sdL],
  }))
  const ticks = [...new Set(read.map(one => one.gPerKg))].sort((a, b) => a - b)
  const number = (x: unknown) => (typeof x === 'number' ? String(Number(x.toPrecision(3))) : '')
  return (
    <figure className="mt-2">
      <div className="h-64">
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart data={rows} margin={{ top: 8, right: 12, bottom: 18, left: 0 }}>
            <CartesianGrid stroke="var(--line)" />
            <XAxis
              dataKey="gPerKg"
              type="number"
              scale="log"
              domain={['dataMin', 'dataMax']}
              ticks={ticks}
              tickFormatter={number}
              label={{ value: t('g per kg of batter'), position: 'insideBottom', offset: -8, fontSize: 13 }}
            />
            <YAxis domain={['auto', 'auto']} width={44} tickFormatter={number} />
            <Tooltip
              formatter={value => (Array.isArray(value) ? value.map(number).join(' to ') : number(value))}
              labelFormatter={value => t('{value} g/kg', { value: number(value) })}
            />
            <Area
              dataKey="band"
              name={t('four of five')}
              stroke="none"
              fill="var(--soft)"
              fillOpacity={0.25}
              isAnimationActive={false}
            />
            <Line
              dataKey="beforeL"
              name={t('as the shelf had it')}
              stroke="var(--soft)"
              strokeDasharray="6 4"
              dot={false}
              isAnimationActive={false}
            />
            <Line
              dataKey="afterL"
              name={t('by this trial')}
              stroke="var(--ink)"
              strokeWidth={2}
              dot={false}
              isAnimationActive={false}
            />
            <Scatter
              tooltipType="none"
              data={[...read]}
              dataKey="l"
              name={t('read')}
              fill="var(--ink)"
              isAnimationActive={false}
            />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-[13px] text-soft">
        {t(
          'Lightness by dose. Dashed: as the shelf had it. Line and band: by this trial, where four of five lie. Points: what was read last, each photograph as it came.',
        )}
      </figcaption>
      <Strip name={t('as the shelf had it')} hexes={points.map(one => one.beforeHex)} />
      <Strip name={t('by this trial')} hexes={points.map(one => one.afterHex)} />
    </figure>
  )
}

/** Colours from the least dose to the most. */
function Strip({ name, hexes }: { name: string; hexes: readonly string[] }) {
  return (
    <div className="mt-1">
      <div aria-hidden className="flex h-9 bg-booth">
        {hexes.map((hex, i) => (
          <span key={i} className="flex-1" style={{ background: hex, printColorAdjust: 'exact' }} />
        ))}
      </div>
      <span className="text-[13px]">{t('{name}, from the least to the most', { name })}</span>
    </div>
  )
}
