import type { Facts } from './facts.ts'
import { CAUSES } from './tables.ts'

/** How likely each cause is by what is known of the batch, before anything was seen. Chances and additions are estimates. */

const clamp = (x: number, a: number, b: number): number => Math.min(b, Math.max(a, x))
/** From 0 at `a` to 1 at `b`, also downwards; 0 when it is not known. */
const ramp = (x: number | null, a: number, b: number): number => (x === null ? 0 : clamp((x - a) / (b - a), 0, 1))
const yes = (fact: boolean | null, weight: number): number => (fact === true ? weight : 0)
const either = (fact: boolean | null, ifYes: number, ifNo: number): number => (fact === null ? 0 : fact ? ifYes : ifNo)

export const logit = (p: number): number => Math.log(p / (1 - p))
export const expit = (x: number): number => 1 / (1 + Math.exp(-x))

/** The normal distribution: Abramowitz and Stegun 7.1.26, to 1.5e-7. */
export function phi(x: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(x)) / Math.SQRT2)
  const series = ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t
  const erf = 1 - series * Math.exp((-x * x) / 2)
  return x >= 0 ? (1 + erf) / 2 : (1 - erf) / 2
}

/** The oils' usual low and high are taken as 95 % of what they may be. */
const sfSd = ({ sfHigh, sfLow }: Facts): number => Math.max(0.006, (sfHigh - sfLow) / 4)
/** A gross slip: on 3 of 1,000 lines that were not written down, on 3 of 10,000 that were. */
const slip = ({ lines, weighedShare }: Facts): number =>
  lines * (0.003 * (1 - weighedShare) + 0.0003 * weighedShare) + 0.001

/** Chance that one of several, each by itself, is so. */
const orOf = (...chances: readonly number[]): number => 1 - chances.reduce((none, p) => none * (1 - p), 1)

const SPECIAL: Readonly<Record<string, (f: Facts) => number>> = {
  'lye-over': f => {
    const moved = f.sfWeighed !== null && f.sfPlan - f.sfWeighed > 0.01
    return orOf(moved ? phi((0.01 - f.sfWeighed!) / 0.012) : 0, slip(f))
  },
  'value-wrong': f => orOf(0.004, phi(-f.sfPlan / sfSd(f)), f.foreign ? 0.04 : 0),
  'lye-short': f => {
    const known = f.sfWeighed !== null && f.sfWeighed - f.sfPlan > 0.01 ? phi((f.sfWeighed - 0.12) / 0.02) : 0
    return orOf(known, 0.6 * slip(f), f.lyeOld ? 0.12 : 0, f.uncountedAcid ? 0.3 : 0)
  },
  'early-split': f => {
    if (f.emulsionHeld === true) return 0.003
    const blended = f.blendRatio === null ? 0 : 0.5 * ramp(f.blendRatio, 0.9, 0.4)
    return clamp(orOf(1 - f.splitChance, blended, f.emulsionHeld === false ? 0.7 : 0, 0.01), 0.003, 0.95)
  },
  'false-trace': f =>
    clamp(
      orOf(f.falseLift > 0 ? phi((f.falseLift - 0.8) / 0.3) : 0, 0.1 * ramp(f.overClear, 3, -4), 0.004),
      0.004,
      0.9,
    ),
  'scent-rice': f => clamp(f.riceP, 0.003, 0.9),
  vanillin: f => clamp(1 - Math.exp(-f.vanillinG / 0.15), 0.02, 0.97),
  'poured-soon': f => clamp(0.02 + f.carryFail, 0.02, 0.9),
  'cup-thick': f => clamp(0.03 + 0.5 * f.thickFail, 0.03, 0.9),
  'cup-thin': f => clamp(0.03 + 0.9 * f.thinFail + 0.25 * ramp(f.passes, 6, 16), 0.03, 0.9),
  'partial-gel': f => clamp(f.gelPart, 0.06, 0.92),
  overheat: f => {
    const p = orOf(f.crack, f.volcano)
    return clamp(f.peakOver === null ? orOf(p, 0.01) : 0.3 * p + 0.7 * phi(f.peakOver / 3), 0.006, 0.95)
  },
  'no-gel': f => clamp(f.gelNone, 0.03, 0.92),
  rivers: f => clamp(0.9 * f.riversIx, 0.01, 0.9),
  'air-ash': f => clamp(f.ash, 0.03, 0.9),
}

/** Something known that makes a cause likelier, or less so: in words, and ln-odds. */
export type Addition = readonly [what: string, lnOdds: number]

const MODS: Readonly<Record<string, (f: Facts) => readonly Addition[]>> = {
  'fat-rich': f => [
    ['the richest cup', 3.5 * ramp(Math.max(f.sf, f.sfCupMax), 0.07, 0.14)],
    ['sugar', 0.5 * ramp(f.sugarShare, 0.02, 0.05)],
    ['castor oil', 0.6 * ramp(f.castor, 0.12, 0.25)],
  ],
  'lye-grain': f => [
    [f.lyeClear === true ? 'the lye was seen clear' : 'the lye was not seen clear', either(f.lyeClear, -2, 3)],
    ['strong lye', 0.8 * ramp(f.lyeConc, 0.38, 0.48)],
    ['little water to dissolve in', yes(f.milkShare > 0.9, 0.5)],
  ],
  'ran-ahead': f => [
    ['mixed warm', 1.6 * ramp(f.mixC, 40, 52)],
    ['strong lye', 1.2 * ramp(f.lyeConc, 0.33, 0.4)],
    ['blended longer than forecast', 2.2 * ramp(f.blendRatio, 1.1, 2)],
    ['hard oils', 0.6 * ramp(f.hardShare, 0.5, 0.75)],
  ],
  'water-low': f => [['strong lye', 2.8 * ramp(f.lyeConc, 0.33, 0.4)]],
  'water-high': f => [
    ['weak lye', 2.2 * ramp(f.lyeConc, 0.29, 0.25)],
    ['much water in the batter', 1.2 * ramp(f.waterShare, 0.22, 0.27)],
    ['strong lye', -2.5 * ramp(f.lyeConc, 0.32, 0.36)],
  ],
  'scent-fast': f => [
    ['the scent quickens', 5.5 * ramp(f.scentF, 0.1, 0.8)],
    ['it may seize', ramp(f.scentF, 0.8, 2)],
    ['untested', f.scentTested ? 0 : 0.6],
    ['the scent slows', -1.5 * ramp(f.scentF, 0, -0.3)],
  ],
  'scent-weep': f => [
    ['a scent that separates', { none: 0, low: 0.8, medium: 1.9, high: 2.8 }[f.separates]],
    ['much scent', 1.2 * ramp(f.scentOfOils, 0.035, 0.07)],
    ['above its limit', yes(f.scentOverLimit, 1)],
  ],
  'scent-faint': f => [
    ['the scent was never ticked as in', yes(f.scentMissed, 4)],
    ['little scent', f.scentOfOils > 0 ? 1.5 * ramp(f.scentOfOils, 0.02, 0.008) : 0],
    ['fleeting notes', yes(f.topNotes, 1.2)],
    ['gelled', 0.4 * f.gelFull],
  ],
  'fats-set': f => [
    ['stearic acid', 1.8 * ramp(f.stearicShare, 0.003, 0.02)],
    ['wax', 1.8 * ramp(f.waxShare, 0.005, 0.03)],
    ['brittle butters', 1.2 * ramp(f.brittleShare, 0.1, 0.3)],
    ['near the point where fat is clear', 2 * ramp(f.overClear, 5, -3)],
  ],
  'milk-scorch': f => [
    ['milk or juice', 1.2 * ramp(f.milkShare, 0.1, 0.8)],
    [
      f.milkFrozen === true ? 'it was frozen' : 'it was not frozen',
      f.milkShare > 0 ? either(f.milkFrozen, -1, 1.8) : 0,
    ],
    ['browning forecast', 2.2 * ramp(f.browning, 1, 8)],
  ],
  'powder-salt': f => [
    ['salt or lactate', 3 * ramp(f.saltShare, 0.02, 0.06)],
    ['clay or powder', 3 * ramp(f.powderShare, 0.03, 0.09)],
  ],
  'coarse-bits': f => [['coarse bits in it', yes(f.coarse, 2.6)]],
  'colour-alkali': f => [
    ['a colour that dies in lye', yes(f.dies, 4.2)],
    ['a colour that shifts', yes(f.shifts, 2.6)],
  ],
  'colour-light': f => [
    ['a colour that fades', yes(f.fades, 2.6)],
    ['its age', yes(f.fades, 0.8 * ramp(f.days, 20, 90))],
  ],
  'dye-bleeds': f => [['a dye or lake', yes(f.dye, 3.6)]],
  'poor-wetting': f => [
    ['stirred in dry', yes(f.dryPowder, 1.6)],
    ['a powder that clumps', yes(f.clumps, 1.2)],
  ],
  'white-much': f => [['much white', 4 * ramp(f.whiteG, 4, 10)]],
  'mix-up': f => [['many cups', 0.8 * ramp(f.cups, 4, 8)]],
  'joint-late': f => [
    ['the layer below stood hard', 2.2 * ramp(f.lowerStanding, 3.8, 4.8)],
    ['a long wait', 1.8 * ramp(f.waitMax, 20, 90)],
    ['a line of mica or oil', yes(f.micaLine, 1.8)],
  ],
  'air-in': f => [
    [f.tapped === true ? 'the mould was tapped' : 'the mould was not tapped', either(f.tapped, -1.2, 0.8)],
    ['whisked', yes(f.whisk, 0.6)],
    ['poured from high', 0.5 * ramp(f.drop, 60, 200)],
  ],
  'embed-odd': f => [
    ['an old embed', 1.6 * ramp(f.embedDays, 7, 60)],
    ['of another base', yes(f.embedOther, 1.8)],
  ],
  'cold-wall': f => [
    ['chilled', yes(f.chilled, 1.6)],
    ['the mould much colder than the batter', 1.8 * ramp(f.coldStart, 15, 35)],
    ['partial gel forecast', 0.6 * f.gelPart],
  ],
  'mould-moved': f => [
    [f.level === true ? 'levelled' : 'not levelled', either(f.level, -1, 1.6)],
    ['a liner in pieces', yes(f.pieced, 1)],
  ],
  'unmould-early': f => [
    ['out before the forecast', 3.2 * ramp(f.unmouldLead, -1, 14)],
    ['out well after the forecast', -1.8 * ramp(f.unmouldLead, -2, -16)],
  ],
  'cut-late': f => [
    ['cut long after', f.cutLag === null ? 0 : 3.5 * ramp(f.cutLag, 24, 120) - 0.5],
    ['a brittle recipe', 1.5 * ramp(f.brittleShare + f.saltShare, 0.15, 0.4)],
  ],
  blade: f => [
    [
      f.wiped === true ? 'the blade was wiped' : 'the blade was not wiped',
      either(f.wiped, -1, 1 + 0.8 * ramp(f.whiteG, 2, 6)),
    ],
    [f.wire === true ? 'cut with a wire' : 'a thick blade', either(f.wire, -0.5, 0.8)],
  ],
  'damp-air': f => [
    [f.damp === false ? 'a dry rack' : 'a damp rack', either(f.damp, 2, -1.5)],
    ['salt or lactate', 0.6 * ramp(f.saltShare, 0.01, 0.05)],
    ['came out of the cold', yes(f.chilled, 1.5)],
  ],
  'dry-uneven': f => [[f.turned === true ? 'turned' : 'not turned', either(f.turned, -1.2, 1)]],
  'old-oils': f => [
    ['an oil past its date', yes(f.oilsPast, 2.4)],
    ['oils that turn rancid easily', 1.6 * ramp(f.iodine, 65, 90)],
    ['its age', 1.2 * ramp(f.days, 60, 300)],
  ],
  metal: f => [
    ['tap water', yes(f.tapWater, 1.4)],
    ['touched metal', yes(f.badMetal, 2.4)],
    ['an additive that binds metal', yes(f.chelator, -1.2)],
  ],
}

const GATES: Readonly<Record<string, (f: Facts) => boolean>> = {
  '': () => true,
  scent: f => f.scent,
  scentWanted: f => f.scent || f.scentMissed,
  vanillin: f => f.vanillinG > 0,
  hardFat: f => f.hardShare > 0.15 || f.waxShare > 0 || f.stearicShare > 0,
  liquid: f => f.milkShare > 0 || f.sugarShare > 0,
  dry: f => f.saltShare > 0 || f.powderShare > 0,
  coarse: f => f.coarse,
  embeds: f => f.embeds,
  colour: f => f.colours >= 1,
  colours2: f => f.colours >= 2,
  white: f => f.whiteG > 0,
  layers: f => f.layers >= 2,
}

export interface Prior {
  /** 0: it cannot have been. */
  p: number
  additions: readonly Addition[]
}

/** No cause is ever out of the question, nor certain before anything was seen. */
const LEAST = 0.001
const MOST = 0.97

/** What a workshop's own batches have taught, ln-odds by cause; nothing lowers a cause that leaves lye over. */
export type Shifts = Readonly<Record<string, number>>

/** Chances of all causes, in their order, by what is known. */
export function priorsOf(facts: Facts, shifts: Shifts = {}): Prior[] {
  return CAUSES.map(({ id, group, base, gate }): Prior => {
    if (!GATES[gate]!(facts)) return { p: 0, additions: [] }
    const additions = (MODS[id]?.(facts) ?? []).filter(([, weight]) => weight !== 0)
    const from = clamp(base ?? SPECIAL[id]!(facts), 1e-6, 1 - 1e-6)
    const shift = shifts[id] ?? 0
    const taught = group === 'lye' ? Math.max(0, shift) : shift
    const lnOdds = logit(from) + additions.reduce((sum, [, weight]) => sum + weight, 0) + taught
    return { p: clamp(expit(lnOdds), LEAST, MOST), additions }
  })
}
