import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** Whether a batch is fit by what was seen of it: what is held must not be called ready. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  await sql`alter table batch_record add column fitness text not null default 'fit'
    check (fitness in ('fit', 'cosmetic', 'hold', 'test', 'discard'))`.execute(db)
  // Records that stand already are weighed up by the server as it starts.
  await sql`alter table batch_record add column is_weighed_up boolean not null default true`.execute(db)
  await sql`update batch_record set is_weighed_up = false`.execute(db)
}
