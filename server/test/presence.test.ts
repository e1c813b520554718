import { starterPlan } from '@ostler/core'
import type { BatchAnswer, HereAnswer } from '@ostler/core'
import { hash } from '@node-rs/argon2'
import { randomUUID } from 'node:crypto'
import { sql } from 'kysely'
import { expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { bench } from './harness.ts'

test('windows hear who else has the batch open, until those are left or silent', async () => {
  const at = await bench({ demo: true })
  const maker = at.visitor()
  await maker.post('/api/session').send(DEMO_SIGN_IN)
  const { id } = (await maker.post('/api/batches').send({ plan: starterPlan('Of several') })).body as BatchAnswer
  const { id: workshop_id } = await at.db.selectFrom('workshop').select('id').executeTakeFirstOrThrow()
  const password_hash = await hash('a kettle in the rain')
  await at.db
    .insertInto('member')
    .values({ workshop_id, name: 'Lou', sign_in_name: 'lou', role: 'looker', password_hash })
    .execute()
  const looker = at.visitor()
  await looker.post('/api/session').send({ signInName: 'lou', password: 'a kettle in the rain' })
  const [mine, second, theirs] = [randomUUID(), randomUUID(), randomUUID()]
  const here = async (who: typeof maker, window: string, isLeft = false) =>
    (await who.post(`/api/here/${id}`).send({ window, isLeft })).body as HereAnswer[]
  expect(await here(maker, mine)).toEqual([])
  expect(await here(looker, theirs)).toEqual([{ name: 'Demo maker', isYou: false }])
  await here(maker, second)
  expect((await here(maker, mine)).sort((a, b) => a.name.localeCompare(b.name))).toEqual([
    { name: 'Demo maker', isYou: true },
    { name: 'Lou', isYou: false },
  ])
  await here(looker, theirs, true)
  expect(await here(maker, mine)).toEqual([{ name: 'Demo maker', isYou: true }])
  await sql`update presence set seen_at = now() - interval '1 minute' where window_id = ${second}`.execute(at.db)
  expect(await here(maker, mine)).toEqual([])
  expect((await maker.post(`/api/here/${randomUUID()}`).send({ window: mine, isLeft: false })).status).toBe(404)
  expect((await maker.post(`/api/here/${id}`).send({ window: 'me', isLeft: false })).status).toBe(400)
  await at.close()
})
