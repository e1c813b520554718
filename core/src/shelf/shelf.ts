import { fact, keepingZeros, plain } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Evidence } from './evidence.ts'
import type { OwnTime } from './own-times.ts'
import type { OwnWindow } from './own-windows.ts'
import { Choice, Text } from '../document/fields/index.ts'
import { parseForm } from '../document/checks/index.ts'
import type { Parsed } from '../document/checks/index.ts'
import { MouldShape, Tool, Vessel } from './equipment.ts'
import { fieldsOf } from './fields.ts'
import type { Field } from './fields.ts'
import { Colorant, Palette } from './colorant.ts'
import { Additive, Liquid, Oil, Scent } from './ingredients.ts'
import { TAGS } from './item.ts'
import type { ShelfItem, Tag } from './item.ts'

/** What a workshop thinks of a tag: it never uses it, or wants to be told. */
export class TagRule {
  @Choice(Object.keys(TAGS), 'A rule is about one of the known kinds of content.', { optional: true })
  tag?: Tag

  @Text(1, 60, 'A rule of one’s own is about a word of 1 to 60 letters.', { optional: true })
  word?: string

  @Choice(['never', 'tell'], 'A rule says never, or tell.')
  weight!: 'never' | 'tell'
}

const alike = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase()

/** Rules that an item falls under, each with what it holds, in words. */
export const rulesOn = (rules: readonly TagRule[], item: ShelfItem): { rule: TagRule; holds: string }[] =>
  rules.flatMap(rule => {
    if (rule.tag !== undefined && item.tags.includes(rule.tag)) return [{ rule, holds: TAGS[rule.tag] }]
    const { word } = rule
    return word !== undefined && item.words.some(one => alike(one, word)) ? [{ rule, holds: word }] : []
  })

/** What the workshop owns, as the calculations need it. Every value is a starting value: a supplier's document wins. */
export interface Shelf {
  oils: readonly Oil[]
  liquids: readonly Liquid[]
  additives: readonly Additive[]
  scents: readonly Scent[]
  colorants: readonly Colorant[]
  palettes: readonly Palette[]
  moulds: readonly MouldShape[]
  vessels: readonly Vessel[]
  tools: readonly Tool[]
  rules: readonly TagRule[]
  /** Windows that the workshop has shifted. */
  windows: readonly OwnWindow[]
  /** Times of the hands that it has measured. */
  times: readonly OwnTime[]
  /** What its batches have taught of pace. */
  evidence: readonly Evidence[]
}

export type ShelfKind = Exclude<keyof Shelf, 'rules' | 'windows' | 'times' | 'evidence'>
export type ItemOf<K extends ShelfKind> = Shelf[K][number]

interface KindAbout {
  /** The class that checks items of this kind. */
  type: new () => ShelfItem
  one: string
  many: string
  /** Lots are counted in g, or in pieces. */
  countedIn: 'g' | 'pieces'
}

export const SHELF_KINDS: Readonly<Record<ShelfKind, KindAbout>> = {
  oils: { type: Oil, one: 'oil', many: 'Oils', countedIn: 'g' },
  liquids: { type: Liquid, one: 'liquid', many: 'Liquids', countedIn: 'g' },
  additives: { type: Additive, one: 'additive', many: 'Additives', countedIn: 'g' },
  scents: { type: Scent, one: 'scent', many: 'Scents', countedIn: 'g' },
  colorants: { type: Colorant, one: 'colorant', many: 'Colorants', countedIn: 'g' },
  palettes: { type: Palette, one: 'palette', many: 'Palettes', countedIn: 'pieces' },
  moulds: { type: MouldShape, one: 'mould', many: 'Moulds', countedIn: 'pieces' },
  vessels: { type: Vessel, one: 'vessel', many: 'Vessels', countedIn: 'pieces' },
  tools: { type: Tool, one: 'tool', many: 'Tools', countedIn: 'pieces' },
}

export const shelfKinds = Object.keys(SHELF_KINDS) as ShelfKind[]

/** At most this many items of one kind: more slow down every list they stand in. */
export const MOST_ITEMS = 5000

export const fieldsOfKind = (kind: ShelfKind): readonly Field[] => fieldsOf(SHELF_KINDS[kind].type)

/** The second of two lots with one mark: nobody could tell which of them went into a batch. */
function twinLot({ lots }: ShelfItem): { path: string; value: unknown; sentence: Words } | null {
  const marks = lots.map(lot => lot.mark.trim().toLowerCase())
  const i = marks.findIndex((mark, at) => mark !== '' && marks.indexOf(mark) < at)
  if (i < 0) return null
  const { mark } = lots[i]!
  return { path: `lots.${i}.mark`, value: mark, sentence: fact('shelf.two-lots-one-mark', { mark }) }
}

/** Sums that no single field can know. */
function ofOne(kind: ShelfKind, item: ShelfItem): { path: string; value: unknown; sentence: Words } | null {
  const twin = twinLot(item)
  if (twin) return twin
  if (kind === 'oils') {
    const oil = item as Oil
    const acids = acidsOf(oil)
    if (acids > 1.005) {
      const sentence = fact('shelf.fatty-acids-add-up', { acids: keepingZeros(plain(acids * 100, 1)) })
      return { path: 'oleic', value: oil.oleic, sentence }
    }
    if (oil.sapKohLowMgPerG > oil.sapKohMgPerG || oil.sapKohHighMgPerG < oil.sapKohMgPerG) {
      const sentence = fact('shelf.usual-low-at-most')
      return { path: 'sapKohMgPerG', value: oil.sapKohMgPerG, sentence }
    }
  }
  if (kind === 'oils' && (item as Oil).blend.length > 0) return notWhole('blend', (item as Oil).blend)
  if (kind === 'scents' && (item as Scent).type === 'blend') return notWhole('parts', (item as Scent).parts)
  return null
}

/** Parts of a blend that do not add up to all of it. */
function notWhole(path: string, parts: readonly { share: number }[]): ReturnType<typeof ofOne> {
  const whole = parts.reduce((sum, part) => sum + part.share, 0)
  if (Math.abs(whole - 1) <= 0.0015) return null
  const sentence = fact('shelf.parts-blend-add-up', { whole: keepingZeros(plain(whole * 100, 1)) })
  return { path, value: whole, sentence }
}

const acidsOf = (oil: Oil): number =>
  oil.shortChain +
  oil.lauric +
  oil.myristic +
  oil.palmitic +
  oil.stearic +
  oil.oleic +
  oil.ricinoleic +
  oil.linoleic +
  oil.linolenic

const LATER: Partial<Record<ShelfKind, object>> = { oils: { blend: [] }, moulds: { taperMm: 0 } }

/** Lists that items got later: what was written before, by a page that is still open or in a file, has none in them. */
const withLater = (kind: ShelfKind, value: unknown): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? { words: [], ...LATER[kind], ...value } : value

/** Checks a value that claims to be an item of a kind; unknown names are refused. */
export function checkItem<K extends ShelfKind>(kind: K, value: unknown): Parsed<ItemOf<K>> {
  const parsed = parseForm(SHELF_KINDS[kind].type, withLater(kind, value))
  if (!parsed.ok) return parsed
  const problem = ofOne(kind, parsed.value)
  return problem ? { ok: false, problems: [problem] } : { ok: true, value: { ...parsed.value } as ItemOf<K> }
}

/** A new item with the kind's usual values, still without a name. */
export function newItem<K extends ShelfKind>(kind: K): ItemOf<K> {
  const values = Object.fromEntries(
    fieldsOfKind(kind).map(field => [field.key, Array.isArray(field.start) ? [] : field.start]),
  )
  return { id: 'new', lots: [], ...LISTS[kind], ...values } as unknown as ItemOf<K>
}

/** Lists of a kind beside its fields; a new item has none in them. */
const LISTS: Partial<Record<ShelfKind, object>> = {
  oils: { blend: [] },
  scents: { parts: [], allergens: [] },
  colorants: { swatches: [] },
  palettes: { colours: [] },
}

export const findById = <T extends { id: string }>(items: readonly T[], id: string): T | undefined =>
  items.find(item => item.id === id)

/** An id from a name that `taken` does not have yet, e.g. "rose-clay-2". */
export function idFromName(name: string, taken: (id: string) => boolean): string {
  const plain = name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, 34)
    .replace(/^-+|-+$/g, '')
  // “new” stands for an item that is not stored yet.
  const base = plain === '' || plain === 'new' ? 'item' : plain
  if (!taken(base)) return base
  for (let n = 2; ; n += 1) if (!taken(`${base}-${n}`)) return `${base}-${n}`
}

/** What is left of an item in all its lots, g or pieces. */
export const stockOf = (item: Pick<ShelfItem, 'lots'>): number => item.lots.reduce((sum, lot) => sum + lot.left, 0)

/** Price of a gram (or piece) by the lots with a price, or null. */
export function unitCost(item: Pick<ShelfItem, 'lots'>): number | null {
  const priced = item.lots.filter(lot => lot.cost > 0 && lot.bought > 0)
  const bought = priced.reduce((sum, lot) => sum + lot.bought, 0)
  return bought > 0 ? priced.reduce((sum, lot) => sum + lot.cost, 0) / bought : null
}
