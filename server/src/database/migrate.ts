import { Migrator } from 'kysely'
import type { Migration } from 'kysely'
import type { Database } from './connection.ts'
import * as workshopsAndBatches from './migrations/2026-11-23-1330-workshops-and-batches.ts'
import * as editableShelf from './migrations/2026-11-23-1600-editable-shelf-and-recipes.ts'
import * as palettes from './migrations/2026-11-23-1830-palettes.ts'
import * as designs from './migrations/2026-11-23-2230-designs.ts'

import * as evidenceAndWindows from './migrations/2026-11-24-0215-evidence-and-windows.ts'
import * as handTimes from './migrations/2026-11-29-0740-hand-times.ts'
import * as triesAndEvidence from './migrations/2026-11-29-1520-tries-and-evidence.ts'
import * as changes from './migrations/2026-11-29-2130-changes.ts'
import * as looks from './migrations/2026-11-30-0110-looks.ts'
import * as keptVersions from './migrations/2026-11-30-0125-kept-versions.ts'
import * as runs from './migrations/2026-11-30-0405-runs.ts'
import * as outcomes from './migrations/2026-11-30-0950-outcomes.ts'
import * as batchAtHand from './migrations/2026-11-30-1115-batch-at-hand.ts'
import * as pricing from './migrations/2026-11-30-1120-pricing.ts'
import * as lotsAndLabels from './migrations/2026-11-30-1320-lots-and-labels.ts'
import * as fitness from './migrations/2026-11-30-1435-fitness.ts'
import * as record from './migrations/2026-11-30-1035-record.ts'
import * as rehearsals from './migrations/2026-11-30-2110-rehearsals.ts'
import * as rehearsalsWatched from './migrations/2026-11-30-2345-rehearsals-watched.ts'
import * as members from './migrations/2026-12-01-0310-members.ts'
import * as keysAndVersions from './migrations/2026-12-01-0720-keys-and-versions.ts'
import * as listedColumns from './migrations/2026-12-01-1030-listed-columns.ts'
import * as taught from './migrations/2026-12-01-2305-taught.ts'
import * as recordsByLink from './migrations/2026-12-01-0940-records-by-link.ts'
import * as trials from './migrations/2026-12-01-0030-trials.ts'
import * as runsMadeReady from './migrations/2026-11-30-0700-runs-made-ready.ts'

/** By name, in the order in which they are applied. A landed one is never changed. */
const MIGRATIONS: Record<string, Migration> = {
  '2026-11-23-1330-workshops-and-batches': workshopsAndBatches,
  '2026-11-23-1600-editable-shelf-and-recipes': editableShelf,
  '2026-11-23-1830-palettes': palettes,
  '2026-11-23-2230-designs': designs,
  '2026-11-24-0215-evidence-and-windows': evidenceAndWindows,
  '2026-11-29-0740-hand-times': handTimes,
  '2026-11-29-1520-tries-and-evidence': triesAndEvidence,
  '2026-11-29-2130-changes': changes,
  '2026-11-30-0110-looks': looks,
  '2026-11-30-0125-kept-versions': keptVersions,
  '2026-11-30-0405-runs': runs,
  '2026-11-30-0700-runs-made-ready': runsMadeReady,
  '2026-11-30-0950-outcomes': outcomes,
  '2026-11-30-1035-record': record,
  '2026-11-30-1115-batch-at-hand': batchAtHand,
  '2026-11-30-1120-pricing': pricing,
  '2026-11-30-1320-lots-and-labels': lotsAndLabels,
  '2026-11-30-1435-fitness': fitness,
  '2026-11-30-2110-rehearsals': rehearsals,
  '2026-11-30-2345-rehearsals-watched': rehearsalsWatched,
  '2026-12-01-0030-trials': trials,
  '2026-12-01-0310-members': members,
  '2026-12-01-0720-keys-and-versions': keysAndVersions,
  '2026-12-01-0940-records-by-link': recordsByLink,
  '2026-12-01-1030-listed-columns': listedColumns,
  '2026-12-01-2305-taught': taught,
}

/**
 * Brings the database to the newest shape; does nothing when it is there already.
 *
 * @throws Error naming the migration that failed
 */
export async function migrate(db: Database): Promise<void> {
  const migrator = new Migrator({ db, provider: { getMigrations: async () => MIGRATIONS } })
  const { error, results } = await migrator.migrateToLatest()
  if (!error) return
  const failed = results?.find(result => result.status === 'Error')?.migrationName ?? 'unknown'
  throw new Error(`The database could not be brought up to date (migration ${failed}).`, { cause: error })
}
