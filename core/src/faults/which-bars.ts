import { superfatOffsets } from '../batter/schedule/index.ts'
import type { Forecast } from '../forecast/index.ts'
import { cutForecast } from '../mould/index.ts'
import { cavitiesOf, emptyCavities, isTray } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import type { BenchState } from '../bench/index.ts'
import type { Facts } from './facts.ts'
import type { Told } from './told.ts'
import { heavier } from './verdict.ts'
import type { Fitness, Verdict } from './verdict.ts'

/** Which bars of a batch a verdict is about, and which are tested first. */

export interface BarVerdict {
  /** As it is cut or poured, from 1. */
  bar: number
  class: Fitness
  isFirst: boolean
}

export interface WhichBars {
  /** By their numbers; empty where their count is not known. */
  bars: BarVerdict[]
  /** All are of one class. */
  isAll: boolean
  /** Cups that may have drawn too much lye, in the plan's order: ids. */
  suspects: string[]
}

/** Rules of a fault that lies where its sign is: bars without the sign, where the bars with it were named, are not in it. */
const LOCAL: Readonly<Record<string, readonly string[]>> = {
  D5: ['r-orange'],
  H2: ['u-soft', 'r-soft'],
  H3: ['u-oily', 'm-oilpool'],
  H6: ['u-scentbeads', 'c-weep'],
  H8: ['r-orange'],
  H9: ['u-sweat'],
}
/** Of what a bar without the sign is then. */
const BESIDE: Readonly<Record<string, Fitness>> = { D5: 'hold' }

/** An emulsion that broke counts as no more complete than that. */
const BROKEN = 0.45

interface Sources {
  plan: Plan
  forecast: Forecast
  noted: BenchState | null
  facts: Facts
  told: readonly Told[]
  /** Bars that there are; null: as planned. */
  count: number | null
}

/** After every moment that was noted. */
const UNKNOWN = 1e9

/** Cups as they were drawn, as far as it was noted; in the plan's order otherwise. */
function drawn({ plan, noted }: Pick<Sources, 'plan' | 'noted'>): string[] {
  const at = new Map(noted?.cups.map(one => [one.cup, one.drawnAt ?? UNKNOWN]))
  return plan.cups.map(cup => cup.id).sort((a, b) => (at.get(a) ?? UNKNOWN) - (at.get(b) ?? UNKNOWN))
}

/** Cups that an emulsion which did not hold may have left lye-rich: superfat below half of what its weights leave open. */
export function suspectCups(sources: Pick<Sources, 'plan' | 'forecast' | 'noted' | 'facts'>): string[] {
  const { facts, forecast } = sources
  const cups = drawn(sources)
  const task = forecast.lanes.tasks.find(one => one.kind === 'split')
  if (cups.length < 2 || !task) return []
  const emulsion =
    facts.emulsionHeld === null ? facts.early : facts.emulsionHeld ? facts.emulsion : Math.min(facts.emulsion, BROKEN)
  const offsets = superfatOffsets(emulsion, (task.toMin - task.fromMin) * 60, cups.length)
  const least = (facts.sf - facts.sfLow) / 4
  return cups.filter((_, i) => offsets[i]! < 0 && facts.sf + (1 - facts.sf) * offsets[i]! < least)
}

/**
 * Numbers of the bars, from the end that is cut first; of a tray those of the cavities that are filled.
 *
 * @param count bars that it was cut into; null: as planned
 */
export function barNumbers(plan: Plan, count: number | null): number[] {
  if (isTray(plan.mould)) {
    const empty = new Set(emptyCavities(plan))
    return Array.from({ length: plan.mould.cavities }, (_, i) => i + 1).filter(k => !empty.has(k))
  }
  return Array.from({ length: count ?? cutForecast(plan).bars.count }, (_, i) => i + 1)
}

/** Bars that have soap of a cup: of a tray its cavities; a loaf is cut across its layers, so that all have. */
function barsWith(cup: string, plan: Plan, all: readonly number[]): number[] {
  const pours = plan.score.filter(pour => pour.cup === cup)
  if (!isTray(plan.mould)) return pours.length > 0 ? [...all] : []
  const into = new Set(pours.flatMap(pour => cavitiesOf(plan, pour)))
  return all.filter(bar => into.has(bar))
}

/** Bars that a sign was seen on: those that were named, or that have soap of the cups that were; null: not said. */
function barsSaid(told: Told, plan: Plan, all: readonly number[]): Set<number> | null {
  const { bars = [], cups = [] } = told
  if (bars.length === 0 && cups.length === 0) return null
  return new Set([...bars.map(Number), ...cups.flatMap(cup => barsWith(cup, plan, all))])
}

/** Those that a rule is about; null: every one. */
function barsOfRule(rule: string, { told, plan }: Sources, all: readonly number[]): Set<number> | null {
  const signs = LOCAL[rule]
  const seen = told.filter(one => signs?.includes(one.sign) === true && one.grade > 0)
  const said = seen.map(one => barsSaid(one, plan, all))
  if (said.length === 0 || said.includes(null)) return null
  return new Set(said.flatMap(bars => [...bars!]))
}

/**
 * Those that are tested or looked at first: the ones that were named; those of cups that may be lye-rich; of a tray the first and the last
 * third, because lye runs out with what is filled first and leaves its oil to the last; of a loaf both ends and the middle. What grew hot did
 * so in the middle half.
 */
function firstOf(verdict: Verdict, sources: Sources, all: readonly number[], suspects: readonly string[]): Set<number> {
  const { plan, told } = sources
  const n = all.length
  if (verdict.rules.includes('H5') && verdict.class === 'hold')
    return new Set(isTray(plan.mould) ? [] : all.slice(Math.floor(n / 4), n - Math.floor(n / 4)))
  if (verdict.class !== 'test') return new Set()
  const named = told.flatMap(one => (one.grade > 0 ? [...(barsSaid(one, plan, all) ?? [])] : []))
  if (named.length > 0) return new Set(named)
  if (!isTray(plan.mould)) return new Set([all[0], all[Math.floor(n / 2)], all.at(-1)].flatMap(one => one ?? []))
  const mine = new Set(suspects.flatMap(cup => barsWith(cup, plan, all)))
  if (mine.size > 0 && mine.size < n) return mine
  const third = Math.ceil(n / 3)
  return new Set([...all.slice(0, third), ...all.slice(-third)])
}

/**
 * Bars by class. A fault of lye, weights or emulsion is in the whole pour, whatever was seen where; others lie where their sign was
 * named, if it was.
 */
export function whichBars(verdict: Verdict, sources: Sources): WhichBars {
  const all = barNumbers(sources.plan, sources.count)
  const suspects = suspectCups(sources)
  const about = verdict.rules.map(rule => ({ rule, bars: barsOfRule(rule, sources, all) }))
  const besides = [...about.map(one => BESIDE[one.rule] ?? 'fit'), restClass(verdict)]
  const beside = besides.reduce((most, one) => heavier(most, one))
  const classOf = (bar: number): Fitness =>
    about.some(one => one.bars === null || one.bars.has(bar)) ? verdict.class : beside
  const first = firstOf(verdict, sources, all, suspects)
  const bars = all.map((bar): BarVerdict => ({ bar, class: classOf(bar), isFirst: first.has(bar) }))
  return { bars, isAll: bars.every(one => one.class === verdict.class), suspects }
}

const CLASS_OF = { T: 'test', H: 'hold', C: 'cosmetic' } as const

/** What the rules that are lighter than the verdict's make of a bar that the verdict is not about. */
function restClass({ all, rules }: Verdict): Fitness {
  const lighter = all.filter(rule => !rules.includes(rule))
  return lighter.reduce<Fitness>((most, rule) => heavier(most, CLASS_OF[rule[0] as keyof typeof CLASS_OF]), 'fit')
}
