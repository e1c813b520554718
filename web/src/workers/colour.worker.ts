import { mainColours, portionsOf, reachWish, fact } from '@ostler/core'
import type { Plan, Shelf, WishAnswer, Words } from '@ostler/core'
import { expose } from 'comlink'

/** Longest side of the picture that colours are counted in, px. */
const SIDE_PX = 360
const MOST_PIXELS = 50_000_000

export type PictureColours = { ok: true; colours: { hex: string; share: number }[] } | { ok: false; sentence: Words }

/** The main colours of a picture, counted in a small copy of it. */
async function coloursOfPicture(file: Blob, most: number): Promise<PictureColours> {
  let picture: ImageBitmap
  try {
    picture = await createImageBitmap(file)
  } catch {
    return { ok: false, sentence: fact('This file is no picture that can be read here. A JPEG, PNG or WebP is.') }
  }
  const count = picture.width * picture.height
  if (count > MOST_PIXELS) {
    picture.close()
    const sentence = fact('This picture has {megapixels} megapixels; up to {most} can be read. Save it smaller.', {
      megapixels: Math.round(count / 1e6),
      most: MOST_PIXELS / 1e6,
    })
    return { ok: false, sentence }
  }
  const factor = Math.min(1, SIDE_PX / Math.max(picture.width, picture.height))
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(picture.width * factor)),
    Math.max(1, Math.round(picture.height * factor)),
  )
  const context = canvas.getContext('2d')!
  context.drawImage(picture, 0, 0, canvas.width, canvas.height)
  picture.close()
  const colours = mainColours(context.getImageData(0, 0, canvas.width, canvas.height).data, most)
  return colours.length > 0
    ? { ok: true, colours }
    : { ok: false, sentence: fact('This picture is see-through all over.') }
}

interface Asked {
  plan: Plan
  shelf: Shelf
  cupIndex: number
  hex: string
  colorants: readonly string[]
}

/** Doses for a wished colour; the second time with a look at everything else on the shelf. */
const wishFor = ({ plan, shelf, cupIndex, hex, colorants }: Asked, looksFurther: boolean): WishAnswer | null =>
  reachWish(plan, portionsOf(plan, shelf), shelf, cupIndex, hex, colorants, looksFurther)

const doorway = { coloursOfPicture, wishFor }
export type ColourWorker = typeof doorway

expose(doorway)
