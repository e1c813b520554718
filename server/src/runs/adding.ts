import type { BenchEvent } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'
import { CHANNEL } from './feed.ts'

interface NewRun {
  workshopId: string
  batchId: string
  openedAt?: Date
  events: readonly BenchEvent[]
}

/** Opens a run of a batch that is only made ready so far, with what was noted of it before. */
export async function addRun(db: Database, { workshopId, batchId, openedAt, events }: NewRun): Promise<void> {
  const { id } = await db
    .insertInto('run')
    .values({
      ...{ workshop_id: workshopId, batch_id: batchId, plan: null, shelf: null },
      ...(openedAt && { opened_at: openedAt }),
    })
    .returning('id')
    .executeTakeFirstOrThrow()
  await addEvents(db, { workshopId, memberId: null }, id, events)
}

/** Adds what is not there yet, by its key; gives the last place in the order of arrival, null where nothing was new. */
export async function addEvents(
  db: Database,
  { workshopId, memberId }: { workshopId: string; memberId: string | null },
  id: string,
  events: readonly BenchEvent[],
): Promise<number | null> {
  const rows = events.map(event => ({
    ...{ run_id: id, workshop_id: workshopId, key: event.key, member_id: memberId },
    event: JSON.stringify(event),
  }))
  const fresh = await db
    .insertInto('run_event')
    .values(rows)
    .onConflict(conflict => conflict.columns(['workshop_id', 'run_id', 'key']).doNothing())
    .returning('seq')
    .execute()
  if (fresh.length === 0) return null
  await sql`select pg_notify(${CHANNEL}, ${id})`.execute(db)
  return Math.max(...fresh.map(row => Number(row.seq)))
}
