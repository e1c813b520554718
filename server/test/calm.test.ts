import { setTimeout as sleep } from 'node:timers/promises'
import { expect, test } from 'vitest'
import { nameOf } from '../src/database/prepared.ts'
import { learner } from '../src/work/learner.ts'

/** Counts how often something is worked out of a workshop, once for each time that it has changed. */
function counting() {
  const changed = new Set<string>()
  const worked: string[] = []
  const kept = {
    hasStale: (id: string) => Promise.resolve(changed.has(id)),
    workOut: (id: string) => {
      changed.delete(id)
      worked.push(id)
      return Promise.resolve(1)
    },
  }
  return { changed, worked, kept }
}
const log = { error: () => undefined }

test('what saves teach is worked out once they cease, and now and then while they go on', async () => {
  const { changed, worked, kept } = counting()
  const own = learner(kept, log, { calmMs: 60, mostMs: 400 })
  const save = (id: string) => {
    changed.add(id)
    own.look(id)
  }
  for (let i = 0; i < 8; i += 1) {
    save('quick')
    await sleep(5)
  }
  expect(worked).toEqual([])
  await own.idle()
  expect(worked).toEqual(['quick'])
  const until = Date.now() + 900
  while (Date.now() < until) {
    save('busy')
    await sleep(5)
  }
  await own.idle()
  const times = worked.length - 1
  expect(times).toBeGreaterThanOrEqual(2)
  expect(times).toBeLessThanOrEqual(4)
})

test('nothing is begun any more once it is stopped, and stopping waits for no calm', async () => {
  const { changed, worked, kept } = counting()
  const own = learner(kept, log, { calmMs: 60_000, mostMs: 60_000 })
  changed.add('one')
  own.look('one')
  await own.stop()
  own.look('one')
  await own.idle()
  expect(worked).toEqual([])
})

test('a statement that comes back is known by a name of its own, one that changes tables is not', () => {
  const [one, other] = ['select 1 as once', 'select 2 as twice']
  expect([nameOf(one), nameOf(other)]).toEqual([undefined, undefined])
  expect(nameOf(one)).toMatch(/^[\w-]{43}$/)
  expect(nameOf(one)).toBe(nameOf(one))
  expect(nameOf(one)).not.toBe(nameOf(other))
  for (let i = 0; i < 3; i += 1) expect(nameOf('create table never (id int)')).toBeUndefined()
})
