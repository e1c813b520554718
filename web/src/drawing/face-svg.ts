import { OUTSIDE } from '@ostler/core'
import type { Picture } from '@ostler/core'
import { contours } from 'd3-contour'

/** A colour's share at every pixel. */
function sharesOf(picture: Picture, colour: number): number[] {
  const { first, second, share } = picture
  return Array.from(first, (one, n) => {
    if (one === OUTSIDE) return 0
    if (one === colour) return share[n]! / 255
    return second[n] === colour ? 1 - share[n]! / 255 : 0
  })
}

const tidy = (value: number): string => String(Number(value.toFixed(2)))

/**
 * A face as a drawing of filled outlines, one for each colour, in mm. Outlines run where a colour has half a share; a thin
 * line of its own colour closes the gaps where three meet.
 */
export function faceSvg(picture: Picture, hexes: readonly string[], widthMm: number, title: string): string {
  const { width, height } = picture
  const scale = widthMm / width
  const heightMm = height * scale
  const used = [...new Set(picture.first)].filter(colour => colour !== OUTSIDE)
  const outline = contours().size([width, height]).smooth(true)
  const paths = used.map(colour => {
    const { coordinates } = outline.contour(sharesOf(picture, colour), 0.5)
    const d = coordinates
      .flat()
      .map(ring => `M${ring.map(point => `${tidy(point[0]! * scale)} ${tidy(point[1]! * scale)}`).join('L')}Z`)
      .join('')
    const hex = hexes[colour] ?? '#888888'
    return `<path d="${d}" fill="${hex}" stroke="${hex}" stroke-width="0.12" fill-rule="evenodd"/>`
  })
  const name = title.replace(/[&<>]/g, ' ')
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${tidy(widthMm)}mm" height="${tidy(heightMm)}mm" viewBox="0 0 ${tidy(widthMm)} ${tidy(heightMm)}"><title>${name}</title>${paths.join('')}</svg>\n`
}
