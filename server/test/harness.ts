import { randomBytes } from 'node:crypto'
import { once } from 'node:events'
import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { planChanges } from '@ostler/core'
import type { Plan } from '@ostler/core'
import pg from 'pg'
import supertest from 'supertest'
import { expect } from 'vitest'
import { batchStore } from '../src/batches/store.ts'
import { configFrom } from '../src/config.ts'
import type { Config } from '../src/config.ts'
import { connect } from '../src/database/connection.ts'
import type { Database } from '../src/database/connection.ts'
import { migrate } from '../src/database/migrate.ts'
import { recordStore } from '../src/record/store.ts'
import { loadDemo } from '../src/demo/demo.ts'
import { createApp } from '../src/app.ts'
import { memberStore } from '../src/members/store.ts'
import { designStore } from '../src/designs/store.ts'
import { trialStore } from '../src/trials/store.ts'
import { lotStore } from '../src/lots/store.ts'
import { recipeStore } from '../src/recipes/store.ts'
import type { RunFeed } from '../src/runs/feed.ts'
import type { Learner } from '../src/work/learner.ts'
import { shelfStore } from '../src/shelf/store.ts'
import { sheetPdf } from '../src/sheet-pdf/sheet-pdf.ts'
import { lookOf, shownRun, taughtBy } from '../src/work/work.ts'
import { watchQueries } from './queries.ts'
import type { LookTask, Work } from '../src/work/work.ts'

/** How batches look, by all that is told of them: every demo workshop holds the same. */
const looks = new Map<string, ReturnType<typeof lookOf>>()
function lookOnce(task: LookTask): ReturnType<typeof lookOf> {
  const key = JSON.stringify(task)
  if (!looks.has(key)) looks.set(key, lookOf(task))
  return looks.get(key)!
}

/** What takes long, worked out in the thread of the tests. */
export const workHere: Work = {
  look: async task => lookOnce(task),
  evidence: async task => taughtBy(task),
  sheet: task => sheetPdf(task),
  run: async task => shownRun(task),
}

const ROOT_URL = process.env['TEST_DATABASE_URL'] ?? ''

export interface Bench {
  db: Database
  /** The connections of the application itself. */
  inside: Database
  app: ReturnType<typeof createApp>
  config: Config
  url: string
  /** A visitor with a jar of its own. */
  visitor(): ReturnType<typeof supertest.agent>
  close(): Promise<void>
}

interface Wish {
  demo?: boolean
  host?: string
  setUpCode?: string | null
}

/** An application on a new database of its own in the tests' cluster. */
export async function bench({ demo = false, host = '127.0.0.1', setUpCode = null }: Wish = {}): Promise<Bench> {
  if (!ROOT_URL) throw new Error('TEST_DATABASE_URL is not set; `npm test` starts a database for the tests.')
  const name = `test_${randomBytes(6).toString('hex')}`
  const admin = new pg.Client({ connectionString: ROOT_URL })
  await admin.connect()
  await admin.query(`create database ${name}`)
  const url = new URL(ROOT_URL)
  url.pathname = `/${name}`
  const config = configFrom({ DATABASE_URL: url.href, HOST: host, OSTLER_DEMO: demo ? '1' : '0', LOG_LEVEL: 'silent' })
  const db = connect(url.href)
  await migrate(db)
  if (demo)
    await loadDemo({
      members: memberStore(db),
      batches: batchStore(db),
      shelf: shelfStore(db),
      recipes: recipeStore(db),
      designs: designStore(db),
      records: recordStore(db),
      lots: lotStore(db),
      trials: trialStore(db),
      db,
    })
  // What the application asks is looked at one by one; a test itself may look anywhere.
  const queries = watchQueries()
  const inside = connect(url.href, queries.log)
  const app = createApp({ db: inside, config, setUpCode, now: () => new Date(), work: () => workHere })
  const server: Server = app.listen(0, '127.0.0.1')
  await once(server, 'listening')
  return {
    db,
    inside,
    app,
    config,
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    visitor: () => supertest.agent(server),
    async close() {
      await (app.locals['feed'] as RunFeed).close()
      server.closeAllConnections()
      await new Promise(resolve => server.close(resolve))
      for (const one of ['learning', 'looking']) await (app.locals[one] as Learner).stop()
      await inside.destroy()
      await db.destroy()
      await admin.query(`drop database ${name} with (force)`)
      await admin.end()
      expect([...queries.crossing], 'queries that could reach into another workshop').toEqual([])
    },
  }
}

/** What a page sends that makes one plan of another. */
export const sentChanges = (revision: number, before: Plan, after: Plan, id: string = crypto.randomUUID()) => ({
  ...{ id, revision, changes: planChanges(before, after) },
})

/** A file as it is downloaded, byte by byte. */
export const downloaded = (visitor: ReturnType<Bench['visitor']>, path: string) =>
  visitor
    .get(path)
    .buffer(true)
    .parse((res, done) => {
      const parts: Buffer[] = []
      res.on('data', (part: Buffer) => parts.push(part))
      res.on('end', () => done(null, Buffer.concat(parts)))
    })
