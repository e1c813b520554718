import type { Picture, Plan, Program, View } from '@ostler/core'
import { Download } from 'lucide-react'
import { useRef, useState } from 'react'
import { saveFile } from '../../ui/save-file.ts'
import { useToast } from '../../ui/toast.tsx'
import { drawFace } from '../../workers/faces.ts'
import { painted } from '../../drawing/paint.ts'
import { paintToppings } from '../../drawing/toppings-canvas.ts'
import { t } from '../../words/index.ts'

const PNG_PX = 1600
const SVG_PX = 640

interface Props {
  program: Program
  plan: Plan
  hexes: readonly string[]
  /** The view at a width in pixels. */
  viewAt: (width: number) => View
  widthMm: number
  /** Of the file, e.g. "heron-reach-top". */
  name: string
}

export const fileName = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'design'

/** Saves a view as a picture of pixels or of outlines; shows how far it is, and can be stopped. */
export function SavePicture({ program, plan, hexes, viewAt, widthMm, name }: Props) {
  const toast = useToast()
  const [share, setShare] = useState<number | null>(null)
  const stop = useRef<AbortController | null>(null)
  const draw = async (px: number, done: (picture: Picture, view: View) => void | Promise<void>) => {
    stop.current = new AbortController()
    setShare(0)
    try {
      const view = viewAt(px)
      await done(
        await drawFace(program, view, { fineness: 'final', onTold: setShare, signal: stop.current.signal }),
        view,
      )
    } catch (error) {
      if (!stop.current.signal.aborted) toast((error as Error).message)
    } finally {
      setShare(null)
    }
  }
  const png = () =>
    draw(PNG_PX, (picture, view) => {
      const canvas = document.createElement('canvas')
      canvas.width = picture.width
      canvas.height = picture.height
      const context = canvas.getContext('2d')!
      context.putImageData(painted(picture, hexes), 0, 0)
      if (view.isTop) paintToppings(context, plan, program, view, hex => hex)
      const link = document.createElement('a')
      link.href = canvas.toDataURL('image/png')
      link.download = `${fileName(name)}.png`
      link.click()
    })
  const svg = () =>
    draw(SVG_PX, async picture => {
      // What draws outlines comes with the charts: nobody waits for it to see a face.
      const { faceSvg } = await import('../../drawing/face-svg.ts')
      saveFile(`${fileName(name)}.svg`, faceSvg(picture, hexes, widthMm, name), 'image/svg+xml')
    })
  if (share !== null)
    return (
      <span className="flex items-center gap-2 text-[14px]">
        <progress value={share} className="w-24" aria-label={t('Drawing')} />
        <button className="quiet" onClick={() => stop.current?.abort()}>
          {t('stop')}
        </button>
      </span>
    )
  return (
    <span className="flex gap-1 print:hidden">
      <button className="quiet" onClick={() => void png()}>
        <Download size={15} aria-hidden /> {t('PNG')}
      </button>
      <button className="quiet" onClick={() => void svg()}>
        <Download size={15} aria-hidden /> {t('SVG')}
      </button>
    </span>
  )
}
