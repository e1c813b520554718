// Backups of everything that a server keeps, and the way back.
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { headOf, pack, unpack } from './archive.mjs'
import { postgresBin } from './debian.mjs'
import { notKept } from './keeping.mjs'
import { DATA, ROOT } from './paths.mjs'
import { Cluster } from './postgres.mjs'
import { Told } from './say.mjs'

/** Where backups are made by themselves, and where the last good one is written down. */
export const BACKUPS = process.env.OSTLER_BACKUPS ?? join(DATA, 'backups')
const LAST_GOOD = 'last-good.json'
const NAME = /^ostler-(\d{4}-\d{2}-\d{2}T\d{2}-\d{2})\.backup$/

/** PostgreSQL's own programs; the password goes by the environment, never by the command line. */
function postgres(program, url, args) {
  const { hostname, port, username, password, pathname } = new URL(url)
  const at = ['-h', hostname, '-p', port || '5432', '-U', decodeURIComponent(username), '-d', pathname.slice(1)]
  const { status, stderr } = spawnSync(join(postgresBin(), program), [...at, ...args], {
    encoding: 'utf8',
    env: { ...process.env, PGPASSWORD: decodeURIComponent(password) },
    maxBuffer: 64 * 2 ** 20,
  })
  if (status !== 0) throw new Told(`${program} failed: ${(stderr ?? '').trim().split('\n').slice(-3).join(' ')}`)
}

async function asking(url, act) {
  const { default: pg } = await import('pg')
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    return await act(client)
  } finally {
    await client.end()
  }
}

/** Names of migrations that this Ostler knows, the newest last. */
const knownMigrations = () =>
  readdirSync(join(ROOT, 'server', 'src', 'database', 'migrations'))
    .map(name => name.replace(/\.ts$/, ''))
    .sort()

/** The newest migration of a database; null where there is none. */
const schemaOf = url =>
  asking(url, async client => {
    const { rows } = await client.query("select to_regclass('kysely_migration') as there")
    if (!rows[0].there) return null
    const { rows: found } = await client.query('select name from kysely_migration order by name desc limit 1')
    return found[0]?.name ?? null
  })

const inFolder = async act => {
  const folder = mkdtempSync(join(tmpdir(), 'ostler-backup-'))
  try {
    return await act(folder)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

/**
 * Makes a backup and reads it again before it counts.
 * @returns what it says of itself
 */
export async function makeBackup(url, archive, passphrase = '', now = new Date()) {
  const schema = await schemaOf(url)
  if (!schema) throw new Told('There is nothing to back up: the database is empty.')
  return inFolder(async folder => {
    const dump = join(folder, 'dump')
    postgres('pg_dump', url, ['-Fc', '--no-owner', '--no-acl', '-f', dump])
    const head = await pack(dump, archive, { madeAt: now.toISOString(), schema }, passphrase)
    await unpack(archive, join(folder, 'again'), passphrase)
    return head
  })
}

/** A backup into the folder of its own, with those away that no rule keeps, and a note of it. */
export async function dailyBackup(url, folder = BACKUPS, now = new Date(), passphrase = '') {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const name = `ostler-${now.toISOString().slice(0, 16).replace(':', '-')}.backup`
  const head = await makeBackup(url, join(folder, name), passphrase, now)
  writeFileSync(join(folder, LAST_GOOD), JSON.stringify({ name, madeAt: head.madeAt, bytes: head.bytes }))
  for (const old of notKept(backupsIn(folder), now)) rmSync(join(folder, old), { force: true })
  return name
}

/** Backups in a folder, by the time in their names. */
export const backupsIn = folder =>
  existsSync(folder)
    ? readdirSync(folder).flatMap(name => {
        const at = NAME.exec(name)?.[1]
        return at ? [{ name, at: new Date(`${at.slice(0, 13)}:${at.slice(14)}:00Z`) }] : []
      })
    : []

/** When the last good one was made; null: never. */
export function lastGood(folder = BACKUPS) {
  try {
    return JSON.parse(readFileSync(join(folder, LAST_GOOD), 'utf8'))
  } catch {
    return null
  }
}

/** Refuses what cannot be restored here, before anything is touched. */
function checked(archive) {
  const { head } = headOf(archive)
  const known = knownMigrations()
  if (head.version !== 1 || !known.includes(head.schema))
    throw new Told(`${archive} was made by a newer Ostler (${head.schema}). Take that one to restore it.`)
  return head
}

/** Restores into a database that is empty; all or nothing. */
export async function restoreInto(url, archive, passphrase = '') {
  const head = checked(archive)
  if (await schemaOf(url)) throw new Told('The database is not empty: a backup is restored into an empty one.')
  return inFolder(async folder => {
    const dump = join(folder, 'dump')
    await unpack(archive, dump, passphrase)
    postgres('pg_restore', url, ['--no-owner', '--no-acl', '--exit-on-error', '--single-transaction', dump])
    return head
  })
}

/**
 * Restores into this checkout's own database, which steps aside until the new one stands: what was there is backed up first.
 * @returns name of the backup of what was there, or null when nothing was
 */
export async function restoreHere(archive, passphrase = '') {
  checked(archive)
  const cluster = new Cluster('database', { lasting: true })
  await cluster.start()
  try {
    const before = await cluster.database('ostler')
    const hadSome = (await schemaOf(before)) !== null
    const kept = hadSome ? await dailyBackup(before) : null
    const fresh = await cluster.database('ostler_restored', { anew: true })
    await restoreInto(fresh, archive, passphrase)
    await asking(cluster.url('postgres'), async client => {
      await client.query('drop database if exists ostler with (force)')
      await client.query('alter database ostler_restored rename to ostler')
    })
    return kept
  } finally {
    cluster.stop()
  }
}

/** The database to back up: the one in DATABASE_URL, or this checkout's own, started where it does not run. */
export async function withDatabase(act) {
  if (process.env.DATABASE_URL) return act(process.env.DATABASE_URL)
  const cluster = new Cluster('database', { lasting: true })
  const ran = existsSync(cluster.passwordFile) && cluster.isAlive()
  await cluster.start()
  try {
    return await act(await cluster.database('ostler'))
  } finally {
    if (!ran) cluster.stop()
  }
}
