import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** What came of runs is asked for over all runs of a workshop. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  await sql`create index run_event_outcome on run_event (workshop_id, run_id, seq)
    where event ->> 'kind' = 'outcome'`.execute(db)
}
