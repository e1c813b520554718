import { benchLanes } from '@ostler/core'
import type { BenchLane, Plan } from '@ostler/core'
import { useEffect, useMemo, useState } from 'react'
import {
  Area,
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceDot,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts'
import { useFollowed, useRun, useRunHex, useRunState } from '../../run/context.tsx'
import { Swatch } from '../../ui/swatch.tsx'
import { lookWord } from '../../parts/look-word.ts'
import { BenchPanel } from './panel.tsx'
import { fixed, t } from '../../words/index.ts'

/** So often lanes are reckoned anew while they are looked at, ms. */
const ANEW_MS = 15_000
/** So far ahead is drawn, min. */
const AHEAD_MIN = 20
const LEVELS = [1, 2, 3, 4, 5]

/** Trace of every cup: what it was, as it was seen and is believed, and what it will be if it is left as it is. */
export function LanesPanel({ onClose }: { onClose: () => void }) {
  const run = useRun()
  const { state } = useRunState()
  const [now, setNow] = useState(() => run.nowS())
  useEffect(() => {
    const timer = setInterval(() => setNow(run.nowS()), ANEW_MS)
    return () => clearInterval(timer)
  }, [run])
  const lanes = useMemo(() => benchLanes(run.following, state, now), [run, state, now])
  const nowMin = (Math.max(now, state.r) - (state.lyeInAt ?? 0)) / 60
  return (
    <BenchPanel title={t('Lanes')} onClose={onClose}>
      {lanes.length === 0 ? (
        <p className="text-xl">{t('There are lanes once a cup is filled.')}</p>
      ) : (
        <>
          <p className="text-lg text-soft">
            {t(
              'Minutes since lye met the oils. Left of the line: what was, dots as seen. Right of it: left as it is, four of five runs within the band. The belt across: where the next pour works.',
            )}
          </p>
          <ul>
            {/* What still runs first. */}
            {[...lanes.filter(isOpen), ...lanes.filter(lane => !isOpen(lane))].map(lane => (
              <Lane key={lane.cup} lane={lane} nowMin={nowMin} />
            ))}
          </ul>
        </>
      )}
    </BenchPanel>
  )
}

const isOpen = ({ pours }: BenchLane): boolean => pours.some(pour => pour.fromS === null)

interface Point {
  min: number
  was?: number
  likely?: number
  band?: [number, number]
}

const pointsOf = ({ past, ahead }: BenchLane): Point[] => [
  ...past.map(({ s, level }) => ({ min: s / 60, was: level })),
  ...ahead
    .filter(({ s }) => s <= ahead[0]!.s + AHEAD_MIN * 60)
    .map(({ s, low, likely, high }): Point => ({ min: s / 60, likely, band: [low, high] })),
]

/** What a lane shows, for those who cannot see it. */
function laneWords({ past, ahead }: BenchLane, plan: Plan): string {
  const last = past.at(-1)?.level
  if (ahead.length === 0)
    return last === undefined
      ? ''
      : t('Poured out as {last}, {last2}.', { last: lookWord(last, plan.whipped !== null), last2: fixed(last, 1) })
  const now = ahead[0]?.likely
  const later = ahead.find(({ s }) => s >= ahead[0]!.s + 600)
  return [
    now !== undefined && t('Now {now}, {now2}.', { now: lookWord(now, plan.whipped !== null), now2: fixed(now, 1) }),
    later &&
      t('In 10 min between {low} and {high}, if left.', { low: fixed(later.low, 1), high: fixed(later.high, 1) }),
  ]
    .filter(Boolean)
    .join(' ')
}

function Lane({ lane, nowMin }: { lane: BenchLane; nowMin: number }) {
  const { plan } = useFollowed()
  const hexOf = useRunHex()
  const points = useMemo(() => pointsOf(lane), [lane])
  const next = lane.pours.find(pour => pour.fromS === null)
  const name = plan.cups.find(cup => cup.id === lane.cup)!.name
  return (
    <li className="border-b border-line py-2">
      <p className="flex items-center gap-2 text-lg">
        <Swatch hex={hexOf(lane.cup)} size={22} /> <strong>{name}</strong>
        <span className="text-soft">{laneWords(lane, plan)}</span>
      </p>
      <figure aria-label={t('Lane of {name}', { name })}>
        <ResponsiveContainer height={130}>
          <ComposedChart data={points} margin={{ top: 6, right: 14, bottom: 0, left: 0 }}>
            <XAxis
              dataKey="min"
              type="number"
              domain={[0, Math.ceil(nowMin) + AHEAD_MIN]}
              allowDataOverflow
              tickFormatter={(min: number) => t('{min} min', { min })}
              stroke="var(--soft)"
              tick={{ fontSize: 13, fill: 'var(--soft)' }}
            />
            <YAxis
              domain={[0.8, 5]}
              ticks={LEVELS}
              stroke="var(--soft)"
              width={26}
              tick={{ fontSize: 13, fill: 'var(--soft)' }}
            />
            {next && <ReferenceArea y1={next.lo} y2={Math.min(5, next.hi)} fill="var(--chosen)" stroke="var(--line)" />}
            {lane.pours.flatMap(({ pour, fromS, toS }) =>
              fromS === null || toS === null
                ? []
                : [
                    <ReferenceArea
                      key={pour}
                      x1={fromS / 60}
                      x2={toS / 60}
                      fill={hexOf(lane.cup)}
                      stroke="var(--ink)"
                    />,
                  ],
            )}
            <ReferenceLine x={nowMin} stroke="var(--ink)" strokeWidth={1.5} />
            <Area dataKey="band" stroke="none" fill="var(--soft)" fillOpacity={0.25} isAnimationActive={false} />
            <Line dataKey="likely" stroke="var(--ink)" strokeDasharray="6 4" dot={false} isAnimationActive={false} />
            <Line dataKey="was" stroke="var(--ink)" strokeWidth={2.4} dot={false} isAnimationActive={false} />
            {lane.seen.map(({ key, s, value, by }) => (
              <ReferenceDot
                key={key}
                x={s / 60}
                y={value}
                r={by === 'drip' ? 6 : 5}
                fill={by === 'drip' ? 'var(--ink)' : 'var(--paper)'}
                stroke="var(--ink)"
              />
            ))}
          </ComposedChart>
        </ResponsiveContainer>
      </figure>
    </li>
  )
}
