import * as core from '@ostler/core'
import { marked } from './marks.ts'
import { t } from './told.ts'

/** A number to be read, with so many decimals. */
export const fixed = (value: number, decimals: number): string => marked(value.toFixed(decimals))

/** The same without noughts at its end. */
export const tidy = (value: number, decimals: number): string => marked(core.tidy(value, decimals))

export const showShare = (share: number, decimals = 1): string => marked(core.showShare(share, decimals))

/** A chance, never finer than the model knows it. */
export function showChance(chance: number): string {
  const { words, percent } = core.chanceWords(chance)
  return t(words, { percent })
}
