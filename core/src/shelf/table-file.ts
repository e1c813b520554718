import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { changesIn } from './item-changes.ts'
import { readCell, writeCell } from './cells.ts'
import type { Field } from './fields.ts'
import type { ShelfItem } from './item.ts'
import { MOST_ITEMS, fieldsOfKind, idFromName, newItem } from './shelf.ts'
import type { ShelfKind } from './shelf.ts'

/** A table file holds at most this many rows. */
export const MOST_ROWS = 20_000

const headOf = (field: Field): string =>
  field.unit && field.kind === 'number' ? `${field.label} [${field.unit}]` : field.label

/** The header row of an exported table. */
export const tableHeaders = (kind: ShelfKind): string[] => ['Id', ...fieldsOfKind(kind).map(headOf)]

/** One item as a row under those headers. Lots and parts of blends stay on the shelf. */
export const tableRow = (kind: ShelfKind, item: ShelfItem): string[] => [
  item.id,
  ...fieldsOfKind(kind).map(field => writeCell(field, (item as unknown as Record<string, unknown>)[field.key])),
]

export interface RowReport {
  /** Row in the file, the header being row 1. */
  row: number
  name: string
  state: 'new' | 'changed' | 'same' | 'refused'
  /** What changes, or why it is refused. */
  details: Words[]
}

export interface TablePreview {
  reports: RowReport[]
  /** New and changed items, ready to be stored. */
  items: ShelfItem[]
  /** Every column of the file, and what it is taken for. */
  columns: TableColumn[]
  problem: Words | null
}

/** A column of a table file. */
export interface TableColumn {
  header: string
  /** What stands in it first; empty where nothing does. */
  sample: string
  /** Key of the field that it fills, `id`, or empty: it is left out. */
  field: string
}

const plain = (text: string): string =>
  text
    .replace(/\[[^\]]*\]/g, '')
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '')

/** A column of the file: the field it fills, the item's id, or nothing known. */
type Column = Field | 'id' | null

/** What columns were said to be: keys of fields, `id`, or empty for those that are left out. */
const chosenColumns = (kind: ShelfKind, chosen: readonly string[]): Column[] =>
  chosen.map(key => (key === 'id' ? key : (fieldsOfKind(kind).find(field => field.key === key) ?? null)))

/** What columns are by their headers, in English or as fields are called where the file is read. */
function columnsOf(kind: ShelfKind, headers: readonly string[], called: ReadonlyMap<string, string>): Column[] {
  const fields = fieldsOfKind(kind)
  const taken = new Set<Column>()
  return headers.map(header => {
    const wanted = plain(header)
    const found =
      wanted === 'id'
        ? 'id'
        : (fields.find(
            field =>
              !taken.has(field) &&
              [field.label, field.key, called.get(field.key) ?? ''].some(name => plain(name) === wanted),
          ) ?? null)
    if (found !== null) taken.add(found)
    return found
  })
}

/** Reads the rows of a table file one after another, so that a caller may show progress between them. */
export class TableReader {
  readonly #kind: ShelfKind
  readonly #columns: Column[]
  readonly #byId: Map<string, ShelfItem>
  readonly #byName: Map<string, ShelfItem>
  readonly #seen = new Map<string, number>()
  readonly #ids: Set<string>
  readonly preview: TablePreview

  /**
   * @param chosen  what each column is, where somebody has said so; otherwise its header tells
   * @param called  what fields are called in the language of whoever reads, by their keys
   */
  constructor(
    kind: ShelfKind,
    headers: readonly string[],
    existing: readonly ShelfItem[],
    chosen: readonly string[] | null = null,
    called: ReadonlyMap<string, string> = new Map(),
  ) {
    this.#kind = kind
    this.#columns = chosen ? chosenColumns(kind, chosen) : columnsOf(kind, headers, called)
    this.#byId = new Map(existing.map(item => [item.id, item]))
    this.#byName = new Map(existing.map(item => [item.name.toLowerCase(), item]))
    this.#ids = new Set(this.#byId.keys())
    const hasName = this.#columns.some(column => column !== null && column !== 'id' && column.key === 'name')
    const columns = headers.map((header, i): TableColumn => {
      const column = this.#columns[i] ?? null
      return { header, sample: '', field: column === null ? '' : column === 'id' ? column : column.key }
    })
    this.preview = { reports: [], items: [], columns, problem: hasName ? null : fact('shelf.no-name-column') }
  }

  /** Takes note of what stands first in each column, for whoever has to tell them apart. */
  sample(cells: readonly string[]): void {
    this.preview.columns.forEach((column, i) => (column.sample ||= (cells[i] ?? '').trim()))
  }

  /** Reads one row; `row` counts the header as 1. */
  read(cells: readonly string[], row: number): void {
    if (cells.every(cell => cell.trim() === '')) return
    const values: Record<string, unknown> = {}
    const reasons: Words[] = []
    let id = ''
    this.#columns.forEach((column, i) => {
      const text = cells[i] ?? ''
      if (column === 'id') id = text.trim()
      else if (column !== null) {
        const read = readCell(column, text)
        if (read.ok) values[column.key] = read.value
        else reasons.push(read.sentence)
      }
    })
    const name = typeof values['name'] === 'string' ? values['name'] : ''
    if (name === '' || name.length > 80) reasons.unshift(fact('shelf.no-name'))
    if (id !== '' && !/^[a-z0-9](?:[a-z0-9-]{0,38}[a-z0-9])?$/.test(id)) reasons.push(fact('shelf.like-an-id'))
    const before = this.#byId.get(id) ?? (id === '' ? this.#byName.get(name.toLowerCase()) : undefined)
    const key = before?.id ?? (id || name.toLowerCase())
    const earlier = this.#seen.get(key)
    if (earlier !== undefined) reasons.push(fact('shelf.row-twice', { row: earlier }))
    else this.#seen.set(key, row)
    if (reasons.length > 0) return void this.preview.reports.push({ row, name, state: 'refused', details: reasons })
    this.#take(row, name, id, values, before)
  }

  #take(row: number, name: string, id: string, values: Record<string, unknown>, before: ShelfItem | undefined): void {
    const fields = fieldsOfKind(this.#kind)
    if (!before) {
      if (this.#ids.size >= MOST_ITEMS) {
        const details = [fact('shelf.shelf-full', { most: MOST_ITEMS })]
        return void this.preview.reports.push({ row, name, state: 'refused', details })
      }
      const fresh = id !== '' ? id : idFromName(name, taken => this.#ids.has(taken))
      this.#ids.add(fresh)
      this.preview.items.push({ ...newItem(this.#kind), ...values, id: fresh })
      return void this.preview.reports.push({ row, name, state: 'new', details: [] })
    }
    const old = before as unknown as Record<string, unknown>
    const details = changesIn(fields, old, values)
    if (details.length === 0) return void this.preview.reports.push({ row, name, state: 'same', details })
    this.preview.items.push({ ...old, ...values, id: before.id } as unknown as ShelfItem)
    this.preview.reports.push({ row, name, state: 'changed', details })
  }
}
