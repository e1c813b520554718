import { widened } from '../pour.ts'
import type { Op, PourOp, Program } from '../program.ts'

export const L = 250
export const W = 80

export const program = (ops: Op[], heightMm: number, colours = 4): Program => ({
  ...{ lengthMm: L, widthMm: W, radiusMm: 0, halfWidthMm: 0, isHex: false, heightMm },
  ...{ ops, fray: null, colours, embeds: [], tops: [], topMm: 0, floor: null },
})

/** A pour on a level of `h0`, its width found by the rule when a depth is given. */
export function pour(
  h0: number,
  volume: number,
  change: Partial<PourOp>,
  penetrationMm: number | null = null,
  length = L,
  width = W,
): PourOp {
  const op: PourOp = {
    ...{ kind: 'pour', shape: 'layer', colour: 1, h0, h1: h0 + volume / (length * width), volume },
    ...{ edgeMm: 0.4, cover: 0, pencil: -1, pencilMm: 0, chart: 'none', modes: new Float64Array(0), tilt: 0 },
    ...{ x: 0, y: 0, halfX: 28, halfY: 28, profile: 'blunt', veil: 0, pot: null, partner: null },
    wander: { mm: 0, lengthMm: 100, phase: 0 },
    ...change,
  }
  return op.shape === 'layer' ? op : widened(op, length, width, penetrationMm, op.halfX / op.halfY)
}
