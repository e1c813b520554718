import { barsAlong } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import { restHistory } from './history.ts'
import type { RestRunInput } from './history.ts'

/** By then everything that gels has begun to, after the last change of place or wrap. */
const GELS_WITHIN_S = 10 * 3600

/** A bar of the loaf, from its first end on: what share of it gels. */
export interface BarGel {
  bar: number
  share: number
}

/** Works a mould through in three dimensions: shares gelled from its middle to its end. Yields the share done. */
export function* gelAlong(whole: RestRunInput): Generator<number, number[]> {
  const lastS = Math.max(...whole.phases.map(phase => phase.fromS + phase.holdS))
  const { block } = yield* restHistory({
    ...whole,
    frameS: 0,
    isQuick: true,
    untilS: Math.min(whole.untilS, lastS + GELS_WITHIN_S),
  })
  const { nx, nz } = block.input
  const gelled = new Array<number>(nz).fill(0)
  for (let i = 0; i < block.n; i += 1) {
    const z = Math.floor(i / nx) % nz
    if (block.gmax[i]! > 0.5) gelled[z] = gelled[z]! + 1
  }
  return gelled.map(count => count / (block.n / nz))
}

/** Shares along half a mould as shares of the bars that are cut from it, both ends alike. */
export function gelOfBars(plan: Pick<Plan, 'mould' | 'cutting'>, along: readonly number[]): BarGel[] {
  const length = plan.mould.innerLengthMm
  const at = (mm: number) => {
    const fromMiddle = Math.abs(mm - length / 2) / (length / 2)
    return along[Math.min(along.length - 1, Math.floor(fromMiddle * along.length))]!
  }
  const SLICES = 8
  return barsAlong(length, plan.cutting).bars.map(({ from, to }, bar) => {
    let share = 0
    for (let k = 0; k < SLICES; k += 1) share += at(from + ((to - from) * (k + 0.5)) / SLICES) / SLICES
    return { bar: bar + 1, share }
  })
}
