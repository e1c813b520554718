import express from 'express'
import type { Express } from 'express'
import { pino } from 'pino'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import { batchRoutes } from './batches/routes.ts'
import { lookStore } from './batches/looks.ts'
import { binRoutes } from './bin/routes.ts'
import { binStore } from './bin/store.ts'
import { historyRoutes } from './batches/history-routes.ts'
import { historyStore } from './batches/history.ts'
import { batchStore } from './batches/store.ts'
import type { Config } from './config.ts'
import type { Database } from './database/connection.ts'
import type { Report } from './database/unread.ts'
import { serveMembers } from './members/serve.ts'
import { memberStore } from './members/store.ts'
import { designRoutes } from './designs/routes.ts'
import { designStore } from './designs/store.ts'
import { AS_SAVES_CEASE, learner } from './work/learner.ts'
import { evidenceWork } from './work/evidence.ts'
import { evidenceRoutes } from './learning/routes.ts'
import { evidenceStore } from './learning/store.ts'
import { recipeRoutes } from './recipes/routes.ts'
import { recipeStore } from './recipes/store.ts'
import { runFeed } from './runs/feed.ts'
import type { RunFeed } from './runs/feed.ts'
import { faultRoutes } from './faults/routes.ts'
import { batchLotRoutes, lotRoutes } from './lots/routes.ts'
import { lotStore } from './lots/store.ts'
import { PHOTO_LIMIT, photoRoutes, recordRoutes } from './record/routes.ts'
import { recordStore } from './record/store.ts'
import { calendarRoutes, todayRoutes } from './record/today.ts'
import { serveWhole } from './whole/routes.ts'
import { wholeStore } from './whole/whole-store.ts'
import { presenceRoutes } from './presence/presence.ts'
import { serveWays } from './record/ways.ts'
import { batchRunRoutes, preparationRoutes, runRoutes } from './runs/routes.ts'
import { runStore } from './runs/store.ts'
import { serveRehearsals } from './rehearsals/routes.ts'
import { trialRoutes } from './trials/routes.ts'
import { trialStore } from './trials/store.ts'
import { rehearsalStore } from './rehearsals/store.ts'
import { serveShares } from './shares/routes.ts'
import { shareStore } from './shares/store.ts'
import { sheetRoutes } from './sheet/routes.ts'
import { shelfRoutes } from './shelf/routes.ts'
import { shelfStore } from './shelf/store.ts'
import { versionStore } from './versions/store.ts'
import type { Work } from './work/work.ts'
import { HttpError, errorHandler } from './http/errors.ts'
import { metrics } from './http/metrics.ts'
import { servePages } from './http/pages.ts'
import { headers, knownHosts, sameOriginWrites } from './http/security.ts'
import { requestId, serveState } from './http/state.ts'
import { sessions } from './members/session.ts'

export interface AppParts {
  db: Database
  config: Config
  /** Asked for when the first workshop is set up from another machine; null on loopback. */
  setUpCode: string | null
  now: () => Date
  /** Where what takes long is worked out. */
  work: (log: Pick<Logger, 'error'>) => Work
}

/** Room for the largest plan and what travels with it. */
const BODY_LIMIT = '300kb'
/** Room for the most items of a kind that a shelf holds, as JSON. */
const IMPORT_LIMIT = '12mb'

export function createApp({ db, config, setUpCode, now, work }: AppParts): Express {
  const log = pino({ level: config.logLevel })
  const worker = work(log)
  const members = memberStore(db)
  const visits = sessions(members, config, now)
  const unread: Report = what => log.error(what, 'kept in a form that cannot be read: it is left where it is')
  const shelf = shelfStore(db, unread)
  const learning = learner(evidenceWork(db, shelf, worker), log, AS_SAVES_CEASE)
  const looks = lookStore(db, shelf, worker)
  const looking = learner(looks, log)
  const app = express()
  app.locals['learning'] = learning
  app.locals['looking'] = looking
  app.locals['feed'] = runFeed(config.databaseUrl, log)
  app.disable('x-powered-by').set('etag', false)
  app.set('trust proxy', config.trustedProxies)
  app.use(headers())
  app.use(knownHosts(config.hosts))

  const api = express.Router()
  api.use(pinoHttp({ logger: log, genReqId: requestId, quietReqLogger: true, autoLogging: log.isLevelEnabled('info') }))
  api.use((_req, res, next) => {
    res.set('cache-control', 'no-store')
    next()
  })
  const figures = metrics()
  api.use(figures.times)
  api.get('/metrics', figures.told)
  api.use(sameOriginWrites)
  api.use('/batches/:id/runs/document', visits.require, express.json({ limit: IMPORT_LIMIT, strict: true }))
  api.use('/shelf/import', visits.require, express.json({ limit: IMPORT_LIMIT, strict: true }))
  api.use('/batches/:id/record/photos', visits.require, express.raw({ limit: PHOTO_LIMIT, type: 'image/jpeg' }))
  api.use(express.json({ limit: BODY_LIMIT, strict: true }))
  serveState(api, db)
  serveMembers(api, { db, members, sessions: visits, config, setUpCode, now })
  const versions = versionStore(db, unread)
  api.use('/shelf', visits.require, shelfRoutes(shelf, versions))
  api.use('/evidence', visits.require, evidenceRoutes(evidenceStore(db)))
  const [recipes, designs, trials] = [recipeStore(db, unread), designStore(db, unread), trialStore(db, unread)]
  api.use('/recipes', visits.require, recipeRoutes(recipes, now))
  api.use('/designs', visits.require, designRoutes(designs, versions, now))
  const runs = runStore(db, shelf, now)
  api.use('/batches/:id/runs', visits.require, batchRunRoutes({ store: runs }))
  api.use('/batches/:id/preparation', visits.require, preparationRoutes({ store: runs, now }))
  api.use('/runs', visits.require, runRoutes({ store: runs, feed: app.locals['feed'] as RunFeed, now }))
  serveRehearsals(api, visits.require, rehearsalStore(db, shelf, now))
  api.use('/trials', visits.require, trialRoutes(trials, now))
  const records = recordStore(db)
  const batches = batchStore(db)
  const lots = lotStore(db)
  api.use('/batches/:id/record', visits.require, recordRoutes(records))
  api.use('/batches/:id/faults', visits.require, faultRoutes(db))
  const stores = { batches, runs, records, lots, shelves: shelf, recipes, designs, trials, whole: wholeStore(db) }
  serveWhole(api, visits, stores, [learning, looking])
  api.use('/batches/:id/sheet.pdf', visits.require, sheetRoutes({ batches, shelves: shelf, work: worker }))
  const shown = { store: shareStore(db), batches, shelves: shelf, looks, work: worker, records, runs }
  serveShares(api, visits.require, shown)
  api.use('/batches/:id/history', visits.require, historyRoutes(historyStore(db)))
  api.use('/batches/:id/lots', visits.require, batchLotRoutes(lots))
  api.use('/lots', visits.require, lotRoutes(lots))
  serveWays(api, visits.require, db)
  api.use('/here', visits.requireAny, presenceRoutes(db))
  api.use('/bin', visits.require, binRoutes(binStore(db)))
  api.use('/photos', visits.require, photoRoutes(records))
  api.use('/calendar/feed', calendarRoutes({ db, now, looking }))
  api.use('/due', visits.require, todayRoutes({ db, now, looking }))
  api.use('/batches', visits.require, batchRoutes({ store: batches, looks, now, learning, looking }))
  api.use(() => {
    throw new HttpError(404, 'There is nothing at this address.')
  })

  app.use('/api', api)
  servePages(app, config.webDir)
  app.use(errorHandler(log))
  return app
}
