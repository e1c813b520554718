import type { Oil } from '../../shelf/index.ts'
import { fattyGroups, isFattyAcid } from '../../shelf/index.ts'
import { recipePace } from './recipe-pace.ts'

/** What an oil does by itself, in words: by the same model as a whole recipe of it. */
export interface OilWords {
  pace: 'at once' | 'quick' | 'even' | 'slow'
  /** ln of its rate against a balanced recipe. */
  lnRate: number
  /** It heats the mould more than most: coconut, palm kernel and the like. */
  isHot: boolean
}

/** Usual lye and superfat for the comparison. */
const USUAL = { superfatShare: 0.05, lyeConcentrationShare: 0.3 } as const
/** ln of a rate against a balanced recipe: as quick as that, and slower by two fifths. */
const QUICK = -0.05
const SLOW = -0.5
/** Short saturated acids give more heat a gram, and gel sooner. Estimate. */
const HOT_SHARE = 0.45

export function oilWords(oil: Oil): OilWords {
  const { lnRate, stearic } = recipePace({ ...USUAL, oils: [{ oil, share: 1, late: false }] })
  const pace =
    isFattyAcid(oil) || stearic > 0.03 ? 'at once' : lnRate > QUICK ? 'quick' : lnRate < SLOW ? 'slow' : 'even'
  return { pace, lnRate, isHot: fattyGroups(oil).shortSaturated > HOT_SHARE }
}
