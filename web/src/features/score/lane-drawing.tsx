import { showMinutes, traceName } from '@ostler/core'
import type { Cup, LaneBandPoint, PourForecast } from '@ostler/core'
import { useRef } from 'react'
import type { KeyboardEvent, PointerEvent } from 'react'
import { useBatch, useLanes, usePlan } from '../../plan/context.tsx'
import type { TimeScale } from './time-scale.ts'
import { say, showChance, t, tidy } from '../../words/index.ts'

/** The part of the trace scale that a lane shows: just below an emulsion to near set. */
const BOTTOM = 0.7
const TOP = 4.6

interface Props {
  cup: Cup
  hex: string
  scale: TimeScale
  width: number
  height: number
  chosen: string | null
  onChoose: (pour: string | null) => void
  isFirst: boolean
}

type Y = (level: number) => number

const line = (points: readonly { min: number }[], x: TimeScale['x'], y: (i: number) => number): string =>
  points.map((point, i) => `${x(point.min).toFixed(1)} ${y(i).toFixed(1)}`).join('L')

function paths(points: readonly LaneBandPoint[], x: TimeScale['x'], y: Y) {
  const median = line(points, x, i => y(points[i]!.level))
  const high = line(points, x, i => y(points[i]!.high))
  const reversed = points.toReversed()
  const low = line(reversed, x, i => y(reversed[i]!.low))
  const first = points[0]!
  const last = points.at(-1)!
  return {
    median: `M${median}`,
    fill: `M${x(first.min).toFixed(1)} ${y(BOTTOM)}L${median}L${x(last.min).toFixed(1)} ${y(BOTTOM)}Z`,
    band: `M${high}L${low}Z`,
  }
}

/**
 * One cup's lane. Soap rises in it as the batter thickens; the pale corridor is where it pours as a layer, the hatched
 * part above is too thick. Each pour is a gate in the corridor.
 */
export function LaneDrawing({ cup, hex, scale, width, height, chosen, onChoose, isFirst }: Props) {
  const lanes = useLanes()!
  const score = usePlan(state => state.plan.score)
  const { points, stirs } = lanes.lanes.find(lane => lane.cup === cup.id)!
  const pours = lanes.pours.filter(pour => pour.cup === cup.id)
  const y: Y = level => height - ((Math.min(TOP, Math.max(BOTTOM, level)) - BOTTOM) / (TOP - BOTTOM)) * height
  const { lo, hi } = pours[0]!.window
  const drawn = paths(points, scale.x, y)
  // The words of the corridor keep clear of the gates: before the first where the last stands at the end.
  const isFull = Math.max(...pours.map(pour => scale.x(pour.endMin))) > width - WORDS_PX
  const potEnd = lanes.pot.at(-1)
  const pot =
    potEnd &&
    `M0 ${height}L${line([...lanes.pot], scale.x, i => y(lanes.pot[i]!.level))}L${scale.x(points[0]!.min)} ${y(potEnd.level)}V${height}Z`
  const words = [
    ...pours.map(pour => pourSentence(pour, score.findIndex(step => step.id === pour.pour) + 1)),
    ...(stirs.length > 0 ? [t('Stir it at {stirs}.', { stirs: stirs.map(min => showMinutes(min)).join(', ') })] : []),
  ].join(' ')

  return (
    <svg
      width={width}
      height={height}
      className="shrink-0 overflow-visible"
      role="group"
      aria-label={`${cup.name}: ${words}`}
    >
      <defs>
        <pattern
          id={`thick-${cup.id}`}
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="6" height="6" fill="var(--booth)" />
          <rect width="1.6" height="6" fill="var(--booth-deep)" />
        </pattern>
      </defs>
      <rect width={width} height={height} fill="var(--booth)" />
      <rect width={width} height={y(hi)} fill={`url(#thick-${cup.id})`} />
      <rect y={y(hi)} width={width} height={y(lo) - y(hi)} fill="var(--paper)" />
      {pot && <path d={pot} fill="var(--booth-deep)" />}
      <path d={drawn.fill} fill={hex} />
      <path d={drawn.band} fill="var(--ink)" fillOpacity={0.16} />
      <path d={drawn.median} fill="none" stroke="var(--paper)" strokeWidth={4} />
      <path d={drawn.median} fill="none" stroke="var(--ink)" strokeWidth={1.8} />
      {isFirst && (
        <g className="fill-soft text-[11px]" aria-hidden textAnchor={isFull ? 'start' : 'end'}>
          <text x={isFull ? 4 : width - 4} y={y(hi) - 2}>
            {t('too thick')}
          </text>
          <text x={isFull ? 4 : width - 4} y={(y(hi) + y(lo)) / 2 + 4}>
            {t('pours as a layer')}
          </text>
        </g>
      )}
      {pours.map(pour => (
        <Gate
          key={pour.pour}
          pour={pour}
          number={score.findIndex(step => step.id === pour.pour) + 1}
          x={scale.x}
          y={y}
          height={height}
          chosen={chosen === pour.pour}
          onChoose={onChoose}
        />
      ))}
    </svg>
  )
}

const pourSentence = (pour: PourForecast, number: number): string =>
  t('layer {numberIs} at {startMin}, {endLevel} {endLevel2}, window {lo} to {hi}, {chance}.', {
    numberIs: number,
    startMin: showMinutes(pour.startMin),
    endLevel: say(traceName(pour.endLevel)),
    endLevel2: tidy(pour.endLevel, 1),
    lo: pour.window.lo,
    hi: pour.window.hi,
    chance: showChance(pour.chance),
  })

interface GateProps {
  pour: PourForecast
  number: number
  x: TimeScale['x']
  y: Y
  height: number
  chosen: boolean
  onChoose: (pour: string | null) => void
}

const SERIF = 4
/** Room for the words of the corridor. */
const WORDS_PX = 104

/** Two posts from the bottom to the top of the window; the diamond is where the batter is. */
function Gate({ pour, number, x, y, height, chosen, onChoose }: GateProps) {
  const left = x(pour.startMin)
  const right = Math.max(left + 6, x(pour.endMin))
  const top = y(pour.window.hi)
  const bottom = y(pour.window.lo)
  const bad = pour.chance < 0.6
  const colour = bad ? 'var(--rust)' : 'var(--ink)'
  const level = (pour.startLevel + pour.endLevel) / 2
  const atY = y(level)
  const mid = (left + right) / 2
  const post = (px: number, inward: number) => `M${px + inward * SERIF} ${top}H${px}V${bottom}H${px + inward * SERIF}`
  const batch = useBatch()
  const waitMin = usePlan(state => state.plan.score[number - 1]?.waitMin ?? 0)
  const grab = useRef<{ x: number; waitMin: number; key: string } | null>(null)
  const setWait = (min: number, key: string) => {
    const value = Math.max(0, Math.round(min * 4) / 4)
    if (value !== waitMin) batch.edit({ kind: 'set', path: ['score', number - 1, 'waitMin'], value }, key)
  }
  const down = (event: PointerEvent<SVGGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId)
    grab.current = {
      x: event.clientX,
      waitMin,
      key: `gate ${pour.pour} ${event.timeStamp}`,
    }
  }
  const drag = (event: PointerEvent<SVGGElement>) => {
    const from = grab.current
    if (!from || Math.abs(event.clientX - from.x) < 4) return
    setWait(from.waitMin + (event.clientX - from.x) / (x(1) - x(0)), from.key)
  }
  const end = () => (grab.current = null)
  const keys = (event: KeyboardEvent) => {
    const by = { ArrowRight: 0.25, ArrowLeft: -0.25 }[event.key]
    if (!by) return
    event.preventDefault()
    setWait(waitMin + by * (event.shiftKey ? 4 : 1), `gate keys ${pour.pour}`)
  }
  return (
    <g
      onClick={() => onChoose(pour.pour)}
      className="cursor-ew-resize touch-none outline-none focus-visible:[&>rect:first-child]:stroke-ink"
      data-testid={`gate-${number}`}
      role="slider"
      tabIndex={0}
      aria-label={t('Wait before layer {numberIs}', { numberIs: number })}
      aria-valuemin={0}
      aria-valuemax={240}
      aria-valuenow={waitMin}
      aria-valuetext={showMinutes(waitMin)}
      onPointerDown={down}
      onPointerMove={drag}
      onPointerUp={end}
      onPointerCancel={end}
      onKeyDown={keys}
    >
      <rect
        x={left - 4}
        y={0}
        width={right - left + 8}
        height={height}
        fill="var(--paper)"
        fillOpacity={chosen ? 0.4 : 0}
      />
      <path d={post(left, 1) + post(right, -1)} fill="none" stroke="var(--paper)" strokeWidth={chosen ? 6 : 5} />
      <path d={post(left, 1) + post(right, -1)} fill="none" stroke={colour} strokeWidth={chosen ? 3 : 2} />
      <rect
        x={mid - 5}
        y={atY - 5}
        width={10}
        height={10}
        transform={`rotate(45 ${mid} ${atY})`}
        fill={bad ? 'var(--paper)' : 'var(--ink)'}
        stroke={bad ? colour : 'var(--paper)'}
        strokeWidth={bad ? 2.4 : 1}
      />
      <title>{pourSentence(pour, number)}</title>
    </g>
  )
}
