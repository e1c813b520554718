import { correctedColour, patchOf } from '@ostler/core'
import { useEffect, useRef, useState } from 'react'
import type { KeyboardEvent, PointerEvent, ReactNode } from 'react'
import { Choice } from '../ui/choice.tsx'
import { Segments } from '../ui/segments.tsx'
import { t } from '../words/index.ts'

export type ReadColour = ReturnType<typeof correctedColour>

type Mark = 'swatch' | 'control'
interface Place {
  x: number
  y: number
}

const LONGEST_PX = 1000
/** A patch is so much of the shorter side. */
const PATCH = 0.09
const THUMB_PX = 72

/** sRGB of cards that reflect 18 and 90 %. */
const GREY_CARD = '#767676'
const WHITE_CARD = '#f3f3f3'

const CONTROLS = {
  plain: t('plain soap of this batch'),
  grey: t('an 18 % grey card'),
  white: t('a white card'),
} as const
type Control = keyof typeof CONTROLS

interface Props {
  picture: ImageBitmap
  /** Colour of the plain soap of the same batch at that age. */
  plainHex: string
  /** What is made of the colour that is read; `thumbnail` gives a small picture of it. */
  children: (result: ReadColour, thumbnail: () => string) => ReactNode
}

/** Reads a colour off a photograph, corrected by a patch of known colour in the same picture. */
export function ColourSampler({ picture, plainHex, children }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const [mark, setMark] = useState<Mark>('swatch')
  const [places, setPlaces] = useState<Record<Mark, Place>>({
    swatch: { x: 0.35, y: 0.5 },
    control: { x: 0.75, y: 0.5 },
  })
  const [control, setControl] = useState<Control>('plain')
  const [result, setResult] = useState<ReadColour | null>(null)
  const factor = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height))
  const width = Math.round(picture.width * factor)
  const height = Math.round(picture.height * factor)
  const side = Math.max(12, Math.round(Math.min(width, height) * PATCH))

  useEffect(() => {
    const context = canvas.current?.getContext('2d', { willReadFrequently: true })
    if (!context) return
    context.drawImage(picture, 0, 0, width, height)
    const known = { plain: plainHex, grey: GREY_CARD, white: WHITE_CARD }[control]
    const read = (place: Place) => {
      const x = Math.min(width - side, Math.max(0, Math.round(place.x * width - side / 2)))
      const y = Math.min(height - side, Math.max(0, Math.round(place.y * height - side / 2)))
      return patchOf(context.getImageData(x, y, Math.min(side, width), Math.min(side, height)).data)
    }
    setResult(correctedColour(read(places.swatch), read(places.control), known))
  }, [picture, width, height, side, places, control, plainHex])

  const put = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    const place = { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height }
    setPlaces({ ...places, [mark]: place })
  }
  const keys = (event: KeyboardEvent<HTMLElement>) => {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
    if (!step) return
    event.preventDefault()
    const held = (value: number) => Math.min(1, Math.max(0, value))
    const { x, y } = places[mark]
    setPlaces({ ...places, [mark]: { x: held(x + step[0]! * 0.01), y: held(y + step[1]! * 0.01) } })
  }
  return (
    <div>
      <div className="mb-2 flex flex-wrap items-end gap-3">
        <Segments<Mark>
          label={t('A press on the picture marks')}
          value={mark}
          options={[
            { value: 'swatch', text: t('mark the colour') },
            { value: 'control', text: t('mark the control') },
          ]}
          onValue={setMark}
        />
        <Choice<Control>
          bare
          label={t('The control is')}
          value={control}
          options={(Object.entries(CONTROLS) as [Control, string][]).map(([value, text]) => ({ value, text }))}
          onValue={setControl}
        />
      </div>
      <div
        className="relative cursor-crosshair touch-none"
        tabIndex={0}
        role="application"
        aria-label={t('Photograph: press, or use the arrow keys, to move the mark')}
        onPointerDown={put}
        onPointerMove={event => event.buttons > 0 && put(event)}
        onKeyDown={keys}
      >
        <canvas ref={canvas} width={width} height={height} className="block w-full" />
        <Marks {...{ places, mark }} share={side / width} />
      </div>
      {result && children(result, () => thumbnail(picture, places.swatch, side / factor))}
    </div>
  )
}

interface MarksProps {
  places: Record<Mark, Place>
  mark: Mark
  /** Of the picture's width. */
  share: number
}

function Marks({ places, mark, share }: MarksProps) {
  return (
    <>
      {(['swatch', 'control'] as const).map(one => (
        <span
          key={one}
          aria-hidden
          className={`pointer-events-none absolute -translate-1/2 border-2 border-white text-[12px] outline outline-black ${mark === one ? 'border-4' : ''}`}
          style={{
            left: `${places[one].x * 100}%`,
            top: `${places[one].y * 100}%`,
            width: `${share * 100}%`,
            aspectRatio: 1,
          }}
        >
          <span className="absolute top-full bg-black px-1 text-white">
            {one === 'swatch' ? t('colour') : t('control')}
          </span>
        </span>
      ))}
    </>
  )
}

/** A small JPEG of what lies around the mark. */
function thumbnail(picture: ImageBitmap, place: Place, sidePx: number): string {
  const canvas = document.createElement('canvas')
  canvas.width = THUMB_PX
  canvas.height = THUMB_PX
  const span = sidePx * 2
  canvas
    .getContext('2d')!
    .drawImage(
      picture,
      place.x * picture.width - span / 2,
      place.y * picture.height - span / 2,
      span,
      span,
      0,
      0,
      THUMB_PX,
      THUMB_PX,
    )
  return canvas.toDataURL('image/jpeg', 0.7)
}
