import { Id, Like, NumberFrom, Parts, Text } from '../document/fields/index.ts'
import { Amount, Flag, OneOf, WordList, Words } from './fields.ts'

/** Where an item's values come from, the most trusted first. */
export const SOURCES = {
  measured: 'own measurement',
  supplier: 'supplier’s document',
  literature: 'literature',
  hearsay: 'hearsay',
} as const
export type Source = keyof typeof SOURCES

/** What a label or a workshop's rule may care about. */
export const TAGS = {
  milk: 'milk',
  'tree-nut': 'tree nut',
  peanut: 'peanut',
  soy: 'soy',
  sesame: 'sesame',
  gluten: 'wheat or oats',
  egg: 'egg',
  sulfite: 'sulfite',
  animal: 'from animals',
  bee: 'from bees',
  palm: 'palm',
  plastic: 'plastic',
  'not-cosmetic': 'not permitted in cosmetics',
} as const
export type Tag = keyof typeof TAGS

const DAY = /^(?:\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01]))?$/

/** One purchase of an item. Quantities in g, for moulds, vessels and tools in pieces. */
export class Lot {
  @Id()
  id!: string

  @Text(0, 60, 'A lot’s number or mark has at most 60 letters.')
  mark!: string

  @NumberFrom(0, 10_000_000, 'What was bought is from [0 to 10000 kg].')
  bought!: number

  @NumberFrom(0, 10_000_000, 'What is left is from [0 to 10000 kg].')
  left!: number

  @NumberFrom(0, 10_000_000, 'What the lot cost is a number from 0.')
  cost!: number

  @Like(DAY, 'A use-by date is written like 2027-05-31, or left empty.')
  useBy!: string

  @Like(DAY, 'The day it was opened is written like 2027-05-31, or left empty.', { optional: true })
  opened?: string
}

const MAX_LOTS = 40

/** What all things on the shelf share. */
export abstract class ShelfItem {
  @Id('An item’s id is 1 to 40 small letters, digits and dashes.')
  id!: string

  @Words({ label: 'Name', min: 1, max: 80, inList: true })
  name!: string

  @OneOf({ label: 'Values from', options: SOURCES, start: 'supplier' })
  source!: Source

  @Words({ label: 'Note', max: 600, long: true })
  note!: string

  @WordList({ label: 'Contains or concerns', options: TAGS, most: 20 })
  tags!: Tag[]

  @WordList({ label: 'Words of our own, for rules', most: 12 })
  words!: string[]

  @Flag({ label: 'Archived' })
  archived!: boolean

  @Parts(() => Lot, 0, MAX_LOTS, `An item has at most ${MAX_LOTS} lots; archive the ones used up.`)
  lots!: Lot[]
}

const LABEL = 'On labels and when to buy'

/** What is used up by batches and named on their labels. */
export abstract class Ingredient extends ShelfItem {
  @Words({ label: 'Name on labels (INCI)', max: 160, group: LABEL })
  inci!: string

  @Amount({
    label: 'Buy again at or below (0: never told)',
    quantity: 'mass',
    unit: 'g',
    min: 0,
    max: 1_000_000,
    group: LABEL,
  })
  reorderAtG!: number
}
