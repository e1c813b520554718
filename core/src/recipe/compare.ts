import type { Recipe } from './recipe-part.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { unitBatter } from './batter.ts'
import { FAT_GROUPS, characterOf, groupShare } from './character.ts'
import type { FatGroupKey } from './character.ts'

export interface ComparedLine {
  label: string
  a: string
  b: string
  differs: boolean
}

const percent = (share: number | undefined): string =>
  share === undefined ? '–' : `${Number((share * 100).toFixed(2))} %`

/** Two recipes side by side: what goes in, and what comes of it. */
export function compareRecipes(a: Recipe, b: Recipe, shelf: Shelf): ComparedLine[] {
  const line = (label: string, x: string, y: string): ComparedLine => ({ label, a: x, b: y, differs: x !== y })
  const both = <T>(x: readonly T[], y: readonly T[], id: (item: T) => string) => [...new Set([...x, ...y].map(id))]
  const part = (recipe: Recipe, oil: string) => {
    const found = recipe.oils.find(one => one.oil === oil)
    return found
      ? `${percent(found.share)}${found.late ? ', late' : ''}${found.infusion ? `, ${found.infusion.plant}` : ''}`
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
      return line(`${findById(shelf.liquids, id)?.name ?? id}, of the water`, of(a), of(b))
    }),
    ...both(a.additives, b.additives, one => one.additive).map(id => {
      const of = (recipe: Recipe) => {
        const found = recipe.additives.find(one => one.additive === id)
        return found ? `${found.gPerKgOils} g/kg` : '–'
      }
      return line(findById(shelf.additives, id)?.name ?? id, of(a), of(b))
    }),
    line('superfat', percent(a.superfatShare), percent(b.superfatShare)),
    line('lye purity', percent(a.lyePurityShare), percent(b.lyePurityShare)),
    line('lye concentration', percent(ua.water.concentration), percent(ub.water.concentration)),
    line('water, of the oils', percent(ua.water.shareOfOils), percent(ub.water.shareOfOils)),
    line('lye for 1 kg of oils', `${(ua.lyeG * 1000).toFixed(1)} g`, `${(ub.lyeG * 1000).toFixed(1)} g`),
    line('iodine value', ca.iodineValue.toFixed(0), cb.iodineValue.toFixed(0)),
    line('hard oils', percent(ca.hardShare), percent(cb.hardShare)),
    ...(Object.keys(FAT_GROUPS) as FatGroupKey[]).map(key =>
      line(FAT_GROUPS[key].name, percent(groupShare(ca, key)), percent(groupShare(cb, key))),
    ),
    line('heat in the mould', ca.heatLoad, cb.heatLoad),
  ]
}
