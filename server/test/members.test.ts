import type { DeedAnswer, MembersAnswer, OpenSession, SessionAnswer } from '@ostler/core'
import { starterPlan } from '@ostler/core'
import { sql } from 'kysely'
import { Secret, TOTP } from 'otpauth'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { whyWeak } from '../src/members/common-passwords.ts'
import { bench } from './harness.ts'
import type { Bench } from './harness.ts'

const OWNER = { workshopName: 'Mill', memberName: 'Ann', signInName: 'ann', password: 'a kettle in the rain' }
const JOINING = { memberName: 'Ben', signInName: 'ben', password: 'seven herons on a weir' }

type Visitor = ReturnType<Bench['visitor']>

describe('members of a workshop', () => {
  let at: Bench
  let ann: Visitor
  beforeAll(async () => {
    at = await bench()
    ann = at.visitor()
    expect((await ann.post('/api/setup').send(OWNER)).status).toBe(204)
  })
  afterAll(() => at.close())

  const invited = async (role: string): Promise<string> => {
    const made = await ann.post('/api/members/invitations').send({ role })
    expect(made.status).toBe(201)
    return (made.body as { token: string }).token
  }
  const membersOf = async (who: Visitor) => (await who.get('/api/members')).body as MembersAnswer
  const joined = async (role: string, signInName: string): Promise<Visitor> => {
    const visitor = at.visitor()
    const answer = await visitor.post(`/api/ways-in/${await invited(role)}`).send({ ...JOINING, signInName })
    expect(answer.status).toBe(204)
    return visitor
  }

  test('come in by a link that works once, with the role that it gives', async () => {
    const token = await invited('maker')
    expect((await at.visitor().get(`/api/ways-in/${token}`)).body).toEqual({
      ...{ workshop: 'Mill', role: 'maker', member: null },
    })
    const weak = await at
      .visitor()
      .post(`/api/ways-in/${token}`)
      .send({ ...JOINING, password: 'password123' })
    expect(weak.status).toBe(400)
    expect(weak.body).toMatchObject({ problems: [{ path: 'password' }] })
    // A name that is taken costs nothing: the link is as good as before.
    const taken = await at
      .visitor()
      .post(`/api/ways-in/${token}`)
      .send({ ...JOINING, signInName: 'ann' })
    expect(taken.status).toBe(409)
    const both = await Promise.all(
      ['ben', 'bea'].map(signInName =>
        at
          .visitor()
          .post(`/api/ways-in/${token}`)
          .send({ ...JOINING, signInName }),
      ),
    )
    expect(both.map(({ status }) => status).sort()).toEqual([204, 404])
    expect((await at.visitor().get(`/api/ways-in/${token}`)).status).toBe(404)
    expect((await at.visitor().get('/api/ways-in/guessed')).status).toBe(404)
    expect((await membersOf(ann)).members.map(({ role }) => role)).toEqual(['owner', 'maker'])
  })

  test('lookers change nothing, makers change all but members, each at once when the role changes', async () => {
    const looker = await joined('looker', 'lou')
    const maker = await joined('maker', 'max')
    const plan = { plan: starterPlan('Of the maker') }
    const made = await maker.post('/api/batches').send(plan)
    expect(made.status).toBe(201)
    const { id } = made.body as { id: string }
    expect((await looker.get(`/api/batches/${id}`)).status).toBe(200)
    for (const [method, path] of [
      ['post', '/api/batches'],
      ['delete', `/api/batches/${id}`],
      ['put', '/api/workshop/habits'],
      ['post', '/api/trials'],
      ['post', `/api/batches/${id}/runs`],
      ['put', '/api/shelf/oils/olive'],
    ] as const)
      expect([path, (await looker[method](path).send(plan)).status]).toEqual([path, 403])
    for (const who of [looker, maker]) {
      expect((await who.get('/api/members')).status).toBe(403)
      expect((await who.post('/api/members/invitations').send({ role: 'owner' })).status).toBe(403)
      expect((await who.post('/api/members/delete-workshop').send({ password: JOINING.password })).status).toBe(403)
    }
    const { members } = await membersOf(ann)
    const lou = members.find(({ signInName }) => signInName === 'lou')!
    expect((await ann.put(`/api/members/${lou.id}`).send({ role: 'maker' })).status).toBe(204)
    expect((await looker.post('/api/batches').send(plan)).status).toBe(201)
    expect((await ann.put(`/api/members/${lou.id}`).send({ role: 'king' })).status).toBe(400)
    expect((await ann.delete(`/api/members/${lou.id}`)).status).toBe(204)
    expect((await looker.get('/api/batches')).status).toBe(401)
    // What somebody made stays when they are gone.
    expect((await maker.get(`/api/batches/${id}`)).status).toBe(200)
  })

  test('the last owner neither leaves nor gives the place away; of two who leave at once one stays', async () => {
    const you = (await membersOf(ann)).members.find(({ isYou }) => isYou)!
    expect((await ann.put(`/api/members/${you.id}`).send({ role: 'looker' })).status).toBe(409)
    expect((await ann.post('/api/account/leave').send({ password: OWNER.password })).status).toBe(409)
    const second = await joined('owner', 'ora')
    const left = await Promise.all([
      ann.post('/api/account/leave').send({ password: OWNER.password }),
      second.post('/api/account/leave').send({ password: JOINING.password }),
    ])
    expect(left.map(({ status }) => status).sort()).toEqual([204, 409])
    // Whoever stayed goes on as ann for the tests below.
    if (left[0].status === 204) {
      ann = second
      OWNER.password = JOINING.password
      OWNER.signInName = 'ora'
    }
  })

  test('change their own password with the old one; other browsers are signed out, wrong tries are counted', async () => {
    const other = at.visitor()
    expect(
      (await other.post('/api/session').send({ signInName: OWNER.signInName, password: OWNER.password })).status,
    ).toBe(204)
    const open = (await ann.get('/api/account/sessions')).body as OpenSession[]
    expect(open.filter(({ isThis }) => isThis)).toHaveLength(1)
    expect(open.length).toBeGreaterThan(1)
    const wrong = await ann
      .put('/api/account/password')
      .send({ old: 'not it at all', password: 'eleven ducks at dusk' })
    expect(wrong.status).toBe(403)
    expect(wrong.body).toMatchObject({ problems: [{ path: 'old' }] })
    const weak = await ann.put('/api/account/password').send({ old: OWNER.password, password: 'qwertyuiop' })
    expect(weak.body).toMatchObject({ problems: [{ path: 'password' }] })
    const done = await ann.put('/api/account/password').send({ old: OWNER.password, password: 'eleven ducks at dusk' })
    expect(done.status).toBe(204)
    expect((await other.get('/api/batches')).status).toBe(401)
    expect((await ann.get('/api/batches')).status).toBe(200)
    OWNER.password = 'eleven ducks at dusk'
    const tries = await Promise.all(
      Array.from({ length: 12 }, () => ann.post('/api/account/leave').send({ password: 'guess' })),
    )
    expect(tries.some(({ status }) => status === 429)).toBe(true)
    await sql`delete from sign_in_try`.execute(at.db)
  })

  test('end a session of theirs somewhere else, and none of anybody else', async () => {
    const other = at.visitor()
    await other
      .post('/api/session')
      .set('user-agent', 'Phone')
      .send({ signInName: OWNER.signInName, password: OWNER.password })
    const sessions = (await ann.get('/api/account/sessions')).body as OpenSession[]
    const phone = sessions.find(({ agent }) => agent === 'Phone')!
    const stranger = await joined('maker', 'stu')
    expect((await stranger.delete(`/api/account/sessions/${phone.id}`)).status).toBe(404)
    expect((await ann.delete(`/api/account/sessions/${phone.id}`)).status).toBe(204)
    expect((await other.get('/api/batches')).status).toBe(401)
  })

  test('who has forgotten the password gets a link from an owner, once; sessions and second step end with it', async () => {
    const tom = await joined('maker', 'tom')
    const { id } = (await membersOf(ann)).members.find(({ signInName }) => signInName === 'tom')!
    const made = await ann.post(`/api/members/${id}/new-password`)
    const { token } = made.body as { token: string }
    expect((await at.visitor().get(`/api/ways-in/${token}`)).body).toMatchObject({ role: null, member: 'Ben' })
    const set = () => at.visitor().post(`/api/ways-in/${token}`).send({ password: 'a spoon of blue clay' })
    expect((await set()).status).toBe(204)
    expect((await set()).status).toBe(404)
    expect((await tom.get('/api/batches')).status).toBe(401)
    const again = { signInName: 'tom', password: 'a spoon of blue clay' }
    expect((await at.visitor().post('/api/session').send(again)).status).toBe(204)
  })

  test('a second step is asked once it was proved, and no code is taken twice', async () => {
    const una = await joined('maker', 'una')
    const begun = await una.post('/api/account/second-step').send({ password: JOINING.password })
    const { secret, picture } = begun.body as { secret: string; picture: string }
    expect(picture).toMatch(/^data:image\/png/)
    const name = { signInName: 'una', password: JOINING.password }
    // Not proved yet: it is not asked.
    expect((await at.visitor().post('/api/session').send(name)).status).toBe(204)
    const totp = new TOTP({ secret: Secret.fromBase32(secret), digits: 6, period: 30 })
    const code = (ahead = 0) => totp.generate({ timestamp: Date.now() + ahead * 30_000 })
    expect((await una.put('/api/account/second-step').send({ code: '000000' })).status).toBe(400)
    expect((await una.put('/api/account/second-step').send({ code: code() })).status).toBe(204)
    const asked = await at.visitor().post('/api/session').send(name)
    expect(asked.status).toBe(401)
    expect(asked.body).toMatchObject({ problems: [{ path: 'code' }] })
    expect(
      (
        await at
          .visitor()
          .post('/api/session')
          .send({ ...name, code: code() })
      ).status,
    ).toBe(401)
    const fresh = code(1)
    expect(
      (
        await at
          .visitor()
          .post('/api/session')
          .send({ ...name, code: fresh })
      ).status,
    ).toBe(204)
    expect(
      (
        await at
          .visitor()
          .post('/api/session')
          .send({ ...name, code: fresh })
      ).status,
    ).toBe(401)
    const session = (await una.get('/api/session')).body as SessionAnswer
    expect(session.member).toMatchObject({ role: 'maker', hasSecondStep: true })
    expect((await una.post('/api/account/second-step/off').send({ password: JOINING.password })).status).toBe(204)
    await sql`delete from sign_in_try`.execute(at.db)
    expect((await at.visitor().post('/api/session').send(name)).status).toBe(204)
  })

  test('who did what is told to owners, only ever added to, and goes with the workshop', async () => {
    const deeds = (await ann.get('/api/members/deeds')).body as DeedAnswer[]
    const said = deeds.map(({ what }) => what)
    for (const what of ['made a batch', 'invited somebody', 'removed a member', 'left the workshop'])
      expect(said).toContain(what)
    const csv = await ann.get('/api/members/deeds.csv')
    expect(csv.text).toContain('came in by an invitation')
    await expect(sql`update deed set what = 'nothing'`.execute(at.db)).rejects.toThrow(/not changed afterwards/)
    await expect(sql`delete from deed`.execute(at.db)).rejects.toThrow(/not changed afterwards/)
    const wrong = await ann.post('/api/members/delete-workshop').send({ password: 'guess' })
    expect(wrong.status).toBe(403)
    expect((await ann.post('/api/members/delete-workshop').send({ password: OWNER.password })).status).toBe(204)
    expect((await ann.get('/api/batches')).status).toBe(401)
    const tables = ['workshop', 'member', 'session', 'batch', 'shelf_item', 'deed', 'way_in']
    for (const table of tables) {
      const { rows } = await sql<{ n: string }>`select count(*) as n from ${sql.table(table)}`.execute(at.db)
      expect([table, rows[0]!.n]).toEqual([table, '0'])
    }
  })
})

test('passwords that everybody tries first are none, a sentence of one’s own is', () => {
  for (const weak of ['password123', 'Qwertyuiop', 'iloveyou2026!', 'aaaaaaaaaaaa', 'dragondragon', 'MILL LANE 9'])
    expect([weak, whyWeak(weak, ['Mill Lane 9'])]).not.toEqual([weak, ''])
  for (const good of ['a kettle in the rain', 'seven herons on a weir', 'Zwölf Enten im Regen'])
    expect(whyWeak(good, ['Mill'])).toBe('')
})

test('owners are told when the last good backup was made, and when that is too long ago', async () => {
  const { mkdtempSync, writeFileSync, rmSync } = await import('node:fs')
  const { lastBackup } = await import('../src/members/last-backup.ts')
  const folder = mkdtempSync('/tmp/ostler-backups-')
  const now = new Date('2026-12-01T12:00:00Z')
  expect(await lastBackup('', now)).toMatchObject({ isMadeHere: false, isOld: false })
  expect(await lastBackup(folder, now)).toMatchObject({ madeAt: null, isOld: true })
  const told = (madeAt: string) => writeFileSync(`${folder}/last-good.json`, JSON.stringify({ madeAt, bytes: 12 }))
  told('2026-12-01T03:00:00Z')
  expect(await lastBackup(folder, now)).toEqual({
    isMadeHere: true,
    madeAt: '2026-12-01T03:00:00Z',
    isOld: false,
    bytes: 12,
  })
  told('2026-11-20T03:00:00Z')
  expect((await lastBackup(folder, now)).isOld).toBe(true)
  writeFileSync(`${folder}/last-good.json`, '{"madeAt":')
  expect(await lastBackup(folder, now)).toMatchObject({ madeAt: null, isOld: true })
  rmSync(folder, { recursive: true })
})
