import type { Risk, oilWords } from '@ostler/core'
import { t } from '../words/index.ts'

/** How a plan's chances are said in a list: words and a shape, never a colour alone. */
export const STATE_WORDS: Record<Risk['state'], string> = {
  calm: t('● time enough'),
  tight: t('◐ tight'),
  trouble: t('▲ in trouble'),
}

/** How fast an oil thickens by itself. */
export const OIL_PACES: Record<ReturnType<typeof oilWords>['pace'], string> = {
  'at once': t('sets at once'),
  quick: t('quick'),
  even: t('even'),
  slow: t('slow'),
}
