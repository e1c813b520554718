import type { Risk } from '@ostler/core'

/** How a plan's chances are said in a list: words and a shape, never a colour alone. */
export const STATE_WORDS: Record<Risk['state'], string> = {
  calm: '● time enough',
  tight: '◐ tight',
  trouble: '▲ in trouble',
}
