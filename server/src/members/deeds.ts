import type { DeedWord } from '@ostler/core'
import type { RequestHandler } from 'express'
import { visitorIn } from '../http/visitor.ts'
import type { People } from './people.ts'

/** What is written down of requests that change something. Single edits of a batch are in its history already. */
const DEEDS: readonly (readonly [method: string, path: RegExp, what: DeedWord])[] = [
  ['POST', /^\/batches$/, 'made a batch'],
  ['DELETE', /^\/batches\/[^/]+$/, 'deleted a batch'],
  ['POST', /^\/batches\/[^/]+\/restore$/, 'brought a batch back'],
  ['PUT', /^\/shelf\/[^/]+\/[^/]+$/, 'changed the shelf'],
  ['POST', /^\/shelf\/import$/, 'took a table into the shelf'],
  ['POST', /^\/everything\.zip$/, 'took a workshop’s file in'],
  ['POST', /^\/recipes$/, 'saved a recipe'],
  ['DELETE', /^\/recipes\/[^/]+$/, 'deleted a recipe'],
  ['POST', /^\/designs$/, 'saved a design'],
  ['DELETE', /^\/designs\/[^/]+$/, 'deleted a design'],
  ['POST', /^\/batches\/[^/]+\/runs$/, 'began a run at the bench'],
  ['POST', /^\/trials$/, 'drew a trial up'],
  ['DELETE', /^\/trials\/[^/]+$/, 'deleted a trial'],
  ['PUT', /^\/evidence\/[^/]+$/, 'set what counts as evidence'],
  ['PUT', /^\/workshop\/habits$/, 'changed the units'],
]

/** Writes down who did what once it is done; what fails is not. */
export const noteDeeds =
  (people: People): RequestHandler =>
  (req, res, next) => {
    const { method, path } = req
    const deed = DEEDS.find(([of, at]) => of === method && at.test(path))
    if (deed)
      res.once('finish', () => {
        const visitor = visitorIn(req)
        if (!visitor || res.statusCode >= 400) return
        const { workshopId, memberId: id, memberName: name } = visitor
        people
          .note(workshopId, { id, name }, deed[2], path.split('/').slice(2).join(' '))
          .catch((error: unknown) => req.log.error(error, 'what was done could not be written down'))
      })
    next()
  }
