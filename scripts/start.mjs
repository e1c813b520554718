// Everything that Ostler needs to run, from a fresh clone to a page that can be opened. Plain Node: no packages yet.
import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { setTimeout as sleep } from 'node:timers/promises'
import { BACKUPS, lastGood } from './lib/backup.mjs'
import { buildAll, ensurePackages } from './lib/build.mjs'
import { ROOT } from './lib/paths.mjs'
import { holdLock } from './lib/lock.mjs'
import { Cluster } from './lib/postgres.mjs'
import { run, say } from './lib/say.mjs'
import { startServer, stopServer } from './lib/server.mjs'

const USUAL_PORT = 4310
const STARTER_CHECK_MS = 1000
const DATABASE_CHECK_MS = 2000
/** So many ends of the server within so long a time are too many. */
const MOST_FALLS = 5
const FALLS_WITHIN_MS = 60_000
const BACKUP_EVERY_MS = 24 * 3_600_000
const BACKUP_CHECK_MS = 600_000
const FIRST_BACKUP_MS = 60_000

/** The usual port, or a free one where that is taken. */
const somePort = host =>
  new Promise(resolve => {
    const probe = createServer()
    probe.once('error', () => resolve(0))
    probe.listen(USUAL_PORT, host, () => probe.close(() => resolve(USUAL_PORT)))
  })

function shownUrl(host, port) {
  const name =
    host === '0.0.0.0' || host === '::' || host === '127.0.0.1' ? 'localhost' : host.includes(':') ? `[${host}]` : host
  return `http://${name}:${port}/`
}

/** Starts the database again on its port when it was killed; the server finds it by itself. */
function watchDatabase(cluster, isStopping) {
  let busy = false
  const look = async () => {
    if (busy || isStopping() || cluster.isAlive()) return
    busy = true
    say('the database ended; starting it again …')
    await cluster.start().catch(error => say(error.message))
    busy = false
  }
  setInterval(() => void look(), DATABASE_CHECK_MS).unref()
}

/** A backup a day, for as long as Ostler runs; a day that was missed is made up for soon after the start. */
function keepBackups(databaseUrl, isStopping) {
  let busy = false
  const look = () => {
    const last = lastGood()
    if (busy || isStopping() || (last && Date.now() - new Date(last.madeAt) < BACKUP_EVERY_MS)) return
    busy = true
    const child = spawn(process.execPath, [join(ROOT, 'scripts', 'backup.mjs'), '--daily'], {
      ...{ cwd: ROOT, env: { ...process.env, DATABASE_URL: databaseUrl }, stdio: ['ignore', 'ignore', 'inherit'] },
    })
    child.once('exit', code => {
      busy = false
      if (code !== 0) say('there is no backup of today; it is tried again.')
    })
  }
  setTimeout(look, FIRST_BACKUP_MS).unref()
  setInterval(look, BACKUP_CHECK_MS).unref()
}

await run(async () => {
  let stopping = false
  let stop = async () => undefined
  const end = async code => {
    if (stopping) return
    stopping = true
    await stop()
    process.exit(code)
  }
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void end(0))

  const letGo = holdLock()
  stop = async () => letGo()
  process.on('exit', letGo)
  ensurePackages()
  buildAll()

  let databaseUrl = process.env.DATABASE_URL
  let cluster = null
  if (!databaseUrl) {
    cluster = new Cluster('database', { lasting: true })
    await cluster.start()
    stop = async () => {
      cluster.stop()
      letGo()
    }
    databaseUrl = await cluster.database('ostler')
  }
  const stopDatabase = stop

  const host = process.env.HOST ?? '127.0.0.1'
  const wanted = process.env.PORT ?? String(await somePort(host))
  let server = await startServer({ DATABASE_URL: databaseUrl, HOST: host, PORT: wanted, OSTLER_BACKUPS: BACKUPS })
  const { port } = server
  stop = async () => {
    await stopServer(server.child)
    await stopDatabase()
  }
  let fallen = []
  /** A server that ends by itself is started again on its port; one that keeps falling is not. */
  const watch = () =>
    server.child.once('exit', async () => {
      if (stopping) return
      fallen = [...fallen.filter(at => at > Date.now() - FALLS_WITHIN_MS), Date.now()]
      if (fallen.length > MOST_FALLS) {
        say('the server keeps ending; stopping.')
        return void end(1)
      }
      say('the server ended; starting it again …')
      for (let tries = 0; tries < MOST_FALLS && !stopping; tries += 1) {
        if (cluster && !cluster.isAlive()) await cluster.start().catch(error => say(error.message))
        try {
          server = await startServer({
            ...{ DATABASE_URL: databaseUrl, HOST: host, PORT: String(port), OSTLER_BACKUPS: BACKUPS },
          })
          return void watch()
        } catch (error) {
          say(error.message)
          await sleep(1000 * (tries + 1))
        }
      }
      void end(1)
    })
  watch()
  // When npm is killed, nobody passes the signal on: notice that the parent has changed.
  const parent = process.ppid
  setInterval(() => process.ppid !== parent && void end(0), STARTER_CHECK_MS).unref()

  if (cluster) watchDatabase(cluster, () => stopping)
  // Of a database elsewhere whoever looks after it makes the backups.
  if (cluster) keepBackups(databaseUrl, () => stopping)

  console.log(`Ostler is ready: ${shownUrl(host, port)}`)
  if (server.demo) console.log('Demo sign-in: demo / trace before colour')
  if (server.setUpCode) console.log(`Set-up code for the first workshop: ${server.setUpCode}`)
  console.log('Ctrl-C stops it.')
}).catch(() => undefined)
