import type { Program } from './program.ts'

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
  /** Looks down on whatever lies on top: height follows the relief. */
  isTop: boolean
}

/** Sides of the block, mm. A round mould has its origin in the middle. */
function sides(program: Program): { x0: number; y0: number; length: number; width: number } {
  const { radiusMm: a, halfWidthMm: b } = program
  if (a > 0) return { x0: -a, y0: -b, length: 2 * a, width: 2 * b }
  return { x0: 0, y0: 0, length: program.lengthMm, width: program.widthMm }
}

/** Highest point of the soap, mm: peaks and what stands out of it included. */
export const crestMm = (program: Program): number => program.heightMm + program.topMm

/** The same view with fewer points, at most so many across. */
export function coarseView(view: View, most: number): View {
  const width = Math.min(view.width, most)
  const height = Math.max(1, Math.round((view.height * width) / view.width))
  const [wide, high] = [view.width / width, view.height / height]
  return {
    ...view,
    rightX: view.rightX * wide,
    rightY: view.rightY * wide,
    rightZ: view.rightZ * wide,
    downX: view.downX * high,
    downY: view.downY * high,
    downZ: view.downZ * high,
    width,
    height,
  }
}

const upright = (program: Program, widthMm: number, width: number) => {
  const crest = crestMm(program)
  const height = Math.max(1, Math.round((crest * width) / widthMm))
  return { originZ: crest, downX: 0, downY: 0, downZ: -crest / height, width, height, isTop: false }
}

/** A cut across at x (a share of the length), seen from its start: right is across, up is up. */
export function acrossView(program: Program, at: number, width: number): View {
  const { x0, y0, length, width: W } = sides(program)
  return {
    originX: x0 + at * length,
    originY: y0,
    rightX: 0,
    rightY: W / width,
    rightZ: 0,
    ...upright(program, W, width),
  }
}

/** A cut along at y (a share of the width). */
export function alongView(program: Program, at: number, width: number): View {
  const { x0, y0, length, width: W } = sides(program)
  return {
    originX: x0,
    originY: y0 + at * W,
    rightX: length / width,
    rightY: 0,
    rightZ: 0,
    ...upright(program, length, width),
  }
}

/** From above at a height (a share; 1: the top). */
export function levelView(program: Program, at: number, width: number): View {
  const { x0, y0, length, width: W } = sides(program)
  const height = Math.max(1, Math.round((W * width) / length))
  const z = Math.min(0.9995, Math.max(0.0005, at)) * program.heightMm
  return {
    originX: x0,
    originY: y0 + W,
    originZ: z,
    rightX: length / width,
    rightY: 0,
    rightZ: 0,
    downX: 0,
    downY: -W / height,
    downZ: 0,
    width,
    height,
    isTop: at >= 0.999,
  }
}

/** An upright plane from one place on the floor to another, mm: a side of the block, or any slanting cut. */
export function wallView(
  program: Program,
  from: readonly [number, number],
  to: readonly [number, number],
  width: number,
): View {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1])
  return {
    originX: from[0],
    originY: from[1],
    rightX: (to[0] - from[0]) / width,
    rightY: (to[1] - from[1]) / width,
    rightZ: 0,
    ...upright(program, length, width),
  }
}
