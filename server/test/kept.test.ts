import type { DesignAnswer, RecipeAnswer, ShelfAnswer } from '@ostler/core'
import { sql } from 'kysely'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { bench } from './harness.ts'
import type { Bench } from './harness.ts'

let at: Bench
let visitor: ReturnType<Bench['visitor']>
beforeAll(async () => {
  at = await bench({ demo: true })
  visitor = at.visitor()
  await visitor.post('/api/session').send(DEMO_SIGN_IN)
})
afterAll(() => at.close())

const ids = async (path: string): Promise<string[]> =>
  ((await visitor.get(path)).body as (DesignAnswer | RecipeAnswer)[]).map(one => one.id)
const shelf = async () => ((await visitor.get('/api/shelf')).body as ShelfAnswer).shelf

describe('what a newer Ostler has kept', () => {
  test('a design is left where it is, and the others are there', async () => {
    const before = await ids('/api/designs')
    const newer = sql`update design set design = jsonb_set(design, '{version}', '99') where id = ${before[0]!}`
    await newer.execute(at.db)
    expect(await ids('/api/designs')).toEqual(before.slice(1))
    const row = await at.db.selectFrom('design').where('id', '=', before[0]!).select('design').executeTakeFirst()
    expect(row!.design).toMatchObject({ version: 99 })
  })

  test('so is a recipe', async () => {
    const before = await ids('/api/recipes')
    await at.db.updateTable('recipe_version').set({ format_version: 99 }).where('recipe_id', '=', before[0]!).execute()
    expect(await ids('/api/recipes')).toEqual(before.slice(1))
  })

  test('and an item of the shelf', async () => {
    const before = (await shelf()).oils.map(oil => oil.id)
    const gone = at.db.updateTable('shelf_item').set({ format_version: 99 }).where('id', '=', before[0]!)
    await gone.execute()
    expect((await shelf()).oils.map(oil => oil.id)).toEqual(before.slice(1))
  })
})

test('a design kept in the first form is brought up', async () => {
  const [first] = (await visitor.get('/api/designs')).body as DesignAnswer[]
  const elder = {
    ...first!.design,
    version: 1,
    score: first!.design.score.map(({ cavities: _, ...pour }) => pour),
  }
  await at.db
    .updateTable('design')
    .set({ design: JSON.stringify(elder) })
    .where('id', '=', first!.id)
    .execute()
  const again = ((await visitor.get('/api/designs')).body as DesignAnswer[]).find(one => one.id === first!.id)
  expect(again!.design).toEqual(first!.design)
})
