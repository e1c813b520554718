import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { say } from '../quantities/words/index.ts'
import { changesBetween, replayed } from '../document/changes/index.ts'
import type { Change, Met } from '../document/changes/index.ts'
import { problemsIn, settled } from '../document/fields/index.ts'
import type { Problem } from '../document/fields/index.ts'
import { crossChecks } from './cross-checks.ts'
import { Plan } from './document.ts'
import { PART_WORDS } from './parts.ts'

/** What one plan must be changed in to become the other. */
export const planChanges = (before: Plan, after: Plan): Change[] => changesBetween(Plan, before, after)

export type ChangedPlan = { ok: true; plan: Plan; met: Met[] } | { ok: false; problems: Problem[]; met: Met[] }

/**
 * Makes changes on a plan that others may have changed since. `met`: those that do not fit any more, left out.
 *
 * @param plan a plan that was read or edited
 * @returns not ok when what fits does not make a right plan together with what others did
 */
export function withChanges(plan: Plan, changes: readonly Change[], options: { force?: boolean } = {}): ChangedPlan {
  const { value, met } = replayed(Plan, plan, changes, options)
  const amiss = problemsIn(Plan, value, '', plan)
  if (amiss.length > 0) return { ok: false, problems: amiss, met }
  const next = settled(Plan, value, plan)
  const problems = next === plan ? [] : crossChecks(next)
  return problems.length > 0 ? { ok: false, problems, met } : { ok: true, plan: next, met }
}

/** What an element of a list is called, where makers have a name for it. */
function elementName(part: unknown, id: string, plan: Plan): Words | null {
  const cup = (of: string) => plan.cups.find(one => one.id === of)
  if (part === 'cups') return cup(id) ? fact('plan.the-cup-2', { cup: cup(id)!.name }) : null
  const i = plan.score.findIndex(one => one.id === id)
  return part === 'score' && i >= 0 ? fact('plan.pour', { i: i + 1, cup: cup(plan.score[i]!.cup)?.name ?? '' }) : null
}

/** What changes are about, in words: the parts of the plan that they touch, each once, cups and pours by name. */
export function changedParts(changes: readonly Change[], plan: Plan): Words[] {
  const words = changes.map(({ at: [part, element] }) => {
    const named = typeof element === 'object' ? elementName(part, element.id, plan) : null
    return named ?? fact(PART_WORDS[part as keyof typeof PART_WORDS])
  })
  return [...new Map(words.map(one => [say(one), one])).values()]
}
