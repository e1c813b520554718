import { showShare, tidy } from '../units/index.ts'

export type WeighGroup = 'lye-water' | 'lye' | 'oils' | 'late' | 'additives' | 'scent' | 'colours' | 'top'

/** One thing to weigh, in a sensible order. */
export interface WeighLine {
  /** Stable name of the line, e.g. "oil:olive". */
  key: string
  group: WeighGroup
  what: string
  massG: number
  exactG: number
  stepG: number
  /** Where it goes, and how to tare. */
  where: string
  /** What rounding does to it, or empty. */
  rounding: string
  /** Half a step against the amount; null where it does not matter. */
  errorShare: number | null
  scale: 'fine' | 'coarse' | 'stop'
  scaleSentence: string
}

export const GROUP_TITLES: Readonly<Record<WeighGroup, string>> = {
  'lye-water': 'For the lye water',
  lye: 'Lye, in its own cup',
  oils: 'Oils',
  late: 'Oils kept back',
  additives: 'Additives',
  scent: 'Scent',
  colours: 'Colours and what they are mixed with',
  top: 'The top, a batter of its own',
}

/** A step above this part of the amount is worth a word, and above the second one too coarse. */
const WARN = 0.03
const STOP = 0.1

const needed = (amountG: number): string => tidy(Math.max(0.001, Number((amountG * 0.01).toPrecision(1))), 3)

function scaleOf(
  massG: number,
  stepG: number,
  isCritical: boolean,
): Pick<WeighLine, 'errorShare' | 'scale' | 'scaleSentence'> {
  if (!(massG > 0)) return { errorShare: null, scale: 'fine', scaleSentence: '' }
  const share = stepG / massG
  if (share <= WARN) return { errorShare: share, scale: 'fine', scaleSentence: '' }
  const text = `A step of ${tidy(stepG, 2)} g is ${showShare(share, 0)} of ${tidy(massG, 2)} g`
  return share > STOP && isCritical
    ? {
        errorShare: share,
        scale: 'stop',
        scaleSentence: `${text}: too coarse. Take a scale of ${needed(massG)} g steps, or make a larger batch.`,
      }
    : { errorShare: share, scale: 'coarse', scaleSentence: `${text}. A scale of ${needed(massG)} g steps is better.` }
}

/** A line with what the scale's step does to it. */
export const line = (
  base: Pick<WeighLine, 'key' | 'group' | 'what' | 'massG' | 'exactG' | 'stepG' | 'where'>,
  { isCritical = false, rounding = '' }: { isCritical?: boolean; rounding?: string } = {},
): WeighLine => ({ ...base, rounding, ...scaleOf(base.exactG, base.stepG, isCritical) })

export const MOMENT_WORDS = {
  lye: 'in the water before the lye',
  oils: 'into the oils before the lye',
  trace: 'in at light trace',
} as const
