import { createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { Router } from 'express'
import type { Request, RequestHandler } from 'express'
import { idFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { Learner } from '../work/learner.ts'
import { Archive } from './archive.ts'
import { TakeIn } from './take-in.ts'
import type { TakeInStores } from './take-in.ts'
import { writeWhole, writeWorkshop } from './write-whole.ts'
import type { Stores, WorkshopStores } from './write-whole.ts'

/** All of a batch as one file, under the batch. */
function wholeRoutes(stores: Stores): Router {
  const routes = Router({ mergeParams: true })
  routes.get('/', async (req: Request<{ id?: string }>, res) => {
    if (!(await writeWhole(stores, visitorOf(req).workshopId, idFrom(req.params.id), res)))
      throw new HttpError(404, 'There is no such batch. It may have been deleted in another window.')
  })
  return routes
}

/** Bytes of a file that is taken in. */
const MOST_SENT = 4e9

/** Lets no more through than may be. */
function limited(): Transform {
  let bytes = 0
  return new Transform({
    transform(chunk: Buffer, _, done) {
      bytes += chunk.length
      if (bytes > MOST_SENT) done(new HttpError(413, 'This file is larger than what is taken in.'))
      else done(null, chunk)
    },
  })
}

/** Does something with what is sent, as a file that is gone afterwards. */
async function withSent<T>(req: Request, act: (path: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'ostler-'))
  try {
    const path = join(folder, 'sent.zip')
    await pipeline(req, limited(), createWriteStream(path))
    return await act(path)
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

type AllStores = WorkshopStores & TakeInStores
type Learners = readonly Pick<Learner, 'look'>[]

/** All of a workshop as one file, and such a file taken in: for its owners. */
function everythingRoutes(stores: AllStores, learners: Learners): Router {
  const routes = Router()
  routes.get('/', async (req, res) => {
    const { workshopId, workshopName } = visitorOf(req)
    await writeWorkshop(stores, workshopId, workshopName, res)
  })
  routes.post('/', async (req, res) => {
    const { workshopId, memberId } = visitorOf(req)
    const told = await withSent(req, async path => {
      const archive = await Archive.open(path)
      try {
        if (!archive || !TakeIn.isWorkshop(archive))
          throw new HttpError(
            400,
            'This is not the file of a workshop: that is a ZIP, saved under Members of an Ostler.',
          )
        return await new TakeIn(stores, { workshopId, memberId }, archive).run()
      } finally {
        archive?.close()
      }
    })
    for (const one of learners) one.look(workshopId)
    res.json(told)
  })
  return routes
}

/** Puts a batch, and a workshop, as one file under the API. @param learners are told of what was taken in */
export function serveWhole(
  api: Router,
  { require, requireOwner }: Record<'require' | 'requireOwner', RequestHandler>,
  stores: AllStores,
  learners: Learners,
): void {
  api.use('/batches/:id/whole', require, wholeRoutes(stores))
  api.use('/everything.zip', requireOwner, everythingRoutes(stores, learners))
}
