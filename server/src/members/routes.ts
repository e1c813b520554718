import { HabitsForm, SetUpForm, SignInForm } from '@ostler/core'
import type { SessionAnswer } from '@ostler/core'
import { Router } from 'express'
import type { Request } from 'express'
import { ipKeyGenerator, rateLimit } from 'express-rate-limit'
import type { Config } from '../config.ts'
import { DEMO_SIGN_IN } from '../demo/demo.ts'
import { HttpError } from '../http/errors.ts'
import { formFrom } from '../http/body.ts'
import { visitorOf } from '../http/session.ts'
import type { Sessions } from '../http/session.ts'
import type { MemberStore } from './store.ts'

const WINDOW_MS = 15 * 60_000
const WRONG_NAME_OR_PASSWORD = 'That sign-in name and password do not belong together.'

/** Limits wrong sign-ins for each address and for each name; right ones do not count. */
function signInLimits() {
  const limit = (most: number, keyGenerator: (req: Request) => string) =>
    rateLimit({
      windowMs: WINDOW_MS,
      limit: most,
      skipSuccessfulRequests: true,
      standardHeaders: true,
      legacyHeaders: false,
      keyGenerator,
      handler: () => {
        throw new HttpError(429, 'Too many tries. Wait a quarter of an hour, then try again.')
      },
    })
  const nameOf = (req: Request) => {
    const name = (req.body as { signInName?: unknown } | undefined)?.signInName
    return typeof name === 'string' ? name.slice(0, 40) : ''
  }
  return [limit(50, req => ipKeyGenerator(req.ip ?? '')), limit(8, req => `name ${nameOf(req)}`)]
}

export function memberRoutes(
  members: MemberStore,
  sessions: Sessions,
  config: Config,
  setUpCode: string | null,
): Router {
  const routes = Router()

  routes.get('/session', async (req, res) => {
    const visitor = await sessions.visitor(req)
    const needsSetUp = !visitor && !(await members.hasWorkshop())
    const demo = !visitor && config.demo && (await members.hasDemo()) ? DEMO_SIGN_IN : null
    res.json({
      member: visitor && { name: visitor.memberName, signInName: visitor.signInName },
      workshop: visitor && { name: visitor.workshopName, habits: visitor.habits },
      needsSetUp,
      needsSetUpCode: needsSetUp && setUpCode !== null,
      demo,
    } satisfies SessionAnswer)
  })

  routes.post('/session', ...signInLimits(), async (req, res) => {
    const form = formFrom(SignInForm, req.body)
    const member = await members.check(form.signInName.trim().toLowerCase(), form.password)
    if (!member || (member.isDemo && !config.demo)) throw new HttpError(401, WRONG_NAME_OR_PASSWORD)
    await sessions.begin(res, member.memberId, member.workshopId)
    res.status(204).end()
  })

  routes.delete('/session', async (req, res) => {
    await sessions.end(req, res)
    res.status(204).end()
  })

  routes.post('/setup', async (req, res) => {
    const form = formFrom(SetUpForm, req.body)
    if (await members.hasWorkshop()) throw new HttpError(409, 'There is a workshop already. Sign in to it.')
    if (setUpCode !== null && form.setUpCode?.trim() !== setUpCode) {
      const sentence = 'That is not the set-up code. It stands in the terminal where Ostler was started.'
      throw new HttpError(403, sentence, { problems: [{ path: 'setUpCode', value: '', sentence }] })
    }
    const { memberId, workshopId } = await members.setUp(form)
    await sessions.begin(res, memberId, workshopId)
    res.status(204).end()
  })

  routes.put('/workshop/habits', sessions.require, async (req, res) => {
    const habits = formFrom(HabitsForm, req.body)
    await members.setHabits(visitorOf(req).workshopId, habits)
    sessions.forget()
    res.status(204).end()
  })

  return routes
}
