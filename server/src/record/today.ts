import { randomBytes } from 'node:crypto'
import { say } from '@ostler/core'
import type { Due } from '@ostler/core'
import { Router } from 'express'
import { createEvents } from 'ics'
import type { Database } from '../database/connection.ts'
import { dayFrom } from '../http/day.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { Learner } from '../work/learner.ts'
import { duesOf, rackOf } from './standing.ts'

/** What is due in a workshop, as a list and as a calendar that other programs read under a private address. */

/** Minutes that something due takes in the calendar. */
const TASK_MIN = 15
/** Without an hour of its own it is due in the morning. */
const MORNING = [9, 0] as const

type Start = [number, number, number, number, number]
function startOf(on: string): Start {
  const [year, month, day] = on.slice(0, 10).split('-').map(Number) as [number, number, number]
  const [hour, minute] = on.length > 10 ? (on.slice(11, 16).split(':').map(Number) as [number, number]) : MORNING
  return [year, month, day, hour, minute]
}

/** Dues as a calendar file. @throws Error when it cannot be made */
export function calendarOf(dues: readonly Due[]): string {
  const { error, value } = createEvents(
    dues.map(due => ({
      uid: `${due.key}@ostler`,
      title: `${due.name}: ${say(due.what)}`,
      start: startOf(due.on),
      duration: { minutes: TASK_MIN },
      productId: 'ostler',
      calName: 'Ostler',
    })),
  )
  if (error || value == null) throw error ?? new Error('The calendar could not be made.')
  return value
}

interface Parts {
  db: Database
  now: () => Date
  /** What works out the hours and days of batches that have changed. */
  looking: Pick<Learner, 'look'>
}

/** List and rack, for those who are signed in; and the calendar's address, made and renewed. */
export function todayRoutes({ db, now, looking }: Parts): Router {
  const routes = Router()
  routes.get('/today', async (req, res) => {
    const { workshopId } = visitorOf(req)
    res.json(await duesOf(db, workshopId, dayFrom(req.query['day'], now())))
    looking.look(workshopId)
  })
  routes.get('/rack', async (req, res) => {
    const { workshopId } = visitorOf(req)
    res.json(await rackOf(db, workshopId, dayFrom(req.query['day'], now())))
    looking.look(workshopId)
  })
  routes.get('/calendar', async (req, res) => {
    const row = await db
      .selectFrom('workshop')
      .where('id', '=', visitorOf(req).workshopId)
      .select('calendar_token')
      .executeTakeFirst()
    res.json({ token: row?.calendar_token ?? null })
  })
  routes.post('/calendar', async (req, res) => {
    const token = randomBytes(24).toString('base64url')
    await db
      .updateTable('workshop')
      .set({ calendar_token: token })
      .where('id', '=', visitorOf(req).workshopId)
      .execute()
    res.json({ token })
  })
  return routes
}

const TOKEN = /^[\w-]{32}$/

/** The calendar itself: whoever knows its address reads it, and nothing else. */
export function calendarRoutes({ db, now, looking }: Parts): Router {
  const routes = Router()
  routes.get('/:token.ics', async (req, res) => {
    const { token } = req.params
    const workshop = TOKEN.test(token)
      ? await db.selectFrom('workshop').where('calendar_token', '=', token).select('id').executeTakeFirst()
      : undefined
    if (!workshop) throw new HttpError(404, 'There is no such calendar.')
    const dues = await duesOf(db, workshop.id, dayFrom(undefined, now()))
    res.type('text/calendar').send(calendarOf(dues))
    looking.look(workshop.id)
  })
  return routes
}
