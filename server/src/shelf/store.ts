import { MOST_ITEMS, SHELF_VERSION, openedItem, shelfKinds } from '@ostler/core'
import type { OwnTime, OwnWindow, Shelf, ShelfAnswer, ShelfItem, ShelfKind, StoredItem, TagRule } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'
import type { Report } from '../database/unread.ts'
import { readOrTold } from '../database/unread.ts'
import { evidenceStore } from '../learning/store.ts'

/** Not saved: moved on meanwhile (with what stands there now), gone, or there already. */
export type SaveItemResult =
  { ok: true; stored: StoredItem } | { ok: false; current: StoredItem | null } | { ok: false; full: true }

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
  workshopId: string,
  kind: ShelfKind,
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
            })),
          )
          .onConflict(conflict => conflict.columns(['workshop_id', 'kind', 'id']).doNothing())
          .returning('id')
          .execute()
  if (known.length === 0) return added.map(row => row.id)
  const rows = JSON.stringify(known.map(({ item, revision }) => ({ id: item.id, item, revision })))
  const changed = await sql<{ id: string }>`
    update shelf_item set item = found.item, format_version = ${SHELF_VERSION}, revision = shelf_item.revision + 1, updated_at = now()
    from jsonb_to_recordset(${rows}::jsonb) as found(id text, item jsonb, revision integer)
    where shelf_item.workshop_id = ${workshopId} and shelf_item.kind = ${kind}
      and shelf_item.id = found.id and shelf_item.revision = found.revision
    returning shelf_item.id`.execute(tx)
  return [...added, ...changed.rows].map(row => row.id)
}

/** The shelf of one workshop at a time: no query goes without its id. */
export interface ShelfStore {
  all(workshopId: string): Promise<ShelfAnswer>
  /** A new item (`revision` 0), or a change on top of a revision. */
  save(workshopId: string, kind: ShelfKind, item: ShelfItem, revision: number): Promise<SaveItemResult>
  /** All or none: nothing is stored when an item moved on meanwhile, or the shelf would be too full. */
  importAll(workshopId: string, kind: ShelfKind, items: readonly ImportedItem[]): Promise<ImportResult>
  setRules(workshopId: string, rules: readonly TagRule[]): Promise<void>
  setWindows(workshopId: string, windows: readonly OwnWindow[]): Promise<void>
  setTimes(workshopId: string, times: readonly OwnTime[]): Promise<void>
}

const COLUMNS = ['kind', 'item', 'revision', 'format_version'] as const

export function shelfStore(db: Database, report: Report = () => undefined): ShelfStore {
  const evidence = evidenceStore(db)
  const get = async (on: Database, workshopId: string, kind: ShelfKind, id: string): Promise<StoredItem | null> => {
    const row = await on
      .selectFrom('shelf_item')
      .where('workshop_id', '=', workshopId)
      .where('kind', '=', kind)
      .where('id', '=', id)
      .select(COLUMNS)
      .executeTakeFirst()
    return row ? { kind, item: row.item as ShelfItem, revision: row.revision } : null
  }

  const write = async (on: Database, workshopId: string, kind: ShelfKind, item: ShelfItem, revision: number) => {
    const text = JSON.stringify(item)
    if (revision === 0)
      return on
        .insertInto('shelf_item')
        .values({ workshop_id: workshopId, kind, id: item.id, item: text, format_version: SHELF_VERSION })
        .onConflict(conflict => conflict.columns(['workshop_id', 'kind', 'id']).doNothing())
        .returning(COLUMNS)
        .executeTakeFirst()
    return on
      .updateTable('shelf_item')
      .set({ item: text, format_version: SHELF_VERSION, revision: revision + 1, updated_at: sql`now()` })
      .where('workshop_id', '=', workshopId)
      .where('kind', '=', kind)
      .where('id', '=', item.id)
      .where('revision', '=', revision)
      .returning(COLUMNS)
      .executeTakeFirst()
  }

  const countOf = async (on: Database, workshopId: string, kind: ShelfKind): Promise<number> => {
    const row = await on
      .selectFrom('shelf_item')
      .where('workshop_id', '=', workshopId)
      .where('kind', '=', kind)
      .select(sql<string>`count(*)`.as('count'))
      .executeTakeFirstOrThrow()
    return Number(row.count)
  }

  /** What holds for the whole workshop. */
  const keep = async (workshopId: string, habit: { rules?: string; windows?: string; times?: string }) => {
    await db.updateTable('workshop').set(habit).where('id', '=', workshopId).execute()
  }

  return {
    async all(workshopId) {
      const rows = await db.selectFrom('shelf_item').where('workshop_id', '=', workshopId).select(COLUMNS).execute()
      const workshop = await db
        .selectFrom('workshop')
        .where('id', '=', workshopId)
        .select(['rules', 'windows', 'times'])
        .executeTakeFirstOrThrow()
      const { rules, windows, times } = workshop
      const shelf: Record<string, unknown> = { rules, windows, times, evidence: [] }
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
      const whole = shelf as unknown as Shelf
      return { shelf: { ...whole, evidence: await evidence.all(workshopId) }, revisions }
    },
    async save(workshopId, kind, item, revision) {
      if (revision === 0 && (await countOf(db, workshopId, kind)) >= MOST_ITEMS) return { ok: false, full: true }
      const row = await write(db, workshopId, kind, item, revision)
      if (row) return { ok: true, stored: { kind, item: row.item as ShelfItem, revision: row.revision } }
      // A save whose answer was lost is sent again: it is no conflict when just that stands there.
      const current = await get(db, workshopId, kind, item.id)
      const same = await db
        .selectFrom('shelf_item')
        .where('workshop_id', '=', workshopId)
        .where('kind', '=', kind)
        .where('id', '=', item.id)
        .where('revision', '=', revision + 1)
        .where(sql<boolean>`item = ${JSON.stringify(item)}::jsonb`)
        .select('id')
        .executeTakeFirst()
      return same && current ? { ok: true, stored: current } : { ok: false, current }
    },
    async importAll(workshopId, kind, items) {
      try {
        await db.transaction().execute(async tx => {
          const done = new Set<string>()
          for (let from = 0; from < items.length; from += CHUNK)
            for (const id of await writeMany(tx, workshopId, kind, items.slice(from, from + CHUNK))) done.add(id)
          const moved = items.filter(({ item }) => !done.has(item.id)).map(({ item }) => item.name)
          if (moved.length > 0) throw new Refused({ ok: false, moved })
          const count = await countOf(tx, workshopId, kind)
          if (count > MOST_ITEMS) throw new Refused({ ok: false, wouldBe: count })
        })
        return { ok: true }
      } catch (error) {
        if (error instanceof Refused) return error.result
        throw error
      }
    },
    setRules: (workshopId, rules) => keep(workshopId, { rules: JSON.stringify(rules) }),
    setWindows: (workshopId, windows) => keep(workshopId, { windows: JSON.stringify(windows) }),
    setTimes: (workshopId, times) => keep(workshopId, { times: JSON.stringify(times) }),
  }
}

/** Takes a transaction back. */
class Refused extends Error {
  constructor(readonly result: ImportResult) {
    super('refused')
  }
}
