import * as core from '@ostler/core'
import type { DecimalMark } from '@ostler/core'
import { tellingSettings } from './settings.ts'
import { t } from './told.ts'

/** What a comma between digits means where this browser is at home, or as it was set. */
export function decimalMark(): DecimalMark {
  const { decimal: chosen } = tellingSettings()
  if (chosen !== '') return chosen
  try {
    const decimal = new Intl.NumberFormat().formatToParts(1.5).find(part => part.type === 'decimal')?.value
    return decimal === '.' ? 'point' : decimal === ',' ? 'comma' : 'unknown'
  } catch {
    return 'unknown'
  }
}

const marked = (digits: string): string => (decimalMark() === 'comma' ? digits.replace('.', ',') : digits)

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
