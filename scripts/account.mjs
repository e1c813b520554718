// npm run -s account -- list | new-password NAME | role NAME owner|maker|looker | sign-out NAME: members, by whoever has the server.
import { createHash, randomBytes } from 'node:crypto'
import { ensurePackages } from './lib/build.mjs'
import { withDatabase } from './lib/backup.mjs'
import { Told, run } from './lib/say.mjs'

const ROLES = ['owner', 'maker', 'looker']
const USAGE = 'Say list, new-password NAME, role NAME owner|maker|looker, or sign-out NAME.'

async function memberOf(client, name) {
  const { rows } = await client.query('select id, workshop_id, name, role from member where sign_in_name = $1', [name])
  if (!rows[0]) throw new Told(`Nobody signs in as ${name ?? '(no name)'}.`)
  return rows[0]
}

const deed = (client, { workshop_id, id, name }, what) =>
  client.query('insert into deed (workshop_id, member_id, member_name, what, about) values ($1, $2, $3, $4, $5)', [
    ...[workshop_id, id, name, what],
    'on the server',
  ])

const ACTS = {
  async list(client) {
    const { rows } = await client.query(
      'select w.name as workshop, m.sign_in_name, m.name, m.role from member m join workshop w on w.id = m.workshop_id order by 1, 2',
    )
    for (const row of rows) console.log([row.workshop, row.sign_in_name, row.name, row.role].join('\t'))
  },
  async 'new-password'(client, [name]) {
    const member = await memberOf(client, name)
    const token = randomBytes(32).toString('base64url')
    const hash = createHash('sha256').update(token).digest('base64url')
    await client.query(
      "insert into way_in (token_hash, workshop_id, member_id, made_by, expires_at) values ($1, $2, $3, 'the server', now() + interval '1 day')",
      [hash, member.workshop_id, member.id],
    )
    await deed(client, member, 'got a way to a new password')
    console.log(`Within a day, once: /come-in/${token}`)
  },
  async role(client, [name, role]) {
    if (!ROLES.includes(role)) throw new Told(USAGE)
    const member = await memberOf(client, name)
    const { rows } = await client.query(
      "select count(*)::int as n from member where workshop_id = $1 and role = 'owner'",
      [member.workshop_id],
    )
    if (member.role === 'owner' && role !== 'owner' && rows[0].n === 1)
      throw new Told('A workshop has an owner: make somebody else one first.')
    await client.query('update member set role = $1 where id = $2', [role, member.id])
    await deed(client, member, `is ${role} from now on`)
    console.log(`${name} is ${role}.`)
  },
  async 'sign-out'(client, [name]) {
    const member = await memberOf(client, name)
    const { rowCount } = await client.query('delete from session where member_id = $1', [member.id])
    await deed(client, member, 'was signed out everywhere')
    console.log(`${rowCount} ${rowCount === 1 ? 'session' : 'sessions'} ended.`)
  },
}

await run(async () => {
  const [what, ...about] = process.argv.slice(2)
  const act = Object.hasOwn(ACTS, what ?? '') ? ACTS[what] : null
  if (!act) throw new Told(USAGE)
  ensurePackages()
  const { default: pg } = await import('pg')
  await withDatabase(async url => {
    const client = new pg.Client({ connectionString: url })
    await client.connect()
    try {
      await act(client, about)
    } finally {
      await client.end()
    }
  })
})
