import type { BinAnswer, BinKind } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'

/** What was deleted: it can be brought back for a while, then it goes for good. */

export const BIN_DAYS = 30
const DAY_MS = 86_400_000
const MOST_LISTED = 200

const TABLES: Readonly<Record<BinKind, 'batch' | 'recipe' | 'design' | 'trial'>> = {
  batches: 'batch',
  recipes: 'recipe',
  designs: 'design',
  trials: 'trial',
}

/** What a thing is called: of trials and designs their documents say it. */
const NAMES = {
  batches: sql<string>`name`,
  recipes: sql<string>`name`,
  designs: sql<string>`design ->> 'name'`,
  trials: sql<string>`document ->> 'name'`,
}

/** Soap that was poured stays for good, deleted or not: its lots must lead to it. */
const stays = (kind: BinKind) => (kind === 'batches' ? sql<boolean>`poured_at <> ''` : sql<boolean>`false`)

export interface BinStore {
  list(workshopId: string): Promise<BinAnswer[]>
  /** Takes away for good what has lain there long enough. @returns how many things went */
  empty(now: Date): Promise<number>
}

export function binStore(db: Database): BinStore {
  const kinds = Object.keys(TABLES) as BinKind[]
  return {
    async list(workshopId) {
      const all = await Promise.all(
        kinds.map(async kind => {
          const { rows } = await sql<{ id: string; name: string; at: Date; stays: boolean }>`
            select id, ${NAMES[kind]} as name, deleted_at as at, ${stays(kind)} as stays
            from ${sql.table(TABLES[kind])}
            where workshop_id = ${workshopId} and deleted_at is not null
            order by deleted_at desc limit ${MOST_LISTED}`.execute(db)
          return rows.map(({ id, name, at, stays: isKept }) => ({
            ...{ kind, id, name, deletedAt: at.toISOString() },
            goesAt: isKept ? null : new Date(at.getTime() + BIN_DAYS * DAY_MS).toISOString(),
          }))
        }),
      )
      return all.flat().sort((a, b) => b.deletedAt.localeCompare(a.deletedAt))
    },
    async empty(now) {
      const before = new Date(now.getTime() - BIN_DAYS * DAY_MS)
      let gone = 0
      for (const kind of kinds) {
        const { numAffectedRows } = await sql`
          delete from ${sql.table(TABLES[kind])} where deleted_at < ${before} and not ${stays(kind)}`.execute(db)
        gone += Number(numAffectedRows ?? 0n)
      }
      return gone
    },
  }
}
