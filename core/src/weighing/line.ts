import { fact, grams, share } from '../quantities/facts/index.ts'
import type { Measure, Words } from '../quantities/facts/index.ts'
import type { ShelfKind } from '../shelf/index.ts'

export type WeighGroup =
  | 'lye-water'
  | 'lye'
  | 'oils'
  | 'batter'
  | 'late'
  | 'additives'
  | 'scent'
  | 'colours'
  | 'lines'
  | 'top'
  | 'toppings'

/** What a line is, and so what a wrong weight of it can do. */
export type WeighKind =
  | 'lye'
  | 'solution'
  | 'water'
  | 'oil'
  | 'melt'
  | 'liquid'
  | 'additive'
  | 'scent'
  | 'stabiliser'
  | 'colour'
  | 'medium'
  | 'topping'

/** Things that the shelf has no kind for. */
export const UNCOUNTED = {
  lye: fact('Lye (NaOH)'),
  water: fact('Water, distilled or soft'),
  oil: fact('A light oil for the colours'),
  alcohol: fact('Alcohol for the colours'),
} as const
export type StockItem = { kind: ShelfKind; id: string } | { kind: 'uncounted'; id: string; name: Words }

export const uncounted = (id: keyof typeof UNCOUNTED): StockItem => ({ kind: 'uncounted', id, name: UNCOUNTED[id] })

/** One thing to weigh, in a sensible order. */
export interface WeighLine {
  /** Stable name of the line, e.g. "oil:olive" or "batter:cup-1:solution". */
  key: string
  kind: WeighKind
  group: WeighGroup
  /** Heading that it stands under. */
  title: Words
  /** What it is taken from: an item of the shelf, or something that the shelf keeps no account of; null: weighed before. */
  item: StockItem | null
  /** The batter it is for: empty for the pot and what is common, a cup's id for a batter of its own, "top". */
  batter: string
  what: Words
  massG: number
  exactG: number
  stepG: number
  /** Where it goes, and how to tare. */
  where: Words
  /** What rounding does to it, or empty. */
  rounding: Words
  /** What it may weigh at most, null without a limit: a cap for scents, the usual most for colours and additives. */
  most: { massG: number; isCap: boolean } | null
  /** Half a step against the amount; null where it does not matter. */
  errorShare: number | null
  scale: 'fine' | 'coarse' | 'stop'
  scaleSentence: Words
}

/** Lye waits for the safety list, in whatever form it is weighed first. */
export const isLyeLine = ({ kind }: WeighLine): boolean => kind === 'lye'

export const GROUP_TITLES: Readonly<Record<WeighGroup, string>> = {
  'lye-water': 'For the lye water',
  lye: 'Lye, in its own cup',
  oils: 'Oils',
  batter: 'A batter of its own',
  late: 'Oils kept back',
  additives: 'Additives',
  scent: 'Scent',
  colours: 'Colours and what they are mixed with',
  lines: 'Lines of powder between layers',
  top: 'The top, a batter of its own',
  toppings: 'Toppings',
}

/** A step above this part of the amount is worth a word, and above the second one too coarse. */
const WARN = 0.03
const STOP = 0.1

/** Steps that scales are sold with, g. */
const SOLD_STEPS_G = [0.001, 0.01, 0.1, 1]

/** The coarsest scale that is sold and good enough for an amount. */
const needed = (amountG: number): Measure => {
  const step = [...SOLD_STEPS_G].reverse().find(one => one <= amountG * WARN) ?? SOLD_STEPS_G[0]!
  return grams(step, 3)
}

function scaleOf(
  massG: number,
  stepG: number,
  isCritical: boolean,
): Pick<WeighLine, 'errorShare' | 'scale' | 'scaleSentence'> {
  if (!(massG > 0)) return { errorShare: null, scale: 'fine', scaleSentence: '' }
  const errorShare = stepG / massG
  if (errorShare <= WARN) return { errorShare, scale: 'fine', scaleSentence: '' }
  const text = fact('weighing.a-step-of-is', {
    stepG: grams(stepG, 3),
    share: share(errorShare, 0),
    massG: grams(massG, massG >= 10 ? 0 : 2),
  })
  return errorShare > STOP && isCritical
    ? {
        errorShare,
        scale: 'stop',
        scaleSentence: fact('weighing.too-coarse-take-scale', { text, needed: needed(massG) }),
      }
    : {
        errorShare,
        scale: 'coarse',
        scaleSentence: fact('weighing.scale-steps-better', { text, needed: needed(massG) }),
      }
}

type Base = Pick<WeighLine, 'key' | 'kind' | 'group' | 'what' | 'massG' | 'exactG' | 'stepG' | 'where'> &
  Partial<Pick<WeighLine, 'title' | 'batter' | 'rounding' | 'most' | 'item'>>

/** A line with what the scale's step does to it. */
export const line = (base: Base, { isCritical = false }: { isCritical?: boolean } = {}): WeighLine => ({
  title: fact(GROUP_TITLES[base.group]),
  batter: '',
  rounding: '',
  most: null,
  item: null,
  ...base,
  ...scaleOf(base.exactG, base.stepG, isCritical),
})

export const MOMENT_WORDS = {
  lye: 'in the water before the lye',
  oils: 'into the oils before the lye',
  trace: 'in at light trace',
} as const
