import { coarseView, patternWords, pictureWords, renderRows, seenBy, together } from '@ostler/core'
import type { Picture, Plan, Program, View, Words } from '@ostler/core'
import { useEffect, useId, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { useColourView } from '../plan/colour-view.ts'
import { drawFace } from '../workers/faces.ts'
import { painted } from './paint.ts'
import { paintToppings } from './toppings-canvas.ts'
import { Say } from '../ui/say.tsx'
import { useNear } from '../ui/use-near.ts'

interface Props {
  program: Program
  view: View
  hexes: readonly string[]
  /** Of the colours, in the same order: what is shown is told in words too. */
  names: readonly Words[]
  /** Whose moves are named in those words. */
  drawnWith?: Pick<Plan, 'moves'>
  label: string
  /** Drawn once more, finely, when it has come to rest. */
  refines?: boolean
  /** On a view of the top: whose toppings are strewn over it. */
  plan?: Plan
  /** One of many: not drawn before it comes near the screen. Nothing that is printed. */
  lazily?: boolean
  /** Shown until the first picture is there. */
  before?: string
  className?: string
  style?: React.CSSProperties
}

/** Rest after the last change before a face is drawn finely, ms. */
const REST_MS = 300

/** Draws the newest view that was asked for, once it is `wished` for; while one is being drawn, those in between are passed over. */
function usePicture(
  program: Program,
  view: View,
  { refines, wished }: { refines: boolean; wished: boolean },
): { picture: Picture | null; isFine: boolean } {
  const [shown, setShown] = useState<{ picture: Picture | null; isFine: boolean }>({ picture: null, isFine: false })
  const wanted = useRef<{ program: Program; view: View } | null>(null)
  const busy = useRef(false)
  const fine = useRef<{ program: Program; key: string } | null>(null)
  const key = JSON.stringify(view)
  useEffect(() => {
    if (!wished) return
    wanted.current = { program, view: JSON.parse(key) as View }
    const next = async (): Promise<void> => {
      busy.current = true
      while (wanted.current) {
        const { program: of, view: at } = wanted.current
        wanted.current = null
        const picture = await drawFace(of, at)
        // The fine one may have come first.
        const isLate = fine.current?.program === of && fine.current.key === JSON.stringify(at)
        if (!isLate) setShown({ picture, isFine: !refines })
      }
      busy.current = false
    }
    if (!busy.current) void next()
    if (!refines) return
    const stop = new AbortController()
    const timer = setTimeout(() => {
      drawFace(program, JSON.parse(key) as View, { fineness: 'final', signal: stop.signal }).then(
        picture => {
          if (stop.signal.aborted) return
          fine.current = { program, key }
          setShown({ picture, isFine: true })
        },
        () => undefined,
      )
    }, REST_MS)
    return () => {
      clearTimeout(timer)
      stop.abort()
    }
  }, [program, key, refines, wished])
  return shown
}

/** Points across a face that is shown at once, before the workers have drawn it. */
const COARSE_PX = 36

/** Paints a view coarsely over the whole canvas: a mould is never shown empty. */
function paintCoarsely(context: CanvasRenderingContext2D, program: Program, view: View, hexes: readonly string[]) {
  const coarse = coarseView(view, COARSE_PX)
  const small = document.createElement('canvas')
  small.width = coarse.width
  small.height = coarse.height
  small.getContext('2d')?.putImageData(painted(renderRows(program, coarse, 0, coarse.height), hexes), 0, 0)
  context.canvas.width = view.width
  context.canvas.height = view.height
  context.drawImage(small, 0, 0, view.width, view.height)
}

/** One view of a design in its forecast colours. */
export function FaceCanvas({
  program,
  view,
  hexes,
  names,
  drawnWith,
  label,
  plan,
  before,
  refines = true,
  lazily = false,
  className = '',
  style,
}: Props) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const near = useNear(canvas, lazily)
  const { picture, isFine } = usePicture(program, view, { refines, wished: near })
  const { sight } = useColourView()
  const colours = hexes.join()
  const key = JSON.stringify(view)
  const strewn = view.isTop && plan && plan.finish.toppings.length > 0 ? plan : null
  useLayoutEffect(() => {
    const context = picture || !near ? null : canvas.current?.getContext('2d')
    if (context) paintCoarsely(context, program, JSON.parse(key) as View, colours.split(','))
  }, [picture, colours, program, key, near])
  useEffect(() => {
    const context = canvas.current?.getContext('2d')
    if (!context || !picture) return
    context.canvas.width = picture.width
    context.canvas.height = picture.height
    context.putImageData(painted(picture, colours.split(',')), 0, 0)
    if (strewn) paintToppings(context, strewn, program, JSON.parse(key) as View, hex => seenBy(hex, sight))
  }, [picture, colours, strewn, program, sight, key])
  const id = useId()
  const isLevel = view.downZ === 0
  const told = JSON.stringify(names)
  // While it is still being changed there is nothing to be read yet.
  const words = useMemo(
    () => (picture && isFine ? pictureWords(picture, JSON.parse(told) as Words[], isLevel) : ''),
    [picture, isFine, told, isLevel],
  )
  return (
    <>
      <canvas
        ref={canvas}
        role="img"
        aria-label={label}
        aria-describedby={id}
        data-drawn={picture ? 'yes' : 'no'}
        data-fine={isFine ? 'yes' : 'no'}
        className={className}
        style={before && !picture ? { ...style, background: before } : style}
      />
      <span id={id} hidden>
        <Say of={together([words, drawnWith ? patternWords(drawnWith) : ''])} />
      </span>
    </>
  )
}
