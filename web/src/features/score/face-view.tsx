import { MM_PER_INCH, acrossView, hasSwirls, showLength } from '@ostler/core'
import type { Layer } from '@ostler/core'
import { useRef, useState } from 'react'
import { Link } from 'react-router'
import type { KeyboardEvent, PointerEvent } from 'react'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { useCupHex } from '../../plan/colour-view.ts'
import { inkOn } from '../../ui/swatch.tsx'
import { Slider } from '../../ui/slider.tsx'
import { FaceCanvas } from '../faces/face-canvas.tsx'
import { useDesign, useDesignHexes } from '../faces/use-design.ts'
import { StageSwitch } from '../colour/stage-switch.tsx'
import { useSize } from '../../ui/use-size.ts'

const PAD = { left: 46, right: 104, bottom: 34 }
/** Room for the switches above the mould: with a cut to scrub there are two rows. */
const TOP = { plain: 50, swirled: 92 }
const WALL_PX = 5
/** Room that one letter of a layer's name takes, px. */
const LETTER_PX = 8
const KEY_STEP_MM = 0.5

interface Props {
  chosen: string | null
  onChoose: (pour: string | null) => void
}

/** The cross-section to scale, with a handle on every boundary between layers. */
export function FaceView({ chosen, onChoose }: Props) {
  const [ref, size] = useSize<HTMLDivElement>()
  const mould = usePlan(state => state.plan.mould)
  const forecast = useForecast()
  const isSwirled = usePlan(({ plan }) => hasSwirls(plan))
  const top = isSwirled ? TOP.swirled : TOP.plain
  const { innerWidthMm: width, innerHeightMm: height } = mould
  const scale = Math.max(
    0.2,
    Math.min((size.width - PAD.left - PAD.right) / width, (size.height - top - PAD.bottom) / height),
  )
  const left = PAD.left + Math.max(0, (size.width - PAD.left - PAD.right - width * scale) / 2)
  const floor = top + height * scale
  const place: Place = { left, floor, scale, width: width * scale }
  const layers = forecast?.portions.layers ?? []
  const [cutAt, setCutAt] = useState(0.5)
  const swirlPlace = {
    left,
    top: floor - mould.fillMm * scale,
    width: width * scale,
    height: mould.fillMm * scale,
  }

  return (
    <section aria-label="Face of a bar" className="relative min-h-80 bg-booth min-[901px]:min-h-0">
      <div ref={ref} className="absolute inset-0">
        <div className="absolute top-1.5 right-2 left-3 z-10">
          <StageSwitch />
          {isSwirled && <CutSlider at={cutAt} lengthMm={mould.innerLengthMm} onAt={setCutAt} />}
        </div>
        {isSwirled && size.width > 0 && <SwirledFace at={cutAt} place={swirlPlace} />}
        <svg
          className="relative"
          width={size.width}
          height={size.height}
          role="group"
          aria-label="Cross-section of the mould"
        >
          <Ruler place={place} heightMm={height} />
          {!isSwirled &&
            layers.map((layer, i) => (
              <LayerRect
                key={layer.pour}
                layer={layer}
                index={i}
                place={place}
                chosen={chosen === layer.pour}
                onChoose={onChoose}
              />
            ))}
          <path
            d={`M${left - WALL_PX} ${top}V${floor + WALL_PX}H${left + place.width + WALL_PX}V${top}`}
            fill="none"
            stroke="var(--soft)"
            strokeWidth={WALL_PX}
          />
          <MouldWords place={place} />
        </svg>
        {!isSwirled &&
          layers.slice(0, -1).map((layer, i) => <Boundary key={layer.pour} index={i} layers={layers} place={place} />)}
      </div>
    </section>
  )
}

/** Where the face is cut: scrubbed along the loaf. */
function CutSlider({ at, lengthMm, onAt }: { at: number; lengthMm: number; onAt: (at: number) => void }) {
  const habits = useHabits()
  return (
    <div className="mt-1 flex max-w-110 items-center gap-3 text-[14px]">
      <span className="w-32 shrink-0">cut at {showLength(Math.round(at * lengthMm), habits)}</span>
      <Slider label="Where the loaf is cut" value={at * 100} most={100} step={1} onValue={value => onAt(value / 100)} />
      <Link to="../bars" className="shrink-0 underline">
        all bars
      </Link>
    </div>
  )
}

interface FacePlace {
  left: number
  top: number
  width: number
  height: number
}

const MOST_FACE_PX = 480

function SwirledFace({ at, place }: { at: number; place: FacePlace }) {
  const design = useDesign()
  const hexes = useDesignHexes(design)
  const view = acrossView(
    design.program,
    Math.min(0.999, Math.max(0.001, at)),
    Math.min(MOST_FACE_PX, Math.round(place.width)),
  )
  return (
    <FaceCanvas
      program={design.program}
      view={view}
      hexes={hexes}
      label="Face of the bar at the cut"
      className="pointer-events-none absolute"
      style={place}
    />
  )
}

interface Place {
  left: number
  floor: number
  scale: number
  width: number
}

/** Ticks in the workshop's own unit: every 10 mm, or every half inch. */
function Ruler({ place, heightMm }: { place: Place; heightMm: number }) {
  const habits = useHabits()
  const unit = habits.length === 'mm' ? { stepMm: 10, shown: 10 } : { stepMm: MM_PER_INCH / 2, shown: 0.5 }
  const every = heightMm * place.scale < 120 ? 2 : 1
  const ticks = Array.from({ length: Math.floor(heightMm / (unit.stepMm * every)) + 1 }, (_, i) => i * every)
  return (
    <g aria-hidden className="fill-soft text-[12px]">
      {ticks.map(tick => {
        const y = place.floor - tick * unit.stepMm * place.scale
        return (
          <g key={tick}>
            <line x1={place.left - 16} x2={place.left - 9} y1={y} y2={y} stroke="var(--soft)" />
            <text x={place.left - 20} y={y + 4} textAnchor="end">
              {tick * unit.shown}
            </text>
          </g>
        )
      })}
    </g>
  )
}

function MouldWords({ place }: { place: Place }) {
  const mould = usePlan(state => state.plan.mould)
  const habits = useHabits()
  const top = place.floor - mould.fillMm * place.scale
  return (
    <g className="fill-soft text-[13px]">
      <text x={place.left + place.width / 2} y={place.floor + 25} textAnchor="middle">
        {place.width > 300 && `${mould.name} · `}
        {showLength(mould.innerWidthMm, habits)} wide · soap {showLength(mould.fillMm, habits)} high
      </text>
      <line x1={place.left} x2={place.left + place.width} y1={top} y2={top} stroke="var(--ink)" strokeDasharray="2 3" />
    </g>
  )
}

interface RectProps {
  layer: Layer
  index: number
  place: Place
  chosen: boolean
  onChoose: (pour: string | null) => void
}

function LayerRect({ layer, index, place, chosen, onChoose }: RectProps) {
  const cup = usePlan(state => state.plan.cups.find(one => one.id === layer.cup))
  const hexOf = useCupHex()
  const habits = useHabits()
  const y = place.floor - layer.toMm * place.scale
  const h = layer.heightMm * place.scale
  const hex = hexOf(layer.cup)
  const name = cup?.name ?? layer.cup
  const letters = Math.max(2, Math.floor((place.width - 20) / LETTER_PX))
  return (
    <g
      onClick={() => onChoose(chosen ? null : layer.pour)}
      className="cursor-pointer"
      data-testid={`layer-${index + 1}`}
    >
      <rect x={place.left} y={y} width={place.width} height={h + 0.4} fill={hex} />
      {h > 15 && (
        <text x={place.left + 12} y={y + h / 2 + 5} fill={inkOn(hex)} className="text-[14px]">
          <tspan fontWeight={600}>{name.length > letters ? `${name.slice(0, letters - 1)}…` : name}</tspan>
          {name.length + 9 < letters && <tspan dx={8}>{showLength(layer.heightMm, habits)}</tspan>}
        </text>
      )}
      {chosen && (
        <rect
          x={place.left + 2}
          y={y + 2}
          width={place.width - 4}
          height={Math.max(0, h - 4)}
          fill="none"
          stroke={inkOn(hex)}
          strokeWidth={2}
        />
      )}
    </g>
  )
}

/** A grip beside the face: drag it, or move it with the arrow keys. */
function Boundary({ index, layers, place }: { index: number; layers: readonly Layer[]; place: Place }) {
  const batch = useBatch()
  const habits = useHabits()
  const plan = usePlan(state => state.plan)
  const grab = useRef<{ y: number; mm: number; key: string } | null>(null)
  const below = layers[index]!
  const above = layers[index + 1]!
  const name = (layer: Layer) => plan.cups.find(cup => cup.id === layer.cup)?.name
  const y = place.floor - below.toMm * place.scale

  const move = (atMm: number, key: string) => batch.edit({ kind: 'move-boundary', below: index, atMm }, key)
  const down = (event: PointerEvent<HTMLElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId)
    grab.current = { y: event.clientY, mm: below.toMm, key: `drag ${index} ${event.timeStamp}` }
  }
  const drag = (event: PointerEvent<HTMLElement>) => {
    const from = grab.current
    if (!from) return
    const mm = from.mm + (from.y - event.clientY) / place.scale
    move(Math.round(mm / KEY_STEP_MM) * KEY_STEP_MM, from.key)
  }
  const keys = (event: KeyboardEvent) => {
    const sign = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key]
    if (!sign) return
    event.preventDefault()
    move(below.toMm + sign * KEY_STEP_MM * (event.shiftKey ? 10 : 1), `keys ${index}`)
  }
  const end = () => (grab.current = null)

  return (
    <button
      role="slider"
      aria-orientation="vertical"
      aria-label={`Boundary between ${name(below)} and ${name(above)}`}
      aria-valuemin={below.fromMm}
      aria-valuemax={above.toMm}
      aria-valuenow={Number(below.toMm.toFixed(1))}
      aria-valuetext={showLength(below.toMm, habits)}
      onPointerDown={down}
      onPointerMove={drag}
      onPointerUp={end}
      onPointerCancel={end}
      onKeyDown={keys}
      className="group absolute h-5 touch-none cursor-ns-resize"
      style={{ left: place.left, top: y - 10, width: place.width + 98 }}
    >
      <span className="absolute inset-x-0 right-[84px] left-0 top-[9px] h-0.5 bg-transparent group-hover:bg-ink/60 group-focus-visible:bg-ink" />
      <span className="absolute top-0 right-0 flex h-5 w-[88px] items-center gap-1 text-[13px] whitespace-nowrap">
        <span
          aria-hidden
          className="grid h-5 w-5 shrink-0 place-items-center rounded-full border border-ink bg-paper leading-none group-active:bg-ink group-active:text-paper"
        >
          ↕
        </span>
        {showLength(below.toMm, habits)}
      </span>
    </button>
  )
}
