import { fact, grams, plain } from '../../quantities/facts/index.ts'
import type { Fact } from '../../quantities/facts/index.ts'
import type { WeighIn } from '../../plan/index.ts'
import { leftAfter } from './drying.ts'
import type { Drying } from './drying.ts'
import { fittedCure } from './weigh-ins.ts'
import type { CureFit, Weighed } from './weigh-ins.ts'

/** Weights that look wrong are asked about before they count: nothing is refused, and nothing is taken in silence. */

/** What is asked of a weigh-in, by its place in the plan; and the weight that is offered instead. */
export interface CureDoubt {
  at: number
  question: Fact
  offerG: number | null
}

const G_PER_OUNCE = 28.35
const TEN_TIMES = { from: 7, to: 14 } as const
const OUNCES = { from: 0.85, to: 1.15 } as const
const ANOTHER = { from: 0.7, to: 1.3 } as const
/** Soap takes up a little in damp air. */
const HEAVIER = { g: 1, share: 0.006 } as const

/** What looks wrong about a weight, where so much is expected and the same bar last weighed so much; null: nothing. */
export function doubtOf(massG: number, expectedG: number, lastG: number | null): Omit<CureDoubt, 'at'> | null {
  const ratio = massG / expectedG
  const about = fact('cure.about-expected', { expectedG: grams(expectedG, 0) })
  if (ratio >= TEN_TIMES.from && ratio <= TEN_TIMES.to)
    return {
      question: fact('cure.ten-times-too-much', { massG: grams(massG, 1), about, massG2: grams(massG / 10, 1) }),
      offerG: massG / 10,
    }
  if (ratio <= 1 / TEN_TIMES.from && ratio >= 1 / TEN_TIMES.to)
    return {
      question: fact('cure.ten-times-too-little', { massG: grams(massG, 1), about, what: grams(10 * massG, 1) }),
      offerG: 10 * massG,
    }
  const ounces = G_PER_OUNCE * ratio
  if (ounces >= OUNCES.from && ounces <= OUNCES.to)
    return {
      question: fact('cure.would-be-far-too', { massG: grams(massG, 2), massG2: plain(massG, 2), about }),
      offerG: massG * G_PER_OUNCE,
    }
  if (ratio > ANOTHER.to || ratio < ANOTHER.from)
    return {
      question: fact('cure.does-not-fit-this', { massG: grams(massG, 1), about }),
      offerG: null,
    }
  if (lastG !== null && massG > lastG + Math.max(HEAVIER.g, HEAVIER.share * lastG))
    return {
      question: fact('cure.heavier-than-before-was', { massG: grams(massG, 1), lastG: grams(lastG, 1) }),
      offerG: null,
    }
  return null
}

export interface CheckedCure {
  fit: CureFit
  doubts: CureDoubt[]
}

/** Weigh-ins in the order of their days, each held against what those before it make of the cure. */
export function checkedCure(
  expected: Drying,
  freshG: number,
  weighIns: readonly WeighIn[],
  scaleStepG: number,
  todayDay: number | null = null,
  sds?: { loss: number; tau: number },
): CheckedCure {
  const inOrder = weighIns.map((one, at) => ({ one, at })).sort((a, b) => a.one.day - b.one.day || a.at - b.at)
  const counted: Weighed[] = []
  const doubts: CureDoubt[] = []
  for (const { one, at } of inOrder) {
    if (one.doubt === 'leave-out') continue
    const fit = fittedCure(expected, freshG, counted, scaleStepG, sds)
    const last = counted.findLast(other => other.count === 1 && other.bar === one.bar)
    const expectedG = fit.freshG * leftAfter(fit.drying, one.day)
    const isLate = todayDay !== null && one.day > todayDay + 1e-9
    const found = isLate
      ? { question: fact('cure.day-still-come-on', { day: plain(one.day, 0) }), offerG: null }
      : doubtOf(one.massG / one.count, expectedG, one.count === 1 && last ? last.massG : null)
    if (found && one.doubt === 'ask') {
      doubts.push({ at, ...found, offerG: found.offerG === null ? null : found.offerG * one.count })
      continue
    }
    counted.push({ ...one, isInsisted: found !== null })
  }
  return { fit: fittedCure(expected, freshG, counted, scaleStepG, sds), doubts }
}
