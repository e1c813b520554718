import { batterDensity, cavitiesOf, cavityWords, fillVolumeMl, pourShares } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { fact, grams, opening } from '../quantities/facts/index.ts'
import type { Fact } from '../quantities/facts/index.ts'
import { stackLayers } from './layers.ts'

/**
 * What a pour puts into each of its cavities of the first mould, g, embeds taken off: the mean, where cavities differ. Null for a
 * mould of one cavity, and for a pour that the score does not have.
 */
export function perCavityG(plan: Plan, pour: string): number | null {
  const i = plan.score.findIndex(one => one.id === pour)
  if (i < 0 || plan.mould.cavities === 1) return null
  const elsewhereMl = plan.moreMoulds.reduce((sum, mould) => sum + fillVolumeMl(mould), 0) * pourShares(plan)[i]!
  const hereMl = stackLayers(plan)[i]!.volumeMl - elsewhereMl
  return (hereMl * batterDensity(plan)) / cavitiesOf(plan, plan.score[i]!).length
}

/** Below this a cavity's part is said to a tenth of a gram. */
const FINE_BELOW_G = 20

/** The way over the cavities, so that the first and the last get the same trace; null where there is but one to fill. */
export function cavityPath(plan: Plan, pour: string): Fact | null {
  const each = perCavityG(plan, pour)
  const step = plan.score.find(one => one.id === pour)
  if (each === null || !step) return null
  const cavities = cavitiesOf(plan, step)
  const said = {
    where: opening([cavityWords({ cavities, pours: [] })]),
    each: grams(each, each < FINE_BELOW_G ? 1 : 0),
  }
  return fact(cavities.length === 1 ? 'portions.into-cavity' : 'portions.cavity-path', said)
}
