import { fact, grams, keepingZeros, plain } from '../quantities/facts/index.ts'
import type { Fact } from '../quantities/facts/index.ts'
import type { Colorant } from './colorant.ts'
import type { Additive, Liquid, Oil, Scent } from './ingredients.ts'
import { fattyGroups, isHard } from './fatty.ts'
import { TAGS } from './item.ts'
import type { ShelfItem, Tag } from './item.ts'
import { rulesOn, unitCost } from './shelf.ts'
import type { Shelf, ShelfKind } from './shelf.ts'

/** Something that may stand in, with all that changes; the nearest first. */
export interface Substitute {
  id: string
  name: string
  distance: number
  changes: Fact[]
}

const signed = (value: number, decimals: number): string =>
  `${value > 0 ? '+' : value < 0 ? '−' : ''}${Math.abs(value).toFixed(decimals)}`

function common(a: ShelfItem, b: ShelfItem): Fact[] {
  const changes: Fact[] = []
  const words = (tags: readonly Tag[]) => tags.map(tag => TAGS[tag]).join(', ')
  const gone = a.tags.filter(tag => !b.tags.includes(tag))
  const come = b.tags.filter(tag => !a.tags.includes(tag))
  if (come.length > 0) changes.push(fact('shelf.label-now', { tags: words(come) }))
  if (gone.length > 0) changes.push(fact('shelf.label-no-more', { tags: words(gone) }))
  const [before, after] = [unitCost(a), unitCost(b)]
  if (before !== null && after !== null)
    changes.push(fact('shelf.price', { signed: signed((after / before - 1) * 100, 0) }))
  return changes
}

/** Waxes and free acids do in a pot what no oil does. */
const isWaxy = (oil: Oil): boolean => oil.texture === 'wax' || oil.solidWax >= 0.5 || oil.freeAcidShare >= 0.5

function oils(a: Oil, b: Oil): Substitute {
  const [x, y] = [fattyGroups(a), fattyGroups(b)]
  const keys = Object.keys(x) as (keyof typeof x)[]
  const distance =
    keys.reduce((sum, key) => sum + Math.abs(x[key] - y[key]), 0) +
    (isHard(a) === isHard(b) ? 0 : 0.5) +
    (isWaxy(a) === isWaxy(b) ? 0 : 3) +
    Math.abs(a.sapKohMgPerG - b.sapKohMgPerG) / 100 +
    Math.abs(a.quickness - b.quickness) * 0.3
  const pace = (o: typeof x, q: number) =>
    0.3 * o.shortSaturated + 0.6 * o.longSaturated - 1.4 * o.oleic + 1.5 * o.ricinoleic - o.polyunsaturated + q
  const faster = pace(y, b.quickness) - pace(x, a.quickness)
  return {
    id: b.id,
    name: b.name,
    distance,
    changes: [
      fact('shelf.lye-for-its-part', { signed: signed(((b.sapKohMgPerG - a.sapKohMgPerG) / a.sapKohMgPerG) * 100, 1) }),
      Math.abs(faster) < 0.1
        ? fact('shelf.pace-about-same')
        : faster > 0
          ? fact('shelf.quicker-trace')
          : fact('shelf.slower-trace'),
      ...(isHard(a) === isHard(b)
        ? []
        : [isHard(b) ? fact('shelf.hard-instead-liquid') : fact('shelf.liquid-instead-hard')]),
      fact('shelf.iodine', { signed: signed(b.iodineValue - a.iodineValue, 0) }),
      ...common(a, b),
    ],
  }
}

const STEPS = ['slows', 'none', 'mild', 'moderate', 'strong', 'seizes']

function scents(a: Scent, b: Scent): Substitute {
  const steps = STEPS.indexOf(b.acceleration) - STEPS.indexOf(a.acceleration)
  const limit = b.limitShare - a.limitShare
  return {
    id: b.id,
    name: b.name,
    distance:
      Math.max(0, steps) * 2 +
      Math.abs(steps) +
      (a.type === b.type ? 0 : 3) +
      Math.abs(a.vanillinShare - b.vanillinShare) * 20,
    changes: [
      steps === 0
        ? fact('shelf.accelerates-alike', { acceleration: b.acceleration })
        : fact('shelf.accelerates-instead', { acceleration: b.acceleration, acceleration2: a.acceleration }),
      fact('shelf.limit-instead', {
        limitShare: keepingZeros(plain(b.limitShare * 100, 2)),
        limitShare2: keepingZeros(plain(a.limitShare * 100, 2)),
        which: limit < 0 ? fact('shelf.check-load') : '',
      }),
      ...(Math.abs(a.vanillinShare - b.vanillinShare) > 0.005
        ? [fact('shelf.vanillin', { vanillinShare: keepingZeros(plain(b.vanillinShare * 100, 1)) })]
        : []),
      ...common(a, b),
    ],
  }
}

const rgb = (hex: string): number[] => [1, 3, 5].map(i => parseInt(hex.slice(i, i + 2), 16))

function colorants(a: Colorant, b: Colorant): Substitute {
  const [x, y] = [rgb(a.soapHex), rgb(b.soapHex)]
  const distance = Math.hypot(...x.map((value, i) => value - y[i]!)) / 255 + (b.inLye === 'stable' ? 0 : 0.5)
  return {
    id: b.id,
    name: b.name,
    distance,
    changes: [
      fact('shelf.dose', { signed: signed((b.referenceDoseGPerKg / a.referenceDoseGPerKg - 1) * 100, 0) }),
      ...(a.medium === b.medium ? [] : [fact('shelf.mixed-instead', { medium: b.medium, medium2: a.medium })]),
      ...(b.inLye === a.inLye ? [] : [fact('shelf.in-lye', { inLye: b.inLye })]),
      ...(b.inLight === a.inLight ? [] : [fact('shelf.in-light', { inLight: b.inLight })]),
      ...common(a, b),
    ],
  }
}

function liquids(a: Liquid, b: Liquid): Substitute {
  return {
    id: b.id,
    name: b.name,
    distance:
      Math.abs(a.fatShare - b.fatShare) * 5 +
      Math.abs(a.sugarShare - b.sugarShare) * 8 +
      Math.abs(a.waterShare - b.waterShare) +
      Math.abs(a.acidLyePerG - b.acidLyePerG) * 50 +
      Math.abs(a.mostShareOfWater - b.mostShareOfWater) * 0.3,
    changes: [
      fact('shelf.water-fat-sugar', {
        waterShare: keepingZeros(plain(b.waterShare * 100, 0)),
        fatShare: keepingZeros(plain(b.fatShare * 100, 1)),
        sugarShare: keepingZeros(plain(b.sugarShare * 100, 1)),
      }),
      ...(a.heat === b.heat ? [] : [fact('shelf.heat-instead', { heat: b.heat, heat2: a.heat })]),
      ...common(a, b),
    ],
  }
}

function additives(a: Additive, b: Additive): Substitute {
  return {
    id: b.id,
    name: b.name,
    distance: (a.role === b.role ? 0 : 2) + Math.abs(a.lnViscosityPerPercent - b.lnViscosityPerPercent) * 3,
    changes: [
      fact('shelf.dose-g-per-kg', { usualLeastGPerKg: b.usualLeastGPerKg, usualMostGPerKg: b.usualMostGPerKg }),
      ...(a.moment === b.moment
        ? []
        : [
            fact('shelf.goes-in', {
              which:
                b.moment === 'lye'
                  ? fact('shelf.lye-water')
                  : b.moment === 'oils'
                    ? fact('shelf.the-oils')
                    : fact('shelf.at-trace'),
            }),
          ]),
      ...(a.acidLyePerG === b.acidLyePerG
        ? []
        : [fact('shelf.takes-naoh-per-g', { acidLyePerG: keepingZeros(grams(b.acidLyePerG, 3)) })]),
      ...common(a, b),
    ],
  }
}

/** Kinds that a stand-in can be found for. */
export type SubstitutableKind = Extract<ShelfKind, 'oils' | 'scents' | 'colorants' | 'liquids' | 'additives'>

const isNever = (shelf: Shelf, item: ShelfItem): boolean =>
  rulesOn(shelf.rules, item).some(({ rule }) => rule.weight === 'never')

/** What may stand in for an item, the nearest first; archived ones and what the workshop never uses are left out. */
export function substitutesFor(shelf: Shelf, kind: SubstitutableKind, id: string, most = 5): Substitute[] {
  const items: readonly ShelfItem[] = shelf[kind]
  const item = items.find(one => one.id === id)
  if (!item) return []
  const measure = (other: ShelfItem): Substitute => {
    switch (kind) {
      case 'oils':
        return oils(item as Oil, other as Oil)
      case 'scents':
        return scents(item as Scent, other as Scent)
      case 'colorants':
        return colorants(item as Colorant, other as Colorant)
      case 'liquids':
        return liquids(item as Liquid, other as Liquid)
      case 'additives':
        return additives(item as Additive, other as Additive)
    }
  }
  return items
    .filter(other => other.id !== id && !other.archived && !isNever(shelf, other))
    .map(measure)
    .sort((a, b) => a.distance - b.distance)
    .slice(0, most)
}
