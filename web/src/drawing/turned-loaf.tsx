import { acrossView, crestMm, levelView, wallView } from '@ostler/core'
import type { Design, Plan, Program, View, Words } from '@ostler/core'
import { useRef, useState } from 'react'
import type { CSSProperties, KeyboardEvent, PointerEvent } from 'react'
import { FaceCanvas } from './face-canvas.tsx'
import { t } from '../words/index.ts'

interface Props {
  design: Design
  hexes: readonly string[]
  names: readonly Words[]
  plan: Plan
  /** Where it is cut open, a share of the length. */
  at: number
  /** Room for it, px. */
  width: number
  height: number
}

const KEY_STEP = 6
const START = { turn: -50, tilt: 24 }
/** Pixels of a picture for each pixel shown. */
const FINE = 1.5
const FACETS = 20

const held = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value))

/** One side of the block: a picture on a plane of its own, turned into its place. */
interface Side {
  key: string
  view: View
  width: number
  height: number
  transform: string
  /** How much light falls on it. */
  light: number
}

/** A box, cut open at its near end; upright sides reach up to the highest peak. */
function boxSides(program: Program, at: number, scale: number): Side[] {
  const { lengthMm: L, widthMm: W } = program
  const x0 = at * L
  const [l, w, h] = [(L - x0) * scale, W * scale, crestMm(program) * scale]
  const px = (mm: number) => Math.max(8, Math.round(mm * scale * FINE))
  const top = levelView(program, 1, px(L - x0))
  const lift = program.heightMm * scale - h / 2
  const topView: View = { ...top, originX: x0, rightX: (L - x0) / top.width, height: px(W), downY: -W / px(W) }
  return [
    {
      key: 'near',
      view: wallView(program, [x0, 0.01], [L, 0.01], px(L - x0)),
      width: l,
      height: h,
      transform: `translateZ(${w / 2}px)`,
      light: 1,
    },
    {
      key: 'far',
      view: wallView(program, [L, W - 0.01], [x0, W - 0.01], px(L - x0)),
      width: l,
      height: h,
      transform: `rotateY(180deg) translateZ(${w / 2}px)`,
      light: 0.9,
    },
    {
      key: 'end',
      view: acrossView(program, 0.9995, px(W)),
      width: w,
      height: h,
      transform: `rotateY(90deg) translateZ(${l / 2}px)`,
      light: 0.92,
    },
    {
      key: 'cut',
      view: wallView(program, [x0 + 0.01, W], [x0 + 0.01, 0], px(W)),
      width: w,
      height: h,
      transform: `rotateY(-90deg) translateZ(${l / 2}px)`,
      light: 0.96,
    },
    { key: 'top', view: topView, width: l, height: w, transform: `rotateX(90deg) translateZ(${lift}px)`, light: 1.04 },
  ]
}

/** A round, oval or six-sided block as facets, cut level at a height from above. */
function roundSides(program: Program, at: number, scale: number): Side[] {
  const { radiusMm: a, halfWidthMm: b, isHex } = program
  const h = crestMm(program) * (1 - at)
  const count = isHex ? 6 : FACETS
  const corner = (i: number): [number, number] => {
    const angle = (2 * Math.PI * i) / count
    return [a * Math.cos(angle) * 0.9995, (isHex ? a : b) * Math.sin(angle) * 0.9995]
  }
  const walls = Array.from({ length: count }, (_, i): Side => {
    const [from, to] = [corner(i), corner(i + 1)]
    const length = Math.hypot(to[0] - from[0], to[1] - from[1])
    const whole = wallView(program, from, to, Math.max(6, Math.round(length * scale * FINE)))
    const rows = Math.max(1, Math.round(whole.height * (1 - at)))
    const view: View = { ...whole, originZ: whole.originZ + whole.downZ * (whole.height - rows), height: rows }
    const [x, y] = [((from[0] + to[0]) / 2) * scale, ((from[1] + to[1]) / 2) * scale]
    // Outward of the facet, seen from above: the scene's depth runs against y.
    const turn = (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI
    return {
      key: `wall-${i}`,
      view,
      width: length * scale + 0.6,
      height: h * scale,
      transform: `translate3d(${x}px, 0, ${-y}px) rotateY(${turn}deg)`,
      light: 0.93 + 0.07 * Math.cos(((turn + 30) * Math.PI) / 180),
    }
  })
  const px = Math.round(2 * a * scale * FINE)
  const lid: Side = {
    key: 'lid',
    view: levelView(program, 1 - at, px),
    width: 2 * a * scale,
    height: 2 * b * scale,
    transform: `rotateX(90deg) translateZ(${(h * scale) / 2}px)`,
    light: 1.03,
  }
  return [...walls, lid]
}

/** The block in space: dragged or turned with the arrow keys, and cut open. */
export function TurnedLoaf({ design, hexes, names, plan, at, width, height }: Props) {
  const { program } = design
  const [view, setView] = useState(START)
  const grab = useRef<{ x: number; y: number; turn: number; tilt: number } | null>(null)
  const isRound = program.radiusMm > 0
  // A block lies across the view and rises as it is tilted towards the eye.
  const longest = isRound ? 2 * program.radiusMm : Math.hypot(program.lengthMm, program.widthMm)
  const scale = Math.max(0.3, Math.min((width * 0.8) / longest, (height * 0.74) / (crestMm(program) + longest * 0.38)))
  const cut = held(at, 0, 0.95)
  const sides = isRound ? roundSides(program, cut, scale) : boxSides(program, cut, scale)
  const down = (event: PointerEvent<HTMLElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId)
    grab.current = { x: event.clientX, y: event.clientY, ...view }
  }
  const move = (event: PointerEvent<HTMLElement>) => {
    const from = grab.current
    if (!from) return
    setView({
      turn: from.turn + (event.clientX - from.x) * 0.4,
      tilt: held(from.tilt + (event.clientY - from.y) * 0.3, 0, 88),
    })
  }
  const keys = (event: KeyboardEvent) => {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key]
    if (!step) return
    event.preventDefault()
    setView({ turn: view.turn + KEY_STEP * step[0]!, tilt: held(view.tilt + KEY_STEP * step[1]!, 0, 88) })
  }
  const scene: CSSProperties = {
    transform: `rotateX(${-view.tilt}deg) rotateY(${-view.turn}deg)`,
    transformStyle: 'preserve-3d',
  }
  return (
    <div
      role="application"
      tabIndex={0}
      aria-label={t('The block in space. Turn it by dragging or with the arrow keys.')}
      className="relative cursor-grab touch-none overflow-hidden active:cursor-grabbing"
      style={{ width, height, perspective: 1600 }}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={() => (grab.current = null)}
      onPointerCancel={() => (grab.current = null)}
      onKeyDown={keys}
    >
      <div className="absolute top-1/2 left-1/2" style={scene}>
        {sides.map(side => (
          <FaceCanvas
            key={side.key}
            program={program}
            view={side.view}
            {...{ hexes, names, plan }}
            label={t('Side: {key}', { key: side.key })}
            className="absolute max-w-none"
            style={{
              width: side.width,
              height: side.height,
              left: -side.width / 2,
              top: -side.height / 2,
              transform: side.transform,
              filter: `brightness(${side.light})`,
              backfaceVisibility: 'hidden',
            }}
          />
        ))}
      </div>
    </div>
  )
}
