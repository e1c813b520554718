import type { Words } from '../../quantities/facts/index.ts'
import type { Notice } from '../../document/checks/index.ts'
import { ashOf } from './ash.ts'
import type { Ash } from './ash.ts'
import { ashInputs } from './ash-inputs.ts'
import { restNumbers } from './chances.ts'
import type { RestNumbers, TimeBand } from './chances.ts'
import { isSaltBar } from './hardeners.ts'
import { restRun } from './run.ts'
import type { GelClass } from './run.ts'
import { unitBatter } from '../../recipe/index.ts'
import { workedThrough } from './history.ts'
import type { RestHistory, RestRunInput } from './history.ts'
import { cupGels } from './gel-shares.ts'
import type { CupGel } from './gel-shares.ts'
import { refitted, refittedInput } from './refit.ts'
import type { Refit } from './refit.ts'
import { aboutOf, restRunInputOf } from './plan-rest.ts'
import type { RestInputs } from './rest-inputs.ts'
import { restResult } from './verdict.ts'
import type { RestResult } from './verdict.ts'
import { restNotices, restSentence, restTasks, sweetOf } from './sentences.ts'
import type { RestTask } from './sentences.ts'

/** What a rest worked through says of its plan. */
export interface RestSaid {
  result: RestResult
  /** What it comes to, and why. */
  sentence: { sentence: Words; reason: Words }
  /** What each cup gels from, and how much of it does. */
  cups: CupGel[]
  notices: Notice[]
  tasks: RestTask[]
  ash: Ash
}

/** Numbers of a rest with everything about it that follows from them: one function, so that no two pages can differ. */
export function restNumbersOf(inputs: RestInputs): { numbers: RestNumbers; refit: Refit | null } {
  const { refit, fitted } = fittedRest(inputs)
  return { numbers: restNumbers(fitted(restRunInputOf(inputs, 'quick')), aboutOf(inputs)), refit }
}

/** Which class is likeliest. */
const likeliest = ({ gel }: Pick<RestNumbers, 'gel'>): GelClass =>
  (Object.keys(gel) as GelClass[]).reduce((a, b) => (gel[b] > gel[a] ? b : a))

/** A run's picture with the numbers of many: where both say something, what is said is theirs. */
export function withNumbers(result: RestResult, numbers: RestNumbers): RestResult {
  const middle = (band: TimeBand | null) => band?.middle ?? null
  return {
    ...result,
    gel: likeliest(numbers),
    startMin: middle(numbers.startMin),
    fullMin: middle(numbers.fullMin),
    peakC: numbers.peakC.middle,
    peakMin: numbers.peakMin.middle,
    crack: numbers.crack,
    volcano: numbers.volcano,
    unmouldMin: middle(numbers.unmouldMin),
    hardMin: middle(numbers.hardMin),
    spentMin: middle(numbers.spentMin),
  }
}

/**
 * Reads a rest worked through.
 *
 * @param numbers what many runs come to; null: not known yet, one run stands for all
 */
export function readRest(inputs: RestInputs, history: RestHistory, numbers: RestNumbers | null): RestSaid {
  const { plan, shelf } = inputs
  const about = aboutOf(inputs)
  const one = restResult(history, about)
  const result = numbers ? withNumbers(one, numbers) : one
  const ash = ashOf(plan, ashInputs(inputs, numbers?.topGel ?? restRun(history, about).topGel(ONE_RUN_K)))
  const unit = unitBatter(plan.recipe, shelf)
  return {
    result,
    ash,
    cups: cupGels(inputs, history.block),
    sentence: restSentence(result, numbers, sweetOf(plan, shelf)),
    notices: restNotices(plan, result, ash, isSaltBar(unit)),
    tasks: restTasks(plan, result, isSaltBar(unit)),
  }
}

/** All there is around one run's margin, K. */
const ONE_RUN_K = 6

/** Everything that can be said of a plan's rest, without its pictures. */
export interface RestOutlook extends RestSaid {
  numbers: RestNumbers
  /** What the plan's readings say; null without any. */
  refit: Refit | null
}

/** What the readings of a plan make of its rest. */
export function fittedRest(inputs: RestInputs): { refit: Refit | null; fitted: (input: RestRunInput) => RestRunInput } {
  const refit = refitted(restRunInputOf(inputs, 'coarse'), inputs.plan.rest.readings)
  return { refit, fitted: input => (refit ? refittedInput(input, refit) : input) }
}

/** Works a plan's rest through: many coarse runs for its numbers, one for what its parts come to. Some tenths of a second. */
export function restOutlook(inputs: RestInputs): RestOutlook {
  const { refit, fitted } = fittedRest(inputs)
  const numbers = restNumbers(fitted(restRunInputOf(inputs, 'quick')), aboutOf(inputs))
  const history = workedThrough(fitted(restRunInputOf(inputs, 'coarse')))
  return { ...readRest(inputs, history, numbers), numbers, refit }
}
