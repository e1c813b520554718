import { chance, fact, plain, warmerBy } from '../../quantities/facts/index.ts'
import type { Fact, Words } from '../../quantities/facts/index.ts'
import { applyEdit, restStep } from '../../plan/index.ts'
import type { Edit, GelWish, Plan } from '../../plan/index.ts'
import { unitBatter } from '../../recipe/index.ts'
import { batterPace } from '../../batter/trace/index.ts'
import { restNumbers } from './chances.ts'
import type { RestNumbers } from './chances.ts'
import { workedThrough } from './history.ts'
import type { RestRunInput } from './history.ts'
import { withNumbers } from './outlook.ts'
import { aboutOf, restRunInputOf } from './plan-rest.ts'
import type { RestInputs } from './rest-inputs.ts'
import { candidatesFor } from './rest-ways.ts'
import type { Candidate } from './rest-ways.ts'
import { restResult } from './verdict.ts'
import type { RestResult } from './verdict.ts'
import { brownWord, sweetOf } from './sentences.ts'

/** A change of the rest that does what is wished for. */
export interface RestWay {
  kind: string
  sentence: Words
  edit: Edit
  /** Chance of the class that is wished for. */
  chance: number
  peakC: number
  crack: number
  unmouldMin: number | null
  /** What else it changes, for the worse or the later. */
  costs: Words[]
}

export interface RestSearch {
  done: number
  total: number
  found: RestWay[]
  /** What came nearest, and how far it stays away; null as long as anything was found, or nothing was tried. */
  nearest: Fact | null
  /** Why nothing more is forced, if it is not. */
  refusal: Fact | null
}

/** Turns a changed plan into what its rest needs; null where it cannot be forecast. */
export type Work = (plan: Plan) => RestInputs | null

/** It should come as wished in so many of the runs, and hardly ever crack. */
const SURE = 0.8
const MOST_CRACK = 0.1
const COOL_C = 80
const MOST_FOUND = 3
/** Runs while something is searched. */
const FEW_RUNS = 16
/** A margin that a single run must have before many are looked at, K. */
const NEARLY_K = -3
/** To count as not gelling its middle stays so far below, K. */
const CLEAR_K = 3
const WARMEST_MIX_C = 60
const LYE = { weakest: 0.25, strongest: 0.45 }

function editOf(plan: Plan, { steps, pourK, lyePoints }: Candidate, lye: number): Edit {
  const edits: Edit[] = []
  if (steps) edits.push({ kind: 'set', path: ['rest', 'steps'], value: steps })
  if (pourK) edits.push({ kind: 'set', path: ['conditions', 'mixC'], value: Math.round(plan.conditions.mixC + pourK) })
  if (lyePoints)
    edits.push(
      { kind: 'set', path: ['recipe', 'water', 'basis'], value: 'concentration' },
      { kind: 'set', path: ['recipe', 'water', 'value'], value: Number((lye + lyePoints / 100).toFixed(3)) },
    )
  return { kind: 'many', edits }
}

/** How far a single run is from what is wished for, K; 0 or more: it is there. */
function gap(wish: GelWish, result: RestResult): number {
  if (wish === 'none') return -CLEAR_K - result.coreMarginK
  const full = result.gel === 'full' ? Math.max(0, result.coldMarginK) : Math.min(-0.1, result.coldMarginK)
  return wish === 'cool' ? Math.min(full, COOL_C - result.peakC) : full
}

const chanceOfWish = (wish: GelWish, numbers: RestNumbers): number => {
  if (wish === 'none') return numbers.gel.none
  return wish === 'cool' && numbers.peakC.high > COOL_C + 3 ? 0 : numbers.gel.full
}

interface Looked {
  inputs: RestInputs
  edit: Edit
  input: RestRunInput
  result: RestResult
}

/** Tries changes of one plan's rest. */
class Tries {
  readonly lye: number
  readonly clearC: number
  readonly now: RestResult

  constructor(
    readonly inputs: RestInputs,
    readonly work: Work,
  ) {
    const unit = unitBatter(inputs.plan.recipe, inputs.shelf)
    this.lye = unit.water.concentration
    this.clearC = batterPace(unit).clearPointC
    this.now = this.#resultOf(inputs, restRunInputOf(inputs, 'quick'))
  }

  #resultOf(inputs: RestInputs, input: RestRunInput): RestResult {
    return restResult(workedThrough(input), aboutOf(inputs))
  }

  /** Whether fats stay clear, and lye within what is usual. */
  isSound({ pourK = 0, lyePoints = 0 }: Candidate): boolean {
    const mixC = this.inputs.plan.conditions.mixC + pourK
    const lye = this.lye + lyePoints / 100
    if (pourK !== 0 && (mixC < this.clearC + 1 || mixC > WARMEST_MIX_C)) return false
    return lyePoints === 0 || (lye >= LYE.weakest && lye <= LYE.strongest)
  }

  look(candidate: Candidate): Looked | null {
    const { plan } = this.inputs
    const edit = editOf(plan, candidate, this.lye)
    const changed = applyEdit(plan, edit)
    if (!changed.ok) return null
    const isPoured = candidate.pourK !== undefined || candidate.lyePoints !== undefined
    const inputs = isPoured ? this.work(changed.plan) : { ...this.inputs, plan: changed.plan }
    if (!inputs) return null
    const input = restRunInputOf(inputs, 'quick')
    return { inputs, edit, input, result: this.#resultOf(inputs, input) }
  }

  /** What a change costs beside its trouble. */
  costs({ inputs, result }: Looked): Words[] {
    const costs: Words[] = []
    const [before, after] = [this.inputs.lanes.chance, inputs.lanes.chance]
    if (after < before - 0.05)
      costs.push(fact('rest.pours-work-runs-instead', { after: chance(after), before: chance(before) }))
    const [was, then] = [this.now.unmouldMin, result.unmouldMin]
    const laterH = was !== null && then !== null ? (then - was) / 60 : 0
    if (laterH >= 3) costs.push(fact('rest.comes-out-mould-about', { laterH: plain(laterH, 0) }))
    const sweet = sweetOf(this.inputs.plan, this.inputs.shelf)
    const brown = brownWord(result.browning)
    if (sweet && brown && brown !== brownWord(this.now.browning)) costs.push(fact('rest.in-it-turns', { sweet, brown }))
    return costs
  }

  way({ kind, sentence }: Candidate, looked: Looked, numbers: RestNumbers, chance: number): RestWay {
    const result = withNumbers(looked.result, numbers)
    return {
      kind,
      sentence,
      edit: looked.edit,
      chance,
      peakC: result.peakC,
      crack: result.crack,
      unmouldMin: result.unmouldMin,
      costs: this.costs({ ...looked, result }),
    }
  }
}

/**
 * Looks for the simplest change of the rest that does what is wished for: wraps, places and times, the warmth of the pour, then
 * water. One run for each, many for those that come near. A recipe that overheats unwrapped is not forced to gel.
 */
export function* makeItSo(inputs: RestInputs, wish: Exclude<GelWish, 'any'>, work: Work): Generator<RestSearch> {
  const candidates = candidatesFor(wish)
  const tries = new Tries(inputs, work)
  const found: RestWay[] = []
  let done = 0
  let nearest: { worth: number; words: Fact } | null = null
  const state = (refusal: Fact | null = null): RestSearch => ({
    done: refusal === null ? done : candidates.length,
    total: candidates.length,
    found: [...found],
    nearest: found.length > 0 ? null : (nearest?.words ?? null),
    refusal,
  })
  const bare = tries.look({ kind: '', sentence: '', cost: 0, steps: [restStep()] })
  if (wish !== 'none' && bare && bare.result.crack > MOST_CRACK) {
    yield state(fact('rest.even-unwrapped-this-recipe'))
    return
  }
  for (const candidate of candidates) {
    done += 1
    if (found.some(way => way.kind === candidate.kind) || !tries.isSound(candidate)) continue
    const looked = tries.look(candidate)
    const short = looked ? gap(wish, looked.result) : -Infinity
    if (!looked || short < NEARLY_K || looked.result.crack > MOST_CRACK) {
      const isSafe = looked && looked.result.crack <= MOST_CRACK
      if (isSafe && short > (nearest?.worth ?? -Infinity))
        nearest = {
          worth: short,
          words: fact('rest.short-of-it', { candidate: candidate.sentence, short: warmerBy(-short, 0) }),
        }
      yield state()
      continue
    }
    const numbers = restNumbers(looked.input, aboutOf(looked.inputs), FEW_RUNS)
    const comes = chanceOfWish(wish, numbers)
    if (comes >= SURE) found.push(tries.way(candidate, looked, numbers, comes))
    else if (comes > (nearest?.worth ?? -Infinity))
      nearest = {
        worth: comes,
        words: fact('rest.runs-come-as-wished', { candidate: candidate.sentence, chance: chance(comes) }),
      }
    yield state()
    if (found.length >= MOST_FOUND) break
  }
  done = candidates.length
  yield state()
}
