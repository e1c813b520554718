import type { RunInput } from '../batter/schedule/index.ts'
import { UNBLENDED } from './blend.ts'
import type { Blend } from './blend.ts'
import type { BenchState } from './state.ts'

/** Batters of the bench: the one pot, or batters with lye of their own, each named by the first cup that it fills. */

/** Cups that a batter of its own fills, by their place; that of cup i. */
export const cupsOfBatter = ({ cups }: RunInput, i: number): number[] => {
  const { batch } = cups[i]!
  return batch === '' ? [i] : cups.flatMap((cup, k) => (cup.batch === batch && cup.massG > 0 ? [k] : []))
}

/** The name of the batter that fills a cup; null: the one pot. */
export function batterOf(input: RunInput, cup: string | undefined): string | null {
  if (!input.ownBatters || cup === undefined) return null
  const i = input.cups.findIndex(task => task.cup.id === cup)
  return i < 0 ? null : input.cups[cupsOfBatter(input, i)[0]!]!.cup.id
}

/** The batter that fills a cup, or the one pot. */
export function blendOf(input: RunInput, state: BenchState, cup: string | undefined): Blend {
  const name = batterOf(input, cup)
  if (name !== null) return state.batters[name] ?? UNBLENDED
  const { lyeInAt, blendS, blendingSince, stoppedAt, hold } = state
  return { lyeInAt, blendS, blendingSince, stoppedAt, hold }
}
