import type { Oil } from '../shelf/index.ts'
import type { OilPart } from './recipe-part.ts'

/** A ready blend is taken into a recipe as its parts, so that every oil has its own lye. */

/**
 * Oils of a recipe with a blend added.
 *
 * @param share of all oils that the blend is to be, 0 to 1
 * @param makeUp the others give what it takes, in proportion
 */
export function withBlend(oils: readonly OilPart[], { blend }: Oil, share: number, makeUp: boolean): OilPart[] {
  const whole = blend.reduce((sum, part) => sum + part.share, 0)
  const left = makeUp ? 1 - share : 1
  const kept = oils.map(part => ({ ...part, share: tidied(part.share * left) }))
  if (whole <= 0) return kept
  return blend.reduce((all, part) => {
    const more = (share * part.share) / whole
    const isThere = all.some(one => one.oil === part.oil)
    return isThere
      ? all.map(one => (one.oil === part.oil ? { ...one, share: tidied(one.share + more) } : one))
      : [...all, { oil: part.oil, share: tidied(more), locked: false, late: false, infusion: null }]
  }, kept)
}

const tidied = (share: number): number => Number(share.toFixed(6))
