import { fact } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import { SAME_STEP, browningAt, browningDays, deltaE, labOfHex, mixed, stabiliserHolds } from '../colour/index.ts'
import type { Age, BaseTint, SoapColour, Spectrum, Verdict } from '../colour/index.ts'
import type { Plan } from '../../plan/index.ts'
import type { Portions } from '../../portions/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { baseOf } from './base.ts'
import { browningOf, commonDoses, ownDoses } from './doses.ts'
import type { CupBrowning, CupDose } from './doses.ts'
import { pigmentOfColorant } from './pigments.ts'

export const STAGES = { pour: 'pour day', cut: 'at the cut', cured: 'cured' } as const
export type Stage = keyof typeof STAGES
export const GELS = { no: 'not gelled', yes: 'gelled' } as const
export type Gelled = keyof typeof GELS

export interface StageColours {
  no: SoapColour
  yes: SoapColour
}

/** What a cup's soap will look like, and how sure that is. */
export interface CupColour {
  cup: string
  /** As which it is reckoned: as the plan says, or as most of it comes out of the rest. */
  gelled: Gelled
  stages: Record<Stage, StageColours>
  /** Real soap may differ by this much, ΔE; the least known colorant decides. */
  lowDeltaE: number
  highDeltaE: number
  basis: 'estimate' | 'own swatch' | 'fitted' | 'plain'
  /** The wished colour against the cured one. */
  wish: { hex: string; deltaE: number; verdict: Verdict } | null
  browning: (CupBrowning & { word: Words; deltaE: number; held: number }) | null
}

export interface ColourForecast {
  base: StageByStage
  /** As which all of it is reckoned. */
  gelled: Gelled
  cups: CupColour[]
  /** Cups that differ in what is in them and yet look much the same when cured. */
  alike: { cups: [string, string]; deltaE: number }[]
}
type StageByStage = Record<Stage, StageColours>

/** Plain base varies by its oils' batches. */
const PLAIN_BAND = [2, 4] as const
export const ALIKE = 5

export const ageOf = (plan: Plan, stage: Stage, gelled: Gelled): Age => {
  const { cutDays, curedDays } = plan.colour
  // On pour day nothing has gelled yet.
  if (stage === 'pour') return { days: 0, gel: 0 }
  return { days: stage === 'cut' ? cutDays : Math.max(cutDays, curedDays), gel: gelled === 'yes' ? 1 : 0 }
}

/** What vanillin adds to a cup at a stage: its bar is aired from the cut on. */
export const brownAt = (browning: CupBrowning | null, plan: Plan, days: number): Spectrum | null =>
  browning && browningAt(browning, browningDays(days, plan.colour.cutDays))

function stagesOf(plan: Plan, base: BaseTint, doses: readonly CupDose[], browning: CupBrowning | null): StageByStage {
  const at = (stage: Stage, gelled: Gelled): SoapColour => {
    const age = ageOf(plan, stage, gelled)
    return mixed(base, doses, age, brownAt(browning, plan, age.days))
  }
  const pour = at('pour', 'no')
  return {
    pour: { no: pour, yes: pour },
    cut: { no: at('cut', 'no'), yes: at('cut', 'yes') },
    cured: { no: at('cured', 'no'), yes: at('cured', 'yes') },
  }
}

/** Shares that gel: of all soap, and of each cup's. */
export interface GelShares {
  whole: number
  cups: readonly number[]
}

const gelledBy = (share: number): Gelled => (share >= 0.5 ? 'yes' : 'no')

/** The gel that a plan reckons with; where it leaves that to the rest, not gelled. */
export const gelOf = (plan: Plan): Gelled => gelledBy(plan.colour.gel ?? 0)

/** The plan with the gel of one cup, or of all soap, put where it leaves that to the rest. */
export function asReckoned(plan: Plan, colours: ColourForecast, cup?: string): Plan {
  if (plan.colour.gel !== null) return plan
  const gelled = colours.cups.find(one => one.cup === cup)?.gelled ?? colours.gelled
  return { ...plan, colour: { ...plan.colour, gel: gelled === 'yes' ? 1 : 0 } }
}

/** Words for how far a share of vanillin in the scent browns, at a usual load. */
export function vanillinWord(ofScentAtUsualLoad: number): Words {
  if (ofScentAtUsualLoad < 0.01) return fact('cups.ivory-cream')
  if (ofScentAtUsualLoad < 0.05) return fact('cups.beige-tan')
  return ofScentAtUsualLoad < 0.1 ? fact('cups.tan-mid-brown') : fact('cups.brown-chocolate')
}

/** g of scent per kg of batter at which the words above hold. */
const USUAL_SCENT_G_PER_KG = 20

const verdictOf = (off: number): Verdict =>
  off <= 1 ? 'match' : off <= 2.5 ? 'close' : off <= 5 ? 'near' : 'out-of-reach'

function cupColour(
  plan: Plan,
  portions: Portions,
  shelf: Shelf,
  base: BaseTint,
  common: readonly CupDose[],
  i: number,
  gelled: Gelled,
) {
  const cup = plan.cups[i]!
  const doses = [...common, ...ownDoses(portions, i, shelf)]
  const browning = browningOf(plan, portions, i, shelf)
  const stages = stagesOf(plan, base, doses, browning)
  const cured = stages.cured[gelled]
  const known = doses
    .filter(dose => dose.gPerKg > 0 && dose.colorant.spectrum !== 'clear')
    .map(dose => pigmentOfColorant(dose.colorant))
  const least = known.length > 0 ? known.reduce((a, b) => (b.highDeltaE > a.highDeltaE ? b : a)) : null
  const unbrowned = browning ? mixed(base, doses, ageOf(plan, 'cured', gelled)) : cured
  const found: CupColour = {
    cup: cup.id,
    gelled,
    stages,
    lowDeltaE: least?.lowDeltaE ?? PLAIN_BAND[0],
    highDeltaE: least?.highDeltaE ?? PLAIN_BAND[1],
    basis: least?.basis ?? 'plain',
    wish: null,
    browning: browning && {
      ...browning,
      word: vanillinWord(((1 - stabiliserHolds(browning)) * browning.vanillinGPerKg) / USUAL_SCENT_G_PER_KG),
      deltaE: deltaE(unbrowned.lab, cured.lab),
      held: stabiliserHolds(browning),
    },
  }
  if (cup.wish === null) return found
  const off = deltaE(labOfHex(cup.wish), cured.lab)
  return { ...found, wish: { hex: cup.wish, deltaE: off, verdict: verdictOf(off) } }
}

/** Two cups are made alike on purpose when the same is in them. */
const madeAlike = (plan: Plan, portions: Portions, i: number, j: number): boolean => {
  const text = (k: number) =>
    JSON.stringify([
      plan.cups[k]!.colorants.map((part, j) => [
        part.colorant,
        part.slurry ? portions.cups[k]!.colours[j]!.doseGPerKg.toFixed(1) : [part.doseGPerKg, part.basis],
      ]),
      portions.cups[k]!.scentOfBatter.toFixed(3),
      plan.cups[k]!.ownScent,
      plan.cups[k]!.stabiliserRatio,
    ])
  return text(i) === text(j)
}

function alikeCups(plan: Plan, portions: Portions, cups: readonly CupColour[]): ColourForecast['alike'] {
  const isPoured = (i: number) => portions.cups[i]!.totalG > 0
  return cups.flatMap((one, i) =>
    cups.slice(i + 1).flatMap((other, n): ColourForecast['alike'] => {
      const j = i + 1 + n
      if (!isPoured(i) || !isPoured(j) || madeAlike(plan, portions, i, j)) return []
      const off = deltaE(one.stages.cured[one.gelled].lab, other.stages.cured[other.gelled].lab)
      // Steps of a ladder lie close on purpose.
      const isLadder = plan.ladders.some(ladder => ladder.cups.includes(one.cup) && ladder.cups.includes(other.cup))
      return off < (isLadder ? SAME_STEP : ALIKE) ? [{ cups: [one.cup, other.cup], deltaE: off }] : []
    }),
  )
}

/**
 * Colours of the plain base and of every cup: pour day, cut and cured, gelled and not. `gel`: what the rest is forecast to do,
 * where the plan leaves it to that.
 */
export function coloursOfPlan(plan: Plan, portions: Portions, shelf: Shelf, gel?: GelShares): ColourForecast {
  const base = baseOf(plan, shelf)
  const common = commonDoses(plan, shelf)
  const gelledOf = (share: number | undefined) => gelledBy(plan.colour.gel ?? share ?? 0)
  const cups = plan.cups.map((_, i) => cupColour(plan, portions, shelf, base, common, i, gelledOf(gel?.cups[i])))
  return {
    base: stagesOf(plan, base, common, null),
    gelled: gelledOf(gel?.whole),
    cups,
    alike: alikeCups(plan, portions, cups),
  }
}

/** Where nothing is dosed or wished for yet. */
const UNKNOWN = '#bdb6a6'

/** A cup's colour at a stage, gelled as the plan reckons unless it is said; the wished one where it has no colorant yet. */
export function hexOfCup(
  plan: Plan,
  colours: ColourForecast | null,
  cup: string,
  { stage, gelled }: { stage: Stage; gelled: Gelled | null } = { stage: 'cured', gelled: null },
): string {
  const planned = plan.cups.find(one => one.id === cup)
  if (planned?.wish && planned.colorants.length === 0 && plan.potColorants.length === 0) return planned.wish
  const found = colours?.cups.find(one => one.cup === cup)
  return found?.stages[stage][gelled ?? found.gelled ?? gelOf(plan)].hex ?? planned?.wish ?? UNKNOWN
}
