import { RECIPE_VERSION, openedRecipe } from '@ostler/core'
import type { Recipe, RecipeAnswer, RecipeVersionAnswer } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'
import { isTaken, setDeleted } from '../database/deleting.ts'
import type { Report } from '../database/unread.ts'
import { readOrTold } from '../database/unread.ts'
import type { Who } from '../database/who.ts'

export type AddVersionResult = { ok: true; saved: RecipeAnswer } | { ok: false; reason: 'name' | 'moved' | 'gone' }

/** Saved recipes of one workshop at a time: no query goes without its id. Versions are only ever added. */
export interface RecipeStore {
  list(workshopId: string): Promise<RecipeAnswer[]>
  versions(workshopId: string, id: string): Promise<RecipeVersionAnswer[]>
  add(who: Who, name: string, reason: string, recipe: Recipe): Promise<AddVersionResult>
  /** A new version on top of `from`; refused when that is no longer the newest. */
  addVersion(
    who: Who,
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
    .where(
      sql<boolean>`version.version = (select max(v.version) from recipe_version v where v.recipe_id = recipe.id and v.workshop_id = recipe.workshop_id)`,
    )
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
    .innerJoin('recipe', join =>
      join
        .onRef('recipe.id', '=', 'recipe_version.recipe_id')
        .onRef('recipe.workshop_id', '=', 'recipe_version.workshop_id'),
    )
    .leftJoin('member', join =>
      join
        .onRef('member.id', '=', 'recipe_version.member_id')
        .onRef('member.workshop_id', '=', 'recipe_version.workshop_id'),
    )
    .where('recipe_version.workshop_id', '=', workshopId)
    .where('recipe_version.recipe_id', '=', id)
    .select([
      'member.name as member',
      'recipe.name',
      'version',
      'reason',
      'recipe_version.recipe',
      'format_version',
      'made_at',
    ])
    .orderBy('version', 'desc')
    .execute()
  return rows.flatMap(row => {
    const recipe = read({ ...row, id }, report)
    const { name, version, reason, made_at, member } = row
    const origin = { recipe: id, version }
    return recipe
      ? [{ version, reason, madeAt: made_at.toISOString(), member, recipe: { ...recipe, name, origin } }]
      : []
  })
}

interface NewVersion extends Who {
  id: string
  version: number
  reason: string
  recipe: Recipe
}

const insert = (db: Database, { workshopId, memberId, id, version, reason, recipe }: NewVersion) =>
  db
    .insertInto('recipe_version')
    .values({
      ...{ recipe_id: id, workshop_id: workshopId, member_id: memberId, version, reason },
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

const added = (desk: Desk, { workshopId, memberId }: Who, name: string, reason: string, recipe: Recipe) =>
  named(desk, async within => {
    const { id } = await within.db
      .insertInto('recipe')
      .values({ workshop_id: workshopId, name })
      .returning('id')
      .executeTakeFirstOrThrow()
    await insert(within.db, { workshopId, memberId, id, version: 1, reason, recipe })
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
    add: (who, name, reason, recipe) => added(desk, who, name, reason, recipe),
    addVersion: ({ workshopId, memberId }, id, version, name, reason, recipe) =>
      onTop(desk, name, { workshopId, memberId, id, version, reason, recipe }),
    setDeleted: (workshopId, id, deletedAt) => setDeleted(db, 'recipe', workshopId, id, deletedAt),
  }
}
