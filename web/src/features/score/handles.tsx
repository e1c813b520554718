import { layerHeights, movePaths, at } from '@ostler/core'
import type { Design, Edit, Embed, Move, Pour } from '@ostler/core'
import { useRef } from 'react'
import type { KeyboardEvent, PointerEvent } from 'react'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { useCavityPlan } from '../../drawing/use-design.ts'
import type { Cut, Place } from './face-places.ts'
import { t } from '../../words/index.ts'

/** What one can take hold of in the picture: a place in shares of what is shown, and what moving it changes. */
interface Grip {
  key: string
  label: string
  /** Shares of the picture: to the right and up. */
  x: number
  y: number
  axis: 'x' | 'y' | 'xy'
  edit: (x: number, y: number) => Edit
  text: string
}

interface Props {
  chosen: string | null
  cut: Cut
  place: Place
  design: Design
}

const percent = (share: number): string => `${Math.round(share * 100)} %`
const held = (value: number, low = 0, high = 1): number => Number(Math.min(high, Math.max(low, value)).toFixed(3))

function moveGrips(move: Move, index: number, cut: Cut, design: Design): Grip[] {
  const set = (key: keyof Move, value: unknown): Edit => ({
    kind: 'set',
    path: at(plan => plan.moves[index]![key]),
    value,
  })
  const { plane } = movePaths(move, design.program)
  if (cut === 'across' && plane === 'across' && (move.tool === 'hanger' || move.tool === 'spoon'))
    return [
      {
        ...{ key: 'depth', label: t('How deep the tool goes'), x: 0.5, y: 1 - move.depth, axis: 'y' },
        edit: (_, y) => set('depth', held(1 - y, 0.05, 1)),
        text: percent(move.depth),
      },
    ]
  if (cut !== 'top' || plane !== 'top') return []
  if (move.pattern === 'drawn')
    return move.path.map((point, i): Grip => ({
      ...{ key: `point-${i}`, label: t('Point {i} of the path', { i: i + 1 }), x: point.x, y: point.y, axis: 'xy' },
      edit: (x, y) =>
        set(
          'path',
          move.path.map((one, j) => (j === i ? { x: held(x), y: held(y) } : one)),
        ),
      text: `${percent(point.x)}, ${percent(point.y)}`,
    }))
  if (move.tool === 'spin') return []
  return (['from', 'to'] as const).map((key): Grip => ({
    ...{
      key,
      label: key === 'from' ? t('Where the tool starts') : t('Where the tool ends'),
      x: move[key],
      y: 0.5,
      axis: 'x',
    },
    edit: x => set(key, held(x)),
    text: percent(move[key]),
  }))
}

const AIMED: readonly Pour['shape']['way'][] = ['line', 'spots', 'drop']

function pourGrips(pour: Pour, index: number, cut: Cut): Grip[] {
  const { shape } = pour
  if (!AIMED.includes(shape.way)) return []
  const set = (key: string, value: number): Edit => ({
    kind: 'set',
    path: ['score', index, 'shape', key],
    value,
  })
  const isTop = cut === 'top'
  if (cut === 'along') return []
  const across: Grip = {
    ...{ key: 'across', label: t('Where the stream goes in'), axis: isTop ? 'y' : 'x' },
    ...(isTop ? { x: 0.5, y: shape.across } : { x: shape.across, y: 1 }),
    edit: (x, y) => set('across', held(isTop ? y : x)),
    text: percent(shape.across),
  }
  if (shape.count < 2) return [across]
  const edge = shape.way === 'spots' ? 0.5 + shape.range / 2 : shape.across + shape.range / 2
  if (shape.way === 'spots' && !isTop) return [across]
  const isAlong = shape.way === 'spots'
  return [
    across,
    {
      ...{ key: 'range', label: t('How far the streams are spread'), axis: isTop && !isAlong ? 'y' : 'x' },
      ...(isAlong ? { x: edge, y: shape.across } : isTop ? { x: 0.5, y: held(edge) } : { x: held(edge), y: 1 }),
      edit: (x, y) => set('range', held(2 * Math.abs((isTop && !isAlong ? y : x) - (isAlong ? 0.5 : shape.across)))),
      text: percent(shape.range),
    },
  ]
}

function embedGrips(embed: Embed, index: number, cut: Cut): Grip[] {
  const set = (values: Partial<Embed>): Edit => ({
    kind: 'many',
    edits: Object.entries(values).map(([key, value]) => ({
      kind: 'set',
      path: ['finish', 'embeds', index, key],
      value,
    })),
  })
  if (cut === 'across')
    return [
      {
        ...{
          key: 'place',
          label: t('Where {embed} lies', { embed: embed.name }),
          x: embed.across,
          y: embed.height,
          axis: 'xy',
        },
        edit: (x, y) => set({ across: held(x), height: held(y) }),
        text: t('{across} across, {height} high', { across: percent(embed.across), height: percent(embed.height) }),
      },
    ]
  const ends: Grip[] = (['from', 'to'] as const).map(key => ({
    ...{
      key,
      label: t('Where {embed} {key}', { embed: embed.name, key: key === 'from' ? t('starts') : t('ends') }),
      x: embed[key],
      axis: 'x',
    },
    y: cut === 'top' ? embed.across : embed.height,
    edit: x => set({ [key]: held(x) }),
    text: percent(embed[key]),
  }))
  return ends
}

/** Handles on whatever is chosen: a tool's depth or reach, where a stream goes in, where a piece lies. */
export function Handles({ chosen, cut, place, design }: Props) {
  const plan = usePlan(state => state.plan)
  const { program } = design
  const round = program.radiusMm > 0
  const width = round ? 2 * program.halfWidthMm : program.widthMm
  const highMm = cut === 'top' ? width : program.heightMm
  const moveAt = plan.moves.findIndex(move => move.id === chosen)
  const pourAt = plan.score.findIndex(pour => pour.id === chosen)
  const embedAt = plan.finish.embeds.findIndex(embed => embed.id === chosen)
  const grips =
    moveAt >= 0
      ? moveGrips(plan.moves[moveAt]!, moveAt, cut, design)
      : pourAt >= 0
        ? pourGrips(plan.score[pourAt]!, pourAt, cut)
        : embedAt >= 0
          ? embedGrips(plan.finish.embeds[embedAt]!, embedAt, cut)
          : []
  const path = moveAt >= 0 ? movePaths(plan.moves[moveAt]!, program) : null
  const isShown = path && (path.plane === 'top' ? cut === 'top' : cut === 'across')
  const cavity = useCavityPlan(plan, chosen)
  const below = pourAt < 0 ? 0 : cavity.score.findIndex(pour => pour.id === chosen)
  const level = layerHeights(cavity)
    .slice(0, below)
    .reduce((sum, mm) => sum + mm, 0)
  const box = {
    left: place.left,
    top: place.floor - highMm * place.scale,
    width: place.width,
    height: highMm * place.scale,
  }
  return (
    <div className="pointer-events-none absolute" style={box}>
      {isShown && (
        <svg className="absolute inset-0 size-full overflow-visible" aria-hidden>
          {path.paths.map((points, i) => (
            <g key={i} fill="none" strokeLinejoin="round">
              {(['#fff', '#000'] as const).map((stroke, n) => (
                <polyline
                  key={stroke}
                  points={points.map(([x, y]) => `${x * place.scale},${box.height - y * place.scale}`).join(' ')}
                  stroke={stroke}
                  strokeOpacity={n === 0 ? 0.7 : 0.85}
                  strokeWidth={n === 0 ? 3.4 : 1.3}
                  strokeDasharray={n === 0 ? '' : '5 4'}
                />
              ))}
            </g>
          ))}
        </svg>
      )}
      {level > 0 && cut !== 'top' && (
        <span
          aria-hidden
          className="absolute left-full ml-2 text-[13px] whitespace-nowrap"
          style={{ top: box.height - level * place.scale - 9 }}
        >
          {t('◂ poured onto this')}
        </span>
      )}
      {grips.map(grip => (
        <GripButton key={`${chosen} ${grip.key}`} grip={grip} box={box} />
      ))}
    </div>
  )
}

const KEY_STEP = 0.01

function GripButton({ grip, box }: { grip: Grip; box: { width: number; height: number } }) {
  const batch = useBatch()
  const grab = useRef<{ x: number; y: number; from: Grip; key: string } | null>(null)
  const down = (event: PointerEvent<HTMLElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId)
    grab.current = {
      x: event.clientX,
      y: event.clientY,
      from: grip,
      key: `grip ${grip.key} ${event.timeStamp}`,
    }
  }
  const move = (event: PointerEvent<HTMLElement>) => {
    const start = grab.current
    if (!start) return
    const x = start.from.axis === 'y' ? start.from.x : start.from.x + (event.clientX - start.x) / box.width
    const y = start.from.axis === 'x' ? start.from.y : start.from.y - (event.clientY - start.y) / box.height
    batch.edit(grip.edit(x, y), start.key)
  }
  const keys = (event: KeyboardEvent) => {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key]
    if (!step) return
    event.preventDefault()
    const far = KEY_STEP * (event.shiftKey ? 10 : 1)
    batch.edit(grip.edit(grip.x + far * step[0]!, grip.y + far * step[1]!), `grip keys ${grip.key}`)
  }
  const end = () => (grab.current = null)
  return (
    <button
      role="slider"
      aria-label={grip.label}
      aria-orientation={grip.axis === 'y' ? 'vertical' : 'horizontal'}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={Math.round((grip.axis === 'y' ? grip.y : grip.x) * 100)}
      aria-valuetext={grip.text}
      title={`${grip.label}: ${grip.text}`}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
      onKeyDown={keys}
      className="pointer-events-auto absolute grid size-7 -translate-1/2 touch-none place-items-center rounded-full border-2 border-ink bg-paper text-[13px] leading-none active:bg-ink active:text-paper"
      style={{ left: grip.x * box.width, top: (1 - grip.y) * box.height }}
    >
      <span aria-hidden>{{ x: '↔', y: '↕', xy: '✥' }[grip.axis]}</span>
    </button>
  )
}
