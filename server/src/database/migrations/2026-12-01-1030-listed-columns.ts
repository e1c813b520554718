import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** What the list shows of each plan stands beside it, so that no plan is unpacked for a list. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  await sql`alter table batch
    add column layers integer not null
      generated always as (case jsonb_typeof(plan -> 'score') when 'array' then jsonb_array_length(plan -> 'score') else 0 end) stored,
    add column occasion text not null generated always as (coalesce(plan -> 'brief' ->> 'occasion', '')) stored,
    add column for_whom text not null generated always as (coalesce(plan -> 'brief' ->> 'forWhom', '')) stored`.execute(
    db,
  )
}
