import { CodeForm, PasswordForm, ProvedForm } from '@ostler/core'
import { Router } from 'express'
import { toDataURL } from 'qrcode'
import { formFrom, idFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { Who } from '../database/who.ts'
import type { Accounts } from './accounts.ts'
import { refuseWeak } from './common-passwords.ts'
import type { People } from './people.ts'
import type { SecondSteps } from './second-step.ts'
import type { Sessions } from './session.ts'
import type { SignInTries } from './tries.ts'

/** What is a member's own: password, sessions, second step, leaving. Lookers have it too. */

const WRONG = 'This is not the password that you have now.'
const TOO_MANY = 'Too many wrong tries. Wait a quarter of an hour, then try again.'
const MOST_TRIES = 8
const LAST_OWNER =
  'You are the only owner. Make somebody else an owner first, or delete the workshop with everything in it.'

const beside = (path: string, sentence: string, status = 400): HttpError =>
  new HttpError(status, sentence, { problems: [{ path, value: '', sentence }] })

interface Parts {
  people: People
  accounts: Accounts
  secondSteps: SecondSteps
  sessions: Sessions
  tries: SignInTries
  now: () => Date
}

export function accountRoutes({ people, accounts, secondSteps, sessions, tries, now }: Parts): Router {
  const routes = Router()

  /** Whoever has found an open browser is not to try passwords in it. */
  const isOneMore = async (memberId: string): Promise<void> => {
    const key = `proof ${memberId}`
    await tries.add([key], now())
    const [count] = await tries.counts([key], now())
    if (count! > MOST_TRIES) throw new HttpError(429, TOO_MANY)
  }
  const prove = async (who: Who, body: unknown): Promise<void> => {
    const { password } = formFrom(ProvedForm, body)
    await isOneMore(who.memberId)
    if (!(await accounts.proves(who, password))) throw beside('password', WRONG, 403)
    await tries.forget(`proof ${who.memberId}`)
  }

  routes.put('/password', async (req, res) => {
    const { memberId, memberName, signInName, workshopName, workshopId } = visitorOf(req)
    const { old, password } = formFrom(PasswordForm, req.body)
    refuseWeak(password, [memberName, signInName, workshopName])
    await isOneMore(memberId)
    const done = await accounts.setPassword({ workshopId, memberId }, old, password, sessions.tokenOf(req))
    if (!done.ok) throw beside('old', WRONG, 403)
    await tries.forget(`proof ${memberId}`)
    sessions.forget()
    await people.note(workshopId, { id: memberId, name: memberName }, 'changed the own password', '')
    res.status(204).end()
  })

  routes.get('/sessions', async (req, res) => {
    res.json(await accounts.sessions(visitorOf(req), sessions.tokenOf(req)))
  })
  routes.delete('/sessions', async (req, res) => {
    await accounts.endSessions(visitorOf(req), null, sessions.tokenOf(req))
    sessions.forget()
    res.status(204).end()
  })
  routes.delete('/sessions/:id', async (req, res) => {
    const ended = await accounts.endSessions(visitorOf(req), idFrom(req.params.id), sessions.tokenOf(req))
    if (ended === 0) throw new HttpError(404, 'This session has ended already.')
    sessions.forget()
    res.status(204).end()
  })

  routes.post('/second-step', async (req, res) => {
    const { signInName, hasSecondStep } = visitorOf(req)
    await prove(visitorOf(req), req.body)
    if (hasSecondStep) throw new HttpError(409, 'There is a second step already. Turn it off first.')
    const { secret, address } = await secondSteps.begin(visitorOf(req), signInName)
    res.json({ secret, picture: await toDataURL(address) })
  })
  routes.put('/second-step', async (req, res) => {
    const { memberId, memberName, workshopId } = visitorOf(req)
    const { code } = formFrom(CodeForm, req.body)
    if (!(await secondSteps.confirm(visitorOf(req), code, now())))
      throw beside('code', 'This code is not right. Is the clock of the other device right?')
    sessions.forget()
    await people.note(workshopId, { id: memberId, name: memberName }, 'turned a second step on', '')
    res.status(204).end()
  })
  routes.post('/second-step/off', async (req, res) => {
    const { memberId, memberName, workshopId } = visitorOf(req)
    await prove(visitorOf(req), req.body)
    await secondSteps.end(visitorOf(req))
    sessions.forget()
    await people.note(workshopId, { id: memberId, name: memberName }, 'turned the second step off', '')
    res.status(204).end()
  })

  routes.post('/leave', async (req, res) => {
    const { memberId, memberName, workshopId } = visitorOf(req)
    await prove(visitorOf(req), req.body)
    const done = await people.remove(workshopId, memberId)
    if (!done.ok) throw new HttpError(409, LAST_OWNER)
    await people.note(workshopId, { id: memberId, name: memberName }, 'left the workshop', '')
    await sessions.end(req, res)
    res.status(204).end()
  })
  return routes
}
