import { SETTLED_DAYS, STANDARD_BASE, deltaE, hexOfLinear, labOfHex, linearOfLab, mixed } from '../look/colour/index.ts'
import type { Age, BaseTint, Lab, Pigment } from '../look/colour/index.ts'
import { pigmentOfColorant } from '../look/index.ts'
import { findById } from '../shelf/index.ts'
import type { Colorant, OwnSwatch, Shelf } from '../shelf/index.ts'
import { colourBy, doseCurve, exchangedIn } from './curve.ts'
import type { Curve, CurveReading } from './curve.ts'
import { differences } from './difference.ts'
import type { Difference } from './difference.ts'
import { kindOf } from './kinds.ts'
import { prefixOf } from './document.ts'
import type { Trial, TrialReading, TrialSample } from './document.ts'
import { CHANNELS, MAKING, commonSd, labOfThree, patchSd, scaleOf } from './noise.ts'
import type { ReadingWay, Scatter } from './noise.ts'
import { isAlike } from './samples.ts'
import { weighingOf } from './weighing.ts'

/** What a trial answers: a pure function of what was read and of the shelf without it. */

/** A look is late, or early, by at most so much of its age, and of so many days. */
const NEAR = { share: 0.25, days: 0.05 } as const

const meanLab = (labs: readonly Lab[]): Lab =>
  labOfThree(CHANNELS.map(channel => labs.reduce((sum, lab) => sum + lab[channel], 0) / labs.length))
const minus = (a: Lab, b: Lab): Lab => ({ l: a.l - b.l, a: a.a - b.a, b: a.b - b.b })
const plus = (a: Lab, b: Lab): Lab => ({ l: a.l + b.l, a: a.a + b.a, b: a.b + b.b })

type PastOf = Partial<Record<ReadingWay, Scatter>>

/** Readings of about one age, with what each photograph is off by taken from all blanks. */
export interface AgeRead {
  days: number
  way: ReadingWay
  photos: number
  /** By sample that counts, as if all were in one photograph. */
  labs: ReadonlyMap<string, Lab>
  /** Every sample that counts against the blanks; empty without a blank in each photograph. */
  differences: Difference[]
  /** Cures with the scent against the scent alone; empty where no scent is fought. */
  againstScent: Difference[]
}

const counted = ({ samples }: Trial): TrialSample[] =>
  samples.filter(({ struckOut, role }) => struckOut === '' && role !== 'spare')

function groupsOf(readings: readonly TrialReading[]): TrialReading[][] {
  const groups: TrialReading[][] = []
  for (const reading of [...readings].sort((a, b) => a.days - b.days)) {
    const now = groups.at(-1)
    const isNear = now && reading.days <= now[0]!.days * (1 + NEAR.share) + NEAR.days
    if (isNear && now[0]!.way === reading.way) now.push(reading)
    else groups.push([reading])
  }
  return groups
}

/** Colours of one age as if all had been in one photograph: each is moved by how its own blanks stand to all blanks. */
function levelled(trial: Trial, readings: readonly TrialReading[]): Map<string, Lab> | null {
  const blanks = new Set(counted(trial).flatMap(({ role, label }) => (role === 'nothing' ? [label] : [])))
  const photos = [...new Set(readings.map(({ photo }) => photo))]
  const blankOf = (photo: string): Lab[] =>
    readings.flatMap(one => (one.photo === photo && blanks.has(one.sample) ? [labOfHex(one.hex)] : []))
  if (photos.some(photo => blankOf(photo).length === 0)) return null
  const all = meanLab(photos.map(photo => meanLab(blankOf(photo))))
  const shifts = new Map(photos.map(photo => [photo, minus(all, meanLab(blankOf(photo)))]))
  return new Map(
    counted(trial).flatMap(({ label }) => {
      const mine = readings.filter(({ sample }) => sample === label)
      const labs = mine.map(one => plus(labOfHex(one.hex), shifts.get(one.photo)!))
      return labs.length > 0 ? [[label, meanLab(labs)] as const] : []
    }),
  )
}

function ageRead(trial: Trial, readings: readonly TrialReading[], pastOf: PastOf): AgeRead {
  const { way, days } = readings[0]!
  const photos = new Set(readings.map(({ photo }) => photo)).size
  const labs = levelled(trial, readings)
  const read = counted(trial).filter(({ label }) => labs?.has(label))
  const firsts = read.filter(
    (sample, i) => sample.role !== 'nothing' && !read.slice(0, i).some(other => isAlike(other, sample)),
  )
  const labsOf = (like: TrialSample): Lab[] =>
    read.filter(one => isAlike(one, like)).map(({ label }) => labs!.get(label)!)
  const asked = { way, photos, matters: trial.question.matters, direction: 'any' as const }
  const past = pastOf[way]
  const against = (list: readonly TrialSample[], samples: readonly TrialSample[]): Difference[] =>
    labs && list.length > 0 && samples.length > 0
      ? differences({
          ...asked,
          ...(past && { past }),
          samples: samples.map(one => ({ label: one.label, labs: labsOf(one) })),
          blanks: list.map(({ label }) => labs.get(label)!),
        })
      : []
  return {
    days,
    way,
    photos,
    labs: labs ?? new Map<string, Lab>(),
    differences: against(
      read.filter(({ role }) => role === 'nothing'),
      firsts,
    ),
    againstScent: against(
      read.filter(({ role }) => role === 'suspect'),
      firsts.filter(({ role, scented }) => role === 'test' && scented),
    ),
  }
}

/** Whatever was read, by age. @param past what earlier trials said of the scatter of samples */
export const agesRead = (trial: Trial, past: PastOf = {}): AgeRead[] =>
  groupsOf(trial.readings).map(group => ageRead(trial, group, past))

/** A colorant as it was known before the trial, and by it. */
export interface ColorantAnswer {
  colorant: string
  curve: Curve
  /** Colour in cured soap at its reference dose: before, and by the trial with its standard deviations. */
  doseGPerKg: number
  before: Lab
  after: { lab: Lab; sd: Lab }
  /** The same on a screen. */
  beforeHex: string
  afterHex: string
  deltaE: number
  /** Labels that may have been exchanged: asked about. */
  exchanged: [string, string] | null
  /** The curve of dose against colour at the age that was read last; empty for fewer than three doses. */
  points: DosePoint[]
}

/** Colour of a dose, by what the shelf had and by the trial. */
export interface DosePoint {
  gPerKg: number
  beforeHex: string
  afterHex: string
  /** Lightness, and one standard deviation of the latter. */
  beforeL: number
  afterL: number
  sdL: number
}

const POINTS = 16
/** The curve goes on so far beyond the doses that were made. */
const BEYOND = 1.25

function curvePoints(curve: Curve, known: Pigment, doses: readonly number[], base: BaseTint, age: Age): DosePoint[] {
  if (doses.length < 3) return []
  const [from, to] = [Math.min(...doses) / BEYOND, Math.max(...doses) * BEYOND]
  return Array.from({ length: POINTS }, (_, i) => {
    const gPerKg = from * (to / from) ** (i / (POINTS - 1))
    const before = mixed(base, [{ pigment: known, gPerKg }], age)
    const after = colourBy(curve, { gPerKg, whiteGPerKg: 0, base, age })
    return {
      gPerKg,
      beforeHex: before.hex,
      afterHex: hexOf(after.lab),
      beforeL: before.lab.l,
      afterL: after.lab.l,
      sdL: after.sd.l,
    }
  })
}

/** Plain soap further off its forecast than this stands for itself, ΔE. */
const OWN_BASE = 3

/** Tint of its plain soap. */
export function baseOfTrial({ base }: Trial): BaseTint {
  const { carotene, chlorophyll, brown, scatter } = base
  return { ...STANDARD_BASE, carotene, chlorophyll, brown, scatter }
}

const ageOf = ({ base }: Trial, days: number): Age => ({ days, gel: base.gel })
const hexOf = (lab: Lab): string => hexOfLinear(linearOfLab(lab))

/** What the plain soap of a look is, by its blanks, where that lies too far off what its recipe says. */
function baseIn(trial: Trial, read: AgeRead): BaseTint {
  const tint = baseOfTrial(trial)
  const blanks = counted(trial).flatMap(({ role, label }) => (role === 'nothing' ? (read.labs.get(label) ?? []) : []))
  if (blanks.length === 0) return tint
  const seen = meanLab(blanks)
  const isOff = deltaE(seen, mixed(tint, [], ageOf(trial, read.days)).lab) > OWN_BASE
  return isOff ? { ...tint, swatch: { hex: hexOf(seen), days: read.days, gel: trial.base.gel } } : tint
}

/** Readings that tell of a colorant’s settled colour, blanks with them. */
function curveReadings(trial: Trial, colorant: Colorant, ages: readonly AgeRead[]): CurveReading[] {
  const settled = ages.filter(({ days }) => days >= (colorant.shiftDays > 0 ? SETTLED_DAYS : 1))
  const samples = counted(trial).filter(one => one.role === 'nothing' || one.colorant === colorant.id)
  const bases = new Map(settled.map(read => [read, baseIn(trial, read)]))
  return trial.readings.flatMap((reading): CurveReading[] => {
    const sample = samples.find(({ label }) => label === reading.sample)
    const read = settled.find(
      one => one.days <= reading.days && reading.days <= one.days * (1 + NEAR.share) + NEAR.days,
    )
    if (!sample || !read || reading.faults.includes('clumps')) return []
    return [
      {
        sample: sample.label,
        photo: reading.photo,
        way: reading.way,
        gPerKg: sample.gPerKg,
        whiteGPerKg: sample.whiteGPerKg,
        base: bases.get(read)!,
        age: ageOf(trial, reading.days),
        lab: labOfHex(reading.hex),
      },
    ]
  })
}

/** Swatches of one’s own that were there before, each a photograph of its own. */
const ownReadings = (swatches: readonly OwnSwatch[]): CurveReading[] =>
  swatches
    .filter(({ doseGPerKg }) => doseGPerKg > 0)
    .map((swatch, n) => ({
      sample: `own-${n}`,
      photo: `own-${n}`,
      way: 'photo' as const,
      gPerKg: swatch.doseGPerKg,
      whiteGPerKg: swatch.whiteGPerKg,
      age: { days: swatch.days, gel: swatch.gel },
      lab: labOfHex(swatch.hex),
      base: {
        ...STANDARD_BASE,
        carotene: swatch.carotene,
        chlorophyll: swatch.chlorophyll,
        brown: swatch.brown,
        scatter: swatch.scatter,
      },
    }))

const isOf = (trialId: string, { id }: Pick<OwnSwatch, 'id'>): boolean => id.startsWith(`${prefixOf(trialId)}-`)
/** What the trial says of each of its colorants; of those without a settled reading nothing. @param trialId its swatches on the shelf are left out */
export function colorantAnswers(trial: Trial, trialId: string, shelf: Shelf, past: PastOf = {}): ColorantAnswer[] {
  const ages = agesRead(trial)
  return [...new Set(trial.question.levels.map(({ colorant }) => colorant))].flatMap((id): ColorantAnswer[] => {
    const item = findById(shelf.colorants, id)
    if (!item) return []
    const others = item.swatches.filter(swatch => !isOf(trialId, swatch))
    const readings = curveReadings(trial, item, ages)
    if (!readings.some(({ gPerKg }) => gPerKg > 0)) return []
    const { pigment } = pigmentOfColorant({ ...item, swatches: [] })
    const all = [...readings, ...ownReadings(others)]
    const doses = [...new Set(readings.map(({ gPerKg }) => gPerKg))].filter(g => g > 0)
    const { sampleG, stepG } = trial.question
    const how = weighingOf(doses, sampleG, { stepG, batterStepG: stepG })
    const { s2 } = scaleOf(...(past[trial.question.way] ? [past[trial.question.way]!] : []))
    const options = { s2, lnDoseSd: how.way === 'none' ? 0 : how.commonError }
    const curve = doseCurve(pigment, all, options)
    const doseGPerKg = item.referenceDoseGPerKg
    const age = { days: 42, gel: 0 }
    const known = pigmentOfColorant({ ...item, swatches: others }).pigment
    const before = mixed(STANDARD_BASE, [{ pigment: known, gPerKg: doseGPerKg }], age).lab
    const after = colourBy(curve, { gPerKg: doseGPerKg, whiteGPerKg: 0, base: STANDARD_BASE, age })
    return [
      {
        colorant: id,
        curve,
        doseGPerKg,
        before,
        after,
        deltaE: deltaE(before, after.lab),
        beforeHex: hexOf(before),
        afterHex: hexOf(after.lab),
        exchanged: exchangedIn(pigment, all, options),
        points: curvePoints(curve, known, doses, baseOfTrial(trial), ageOf(trial, ages.at(-1)!.days)),
      },
    ]
  })
}

/** What is off in a photograph by its blanks, as far as that is likely to be the photograph. */
function shiftOf(trial: Trial, read: AgeRead): Lab {
  const blanks = counted(trial).flatMap(({ role, label }) => (role === 'nothing' ? (read.labs.get(label) ?? []) : []))
  if (blanks.length === 0) return { l: 0, a: 0, b: 0 }
  const off = minus(meanLab(blanks), mixed(baseIn(trial, read), [], ageOf(trial, read.days)).lab)
  return labOfThree(
    CHANNELS.map((channel, c) => {
      const common = commonSd(read.way)[c]! ** 2
      const own = (MAKING[c]! ** 2 + patchSd(read.way)[c]! ** 2) / blanks.length
      return (off[channel] * common) / (common + own)
    }),
  )
}

/** A colorant with what the trial says of it: swatches of its last settled look. Taken on again it is the same. */
export function takenOn(trial: Trial, trialId: string, item: Colorant, date: string): Colorant {
  const kept = item.swatches.filter(swatch => !isOf(trialId, swatch))
  const last = agesRead(trial).findLast(({ days }) => days >= (item.shiftDays > 0 ? SETTLED_DAYS : 1))
  if (!last) return { ...item, swatches: kept }
  const shift = shiftOf(trial, last)
  const base = baseOfTrial(trial)
  const mine = counted(trial).filter(({ colorant, label }) => colorant === item.id && last.labs.has(label))
  const swatches = mine.map((sample): OwnSwatch => {
    const readings = trial.readings.filter(reading => reading.sample === sample.label)
    return {
      id: `${prefixOf(trialId)}-${sample.label.toLowerCase()}`,
      date,
      doseGPerKg: sample.gPerKg,
      medium: item.medium,
      whiteGPerKg: sample.whiteGPerKg,
      days: last.days,
      gel: trial.base.gel,
      carotene: base.carotene,
      chlorophyll: base.chlorophyll,
      brown: base.brown,
      scatter: base.scatter,
      hex: hexOf(minus(last.labs.get(sample.label)!, shift)),
      faults: [...new Set(readings.flatMap(({ faults }) => faults))],
      note: `${trial.name}, ${sample.label}`.slice(0, 200),
      picture: '',
    }
  })
  return { ...item, swatches: [...kept, ...swatches] }
}

/** A colorant as it is without the trial. */
export const takenBack = (trialId: string, item: Colorant): Colorant => ({
  ...item,
  swatches: item.swatches.filter(swatch => !isOf(trialId, swatch)),
})

export interface DueLook {
  days: number
  /** The day on which it is due, like 2026-12-03. */
  on: string
  isDone: boolean
  /** It was not taken, and a later one was: nobody asks for it any more. */
  isPast: boolean
}

const DAY_MS = 86_400_000
/** A look is done when one was taken so near its day: within hours at first, later within a share of its age. */
const isNear = (days: number, at: number): boolean =>
  Math.abs(at - days) <= (days < 1.5 ? HOURS_NEAR : Math.max(1, NEAR.share * days))
const HOURS_NEAR = 0.6

/** When the samples are to be looked at, and whether they were; none before it is poured. */
export function dueLooks({ question, pouredOn, readings, numbers = [] }: Trial): DueLook[] {
  if (pouredOn === '') return []
  const from = new Date(`${pouredOn}T00:00:00Z`).getTime()
  const taken = [...readings, ...numbers].map(one => one.days)
  const last = Math.max(-1, ...taken)
  return kindOf(question.kind).days.map(days => {
    const isDone = taken.some(at => isNear(days, at))
    const on = new Date(from + days * DAY_MS).toISOString().slice(0, 10)
    return { days, on, isDone, isPast: !isDone && days < last }
  })
}
