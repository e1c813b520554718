import { showLength } from '@ostler/core'
import type { Layer } from '@ostler/core'
import { useRef } from 'react'
import type { KeyboardEvent, PointerEvent } from 'react'
import { useBatch, useHabits, usePlan } from '../../plan/context.tsx'
import { useCupHex } from '../../plan/colour-view.ts'
import { inkOn } from '../../ui/swatch.tsx'
import type { Place } from './face-places.ts'
import { t } from '../../words/index.ts'

/** Level layers as plain bands, and the grips between them. */

/** Room that one letter of a layer's name takes, px. */
const LETTER_PX = 8
const KEY_STEP_MM = 0.5

interface RectProps {
  layer: Layer
  index: number
  place: Place
  chosen: boolean
  onChoose: (pour: string | null) => void
}

export function LayerRect({ layer, index, place, chosen, onChoose }: RectProps) {
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
      className="pointer-events-auto cursor-pointer"
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
export function Boundary({ index, layers, place }: { index: number; layers: readonly Layer[]; place: Place }) {
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
    grab.current = {
      y: event.clientY,
      mm: below.toMm,
      key: `drag ${index} ${event.timeStamp}`,
    }
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
      aria-label={t('Boundary between {below} and {above}', { below: name(below), above: name(above) })}
      aria-valuemin={below.fromMm}
      aria-valuemax={above.toMm}
      aria-valuenow={Number(below.toMm.toFixed(1))}
      aria-valuetext={showLength(below.toMm, habits)}
      onPointerDown={down}
      onPointerMove={drag}
      onPointerUp={end}
      onPointerCancel={end}
      onKeyDown={keys}
      className="group absolute h-6 touch-none cursor-ns-resize"
      style={{ left: place.left, top: y - 12, width: place.width + 98 }}
    >
      <span className="absolute inset-x-0 right-[84px] left-0 top-[11px] h-0.5 bg-transparent group-hover:bg-ink/60 group-focus-visible:bg-ink" />
      <span className="absolute top-0.5 right-0 flex h-5 w-[88px] items-center gap-1 text-[13px] whitespace-nowrap">
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
