import type { Risk } from '@ostler/core'
/** How a plan's chances are said in a list: words and a shape, never a colour alone. */
export declare const STATE_WORDS: Record<Risk['state'], string>
