import { celsius, fact, keepingZeros } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import type { Heat, Plan } from '../../plan/index.ts'
import type { Portions } from '../../portions/index.ts'
import { unitBatter } from '../../recipe/index.ts'
import type { UnitBatter } from '../../recipe/index.ts'
import { findById } from '../../shelf/index.ts'
import type { Shelf, Vessel } from '../../shelf/index.ts'
import { batterPace } from '../trace/index.ts'
import { COOLING_SD, coolerFor, coolingTime, moveToBath, startCooling, stepCooling } from './cooling.ts'
import type { Body, CoolingMedium } from './cooling.ts'
import { hotLyeMelt } from './melt.ts'
import type { MeltResult } from './melt.ts'
import { mixedTemperature, oilsFor } from './mixing.ts'
import { adiabaticLimit, lyePeak, solutionShare } from './peak.ts'
import type { LyePeak } from './peak.ts'
import { refit } from './refit.ts'
import type { Fit } from './refit.ts'
import { verdictOf } from './verdict.ts'
import type { TemperatureVerdict } from './verdict.ts'
import type { HeatMaterial } from './vessel.ts'

/** A time with its likely range, minutes; null: it does not get there within 12 hours. */
export interface Span {
  min: number
  low: number
  high: number
}

/** A temperature that was read, °C, and when, s on any clock. */
export interface HeatReading {
  body: 'lye' | 'oils'
  atS: number
  tempC: number
}

export interface BodyPlan {
  massG: number
  /** Where the cooling starts: the lye's peak, or what the oils are melted to, °C. */
  fromC: number
  targetC: number
  vessel: { name: string; material: HeatMaterial }
  /** Cooling alone, by each means. */
  ways: Record<Heat['lyeCooling'], Span | null>
  /** By the means chosen. */
  cooling: Span | null
  /** Minutes before mixing at which it starts: lye into water, or oils off the heat. */
  startsMin: number | null
  fit: Fit
  /** From the last reading: ready in so many minutes after it. */
  fromReading: { reading: HeatReading; readyMin: Span | null } | null
  /** Temperature at each minute from its start. */
  curve: { min: number; c: number }[]
}

export interface HeatPlan {
  w: number
  peak: LyePeak
  /** Without any loss, °C. */
  limitC: number
  lye: BodyPlan
  oils: BodyPlan
  /** When they meet. */
  lyeC: number
  oilsC: number
  mixC: number
  verdict: TemperatureVerdict
  melt: MeltResult | null
  /** Fats set below this, °C. */
  clearC: number
  setting: { isSafe: boolean; sentence: Words }
  /** Later move from air to bath so that the lye waits for the oils, minutes after the peak; null: not needed. */
  moveToBathMin: number | null
}

const HEAT_OF: Readonly<Record<Vessel['material'], HeatMaterial>> = {
  pp: 'plastic',
  hdpe: 'plastic',
  ldpe: 'plastic',
  pet: 'plastic',
  polystyrene: 'plastic',
  melamine: 'plastic',
  paper: 'plastic',
  silicone: 'plastic',
  wood: 'plastic',
  steel: 'steel',
  enamel: 'steel',
  aluminium: 'steel',
  glass: 'plastic',
}

const vesselOf = (shelf: Shelf, id: string, fallback: HeatMaterial): { name: string; material: HeatMaterial } => {
  const vessel = findById(shelf.vessels, id)
  return vessel
    ? { name: vessel.name, material: HEAT_OF[vessel.material] }
    : { name: fallback === 'steel' ? 'a steel pot' : 'a plastic jug', material: fallback }
}

/** Minutes since midnight of "14:05". */
export const clockMinutes = (clock: string): number => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3))

const mediumOf = (plan: Plan, way: Heat['lyeCooling']): CoolingMedium => ({
  way,
  roomC: plan.conditions.roomC,
  bathC: plan.heat.bathC,
  bathLitres: plan.heat.bathLitres,
  iceKg: plan.heat.iceKg,
})

const span = (seconds: number | null, sd: number): Span | null =>
  seconds === null
    ? null
    : { min: seconds / 60, low: (seconds / 60) * Math.exp(-1.28 * sd), high: (seconds / 60) * Math.exp(1.28 * sd) }

const CURVE_MIN = 240
/** Lye used hot, some minutes after its peak. */
const HOT_LYE_C = 85

interface BodySetting {
  body: Body
  way: Heat['lyeCooling']
  fromC: number
  targetC: number
  vessel: { name: string; material: HeatMaterial }
  /** Minutes before the cooling starts: the lye's way up. */
  leadMin: number
  lead: { min: number; c: number }[]
}

function readingsOf(all: readonly HeatReading[], body: Body, medium: CoolingMedium) {
  const readings = all.filter(reading => reading.body === body.kind).sort((a, b) => a.atS - b.atS)
  const points = readings.map(({ atS, tempC }) => ({ atS: atS - readings[0]!.atS, tempC }))
  return { fit: refit(body, medium, points), last: readings.at(-1) ?? null }
}

function bodyPlan(
  plan: Plan,
  read: readonly HeatReading[],
  { body, way, fromC, targetC, vessel, leadMin, lead }: BodySetting,
): BodyPlan {
  const medium = mediumOf(plan, way)
  const { fit, last } = readingsOf(read, body, medium)
  const kappa = Math.exp(fit.lnKappa)
  const sd = last ? Math.min(COOLING_SD, fit.sd) : COOLING_SD
  const time = (by: Heat['lyeCooling'], from = fromC) =>
    span(
      coolingTime(coolerFor(body, by === way ? kappa : 1), mediumOf(plan, by), from, targetC),
      by === way ? sd : COOLING_SD,
    )
  const cooling = time(way)
  const cooler = coolerFor(body, kappa)
  const curve = [...lead]
  let state = startCooling(fromC, medium)
  const lengthMin = Math.min(CURVE_MIN, (cooling?.min ?? CURVE_MIN) + 15)
  for (let min = 0; min <= lengthMin; min += 1) {
    curve.push({ min: leadMin + min, c: state.c })
    for (let s = 0; s < 60; s += 5) state = stepCooling(state, cooler, medium)
  }
  return {
    massG: body.massKg * 1000,
    fromC,
    targetC,
    vessel,
    ways: { air: time('air'), bath: time('bath'), 'ice-bath': time('ice-bath') },
    cooling,
    startsMin: cooling && leadMin + cooling.min,
    fit,
    fromReading: last && { reading: last, readyMin: time(way, last.tempC) },
    curve,
  }
}

/** What meets: oils kept back take no part. The oils' temperature follows from the mix that is planned. */
function targets(plan: Plan, unit: UnitBatter, lyeKg: number, oilsKg: number, w: number) {
  const { mixC, roomC } = plan.conditions
  const { lyeC, rule } = plan.heat
  const late = unit.oils.reduce((sum, part) => sum + (part.late ? part.share : 0), 0)
  const meeting = { oilsKg: oilsKg * (late < 1 ? 1 - late : 1), lyeKg, w }
  if (rule === 'transfer') return { meeting, lye: lyeC ?? HOT_LYE_C, oils: roomC }
  const lye = lyeC ?? mixC + 0.5
  return { meeting, lye, oils: oilsFor(meeting, mixC, lye) }
}

function settingGuard(plan: Plan, clearC: number, mixC: number): HeatPlan['setting'] {
  const lowest = Math.ceil(clearC + 2)
  const isSafe = mixC >= clearC + 2
  const sentence = isSafe
    ? fact('heat.fats-stay-clear-down', { clearC: keepingZeros(celsius(clearC, 0)) })
    : fact('heat.at-fats-begin-set', {
        mixC: keepingZeros(celsius(mixC, 0)),
        clearC: keepingZeros(celsius(clearC, 0)),
        lowest: celsius(lowest),
      })
  return { isSafe, sentence }
}

/** Lye as it is dissolved, and what meets. */
function meetingOf(plan: Plan, shelf: Shelf, portions: Portions) {
  const unit = unitBatter(plan.recipe, shelf)
  const { heat, conditions } = plan
  const oilsKg = portions.oilG / 1000
  const naohKg = Math.max(portions.lyeG, 0.001) / 1000
  const waterKg = Math.max(unit.waterForLyeG * oilsKg, naohKg * 0.5)
  const lyeVessel = vesselOf(shelf, heat.lyeVessel, 'plastic')
  const mix = {
    naohKg,
    waterKg,
    purityShare: plan.recipe.lyePurityShare,
    waterC: heat.waterC,
    naohC: conditions.roomC,
    roomC: conditions.roomC,
    iceShare: heat.iceShare,
    material: lyeVessel.material,
  }
  const peak = lyePeak(mix)
  const w = Math.min(0.5, solutionShare(mix))
  const lyeKg = naohKg + waterKg
  const { meeting, lye: lyeC, oils: oilsC } = targets(plan, unit, lyeKg, oilsKg, w)
  const isTransfer = heat.rule === 'transfer'
  const hotC = Math.min(peak.peakC, isTransfer ? lyeC : HOT_LYE_C)
  const melt = hotLyeMelt(unit.oils, oilsKg, lyeKg, w, hotC, conditions.roomC)
  const mixC = isTransfer
    ? (melt?.finalC ?? mixedTemperature(meeting, oilsC, lyeC))
    : mixedTemperature(meeting, oilsC, lyeC)
  return { unit, meeting, oilsKg, lyeVessel, mix, peak, w, lyeKg, lyeC, oilsC, isTransfer, melt, mixC }
}

/** What the batter has as oils and lye meet, °C: as wished for, or where hot lye melts the fats what comes of that. */
export const meetingC = (plan: Plan, shelf: Shelf, portions: Portions): number =>
  plan.heat.rule === 'transfer' ? meetingOf(plan, shelf, portions).mixC : plan.conditions.mixC

/** What lye and oils of so many °C come to as they meet, °C. */
export const mixedC = (plan: Plan, shelf: Shelf, portions: Portions, oilsC: number, lyeC: number): number =>
  mixedTemperature(meetingOf(plan, shelf, portions).meeting, oilsC, lyeC)

/**
 * How lye and oils come to the temperature wanted: peak, cooling by each means, when to start each, and whether they suit
 * each other by the workshop's rule. With readings the cooling is fitted to them.
 */
export function heatPlan(
  plan: Plan,
  shelf: Shelf,
  portions: Portions,
  readings: readonly HeatReading[] = [],
): HeatPlan {
  const { heat, conditions } = plan
  const { unit, oilsKg, lyeVessel, mix, peak, w, lyeKg, lyeC, oilsC, isTransfer, melt, mixC } = meetingOf(
    plan,
    shelf,
    portions,
  )
  const oilsVessel = vesselOf(shelf, heat.oilsVessel, 'steel')
  const lye = bodyPlan(plan, readings, {
    body: { kind: 'lye', massKg: lyeKg, w, material: lyeVessel.material },
    way: heat.lyeCooling,
    fromC: peak.peakC,
    targetC: lyeC,
    vessel: lyeVessel,
    leadMin: peak.peakS / 60,
    lead: peak.minutes.slice(0, Math.floor(peak.peakS / 60) + 1).map((c, min) => ({ min, c })),
  })
  const oils = bodyPlan(plan, readings, {
    body: { kind: 'oils', massKg: oilsKg, w: 0, material: oilsVessel.material },
    way: heat.oilsCooling,
    fromC: isTransfer ? conditions.roomC : heat.meltC,
    targetC: oilsC,
    vessel: oilsVessel,
    leadMin: 0,
    lead: [],
  })
  const { clearPointC: clearC } = batterPace(unit)
  return {
    w,
    peak,
    limitC: adiabaticLimit(mix),
    lye,
    oils,
    lyeC,
    oilsC,
    mixC,
    verdict: verdictOf(plan, { lyeC, oilsC, mixC, peakC: peak.peakC, melt }),
    melt,
    clearC,
    setting: settingGuard(plan, clearC, mixC),
    moveToBathMin: lateBath(plan, lye, oils, w),
  }
}

/** When the oils take longer than lye in a bath: how long the lye may stand in the air first. */
function lateBath(plan: Plan, lye: BodyPlan, oils: BodyPlan, w: number): number | null {
  if (plan.heat.lyeCooling === 'air' || !lye.cooling || !oils.cooling || oils.cooling.min <= lye.cooling.min)
    return null
  const cooler = coolerFor(
    { kind: 'lye', massKg: lye.massG / 1000, w, material: lye.vessel.material },
    Math.exp(lye.fit.lnKappa),
  )
  const seconds = moveToBath(
    cooler,
    mediumOf(plan, plan.heat.lyeCooling),
    lye.fromC,
    lye.targetC,
    oils.cooling.min * 60,
  )
  return seconds === null ? null : seconds / 60
}
