import { expect, test } from 'vitest'
import { staysInside } from './queries.ts'

test.each([
  'select "plan" from "batch" where "id" = $1',
  'select "batch"."id" from "batch" left join "photo" on "photo"."batch_id" = "batch"."id" where "batch"."workshop_id" = $1',
  'insert into "photo" ("id", "batch_id") values ($1, $2)',
  'update "trial" set "document" = $1 where "id" = $2',
  'delete from "design" where "deleted_at" is not null',
  'delete from "session" where "expires_at" > $1',
  `select 1 from run where run.workshop_id = $1 and not exists (select 1 from run_event where run_event.run_id = run.id)`,
])('that could reach into another workshop is found: %s', query => {
  expect(staysInside(query)).toBe(false)
})

test.each([
  'select "plan" from "batch" where "workshop_id" = $1 and "id" = $2',
  'insert into "photo" ("id", "batch_id", "workshop_id") values ($1, $2, $3)',
  'select "member"."id" from "session" inner join "member" on "member"."workshop_id" = "session"."workshop_id" where "token_hash" = $1',
  'delete from "session" where "expires_at" < $1',
  'select count(*) from "workshop"',
])('that stays inside passes: %s', query => {
  expect(staysInside(query)).toBe(true)
})
