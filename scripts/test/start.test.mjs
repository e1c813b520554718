import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { chmodSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as sleep } from 'node:timers/promises'
import { afterAll, expect, test } from 'vitest'
import { ROOT } from '../lib/paths.mjs'

const folder = mkdtempSync(join(tmpdir(), 'ostler-start-'))
chmodSync(folder, 0o755)
const DEMO = JSON.stringify({ signInName: 'demo', password: 'trace before colour' })
const running = new Set()

/** Starts Ostler with its data in a folder of this test's own; resolves when it is ready or has ended. */
function start(at = folder) {
  const env = { ...process.env, OSTLER_DATA: at, PORT: '0', DATABASE_URL: '' }
  const child = spawn(process.execPath, [join(ROOT, 'scripts', 'start.mjs')], {
    env,
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  running.add(child)
  const ended = new Promise(resolve => child.once('exit', code => resolve(code)))
  let text = ''
  const url = new Promise(resolve => {
    const read = chunk => {
      text += chunk
      const found = /ready: (\S+)[\s\S]*Ctrl-C/.exec(text)
      if (found) resolve(found[1].replace('localhost', '127.0.0.1'))
    }
    child.stdout.on('data', read)
    child.stderr.on('data', read)
    void ended.then(() => resolve(null))
  })
  return { child, url, ended, text: () => text }
}

async function signIn(url) {
  const response = await fetch(`${url}api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: DEMO,
  })
  return { cookie: response.headers.get('set-cookie').split(';')[0], 'content-type': 'application/json' }
}

const names = async (url, headers) =>
  (await (await fetch(`${url}api/batches`, { headers })).json()).batches.map(batch => batch.name)
const pidFile = join(folder, 'database', 'pg', 'postmaster.pid')
const postmaster = () => Number(readFileSync(pidFile, 'utf8').split('\n')[0])

const isGone = pid => {
  try {
    return readFileSync(`/proc/${pid}/stat`, 'utf8').replace(/^.*\) /s, '')[0] === 'Z'
  } catch {
    return true
  }
}

async function until(holds) {
  for (let tries = 0; tries < 200; tries += 1) {
    if (await holds()) return
    await sleep(100)
  }
  throw new Error(`it did not come to pass: ${holds}`)
}

afterAll(async () => {
  for (const child of running) child.kill('SIGTERM')
  await sleep(1500)
  rmSync(folder, { recursive: true, force: true })
})

test('starts, keeps data through kills of everything, refuses a second start, and stops cleanly', async () => {
  const first = start()
  const url = await first.url
  expect(first.text()).toContain('Demo sign-in')
  const headers = await signIn(url)
  const [batch] = (await (await fetch(`${url}api/batches`, { headers })).json()).batches
  const { plan } = await (await fetch(`${url}api/batches/${batch.id}`, { headers })).json()
  const body = JSON.stringify({ plan: { ...plan, name: 'Kept through it all' } })
  expect((await fetch(`${url}api/batches`, { method: 'POST', headers, body })).status).toBe(201)

  const second = start()
  expect(await second.url).toBeNull()
  expect(await second.ended).toBe(1)
  expect(second.text()).toContain('already runs from this folder')
  expect(await names(url, headers)).toContain('Kept through it all')

  // The database alone is killed: it is started again on its port, and the server finds it.
  const killed = postmaster()
  process.kill(killed, 'SIGKILL')
  await until(() => existsSync(pidFile) && postmaster() !== killed)
  await until(async () => (await fetch(`${url}api/batches`, { headers })).ok)
  expect(await names(url, headers)).toContain('Kept through it all')

  // Starter and database at once: the server notices that its starter is gone.
  const database = postmaster()
  first.child.kill('SIGKILL')
  process.kill(database, 'SIGKILL')
  await first.ended
  await until(async () => (await fetch(`${url}api/health`).catch(() => null)) === null)

  const third = start()
  const again = await third.url
  expect(await names(again, await signIn(again))).toContain('Kept through it all')
  const last = postmaster()
  third.child.kill('SIGINT')
  expect(await third.ended).toBe(0)
  expect(isGone(last)).toBe(true)
  expect(existsSync(join(folder, 'running'))).toBe(false)
})

test('a lock that a killed start left behind is no hindrance', async () => {
  writeFileSync(join(folder, 'running'), '999999 1')
  const next = start()
  expect(await next.url).not.toBeNull()
  next.child.kill('SIGTERM')
  expect(await next.ended).toBe(0)
})

/** One of the project's commands on the data of a folder. */
function command(at, name, ...args) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(ROOT, 'scripts', `${name}.mjs`), ...args], {
    env: { ...process.env, OSTLER_DATA: at, DATABASE_URL: '', OSTLER_BACKUPS: join(at, 'backups') },
    encoding: 'utf8',
  })
  return { status, said: stdout + stderr }
}

test('a backup of a server that is thrown away is restored elsewhere; what is damaged or newer is refused', async () => {
  const archive = join(folder, 'whole.backup')
  const passphrase = join(folder, 'passphrase')
  writeFileSync(passphrase, 'a kettle in the rain\n')
  expect(command(folder, 'backup', archive, '--passphrase-file', passphrase)).toMatchObject({ status: 0 })
  expect(readFileSync(archive, 'latin1')).not.toContain('PGDMP')

  const bytes = readFileSync(archive)
  const refused = [
    [bytes.subarray(0, bytes.length - 100), /a part of it is missing/],
    [Buffer.concat([bytes.subarray(0, -50), Buffer.alloc(50, 7)]), /passphrase is wrong, or the backup is damaged/],
    [
      Buffer.from(bytes.toString('latin1').replace(/"schema":"[^"]+"/, '"schema":"2999-01-01-later"'), 'latin1'),
      /newer/,
    ],
    [Buffer.from('OSTLER-BACKUP 9\n'), /newer Ostler/],
    [Buffer.from('soap'), /is no backup of Ostler/],
  ]
  const elsewhere = mkdtempSync(join(tmpdir(), 'ostler-elsewhere-'))
  chmodSync(elsewhere, 0o755)
  const bad = join(folder, 'bad.backup')
  for (const [damaged, sentence] of refused) {
    writeFileSync(bad, damaged)
    const { status, said } = command(elsewhere, 'restore', bad, '--passphrase-file', passphrase)
    expect([status, said]).toEqual([1, expect.stringMatching(sentence)])
  }
  expect(command(elsewhere, 'restore', archive).said).toMatch(/encrypted/)
  expect(command(elsewhere, 'restore', archive, '--passphrase-file', passphrase)).toMatchObject({ status: 0 })
  // What stood there is backed up before something else takes its place.
  expect(command(elsewhere, 'restore', archive, '--passphrase-file', passphrase).said).toMatch(/was there before/)
  expect(readdirSync(join(elsewhere, 'backups')).some(name => name.endsWith('.backup'))).toBe(true)
  expect(command(elsewhere, 'account', 'list').said).toContain('demo')
  expect(command(elsewhere, 'account', 'role', 'demo', 'looker').said).toMatch(/has an owner/)
  const link = command(elsewhere, 'account', 'new-password', 'demo').said
  expect(link).toMatch(/\/come-in\/[\w-]{43}/)

  const there = start(elsewhere)
  const url = await there.url
  expect(await names(url, await signIn(url))).toContain('Kept through it all')
  there.child.kill('SIGTERM')
  expect(await there.ended).toBe(0)
  rmSync(elsewhere, { recursive: true, force: true })
})
