import { LOOKS, WHIPPED_LOOKS } from '@ostler/core'
import type { TraceLook } from '@ostler/core'
import { t } from '../words/index.ts'

/** What batter can look like: a drip on it, or whipped batter on the whisk. */
export const looksOf = (isWhipped: boolean): readonly TraceLook[] => (isWhipped ? WHIPPED_LOOKS : LOOKS)

/** The word that comes nearest to a level. */
export const lookWord = (level: number, isWhipped: boolean): string =>
  t(
    looksOf(isWhipped).reduce((near, look) =>
      Math.abs(look.level - level) < Math.abs(near.level - level) ? look : near,
    ).word,
  )
