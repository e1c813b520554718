import { MAX_PATH, levelView } from '@ostler/core'
import type { Move } from '@ostler/core'
import { useRef, useState } from 'react'
import type { PointerEvent } from 'react'
import { FaceCanvas } from '../../drawing/face-canvas.tsx'
import { useDesign, useDesignHexes, useDesignNames } from '../../drawing/use-design.ts'
import { t } from '../../words/index.ts'

interface Props {
  points: Move['path']
  onPoints: (points: Move['path']) => void
}

/** Points closer than this share of the picture are one. */
const APART = 0.025

/** The mould from above: a stick's path is drawn in it by hand. */
export function PathPad({ points, onPoints }: Props) {
  const design = useDesign()
  const hexes = useDesignHexes(design)
  const names = useDesignNames(design)
  const { program } = design
  const view = levelView(program, 1, 268)
  const [drawing, setDrawing] = useState<Move['path'] | null>(null)
  const last = useRef<Move['path']>([])
  const place = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    const held = (value: number) => Number(Math.min(1, Math.max(0, value)).toFixed(3))
    return { x: held((event.clientX - box.left) / box.width), y: held(1 - (event.clientY - box.top) / box.height) }
  }
  const start = (event: PointerEvent<HTMLElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId)
    last.current = [place(event)]
    setDrawing(last.current)
  }
  const go = (event: PointerEvent<HTMLElement>) => {
    if (!drawing || last.current.length >= MAX_PATH) return
    const at = place(event)
    const before = last.current.at(-1)!
    if (Math.hypot(at.x - before.x, at.y - before.y) < APART) return
    last.current = [...last.current, at]
    setDrawing(last.current)
  }
  const end = () => {
    if (last.current.length > 1) onPoints(last.current)
    setDrawing(null)
  }
  const shown = drawing ?? points
  return (
    <div>
      <div
        role="application"
        aria-label={t('The mould from above: draw the path of the tool')}
        className="relative touch-none"
        onPointerDown={start}
        onPointerMove={go}
        onPointerUp={end}
      >
        <FaceCanvas {...{ program, view, hexes, names }} label={t('The mould from above')} className="block w-full" />
        <svg viewBox="0 0 1 1" preserveAspectRatio="none" className="pointer-events-none absolute inset-0 size-full">
          <polyline
            points={shown.map(point => `${point.x},${1 - point.y}`).join(' ')}
            fill="none"
            stroke="#fff"
            strokeWidth={4}
            vectorEffect="non-scaling-stroke"
          />
          <polyline
            points={shown.map(point => `${point.x},${1 - point.y}`).join(' ')}
            fill="none"
            stroke="#000"
            strokeWidth={1.6}
            vectorEffect="non-scaling-stroke"
          />
        </svg>
      </div>
      <p className="mt-1 text-[13px] text-soft">
        {points.length > 1 ? t('Draw again to replace it.') : t('Press and draw the path in the picture.')}{' '}
        {points.length > 0 && (
          <button className="underline" onClick={() => onPoints([])}>
            {t('clear')}
          </button>
        )}
      </p>
    </div>
  )
}
