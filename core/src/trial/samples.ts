import type { Role, TrialQuestion, TrialSample } from './document.ts'
import { kindOf } from './kinds.ts'
import { drawingOrder } from './order.ts'

/** Which samples a question needs, in the order in which they are drawn: what is unscented before the scent is opened, blanks first. */

export type Unlabelled = Omit<TrialSample, 'label'>

const sample = (role: Role, more: Partial<Unlabelled> = {}): Unlabelled => ({
  role,
  colorant: '',
  gPerKg: 0,
  whiteGPerKg: 0,
  struckOut: '',
  ...more,
})

const many = (count: number, of: Unlabelled): Unlabelled[] => Array.from({ length: count }, () => of)

/** What is compared, as places on a scale: doses and amounts by their size, others as they are named. */
export const valuesOf = ({ kind, levels }: TrialQuestion): number[] => {
  const { levels: are } = kindOf(kind)
  if (are === 'doses') return levels.map(({ gPerKg }) => gPerKg)
  return are === 'ratios' || are === 'numbers' ? levels.map(({ amount = 0 }) => amount) : levels.map((_, i) => i)
}

/** Colorants in plain batter: the middle one at both ends of the order, one beside white last. */
function coloured(question: TrialQuestion): Unlabelled[] {
  const { levels, blanks, whiteGPerKg, seed } = question
  const order = drawingOrder(valuesOf(question), seed)
  const drawn = order.map((i, place) => {
    const { colorant, gPerKg, whiteGPerKg: beside = 0 } = levels[i]!
    const role = order.indexOf(i) < place ? 'repeat' : beside > 0 ? 'white' : 'test'
    return sample(role, { colorant, gPerKg, whiteGPerKg: beside })
  })
  const { colorant, gPerKg } = levels[order[0]!]!
  const white = whiteGPerKg > 0 ? [sample('white', { colorant, gPerKg, whiteGPerKg })] : []
  return [...many(blanks, sample('nothing')), ...drawn, ...white]
}

/** Every dose without and with white. */
function grid(question: TrialQuestion): Unlabelled[] {
  const { levels, blanks, whiteGPerKg, times = 1 } = question
  const cells = once(question).flatMap(i => {
    const { colorant, gPerKg } = levels[i]!
    return [sample('test', { colorant, gPerKg }), sample('white', { colorant, gPerKg, whiteGPerKg })]
  })
  return [...many(blanks, sample('nothing')), ...Array.from({ length: times }, () => cells).flat()]
}

/** Without the bracket: each level once, in an order that no drift goes with. */
const once = (question: TrialQuestion): number[] => [...new Set(drawingOrder(valuesOf(question), question.seed))]

function whites(question: TrialQuestion): Unlabelled[] {
  const { levels, blanks } = question
  const of = (i: number) => ({ colorant: levels[i]!.colorant, gPerKg: levels[i]!.gPerKg, level: i })
  const order = once(question)
  return [
    ...many(blanks, sample('nothing')),
    ...order.map(i => sample('cure', of(i))),
    sample('suspect', { scented: true }),
    ...order.map(i => sample('test', { ...of(i), scented: true })),
    sample('suspect', { scented: true }),
  ]
}

const stabilisers = (question: TrialQuestion): Unlabelled[] => [
  ...many(question.blanks, sample('nothing')),
  sample('suspect', { scented: true }),
  ...once(question).flatMap(level =>
    many(
      question.times ?? 1,
      sample('test', { scented: true, level, stabiliserRatio: question.levels[level]!.amount! }),
    ),
  ),
  sample('suspect', { scented: true }),
]

/** Of each two twins one lies in the window: which, is settled by its label. */
const twins = (question: TrialQuestion): Unlabelled[] => [
  sample('nothing'),
  sample('dark'),
  ...once(question).flatMap(level => {
    const { colorant, gPerKg } = question.levels[level]!
    return [sample('test', { colorant, gPerKg, level }), sample('dark', { colorant, gPerKg, level })]
  }),
]

/** The usual, then every level so often; of one pot the rounds follow each other, so that no level stands longest. */
function ways(question: TrialQuestion): Unlabelled[] {
  const { blanks, kind, times = 1 } = question
  const order = once(question)
  const test = (level: number) => sample('test', { level })
  const levels = kindOf(kind).ownBatters
    ? order.flatMap(level => many(times, test(level)))
    : Array.from({ length: times }, (_, round) => (round % 2 === 0 ? order : order.toReversed()).map(test)).flat()
  return [...many(blanks, sample('nothing')), ...levels]
}

/** Samples of a question, in the order in which they are drawn. */
export function samplesOf(question: TrialQuestion): Unlabelled[] {
  const { kind, blanks, times = 1 } = question
  if (kind === 'ladder' || kind === 'colours') return coloured(question)
  if (kind === 'grid') return grid(question)
  if (kind === 'whites') return whites(question)
  if (kind === 'stabiliser') return stabilisers(question)
  if (kind === 'fading') return twins(question)
  const scented = many(times, sample('test', { scented: true }))
  if (kind === 'browning') return [...many(blanks, sample('nothing')), ...scented]
  if (kind === 'speed') return [...many(times, sample('nothing')), ...scented]
  return ways(question)
}

/** Samples that were made alike. */
export const isAlike = (a: TrialSample, b: TrialSample): boolean =>
  a.colorant === b.colorant &&
  a.gPerKg === b.gPerKg &&
  a.whiteGPerKg === b.whiteGPerKg &&
  (a.scented ?? false) === (b.scented ?? false) &&
  a.level === b.level &&
  (a.role === 'dark') === (b.role === 'dark')
