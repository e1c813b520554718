import { SIGNS } from '../record/index.ts'
import type { SignNeeds } from '../record/index.ts'
import type { Facts } from './facts.ts'
import { SIGN_AT, SIGN_ODDS } from './tables.ts'

/** What was seen, as it goes into the reckoning. */

/** 0: looked for, not there; 1: some; 2: much. */
export type Grade = 0 | 1 | 2

export interface Told {
  sign: string
  grade: Grade
  /** How it was tested; a strip hardly says anything. */
  by?: 'eye' | 'meter' | 'strip' | 'indicator'
  /** Bars, by their numbers, and cups, by their ids, that it was seen in; not said: anywhere. */
  bars?: readonly string[]
  cups?: readonly string[]
}

/** What is reported of a sign: a grade, or that its stage was gone through and nothing was said of it; or by a test that says little. */
export type Report = Grade | 'glanced' | 'weak-0' | 'weak-1' | 'weak-2'

/** How likely each report is of a sign that is not there, somewhat there, much there. Estimates. */
const REPORTED: Readonly<Record<Report, readonly [none: number, some: number, strong: number]>> = {
  0: [0.94, 0.12, 0.02],
  1: [0.05, 0.78, 0.16],
  2: [0.01, 0.1, 0.82],
  glanced: [1, 0.5, 0.15],
  'weak-0': [1, 0.9, 0.75],
  'weak-1': [0.6, 0.8, 1],
  'weak-2': [0.3, 0.6, 1],
}
export const reportedAs = (report: Report): readonly [number, number, number] => REPORTED[report]

/** Reports that call for a cause. */
export const isSeen = (report: Report): report is 1 | 2 => report === 1 || report === 2

const METER_FROM_DAY = 28
const INDICATOR_FROM_DAY = 3

const NEEDS: Readonly<Record<SignNeeds, (f: Facts) => boolean>> = {
  '': () => true,
  liquid: f => f.milkShare > 0 || f.sugarShare > 0,
  colour: f => f.colours >= 1,
  colours2: f => f.colours >= 2,
  cups2: f => f.cups >= 2,
  scent: f => f.scent,
  layers: f => f.layers >= 2,
  toppings: f => f.toppings,
  white: f => f.whiteG > 0,
  embeds: f => f.embeds,
}

const SIGN_OF = new Map(SIGNS.map(sign => [sign.id, sign]))
export const stageOf = (id: string) => SIGN_OF.get(id)!.stage
/** Whether a batch can have a sign at all. */
export const applies = (facts: Facts, id: string): boolean => NEEDS[SIGN_OF.get(id)!.needs](facts)

/** A strip, a meter on fresh soap, an indicator on a bar of the first days: they hardly say anything. */
const saysLittle = ({ sign, by }: Told, days: number): boolean =>
  (sign === 't-ph' && (by === 'strip' || days < METER_FROM_DAY)) || (sign === 't-pheno' && days < INDICATOR_FROM_DAY)

const SILENT_STAGES = new Set(['use', 'test'])

/**
 * Reports by the place of their sign. The last word on a sign counts. People name what they see, and seldom what they do not: of a
 * stage of which anything was said all else was glanced at.
 */
export function reportsOf(facts: Facts, told: readonly Told[], silence = true): ReadonlyMap<number, Report> {
  const reports = new Map<number, Report>()
  for (const one of told) {
    const at = SIGN_AT.get(one.sign)
    if (at !== undefined) reports.set(at, saysLittle(one, facts.days) ? `weak-${one.grade}` : one.grade)
  }
  if (!silence) return reports
  const stages = new Set([...reports.keys()].map(at => stageOf(SIGN_ODDS[at]!.id)))
  SIGN_ODDS.forEach(({ id }, at) => {
    const stage = stageOf(id)
    if (!reports.has(at) && stages.has(stage) && !SILENT_STAGES.has(stage) && applies(facts, id))
      reports.set(at, 'glanced')
  })
  return reports
}
