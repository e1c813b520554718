import { parse, serialize } from 'cookie'
import type { Request, RequestHandler, Response } from 'express'
import type { Config } from '../config.ts'
import { letIn } from '../http/visitor.ts'
import type { Visitor } from '../http/visitor.ts'
import type { MemberStore } from './store.ts'
import { SESSION_DAYS } from './store.ts'
import { HttpError } from '../http/errors.ts'

const COOKIE = 'ostler_session'
const DAY_S = 86_400
const SAFE = new Set(['GET', 'HEAD', 'OPTIONS'])
/** A session that was looked up is trusted this long, also by another process; signing out here forgets it at once. */
const TRUST_MS = 2000
const MOST_REMEMBERED = 1000

export interface Sessions {
  /** Lets a request pass with its visitor, or answers 401; a looker passes where nothing is changed. */
  require: RequestHandler
  /** The same for what is everybody's own: lookers may change it. */
  requireAny: RequestHandler
  /** The same for owners alone. */
  requireOwner: RequestHandler
  /** The token of a request that was let in. */
  tokenOf(req: Request): string
  visitor(req: Request): Promise<Visitor | null>
  begin(req: Request, res: Response, memberId: string, workshopId: string): Promise<void>
  /** Ends the session of a request, if it has one; the cookie is left to whoever sets the next. */
  close(req: Request): Promise<void>
  /** Signs out. */
  end(req: Request, res: Response): Promise<void>
  /** Drops what is remembered, e.g. after the workshop's habits changed. */
  forget(): void
}

export function sessions(members: MemberStore, config: Config, now: () => Date): Sessions {
  const known = new Map<string, { visitor: Visitor; untilMs: number }>()
  /** Signed out here: a read that was under way meanwhile brings none of them back. */
  const ended = new Set<string>()

  const tokenOf = (req: Request) => parse(req.get('cookie') ?? '')[COOKIE]
  const cookie = (value: string, maxAge: number) =>
    serialize(COOKIE, value, { httpOnly: true, sameSite: 'strict', secure: config.secureCookie, path: '/', maxAge })

  async function visitor(req: Request): Promise<Visitor | null> {
    const token = tokenOf(req)
    if (!token) return null
    const at = now()
    const remembered = known.get(token)
    if (remembered && remembered.untilMs > at.getTime()) return remembered.visitor
    const found = await members.visitor(token, at)
    if (!found || ended.has(token) || (found.isDemo && !config.demo)) return null
    if (known.size >= MOST_REMEMBERED) known.clear()
    known.set(token, { visitor: found, untilMs: at.getTime() + TRUST_MS })
    return found
  }

  async function close(req: Request): Promise<void> {
    const token = tokenOf(req)
    if (!token) return
    known.delete(token)
    if (ended.size >= MOST_REMEMBERED) ended.clear()
    ended.add(token)
    await members.close(token)
  }

  const letThrough =
    (mayPass: (of: Visitor, req: Request) => string): RequestHandler =>
    async (req, _res, next) => {
      const found = await visitor(req)
      if (!found) throw new HttpError(401, 'Please sign in; what you typed is kept here.')
      const why = mayPass(found, req)
      if (why !== '') throw new HttpError(403, why)
      letIn(req, found)
      next()
    }

  return {
    visitor,
    tokenOf: req => tokenOf(req) ?? '',
    require: letThrough(({ role }, req) =>
      role === 'looker' && !SAFE.has(req.method) ? 'You may look at everything here, and change nothing.' : '',
    ),
    requireAny: letThrough(() => ''),
    requireOwner: letThrough(({ role }) => (role === 'owner' ? '' : 'Only an owner of the workshop may do this.')),
    async begin(req, res, memberId, workshopId) {
      const token = await members.open(memberId, workshopId, now(), req.get('user-agent') ?? '')
      res.append('set-cookie', cookie(token, SESSION_DAYS * DAY_S))
    },
    close,
    async end(req, res) {
      await close(req)
      res.append('set-cookie', cookie('', 0))
    },
    forget: () => known.clear(),
  }
}
