import type { Risk } from '@ostler/core'
import { t } from '../words/index.ts'

/** How a plan's chances are said in a list: words and a shape, never a colour alone. */
export const STATE_WORDS: Record<Risk['state'], string> = {
  calm: t('● time enough'),
  tight: t('◐ tight'),
  trouble: t('▲ in trouble'),
}
