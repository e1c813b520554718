import type { Life } from '@ostler/core'
import { sql } from 'kysely'

/** Something was noted of it as it was made ready or made. */
export const isBegun = sql<boolean>`exists (select 1 from run join run_event on run_event.run_id = run.id and run_event.workshop_id = run.workshop_id
  where run.workshop_id = batch.workshop_id and run.batch_id = batch.id)`

/**
 * How far a batch has come, as core's `lifeOf` has it, of rows that join a batch, its look and its record under these names; for lists
 * that are filtered by it.
 *
 * @param today of the workshop, like "2026-03-02"
 */
export const lifeIn = (today: string) => sql<Life>`(case
  when record.gone_count > 0 and record.gone_count >= coalesce(record.cut_count, 1) then 'gone'
  when batch.poured_at = '' then case
    when ${isBegun} then 'made'
    when look.state is not null then 'planned'
    else 'draft' end
  when record.unmoulded_at is null and record.cut_at is null then 'resting'
  when coalesce(record.fitness, 'fit') in ('fit', 'cosmetic') and (look.course ->> 'readyDay')::float
    <= ${today}::date - left(batch.poured_at, 10)::date then 'ready'
  else 'curing' end)`
