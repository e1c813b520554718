import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** What lists ask of every plan stands beside it: reading whole plans for a name or a day takes long where there are thousands. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  await sql`alter table batch
    add column name text generated always as (coalesce(plan ->> 'name', '')) stored,
    add column poured_at text generated always as (coalesce(plan -> 'rest' ->> 'pouredAt', '')) stored,
    add column wanted_on text generated always as (coalesce(plan -> 'rest' ->> 'wantedOn', '')) stored,
    add column weigh_days jsonb generated always as (jsonb_path_query_array(plan, '$.rest.weighIns[*].day')) stored,
    add column found_by text generated always as (
      coalesce(plan ->> 'name', '') || E'\\n' || coalesce(plan ->> 'notes', '') || E'\\n' ||
      jsonb_path_query_array(plan, '$.scent.parts[*].scent')::text || E'\\n' ||
      jsonb_path_query_array(plan, '$.cups[*].name')::text) stored`.execute(db)
}
