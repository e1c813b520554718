import { randomBytes } from 'node:crypto'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { sql } from 'kysely'
import { binStore } from './bin/store.ts'
import { batchStore } from './batches/store.ts'
import { upgradePlans } from './batches/upgrade.ts'
import { configFrom } from './config.ts'
import { connect } from './database/connection.ts'
import { migrate } from './database/migrate.ts'
import { lotStore } from './lots/store.ts'
import { trialStore } from './trials/store.ts'
import { recordStore } from './record/store.ts'
import { weighUpAll } from './record/weigh-up.ts'
import { loadDemo } from './demo/demo.ts'
import { createApp } from './app.ts'
import { memberStore } from './members/store.ts'
import type { Learner } from './work/learner.ts'
import { designStore } from './designs/store.ts'
import { recipeStore } from './recipes/store.ts'
import { shelfStore } from './shelf/store.ts'
import { stockAll } from './shelf/stock.ts'
import { workInThread } from './work/threads.ts'

const STOP_WITHIN_MS = 3000
const KEEP_ALIVE_MS = 75_000
const EMPTIED_MS = 6 * 3_600_000

/** Migrates, loads the demo where it is wanted, serves, and stops cleanly when asked or when its starter is gone. */
async function main(): Promise<void> {
  const config = configFrom(process.env)
  const db = connect(config.databaseUrl)
  await sql`select 1`.execute(db).catch((cause: unknown) => {
    throw new Error('The database does not answer. Is DATABASE_URL right, and is PostgreSQL running?', { cause })
  })
  await migrate(db)
  await stockAll(db)
  await weighUpAll(db)
  await upgradePlans(db)
  const members = memberStore(db)
  if (config.demo)
    await loadDemo({
      members,
      batches: batchStore(db),
      shelf: shelfStore(db),
      recipes: recipeStore(db),
      designs: designStore(db),
      records: recordStore(db),
      lots: lotStore(db),
      trials: trialStore(db),
      db,
    })

  const setUpCode =
    config.isLoopback || (await members.hasWorkshop({ countsDemo: config.demo }))
      ? null
      : randomBytes(5).toString('hex')
  const app = createApp({ db, config, setUpCode, now: () => new Date(), work: workInThread })
  const server = createServer(app)
  // Longer than browsers and proxies keep an idle connection: none is closed just as a request is sent on it.
  server.keepAliveTimeout = KEEP_ALIVE_MS
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject)
    server.listen(config.port, config.host, resolve)
  })
  const { port } = server.address() as AddressInfo
  process.send?.({ ready: true, port, setUpCode, demo: config.demo && (await members.hasDemo()) })

  // What an older edition of the models made of the readings is worked out anew while requests are answered.
  const learning = app.locals['learning'] as Learner
  for (const id of await members.workshops()) learning.look(id)

  const bin = binStore(db)
  const emptied = () => void bin.empty(new Date()).catch((error: unknown) => console.error(error))
  emptied()
  setInterval(emptied, EMPTIED_MS).unref()

  let stopping = false
  const stop = () => {
    if (stopping) return
    stopping = true
    setTimeout(() => process.exit(0), STOP_WITHIN_MS).unref()
    server.close(() => void db.destroy().finally(() => process.exit(0)))
    server.closeIdleConnections()
  }
  process.on('SIGTERM', stop)
  process.on('SIGINT', stop)
  process.on('disconnect', stop)
}

main().catch((error: unknown) => {
  const { message, code } = error as Error & { code?: string }
  process.send?.({ ready: false, code, message })
  console.error(message)
  process.exit(1)
})
