import { fact } from '../quantities/facts/index.ts'
import type { Fact } from '../quantities/facts/index.ts'
import type { BenchState } from './state.ts'

/** Cautions that must be ticked before lye is weighed, and again before it meets the oils. */
export const SAFETY_TICKS = ['gear', 'air', 'alone', 'rinse'] as const
export type SafetyTick = (typeof SAFETY_TICKS)[number]

/** A tick of the safety list is for one making: what was ticked on another day is ticked again. s */
const FOR_S = 12 * 3600

export const SAFETY_WORDS: Readonly<Record<SafetyTick, { big: Fact; more: Fact }>> = {
  gear: { big: fact('bench.gear-on'), more: fact('bench.gear-more') },
  air: { big: fact('bench.air-fresh'), more: fact('bench.air-more') },
  alone: { big: fact('bench.nobody-near'), more: fact('bench.alone-more') },
  rinse: { big: fact('bench.water-to-rinse'), more: fact('bench.rinse-more') },
}

export const safetyKey = (item: SafetyTick): string => `safety:${item}`

/** What of the safety list is not ticked at a second of the run. */
export const safetyMissing = (ticked: BenchState['ticked'], r: number): SafetyTick[] =>
  SAFETY_TICKS.filter(item => r - (ticked[safetyKey(item)] ?? -Infinity) > FOR_S)
