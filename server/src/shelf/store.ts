import { MOST_ITEMS, SHELF_VERSION, openedItem, shelfKinds } from '@ostler/core'
import type { OwnTime, OwnWindow, Shelf, ShelfAnswer, ShelfItem, ShelfKind, StoredItem, TagRule } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'
import type { Report } from '../database/unread.ts'
import { readOrTold } from '../database/unread.ts'
import { evidenceStore } from '../learning/store.ts'
import type { Who } from '../database/who.ts'

/** Not saved: moved on meanwhile (with what stands there now), gone, or there already. */
export type SaveItemResult =
  | { ok: true; stored: StoredItem }
  | { ok: false; current: StoredItem | null }
  | { ok: false; full: true }

export interface ImportedItem {
  item: ShelfItem
  revision: number
}

export type ImportResult =
  | { ok: true }
  /** Names of items that moved on meanwhile. */
  | { ok: false; moved: string[] }
  /** How many there would be. */
  | { ok: false; wouldBe: number }

/** Rows that go to the database in one statement. */
const CHUNK = 500

/** Stores many items of a kind; gives the ids of those that were not changed meanwhile. */
async function writeMany(
  tx: Database,
  { workshopId, kind, by }: Board,
  items: readonly ImportedItem[],
): Promise<string[]> {
  const fresh = items.filter(one => one.revision === 0)
  const known = items.filter(one => one.revision > 0)
  const added =
    fresh.length === 0
      ? []
      : await tx
          .insertInto('shelf_item')
          .values(
            fresh.map(({ item }) => ({
              workshop_id: workshopId,
              kind,
              id: item.id,
              item: JSON.stringify(item),
              format_version: SHELF_VERSION,
              changed_by: by,
            })),
          )
          .onConflict(conflict => conflict.columns(['workshop_id', 'kind', 'id']).doNothing())
          .returning('id')
          .execute()
  if (known.length === 0) return added.map(row => row.id)
  const rows = JSON.stringify(known.map(({ item, revision }) => ({ id: item.id, item, revision })))
  const changed = await sql<{ id: string }>`
    update shelf_item set item = found.item, format_version = ${SHELF_VERSION},
      revision = shelf_item.revision + 1, updated_at = now(), changed_by = ${by}
    from jsonb_to_recordset(${rows}::jsonb) as found(id text, item jsonb, revision integer)
    where shelf_item.workshop_id = ${workshopId} and shelf_item.kind = ${kind}
      and shelf_item.id = found.id and shelf_item.revision = found.revision
    returning shelf_item.id`.execute(tx)
  return [...added, ...changed.rows].map(row => row.id)
}

/** Where the shelf of a workshop is had from. */
export interface Shelves {
  /** Everything, as far as it can be read. */
  all(workshopId: string): Promise<ShelfAnswer>
}

/** The shelf of one workshop at a time: no query goes without its id. */
export interface ShelfStore extends Shelves {
  /** A new item (`revision` 0), or a change on top of a revision. */
  save(who: Who, kind: ShelfKind, item: ShelfItem, revision: number): Promise<SaveItemResult>
  /** All or none: nothing is stored when an item moved on meanwhile, or the shelf would be too full. */
  importAll(who: Who, kind: ShelfKind, items: readonly ImportedItem[]): Promise<ImportResult>
  setRules(workshopId: string, rules: readonly TagRule[]): Promise<void>
  setWindows(workshopId: string, windows: readonly OwnWindow[]): Promise<void>
  setTimes(workshopId: string, times: readonly OwnTime[]): Promise<void>
}

const COLUMNS = ['kind', 'item', 'revision', 'format_version'] as const

/** One kind of item in one workshop. */
interface Board {
  workshopId: string
  kind: ShelfKind
  /** Who changes something on it. */
  by: string
}

const onBoard = (db: Database, { workshopId, kind }: Board) =>
  db.selectFrom('shelf_item').where('workshop_id', '=', workshopId).where('kind', '=', kind)

async function storedItem(db: Database, board: Board, id: string): Promise<StoredItem | null> {
  const row = await onBoard(db, board).where('id', '=', id).select(COLUMNS).executeTakeFirst()
  return row ? { kind: board.kind, item: row.item as ShelfItem, revision: row.revision } : null
}

async function countOf(db: Database, board: Board): Promise<number> {
  const row = await onBoard(db, board)
    .select(sql<string>`count(*)`.as('count'))
    .executeTakeFirstOrThrow()
  return Number(row.count)
}

/** Stores a new item, or a change on top of a revision; nothing when it moved on meanwhile. */
function write(db: Database, { workshopId, kind, by }: Board, item: ShelfItem, revision: number) {
  const text = JSON.stringify(item)
  if (revision === 0)
    return db
      .insertInto('shelf_item')
      .values({ workshop_id: workshopId, kind, id: item.id, item: text, format_version: SHELF_VERSION, changed_by: by })
      .onConflict(conflict => conflict.columns(['workshop_id', 'kind', 'id']).doNothing())
      .returning(COLUMNS)
      .executeTakeFirst()
  return db
    .updateTable('shelf_item')
    .set({
      ...{ item: text, format_version: SHELF_VERSION, revision: revision + 1, changed_by: by },
      updated_at: sql`now()`,
    })
    .where('workshop_id', '=', workshopId)
    .where('kind', '=', kind)
    .where('id', '=', item.id)
    .where('revision', '=', revision)
    .returning(COLUMNS)
    .executeTakeFirst()
}

async function saveItem(db: Database, board: Board, item: ShelfItem, revision: number): Promise<SaveItemResult> {
  if (revision === 0 && (await countOf(db, board)) >= MOST_ITEMS) return { ok: false, full: true }
  const row = await write(db, board, item, revision)
  if (row) return { ok: true, stored: { kind: board.kind, item: row.item as ShelfItem, revision: row.revision } }
  // A save whose answer was lost is sent again: it is no conflict when just that stands there.
  const current = await storedItem(db, board, item.id)
  const same = await onBoard(db, board)
    .where('id', '=', item.id)
    .where('revision', '=', revision + 1)
    .where(sql<boolean>`item = ${JSON.stringify(item)}::jsonb`)
    .select('id')
    .executeTakeFirst()
  return same && current ? { ok: true, stored: current } : { ok: false, current }
}

async function importAll(db: Database, board: Board, items: readonly ImportedItem[]): Promise<ImportResult> {
  try {
    await db.transaction().execute(async tx => {
      const done = new Set<string>()
      for (let from = 0; from < items.length; from += CHUNK)
        for (const id of await writeMany(tx, board, items.slice(from, from + CHUNK))) done.add(id)
      const moved = items.filter(({ item }) => !done.has(item.id)).map(({ item }) => item.name)
      if (moved.length > 0) throw new Refused({ ok: false, moved })
      const count = await countOf(tx, board)
      if (count > MOST_ITEMS) throw new Refused({ ok: false, wouldBe: count })
    })
    return { ok: true }
  } catch (error) {
    if (error instanceof Refused) return error.result
    throw error
  }
}

async function wholeShelf(db: Database, workshopId: string, report: Report): Promise<ShelfAnswer> {
  const rows = await db.selectFrom('shelf_item').where('workshop_id', '=', workshopId).select(COLUMNS).execute()
  const { rules, windows, times } = await db
    .selectFrom('workshop')
    .where('id', '=', workshopId)
    .select(['rules', 'windows', 'times'])
    .executeTakeFirstOrThrow()
  const shelf: Record<string, unknown> = { rules, windows, times }
  const revisions = {} as ShelfAnswer['revisions']
  for (const kind of shelfKinds) {
    const mine = rows.filter(row => row.kind === kind)
    shelf[kind] = mine
      .flatMap((row): ShelfItem[] => {
        const { id } = row.item as ShelfItem
        const item = readOrTold<ShelfItem>(openedItem(kind, row.item, row.format_version), kind, id, report)
        return item ? [item] : []
      })
      .sort((a, b) => a.name.localeCompare(b.name, 'en'))
    revisions[kind] = Object.fromEntries(mine.map(row => [(row.item as ShelfItem).id, row.revision]))
  }
  const evidence = await evidenceStore(db).all(workshopId)
  return { shelf: { ...(shelf as unknown as Shelf), evidence }, revisions }
}

/** What holds for the whole workshop. */
async function keep(db: Database, workshopId: string, habit: { rules?: string; windows?: string; times?: string }) {
  await db.updateTable('workshop').set(habit).where('id', '=', workshopId).execute()
}

export const shelfStore = (db: Database, report: Report = () => undefined): ShelfStore => ({
  all: workshopId => wholeShelf(db, workshopId, report),
  save: ({ workshopId, memberId: by }, kind, item, revision) => saveItem(db, { workshopId, kind, by }, item, revision),
  importAll: ({ workshopId, memberId: by }, kind, items) => importAll(db, { workshopId, kind, by }, items),
  setRules: (workshopId, rules) => keep(db, workshopId, { rules: JSON.stringify(rules) }),
  setWindows: (workshopId, windows) => keep(db, workshopId, { windows: JSON.stringify(windows) }),
  setTimes: (workshopId, times) => keep(db, workshopId, { times: JSON.stringify(times) }),
})

/** Takes a transaction back. */
class Refused extends Error {
  constructor(readonly result: ImportResult) {
    super('refused')
  }
}
