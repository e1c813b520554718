import { fact, listOf } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import { MOST_CHOICES, invert, labOfHex, linearOfHex, mixed } from '../colour/index.ts'
import type { Choice, Inversion, SoapColour } from '../colour/index.ts'
import type { CupColorant, Plan } from '../../plan/index.ts'
import type { Portions } from '../../portions/index.ts'
import { unitBatter } from '../../recipe/index.ts'
import { findById } from '../../shelf/index.ts'
import type { Colorant, Shelf } from '../../shelf/index.ts'
import { tidy } from '../../quantities/units/index.ts'
import { baseOf } from './base.ts'
import { ageOf, brownAt, gelOf } from './colours.ts'
import { browningOf, commonDoses, ownDoses } from './doses.ts'
import { pigmentOfColorant } from './pigments.ts'

/** How to come to a wished colour, and what stands in the way. */
export interface WishAnswer extends Inversion {
  hex: string
  /** g per kg of batter, in the order of the colorants asked about. */
  doses: { colorant: string; name: string; gPerKg: number }[]
  sentence: Words
  /** Another colorant that would bring it at least 1.5 ΔE closer. */
  better: { colorant: string; name: string; deltaE: number } | null
}

const choiceOf = (colorant: Colorant): Choice => ({
  pigment: pigmentOfColorant(colorant).pigment,
  referenceGPerKg: colorant.referenceDoseGPerKg,
  mostGPerKg: colorant.usualMaxGPerKg,
})

const WORTH_IT = 1.5

function sentenceOf(answer: Inversion, colorants: readonly Colorant[]): Words {
  const off = `ΔE ${tidy(answer.deltaE, 1)}`
  const limits = answer.atMost.map(j => colorants[j]!.name)
  const why = answer.isTooLight
    ? fact('cups.base-too-yellow-or')
    : limits.length > 0
      ? fact('cups.at-usual-most-closest', { limits: listOf(limits), hex: answer.colour.hex })
      : fact('cups.its-hue-or-brightness')
  switch (answer.verdict) {
    case 'match':
      return fact('cups.match-when-cured', { off })
    case 'close':
      return fact('cups.close-when-cured', { off })
    case 'near':
      return fact('cups.near-visibly-different', { off, why })
    case 'out-of-reach':
      return fact('cups.out-reach', { off, why })
  }
}

/** Everything that a wish is judged in: base with the pot's colours, age, browning of the cup. */
function setting(plan: Plan, portions: Portions, shelf: Shelf, i: number) {
  const age = ageOf(plan, 'cured', gelOf(plan))
  const brown = brownAt(browningOf(plan, portions, i, shelf), plan, age.days)
  return { base: baseOf(plan, shelf), age, brown, common: commonDoses(plan, shelf) }
}

/**
 * Doses of the colorants given (one to four) that come closest to a colour in a cup when cured, in its own base with its own
 * browning. With `looksFurther`, tries every other lasting colorant on the shelf beside them.
 *
 * @returns null when none of the colorants is on the shelf, or more than four are asked about
 */
export function reachWish(
  plan: Plan,
  portions: Portions,
  shelf: Shelf,
  cupIndex: number,
  hex: string,
  ids: readonly string[],
  looksFurther = false,
): WishAnswer | null {
  const colorants = ids.flatMap(id => findById(shelf.colorants, id) ?? [])
  if (colorants.length === 0 || colorants.length > MOST_CHOICES) return null
  const { base, age, brown, common } = setting(plan, portions, shelf, cupIndex)
  const wanted = { linear: linearOfHex(hex), lab: labOfHex(hex) }
  const solve = (list: readonly Colorant[]) =>
    invert(wanted, list.map(choiceOf), base, age, { doses: common, extra: brown })
  const answer = solve(colorants)
  let better: WishAnswer['better'] = null
  if (looksFurther && answer.deltaE > 2.5 && colorants.length < MOST_CHOICES) {
    for (const colorant of shelf.colorants) {
      if (colorant.archived || colorant.inLye === 'dies' || ids.includes(colorant.id)) continue
      const off = solve([...colorants, colorant]).deltaE
      if (off < answer.deltaE - WORTH_IT && off < (better?.deltaE ?? Infinity))
        better = { colorant: colorant.id, name: colorant.name, deltaE: off }
    }
  }
  return {
    ...answer,
    hex,
    doses: colorants.map((colorant, j) => ({
      colorant: colorant.id,
      name: colorant.name,
      gPerKg: Number(answer.dosesGPerKg[j]!.toPrecision(3)),
    })),
    sentence: sentenceOf(answer, colorants),
    better,
  }
}

/** The cup's colorants with the doses of an answer; a colorant that is not in the cup yet is put in. */
export function withDoses(plan: Plan, shelf: Shelf, cupIndex: number, answer: WishAnswer): CupColorant[] {
  const perOils = unitBatter(plan.recipe, shelf).batterG
  const cup = plan.cups[cupIndex]!
  const kept = cup.colorants.map(part => {
    const found = answer.doses.find(dose => dose.colorant === part.colorant)
    if (!found) return part
    const doseGPerKg = part.basis === 'oils' ? found.gPerKg * perOils : found.gPerKg
    return { ...part, doseGPerKg: Number(doseGPerKg.toPrecision(4)), slurry: null }
  })
  const fresh = answer.doses
    .filter(dose => !cup.colorants.some(part => part.colorant === dose.colorant))
    .map(dose => newCupColorant(findById(shelf.colorants, dose.colorant)!, dose.gPerKg))
  return [...kept, ...fresh].filter(part => part.doseGPerKg > 0.0005)
}

/** A colorant as it first goes into a cup. */
export const newCupColorant = (colorant: Colorant, doseGPerKg = colorant.referenceDoseGPerKg): CupColorant => ({
  colorant: colorant.id,
  doseGPerKg,
  basis: 'batter',
  medium: colorant.form === 'powder' ? colorant.medium : 'none',
  mediumRatio: colorant.form === 'powder' ? colorant.mediumRatio : 0,
  slurry: null,
})

export interface StripStep {
  factor: number
  colour: SoapColour
}

const FACTORS = [0, 0.125, 0.25, 0.5, 0.75, 1, 1.5, 2, 3]

/** A cup's colour with all its doses together weaker and stronger, cured: a strip of tints. */
export function stripOf(plan: Plan, portions: Portions, shelf: Shelf, cupIndex: number): StripStep[] {
  const { base, age, brown, common } = setting(plan, portions, shelf, cupIndex)
  const own = ownDoses(portions, cupIndex, shelf)
  return FACTORS.map(factor => {
    const doses = [...common, ...own.map(dose => ({ ...dose, gPerKg: dose.gPerKg * factor }))]
    return { factor, colour: mixed(base, doses, age, brown) }
  })
}

/** Colorants on the shelf whose soap comes nearest to a colour, each at its best dose in a plain cup. */
export function nearestColorants(plan: Plan, shelf: Shelf, hex: string, most: number) {
  const base = baseOf(plan, shelf)
  const age = ageOf(plan, 'cured', gelOf(plan))
  const wanted = { linear: linearOfHex(hex), lab: labOfHex(hex) }
  return shelf.colorants
    .filter(colorant => !colorant.archived && colorant.inLye !== 'dies')
    .map(colorant => {
      const found = invert(wanted, [choiceOf(colorant)], base, age)
      const { colour, deltaE: off } = found
      return { colorant: colorant.id, name: colorant.name, gPerKg: found.dosesGPerKg[0]!, hex: colour.hex, deltaE: off }
    })
    .sort((a, b) => a.deltaE - b.deltaE)
    .slice(0, most)
}
