import { isInside } from './chart.ts'
import { embedAt, isUnderMat } from './overlay.ts'
import type { Program } from './program.ts'
import { seeded } from './random.ts'
import { backtrace } from './backtrace.ts'

/**
 * Share of each colour in the level batter, counted at one point, somewhere, of each cell of an even grid. Ready-made pieces
 * take the place of batter and count as their own colours; what stands on the top is not counted.
 */
export function countedShares(program: Program, steps = 40): Float64Array {
  const sums = new Float64Array(program.colours)
  const out = new Float64Array(program.colours)
  const { radiusMm: a, halfWidthMm: b } = program
  const random = seeded(steps)
  const point = new Float64Array(3)
  let count = 0
  for (let i = 0; i < steps; i += 1)
    for (let j = 0; j < steps; j += 1)
      for (let k = 0; k < steps; k += 1) {
        const u = (i + random()) / steps
        const v = (j + random()) / steps
        point[0] = a > 0 ? (2 * u - 1) * a : u * program.lengthMm
        point[1] = a > 0 ? (2 * v - 1) * b : v * program.widthMm
        point[2] = ((k + random()) / steps) * program.heightMm
        const [x, y, z] = [point[0], point[1], point[2]]
        if (!isInside(program, x, y) || isUnderMat(program, x, y, z)) continue
        count += 1
        const embed = embedAt(program, x, y, z)
        if (embed >= 0) {
          sums[embed]! += 1
          continue
        }
        out.fill(0)
        backtrace(program, point, out)
        for (let c = 0; c < out.length; c += 1) sums[c]! += out[c]!
      }
  return sums.map(sum => sum / Math.max(1, count))
}
