import { allEffects, powderEffect } from './colorant-effect.ts'
import type { BatterEffect } from './colorant-effect.ts'
import type { UnitBatter } from '../../recipe/index.ts'
import { recipePace } from './recipe-pace.ts'
import type { RecipePace } from './recipe-pace.ts'

/** Beyond this the estimates for additives do not hold, so their effect stops growing: % of the oils. */
const ADDITIVE_CAP_PERCENT = 3
/** A solid filler from this share of the oils on works by crowding. */
const FILLER_SHARE = 0.1
const FILLER_DENSITY = 2.1
/** ln(rate) and ln(viscosity) when all the water is milk, juice or purée. Engineering estimates. */
const MILK = { lnRate: 0.15, lnViscosity: 0.1, lnSwell: 0 }
/** A liquid with more than this beside water counts as milk, juice or purée. */
const SOLIDS_SHARE = 0.04
/** An additive with less water than this is a powder, or a solid. */
const WET = 0.2

/** Fillers such as salt crowd the batter: -1.5 ln(1 - volume share / 0.6). */
function filler(shareOfOils: number, batterPerOils: number): BatterEffect {
  const volume = shareOfOils / FILLER_DENSITY
  const share = Math.min(0.55, volume / (volume + batterPerOils - shareOfOils))
  return { lnRate: 0.3, lnViscosity: -1.5 * Math.log(1 - share / 0.6), lnSwell: 0 }
}

/** What one additive does: what is dissolved in the lye acts at once, a dry powder swells first. */
function additiveEffect({ part, additive, massG }: UnitBatter['additives'][number], unit: UnitBatter): BatterEffect {
  if (massG > FILLER_SHARE && additive.waterShare < WET) return filler(massG, unit.batterG)
  const percent = Math.min(ADDITIVE_CAP_PERCENT, part.gPerKgOils / 10)
  const lnRate = percent * additive.lnRatePerPercent
  const lnViscosity = percent * additive.lnViscosityPerPercent
  const isDry = part.moment !== 'lye' && additive.waterShare < WET
  return isDry ? powderEffect(lnRate, lnViscosity, false) : { lnRate, lnViscosity, lnSwell: 0 }
}

function effectOf(unit: UnitBatter): BatterEffect {
  const milky = unit.liquids.reduce(
    (sum, { part, liquid }) => sum + (1 - liquid.waterShare > SOLIDS_SHARE ? part.shareOfWater : 0),
    0,
  )
  return allEffects([
    { lnRate: milky * MILK.lnRate, lnViscosity: milky * MILK.lnViscosity, lnSwell: 0 },
    ...unit.additives.map(one => additiveEffect(one, unit)),
  ])
}

/** What a whole recipe brings to the batter model: oils in the pot from the start, all the water, additives and liquids. */
export function batterPace(unit: UnitBatter, airShare = 0): RecipePace {
  const known = kept.get(unit)
  if (known?.airShare === airShare) return known.pace
  const pace = reckoned(unit, airShare)
  kept.set(unit, { airShare, pace })
  return pace
}

/** Of each batter as it was asked for last: its pace changes with the recipe alone. */
const kept = new WeakMap<UnitBatter, { airShare: number; pace: RecipePace }>()

function reckoned(unit: UnitBatter, airShare: number): RecipePace {
  const early = unit.oils.filter(part => !part.late)
  const share = early.reduce((sum, part) => sum + part.share, 0)
  const oils = share > 0 ? early.map(part => ({ ...part, share: part.share / share })) : unit.oils
  const superfatShare = share > 0 ? unit.lyeDiscountShare : unit.superfatShare
  return recipePace({
    oils,
    superfatShare: Math.min(0.3, Math.max(0, superfatShare)),
    lyeConcentrationShare: unit.water.concentration,
    effect: effectOf(unit),
    airShare,
    sugarShare: unit.sugarShare,
  })
}
