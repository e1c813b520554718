import { RECIPE_VERSION, openedRecipe } from '@ostler/core'
import type { Recipe, RecipeAnswer, RecipeVersionAnswer } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'
import { isTaken, setDeleted } from '../database/deleting.ts'
import type { Report } from '../database/unread.ts'
import { readOrTold } from '../database/unread.ts'

export type AddVersionResult = { ok: true; saved: RecipeAnswer } | { ok: false; reason: 'name' | 'moved' | 'gone' }

/** Saved recipes of one workshop at a time: no query goes without its id. Versions are only ever added. */
export interface RecipeStore {
  list(workshopId: string): Promise<RecipeAnswer[]>
  versions(workshopId: string, id: string): Promise<RecipeVersionAnswer[]>
  add(workshopId: string, name: string, reason: string, recipe: Recipe): Promise<AddVersionResult>
  /** A new version on top of `from`; refused when that is no longer the newest. */
  addVersion(
    workshopId: string,
    id: string,
    from: number,
    name: string,
    reason: string,
    recipe: Recipe,
  ): Promise<AddVersionResult>
  setDeleted(workshopId: string, id: string, deletedAt: Date | null): Promise<boolean | 'name'>
}

const MOST_LISTED = 500

/** Each live recipe with its newest version. */
const newest = (db: Database, workshopId: string) =>
  db
    .selectFrom('recipe')
    .innerJoin('recipe_version as version', join =>
      join.onRef('version.recipe_id', '=', 'recipe.id').onRef('version.workshop_id', '=', 'recipe.workshop_id'),
    )
    .where('recipe.workshop_id', '=', workshopId)
    .where('recipe.deleted_at', 'is', null)
    .where(sql<boolean>`version.version = (select max(v.version) from recipe_version v where v.recipe_id = recipe.id)`)
    .select([
      'recipe.id',
      'recipe.name',
      'version.version',
      'version.made_at',
      'version.recipe',
      'version.format_version',
    ])

type Row = { id: string; name: string; version: number; made_at: Date; recipe: Recipe; format_version: number }

/** The recipe carries its own name and version, so that a batch that takes it keeps them. */
const answer = ({ id, name, version, made_at }: Row, recipe: Recipe): RecipeAnswer => ({
  id,
  name,
  version,
  updatedAt: made_at.toISOString(),
  recipe: { ...recipe, name, origin: { recipe: id, version } },
})

/** What recipes are read and written with. */
interface Desk {
  db: Database
  report: Report
}

const read = ({ recipe, format_version, id }: Pick<Row, 'recipe' | 'format_version' | 'id'>, report: Report) =>
  readOrTold(openedRecipe(recipe, format_version), 'recipe', id, report)

async function listed({ db, report }: Desk, workshopId: string): Promise<RecipeAnswer[]> {
  const rows = await newest(db, workshopId).orderBy('version.made_at', 'desc').limit(MOST_LISTED).execute()
  return rows.flatMap(row => {
    const recipe = read(row, report)
    return recipe ? [answer(row, recipe)] : []
  })
}

async function one({ db, report }: Desk, workshopId: string, id: string): Promise<RecipeAnswer | null> {
  const row = await newest(db, workshopId).where('recipe.id', '=', id).executeTakeFirst()
  const recipe = row && read(row, report)
  return row && recipe ? answer(row, recipe) : null
}

async function versionsOf({ db, report }: Desk, workshopId: string, id: string): Promise<RecipeVersionAnswer[]> {
  const rows = await db
    .selectFrom('recipe_version')
    .innerJoin('recipe', 'recipe.id', 'recipe_version.recipe_id')
    .where('recipe_version.workshop_id', '=', workshopId)
    .where('recipe_version.recipe_id', '=', id)
    .select(['recipe.name', 'version', 'reason', 'recipe_version.recipe', 'format_version', 'made_at'])
    .orderBy('version', 'desc')
    .execute()
  return rows.flatMap(row => {
    const recipe = read({ ...row, id }, report)
    const { name, version, reason, made_at } = row
    const origin = { recipe: id, version }
    return recipe ? [{ version, reason, madeAt: made_at.toISOString(), recipe: { ...recipe, name, origin } }] : []
  })
}

interface NewVersion {
  workshopId: string
  id: string
  version: number
  reason: string
  recipe: Recipe
}

const insert = (db: Database, { workshopId, id, version, reason, recipe }: NewVersion) =>
  db
    .insertInto('recipe_version')
    .values({
      ...{ recipe_id: id, workshop_id: workshopId, version, reason },
      recipe: JSON.stringify({ ...recipe, origin: null }),
      format_version: RECIPE_VERSION,
    })
    .execute()

/** Does something in a transaction; a name that is taken takes it back. */
async function named(desk: Desk, act: (within: Desk) => Promise<AddVersionResult>): Promise<AddVersionResult> {
  try {
    return await desk.db.transaction().execute(db => act({ ...desk, db }))
  } catch (error) {
    if (isTaken(error)) return { ok: false, reason: 'name' }
    throw error
  }
}

const added = (desk: Desk, workshopId: string, name: string, reason: string, recipe: Recipe) =>
  named(desk, async within => {
    const { id } = await within.db
      .insertInto('recipe')
      .values({ workshop_id: workshopId, name })
      .returning('id')
      .executeTakeFirstOrThrow()
    await insert(within.db, { workshopId, id, version: 1, reason, recipe })
    return { ok: true, saved: (await one(within, workshopId, id))! }
  })

const onTop = (desk: Desk, name: string, { version: from, ...made }: NewVersion) =>
  named(desk, async within => {
    const { workshopId, id } = made
    const held = await within.db
      .selectFrom('recipe')
      .where('workshop_id', '=', workshopId)
      .where('id', '=', id)
      .where('deleted_at', 'is', null)
      .select('id')
      .forUpdate()
      .executeTakeFirst()
    const current = held && (await one(within, workshopId, id))
    if (!current) return { ok: false, reason: 'gone' }
    if (current.version !== from) return { ok: false, reason: 'moved' }
    await within.db
      .updateTable('recipe')
      .set({ name })
      .where('workshop_id', '=', workshopId)
      .where('id', '=', id)
      .execute()
    await insert(within.db, { ...made, version: from + 1 })
    return { ok: true, saved: (await one(within, workshopId, id))! }
  })

export function recipeStore(db: Database, report: Report = () => undefined): RecipeStore {
  const desk = { db, report }
  return {
    list: workshopId => listed(desk, workshopId),
    versions: (workshopId, id) => versionsOf(desk, workshopId, id),
    add: (workshopId, name, reason, recipe) => added(desk, workshopId, name, reason, recipe),
    addVersion: (workshopId, id, version, name, reason, recipe) =>
      onTop(desk, name, { workshopId, id, version, reason, recipe }),
    setDeleted: (workshopId, id, deletedAt) => setDeleted(db, 'recipe', workshopId, id, deletedAt),
  }
}
