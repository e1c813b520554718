import { CONSTANTS } from '../quantities/constants/index.ts'
import { fact, listOf } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { naohPerG } from '../recipe/index.ts'
import { findById } from '../shelf/index.ts'
import type { Ingredient, Oil, Scent, Shelf, ShelfItem } from '../shelf/index.ts'
import { materialsOf } from '../weighing/index.ts'
import type { Material } from '../weighing/index.ts'
import type { LabelSchool } from './style.ts'

/** What stands on a label of what is in the soap. Masses in g of the whole batch. */

export interface LabelName {
  name: string
  massG: number
  share: number
  part: 'main' | 'scent' | 'allergen' | 'colour'
}

export interface IngredientList {
  names: LabelName[]
  /** As it is printed. */
  text: string
  /** What a maker has to look at before it is printed. */
  doubts: Words[]
}

/** Of a scent, that has no name of its own on the shelf. Cosmetic rules of the EU, Article 19. */
const SCENT = 'Parfum'
const COLOURS = /^(?:CI \d{5}(?:, )?|Mica(?:, )?)+$/
/** Of a soap that is rinsed off: an allergen above it is named. Annex III of Regulation (EC) 1223/2009: 0.01 %. */
export const RINSE_OFF_SHARE = 0.0001
/** From here down the order is free: Article 19 of the same. */
const FREE_ORDER_SHARE = 0.01

const UNCOUNTED_NAMES: Readonly<Record<string, string>> = {
  lye: 'Sodium Hydroxide',
  water: 'Aqua',
  alcohol: 'Alcohol',
}

/** g/mol. Three of lye make one of glycerin out of a fat. */
const NAOH = CONSTANTS.naohMolarMass.value
const GLYCERIN = 92.094

function itemOf(shelf: Shelf, { kind, id }: Material): Ingredient | null {
  const item = kind === 'uncounted' ? undefined : findById<ShelfItem>(shelf[kind], id)
  return item && 'inci' in item ? (item as Ingredient) : null
}

interface Named {
  name: string
  massG: number
  part: LabelName['part']
}

/** Names that stand together in one field are listed each, with an equal part of the mass: what they share is not known. */
const apart = (text: string, massG: number, part: LabelName['part']): Named[] => {
  const names = text
    .split(',')
    .map(name => name.trim())
    .filter(Boolean)
  return names.map(name => ({ name, massG: massG / names.length, part }))
}

/** Oils that became soap, and what of them did not. */
function soapOf(oil: Oil, massG: number, superfatShare: number): Named[] {
  const reacted = massG * (1 - superfatShare)
  const lyeG = naohPerG(oil) * reacted
  const glycerinG = (lyeG / (3 * NAOH)) * GLYCERIN
  return [
    ...apart(oil.inciSoap, reacted + lyeG - glycerinG, 'main'),
    { name: 'Glycerin', massG: glycerinG, part: 'main' },
    ...(superfatShare > 0 ? apart(oil.inci, massG * superfatShare, 'main') : []),
  ]
}

const partOf = (kind: Material['kind'], inci: string): LabelName['part'] =>
  kind === 'scents' ? 'scent' : kind === 'colorants' && COLOURS.test(inci) ? 'colour' : 'main'

/** Its allergens, also those of the parts of a blend. */
function allergensOf(shelf: Shelf, scent: Scent, massG: number): Named[] {
  const own = scent.allergens.map(({ name, share }) => ({ name, massG: massG * share, part: 'allergen' as const }))
  return [
    ...own,
    ...scent.parts.flatMap(({ scent: id, share }) => {
      const inner = findById(shelf.scents, id)
      return inner && inner.type !== 'blend' ? allergensOf(shelf, inner, massG * share) : []
    }),
  ]
}

/** One of each name, its masses together. */
function merged(names: readonly Named[]): Named[] {
  const all = new Map<string, Named>()
  for (const one of names) {
    const key = one.name.toLowerCase()
    const known = all.get(key)
    all.set(key, known ? { ...known, massG: known.massG + one.massG } : one)
  }
  return [...all.values()]
}

const ORDER: Readonly<Record<LabelName['part'], number>> = { main: 0, scent: 0, allergen: 1, colour: 2 }
/** By mass down to 1 %; what is less than that follows in no order that is asked for, and colours stand last. */
function inOrder(names: readonly LabelName[]): LabelName[] {
  const group = (one: LabelName) =>
    one.part === 'colour' ? 3 : one.share >= FREE_ORDER_SHARE ? 0 : 1 + ORDER[one.part]
  return [...names].sort((a, b) => group(a) - group(b) || b.massG - a.massG || a.name.localeCompare(b.name))
}

interface Sorted {
  named: Named[]
  nameless: Words[]
  /** Oils without a name of their soap. */
  soapless: Words[]
  allergens: Named[]
  /** Scents whose allergens nobody has entered. */
  unlisted: Words[]
}

function sortedOut(shelf: Shelf, materials: readonly Material[], school: LabelSchool, superfatShare: number): Sorted {
  const sorted: Sorted = { named: [], nameless: [], soapless: [], allergens: [], unlisted: [] }
  // Lye that fats without a name of their soap take is listed as it was put in.
  let lyeG = 0
  for (const material of materials) {
    const { kind, id, name, massG } = material
    const item = itemOf(shelf, material)
    if (kind === 'oils' && item && school === 'as-made') {
      const oil = item as Oil
      if (oil.inciSoap !== '' && oil.inci !== '') {
        sorted.named.push(...soapOf(oil, massG, superfatShare))
        continue
      }
      if (oil.inciSoap === '') sorted.soapless.push(name)
      lyeG += naohPerG(oil) * massG * (1 - superfatShare)
    }
    if (kind === 'uncounted' && id === 'lye') {
      if (school === 'put-in') sorted.named.push({ name: UNCOUNTED_NAMES['lye']!, massG, part: 'main' })
      continue
    }
    if (kind === 'scents' && item) {
      const scent = item as Scent
      const allergens = allergensOf(shelf, scent, massG)
      sorted.allergens.push(...allergens)
      if (allergens.length === 0) sorted.unlisted.push(name)
    }
    const inci = item?.inci || (kind === 'scents' ? SCENT : (UNCOUNTED_NAMES[id] ?? ''))
    if (inci === '') {
      sorted.nameless.push(name)
      continue
    }
    sorted.named.push(...apart(inci, massG, partOf(kind, inci)))
  }
  if (lyeG > 0) sorted.named.push({ name: UNCOUNTED_NAMES['lye']!, massG: lyeG, part: 'main' })
  return sorted
}

/**
 * Ingredients of a batch in the names and the order that cosmetic rules ask for: by mass as they went in, what is under 1 % after
 * that, allergens of the scents above the limit for what is rinsed off, colours last. It is a help, not a legal opinion.
 *
 * @param curedG of the whole batch when it is ready, g; allergens are held against it
 * @param weights by key of the weigh list, g, as they were really weighed
 */
export function ingredientList(
  plan: Plan,
  shelf: Shelf,
  portions: Portions,
  { school, curedG, weights = {} }: { school: LabelSchool; curedG: number; weights?: Readonly<Record<string, number>> },
): IngredientList {
  const materials = materialsOf(plan, shelf, portions, weights).filter(one => one.massG > 0)
  const { named, nameless, soapless, allergens, unlisted } = sortedOut(
    ...([shelf, materials, school, Math.max(0, portions.superfatShare)] as const),
  )
  const told = merged(allergens).filter(one => curedG > 0 && one.massG / curedG > RINSE_OFF_SHARE)
  const all = merged([...named, ...told])
  const whole = merged(named).reduce((sum, one) => sum + one.massG, 0)
  const names = inOrder(all.map(one => ({ ...one, share: whole > 0 ? one.massG / whole : 0 })))
  const doubts: Words[] = []
  if (nameless.length > 0) doubts.push(fact('labels.nameless', { names: listOf(nameless) }))
  if (soapless.length > 0) doubts.push(fact('labels.soapless', { names: listOf(soapless) }))
  if (unlisted.length > 0) doubts.push(fact('labels.allergens-unknown', { names: listOf(unlisted) }))
  return { names, text: names.map(one => one.name).join(', '), doubts }
}
