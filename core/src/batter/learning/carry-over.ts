import type { Evidence, PaceReading, RestReadings } from '../../shelf/index.ts'
import { findById, fattyGroups, isFattyAcid } from '../../shelf/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { recipePace } from '../trace/index.ts'

/**
 * What a batch taught under the first models, where its plan cannot be read any more and only the numbers are left. What the
 * models now know by themselves is taken off, and what is left counts for less. Readings that are still there are worked out
 * anew instead, which is exact.
 */

/** The second model's rate of batter is so much lower (ln), and slower by lack of early fats. */
const LN_RATE_MOVED = 0.017
const LN_PER_LACK = 5
/** Added to a reading's variance: for the change itself, for solid acid, for a scent that seizes (E). */
const MOVED = { all: 0.15 ** 2, acid: 0.3 ** 2, quickScent: 0.3 ** 2 } as const
const QUICK = 1.05
/** Of the rest: losses stay, less sure; rates are kept only without much lauric acid, and less of them (E). */
const LOSSES_VARIANCE = 0.08 ** 2
const RATE = { mostLauric: 0.3, factor: 0.7, variance: 0.2 ** 2 } as const

/** The oils that a recipe is known by, from its key. */
function oilsOf(recipe: string, shelf: Shelf) {
  const parts = recipe.split(' ').flatMap(part => {
    const [id, percent] = part.split(':')
    const oil = findById(shelf.oils, id ?? '')
    return oil && Number(percent) > 0 ? [{ oil, share: Number(percent) }] : []
  })
  const whole = parts.reduce((sum, part) => sum + part.share, 0)
  return parts.map(part => ({ oil: part.oil, share: part.share / whole, late: false }))
}

/** What a batch taught, as the second models would have it; nothing of a recipe whose oils are not on the shelf. */
export function fromFirstModels(evidence: Omit<Evidence, 'counts'>, shelf: Shelf): Omit<Evidence, 'counts'> {
  const oils = oilsOf(evidence.recipe, shelf)
  if (oils.length === 0) return { ...evidence, observations: [], rest: null, formerModel: true }
  const { lack } = recipePace({ oils, superfatShare: 0.05, lyeConcentrationShare: 0.3 })
  const hasAcid = oils.some(part => isFattyAcid(part.oil) && part.share >= 0.005)
  const lauric = oils.reduce((sum, part) => sum + part.share * fattyGroups(part.oil).shortSaturated, 0)
  const moved = (one: PaceReading): PaceReading => ({
    ...one,
    value: one.value + LN_PER_LACK * lack + LN_RATE_MOVED,
    variance:
      one.variance +
      MOVED.all +
      (hasAcid ? MOVED.acid : 0) +
      (one.stage === 'scented' && one.value > QUICK ? MOVED.quickScent : 0),
  })
  const rest: RestReadings | null = evidence.rest && {
    ...evidence.rest,
    rate:
      evidence.rest.rate && lauric <= RATE.mostLauric
        ? { value: RATE.factor * evidence.rest.rate.value, variance: evidence.rest.rate.variance + RATE.variance }
        : null,
    losses: evidence.rest.losses && {
      ...evidence.rest.losses,
      variance: evidence.rest.losses.variance + LOSSES_VARIANCE,
    },
  }
  return { ...evidence, observations: evidence.observations.map(moved), rest, formerModel: true }
}
