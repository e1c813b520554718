import type { Program } from './program.ts'
import { seeded } from './random.ts'
import { trace } from './trace.ts'

/** A plane through the block: a corner and two directions, mm for each pixel. Rows run down the picture. */
export interface View {
  originX: number
  originY: number
  originZ: number
  rightX: number
  rightY: number
  rightZ: number
  downX: number
  downY: number
  downZ: number
  width: number
  height: number
}

/** For each pixel the two colours that are strongest and how much of 255 the first has; 255 in `first`: outside the soap. */
export interface Picture {
  width: number
  height: number
  first: Uint8Array
  second: Uint8Array
  share: Uint8Array
}

export const OUTSIDE = 255
const MOST_COLOURS = 32

/** Sides of the block, mm: for a round mould the middle is the origin. */
const halfOf = (program: Program): number => program.radiusMm

/** A cut across at x (a share of the length), seen from its start: right is across, up is up. */
export function acrossView(program: Program, at: number, width: number): View {
  const R = halfOf(program)
  const W = R > 0 ? 2 * R : program.widthMm
  const mm = W / width
  const height = Math.max(1, Math.round(program.heightMm / mm))
  return {
    ...{
      originX: R > 0 ? (2 * at - 1) * R : at * program.lengthMm,
      originY: R > 0 ? -R : 0,
      originZ: program.heightMm,
    },
    ...{ rightX: 0, rightY: mm, rightZ: 0, downX: 0, downY: 0, downZ: -program.heightMm / height, width, height },
  }
}

/** A cut along at y (a share of the width). */
export function alongView(program: Program, at: number, width: number): View {
  const R = halfOf(program)
  const L = R > 0 ? 2 * R : program.lengthMm
  const mm = L / width
  const height = Math.max(1, Math.round(program.heightMm / mm))
  return {
    ...{ originX: R > 0 ? -R : 0, originY: R > 0 ? (2 * at - 1) * R : at * program.widthMm, originZ: program.heightMm },
    ...{ rightX: mm, rightY: 0, rightZ: 0, downX: 0, downY: 0, downZ: -program.heightMm / height, width, height },
  }
}

/** From above at a height (a share; 1: the top). */
export function levelView(program: Program, at: number, width: number): View {
  const R = halfOf(program)
  const L = R > 0 ? 2 * R : program.lengthMm
  const W = R > 0 ? 2 * R : program.widthMm
  const mm = L / width
  const height = Math.max(1, Math.round(W / mm))
  const z = Math.min(0.9995, Math.max(0.0005, at)) * program.heightMm
  return {
    ...{ originX: R > 0 ? -R : 0, originY: R > 0 ? R : W, originZ: z },
    ...{ rightX: mm, rightY: 0, rightZ: 0, downX: 0, downY: -W / height, downZ: 0, width, height },
  }
}

const weights = new Float64Array(MOST_COLOURS)
const at = { x: 0, y: 0, z: 0 }

function pixel(program: Program, view: View, i: number, j: number, picture: Picture, row: number): void {
  const { width } = picture
  const n = row * width + i
  const a = i + 0.5
  const b = j + 0.5
  at.x = view.originX + a * view.rightX + b * view.downX
  at.y = view.originY + a * view.rightY + b * view.downY
  at.z = view.originZ + a * view.rightZ + b * view.downZ
  if (program.radiusMm > 0 && at.x * at.x + at.y * at.y > program.radiusMm * program.radiusMm) {
    picture.first[n] = OUTSIDE
    return
  }
  weights.fill(0, 0, program.colours)
  trace(program, at, weights)
  let first = 0
  let second = 0
  for (let c = 1; c < program.colours; c += 1) {
    if (weights[c]! > weights[first]!) {
      second = first
      first = c
    } else if (second === first || weights[c]! > weights[second]!) second = c
  }
  const sum = weights[first]! + (second === first ? 0 : weights[second]!)
  picture.first[n] = first
  picture.second[n] = second
  picture.share[n] = sum > 0 ? Math.round((255 * weights[first]!) / sum) : 255
}

/** Blocks whose corners and middle are all one pure colour are filled without asking for each pixel. */
const BLOCK = 4

/**
 * Draws rows `from` to `to` of a view. Coarse first: only where colours meet is every pixel traced.
 *
 * @param isFinal traces every pixel
 */
export function renderRows(program: Program, view: View, from: number, to: number, isFinal = false): Picture {
  const { width } = view
  const rows = to - from
  const picture: Picture = {
    width,
    height: rows,
    first: new Uint8Array(width * rows),
    second: new Uint8Array(width * rows),
    share: new Uint8Array(width * rows).fill(255),
  }
  if (isFinal) {
    for (let row = 0; row < rows; row += 1)
      for (let i = 0; i < width; i += 1) pixel(program, view, i, from + row, picture, row)
    return picture
  }
  const known = new Uint8Array(width * rows)
  const ask = (i: number, row: number): number => {
    const n = row * width + i
    if (!known[n]) {
      pixel(program, view, i, from + row, picture, row)
      known[n] = 1
    }
    return picture.share[n]! >= 250 || picture.first[n] === OUTSIDE ? picture.first[n]! : -1
  }
  for (let row = 0; row < rows; row += BLOCK)
    for (let i = 0; i < width; i += BLOCK) {
      const right = Math.min(width - 1, i + BLOCK)
      const below = Math.min(rows - 1, row + BLOCK)
      const one = ask(i, row)
      const isPure =
        one >= 0 &&
        ask(right, row) === one &&
        ask(i, below) === one &&
        ask(right, below) === one &&
        ask((i + right) >> 1, (row + below) >> 1) === one
      for (let b = row; b < Math.min(rows, row + BLOCK); b += 1)
        for (let a = i; a < Math.min(width, i + BLOCK); a += 1) {
          const n = b * width + a
          if (known[n]) continue
          if (isPure) {
            picture.first[n] = one
            known[n] = 1
          } else ask(a, b)
        }
    }
  return picture
}

/** Share of each colour in the block, counted at one point, somewhere, of each cell of an even grid. */
export function countedShares(program: Program, steps = 40): Float64Array {
  const sums = new Float64Array(program.colours)
  const out = new Float64Array(program.colours)
  const R = program.radiusMm
  const random = seeded(steps)
  let count = 0
  for (let i = 0; i < steps; i += 1)
    for (let j = 0; j < steps; j += 1)
      for (let k = 0; k < steps; k += 1) {
        const a = (i + random()) / steps
        const b = (j + random()) / steps
        const point = {
          x: R > 0 ? (2 * a - 1) * R : a * program.lengthMm,
          y: R > 0 ? (2 * b - 1) * R : b * program.widthMm,
          z: ((k + random()) / steps) * program.heightMm,
        }
        if (R > 0 && point.x * point.x + point.y * point.y > R * R) continue
        count += 1
        out.fill(0)
        trace(program, point, out)
        for (let c = 0; c < out.length; c += 1) sums[c]! += out[c]!
      }
  return sums.map(sum => sum / Math.max(1, count))
}
