import { inverse, replayed } from '../document/changes/index.ts'
import type { Change } from '../document/changes/index.ts'
import { Plan } from './document.ts'
import { readPlan } from './read.ts'

/**
 * A plan as it was before some changes.
 *
 * @param plan as it is @param since what was changed since, one list a revision, the newest first
 * @returns null where a change was written in a form that this plan's does not know any more
 */
export function planBefore(plan: Plan, since: readonly (readonly Change[])[]): Plan | null {
  let value = plan
  for (const changes of since) {
    const back = replayed(Plan, value, inverse(changes), { force: true })
    if (back.met.length > 0) return null
    value = back.value
  }
  const read = readPlan(JSON.parse(JSON.stringify(value)))
  return read.ok ? read.plan : null
}
