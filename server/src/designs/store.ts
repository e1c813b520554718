import { openedDesign } from '@ostler/core'
import type { DesignAnswer, KeptDesign } from '@ostler/core'
import type { Database } from '../database/connection.ts'
import { isTaken, setDeleted } from '../database/deleting.ts'
import type { Report } from '../database/unread.ts'
import { readOrTold } from '../database/unread.ts'
import type { Who } from '../database/who.ts'

export type SaveDesignResult =
  | { ok: true; saved: DesignAnswer }
  | { ok: false; reason: 'name' | 'moved' | 'gone' | 'full' }

/** Designs that one workshop keeps: no query goes without its id. */
export interface DesignStore {
  list(workshopId: string): Promise<DesignAnswer[]>
  add(who: Who, design: KeptDesign): Promise<SaveDesignResult>
  save(who: Who, id: string, revision: number, design: KeptDesign): Promise<SaveDesignResult>
  setDeleted(workshopId: string, id: string, deletedAt: Date | null): Promise<boolean | 'name'>
}

const MOST_DESIGNS = 300
const COLUMNS = ['id', 'revision', 'design', 'updated_at'] as const

interface Row {
  id: string
  revision: number
  design: KeptDesign
  updated_at: Date
}

/** A design as it was just checked and stored. */
const answer = (row: Row): DesignAnswer => ({
  id: row.id,
  revision: row.revision,
  updatedAt: row.updated_at.toISOString(),
  design: row.design,
})

export function designStore(db: Database, report: Report = () => undefined): DesignStore {
  const live = (workshopId: string) =>
    db.selectFrom('design').where('workshop_id', '=', workshopId).where('deleted_at', 'is', null)
  return {
    async list(workshopId) {
      const rows = await live(workshopId).select(COLUMNS).orderBy('created_at').limit(MOST_DESIGNS).execute()
      return rows.flatMap(row => {
        const design = readOrTold(openedDesign(row.design), 'design', row.id, report)
        return design ? [answer({ ...row, design })] : []
      })
    },
    async add({ workshopId, memberId }, design) {
      try {
        const { count } = await live(workshopId)
          .select(eb => eb.fn.countAll<string>().as('count'))
          .executeTakeFirstOrThrow()
        if (Number(count) >= MOST_DESIGNS) return { ok: false, reason: 'full' }
        const row = await db
          .insertInto('design')
          .values({ workshop_id: workshopId, design: JSON.stringify(design), changed_by: memberId })
          .returning(COLUMNS)
          .executeTakeFirstOrThrow()
        return { ok: true, saved: answer(row) }
      } catch (error) {
        if (isTaken(error)) return { ok: false, reason: 'name' }
        throw error
      }
    },
    async save({ workshopId, memberId }, id, revision, design) {
      try {
        const row = await db
          .updateTable('design')
          .set({
            ...{ design: JSON.stringify(design), revision: revision + 1, changed_by: memberId },
            updated_at: new Date(),
          })
          .where('workshop_id', '=', workshopId)
          .where('id', '=', id)
          .where('revision', '=', revision)
          .where('deleted_at', 'is', null)
          .returning(COLUMNS)
          .executeTakeFirst()
        if (row) return { ok: true, saved: answer(row) }
        const there = await live(workshopId).where('id', '=', id).select('id').executeTakeFirst()
        return { ok: false, reason: there ? 'moved' : 'gone' }
      } catch (error) {
        if (isTaken(error)) return { ok: false, reason: 'name' }
        throw error
      }
    },
    setDeleted: (workshopId, id, deletedAt) => setDeleted(db, 'design', workshopId, id, deletedAt),
  }
}
