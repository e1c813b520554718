import type { Router } from 'express'
import type { Config } from '../config.ts'
import type { Database } from '../database/connection.ts'
import { accounts } from './accounts.ts'
import { accountRoutes } from './account-routes.ts'
import { noteDeeds } from './deeds.ts'
import { people } from './people.ts'
import { peopleRoutes, wayInRoutes } from './people-routes.ts'
import { memberRoutes } from './routes.ts'
import { secondSteps } from './second-step.ts'
import type { Sessions } from './session.ts'
import type { MemberStore } from './store.ts'
import { signInTries } from './tries.ts'

interface Parts {
  db: Database
  members: MemberStore
  sessions: Sessions
  config: Config
  setUpCode: string | null
  now: () => Date
}

/** Everything about who is who: signing in, the own account, members, ways in, and the log. */
export function serveMembers(api: Router, { db, members, sessions, config, setUpCode, now }: Parts): void {
  const all = people(db)
  const own = accounts(db)
  const steps = secondSteps(db)
  const tries = signInTries(db)
  api.use(noteDeeds(all))
  api.use(memberRoutes({ members, secondSteps: steps, tries, sessions, config, setUpCode }))
  api.use(
    '/account',
    sessions.requireAny,
    accountRoutes({ people: all, accounts: own, secondSteps: steps, sessions, tries, now }),
  )
  api.use(
    '/members',
    sessions.requireOwner,
    peopleRoutes({ people: all, accounts: own, sessions, now, backupDir: config.backupDir }),
  )
  api.use('/ways-in', wayInRoutes({ people: all, sessions, now }))
}
