import type { CupTask } from '../batter/schedule/index.ts'
import type { Following } from './following.ts'
import type { BenchState } from './state.ts'

/** A batter that was divided before its scent was in: each cup is scented by itself, if at all. */

const byItself = (task: CupTask): CupTask =>
  task.scent?.moment === 'pot' ? { ...task, scent: { ...task.scent, moment: 'with-colour' } } : task

const kept = new WeakMap<Following, Following>()

/** What is followed, with the scent of the pot in the cups where the pot was left without. */
export function asScented(following: Following, state: BenchState): Following {
  const { input } = following
  const isForgotten =
    !input.ownBatters &&
    state.potScentedAt === null &&
    input.cups.some(({ scent }, i) => scent?.moment === 'pot' && state.cups[i]!.drawnG !== null)
  if (!isForgotten) return following
  const there = kept.get(following) ?? { ...following, input: { ...input, cups: input.cups.map(byItself) } }
  kept.set(following, there)
  return there
}
