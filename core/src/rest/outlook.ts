import type { Notice } from '../checks/index.ts'
import { ashOf } from './ash.ts'
import type { Ash } from './ash.ts'
import { restChances } from './chances.ts'
import type { RestChances } from './chances.ts'
import { workedThrough } from './history.ts'
import type { RestHistory, RestJob } from './history.ts'
import { cupGels } from './gel-shares.ts'
import type { CupGel } from './gel-shares.ts'
import { refitted, withRefit } from './refit.ts'
import type { Refit } from './refit.ts'
import { batterWater } from './cup-materials.ts'
import { aboutOf, restJobOf } from './plan-rest.ts'
import type { RestInputs } from './plan-rest.ts'
import { restRanges } from './ranges.ts'
import type { RestRanges } from './ranges.ts'
import { restResult } from './verdict.ts'
import type { RestResult } from './verdict.ts'
import { restNotices, restSentence, restTasks, sweetOf } from './words.ts'
import type { RestTask } from './words.ts'

/** What a rest worked through says of its plan. */
export interface RestSaid {
  result: RestResult
  /** What it comes to, and why. */
  sentence: { sentence: string; reason: string }
  /** What each cup gels from, and how much of it does. */
  cups: CupGel[]
  notices: Notice[]
  tasks: RestTask[]
  ash: Ash
}

/** How long a rest is followed for the sake of its end, h: cold ones take days. */
export const LONG_HOURS = 120

/** The end of a slow rest, which lies beyond the hours that were worked through, from a coarse look at more of them. */
export function withItsEnd(
  inputs: RestInputs,
  result: RestResult,
  fitted: (job: RestJob) => RestJob = job => job,
): RestResult {
  if (result.unmouldMin !== null && result.spentMin !== null) return result
  const job = fitted({ ...restJobOf(inputs, 'quick'), untilS: LONG_HOURS * 3600 })
  const { unmouldMin, spentMin } = restResult(workedThrough(job), aboutOf(inputs, job.block.materials))
  return { ...result, unmouldMin: result.unmouldMin ?? unmouldMin, spentMin: result.spentMin ?? spentMin }
}

/**
 * Reads a rest worked through.
 *
 * @param fitted what the plan's own readings make of a job
 */
export function readRest(
  inputs: RestInputs,
  history: RestHistory,
  chances: RestChances | null,
  fitted: (job: RestJob) => RestJob = job => job,
): RestSaid {
  const { plan, shelf, portions, lanes } = inputs
  const about = aboutOf(inputs, history.block.input.materials)
  const result = withItsEnd(inputs, restResult(history, about), fitted)
  const ash = ashOf(plan, result, batterWater(plan, portions, shelf), lanes.pours.at(-1)!.tempC)
  return {
    ...{ result, ash, cups: cupGels(inputs, history.block) },
    sentence: restSentence(result, chances, sweetOf(plan, shelf)),
    notices: restNotices(plan, result, ash),
    tasks: restTasks(plan, result),
  }
}

/** How sure the times of a plan's rest are. */
export function rangesOf(inputs: RestInputs, fitted: (job: RestJob) => RestJob = job => job): RestRanges {
  const job = fitted({ ...restJobOf(inputs, 'quick'), untilS: LONG_HOURS * 3600 })
  return restRanges(job, aboutOf(inputs, job.block.materials))
}

/** Everything that can be said of a plan's rest, without its pictures. */
export interface RestOutlook extends RestSaid {
  chances: RestChances
  ranges: RestRanges
  /** What the plan's readings say; null without any. */
  refit: Refit | null
}

/** What the readings of a plan make of its rest. */
export function fittedRest(inputs: RestInputs): { refit: Refit | null; fitted: (job: RestJob) => RestJob } {
  const refit = refitted(restJobOf(inputs, 'coarse'), inputs.plan.rest.readings)
  return { refit, fitted: job => (refit ? withRefit(job, refit) : job) }
}

/** Works a plan's rest through finely, and coarsely many times; takes some tenths of a second. */
export function restOutlook(inputs: RestInputs): RestOutlook {
  const { refit, fitted } = fittedRest(inputs)
  const history = workedThrough(fitted(restJobOf(inputs, 'fine')))
  const chances = restChances(fitted(restJobOf(inputs, 'coarse')))
  return { ...readRest(inputs, history, chances, fitted), chances, ranges: rangesOf(inputs, fitted), refit }
}

/** The same, worked through coarsely once: for a sheet. About 20 ms. */
export const restAtOnce = (inputs: RestInputs): RestSaid =>
  readRest(inputs, workedThrough(restJobOf(inputs, 'coarse')), null)
