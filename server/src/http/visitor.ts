import type { Role, UnitHabits } from '@ostler/core'
import type { Request } from 'express'

/** Who asks. */
export interface Visitor {
  memberId: string
  memberName: string
  signInName: string
  role: Role
  hasSecondStep: boolean
  workshopId: string
  workshopName: string
  habits: UnitHabits
}

const visitors = new WeakMap<Request, Visitor>()

/** Notes who a request comes from. */
export const letIn = (req: Request, visitor: Visitor): void => void visitors.set(req, visitor)

/** The visitor that was let in, if any was. */
export const visitorIn = (req: Request): Visitor | undefined => visitors.get(req)

/** The visitor that was let in. */
export function visitorOf(req: Request): Visitor {
  const visitor = visitors.get(req)
  if (!visitor) throw new Error(`no visitor on ${req.method} ${req.path}: the route is not behind sessions.require`)
  return visitor
}
