import type { Notice } from '../checks/index.ts'
import { restChances } from './chances.ts'
import type { RestChances } from './chances.ts'
import { workedThrough } from './history.ts'
import type { RestJob } from './history.ts'
import { cupGels } from './gel-shares.ts'
import type { CupGel } from './gel-shares.ts'
import { refitted, withRefit } from './refit.ts'
import type { Refit } from './refit.ts'
import { aboutOf, restJobOf } from './plan-rest.ts'
import type { RestInputs } from './plan-rest.ts'
import { restResult } from './verdict.ts'
import type { RestResult } from './verdict.ts'
import { restNotices, restSentence, restTasks, sweetOf } from './words.ts'
import type { RestTask } from './words.ts'

/** Everything that can be said of a plan's rest, without its pictures. */
export interface RestOutlook {
  sentence: string
  reason: string
  result: RestResult
  chances: RestChances
  /** What the plan's readings say; null without any. */
  refit: Refit | null
  /** What each cup gels from, and how much of it does. */
  cups: CupGel[]
  notices: Notice[]
  tasks: RestTask[]
}

/** Works a plan's rest through finely, and coarsely many times; takes some tenths of a second. */
export function restOutlook(inputs: RestInputs): RestOutlook {
  const refit = refitted(restJobOf(inputs, 'coarse'), inputs.plan.rest.readings)
  const fitted = (job: RestJob) => (refit ? withRefit(job, refit) : job)
  const job = fitted(restJobOf(inputs, 'fine'))
  const history = workedThrough(job)
  const result = restResult(history, aboutOf(inputs, job.block.materials))
  const chances = restChances(fitted(restJobOf(inputs, 'coarse')))
  return {
    ...restSentence(result, chances, sweetOf(inputs.plan, inputs.shelf)),
    ...{
      refit,
      result,
      chances,
      cups: cupGels(inputs, history.block),
      notices: restNotices(inputs.plan, result),
      tasks: restTasks(inputs.plan, result),
    },
  }
}

/** Result and things to do, worked through coarsely once: for a sheet. About 10 ms. */
export function restAtOnce(inputs: RestInputs): { result: RestResult; tasks: RestTask[] } {
  const job = restJobOf(inputs, 'coarse')
  const result = restResult(workedThrough(job), aboutOf(inputs, job.block.materials))
  return { result, tasks: restTasks(inputs.plan, result) }
}
