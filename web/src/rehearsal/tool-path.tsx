import { MAX_PATH } from '@ostler/core'
import type { PathPoint } from '@ostler/core'
import { useRef, useState } from 'react'
import type { PointerEvent } from 'react'
import { useFollowed } from '../run/context.tsx'
import { useRehearsal, useRehearsalState } from './context.tsx'
import { t } from '../words/index.ts'

const WIDTH = 640
/** Points nearer than this are one. */
const NEAR = 0.02

const clamped = (x: number) => Math.min(1, Math.max(0, x))

/** Thinned out evenly to what a path may have. */
const thinned = (points: readonly PathPoint[]): PathPoint[] =>
  points.length <= MAX_PATH
    ? [...points]
    : Array.from({ length: MAX_PATH }, (_, n) => points[Math.round((n * (points.length - 1)) / (MAX_PATH - 1))]!)

/** The mould from above: the tool goes where the pointer draws it. */
export function ToolPath({ move, seconds }: { move: string; seconds: number }) {
  const rehearsal = useRehearsal()
  const more = useRehearsalState()
  const { plan } = useFollowed()
  const [points, setPoints] = useState<readonly PathPoint[]>([])
  const isDrawing = useRef(false)
  if (!rehearsal || more?.busy) return null
  const { lengthMm, widthMm } = sizeOf(plan.mould)
  const height = Math.max(90, Math.round((WIDTH * widthMm) / lengthMm))
  const at = (event: PointerEvent<SVGSVGElement>): PathPoint => {
    const box = event.currentTarget.getBoundingClientRect()
    return { x: clamped((event.clientX - box.left) / box.width), y: clamped((event.clientY - box.top) / box.height) }
  }
  const add = (point: PathPoint) =>
    setPoints(before => {
      const last = before.at(-1)
      return last && Math.hypot(point.x - last.x, point.y - last.y) < NEAR ? before : [...before, point]
    })
  const path = points.map(({ x, y }, n) => `${n === 0 ? 'M' : 'L'}${x * WIDTH} ${y * height}`).join('')
  return (
    <div className="mt-3">
      <p className="text-lg">{t('Draw it through the mould, seen from above; or take it as it was planned.')}</p>
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        role="img"
        aria-label={t('The mould from above, to draw the tool through')}
        className="mt-2 w-full max-w-180 touch-none border-2 border-ink bg-booth"
        onPointerDown={event => {
          event.currentTarget.setPointerCapture(event.pointerId)
          isDrawing.current = true
          setPoints([])
          add(at(event))
        }}
        onPointerMove={event => isDrawing.current && add(at(event))}
        onPointerUp={() => (isDrawing.current = false)}
      >
        <path d={path} fill="none" stroke="var(--ink)" strokeWidth={4} strokeLinecap="round" strokeLinejoin="round" />
      </svg>
      <button
        className="button button-main mt-2 min-h-16 px-6 text-xl"
        disabled={points.length < 2}
        onClick={() => rehearsal.stroke({ move, path: thinned(points) }, seconds)}
      >
        {t('So it was drawn')}
      </button>
    </div>
  )
}

const sizeOf = ({ innerLengthMm, innerWidthMm }: { innerLengthMm: number; innerWidthMm: number }) => ({
  lengthMm: innerLengthMm,
  widthMm: innerWidthMm,
})
