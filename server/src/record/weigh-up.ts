import { daysBetween, fitnessBySigns, recordFold, settle, toldAtBench } from '@ostler/core'
import type { RecordState } from '@ostler/core'
import { sql } from 'kysely'
import type { Transaction } from 'kysely'
import type { Database } from '../database/connection.ts'
import type { Tables } from '../database/types.ts'

type Connection = Database | Transaction<Tables>

export const entriesOf = async (db: Connection, workshopId: string, batchId: string) =>
  (
    await db
      .selectFrom('record_entry')
      .where('workshop_id', '=', workshopId)
      .where('batch_id', '=', batchId)
      .orderBy('seq')
      .select('entry')
      .execute()
  ).map(row => row.entry)

/** What went wrong at the bench in the last run of a batch, unless it was taken back. */
async function troublesOf(db: Connection, workshopId: string, batchId: string) {
  const rows = await db
    .selectFrom('run_event as event')
    .where('event.workshop_id', '=', workshopId)
    .where('event.run_id', '=', of =>
      of
        .selectFrom('run')
        .where('run.workshop_id', '=', workshopId)
        .where('run.batch_id', '=', batchId)
        .orderBy('run.opened_at', 'desc')
        .orderBy('run.id')
        .limit(1)
        .select('run.id'),
    )
    .where(sql<boolean>`event.event ->> 'kind' in ('wrong', 'undo', 'correct')`)
    .select('event.event')
    .execute()
  return settle(rows.map(row => row.event)).filter(event => event.kind === 'wrong')
}

/** Days from the pour to the last that was noted: what a test says hangs on the soap's age. */
const ageIn = (pouredAt: string, { entries }: RecordState): number =>
  pouredAt === '' || entries.length === 0 ? 0 : Math.max(0, daysBetween(pouredAt, entries.at(-1)!.on))

/** Works out, of all that was noted, how a batch stands, and keeps it for the lists. The caller holds the batch's row. */
export async function weighUp(
  tx: Connection,
  workshopId: string,
  { id, pouredAt }: { id: string; pouredAt: string },
): Promise<void> {
  const state = recordFold(await entriesOf(tx, workshopId, id))
  const troubles = toldAtBench(await troublesOf(tx, workshopId, id))
  const now = {
    ...{ fitness: fitnessBySigns(state, ageIn(pouredAt, state), troubles), is_weighed_up: true },
    ...{ unmoulded_at: state.unmouldedAt, cut_at: state.cutAt, cut_count: state.cutCount },
    ...{ gone_count: state.goneCount, turned_at: state.turnedAt, place: state.place },
    signs: state.signs.flatMap(({ sign, grade }) => (sign !== undefined && grade !== 0 ? [sign] : [])),
  }
  await tx
    .insertInto('batch_record')
    .values({ batch_id: id, workshop_id: workshopId, ...now })
    .onConflict(conflict => conflict.columns(['workshop_id', 'batch_id']).doUpdateSet(now))
    .execute()
}

/** Weighs up the records that stand from before there was such a thing. */
export async function weighUpAll(db: Database): Promise<void> {
  const rows = await db
    .selectFrom('batch_record as record')
    .innerJoin('batch', join =>
      join.onRef('batch.id', '=', 'record.batch_id').onRef('batch.workshop_id', '=', 'record.workshop_id'),
    )
    .where('record.is_weighed_up', '=', false)
    .select(['record.batch_id as id', 'record.workshop_id', 'batch.poured_at as pouredAt'])
    .execute()
  for (const row of rows) await weighUp(db, row.workshop_id, row)
}
