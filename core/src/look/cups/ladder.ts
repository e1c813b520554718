import { fact, keepingZeros, plain } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import { SAME_STEP, WHITES, deltaE, evenThinning, evenWhite, ladder } from '../colour/index.ts'
import type { Dose, Rung, Step } from '../colour/index.ts'
import { freshId } from '../../plan/index.ts'
import type { Cup, CupColorant, Edit, EditResult, Plan, TintLadder } from '../../plan/index.ts'
import { MAX_CUPS, applyEdit } from '../../plan/index.ts'
import type { Portions } from '../../portions/index.ts'
import { findById } from '../../shelf/index.ts'
import type { Colorant, Shelf } from '../../shelf/index.ts'
import { baseOf } from './base.ts'
import { ageOf, gelOf } from './colours.ts'
import type { ColourForecast, CupColour } from './colours.ts'
import { commonDoses, exactDose } from './doses.ts'
import { pigmentOfColorant } from './pigments.ts'
import { newCupColorant } from './wish.ts'

/** How a ladder is made: with white powder to a palest step, or with plain batter that leaves so much of each colour. */
export type LadderWish =
  | { by: 'white'; steps: number; white: string; mostGPerKg: number }
  | { by: 'base'; steps: number; keepsShare: number }

export type LadderPlan =
  | { ok: true; rungs: LadderRung[]; motherG: number; sentences: Words[] }
  | { ok: false; sentence: Words }

export interface LadderRung extends Rung {
  /** Plain batter of the step, with what was added so far. */
  batterG: number
}

export const LADDER_STEPS = { least: 2, most: 8 }

const whiteOf = (shelf: Shelf, id: string) => {
  const colorant = findById(shelf.colorants, id)
  return { colorant, pigment: colorant ? pigmentOfColorant(colorant).pigment : WHITES.titanium }
}

/** What the mother cup is made of: its colours, and white that is already in it. */
function poolOf(plan: Plan, portions: Portions, shelf: Shelf, i: number, white: string, batterG: number) {
  const portion = portions.cups[i]!
  const doses = portion.colours.flatMap(part => {
    const colorant = findById(shelf.colorants, part.colorant)
    return colorant
      ? [{ colorant, pigment: pigmentOfColorant(colorant).pigment, gPerKg: exactDose(portion, part) }]
      : []
  })
  const isWhite = (dose: { colorant: Colorant }) => dose.colorant.id === white
  const colours: Dose[] = [...commonDoses(plan, shelf), ...doses.filter(dose => !isWhite(dose))]
  const whiteGPerKg = doses.filter(isWhite).reduce((sum, dose) => sum + dose.gPerKg, 0)
  return { batterG, colours, white: whiteOf(shelf, white).pigment, whiteGPerKg }
}

/** A ladder of tints from one cup: its whole batter in even steps, lightened in between. */
export function ladderFrom(
  plan: Plan,
  portions: Portions,
  shelf: Shelf,
  cupIndex: number,
  wish: LadderWish,
): LadderPlan {
  const portion = portions.cups[cupIndex]
  const n = wish.steps
  if (!portion || portion.colours.length === 0) return { ok: false, sentence: fact('cups.ladder-starts-from-coloured') }
  if (!Number.isInteger(n) || n < LADDER_STEPS.least || n > LADDER_STEPS.most)
    return {
      ok: false,
      sentence: fact('cups.ladder-has-steps', { least: LADDER_STEPS.least, most: LADDER_STEPS.most }),
    }
  const totalG = portion.batterG
  if (!(totalG > 0)) return { ok: false, sentence: fact('cups.nothing-poured-this-cup') }
  const base = baseOf(plan, shelf)
  const age = ageOf(plan, 'cured', gelOf(plan))
  const pours = Array.from({ length: n }, () => totalG / n)
  const isWhite = wish.by === 'white'
  // With plain batter the mother starts smaller and grows: m pours of p need p + (m - 1) p (1 - share) at first … solved by scale.
  const motherG = isWhite ? totalG : motherOf(pours, wish.keepsShare)
  const pool = poolOf(plan, portions, shelf, cupIndex, isWhite ? wish.white : '', motherG)
  const steps: Step[] = isWhite
    ? evenWhite(pool, pours, Math.max(wish.mostGPerKg, pool.whiteGPerKg), base, age)
    : evenThinning(pool, pours, wish.keepsShare)
  const made = ladder(pool, steps, base, age)
  if (!made.ok) return { ok: false, sentence: made.sentence }
  const rungs = made.rungs.map(rung => ({ ...rung, batterG: rung.pourG }))
  return { ok: true, rungs, motherG, sentences: sentencesOf(rungs, wish, shelf) }
}

/** Batter to start with when plain batter is stirred in after each pour so that nothing is left after the last. */
function motherOf(pours: readonly number[], keeps: number): number {
  let needG = 0
  for (const pourG of [...pours].reverse()) needG = pourG + needG * keeps
  return needG
}

function sentencesOf(rungs: readonly Rung[], wish: LadderWish, shelf: Shelf): Words[] {
  const same = rungs.flatMap((rung, i) => (rung.stepDeltaE !== null && rung.stepDeltaE < SAME_STEP ? [i + 1] : []))
  const sentences: Words[] = []
  if (same.length > 0) sentences.push(fact('cups.step-will-look-same', { same: same.join(', ') }))
  if (wish.by === 'white') {
    const { colorant } = whiteOf(shelf, wish.white)
    const most = Math.max(...rungs.map(rung => rung.whiteGPerKg))
    if (colorant && most > colorant.usualMaxGPerKg)
      sentences.push(
        fact('cups.g-kg-above-its', {
          most: keepingZeros(plain(most, 1)),
          colorant: colorant.name,
          usualMaxGPerKg: colorant.usualMaxGPerKg,
        }),
      )
    if (rungs.some(rung => rung.addWhiteG > 0)) sentences.push(fact('cups.white-thickens-stir-wetted'))
  }
  return sentences
}

/** What is stirred into the rest after each cup of a planned ladder, from the doses that its cups have. All in g. */
export interface LadderStep {
  cup: string
  pourG: number
  leftG: number
  addWhiteG: number
  addBatterG: number
}

/** The working of a ladder that stands in the plan: mother cup, pours, and what goes into the rest after each. */
export function ladderSteps(
  plan: Plan,
  portions: Portions,
  found: TintLadder,
): {
  motherG: number
  colours: { colorant: string; name: string; powderG: number; mediumG: number; medium: string }[]
  steps: LadderStep[]
} {
  const indexes = found.cups.map(id => plan.cups.findIndex(cup => cup.id === id))
  const cups = indexes.map(i => portions.cups[i]!)
  // As planned, before the scale rounds each cup's powder: the mother cup is weighed once.
  const doseOf = (i: number, colorant: string) => {
    const { colours: parts, exact } = portions.cups[i]!
    const powderG = parts.find(part => part.colorant === colorant)?.exact.powderG ?? 0
    return exact.batterG > 0 ? (powderG / exact.batterG) * 1000 : 0
  }
  const first = indexes[0]!
  const colours = portions.cups[first]!.colours.filter(part => part.colorant !== found.white)
  const main = colours[0]?.colorant ?? ''
  const pours = cups.map(cup => cup.batterG)
  const strengths = indexes.map(i => (doseOf(first, main) > 0 ? doseOf(i, main) / doseOf(first, main) : 1))
  const ratio = (n: number) => (strengths[n]! > 0 ? Math.min(1, strengths[n + 1]! / strengths[n]!) : 1)
  let motherG = 0
  for (let n = pours.length - 1; n >= 0; n -= 1) motherG = pours[n]! + (n + 1 < pours.length ? motherG * ratio(n) : 0)
  let massG = motherG
  const steps = found.cups.map((cup, n): LadderStep => {
    const leftG = Math.max(0, massG - pours[n]!)
    const isLast = n + 1 === found.cups.length
    const grownG = isLast ? leftG : leftG / ratio(n)
    const whiteNow = (doseOf(indexes[n]!, found.white) * leftG) / 1000
    const whiteNext = isLast ? 0 : (doseOf(indexes[n + 1]!, found.white) * grownG) / 1000
    massG = grownG
    return {
      cup,
      pourG: pours[n]!,
      leftG,
      addWhiteG: isLast || found.white === '' ? 0 : Math.max(0, whiteNext - whiteNow),
      addBatterG: grownG - leftG,
    }
  })
  const whole = (part: (typeof colours)[number]) => (doseOf(first, part.colorant) * motherG) / 1000
  return {
    motherG,
    colours: colours.map(part => ({
      colorant: part.colorant,
      name: part.name,
      powderG: whole(part),
      mediumG: part.exact.powderG > 0 ? (part.exact.mediumG / part.exact.powderG) * whole(part) : 0,
      medium: part.medium,
    })),
    steps,
  }
}

/**
 * Puts a ladder into the plan: the cup becomes as many cups, and its layers as many layers, in pour order. `reckoned`: the plan
 * with its gel put, where it leaves that to the rest.
 */
export function applyLadder(
  plan: Plan,
  portions: Portions,
  shelf: Shelf,
  cupIndex: number,
  wish: LadderWish,
  reckoned = plan,
): EditResult {
  const mother = plan.cups[cupIndex]!
  const found = ladderFrom(reckoned, portions, shelf, cupIndex, wish)
  if (!found.ok) return { ok: false, path: `cups[${cupIndex}]`, sentence: found.sentence }
  if (plan.cups.length + wish.steps - 1 > MAX_CUPS)
    return { ok: false, path: 'cups', sentence: fact('cups.plan-has-at-most', { most: MAX_CUPS }) }
  if (plan.ladders.some(one => one.cups.includes(mother.id)))
    return { ok: false, path: 'ladders', sentence: fact('cups.this-cup-on-ladder') }
  const ids = [mother.id]
  while (ids.length < wish.steps) ids.push(freshId('cup', [...plan.cups, ...ids.map(id => ({ id }))]))
  const cups = found.rungs.map((rung, n): Cup => ({
    ...mother,
    id: ids[n]!,
    name: n === 0 ? mother.name : `${mother.name.slice(0, 36)} ${n + 1}`,
    wish: n === 0 ? mother.wish : null,
    colorants: dosesOf(mother, rung, wish, shelf),
  }))
  const score = plan.score.flatMap(pour =>
    pour.cup === mother.id
      ? cups.map((cup, n) => ({
          ...pour,
          id: n === 0 ? pour.id : `${pour.id.slice(0, 30)}-${n + 1}`,
          cup: cup.id,
          share: Number((pour.share / cups.length).toFixed(6)),
        }))
      : [pour],
  )
  const rung: TintLadder = {
    id: freshId('ladder', plan.ladders),
    cups: ids,
    white: wish.by === 'white' ? wish.white : '',
  }
  const edits: Edit[] = [
    { kind: 'set', path: ['cups'], value: plan.cups.flatMap((cup, i) => (i === cupIndex ? cups : [cup])) },
    { kind: 'set', path: ['score'], value: score },
    { kind: 'set', path: ['ladders'], value: [...plan.ladders, rung] },
  ]
  return applyEdit(plan, { kind: 'many', edits })
}

/**
 * The ladder as the plan that has it (`made`, forecast as `colours`) will show it. Its steps are layers of their own: one may gel
 * and its neighbour not, and gel makes a colour deeper.
 */
export function ladderAsForecast(
  found: Extract<LadderPlan, { ok: true }>,
  wish: LadderWish,
  made: Plan,
  mother: string,
  colours: ColourForecast,
  shelf: Shelf,
): Extract<LadderPlan, { ok: true }> {
  const ids = made.ladders.find(one => one.cups[0] === mother)?.cups ?? []
  const looks = ids.map(id => colours.cups.find(one => one.cup === id)!)
  const cured = looks.map(look => look.stages.cured[look.gelled])
  const rungs = found.rungs.map((rung, n): LadderRung => ({
    ...rung,
    colour: cured[n]!,
    stepDeltaE: n === 0 ? null : deltaE(cured[n - 1]!.lab, cured[n]!.lab),
  }))
  return { ...found, rungs, sentences: [...sentencesOf(rungs, wish, shelf), ...gelApart(looks)] }
}

function gelApart(looks: readonly CupColour[]): Words[] {
  const which = (gelled: CupColour['gelled']) =>
    looks.flatMap((look, n) => (look.gelled === gelled ? [String(n + 1)] : [])).join(', ')
  const [gels, cool] = [which('yes'), which('no')]
  if (gels === '' || cool === '') return []
  return [fact('cups.step-will-gel-step', { gels, cool })]
}

const short = (dose: number): number => Number(dose.toPrecision(5))

function dosesOf(mother: Cup, rung: Rung, wish: LadderWish, shelf: Shelf): CupColorant[] {
  const white = wish.by === 'white' ? wish.white : ''
  const colours = mother.colorants
    .filter(part => part.colorant !== white)
    .map(part => ({ ...part, doseGPerKg: short(part.doseGPerKg * rung.strength), slurry: null }))
  if (white === '' || !(rung.whiteGPerKg > 0)) return colours
  const colorant = findById(shelf.colorants, white)
  return colorant ? [...colours, newCupColorant(colorant, short(rung.whiteGPerKg))] : colours
}
