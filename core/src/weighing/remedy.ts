import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { naohPerG, takenBy, unitBatter } from '../recipe/index.ts'
import type { SuperfatBand } from '../recipe/index.ts'
import { findById, isHard } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { actualOf, potTakers } from './actuals.ts'
import type { Weights } from './actuals.ts'
import { weighList } from './weigh-list.ts'

/** What puts a pot right whose lye and oils, as weighed, do not belong together. */

export interface Addition {
  /** Line of the weigh list that it belongs to, and what that line then weighs, g. */
  key: string
  totalG: number
  name: Words
  /** What is added, g, as the scale shows it: oil rounded up, lye rounded down, so that neither leaves lye over. */
  massG: number
  /** Superfat with it. */
  after: SuperfatBand
}

export interface LyeRemedy {
  /** As weighed, and as it was planned. */
  superfat: SuperfatBand
  wantedShare: number
  /** Lines that decide the lye and were not written down: while there are any nothing is reckoned. */
  unwritten: Words[]
  /** Too much lye: each oil of the recipe that would take it, liquid ones first; one of them is added. */
  oils: Addition[]
  /** All of them are more than a quarter of the oils: too much to put right. */
  isTooMuch: boolean
  /** Too little: lye, dissolved in three times its weight of water. */
  lye: (Addition & { waterG: number }) | null
}

/** Nearer than that to what was planned, nothing is put right. */
const NEAR = 0.005
/** Oil that is added, as a share of the oils, at most: the mould and the emulsion stand no more. */
const MOST_ADDED = 0.25
/** g of water a g of lye. */
const WATER = 3
const DECIDES = new Set(['lye', 'solution', 'water', 'oil'])

const up = (massG: number, stepG: number): number => Number((Math.ceil(massG / stepG - 1e-9) * stepG).toFixed(3))
const down = (massG: number, stepG: number): number => Number((Math.floor(massG / stepG + 1e-9) * stepG).toFixed(3))

/**
 * Oil against too much lye, or lye that is missing. Of D, the NaOH that everything weighed takes, and F, the pure NaOH that acids leave:
 * oil x with n g NaOH a gram makes the superfat 1 − F / (D + x n) the planned one, and so does lye of D (1 − s) − F.
 *
 * @param weighed by the keys of the weigh list, g
 * @returns null for batters of their own: their cups are weighed one by one
 */
export function remedyOf(plan: Plan, portions: Portions, shelf: Shelf, weighed: Weights): LyeRemedy | null {
  if (plan.division.mode === 'own-batters') return null
  const massOf = (key: string, plannedG: number) => weighed[key] ?? plannedG
  const { superfatShare: wantedShare, lyePurityShare } = plan.recipe
  const unit = unitBatter(plan.recipe, shelf)
  const { weighed: takers, naohG } = potTakers(portions, lyePurityShare, massOf)
  const taken = takenBy(unit, takers)
  const takesG = taken.oilsG + taken.fatG
  const freeG = Math.max(0, naohG - taken.acidG)
  const withLine = (key: string, totalG: number): SuperfatBand =>
    actualOf(plan, portions, shelf, { ...weighed, [key]: totalG }).batters[0]!.superfat
  const { superfat } = actualOf(plan, portions, shelf, weighed).batters[0]!
  const unwritten = weighList(plan, portions, shelf)
    .filter(line => line.batter === '' && DECIDES.has(line.kind) && weighed[line.key] === undefined)
    .map(line => line.what)
  const nothing: LyeRemedy = { superfat, wantedShare, unwritten, oils: [], isTooMuch: false, lye: null }
  if (unwritten.length > 0 || Math.abs(superfat.value - wantedShare) < NEAR) return nothing
  const { scaleStepG, fineScaleStepG } = plan.conditions
  if (superfat.value > wantedShare) {
    const missingG = takesG * (1 - wantedShare) + taken.acidG - naohG
    const massG = down(missingG / lyePurityShare, fineScaleStepG)
    if (massG <= 0) return nothing
    const totalG = massOf('lye', portions.lyeG) + massG
    const lye = { key: 'lye', name: 'lye', massG, totalG, waterG: massG * WATER, after: withLine('lye', totalG) }
    return { ...nothing, lye }
  }
  const wholeG = takers.oils.reduce((sum, one) => sum + one.massG, 0)
  const all = portions.oils.flatMap(part => {
    const oil = findById(shelf.oils, part.oil)
    if (!oil) return []
    const massG = up((freeG / (1 - wantedShare) - takesG) / naohPerG(oil), scaleStepG)
    const totalG = massOf(`oil:${part.oil}`, part.massG) + massG
    const added = { key: `oil:${part.oil}`, name: oil.name, massG, totalG }
    return [{ ...added, isSolid: isHard(oil), after: withLine(added.key, totalG) }]
  })
  const oils = all
    .filter(one => one.massG <= MOST_ADDED * wholeG)
    .sort((a, b) => Number(a.isSolid) - Number(b.isSolid) || a.massG - b.massG)
    .map(({ key, name, massG, totalG, after }): Addition => ({ key, name, massG, totalG, after }))
  return { ...nothing, oils, isTooMuch: oils.length === 0 }
}
