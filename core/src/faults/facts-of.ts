import { ratesOf } from '../batter/learning/index.ts'
import type { PourForecast, ToolForecast } from '../batter/schedule/index.ts'
import type { BenchState } from '../bench/index.ts'
import type { Forecast } from '../forecast/index.ts'
import { browningOf } from '../look/cups/index.ts'
import { stabiliserHolds } from '../look/colour/index.ts'
import type { RestOutlook } from '../mould/index.ts'
import type { Plan } from '../plan/index.ts'
import { scentLoad, unitBatter } from '../recipe/index.ts'
import { daysBetween } from '../record/index.ts'
import type { RecordState } from '../record/index.ts'
import { recipeKey } from '../batter/learning/index.ts'
import { findById } from '../shelf/index.ts'
import type { Additive, Shelf } from '../shelf/index.ts'
import { actualOf, weighList } from '../weighing/index.ts'
import { ORDINARY } from './facts.ts'
import type { Facts } from './facts.ts'
import { KNOWN_FACTS } from './known.ts'
import type { KnownFact } from './known.ts'

/** Facts of a batch out of all that is kept of it. What is not known stays ordinary. */
export interface Sources {
  plan: Plan
  shelf: Shelf
  forecast: Forecast
  /** The rest as it was worked through; null: a first look at it stands in. */
  rest: Pick<RestOutlook, 'result' | 'ash' | 'numbers'> | null
  noted: BenchState | null
  record: Pick<RecordState, 'unmouldedAt' | 'cutAt' | 'turnedAt'>
  known: Readonly<Partial<Record<KnownFact, boolean>>>
  /** Like "2026-03-02". */
  today: string
}

const most = (values: readonly number[], least = 0): number => values.reduce((a, b) => Math.max(a, b), least)
const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0)

/** Weights that decide the lye, and what they come to. */
function weights({ plan, shelf, forecast, noted }: Sources): Partial<Facts> {
  const { portions } = forecast
  const written = Object.fromEntries(Object.entries(noted?.weighed ?? {}).map(([key, one]) => [key, one.massG]))
  const deciding = weighList(plan, portions, shelf).filter(line =>
    ['lye', 'solution', 'water', 'oil'].includes(line.kind),
  )
  const isWeighed = deciding.filter(line => written[line.key] !== undefined)
  const { superfat, concentration } = actualOf(plan, portions, shelf, written).leanest
  const lye = deciding.some(line => line.kind === 'lye' && written[line.key] !== undefined)
  return {
    sfPlan: portions.superfatShare,
    sf: superfat.value,
    sfLow: superfat.low,
    sfHigh: superfat.high,
    sfWeighed: lye ? superfat.value : null,
    lines: deciding.length,
    weighedShare: deciding.length > 0 ? isWeighed.length / deciding.length : 0,
    lyeConc: concentration,
  }
}

/** Blending and dividing, as forecast and as noted. */
function split({ plan, forecast, noted }: Sources): Partial<Facts> {
  const { split: of, tasks } = forecast.lanes
  const blend = tasks.find(task => task.kind === 'blend')
  const plannedS = blend ? (blend.toMin - blend.fromMin) * 60 : 0
  const blendedS = noted && noted.blendS > 0 ? noted.blendS : plan.blendedS
  const hold = noted?.hold ?? null
  return {
    emulsion: of.emulsion,
    early: of.earlyEmulsion,
    leanest: of.leanest,
    falseLift: of.falseLift,
    splitChance: of.fault === 'false-trace' ? 1 : of.chance,
    emulsionHeld: hold === 'holds' ? true : hold === 'breaks' ? false : null,
    blendRatio: blendedS !== null && plannedS > 0 ? blendedS / plannedS : null,
    lyeClear: noted?.isLyeClear === true ? true : null,
    mixC: plan.conditions.mixC,
    stopLevel: plan.conditions.stopLevel,
    overClear: plan.conditions.mixC - forecast.recipe.clearPointC,
  }
}

const SALTS = /salt|lactate|chloride/i
const POWDERS = /clay|starch|oat|powder|seed/i
const COARSE = /seed|oats|pumice|loofah|ground|scrub/i
const STEARIC = /stearic/i
const WAX = new Set(['wax'])

function recipe({ plan, shelf, forecast }: Sources): Partial<Facts> {
  const { portions, recipe: of } = forecast
  const oils = portions.oils.map(part => ({ share: part.share, oil: findById(shelf.oils, part.oil) }))
  const shareOf = (is: (oil: NonNullable<(typeof oils)[number]['oil']>) => boolean) =>
    sum(oils.flatMap(one => (one.oil && is(one.oil) ? [one.share] : [])))
  const additives = portions.additives.flatMap(part => {
    const item = findById(shelf.additives, part.id)
    return item && portions.oilG > 0 ? [{ item, share: part.massG / portions.oilG }] : []
  })
  const addedOf = (is: (one: Additive) => boolean) => sum(additives.flatMap(one => (is(one.item) ? [one.share] : [])))
  const liquids = portions.liquids.map(part => ({ g: part.massG, item: findById(shelf.liquids, part.id) }))
  const wet = portions.waterG + sum(liquids.map(one => one.g))
  const milk = sum(liquids.flatMap(one => (one.item && one.item.sugarShare + one.item.fatShare > 0.02 ? [one.g] : [])))
  return {
    hardShare: of.character.hardShare,
    iodine: of.character.iodineValue,
    sugarShare: of.sugarShare,
    brittleShare: shareOf(oil => oil.texture === 'brittle'),
    waxShare: shareOf(oil => WAX.has(oil.texture)),
    stearicShare: shareOf(oil => STEARIC.test(oil.name)) + addedOf(one => STEARIC.test(one.name)),
    castor: shareOf(oil => oil.ricinoleic > 0.5),
    saltShare: addedOf(one => SALTS.test(one.name)),
    powderShare: addedOf(one => POWDERS.test(one.name)),
    coarse: additives.some(one => COARSE.test(one.item.name)) || plan.finish.toppings.length > 0,
    milkShare: wet > 0 ? milk / wet : 0,
    waterShare: portions.potG > 0 ? portions.pot.waterG / portions.potG : ORDINARY.waterShare,
    tapWater: liquids.some(one => one.item?.id === 'water-tap'),
    chelator: additives.some(one => /citrate|citric|edta|gluconate/i.test(one.item.id)),
  }
}

function scents({ plan, shelf, forecast }: Sources): Partial<Facts> {
  const { portions, lanes } = forecast
  const planned = [plan.scent, ...plan.cups.map(cup => cup.ownScent)].flatMap(one => one ?? [])
  if (planned.length === 0) return { scent: false }
  const { batterG } = unitBatter(plan.recipe, shelf)
  const rates = ratesOf(shelf)
  const dose = planned.map(one => one.load * (one.basis === 'batter' ? batterG : 1))
  const known = planned.map((one, i) => rates.scented(recipeKey(plan), one.parts, 1000 * dose[i]!))
  const browning = plan.cups.map((_, i) => browningOf(plan, portions, i, shelf))
  const loads = planned.map(one => scentLoad(one, shelf, batterG))
  return {
    scent: true,
    scentF: most(
      known.map(one => one.mean),
      -1,
    ),
    scentTested: known.every(one => one.sd < 0.2),
    riceP: lanes.ricing?.share ?? 0.02,
    vanillinG: most(browning.map(one => (one ? one.vanillinGPerKg * (1 - stabiliserHolds(one)) : 0))),
    scentOfOils: most(dose),
    scentOverLimit: loads.some((load, i) => load.parts.some(part => dose[i]! * part.share > part.limitOfOils + 1e-6)),
  }
}

function colours({ plan, shelf, forecast }: Sources): Partial<Facts> {
  const used = plan.cups.flatMap(cup =>
    cup.colorants.flatMap(part => {
      const colorant = findById(shelf.colorants, part.colorant)
      return colorant ? [{ part, colorant }] : []
    }),
  )
  const whites = forecast.portions.cups.map(cup =>
    sum(
      cup.colours.map(one => {
        const spectrum = findById(shelf.colorants, one.colorant)?.spectrum
        return spectrum === 'titanium' ? one.doseGPerKg : 0
      }),
    ),
  )
  return {
    colours: plan.cups.filter(cup => cup.colorants.length > 0).length,
    dies: used.some(one => one.colorant.inLye === 'dies'),
    shifts: used.some(one => one.colorant.inLye === 'shifts'),
    fades: used.some(one => one.colorant.fadeShare >= 0.2),
    dye: used.some(one => /lake|dye/i.test(`${one.colorant.family} ${one.colorant.name}`)),
    dryPowder: used.some(one => one.part.medium === 'none'),
    clumps: used.some(one => one.colorant.clumping === 'high'),
    whiteG: most(whites),
  }
}

function pours({ plan, forecast }: Sources): Partial<Facts> {
  const { lanes } = forecast
  const all: readonly (PourForecast | ToolForecast)[] = [...lanes.pours, ...lanes.tools]
  const failing = (...faults: readonly string[]) =>
    most(all.map(one => (one.fault !== null && faults.includes(one.fault) ? 1 - one.chance : 0)))
  const gaps = lanes.pours.map((pour, i) => (i === 0 ? 0 : pour.startMin - lanes.pours[i - 1]!.endMin))
  return {
    layers: plan.score.length,
    cups: forecast.portions.cups.length,
    carryFail: failing('not-carried'),
    thickFail: failing('thick', 'tool-thick', 'sets'),
    thinFail: failing('thin', 'tool-thin'),
    waitMax: most(gaps),
    toppings: plan.finish.toppings.length > 0,
    embeds: plan.finish.embeds.length > 0,
    passes: most(plan.moves.map(move => move.count)),
    drop: most(plan.score.map(pour => (pour.overSpatula ? 0 : pour.dropMm))),
    whisk: plan.hands.blend === 'whisk',
  }
}

/** The mould, as forecast and as read; and when it was taken out and cut. */
function rest({ plan, forecast, rest: said, record }: Sources): Partial<Facts> {
  const { gel } = said?.numbers ?? forecast.rest
  const { pouredAt, readings, steps } = plan.rest
  const hoursTo = (at: string | null): number | null =>
    at === null || pouredAt === '' ? null : (Date.parse(`${at}Z`) - Date.parse(`${pouredAt}Z`)) / 3_600_000
  const [out, cut] = [hoursTo(record.unmouldedAt), hoursTo(record.cutAt)]
  const earliestH = said?.result.unmouldMin == null ? null : said.result.unmouldMin / 60
  const core = readings.filter(one => one.at === 'core').map(one => one.tempC)
  return {
    gelNone: gel.none,
    gelPart: gel.partial,
    gelFull: gel.full,
    crack: said?.result.crack ?? forecast.rest.crack,
    volcano: said?.result.volcano ?? forecast.rest.volcano,
    ...(said && { riversIx: said.result.rivers, browning: said.result.browning, ash: said.ash.chance }),
    peakOver: core.length > 0 ? Math.max(...core) - 88 : null,
    chilled: steps.some(step => step.place === 'refrigerator' || step.place === 'freezer'),
    unmouldLead: earliestH !== null && out !== null ? earliestH - out : null,
    cutLag: earliestH !== null && cut !== null ? cut - earliestH : null,
  }
}

/** What is known of a batch, for the reckoning of causes. */
export function factsOf(sources: Sources): Facts {
  const { plan, record, known, today } = sources
  const facts: Facts = {
    ...ORDINARY,
    ...weights(sources),
    ...split(sources),
    ...recipe(sources),
    ...scents(sources),
    ...colours(sources),
    ...pours(sources),
    ...rest(sources),
    days: plan.rest.pouredAt === '' ? 0 : Math.max(0, daysBetween(plan.rest.pouredAt, today)),
    turned: record.turnedAt === null ? null : true,
  }
  for (const id of Object.keys(KNOWN_FACTS) as KnownFact[]) {
    const answer = known[id]
    if (answer !== undefined) facts[id] = answer
  }
  return facts
}
