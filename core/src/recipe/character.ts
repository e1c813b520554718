import { fact, share, together } from '../quantities/facts/index.ts'
import type { Measure, Words } from '../quantities/facts/index.ts'
import { fattyGroups, isFattyAcid, isHard } from '../shelf/index.ts'
import type { HeatClass, Oil } from '../shelf/index.ts'
import type { OilInRecipe, UnitBatter } from './batter.ts'

/** What kind of soap a recipe makes: shares of all fatty acids, and what follows for bar and batter. */
export interface Character {
  acids: { name: string; share: number }[]
  iodineValue: number
  /** Oils solid at room warmth, share of the oils. */
  hardShare: number
  /** All fatty acids in groups by what they do, from the quickest foam on. Their shares and `restShare` sum to 1. */
  groups: FatGroup[]
  /** Acids that no profile names. */
  restShare: number
  heatLoad: HeatClass
  /** What speaks for the heat load, in words. */
  heatFrom: Words[]
}

export const FAT_GROUPS = {
  quick: {
    name: 'quick foam',
    does: 'foams at once and cleans; much of it dries the skin. In the pot it is quick and warms the mould.',
    acids: ['C6 to C10', 'lauric', 'myristic'],
  },
  hard: {
    name: 'hard and slow to dissolve',
    does: 'makes a bar that lasts. In the pot it thickens early, the more so when it is cool.',
    acids: ['palmitic', 'stearic'],
  },
  mild: {
    name: 'mild and slow',
    does: 'feels mild and foams little. In the pot it is slow and leaves time to swirl.',
    acids: ['oleic'],
  },
  holds: {
    name: 'holds foam',
    does: 'keeps the foam of the others; more than a little makes a sticky bar. In the pot it is quick.',
    acids: ['ricinoleic'],
  },
  soft: {
    name: 'soft and quick to turn',
    does: 'feels silky and stays soft; much of it turns rancid. In the pot it is slow.',
    acids: ['linoleic', 'linolenic'],
  },
} as const
export type FatGroupKey = keyof typeof FAT_GROUPS

/** Fatty acids that do the same in the bar and in the pot. */
export interface FatGroup {
  key: FatGroupKey
  share: number
  /** Oils that it comes from, the largest part first. */
  from: { oil: string; name: string; share: number }[]
}

const ACIDS: readonly [string, (oil: Oil) => number][] = [
  ['C6 to C10', oil => oil.shortChain],
  ['lauric', oil => oil.lauric],
  ['myristic', oil => oil.myristic],
  ['palmitic', oil => oil.palmitic],
  ['stearic', oil => oil.stearic],
  ['oleic', oil => oil.oleic],
  ['ricinoleic', oil => oil.ricinoleic],
  ['linoleic', oil => oil.linoleic],
  ['linolenic', oil => oil.linolenic],
]

const weigh = (oils: readonly OilInRecipe[], of: (oil: Oil) => number): number =>
  oils.reduce((sum, part) => sum + part.share * of(part.oil), 0)

const HEAT_POINTS: Readonly<Record<HeatClass, number>> = { none: 0, low: 0.5, medium: 1, high: 2 }

/**
 * Heat of the mould as low, medium or high: a weighted sum of what is known to heat. Weights are estimates, for a warning.
 */
function heatLoad(unit: UnitBatter, scentHeat: HeatClass): { heatLoad: HeatClass; heatFrom: Words[] } {
  const points: [Words, number][] = [
    [fact('recipe.coconut-type-oils'), Math.max(0, (weigh(unit.oils, oil => oil.lauric + oil.myristic) - 0.17) * 8)],
    [fact('sugar'), unit.sugarShare * 60],
    [fact('recipe.free-fatty-acid'), weigh(unit.oils, oil => oil.freeAcidShare) * 25],
    [fact('recipe.strong-lye'), Math.max(0, (unit.water.concentration - 0.32) * 12)],
    [fact('recipe.the-scent'), HEAT_POINTS[scentHeat]],
    ...unit.liquids.map((part): [Words, number] => [
      part.liquid.name,
      HEAT_POINTS[part.liquid.heat] * part.part.shareOfWater,
    ]),
    ...unit.additives.map((part): [Words, number] => [
      part.additive.name,
      HEAT_POINTS[part.additive.heat] *
        Math.min(1, part.part.gPerKgOils / Math.max(1, part.additive.usualMostGPerKg)) *
        0.5,
    ]),
  ]
  const total = points.reduce((sum, [, n]) => sum + n, 0)
  return {
    heatLoad: total < 0.35 ? 'none' : total < 0.9 ? 'low' : total < 1.8 ? 'medium' : 'high',
    heatFrom: points
      .filter(([, n]) => n >= 0.2)
      .sort((a, b) => b[1] - a[1])
      .map(([name]) => name),
  }
}

const acidOf = (name: string) => ACIDS.find(([known]) => known === name)![1]

function groupsOf(oils: readonly OilInRecipe[]): FatGroup[] {
  return (Object.keys(FAT_GROUPS) as FatGroupKey[]).map(key => {
    const of = (oil: Oil) => FAT_GROUPS[key].acids.reduce((sum, name) => sum + acidOf(name)(oil), 0)
    const from = oils
      .map(({ oil, share }) => ({ oil: oil.id, name: oil.name, share: share * of(oil) }))
      .filter(one => one.share >= 0.001)
      .sort((a, b) => b.share - a.share)
    return { key, share: weigh(oils, of), from }
  })
}

/** A group's share. */
export const groupShare = ({ groups }: Pick<Character, 'groups'>, key: FatGroupKey): number =>
  groups.find(group => group.key === key)!.share

/** The character of a recipe; `scentHeat` is how the scent heats. */
export function characterOf(unit: UnitBatter, scentHeat: HeatClass = 'none'): Character {
  const { oils } = unit
  const acids = ACIDS.map(([name, of]) => ({ name, share: weigh(oils, of) }))
  const groups = groupsOf(oils)
  return {
    acids,
    groups,
    restShare: Math.max(0, 1 - groups.reduce((sum, group) => sum + group.share, 0)),
    iodineValue: weigh(oils, oil => oil.iodineValue),
    hardShare: oils.reduce((sum, part) => sum + (isHard(part.oil) ? part.share : 0), 0),
    ...heatLoad(unit, scentHeat),
  }
}

/** Kinds of pour with the liquid share and the pace that suit them. */
export interface TechniqueFit {
  id: TechniqueKind
  technique: Words
  fit: 'suits' | 'with care' | 'hardly'
  reason: Words
}

const percent = (value: number): Measure => share(value, 0)

export type TechniqueKind = 'swirls' | 'layers' | 'tops'

/** From so much on a scent is fast, ln of its factor; and the share of liquid oils that a fast one wants. Makers' rule. */
const FAST = 0.4
const FAST_WANTS = { low: 0.55, high: 0.7 } as const

/**
 * Which kinds of design a recipe suits, from its liquid share and pace (ln of the rate, 0 = balanced).
 *
 * @param scentLnRate what the scent adds: a fast one wants more liquid oil, except for what is piped
 */
export function techniqueFits(character: Character, lnRate: number, scentLnRate = 0): TechniqueFit[] {
  const liquid = 1 - character.hardShare
  const fit = (
    id: TechniqueKind,
    technique: Words,
    [from, to]: readonly [number, number],
    [paceLow, paceHigh]: readonly [number, number],
  ): TechniqueFit => {
    const isFast = scentLnRate >= FAST && id !== 'tops'
    const [low, high] = isFast ? [Math.max(from, FAST_WANTS.low), Math.max(to, FAST_WANTS.high)] : [from, to]
    const off = Math.max(0, low - liquid, liquid - high)
    const paceOff = Math.max(0, paceLow - lnRate, lnRate - paceHigh)
    const worst = off / 0.15 + paceOff / 0.4
    const suits = fact('recipe.liquid-oils-suit', { liquid: percent(liquid), low: percent(low), high: percent(high) })
    const pace = paceOff > 0 ? (lnRate > paceHigh ? fact('recipe.quick-for') : fact('recipe.slow-for')) : ''
    return {
      id,
      technique,
      fit: worst < 0.35 ? 'suits' : worst < 1.2 ? 'with care' : 'hardly',
      reason: together([suits, pace], ''),
    }
  }
  return [
    fit('swirls', fact('recipe.fine-swirls'), [0.55, 0.75], [-1.2, 0]),
    fit('layers', fact('layers'), [0.4, 0.62], [-0.6, 0.4]),
    fit('tops', fact('recipe.piped-or-textured-tops'), [0.1, 0.4], [-0.2, 1.2]),
  ]
}

const FIT_WORDS = { suits: 'suit it', 'with care': 'want care', hardly: 'hardly suit it' } as const

/** What the groups mean for designs and for the scent, in a sentence. */
export function characterSentence(
  character: Character,
  fits: readonly TechniqueFit[],
  paceWord: Words,
  scent: { name: Words; quickens: boolean } | null,
): Words {
  const [most, next] = [...character.groups].sort((a, b) => b.share - a.share)
  const part = (group: FatGroup) => together([percent(group.share), fact(FAT_GROUPS[group.key].name)])
  const designs = together(
    fits.map(one => together([one.technique, fact(FIT_WORDS[one.fit])])),
    ', ',
  )
  const smell = scent?.quickens ? fact('recipe.quickens-further', { scent: scent.name }) : ''
  return fact('recipe.mostly-batter', { part: part(most!), part2: part(next!), paceWord, designs, smell })
}

export interface RecipeWarning {
  weight: 'stop' | 'warn' | 'hint'
  sentence: Words
}

const named = (parts: readonly OilInRecipe[]): string => parts.map(part => part.oil.name).join(', ')

/** What is wrong or rare about a recipe, gravest first, each with its number. */
export function recipeWarnings(unit: UnitBatter, character: Character): RecipeWarning[] {
  const warnings: RecipeWarning[] = []
  const warn = (weight: RecipeWarning['weight'], sentence: Words) => warnings.push({ weight, sentence })
  const acid = (name: string) => character.acids.find(one => one.name === name)!.share
  const lauricHigh = acid('lauric') + acid('myristic')
  const hardAcids = lauricHigh + groupShare(character, 'hard')
  const fattyAcids = unit.oils.filter(part => isFattyAcid(part.oil))
  const acidShare = fattyAcids.reduce((sum, part) => sum + part.share, 0)
  const wax = unit.oils.filter(part => part.oil.solidWax > 0.5)
  const poly = weigh(unit.oils, oil => fattyGroups(oil).polyunsaturated)
  if (acidShare > 0.03)
    warn('warn', fact('recipe.at-sets-batter-within', { named: named(fattyAcids), acidShare: percent(acidShare) }))
  if (wax.length > 0) warn('hint', fact('recipe.sets-at-about-63', { named: named(wax) }))
  if (hardAcids < 0.25) warn('warn', fact('recipe.only-fatty-acids-make', { hardAcids: percent(hardAcids) }))
  if (hardAcids > 0.58) warn('hint', fact('recipe.hard-fatty-acids-cut', { hardAcids: percent(hardAcids) }))
  if (lauricHigh > 0.26)
    warn(
      unit.superfatShare < 0.08 ? 'warn' : 'hint',
      fact('recipe.lauric-myristic-cleans-hard', {
        lauricHigh: percent(lauricHigh),
        which: unit.superfatShare < 0.08 ? fact('recipe.makers-then-raise-superfat') : '',
      }),
    )
  if (poly > 0.22) warn('hint', fact('recipe.linoleic-linolenic-soap-may', { poly: percent(poly) }))
  if (character.heatLoad === 'high')
    warn('warn', fact('recipe.this-heats-strongly-mould', { heatFrom: together(character.heatFrom, '; ') }))
  if (unit.oils.length > 0 && unit.oils.every(part => part.late)) warn('stop', fact('recipe.every-oil-kept-back'))
  if (unit.superfatShare > 0.25)
    warn('stop', fact('recipe.what-acids-added-fats', { superfatShare: percent(unit.superfatShare) }))
  if (unit.lyeDiscountShare < 0) warn('warn', fact('recipe.until-late-oil-pot'))
  for (const part of unit.oils)
    if (part.share > part.oil.usualMostShare + 0.005)
      warn(
        'hint',
        fact('recipe.at-usual-most', {
          oil: part.oil.name,
          share: percent(part.share),
          usualMostShare: percent(part.oil.usualMostShare),
        }),
      )
  const order = { stop: 0, warn: 1, hint: 2 }
  return warnings.sort((a, b) => order[a.weight] - order[b.weight])
}
