import { ladderSteps } from '../cups/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { freeLyeOf } from '../recipe/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { showShare, tidy } from '../units/index.ts'
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
  sentence: string
  /** How to put it right at the bench. */
  wayOut: string
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
  const of = now.name === '' ? '' : ` of ${now.name}`
  const [is, was] = apart(now.superfatShare, before.superfatShare)
  const change = is === was ? `superfat${of} stays at ${is}` : `superfat${of} ${is} instead of ${was}`
  const lye = freeLyeOf(now.superfat, now.name === '' ? 'with this weight' : `${now.name}, with this weight`)
  if (lye.weight === 'stop') return { verdict: 'stop', sentence: `${change}. ${lye.sentence}` }
  if (lye.weight === 'warn' && shift < -SMALL_SHIFT / 10)
    return { verdict: 'care', sentence: `${change}. ${lye.sentence}` }
  if (now.superfatShare > MOST_SUPERFAT && shift > 0)
    return { verdict: 'care', sentence: `${change}: a soft bar that turns rancid sooner` }
  return { verdict: Math.abs(shift) < SMALL_SHIFT ? 'fine' : 'care', sentence: change }
}

function byStrength({ now, before }: Change): Verdict | null {
  const shift = now.concentration - before.concentration
  if (Math.abs(shift) < 1e-6) return null
  const [is, was] = apart(now.concentration, before.concentration)
  const change = is === was ? `lye stays at ${is}` : `lye at ${is} instead of ${was}`
  if (now.concentration > 0.5)
    return { verdict: 'stop', sentence: `${change}: less water than lye, and it cannot dissolve` }
  if (now.concentration > STRONG && shift > 0)
    return { verdict: 'care', sentence: `${change}: hot, hard to stir clear, and quick to trace` }
  if (now.concentration < WEAK && shift < 0)
    return { verdict: 'care', sentence: `${change}: slow to trace, soft for days, more ash` }
  const effect = shift > 0 ? 'a little quicker' : 'a little slower'
  return Math.abs(shift) < SMALL_STRENGTH
    ? { verdict: 'fine', sentence: change }
    : { verdict: 'care', sentence: `${change}: ${effect}, and the forecast of trace is for ${was}` }
}

const RANK = { fine: 0, care: 1, stop: 2 }
function together(verdicts: readonly (Verdict | null)[]): Verdict | null {
  const found = verdicts.filter(one => one !== null)
  if (found.length === 0) return null
  const worst = found.reduce((a, b) => (RANK[b.verdict] > RANK[a.verdict] ? b : a))
  const sentences = found.map(one => one.sentence.replace(/\.$/, ''))
  return { verdict: worst.verdict, sentence: sentences.join('; ') }
}

function byMost(line: WeighLine, actualG: number): Verdict | null {
  const { most } = line
  if (!most || actualG <= most.massG + 1e-9) return null
  if (most.isCap)
    return {
      verdict: 'stop',
      sentence: `${tidy(actualG, 2)} g is above the limit of ${tidy(most.massG, 2)} g: a limit is for skin, and cannot be accepted`,
    }
  const times = tidy(actualG / most.massG, 1)
  const effect =
    line.kind === 'colour' ? 'it may colour lather and cloths, or turn chalky' : 'see what it does on the shelf'
  // A plan that is above the usual most already has said so.
  return line.exactG > most.massG
    ? null
    : { verdict: 'care', sentence: `${times} times its usual most of ${tidy(most.massG, 2)} g: ${effect}` }
}

/** Of a thing that only changes itself: how much of its plan it is. */
function byShare(line: WeighLine, actualG: number, allows: number, effect: [less: string, more: string]): Verdict {
  const share = line.massG > 0 ? actualG / line.massG : Infinity
  const [less, more] = effect
  if (share >= 1 - allows && share <= 1 + allows) return { verdict: 'fine', sentence: '' }
  const text = Number.isFinite(share) ? `${tidy(share, 2)} times what is written: ` : ''
  return { verdict: 'care', sentence: `${text}${share < 1 ? less : more}` }
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
      return together([bySuperfat(change), kind === 'lye' ? byStrength(change) : null]) ?? fine
    case 'water':
    case 'liquid':
      return together([bySuperfat(change), byStrength(change)]) ?? fine
    case 'additive':
      return (
        together([bySuperfat(change), byMost(line, actualG)]) ??
        byShare(line, actualG, LOOSE_CHANGE, ['less of what it does', 'more of what it does'])
      )
    case 'scent':
      return (
        byMost(line, actualG) ??
        byShare(line, actualG, SCENT_CHANGE, [
          'a fainter scent, and a little more time',
          'a stronger scent, and a little less time',
        ])
      )
    case 'stabiliser':
      return byShare(line, actualG, SCENT_CHANGE, [
        'it will brown more than forecast',
        'more than its supplier asks for',
      ])
    case 'colour':
      return (
        byMost(line, actualG) ?? byShare(line, actualG, COLOUR_CHANGE, ['paler than forecast', 'deeper than forecast'])
      )
    case 'medium':
      return byShare(line, actualG, LOOSE_CHANGE, ['hard to stir smooth', 'more oil or water in that cup'])
    case 'topping':
      return fine
  }
}

/** From its own small pot anything comes back out; what lies on other oils only while it has not sunk in. */
function wayOut(line: WeighLine, overG: number): { wayOut: string; canTakeOut: boolean } {
  const amount = `${tidy(Math.abs(overG), 2)} g`
  if (overG < 0) return { wayOut: `Add ${amount}.`, canTakeOut: false }
  const { kind, group } = line
  if (kind === 'water' || kind === 'liquid')
    return { wayOut: `Pour ${amount} back, before the lye goes in.`, canTakeOut: true }
  if (kind === 'oil' && group !== 'late')
    return {
      wayOut: `Take ${amount} out only if it lies on top and has not mixed with the oils under it.`,
      canTakeOut: false,
    }
  if (kind === 'melt' || kind === 'solution')
    return { wayOut: `Pour ${amount} back, before it meets anything else.`, canTakeOut: true }
  return { wayOut: `Spoon ${amount} back out of its own cup.`, canTakeOut: true }
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

const VERDICTS = { fine: 'That is small: accept it.', care: 'Better put right.', stop: 'Do not go on with it.' }

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
  const amount = `${tidy(Math.abs(overG), 2)} g ${overG > 0 ? 'too much' : 'too little'}`
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
    sentence: `${amount}${sentence === '' ? '' : `: ${sentence}`}. ${VERDICTS[verdict]}`,
    ...wayOut(line, overG),
    rescale: canRescale ? factor : null,
    dose: doseOf(plan, portions, line, actualG),
  }
}
