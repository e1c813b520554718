import { remediesFor } from '../batter/advice/index.ts'
import { monteCarlo, runInputOf } from '../batter/schedule/index.ts'
import type { CupTask, RunInput } from '../batter/schedule/index.ts'
import { browningOf, pigmentOfColorant } from '../look/cups/index.ts'
import { browningAt, deltaE, mixed, STANDARD_BASE } from '../look/colour/index.ts'
import { applyEdit, readPlan } from '../plan/index.ts'
import type { Edit, Plan } from '../plan/index.ts'
import { missingOils, portionsOf } from '../portions/index.ts'
import { latinNormals, normal } from '../quantities/chance/index.ts'
import { unitBatter } from '../recipe/index.ts'
import { findById, foundOf } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import type { TrialQuestion } from './document.ts'
import { kindOf } from './kinds.ts'
import type { TrialKind } from './kinds.ts'
import { gainOf, wayThrough } from './gain.ts'
import type { Way } from './gain.ts'
import type { Expected } from './posterior.ts'
import { PAIR_MINUTES, pairBatter, pairSlopes, worthOfSlopes } from './speed.ts'
import { trialSize } from './size.ts'
import { colourWorth } from './worth-colour.ts'

/** Which small test a plan would gain most by, before any is made. */

export interface WorthTest {
  key: string
  kind: TrialKind
  /** The scent or colorant that it is about. */
  item: string
  name: string
  /** Samples to make; batter in g, hours of work, days until its answer. */
  samples: number
  grams: number
  hours: number
  days: number
  /** Of the plan’s chance 0…1, or of the ΔE that a colour is off by. */
  of: 'chance' | 'colour'
  before: number
  after: number
  gain: number
  /** Of a chance: where it may come to lie nine times in ten, as things are and as the test would leave it. */
  range: { low: number; high: number; leaves: number } | null
  /** Share of its outcomes after which something else would be done; of colours null. */
  changesMind: number | null
  /** It gains enough, and in time. */
  isWorth: boolean
  /** What a trial of it would ask. */
  question: TrialQuestion
}

/** From so much gain on a test is offered, and from so many outcomes that change anything. */
const WORTH = { chance: 0.03, colour: 1, changesMind: 0.05 } as const
/** What leaving the scent away costs the maker, in chance; a change of timing costs nothing. A setting. */
const PENALTY = { unscented: 0.3, fewer: 0.15 } as const
const HOURS = { pair: 0.6, colour: 0.8, browning: 0.8 } as const
const LOT_VARIANCE = 0.1 ** 2
const REACH = 2.4
/** First answers and refined ones: runs at each of so many values of the scent’s rate. */
export const ROUGH = { runs: 24, nodes: 5 } as const
export const FINE = { runs: 48, nodes: 9 } as const
export type Effort = typeof ROUGH | typeof FINE

interface UnknownScent {
  id: string
  name: string
  f: Expected
}

/** The scent of a cup, where it is one alone. */
function scentOfCup({ cup }: CupTask, plan: Plan): string | null {
  const parts = cup.ownScent?.parts ?? (cup.scented ? plan.scent?.parts : null) ?? []
  return parts.length === 1 ? parts[0]!.scent : null
}

/** Scents of a plan whose pace is not known, each with what is believed of it at its dose. */
function unknownIn(plan: Plan, input: RunInput, shelf: Shelf): UnknownScent[] {
  const found = new Map<string, UnknownScent>()
  for (const task of input.cups) {
    const id = scentOfCup(task, plan)
    const item = id === null ? undefined : findById(shelf.scents, id)
    if (!task.scent || !item || found.has(item.id)) continue
    const { lnRate: mean, sd } = task.scent
    found.set(item.id, { id: item.id, name: item.name, f: { mean, sd } })
  }
  return [...found.values()]
}

/** Chance of an input whose scent quickens by just so much. @param id of the scent @param f ln of its rate factor at its dose */
export function chanceAt(plan: Plan, input: RunInput, id: string, f: number, runs: number): number {
  const cups = input.cups.map(cup =>
    cup.scent && scentOfCup(cup, plan) === id ? { ...cup, scent: { ...cup.scent, lnRate: f, sd: 0 } } : cup,
  )
  return monteCarlo({ ...input, cups, scentSd: 0 }, runs).chance
}

/** A plan with one change made, and what the change costs its maker. */
interface Turned {
  plan: Plan
  penalty: number
}

const unscented = (plan: Plan): Edit => ({
  kind: 'many',
  edits: [
    { kind: 'set', path: ['scent'], value: null },
    ...plan.cups.flatMap((cup, i): Edit[] => [
      { kind: 'set', path: ['cups', i, 'scented'], value: false },
      { kind: 'set', path: ['cups', i, 'ownScent'], value: null },
    ]),
  ],
})

/** The plan as it is, with what would help it most, and without its scent. */
export function waysOf(plan: Plan, shelf: Shelf): Turned[] {
  const turned = (edit: Edit, penalty: number): Turned[] => {
    const made = applyEdit(plan, edit)
    return made.ok ? [{ plan: made.plan, penalty }] : []
  }
  const remedies = remediesFor(plan, shelf)
    .filter(({ id }) => id !== 'calmer-scent')
    .slice(0, 2)
    .flatMap(({ id, edit }) => turned(edit, id.startsWith('plain-') ? PENALTY.fewer : 0))
  return [{ plan, penalty: 0 }, ...remedies, ...turned(unscented(plan), PENALTY.unscented)]
}

const nodesOf = ({ mean, sd }: Expected, count: number): number[] =>
  Array.from({ length: count }, (_, i) => mean + sd * REACH * ((2 * i) / (count - 1) - 1))

/** Chances of every way along a scent’s rate, told as each is done. */
function* chancesAlong(turned: readonly Turned[], scent: UnknownScent, shelf: Shelf, { runs, nodes }: Effort) {
  const fs = nodesOf(scent.f, nodes)
  const ways: Way[] = []
  let asPlanned: number[] = []
  for (const [i, { plan, penalty }] of turned.entries()) {
    const input = { ...runInputOf(plan, portionsOf(plan, shelf), shelf), seen: [] }
    const isThere = input.cups.some(cup => scentOfCup(cup, plan) === scent.id)
    const chances = isThere ? fs.map(f => chanceAt(plan, input, scent.id, f, runs)) : [monteCarlo(input, runs).chance]
    if (i === 0) asPlanned = chances
    ways.push(isThere ? wayThrough(fs, chances, penalty) : { c: probitOf(chances[0]!), g: 0, penalty })
    yield (i + 1) / turned.length
  }
  return { ways, asPlanned }
}

const probitOf = (chance: number): number => wayThrough([0, 1], [chance, chance], 0).c

const leftOf = (sd: number, variance: number): number => 1 / Math.sqrt(1 / sd ** 2 + 1 / variance)

const BLANK: Pick<TrialQuestion, 'asked' | 'whiteGPerKg' | 'stepG' | 'way' | 'seed' | 'matters'> = {
  asked: '',
  whiteGPerKg: 0,
  stepG: 0.01,
  way: 'photo',
  seed: 1,
  matters: 2.5,
}

const NINE_IN_TEN = 1.2816

/** Where a way’s chance lies for a scent that is as quick or as calm as one in ten. */
function rangeOf({ c, g, penalty }: Way, { mean, sd }: Expected, left: number) {
  const at = (f: number): number => Math.max(0, normal(c - g * f) - penalty)
  const [low, high] = [at(mean + NINE_IN_TEN * sd), at(mean - NINE_IN_TEN * sd)]
  const leaves = Math.abs(at(mean - NINE_IN_TEN * left) - at(mean + NINE_IN_TEN * left)) / 2
  return { low: Math.min(low, high), high: Math.max(low, high), leaves }
}

function pairTest(
  plan: Plan,
  shelf: Shelf,
  scent: UnknownScent,
  along: { ways: Way[]; asPlanned: number[] },
  pairs: 1 | 2,
): WorthTest {
  const { mixC, roomC, stopLevel } = plan.conditions
  const { sampleG } = kindOf('speed')
  const batter = pairBatter(plan.recipe, shelf, { mixC, roomC, stopLevel, cupG: sampleG })
  const v = worthOfSlopes(pairSlopes(batter, scent.f.mean, PAIR_MINUTES)).pair / pairs + LOT_VARIANCE
  const left = leftOf(scent.f.sd, v)
  const { now, then, gain, changesMind } = gainOf(along.ways, scent.f, left)
  const load = loadOf(plan, shelf, scent.id)
  return {
    key: `speed-${scent.id}-${pairs}`,
    kind: 'speed',
    item: scent.id,
    name: scent.name,
    samples: 2 * pairs,
    grams: trialSize(2 * pairs, sampleG).batchG,
    hours: HOURS.pair,
    days: 0,
    of: 'chance',
    before: now,
    after: then,
    gain,
    changesMind,
    range: rangeOf(along.ways[0]!, scent.f, left),
    isWorth: gain >= WORTH.chance && changesMind >= WORTH.changesMind,
    question: { ...BLANK, kind: 'speed', levels: [], blanks: pairs, times: pairs, sampleG, scent: scent.id, load },
  }
}

/** Share of the oils that a scent has in a plan. */
function loadOf(plan: Plan, shelf: Shelf, id: string): number {
  const own = plan.cups.find(cup => cup.ownScent?.parts.some(part => part.scent === id))?.ownScent
  const { load, basis } = own ?? plan.scent!
  const { batterG } = unitBatter(plan.recipe, shelf)
  return Number(Math.min(0.2, basis === 'batter' ? load * batterG : load).toFixed(4))
}

/** Colorants of which the shelf has an estimate alone, each at its greatest dose, with the share of the soap that shows it. */
function estimatedIn(plan: Plan, shelf: Shelf): { id: string; gPerKg: number; area: number }[] {
  const portions = portionsOf(plan, shelf)
  const whole = portions.cups.reduce((sum, cup) => sum + cup.batterG, 0)
  const found = new Map<string, { id: string; gPerKg: number; area: number }>()
  portions.cups.forEach(cup =>
    cup.colours.forEach(({ colorant: id, doseGPerKg }) => {
      const item = findById(shelf.colorants, id)
      if (!item || item.spectrum !== 'swatch' || pigmentOfColorant(item).basis !== 'estimate') return
      const before = found.get(id) ?? { id, gPerKg: 0, area: 0 }
      const area = before.area + (whole > 0 ? cup.batterG / whole : 0)
      found.set(id, { id, gPerKg: Math.max(before.gPerKg, doseGPerKg), area })
    }),
  )
  return [...found.values()].filter(({ gPerKg }) => gPerKg >= 0.02)
}

function colourTest(shelf: Shelf, { id, gPerKg, area }: ReturnType<typeof estimatedIn>[number]): WorthTest {
  const item = findById(shelf.colorants, id)!
  const doses = [gPerKg / 2, gPerKg]
  const { before, after } = colourWorth(pigmentOfColorant(item).pigment, gPerKg, [gPerKg])
  const gain = (before - after) * Math.min(1, area)
  const { sampleG, days } = kindOf('ladder')
  const levels = doses.map(dose => ({ colorant: id, gPerKg: Math.max(0.01, Number(dose.toPrecision(2))) }))
  return {
    key: `colour-${id}`,
    kind: 'ladder',
    item: id,
    name: item.name,
    samples: 4,
    hours: HOURS.colour,
    grams: trialSize(4, sampleG).batchG,
    days: item.shiftDays > 0 ? days[1]! : days[0]!,
    of: 'colour',
    before,
    after,
    gain,
    changesMind: null,
    range: null,
    isWorth: gain >= WORTH.colour,
    question: { ...BLANK, kind: 'ladder', levels, blanks: 2, sampleG },
  }
}

const BROWNS_FROM = 0.005
const DRAWS = 200
/** What a browning trial leaves of the spread of ln depth. */
const DEPTH_LEFT = 0.1

/** Expected ΔE of a browned cup against its forecast, for a spread of how strongly its vanillin acts. */
function brownOff(plan: Plan, browning: NonNullable<ReturnType<typeof browningOf>>, sd: number): number {
  const days = 42
  const at = (x: number) =>
    mixed(STANDARD_BASE, [], { days, gel: plan.colour.gel ?? 0 }, browningAt({ ...browning, deeper: x }, days)).lab
  const middle = browning.deeper ?? 0
  const normals = latinNormals(0, DRAWS, 31)
  let sum = 0
  for (let n = 0; n < DRAWS; n += 1) sum += deltaE(at(middle), at(middle + sd * normals[n]!))
  return sum / DRAWS
}

function browningTests(plan: Plan, shelf: Shelf): WorthTest[] {
  const portions = portionsOf(plan, shelf)
  const found = plan.cups.flatMap((cup, i) => {
    const browning = portions.cups[i]!.batterG > 0 ? browningOf(plan, portions, i, shelf) : null
    const [part, ...more] = (cup.ownScent ?? plan.scent)?.parts ?? []
    return browning && part && more.length === 0 ? [{ browning, id: part.scent }] : []
  })
  return [...new Set(found.map(({ id }) => id))].flatMap((id): WorthTest[] => {
    const item = findById(shelf.scents, id)
    const { browning } = found.find(one => one.id === id)!
    if (!item || browning.ofScent < BROWNS_FROM) return []
    const { sd } = foundOf(item.findings, 'depth')
    const [before, after] = [brownOff(plan, browning, sd), brownOff(plan, browning, Math.min(sd, DEPTH_LEFT))]
    const { sampleG, days } = kindOf('browning')
    const question = { ...BLANK, kind: 'browning' as const, levels: [], blanks: 2, times: 2, sampleG }
    return [
      {
        key: `browning-${id}`,
        kind: 'browning',
        item: id,
        name: item.name,
        samples: 4,
        hours: HOURS.browning,
        grams: trialSize(4, sampleG).batchG,
        days: days[2]!,
        of: 'colour',
        before,
        after,
        gain: before - after,
        changesMind: null,
        range: null,
        isWorth: before - after >= WORTH.colour,
        question: { ...question, scent: id, load: loadOf(plan, shelf, id) },
      },
    ]
  })
}

/** Tests in the order of what they are worth: those that change a chance first. */
const ranked = (tests: readonly WorthTest[]): WorthTest[] =>
  [...tests].sort((a, b) => (a.of === b.of ? b.gain - a.gain : a.of === 'chance' ? -1 : 1))

export interface WorthTold {
  /** Share of the work that is done, 0…1. */
  done: number
  tests: WorthTest[]
}

/**
 * The small tests that would take most of a plan’s risk away: told rough first, then finer. Of colours and browning the answer stands at
 * once; of a scent’s pace every way to make the batch is worked through at several paces.
 */
export function* worthOfTests(plan: Plan, shelf: Shelf): Generator<WorthTold, void> {
  if (!readPlan(plan).ok || missingOils(plan, shelf).length > 0) return void (yield { done: 1, tests: [] })
  const still = [...estimatedIn(plan, shelf).map(one => colourTest(shelf, one)), ...browningTests(plan, shelf)]
  const scents = plan.whipped ? [] : unknownIn(plan, runInputOf(plan, portionsOf(plan, shelf), shelf), shelf)
  const turned = scents.length > 0 ? waysOf(plan, shelf) : []
  let pairs: WorthTest[] = []
  const rounds = [ROUGH, FINE]
  for (const [round, effort] of rounds.entries()) {
    const next: WorthTest[] = []
    for (const [n, scent] of scents.entries()) {
      const along = yield* toldAlong(chancesAlong(turned, scent, shelf, effort), share => ({
        done: (round + (n + share) / scents.length) / rounds.length,
        tests: ranked([...still, ...pairs]),
      }))
      next.push(...[1 as const, 2 as const].map(count => pairTest(plan, shelf, scent, along, count)))
    }
    pairs = next
    yield { done: (round + 1) / rounds.length, tests: ranked([...still, ...pairs]) }
    if (scents.length === 0) break
  }
}

function* toldAlong<T>(steps: Generator<number, T>, tell: (share: number) => WorthTold): Generator<WorthTold, T> {
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
    yield tell(step.value)
  }
}
