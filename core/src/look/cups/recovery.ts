import { fact, grams, keepingZeros, together } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import { mixed } from '../colour/index.ts'
import type { SoapColour } from '../colour/index.ts'
import type { CupActual, Edit, Plan } from '../../plan/index.ts'
import { applyEdit, setCupShares } from '../../plan/index.ts'
import type { EditResult } from '../../plan/index.ts'
import { cupChemistry } from '../../portions/index.ts'
import type { Portions } from '../../portions/index.ts'
import { unitBatter } from '../../recipe/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { baseOf } from './base.ts'
import { ageOf, brownAt, gelOf } from './colours.ts'
import { browningOf, commonDoses, ownDoses } from './doses.ts'

/** What a cup became when it was filled otherwise than planned. Powder and scent were weighed for the plan. */
export interface FilledCup {
  cup: string
  batterG: number
  plannedG: number
  shareOfSoap: number
  /** Doses with the planned powder in the real batter, g per kg. */
  colours: {
    colorant: string
    name: string
    /** Powder that is in it, as planned or as the maker says. */
    powderG: number
    doseGPerKg: number
    plannedGPerKg: number
    topUpG: number
    mediumTopUpG: number
  }[]
  scentOfOils: number
  scentTopUpG: number
  superfatShare: number
  colour: SoapColour
}

export interface Filled {
  cups: FilledCup[]
  /** Batter that no cup has: below 0, more was drawn than the pot holds. */
  leftG: number
  sentences: Words[]
}

const actualOf = (plan: Plan, cup: string): CupActual | undefined => plan.division.actual.find(one => one.cup === cup)

/** Enough of a difference to say so. */
const OFF = 0.02

/**
 * Recomputes a division done by eye or by jug marks: real shares, doses and scent, and what is missing. A cup that was made
 * larger after it was coloured (`colouredG` below `batterG`) gets its top-up of colour and scent: as much for what was added as
 * what was there has, of the powder that is in it (`powders`, or as planned).
 */
export function asFilled(plan: Plan, portions: Portions, shelf: Shelf): Filled {
  const unit = unitBatter(plan.recipe, shelf)
  const base = baseOf(plan, shelf)
  const common = commonDoses(plan, shelf)
  const age = ageOf(plan, 'cured', gelOf(plan))
  const batters = plan.cups.map((cup, i) => actualOf(plan, cup.id)?.batterG ?? portions.cups[i]!.batterG)
  const whole = batters.reduce((sum, g) => sum + g, 0)
  const cups = plan.cups.map((cup, i): FilledCup => {
    const portion = portions.cups[i]!
    const batterG = batters[i]!
    const actual = actualOf(plan, cup.id)
    const colouredG = actual?.colouredG ?? null
    // Coloured first and enlarged then: the dose was right for what was there, or is what the powder makes of it.
    const grownG = colouredG === null ? 0 : Math.max(0, batterG - colouredG)
    const colours = portion.colours.map((part, j) => {
      const plannedGPerKg = part.doseGPerKg
      const powderG = actual?.powders.find(one => one.colorant === part.colorant)?.massG ?? part.powderG
      const doseGPerKg = batterG > 0 ? (powderG / batterG) * 1000 : 0
      const atColouring = colouredG !== null && colouredG > 0 ? powderG / colouredG : 0
      const topUpG = grownG * atColouring
      const ratio = cup.colorants[j]?.medium === 'none' ? 0 : (cup.colorants[j]?.mediumRatio ?? 0)
      return { ...part, powderG, doseGPerKg, plannedGPerKg, topUpG, mediumTopUpG: topUpG * ratio }
    })
    const scentPerG = colouredG !== null && colouredG > 0 ? portion.scentG / colouredG : 0
    const { superfatShare } = cupChemistry({ ...portion, batterG }, portions.pot)
    const doses = ownDoses(portions, i, shelf).map(dose => ({
      ...dose,
      gPerKg: colours.find(part => part.colorant === dose.colorant.id)?.doseGPerKg ?? 0,
    }))
    return {
      cup: cup.id,
      batterG,
      plannedG: portion.batterG,
      shareOfSoap: whole > 0 ? batterG / whole : 0,
      colours,
      scentOfOils: batterG > 0 ? (portion.scentG / batterG) * unit.batterG : 0,
      scentTopUpG: grownG * scentPerG,
      superfatShare,
      colour: mixed(base, [...common, ...doses], age, brownAt(browningOf(plan, portions, i, shelf), plan, age.days)),
    }
  })
  const leftG = portions.potG - portions.potClingG - portions.blankG - whole
  return { cups, leftG, sentences: sentencesOf(plan, portions, cups, leftG) }
}

function sentencesOf(plan: Plan, portions: Portions, cups: readonly FilledCup[], leftG: number): Words[] {
  const sentences: Words[] = []
  const step = plan.conditions.scaleStepG
  if (leftG < -step) sentences.push(fact('cups.cups-hold-more-than', { leftG: keepingZeros(grams(-leftG, 0)) }))
  else if (leftG > Math.max(step, portions.potG * 0.01))
    sentences.push(fact('cups.still-pot-share-out', { leftG: keepingZeros(grams(leftG, 0)) }))
  const short = cups.filter(cup => cup.plannedG > 0 && cup.batterG < cup.plannedG * (1 - OFF))
  if (short.length > 0) {
    const name = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? id
    const list = together(
      short.map(cup =>
        fact('cups.by', { name: name(cup.cup), plannedG: keepingZeros(grams(cup.plannedG - cup.batterG, 0)) }),
      ),
      ', ',
    )
    sentences.push(fact('cups.short-its-layers-come', { list }))
  }
  return sentences
}

/** The plan as it was filled: layers by the real shares, doses as they came out, top-ups counted in. */
export function takeFilled(plan: Plan, portions: Portions, shelf: Shelf, reckoned = plan): EditResult {
  const filled = asFilled(reckoned, portions, shelf)
  const total = filled.cups.reduce((sum, cup, i) => (portions.cups[i]!.pouredG > 0 ? sum + cup.batterG : sum), 0)
  if (!(total > 0)) return { ok: false, path: 'division.actual', sentence: fact('cups.no-cup-holds-anything') }
  const shares = filled.cups.map((cup, i) => (portions.cups[i]!.pouredG > 0 ? cup.batterG / total : 0))
  if (shares.some((share, i) => portions.cups[i]!.pouredG > 0 && share <= 0))
    return {
      ok: false,
      path: 'division.actual',
      sentence: fact('cups.cup-poured-has-nothing'),
    }
  const perOils = unitBatter(plan.recipe, shelf).batterG
  const cups = plan.cups.map((cup, i) => ({
    ...cup,
    colorants: cup.colorants.map((part, j) => {
      const found = filled.cups[i]!.colours[j]!
      const toppedUp = filled.cups[i]!.batterG > 0 ? (found.topUpG / filled.cups[i]!.batterG) * 1000 : 0
      const dose = (found.doseGPerKg + toppedUp) * (part.basis === 'oils' ? perOils : 1)
      return part.slurry ? part : { ...part, doseGPerKg: Number(Math.min(300, dose).toFixed(4)) }
    }),
  }))
  const edits: Edit[] = [
    { kind: 'set', path: ['cups'], value: cups },
    { kind: 'set', path: ['score'], value: setCupShares(plan, shares) },
    { kind: 'set', path: ['division', 'actual'], value: [] },
  ]
  return applyEdit(plan, { kind: 'many', edits })
}
