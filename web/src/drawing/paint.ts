import { paintedPixels } from '@ostler/core'
import type { Picture } from '@ostler/core'

/** Colours a picture for a canvas. */
export const painted = (picture: Picture, hexes: readonly string[]): ImageData =>
  new ImageData(paintedPixels(picture, hexes), picture.width, picture.height)
