import type { DeedWord } from '@ostler/core'
import { InvitationForm, JoinForm, MEMBER_ROLES, NewPasswordForm, ProvedForm, RoleForm } from '@ostler/core'
import { Router } from 'express'
import type { Request } from 'express'
import Papa from 'papaparse'
import { formFrom, idFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { Accounts } from './accounts.ts'
import { refuseWeak } from './common-passwords.ts'
import { lastBackup } from './last-backup.ts'
import { MOST_MEMBERS } from './people.ts'
import type { People, Refused } from './people.ts'
import type { Sessions } from './session.ts'

const SENTENCES: Readonly<Record<Refused, string>> = {
  gone: 'This is not there any more.',
  'last-owner': 'A workshop has an owner: make somebody else one first.',
  full: `A workshop has at most ${MOST_MEMBERS} members, and as many ways in.`,
  name: 'This sign-in name is taken. Choose another one.',
  wrong: 'This is not right.',
}
const USED = 'This link was used already, or is too old. Ask for another one.'
const TOKEN = /^[A-Za-z0-9_-]{43}$/

function refused(reason: Refused): HttpError {
  const sentence = SENTENCES[reason]
  const problems = reason === 'name' ? { problems: [{ path: 'signInName', value: '', sentence }] } : {}
  return new HttpError(reason === 'gone' ? 404 : 409, sentence, problems)
}

const tokenFrom = (value: unknown): string => {
  if (typeof value === 'string' && TOKEN.test(value)) return value
  throw new HttpError(404, USED)
}

interface Parts {
  people: People
  accounts: Accounts
  sessions: Sessions
  now: () => Date
}

/** Members, invitations, the log, and the end of a workshop: for owners. */
export function peopleRoutes({ people, accounts, sessions, now, backupDir }: Parts & { backupDir: string }): Router {
  const routes = Router()
  const note = (req: Request, what: DeedWord, about = '') => {
    const { workshopId, memberId: id, memberName: name } = visitorOf(req)
    return people.note(workshopId, { id, name }, what, about)
  }

  routes.get('/', async (req, res) => {
    const { workshopId, memberId } = visitorOf(req)
    res.json(await people.list(workshopId, memberId))
  })
  routes.post('/invitations', async (req, res) => {
    const { workshopId, memberName } = visitorOf(req)
    const { role } = formFrom(InvitationForm, req.body)
    const done = await people.invite(workshopId, role, memberName, now())
    if (!done.ok) throw refused(done.reason)
    await note(req, 'invited somebody', MEMBER_ROLES[role])
    res.status(201).json({ token: done.token })
  })
  routes.delete('/invitations/:id', async (req, res) => {
    if (!(await people.withdraw(visitorOf(req).workshopId, idFrom(req.params.id)))) throw refused('gone')
    await note(req, 'withdrew an invitation')
    res.status(204).end()
  })
  routes.get('/backup', async (_req, res) => {
    res.json(await lastBackup(backupDir, now()))
  })
  deedRoutes(routes, people)
  routes.put('/:id', async (req, res) => {
    const { role } = formFrom(RoleForm, req.body)
    const done = await people.setRole(visitorOf(req).workshopId, idFrom(req.params.id), role)
    if (!done.ok) throw refused(done.reason)
    sessions.forget()
    await note(req, 'changed what a member may do', MEMBER_ROLES[role])
    res.status(204).end()
  })
  routes.post('/:id/new-password', async (req, res) => {
    const { workshopId, memberName } = visitorOf(req)
    const done = await people.renew(workshopId, idFrom(req.params.id), memberName, now())
    if (!done.ok) throw refused(done.reason)
    await note(req, 'made a way to a new password')
    res.status(201).json({ token: done.token })
  })
  routes.delete('/:id', async (req, res) => {
    const { workshopId, memberId } = visitorOf(req)
    const id = idFrom(req.params.id)
    if (id === memberId) throw new HttpError(409, 'You leave the workshop on the page of your own account.')
    const done = await people.remove(workshopId, id)
    if (!done.ok) throw refused(done.reason)
    sessions.forget()
    await note(req, 'removed a member')
    res.status(204).end()
  })
  routes.post('/delete-workshop', async (req, res) => {
    const { workshopId, memberId } = visitorOf(req)
    const { password } = formFrom(ProvedForm, req.body)
    const sentence = 'This is not the password that you have now.'
    if (!(await accounts.proves({ workshopId, memberId }, password)))
      throw new HttpError(403, sentence, { problems: [{ path: 'password', value: '', sentence }] })
    await people.deleteWorkshop(workshopId)
    sessions.forget()
    await sessions.end(req, res)
    res.status(204).end()
  })
  return routes
}

/** Who did what, in pages and as a table. */
function deedRoutes(routes: Router, people: People): void {
  routes.get('/deeds', async (req, res) => {
    const before = req.query['before']
    const from = typeof before === 'string' && /^\d{1,18}$/.test(before) ? before : null
    res.json(await people.deeds(visitorOf(req).workshopId, from))
  })
  routes.get('/deeds.csv', async (req, res) => {
    const { workshopId } = visitorOf(req)
    res.attachment('who-did-what.csv').type('csv')
    let before: string | null = null
    res.write('\uFEFF' + Papa.unparse([['at', 'member', 'what', 'about']]) + '\r\n')
    for (;;) {
      const page = await people.deeds(workshopId, before)
      if (page.length === 0) break
      const rows = page.map(({ at, member, what, about }) => [at, member, what, about])
      res.write(Papa.unparse(rows, { escapeFormulae: true }) + '\r\n')
      before = page.at(-1)!.seq
    }
    res.end()
  })
}

/** Ways in that work once, for whoever has the link. */
export function wayInRoutes({ people, sessions, now }: Omit<Parts, 'accounts'>): Router {
  const routes = Router()
  routes.get('/:token', async (req, res) => {
    const invited = await people.invited(tokenFrom(req.params.token), now())
    if (!invited) throw new HttpError(404, USED)
    res.json(invited)
  })
  routes.post('/:token', async (req, res) => {
    const token = tokenFrom(req.params.token)
    const invited = await people.invited(token, now())
    if (!invited) throw new HttpError(404, USED)
    if (invited.role === null) {
      const { password } = formFrom(NewPasswordForm, req.body)
      refuseWeak(password, [invited.member ?? '', invited.workshop])
      const done = await people.setForgotten(token, password, now())
      if (!done.ok) throw new HttpError(404, USED)
      sessions.forget()
      await people.note(
        done.workshopId,
        { id: done.memberId, name: invited.member ?? '' },
        'set a new password by a link',
        '',
      )
      return void res.status(204).end()
    }
    const form = formFrom(JoinForm, req.body)
    refuseWeak(form.password, [form.memberName, form.signInName, invited.workshop])
    const done = await people.join(token, form, now())
    if (!done.ok) throw done.reason === 'gone' ? new HttpError(404, USED) : refused(done.reason)
    const name = form.memberName.trim()
    await people.note(
      done.workshopId,
      { id: done.memberId, name },
      'came in by an invitation',
      MEMBER_ROLES[invited.role],
    )
    await sessions.close(req)
    await sessions.begin(req, res, done.memberId, done.workshopId)
    res.status(204).end()
  })
  return routes
}
