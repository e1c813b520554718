import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** What a workshop's batches teach of pace, kept so that it need not be worked out again; and windows it has shifted. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`alter table workshop
      add column windows jsonb not null default '[]' check (jsonb_typeof(windows) = 'array')`,
    sql`create table evidence (
      batch_id uuid primary key references batch (id) on delete cascade,
      workshop_id uuid not null references workshop (id) on delete cascade,
      batch_revision integer not null check (batch_revision > 0),
      evidence jsonb not null check (jsonb_typeof(evidence) = 'object'),
      counts boolean not null default true
    )`,
    sql`create index evidence_workshop on evidence (workshop_id)`,
  ]
  for (const statement of statements) await statement.execute(db)
}
