import { HabitsForm, SetUpForm, SignInForm } from '@ostler/core'
import type { SessionAnswer } from '@ostler/core'
import { Router } from 'express'
import type { Request } from 'express'
import { ipKeyGenerator } from 'express-rate-limit'
import type { Config } from '../config.ts'
import { DEMO_SIGN_IN } from './demo-sign-in.ts'
import { HttpError } from '../http/errors.ts'
import { formFrom } from '../http/body.ts'
import { visitorOf } from '../http/visitor.ts'
import { refuseWeak } from './common-passwords.ts'
import type { SecondSteps } from './second-step.ts'
import type { Sessions } from './session.ts'
import type { MemberStore } from './store.ts'
import type { SignInTries } from './tries.ts'

const WRONG_NAME_OR_PASSWORD = 'That sign-in name and password do not belong together.'
const TOO_MANY = 'Too many wrong tries. Wait a quarter of an hour, then try again.'
const NAME_TAKEN = 'This sign-in name is taken. Choose another one.'

/** Wrong tries in a quarter of an hour: by one name from one address, by one name from all, and from one address by all. */
const MOST_TRIES = [8, 60, 300]

/** Names are the same however they are typed: a capital or a space is no new name. */
const plainName = (name: string): string => name.normalize('NFKC').trim().toLowerCase()

const triesOf = (name: string, req: Request): [own: string, ofName: string, ofAddress: string] => {
  const address = ipKeyGenerator(req.ip ?? '')
  return [`name ${name} from ${address}`, `name ${name}`, `address ${address}`]
}

interface Parts {
  members: MemberStore
  secondSteps: SecondSteps
  tries: SignInTries
  sessions: Sessions
  config: Config
  setUpCode: string | null
}

export function memberRoutes({ members, secondSteps, tries, sessions, config, setUpCode }: Parts): Router {
  const routes = Router()
  /** The demo is nobody's workshop where it is turned off. */
  const hasWorkshop = () => members.hasWorkshop({ countsDemo: config.demo })

  routes.get('/session', async (req, res) => {
    const visitor = await sessions.visitor(req)
    const needsSetUp = !visitor && !(await hasWorkshop())
    const demo = !visitor && config.demo && (await members.hasDemo()) ? DEMO_SIGN_IN : null
    res.json({
      member: visitor && {
        ...{ name: visitor.memberName, signInName: visitor.signInName },
        ...{ role: visitor.role, hasSecondStep: visitor.hasSecondStep },
      },
      workshop: visitor && { name: visitor.workshopName, habits: visitor.habits },
      needsSetUp,
      needsSetUpCode: needsSetUp && setUpCode !== null,
      demo,
    } satisfies SessionAnswer)
  })

  routes.post('/session', async (req, res) => {
    const form = formFrom(SignInForm, req.body)
    const name = plainName(form.signInName)
    const keys = triesOf(name, req)
    // Written down before it is looked at, so that tries at the same time all count.
    const at = new Date()
    await tries.add(keys, at)
    const counts = await tries.counts(keys, at)
    if (counts.some((count, i) => count > MOST_TRIES[i]!)) throw new HttpError(429, TOO_MANY)
    const member = await members.check(name, form.password)
    if (!member || (member.isDemo && !config.demo)) throw new HttpError(401, WRONG_NAME_OR_PASSWORD)
    if (member.hasSecondStep) {
      const sentence = form.code
        ? 'This code is not right, or was used already. Take the next one.'
        : 'Type the six digits of your second step.'
      if (!form.code || !(await secondSteps.accepts(member, form.code, new Date())))
        throw new HttpError(401, sentence, { problems: [{ path: 'code', value: '', sentence }] })
    }
    const [own, ofName, ofAddress] = keys
    await Promise.all([tries.forget(own), tries.forget(ofName), tries.takeBack(ofAddress, at)])
    // A session that the browser had before does not outlive it.
    await sessions.close(req)
    await sessions.begin(req, res, member.memberId, member.workshopId)
    res.status(204).end()
  })

  routes.delete('/session', async (req, res) => {
    await sessions.end(req, res)
    res.status(204).end()
  })

  routes.post('/setup', async (req, res) => {
    const form = formFrom(SetUpForm, req.body)
    if (await hasWorkshop()) throw new HttpError(409, 'There is a workshop already. Sign in to it.')
    if (setUpCode !== null && form.setUpCode?.trim() !== setUpCode) {
      const sentence = 'That is not the set-up code. It stands in the terminal where Ostler was started.'
      throw new HttpError(403, sentence, { problems: [{ path: 'setUpCode', value: '', sentence }] })
    }
    refuseWeak(form.password, [form.memberName, form.signInName, form.workshopName])
    const made = await members.setUp(form, { countsDemo: config.demo })
    if (!made.ok && made.reason === 'there') throw new HttpError(409, 'There is a workshop already. Sign in to it.')
    if (!made.ok)
      throw new HttpError(409, NAME_TAKEN, {
        problems: [{ path: 'signInName', value: form.signInName, sentence: NAME_TAKEN }],
      })
    await sessions.begin(req, res, made.memberId, made.workshopId)
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
