import { fact, grams } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import { hasStabiliserApart } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import type { Portions } from '../../portions/index.ts'
import { findById } from '../../shelf/index.ts'
import type { Colorant, Shelf } from '../../shelf/index.ts'
import type { ColourForecast } from './colours.ts'

/** One line of a mixing card. The weight is the truth; spoons are a help. */
export interface CardLine {
  what: Words
  massG: number
  exactG: number
  spoons: Words
  how: Words
}

export interface MixingCard {
  cup: string
  name: string
  /** Place in the order: plain ones first, then light to dark. */
  order: number
  batterG: number
  totalG: number
  lines: CardLine[]
  isPlain: boolean
  hex: string
  /** Place on a ladder of tints, whose steps are all one mother cup; null: a cup of its own. */
  step: { ladder: string; at: number; mother: string } | null
}

const LEAST_FRACTION = '⅛'
const FRACTIONS: readonly [number, string][] = [
  [0, ''],
  [1 / 8, '⅛'],
  [1 / 4, '¼'],
  [3 / 8, '⅜'],
  [1 / 2, '½'],
  [5 / 8, '⅝'],
  [3 / 4, '¾'],
  [7 / 8, '⅞'],
  [1, ''],
]
const TINY_SPOON = 1 / 16
const MANY_SPOONS = 24

/** "about 1¼ tsp" of a powder, or what to do when nobody knows what a spoon of it weighs. */
export function spoonsOf(colorant: Pick<Colorant, 'name' | 'teaspoonG'>, massG: number): Words {
  if (!(massG > 0)) return ''
  if (!(colorant.teaspoonG > 0)) return fact('cups.no-spoon-weight-on', { colorant: colorant.name })
  const spoons = massG / colorant.teaspoonG
  if (spoons < TINY_SPOON) return fact('cups.less-than-pinch-weigh')
  if (spoons > MANY_SPOONS) return ''
  const whole = Math.floor(spoons)
  const rest = spoons - whole
  const [near, text] = FRACTIONS.reduce((best, one) =>
    Math.abs(one[0] - rest) < Math.abs(best[0] - rest) ? one : best,
  )
  const count = near === 1 ? whole + 1 : whole
  const fraction = near === 1 ? '' : text
  const spoonsIn = count > 0 || fraction !== '' ? `${count > 0 ? count : ''}${fraction}` : LEAST_FRACTION
  return fact('cups.about-level-tsp', { spoons: spoonsIn })
}

/** A dose in level spoons for so much batter, g per kg; null when the weight of a spoon is not known. */
export const doseOfSpoons = (colorant: Pick<Colorant, 'teaspoonG'>, spoons: number, batterG: number): number | null =>
  colorant.teaspoonG > 0 && batterG > 0 ? (spoons * colorant.teaspoonG * 1000) / batterG : null

function linesOf(plan: Plan, portions: Portions, i: number, shelf: Shelf): CardLine[] {
  const cup = plan.cups[i]!
  const portion = portions.cups[i]!
  const own = portions.ownScents[i]
  const scent = portions.scents.length === 1 ? portions.scents[0]!.name : fact('cups.scent-blend')
  const lines = portion.colours.flatMap((part): CardLine[] => {
    const colorant = findById(shelf.colorants, part.colorant)
    const into =
      part.mediumG > 0
        ? fact('cups.into-of', { mediumG: grams(part.mediumG, 2), medium: part.medium })
        : fact('cups.straight-into-batter')
    return [
      {
        what: part.name,
        massG: part.powderG,
        exactG: part.exact.powderG,
        spoons: colorant ? spoonsOf(colorant, part.powderG) : '',
        how: part.fromSlurry ? fact('cups.from-slurry-already-made') : into,
      },
    ]
  })
  const scents: CardLine[] = own
    ? own.map(part => ({
        what: part.name,
        massG: part.massG,
        exactG: part.exactG,
        spoons: '',
        how: fact('cups.its-own-scent'),
      }))
    : portion.scentG > 0
      ? [{ what: scent, massG: portion.scentG, exactG: portion.exact.scentG, spoons: '', how: whenOf(plan, cup) }]
      : []
  const { stabiliserG } = portion
  const keeper: CardLine[] =
    hasStabiliserApart(cup) && stabiliserG > 0
      ? [
          {
            what: fact('cups.vanilla-stabiliser'),
            massG: stabiliserG,
            exactG: portion.exact.stabiliserG,
            spoons: '',
            how: fact('cups.this-cup'),
          },
        ]
      : []
  return [...lines, ...scents, ...keeper]
}

const WHEN = {
  oils: fact('in the oils already'),
  pot: fact('in the pot already'),
  'with-colour': fact('with the colour'),
  last: fact('right before its pour'),
  'never-stop': fact('blended in as it is poured'),
} as const
const whenOf = (plan: Plan, cup: Plan['cups'][number]): Words => {
  const planned = cup.ownScent ?? plan.scent
  return planned ? WHEN[planned.moment] : ''
}

function stepOf(plan: Plan, cup: string): MixingCard['step'] {
  const ladder = plan.ladders.find(one => one.cups.includes(cup))
  return ladder ? { ladder: ladder.id, at: ladder.cups.indexOf(cup), mother: ladder.cups[0]! } : null
}

/**
 * A card for every cup that holds something, in the order in which they are mixed: plain and unscented ones first, then light
 * to dark as they look on pour day, so that one stick will do. Steps of a ladder follow their mother cup.
 */
export function mixingCards(plan: Plan, portions: Portions, colours: ColourForecast, shelf: Shelf): MixingCard[] {
  const lightness = (id: string) => colours.cups.find(one => one.cup === id)!.stages.pour.no.lab.l
  const cards = plan.cups.flatMap((cup, i) => {
    const portion = portions.cups[i]!
    if (!(portion.totalG > 0)) return []
    const step = stepOf(plan, cup.id)
    const rank = portion.colours.length > 0 ? 2 : portion.scentG > 0 ? 1 : 0
    return [{ cup, i, portion, step, rank, light: lightness(step?.mother ?? cup.id) }]
  })
  return cards
    .sort((a, b) => a.rank - b.rank || b.light - a.light || (a.step?.at ?? 0) - (b.step?.at ?? 0))
    .map(({ cup, i, portion, step }, n) => ({
      cup: cup.id,
      name: cup.name,
      order: n + 1,
      batterG: portion.batterG,
      totalG: portion.totalG,
      lines: linesOf(plan, portions, i, shelf),
      isPlain: portion.colours.length === 0 && portion.scentG === 0,
      hex: colours.cups[i]!.stages.pour.no.hex,
      step,
    }))
}
