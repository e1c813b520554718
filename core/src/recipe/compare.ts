import { fact, grams, keepingZeros, share, together } from '../quantities/facts/index.ts'
import type { FactValue, Measure, Words } from '../quantities/facts/index.ts'
import { say } from '../quantities/words/index.ts'
import type { Recipe } from './recipe-part.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { unitBatter } from './batter.ts'
import { FAT_GROUPS, characterOf, groupShare } from './character.ts'
import type { FatGroupKey } from './character.ts'

export interface ComparedLine {
  label: Words
  a: FactValue
  b: FactValue
  differs: boolean
}

const percent = (value: number | undefined): Words | Measure => (value === undefined ? '–' : share(value, 2))

/** Two recipes side by side: what goes in, and what comes of it. */
export function compareRecipes(a: Recipe, b: Recipe, shelf: Shelf): ComparedLine[] {
  const line = (label: Words, x: FactValue, y: FactValue): ComparedLine => ({
    label,
    a: x,
    b: y,
    differs: say(x) !== say(y),
  })
  const both = <T>(x: readonly T[], y: readonly T[], id: (item: T) => string) => [...new Set([...x, ...y].map(id))]
  const part = (recipe: Recipe, oil: string) => {
    const found = recipe.oils.find(one => one.oil === oil)
    return found
      ? together([percent(found.share), found.late ? fact('recipe.late') : '', found.infusion?.plant ?? ''], ', ')
      : '–'
  }
  const [ua, ub] = [unitBatter(a, shelf), unitBatter(b, shelf)]
  const [ca, cb] = [characterOf(ua), characterOf(ub)]
  return [
    ...both(a.oils, b.oils, one => one.oil).map(id =>
      line(findById(shelf.oils, id)?.name ?? id, part(a, id), part(b, id)),
    ),
    ...both(a.liquids, b.liquids, one => one.liquid).map(id => {
      const of = (recipe: Recipe) => percent(recipe.liquids.find(one => one.liquid === id)?.shareOfWater)
      return line(fact('recipe.of-the-water', { findById: findById(shelf.liquids, id)?.name ?? id }), of(a), of(b))
    }),
    ...both(a.additives, b.additives, one => one.additive).map(id => {
      const of = (recipe: Recipe) => {
        const found = recipe.additives.find(one => one.additive === id)
        return found ? fact('recipe.g-kg', { gPerKgOils: found.gPerKgOils }) : '–'
      }
      return line(findById(shelf.additives, id)?.name ?? id, of(a), of(b))
    }),
    line(fact('superfat'), percent(a.superfatShare), percent(b.superfatShare)),
    line(fact('recipe.lye-purity'), percent(a.lyePurityShare), percent(b.lyePurityShare)),
    line(fact('recipe.lye-concentration'), percent(ua.water.concentration), percent(ub.water.concentration)),
    line(fact('recipe.water-oils'), percent(ua.water.shareOfOils), percent(ub.water.shareOfOils)),
    line(fact('recipe.lye-for-1-kg'), keepingZeros(grams(ua.lyeG * 1000, 1)), keepingZeros(grams(ub.lyeG * 1000, 1))),
    line(fact('recipe.iodine-value'), ca.iodineValue.toFixed(0), cb.iodineValue.toFixed(0)),
    line(fact('recipe.hard-oils'), percent(ca.hardShare), percent(cb.hardShare)),
    ...(Object.keys(FAT_GROUPS) as FatGroupKey[]).map(key =>
      line(fact(FAT_GROUPS[key].name), percent(groupShare(ca, key)), percent(groupShare(cb, key))),
    ),
    line(fact('recipe.heat-mould'), ca.heatLoad, cb.heatLoad),
  ]
}
