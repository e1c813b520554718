import { embedAt, isUnderMat, reliefAt } from './overlay.ts'
import { isInside } from './chart.ts'
import type { Program } from './program.ts'
import { backtrace } from './backtrace.ts'
import type { View } from './views.ts'

/** For each pixel the two colours that are strongest and how much of 255 the first has; 255 in `first`: outside the soap. */
export interface Picture {
  width: number
  height: number
  first: Uint8Array
  second: Uint8Array
  share: Uint8Array
  /** How light falls on a top with a relief: 128 is level. Null: no relief. */
  light: Uint8Array | null
}

export const OUTSIDE = 255
const MOST_COLOURS = 64

const weights = new Float64Array(MOST_COLOURS)
const at = new Float64Array(3)

/** Slope on which light from one side falls fully. */
const FULL_SLOPE = 1.2

/** What is drawn, and where to: rows `from` and on of a view. */
interface Sheet {
  program: Program
  view: View
  from: number
  picture: Picture
  known: Uint8Array
}

function put({ picture }: Sheet, n: number, first: number, second: number, share: number): void {
  picture.first[n] = first
  picture.second[n] = second
  picture.share[n] = share
}

/** Colours one pixel that is not known yet, by tracing its middle. */
function ask(sheet: Sheet, i: number, row: number): void {
  const { program, view, picture, known } = sheet
  const n = row * view.width + i
  known[n] = 1
  const a = i + 0.5
  const b = sheet.from + row + 0.5
  const x = view.originX + a * view.rightX + b * view.downX
  const y = view.originY + a * view.rightY + b * view.downY
  const z = view.originZ + a * view.rightZ + b * view.downZ
  if (!isInside(program, x, y)) return put(sheet, n, OUTSIDE, 0, 255)
  if (program.floor && isUnderMat(program, x, y, z)) return put(sheet, n, OUTSIDE, 0, 255)
  if (program.tops.length > 0 && (view.isTop || z > program.heightMm)) {
    const relief = reliefAt(program, x, y, view.isTop ? Infinity : z - program.heightMm)
    if (picture.light) picture.light[n] = Math.round(128 + 127 * Math.max(-1, Math.min(1, relief.slope / FULL_SLOPE)))
    if (relief.colour >= 0) return put(sheet, n, relief.colour, 0, 255)
  }
  if (program.embeds.length > 0) {
    const colour = embedAt(program, x, y, view.isTop ? program.heightMm : z)
    if (colour >= 0) return put(sheet, n, colour, 0, 255)
  }
  if (z > program.heightMm) return put(sheet, n, OUTSIDE, 0, 255)
  at[0] = x
  at[1] = y
  at[2] = z
  weights.fill(0, 0, program.colours)
  backtrace(program, at, weights)
  strongest(sheet, n)
}

/** The two strongest of `weights`. */
function strongest(sheet: Sheet, n: number): void {
  let first = 0
  let second = 0
  for (let c = 1; c < sheet.program.colours; c += 1) {
    if (weights[c]! > weights[first]!) {
      second = first
      first = c
    } else if (second === first || weights[c]! > weights[second]!) second = c
  }
  const sum = weights[first]! + (second === first ? 0 : weights[second]!)
  put(sheet, n, first, second, sum > 0 ? Math.round((255 * weights[first]!) / sum) : 255)
}

/** Above this share of 255 a pixel counts as of one colour. */
const PURE = 250
/** Widest that the coarse lattice is, mm: what is thinner might slip through. */
const LATTICE_MM = { preview: 1.6, final: 0.9 }
const MOST_BLOCK = 16

/** The lattice in pixels, a power of two. */
function blockOf({ rightX, rightY, rightZ }: View, fineness: 'preview' | 'final'): number {
  const mm = Math.hypot(rightX, rightY, rightZ)
  return Math.max(2, Math.min(MOST_BLOCK, 2 ** Math.floor(Math.log2(LATTICE_MM[fineness] / mm))))
}

/** How far the middle of a block may be off what its corners say, of 255. */
const OFF = { preview: 18, final: 6 }
/** Blocks with more contrast than this are looked into, of 255. */
const STEEP = 110

/** Colour of a corner as a share of `one` against `other`, of 255; -1 when a third colour has a part in it. */
function shareOf(picture: Picture, n: number, one: number, other: number): number {
  const first = picture.first[n]!
  const share = picture.share[n]!
  if (first === one) return share >= PURE || picture.second[n] === other || other < 0 ? share : -1
  if (first === other) return share >= PURE || picture.second[n] === one ? 255 - share : -1
  return -1
}

/** The second colour at a corner beside `one`, joined to the one found so far: -1 none, -2 more than one. */
function joined(picture: Picture, n: number, one: number, other: number): number {
  const first = picture.first[n]!
  const named = first !== one ? first : picture.share[n]! < PURE ? picture.second[n]! : -1
  if (named < 0 || named === other) return other
  return other === -1 ? named : -2
}

/** Fills a block from its corners where they tell enough; otherwise looks into its quarters. */
function fill(sheet: Sheet, left: number, top: number, right: number, bottom: number, off: number): void {
  const { picture, known } = sheet
  const { width } = picture
  const topLeft = top * width + left
  const topRight = top * width + right
  const bottomLeft = bottom * width + left
  const bottomRight = bottom * width + right
  // Most corners are known from the blocks beside.
  if (!known[topLeft]) ask(sheet, left, top)
  if (!known[topRight]) ask(sheet, right, top)
  if (!known[bottomLeft]) ask(sheet, left, bottom)
  if (!known[bottomRight]) ask(sheet, right, bottom)
  if (right - left <= 1 && bottom - top <= 1) return
  // In a preview the last pixels between known ones are blended without being asked for.
  const isLast = off >= OFF.preview && right - left <= 2 && bottom - top <= 2
  const midX = (left + right) >> 1
  const midY = (top + bottom) >> 1
  if (!isLast && !known[midY * width + midX]) ask(sheet, midX, midY)
  const one = picture.first[topLeft]!
  let other = picture.light ? -2 : joined(picture, topLeft, one, -1)
  if (other > -2) other = joined(picture, topRight, one, other)
  if (other > -2) other = joined(picture, bottomLeft, one, other)
  if (other > -2) other = joined(picture, bottomRight, one, other)
  const middle = midY * width + midX
  if (one === OUTSIDE && other === -1 && (isLast || picture.first[middle] === OUTSIDE)) {
    blend(sheet, left, top, right, bottom, OUTSIDE, 0, 255, 255, 255, 255)
    return
  }
  if (other > -2 && one !== OUTSIDE && other !== OUTSIDE) {
    const a = shareOf(picture, topLeft, one, other)
    const b = shareOf(picture, topRight, one, other)
    const c = shareOf(picture, bottomLeft, one, other)
    const d = shareOf(picture, bottomRight, one, other)
    const found = isLast ? a : shareOf(picture, middle, one, other)
    const low = Math.min(a, b, c, d, found)
    if (isLast && low >= 0) return blend(sheet, left, top, right, bottom, one, Math.max(0, other), a, b, c, d)
    if (low >= 0 && Math.max(a, b, c, d) - low <= STEEP) {
      const u = right > left ? (midX - left) / (right - left) : 0
      const v = bottom > top ? (midY - top) / (bottom - top) : 0
      const guess = a * (1 - u) * (1 - v) + b * u * (1 - v) + c * (1 - u) * v + d * u * v
      if (Math.abs(found - guess) <= off)
        return blend(sheet, left, top, right, bottom, one, Math.max(0, other), a, b, c, d)
    }
  }
  fill(sheet, left, top, midX, midY, off)
  fill(sheet, midX, top, right, midY, off)
  fill(sheet, left, midY, midX, bottom, off)
  fill(sheet, midX, midY, right, bottom, off)
}

/** One pixel between known ones: so much of 255 is `one`, the rest the other. */
function between({ picture, known }: Sheet, n: number, one: number, other: number, share: number): void {
  if (known[n]) return
  known[n] = 1
  const isOne = share >= 127.5
  picture.first[n] = isOne ? one : other
  picture.second[n] = isOne ? other : one
  picture.share[n] = (isOne ? share : 255 - share) + 0.5
}

/** Fills a block between the shares of `one` at its corners: a and b above, c and d below. */
function blend(
  sheet: Sheet,
  ...[left, top, right, bottom, one, other, a, b, c, d]: [
    ...[left: number, top: number, right: number, bottom: number, one: number, other: number],
    ...[a: number, b: number, c: number, d: number],
  ]
): void {
  const { width } = sheet.picture
  const down = bottom > top ? 1 / (bottom - top) : 0
  const across = right > left ? 1 / (right - left) : 0
  for (let row = top; row <= bottom; row += 1) {
    const t = (row - top) * down
    const start = a + (c - a) * t
    const step = (b + (d - b) * t - start) * across
    for (let i = left; i <= right; i += 1) between(sheet, row * width + i, one, other, start + step * (i - left))
  }
}

/** How finely a view is drawn: quickly while something is dragged, finely for a picture, or every pixel traced. */
export type Fineness = 'preview' | 'final' | 'every-pixel'

/**
 * Draws rows `from` to `to` of a view. A coarse lattice is traced first; between its points colours are filled in where the
 * middle of a block agrees with its corners, and traced more closely where colours meet.
 */
export function renderRows(
  program: Program,
  view: View,
  from: number,
  to: number,
  fineness: Fineness = 'preview',
): Picture {
  const { width } = view
  const rows = to - from
  const size = width * rows
  const picture: Picture = {
    width,
    height: rows,
    first: new Uint8Array(size),
    second: new Uint8Array(size),
    share: new Uint8Array(size),
    light: view.isTop && program.tops.length > 0 ? new Uint8Array(size).fill(128) : null,
  }
  const sheet: Sheet = { program, view, from, picture, known: new Uint8Array(size) }
  if (fineness === 'every-pixel' || rows < 2 || width < 2) {
    for (let row = 0; row < rows; row += 1) for (let i = 0; i < width; i += 1) ask(sheet, i, row)
    return picture
  }
  const block = blockOf(view, fineness)
  const off = OFF[fineness]
  for (let top = 0; top < rows - 1; top += block)
    for (let left = 0; left < width - 1; left += block)
      fill(sheet, left, top, Math.min(width - 1, left + block), Math.min(rows - 1, top + block), off)
  return picture
}
