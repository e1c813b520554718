import { say } from '../quantities/words/index.ts'
import { readCell } from './cells.ts'
import { fieldsOfKind, findById, newItem, shelfKinds } from './shelf.ts'
import type { ItemOf, Shelf, ShelfKind } from './shelf.ts'
import type { ShelfItem } from './item.ts'
import { ADDITIVES } from './tables/additives.ts'
import { COLORANTS } from './tables/colorants.ts'
import { LABEL_NAMES } from './tables/label-names.ts'
import { LIQUIDS } from './tables/liquids.ts'
import { MOULDS } from './tables/moulds.ts'
import { OILS } from './tables/oils.ts'
import { SCENTS } from './tables/scents.ts'
import { TOOLS } from './tables/tools.ts'
import { VESSELS } from './tables/vessels.ts'

const TABLES: Readonly<Record<ShelfKind, string>> = {
  oils: OILS,
  liquids: LIQUIDS,
  additives: ADDITIVES,
  scents: SCENTS,
  colorants: COLORANTS,
  palettes: '',
  moulds: MOULDS,
  vessels: VESSELS,
  tools: TOOLS,
}

const cellsOf = (line: string): string[] => line.split('|').map(cell => cell.trim())

let names: Map<string, { inci: string; inciSoap: string }> | undefined

/** What an item is called on labels. */
function labelNames(kind: ShelfKind, id: string): object {
  names ??= new Map(
    LABEL_NAMES.trim()
      .split('\n')
      .map(cellsOf)
      .map(([of, item, inci, inciSoap]) => [`${of} ${item}`, { inci: inci!, inciSoap: inciSoap! }]),
  )
  const known = names.get(`${kind} ${id}`)
  if (!known) return {}
  return kind === 'oils' ? known : { inci: known.inci }
}

/** Items of a table whose first line names the fields and whose cells are parted by bars. */
function itemsOf(kind: ShelfKind): unknown[] {
  const [head, ...lines] = TABLES[kind].trim().split('\n')
  const keys = cellsOf(head!)
  if (head === '') return []
  const fields = new Map(fieldsOfKind(kind).map(field => [field.key, field]))
  return lines.map(line => {
    const item: Record<string, unknown> = { ...newItem(kind), source: 'literature' }
    cellsOf(line).forEach((text, i) => {
      const key = keys[i]!
      if (key === 'id') return void (item['id'] = text)
      const field = fields.get(key)
      if (!field) throw new Error(`the ${kind} table has a column “${key}” that no ${kind} have`)
      const read = readCell(field, text)
      if (!read.ok) throw new Error(`${item['id'] as string}: ${say(read.sentence)}`)
      item[key] = read.value
    })
    return { ...item, ...labelNames(kind, String(item['id'])) }
  })
}

let made: Shelf | undefined

/** What a new workshop starts with. */
export function referenceShelf(): Shelf {
  made ??= {
    ...(Object.fromEntries(shelfKinds.map(kind => [kind, itemsOf(kind)])) as unknown as Omit<
      Shelf,
      'rules' | 'windows' | 'times' | 'evidence'
    >),
    rules: [{ tag: 'not-cosmetic', weight: 'never' }],
    windows: [],
    times: [],
    evidence: [],
  }
  return made
}

/**
 * A stored item with values for fields that came later than it: those of the reference item of the same id, or the usual ones.
 * A colorant that was given one colour has it in the soap too.
 */
export function completed<K extends ShelfKind>(kind: K, item: object): ItemOf<K> {
  const { id, hex } = item as { id?: string; hex?: string }
  const known = findById<ShelfItem>(referenceShelf()[kind], id ?? '')
  const own = kind === 'colorants' && !known && hex ? { soapHex: hex, freshHex: hex } : {}
  return { ...newItem(kind), ...known, ...own, ...item }
}

/** A shelf as it was kept whole, before some of its fields were there, with what its items lack filled in. */
export const wholeShelf = (shelf: Shelf): Shelf => ({
  ...shelf,
  ...(Object.fromEntries(
    shelfKinds.map(kind => [kind, shelf[kind].map(item => completed(kind, item))]),
  ) as unknown as Pick<Shelf, ShelfKind>),
})
