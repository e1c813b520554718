import { PLAN_VERSION, changedParts, readPlan, withChanges } from '@ostler/core'
import type { BatchAnswer, BatchSaved, Plan, Problem, Words } from '@ostler/core'
import { sql } from 'kysely'
import type { Transaction } from 'kysely'
import type { Database } from '../database/connection.ts'
import { isTaken } from '../database/deleting.ts'
import { liveBatch } from '../database/live-batch.ts'
import type { Tables } from '../database/types.ts'
import type { SentChanges } from '../http/body.ts'
import type { LatestPlans } from './latest.ts'
import { COLUMNS, answer } from './row.ts'
import type { Row } from './row.ts'

const UNREADABLE = 'This batch was stored in a form that cannot be read any more.'

/** What came of changes: made; or what they meet in the plan as it stands; or what is wrong with them by themselves. */
export type ChangeResult =
  | { ok: true; saved: BatchSaved; plan: Plan }
  | { ok: false; current: BatchAnswer | null; parts: Words[] }
  | { ok: false; problems: Problem[] }

export interface Sender {
  workshopId: string
  memberId: string
}

/** A plan as it was stored; one of an older form, or that was stored by hand, is read anew. */
function storedPlan(plan: Plan): Plan | null {
  if ((plan as { version: number }).version === PLAN_VERSION) return plan
  const read = readPlan(plan)
  return read.ok ? read.plan : null
}

/** The batch as it stands, and its revision after these very changes, where they were made before. */
const standing = (db: Database | Transaction<Tables>, workshopId: string, id: string, changeId: string) =>
  liveBatch(db, workshopId, id)
    .select([...COLUMNS, WRITTEN_AT])
    .select(
      sql<number | null>`(select c.revision from batch_change c
        where c.workshop_id = ${workshopId} and c.batch_id = ${id} and c.id = ${changeId})`.as('made_as'),
    )
    .executeTakeFirst()

/** To the microsecond, which a `Date` is not. */
const WRITTEN_AT = sql<string>`updated_at::text`.as('written_at')

type Written = Pick<Row, 'revision' | 'updated_at'> & { written_at: string }
/** Of which batch, and which writing of it, a plan takes the place. */
type Place = Pick<Row, 'id' | 'revision'> & { written_at: string }

/** Puts a plan in the place of another, and keeps what was changed, in one statement. Null: that one does not stand there any more. */
async function written(
  db: Database | Transaction<Tables>,
  { workshopId, memberId }: Sender,
  place: Place,
  { id: changeId, changes }: SentChanges,
  plan: Plan,
): Promise<Written | null> {
  try {
    const { rows } = await sql<Written>`
      with saved as (
        update batch set plan = ${JSON.stringify(plan)}::jsonb, revision = revision + 1, updated_at = now()
        where workshop_id = ${workshopId} and id = ${place.id} and deleted_at is null
          and revision = ${place.revision} and updated_at = ${place.written_at}::timestamptz
        returning id, revision, updated_at)
      insert into batch_change (workshop_id, batch_id, id, member_id, revision, changes)
      select ${workshopId}::uuid, saved.id, ${changeId}::uuid, ${memberId}::uuid, saved.revision, ${JSON.stringify(changes)}::jsonb
      from saved
      returning revision, (select saved.updated_at from saved), (select saved.updated_at::text from saved) as written_at`.execute(
      db,
    )
    return rows[0] ?? null
  } catch (error) {
    // The same changes came twice at once: they are found as made.
    if (isTaken(error)) return null
    throw error
  }
}

const savedAs = (id: string, on: Pick<Row, 'revision' | 'updated_at'>, isAlone: boolean, plan: Plan): ChangeResult => ({
  ok: true,
  saved: { id, revision: on.revision, updatedAt: on.updated_at.toISOString(), plan: isAlone ? null : plan },
  plan,
})

/** Writes a plan, remembers it for the next change, and says so. Null: what it takes the place of does not stand there any more. */
async function saved(
  db: Database | Transaction<Tables>,
  latest: LatestPlans,
  sender: Sender,
  place: Place,
  sent: SentChanges,
  plan: Plan,
): Promise<ChangeResult | null> {
  const next = await written(db, sender, place, sent, plan)
  if (!next) return null
  latest.keep(sender.workshopId, place.id, { plan, revision: next.revision, writtenAt: next.written_at })
  return savedAs(place.id, next, sent.revision === place.revision, plan)
}

/** Makes changes on the plan as it was saved last, without reading it. Null: it is not known here, moved on, or cannot take them. */
async function onLatest(
  db: Database,
  latest: LatestPlans,
  sender: Sender,
  id: string,
  sent: SentChanges,
): Promise<ChangeResult | null> {
  const known = latest.of(sender.workshopId, id)
  // What was made before was sent for a revision before: it is looked up.
  if (known?.revision !== sent.revision) return null
  const made = withChanges(known.plan, sent.changes)
  if (!made.ok || made.met.length > 0) return null
  return saved(db, latest, sender, { id, revision: known.revision, written_at: known.writtenAt }, sent, made.plan)
}

/** Makes changes on the plan as it stands. Null: it moved on under them. */
async function attempted(
  db: Database | Transaction<Tables>,
  latest: LatestPlans,
  sender: Sender,
  id: string,
  sent: SentChanges,
): Promise<ChangeResult | null> {
  const { revision, changes } = sent
  const row = await standing(db, sender.workshopId, id, sent.id)
  if (!row) return { ok: false, current: null, parts: [] }
  const plan = storedPlan(row.plan)
  if (!plan) return { ok: false, problems: [{ path: '', value: '', sentence: UNREADABLE }] }
  if (row.made_as !== null) return savedAs(id, row, row.made_as === row.revision && row.revision === revision + 1, plan)
  const made = withChanges(plan, changes)
  if (made.met.length > 0) {
    const met = made.met.map(one => one.change)
    return { ok: false, current: answer(row), parts: changedParts(met, plan) }
  }
  if (!made.ok) {
    return revision === row.revision
      ? { ok: false, problems: made.problems }
      : { ok: false, current: answer(row), parts: changedParts(changes, plan) }
  }
  return saved(db, latest, sender, row, sent, made.plan)
}

/** Times that changes are made without holding the batch; where many save at once, they wait for each other after that. */
const FREE_TRIES = 3

/** Makes changes on the plan as it stands, whatever others have made of it since; those sent before are not made again. */
export async function changed(
  db: Database,
  latest: LatestPlans,
  sender: Sender,
  id: string,
  sent: SentChanges,
): Promise<ChangeResult> {
  const soon = await onLatest(db, latest, sender, id, sent)
  if (soon) return soon
  for (let n = 0; n < FREE_TRIES; n += 1) {
    const result = await attempted(db, latest, sender, id, sent)
    if (result) return result
  }
  return db.transaction().execute(async tx => {
    await liveBatch(tx, sender.workshopId, id).select('id').forUpdate().executeTakeFirst()
    const result = await attempted(tx, latest, sender, id, sent)
    if (!result) throw new Error('a batch that is held has moved on')
    return result
  })
}
