import { RECIPE_VERSION } from '@ostler/core'
import type {
  KeptDesign,
  Labelling,
  LotUse,
  OwnTime,
  OwnWindow,
  Plan,
  Pricing,
  RackPlan,
  Recipe,
  TagRule,
  Trial,
} from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'
import { isTaken } from '../database/deleting.ts'
import { liveBatch } from '../database/live-batch.ts'
import type { Who } from '../database/who.ts'

/** 'there': a thing of this id stands here already, and stays as it is; 'name': another has this name. */
export type Put = 'taken' | 'there' | 'name'

export interface TakenBatch {
  id: string
  plan: Plan
  tags: string[]
  isArchived: boolean
  lots: LotUse[]
}

export interface TakenRecipe {
  id: string
  name: string
  versions: { version: number; reason: string; madeAt: Date; recipe: Recipe }[]
}

/** What holds for all of a workshop; null: nothing that can be read. */
export interface Settings {
  rules: TagRule[] | null
  windows: OwnWindow[] | null
  times: OwnTime[] | null
  pricing: Pricing | null
  labelling: Labelling | null
  rack: RackPlan | null
}

/** Puts things of another workshop into one, under the ids that they had there: done twice it is done once. */
export interface WholeStore {
  batch(who: Who, batch: TakenBatch): Promise<Put>
  recipe(who: Who, recipe: TakenRecipe): Promise<Put>
  design(who: Who, id: string, design: KeptDesign): Promise<Put>
  trial(who: Who, id: string, batchId: string | null, trial: Trial): Promise<Put>
  /** What the workshop has not set itself. */
  settings(workshopId: string, settings: Settings): Promise<void>
  /** How it prices, labels and lays out its rack; null: as is usual. */
  ways(workshopId: string): Promise<Pick<Settings, 'pricing' | 'labelling' | 'rack'>>
  /** Items of a part of the shelf: whether they are as they came with the workshop, and their revisions. */
  items(workshopId: string, kind: string): Promise<Map<string, { revision: number; item: object; isAsItCame: boolean }>>
}

const put = async (inserted: Promise<{ id: string } | undefined>): Promise<Put> => {
  try {
    return (await inserted) ? 'taken' : 'there'
  } catch (error) {
    if (isTaken(error)) return 'name'
    throw error
  }
}

async function withBatch(db: Database, { workshopId }: Who, batch: TakenBatch): Promise<Put> {
  const { id, plan, tags, isArchived, lots } = batch
  return db.transaction().execute(async (tx): Promise<Put> => {
    const added = await tx
      .insertInto('batch')
      .values({
        ...{ id, workshop_id: workshopId, plan: JSON.stringify(plan), tags },
        archived_at: isArchived ? new Date() : null,
      })
      .onConflict(conflict => conflict.columns(['workshop_id', 'id']).doNothing())
      .returning('id')
      .executeTakeFirst()
    if (!added) return 'there'
    if (lots.length > 0)
      await tx
        .insertInto('lot_use')
        .values(
          lots.map(({ kind, item, lot, mark, massG, takenG }) => ({
            ...{ batch_id: id, workshop_id: workshopId, kind, item_id: item, lot_id: lot, mark },
            ...{ mass_g: massG, taken_g: takenG },
          })),
        )
        .execute()
    return 'taken'
  })
}

const withRecipe = (db: Database, { workshopId, memberId }: Who, { id, name, versions }: TakenRecipe): Promise<Put> =>
  put(
    db.transaction().execute(async tx => {
      const added = await tx
        .insertInto('recipe')
        .values({ id, workshop_id: workshopId, name })
        .onConflict(conflict => conflict.columns(['workshop_id', 'id']).doNothing())
        .returning('id')
        .executeTakeFirst()
      if (added)
        await tx
          .insertInto('recipe_version')
          .values(
            versions.map(({ version, reason, madeAt, recipe }) => ({
              ...{ recipe_id: id, workshop_id: workshopId, member_id: memberId, version, reason, made_at: madeAt },
              recipe: JSON.stringify({ ...recipe, origin: null }),
              format_version: RECIPE_VERSION,
            })),
          )
          .execute()
      return added
    }),
  )

/** Rules that a workshop begins with. */
const FIRST_RULES = '[{"tag": "not-cosmetic", "weight": "never"}]'

async function withSettings(db: Database, workshopId: string, settings: Settings): Promise<void> {
  const text = (value: unknown) => (value === null ? null : JSON.stringify(value))
  await sql`update workshop set
      rules = case when rules in ('[]'::jsonb, ${FIRST_RULES}::jsonb) then coalesce(${text(settings.rules)}::jsonb, rules) else rules end,
      windows = case when windows = '[]'::jsonb then coalesce(${text(settings.windows)}::jsonb, windows) else windows end,
      times = case when times = '[]'::jsonb then coalesce(${text(settings.times)}::jsonb, times) else times end,
      pricing = coalesce(pricing, ${text(settings.pricing)}::jsonb),
      labelling = coalesce(labelling, ${text(settings.labelling)}::jsonb),
      rack = coalesce(rack, ${text(settings.rack)}::jsonb)
    where id = ${workshopId}`.execute(db)
}

export const wholeStore = (db: Database): WholeStore => ({
  batch: (who, batch) => withBatch(db, who, batch),
  recipe: (who, recipe) => withRecipe(db, who, recipe),
  design: ({ workshopId, memberId }, id, design) =>
    put(
      db
        .insertInto('design')
        .values({ id, workshop_id: workshopId, design: JSON.stringify(design), changed_by: memberId })
        .onConflict(conflict => conflict.columns(['workshop_id', 'id']).doNothing())
        .returning('id')
        .executeTakeFirst(),
    ),
  async trial({ workshopId }, id, batchId, trial) {
    const made = batchId && (await liveBatch(db, workshopId, batchId).select('id').executeTakeFirst())
    return put(
      db
        .insertInto('trial')
        .values({
          ...{ id, workshop_id: workshopId, batch_id: made ? batchId : null },
          document: JSON.stringify(trial),
        })
        .onConflict(conflict => conflict.columns(['workshop_id', 'id']).doNothing())
        .returning('id')
        .executeTakeFirst(),
    )
  },
  settings: (workshopId, settings) => withSettings(db, workshopId, settings),
  async ways(workshopId) {
    const { pricing, labelling, rack } = await db
      .selectFrom('workshop')
      .where('id', '=', workshopId)
      .select(['pricing', 'labelling', 'rack'])
      .executeTakeFirstOrThrow()
    return { pricing, labelling, rack }
  },
  async items(workshopId, kind) {
    const rows = await db
      .selectFrom('shelf_item')
      .where('workshop_id', '=', workshopId)
      .where(sql<boolean>`kind = ${kind}`)
      .select(['id', 'revision', 'item', 'changed_by'])
      .execute()
    return new Map(
      rows.map(row => [
        row.id,
        { revision: row.revision, item: row.item, isAsItCame: row.revision === 1 && row.changed_by === null },
      ]),
    )
  },
})
