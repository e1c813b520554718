import { expose } from 'comlink'

/** Longest side of the two sizes that are kept, pixels; and how finely each is written. */
const SIZES = { small: 480, large: 2000 } as const
const QUALITY = { small: 0.8, large: 0.86 } as const

export interface PhotoSizes {
  small: Blob
  large: Blob
  width: number
  height: number
}

async function sized(
  picture: ImageBitmap,
  size: keyof typeof SIZES,
): Promise<{ blob: Blob; width: number; height: number }> {
  const scale = Math.min(1, SIZES[size] / Math.max(picture.width, picture.height))
  const [width, height] = [picture.width, picture.height].map(px => Math.max(1, Math.round(px * scale))) as [
    number,
    number,
  ]
  const canvas = new OffscreenCanvas(width, height)
  const context = canvas.getContext('2d')
  if (!context) throw new Error('no canvas')
  context.imageSmoothingQuality = 'high'
  // What is see-through in a drawing is white paper in a photograph.
  context.fillStyle = '#fff'
  context.fillRect(0, 0, width, height)
  context.drawImage(picture, 0, 0, width, height)
  return { blob: await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY[size] }), width, height }
}

/** A photograph written anew in two sizes, upright, with nothing else in it; null: it is no picture that can be read. */
async function photoSizes(file: Blob): Promise<PhotoSizes | null> {
  let picture: ImageBitmap
  try {
    picture = await createImageBitmap(file, { imageOrientation: 'from-image' })
  } catch {
    return null
  }
  const [small, large] = [await sized(picture, 'small'), await sized(picture, 'large')]
  picture.close()
  return { small: small.blob, large: large.blob, width: large.width, height: large.height }
}

const worker = { photoSizes }
export type PhotoWorker = typeof worker
expose(worker)
