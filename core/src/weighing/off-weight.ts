import { clauses, fact, grams, plain, together } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { ladderSteps } from '../look/cups/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { freeLyeOf } from '../recipe/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { showShare, tidy } from '../quantities/units/index.ts'
import { battersAt } from './actuals.ts'
import type { Actual } from './actuals.ts'
import type { WeighKind, WeighLine } from './line.ts'

/**
 * A weight that is off, judged by what that line can do: lye and oils by superfat, water by how strong it leaves the lye,
 * scent by its cap, colours and additives by their usual most. Everything else counts as planned, so that one sentence is
 * about one line.
 */
export interface OffWeight {
  overG: number
  isOver: boolean
  /** 'fine': accept it; 'care': better put right; 'stop': do not go on with it. */
  verdict: 'fine' | 'care' | 'stop'
  sentence: Words
  /** How to put it right at the bench. */
  wayOut: Words
  canTakeOut: boolean
  /** The whole batch × this is the same soap; null where that is no way out. */
  rescale: number | null
  /** For a colour of one cup: what the weighed powder is as its dose, g per kg by the basis of the plan. */
  dose: { cup: string; colorant: string; doseGPerKg: number } | null
}

type Verdict = Pick<OffWeight, 'verdict' | 'sentence'>

const SMALL_SHIFT = 0.005
const SMALL_STRENGTH = 0.02
const MOST_SUPERFAT = 0.1
const STRONG = 0.4
const WEAK = 0.25
/** A batch is rescaled to a weight that is off by at most a quarter. */
const RESCALE = { from: 0.8, to: 1.25 }

const percent = (share: number): string => showShare(share, 2).replace('-', '−')

/** The same decimals for both, as many as it takes to tell them apart. */
function apart(now: number, before: number): [string, string] {
  for (const decimals of [1, 2, 3]) {
    const texts = [showShare(now, decimals), showShare(before, decimals)] as [string, string]
    if (texts[0] !== texts[1]) return texts
  }
  return [percent(now), percent(before)]
}

interface Change {
  line: WeighLine
  now: Actual
  before: Actual
}

/** The batter that this line changes most. */
function changeOf(plan: Plan, portions: Portions, shelf: Shelf, line: WeighLine, actualG: number): Change {
  const before = battersAt(plan, portions, shelf, (_, plannedG) => plannedG)
  const now = battersAt(plan, portions, shelf, (key, plannedG) => (key === line.key ? actualG : plannedG))
  const shift = (i: number) =>
    Math.abs(now[i]!.superfatShare - before[i]!.superfatShare) +
    Math.abs(now[i]!.concentration - before[i]!.concentration)
  const most = before.reduce((best, _, i) => (shift(i) > shift(best) ? i : best), 0)
  return { line, now: now[most]!, before: before[most]! }
}

function bySuperfat({ now, before }: Change): Verdict | null {
  const shift = now.superfatShare - before.superfatShare
  if (Math.abs(shift) < 1e-6) return null
  const of = now.name === '' ? '' : fact('weighing.of', { now: now.name })
  const [is, was] = apart(now.superfatShare, before.superfatShare)
  const change =
    is === was ? fact('weighing.superfat-stays-at', { of, is }) : fact('weighing.superfat-instead', { of, is, was })
  const lye = freeLyeOf(
    now.superfat,
    now.name === '' ? fact('weighing.with-this-weight') : fact('weighing.with-this-weight-2', { now: now.name }),
  )
  if (lye.weight === 'stop') return { verdict: 'stop', sentence: together([change, lye.sentence], '. ') }
  if (lye.weight === 'warn' && shift < -SMALL_SHIFT / 10)
    return { verdict: 'care', sentence: together([change, lye.sentence], '. ') }
  if (now.superfatShare > MOST_SUPERFAT && shift > 0)
    return { verdict: 'care', sentence: fact('weighing.soft-bar-turns-rancid', { change }) }
  return { verdict: Math.abs(shift) < SMALL_SHIFT ? 'fine' : 'care', sentence: change }
}

function byStrength({ now, before }: Change): Verdict | null {
  const shift = now.concentration - before.concentration
  if (Math.abs(shift) < 1e-6) return null
  const [is, was] = apart(now.concentration, before.concentration)
  const change = is === was ? fact('weighing.lye-stays-at', { is }) : fact('weighing.lye-at-instead', { is, was })
  if (now.concentration > 0.5) return { verdict: 'stop', sentence: fact('weighing.less-water-than-lye', { change }) }
  if (now.concentration > STRONG && shift > 0)
    return { verdict: 'care', sentence: fact('weighing.hot-hard-stir-clear', { change }) }
  if (now.concentration < WEAK && shift < 0)
    return { verdict: 'care', sentence: fact('weighing.slow-trace-soft-for', { change }) }
  const effect = shift > 0 ? fact('weighing.little-quicker') : fact('weighing.little-slower')
  return Math.abs(shift) < SMALL_STRENGTH
    ? { verdict: 'fine', sentence: change }
    : { verdict: 'care', sentence: fact('weighing.forecast-trace-for', { change, effect, was }) }
}

const RANK = { fine: 0, care: 1, stop: 2 }
function gravestOf(verdicts: readonly (Verdict | null)[]): Verdict | null {
  const found = verdicts.filter(one => one !== null)
  if (found.length === 0) return null
  const worst = found.reduce((a, b) => (RANK[b.verdict] > RANK[a.verdict] ? b : a))
  const said = found.map(one => one.sentence).filter(sentence => sentence !== '')
  return { verdict: worst.verdict, sentence: said.length > 0 ? clauses(said) : '' }
}

function byMost(line: WeighLine, actualG: number): Verdict | null {
  const { most } = line
  if (!most || actualG <= most.massG + 1e-9) return null
  if (most.isCap)
    return {
      verdict: 'stop',
      sentence: fact('weighing.above-limit-limit-for', { actualG: grams(actualG, 2), massG: grams(most.massG, 2) }),
    }
  const times = tidy(actualG / most.massG, 1)
  const effect = line.kind === 'colour' ? fact('weighing.may-colour-lather-cloths') : fact('weighing.see-what-does-on')
  // A plan that is above the usual most already has said so.
  return line.exactG > most.massG
    ? null
    : {
        verdict: 'care',
        sentence: fact('weighing.times-its-usual-most', { times, massG: grams(most.massG, 2), effect }),
      }
}

/** Of a thing that only changes itself: how much of its plan it is. */
function byShare(line: WeighLine, actualG: number, allows: number, effect: [less: Words, more: Words]): Verdict {
  const times = line.massG > 0 ? actualG / line.massG : Infinity
  const [less, more] = effect
  if (times >= 1 - allows && times <= 1 + allows) return { verdict: 'fine', sentence: '' }
  const text = Number.isFinite(times) ? fact('weighing.times-what-written', { times: plain(times, 2) }) : ''
  return { verdict: 'care', sentence: together([text, times < 1 ? less : more], '') }
}

const SCENT_CHANGE = 0.1
const COLOUR_CHANGE = 0.25
const LOOSE_CHANGE = 0.5

function judged(kind: WeighKind, change: Change, actualG: number): Verdict {
  const { line } = change
  const fine: Verdict = { verdict: 'fine', sentence: '' }
  switch (kind) {
    case 'lye':
    case 'solution':
    case 'oil':
    case 'melt':
      return gravestOf([bySuperfat(change), kind === 'lye' ? byStrength(change) : null]) ?? fine
    case 'water':
    case 'liquid':
      return gravestOf([bySuperfat(change), byStrength(change)]) ?? fine
    case 'additive':
      return (
        gravestOf([bySuperfat(change), byMost(line, actualG)]) ??
        byShare(line, actualG, LOOSE_CHANGE, [fact('weighing.less-what-does'), fact('weighing.more-what-does')])
      )
    case 'scent':
      return (
        byMost(line, actualG) ??
        byShare(line, actualG, SCENT_CHANGE, [
          fact('weighing.fainter-scent-little-more'),
          fact('weighing.stronger-scent-little-less'),
        ])
      )
    case 'stabiliser':
      return byShare(line, actualG, SCENT_CHANGE, [
        fact('weighing.will-brown-more-than'),
        fact('weighing.more-than-its-supplier'),
      ])
    case 'colour':
      return (
        byMost(line, actualG) ??
        byShare(line, actualG, COLOUR_CHANGE, [
          fact('weighing.paler-than-forecast'),
          fact('weighing.deeper-than-forecast'),
        ])
      )
    case 'medium':
      return byShare(line, actualG, LOOSE_CHANGE, [
        fact('weighing.hard-stir-smooth'),
        fact('weighing.more-oil-or-water'),
      ])
    case 'topping':
      return fine
  }
}

/** From its own small pot anything comes back out; what lies on other oils only while it has not sunk in. */
function wayOut(line: WeighLine, overG: number): { wayOut: Words; canTakeOut: boolean } {
  const amount = grams(Math.abs(overG), 2)
  if (overG < 0) return { wayOut: fact('weighing.add', { amount }), canTakeOut: false }
  const { kind, group } = line
  if (kind === 'water' || kind === 'liquid')
    return { wayOut: fact('weighing.pour-back-before-lye', { amount }), canTakeOut: true }
  if (kind === 'oil' && group !== 'late')
    return {
      wayOut: fact('weighing.take-out-only-if', { amount }),
      canTakeOut: false,
    }
  if (kind === 'melt' || kind === 'solution')
    return { wayOut: fact('weighing.pour-back-before-meets', { amount }), canTakeOut: true }
  return { wayOut: fact('weighing.spoon-back-out-its', { amount }), canTakeOut: true }
}

function doseOf(plan: Plan, portions: Portions, line: WeighLine, actualG: number): OffWeight['dose'] {
  const [kind, id, colorant] = line.key.split(':')
  if (kind !== 'colour' || !id || !colorant || id === 'pot') return null
  const ladder = plan.ladders.find(one => one.id === id)
  // A ladder is dosed through its first cup; the other steps follow.
  const cup = ladder ? ladder.cups[0]! : id
  const i = plan.cups.findIndex(one => one.id === cup)
  const part = plan.cups[i]?.colorants.find(one => one.colorant === colorant)
  if (!part || part.slurry) return null
  const plannedG = ladder
    ? (ladderSteps(plan, portions, ladder).colours.find(one => one.colorant === colorant)?.powderG ?? 0)
    : (portions.cups[i]!.colours.find(one => one.colorant === colorant)?.exact.powderG ?? 0)
  const doseGPerKg = plannedG > 0 ? Number(((part.doseGPerKg * actualG) / plannedG).toPrecision(5)) : 0
  return doseGPerKg > 0 && doseGPerKg <= 300 ? { cup, colorant, doseGPerKg } : null
}

const VERDICTS = {
  fine: fact('weighing.small-accept'),
  care: fact('weighing.better-put-right'),
  stop: fact('weighing.do-not-go-on'),
}

/**
 * What to do about a line that was weighed as `actualG`.
 *
 * @returns null when it is within half a step of the plan
 */
export function offWeight(
  plan: Plan,
  portions: Portions,
  shelf: Shelf,
  line: WeighLine,
  actualG: number,
): OffWeight | null {
  const overG = actualG - line.massG
  if (Math.abs(overG) <= line.stepG / 2 + 1e-9) return null
  const { verdict, sentence } = judged(line.kind, changeOf(plan, portions, shelf, line, actualG), actualG)
  const amount = fact('weighing.so-much', {
    overG: grams(Math.abs(overG), 2),
    which: overG > 0 ? fact('weighing.too-much') : fact('weighing.too-little'),
  })
  const factor = line.massG > 0 ? actualG / line.massG : Infinity
  const canRescale =
    (line.kind === 'oil' || line.kind === 'lye') &&
    line.batter === '' &&
    plan.division.mode === 'one-pot' &&
    factor >= RESCALE.from &&
    factor <= RESCALE.to
  return {
    overG,
    isOver: overG > 0,
    verdict,
    sentence: fact('weighing.off-weight', {
      amount,
      change: sentence === '' ? '' : together([': ', sentence], ''),
      verdict: VERDICTS[verdict],
    }),
    ...wayOut(line, overG),
    rescale: canRescale ? factor : null,
    dose: doseOf(plan, portions, line, actualG),
  }
}
