import type { Edit, GelWish, Plan, RestStep } from '../plan/index.ts'
import { restStep } from '../plan/index.ts'
import { restChances } from './chances.ts'
import type { RestChances } from './chances.ts'
import { workedThrough } from './history.ts'
import type { RestJob } from './history.ts'
import { aboutOf, restJobOf } from './plan-rest.ts'
import type { RestInputs } from './plan-rest.ts'
import { restResult } from './verdict.ts'
import type { RestResult } from './verdict.ts'

/** A change of the rest that does what is wished for. */
export interface RestWay {
  kind: string
  sentence: string
  edit: Edit
  /** Chance of the class that is wished for. */
  chance: number
  peakC: number
  crack: number
  unmouldMin: number | null
}

export interface RestSearch {
  done: number
  total: number
  found: RestWay[]
  /** Why nothing more is forced, if it is not. */
  refusal: string | null
}

/** It should come as wished in so many of the runs, and hardly ever crack. */
const SURE = 0.8
const MOST_CRACK = 0.1
const COOL_C = 80
const MOST_FOUND = 3
/** A margin that a single run must have before many are looked at, K. */
const NEARLY_K = -3

interface Candidate {
  kind: string
  sentence: string
  cost: number
  steps: RestStep[]
  /** K warmer or cooler at the pour. */
  pourK?: number
}

const towelWords = (n: number) => (n === 1 ? 'one layer of towel' : `${n} layers of towel`)

function warming(): Candidate[] {
  const wrapped = (towels: number) => restStep({ cover: 'lid', towels, below: true })
  return [
    ...[2, 4, 6].map(n => ({
      kind: 'towels',
      sentence: `Put a lid on and wrap it in ${towelWords(n)} all round`,
      cost: 1 + 0.3 * n,
      steps: [wrapped(n)],
    })),
    {
      kind: 'box',
      sentence: 'Stand it in a closed box under a lid',
      cost: 1.2,
      steps: [restStep({ place: 'box', cover: 'lid' })],
    },
    ...[45, 50, 55, 60, 65].flatMap(tempC =>
      [0, 60].map(holdMin => ({
        kind: 'oven',
        sentence:
          holdMin === 0
            ? `Heat the oven to ${tempC} °C, switch it off, and put it in`
            : `Put it into the oven at ${tempC} °C for an hour, then switch it off`,
        cost: 3 + 0.05 * (tempC - 40) + (holdMin > 0 ? 0.5 : 0),
        steps: [restStep({ place: 'oven', tempC, holdMin })],
      })),
    ),
    ...[45, 55, 65].map(tempC => ({
      kind: 'mat',
      sentence: `Set it on a mat at ${tempC} °C for an hour, under a lid and ${towelWords(2)}`,
      cost: 2.5 + 0.05 * (tempC - 35),
      steps: [restStep({ place: 'mat', tempC, holdMin: 60, cover: 'lid', towels: 2 })],
    })),
    ...[3, 6].map(pourK => ({
      kind: 'pour',
      sentence: `Mix ${pourK} °C warmer, and wrap it in ${towelWords(4)} under a lid`,
      cost: 2.5 + 0.5 * pourK,
      steps: [wrapped(4)],
      pourK,
    })),
  ]
}

function cooling(): Candidate[] {
  const bare = restStep({ cover: 'film' })
  const cold = (place: 'refrigerator' | 'freezer', hours: number) => [
    restStep({ place }),
    restStep({ atMin: hours * 60, place: 'room' }),
  ]
  return [
    { kind: 'bare', sentence: 'Leave it unwrapped in the room, under film', cost: 0.5, steps: [bare] },
    ...[2, 4, 8, 12].map(hours => ({
      kind: 'refrigerator',
      sentence: `Put it into the refrigerator for ${hours} hours, on a rack`,
      cost: 2 + 0.1 * hours,
      steps: cold('refrigerator', hours),
    })),
    ...[1, 2, 4].map(hours => ({
      kind: 'freezer',
      sentence: `Put it into the freezer for ${hours === 1 ? 'an hour' : `${hours} hours`}, on a rack`,
      cost: 3 + 0.1 * hours,
      steps: cold('freezer', hours),
    })),
    ...[-3, -6].map(pourK => ({
      kind: 'pour',
      sentence: `Mix ${-pourK} °C cooler, and leave it unwrapped`,
      cost: 1 - 0.5 * pourK,
      steps: [bare],
      pourK,
    })),
    ...[-3, -6, -9].map(pourK => ({
      kind: 'both',
      sentence: `Mix ${-pourK} °C cooler, and put it into the refrigerator for 8 hours`,
      cost: 3 - 0.5 * pourK,
      steps: cold('refrigerator', 8),
      pourK,
    })),
  ]
}

const CANDIDATES: Readonly<Record<Exclude<GelWish, 'any'>, () => Candidate[]>> = {
  full: warming,
  none: cooling,
  cool: () => [...warming(), ...cooling()],
}

function editOf(plan: Plan, { steps, pourK }: Candidate): Edit {
  const rest: Edit = { kind: 'set', path: ['rest', 'steps'], value: steps }
  if (!pourK) return rest
  return {
    kind: 'many',
    edits: [rest, { kind: 'set', path: ['conditions', 'mixC'], value: Math.round(plan.conditions.mixC + pourK) }],
  }
}

function jobFor(inputs: RestInputs, { steps, pourK = 0 }: Candidate): RestJob {
  const plan = { ...inputs.plan, rest: { ...inputs.plan.rest, steps } }
  const job = restJobOf({ ...inputs, plan }, 'coarse')
  return { ...job, block: { ...job.block, startC: job.block.startC.map(c => c + pourK) } }
}

/** How far a single run is from what is wished for, K; 0 or more: it is there. */
function gap(wish: GelWish, result: RestResult): number {
  if (wish === 'none') return -3 - result.coreMarginK
  const full = result.gel === 'full' ? Math.max(0, result.coldMarginK) : Math.min(-0.1, result.coldMarginK)
  return wish === 'cool' ? Math.min(full, COOL_C - result.peakC) : full
}

const chanceOfWish = (wish: GelWish, chances: RestChances): number => {
  if (wish === 'none') return chances.gel.none
  return wish === 'cool' && chances.peakC[2] > COOL_C + 3 ? 0 : chances.gel.full
}

/**
 * Looks for the simplest change of the rest that does what is wished for: wraps, places and times, then the warmth of the
 * pour. One run for each, many for those that come near. A recipe that overheats unwrapped is not forced to gel.
 */
export function* makeItSo(inputs: RestInputs, wish: Exclude<GelWish, 'any'>): Generator<RestSearch> {
  const candidates = CANDIDATES[wish]().sort((a, b) => a.cost - b.cost)
  const found: RestWay[] = []
  let done = 0
  const state = (refusal: string | null = null): RestSearch => ({
    done: refusal === null ? done : candidates.length,
    total: candidates.length,
    found: [...found],
    refusal,
  })
  const resultOf = (job: RestJob) => restResult(workedThrough(job), aboutOf(inputs, job.block.materials))
  const bare = resultOf(jobFor(inputs, { kind: '', sentence: '', cost: 0, steps: [restStep()] }))
  if (wish !== 'none' && bare.crack > MOST_CRACK) {
    yield state(
      'Even unwrapped this recipe may overheat: it is not forced to gel. Pour cooler, take less sugar or a calmer scent, or a thinner mould.',
    )
    return
  }
  for (const candidate of candidates) {
    done += 1
    if (found.some(way => way.kind === candidate.kind)) continue
    const job = jobFor(inputs, candidate)
    const result = resultOf(job)
    if (gap(wish, result) < NEARLY_K || result.crack > MOST_CRACK) {
      yield state()
      continue
    }
    const chance = chanceOfWish(wish, restChances(job))
    if (chance >= SURE)
      found.push({
        ...{ kind: candidate.kind, sentence: candidate.sentence, edit: editOf(inputs.plan, candidate), chance },
        ...{ peakC: result.peakC, crack: result.crack, unmouldMin: result.unmouldMin },
      })
    yield state()
    if (found.length >= MOST_FOUND) break
  }
  done = candidates.length
  yield state()
}
