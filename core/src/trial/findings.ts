import { ratesOf, recipeKey, scentPrior } from '../batter/learning/index.ts'
import { atDose } from '../batter/trace/index.ts'
import { pigmentOfColorant } from '../look/index.ts'
import { plannedScent, starterPlan } from '../plan/index.ts'
import { scentLoad, unitBatter } from '../recipe/index.ts'
import { BEFORE_TRIALS, findById, foundOf } from '../shelf/index.ts'
import type { Colorant, Finding, FindingWhat, Scent, Shelf } from '../shelf/index.ts'
import type { Lab } from '../look/colour/index.ts'
import { agesRead, baseOfTrial } from './answer.ts'
import type { AgeRead } from './answer.ts'
import { prefixOf } from './document.ts'
import type { Trial, TrialBatter, TrialSample } from './document.ts'
import { browningBy, fadingBy, stabiliserBy } from './shade.ts'
import type { Shade, ShadeRead } from './shade.ts'
import { pairBatter, pairSaid } from './speed.ts'
import type { PairRead, PairSaid } from './speed.ts'

/** What a trial found of a scent or a colorant beside its colour, and how the shelf keeps it. */

/** A shelf as it is without what a trial taught it. @param batch that it was made as: what was seen in it counts with the trial */
export function shelfWithoutTrial(shelf: Shelf, trialId: string, batch: string | null): Shelf {
  const without = <T extends { findings?: Finding[] }>(item: T): T =>
    item.findings?.some(({ trial }) => trial === prefixOf(trialId))
      ? { ...item, findings: item.findings.filter(({ trial }) => trial !== prefixOf(trialId)) }
      : item
  return {
    ...shelf,
    scents: shelf.scents.map(without),
    colorants: shelf.colorants.map(without),
    evidence: shelf.evidence.filter(one => one.batch !== batch),
  }
}

const usualBatter = (): TrialBatter => {
  const { recipe, conditions } = starterPlan('Samples')
  return { recipe, mixC: conditions.mixC, roomC: conditions.roomC, stopLevel: conditions.stopLevel }
}

/** Its batter; before it is made as a batch that of a new one. */
export const batterOf = ({ batter }: Pick<Trial, 'batter'>): TrialBatter => batter ?? usualBatter()

interface OfScent {
  scent: Scent
  /** g per kg of oils and of batter, and its vanillin, g per kg of batter. */
  perOils: number
  perBatter: number
  vanillinGPerKg: number
}

function scentIn(trial: Trial, shelf: Shelf): OfScent | null {
  const { scent: id, load } = trial.question
  const scent = id ? findById(shelf.scents, id) : undefined
  if (!scent || !load) return null
  const { batterG } = unitBatter(batterOf(trial).recipe, shelf)
  const { parts } = scentLoad(plannedScent([{ scent: scent.id, share: 1 }], load), shelf, batterG)
  const vanillin = parts.reduce((sum, part) => sum + part.share * (part.scent?.vanillinShare ?? 0), 0)
  const perBatter = (1000 * load) / batterG
  return { scent, perOils: 1000 * load, perBatter, vanillinGPerKg: perBatter * vanillin }
}

const counted = ({ samples }: Trial): TrialSample[] => samples.filter(({ struckOut }) => struckOut === '')

const labsOf = ({ labs }: AgeRead, samples: readonly TrialSample[]): Lab[] =>
  samples.flatMap(({ label }) => labs.get(label) ?? [])

const meanOf = (labs: readonly Lab[]): Lab => ({
  l: labs.reduce((sum, { l }) => sum + l, 0) / labs.length,
  a: labs.reduce((sum, { a }) => sum + a, 0) / labs.length,
  b: labs.reduce((sum, { b }) => sum + b, 0) / labs.length,
})

/** Readings of samples against others, at every age at which both were read. */
function shadeReads(
  ages: readonly AgeRead[],
  samples: readonly TrialSample[],
  against: readonly TrialSample[],
): ShadeRead[] {
  return ages.flatMap((age): ShadeRead[] => {
    const [mine, others] = [labsOf(age, samples), labsOf(age, against)]
    if (mine.length === 0 || others.length === 0 || age.days <= 0) return []
    const [a, b] = [meanOf(mine), meanOf(others)]
    const { days, way, photos } = age
    const by = { l: a.l - b.l, a: a.a - b.a, b: a.b - b.b }
    return [{ days, way, photos, by, samples: mine.length, blanks: others.length }]
  })
}

/** What is said of a scent’s browning: how strongly its vanillin acts, how late, what a stabiliser holds. */
export interface BrowningSaid {
  vanillinGPerKg: number
  deeper: Shade
  later: Shade | null
  held: Shade | null
}

function browningSaid(trial: Trial, shelf: Shelf, ages: readonly AgeRead[]): BrowningSaid | null {
  const of = scentIn(trial, shelf)
  if (!of || of.vanillinGPerKg <= 0 || trial.question.kind === 'speed') return null
  const samples = counted(trial)
  const nothing = samples.filter(({ role }) => role === 'nothing')
  const alone = samples.filter(one => one.scented && one.colorant === '' && !one.stabiliserRatio)
  const { findings } = of.scent
  const asked = {
    vanillinGPerKg: of.vanillinGPerKg,
    base: baseOfTrial(trial),
    gel: trial.base.gel,
    deeper: foundOf(findings, 'depth'),
    later: foundOf(findings, 'pace'),
  }
  const suspect = shadeReads(ages, alone, nothing)
  if (suspect.length === 0) return null
  const ratios = [...new Set(samples.flatMap(({ stabiliserRatio }) => stabiliserRatio ?? []))].filter(r => r > 0)
  if (ratios.length === 0) return { ...asked, held: null, ...browningBy(asked, suspect) }
  const treated = ratios.map(ratio => ({
    stabiliserGPerKg: ratio * of.perBatter,
    reads: shadeReads(
      ages,
      samples.filter(one => one.stabiliserRatio === ratio),
      nothing,
    ),
  }))
  const said = stabiliserBy({ ...asked, held: foundOf(findings, 'held') }, suspect, treated)
  return { vanillinGPerKg: of.vanillinGPerKg, later: null, ...said }
}

export interface FadingSaid {
  colorant: string
  share: Shade
  later: Shade
}

function fadingSaid(trial: Trial, shelf: Shelf, ages: readonly AgeRead[]): FadingSaid[] {
  if (trial.question.kind !== 'fading') return []
  return trial.question.levels.flatMap(({ colorant, gPerKg }, level): FadingSaid[] => {
    const item = findById(shelf.colorants, colorant)
    const samples = counted(trial).filter(one => one.level === level)
    const [window, dark] = [samples.filter(one => one.role === 'test'), samples.filter(one => one.role === 'dark')]
    const reads = shadeReads(ages, window, dark)
    if (!item || reads.length === 0) return []
    const { pigment } = pigmentOfColorant(item)
    const share = { mean: foundOf(item.findings, 'fade-share', item.fadeShare).mean, sd: BEFORE_TRIALS['fade-share'] }
    const asked = { pigment, gPerKg, base: baseOfTrial(trial), gel: trial.base.gel, share, fadeDays: item.fadeDays }
    return [{ colorant, ...fadingBy({ ...asked, later: foundOf(item.findings, 'fade-pace') }, reads) }]
  })
}

/** Who noted a level that a drip was timed for; errors of such a look, and of one by its words, levels. */
export const BY_DRIP = 'drip'
const LOOK = { drip: 0.15, word: 0.25 } as const

/** Looks at both cups within so many minutes count as one. */
const SAME_MINUTE = 0.5

/** Both cups of a pair at each minute at which both were read; pairs go by the order in which their cups were drawn. */
export function pairsOf(trial: Trial): PairRead[][] {
  const levels = (trial.numbers ?? []).filter(one => one.what === 'level' && one.minutes > 0)
  const of = (label: string | undefined) => levels.filter(one => one.sample === label)
  const plain = counted(trial).filter(({ role }) => role === 'nothing')
  const scented = counted(trial).filter(({ role }) => role === 'test')
  return scented
    .map((sample, i) => {
      const beside = of(plain[Math.min(i, plain.length - 1)]?.label)
      return of(sample.label).flatMap(({ minutes, value, by }) => {
        const one = beside.find(other => Math.abs(other.minutes - minutes) <= SAME_MINUTE)
        const sd = by === BY_DRIP && one?.by === BY_DRIP ? LOOK.drip : LOOK.word
        return one ? [{ minutes, plain: one.value, scented: value, sd }] : []
      })
    })
    .filter(({ length }) => length > 0)
}

export interface SpeedSaid extends PairSaid {
  /** Weight that the scent’s own rate, at 3 % of oils, has at its dose. */
  weight: number
  recipe: string
}

function speedSaid(trial: Trial, shelf: Shelf): SpeedSaid | null {
  const of = scentIn(trial, shelf)
  const pairs = pairsOf(trial)
  if (trial.question.kind !== 'speed' || !of || pairs.length === 0) return null
  const { recipe, ...about } = batterOf(trial)
  const key = recipeKey({ recipe })
  const rates = ratesOf(shelf)
  const parts = [{ scent: of.scent.id, share: 1 }]
  const expected = { plain: rates.plain(key), scent: rates.scented(key, parts, of.perOils) }
  const batter = pairBatter(recipe, shelf, { ...about, cupG: trial.question.sampleG })
  const own = scentPrior(of.scent).mean || 1
  return { ...pairSaid(batter, expected, pairs), weight: atDose(own, of.perOils) / own, recipe: key }
}

/** Cups of the pot that were looked at for grains, and how many had them; null: none was. */
export function ricedIn(trial: Trial): { cups: number; riced: number } | null {
  const seen = counted(trial).filter(({ scented }) => scented)
  const told = seen.flatMap(
    ({ label }) => (trial.numbers ?? []).findLast(one => one.sample === label && one.what === 'riced') ?? [],
  )
  return told.length > 0 ? { cups: told.length, riced: told.filter(({ value }) => value > 0).length } : null
}

/** What a trial says beside colours and numbers. */
export interface FoundSaid {
  browning: BrowningSaid | null
  fading: FadingSaid[]
  speed: SpeedSaid | null
  riced: { cups: number; riced: number } | null
  /** The shelf says of its scent that there is no vanillin in it: browning has nothing to go by. */
  hasNoVanillin: boolean
}

/** @param shelf without what the trial taught it */
export function foundSaid(trial: Trial, shelf: Shelf): FoundSaid {
  const ages = agesRead(trial)
  const { kind } = trial.question
  const browns = kind === 'browning' || kind === 'stabiliser' || kind === 'whites'
  return {
    browning: browns ? browningSaid(trial, shelf, ages) : null,
    fading: fadingSaid(trial, shelf, ages),
    speed: speedSaid(trial, shelf),
    riced: ricedIn(trial),
    hasNoVanillin: browns && (scentIn(trial, shelf)?.vanillinGPerKg ?? 1) <= 0,
  }
}

/** Items of the shelf with what the trial found of them. */
export interface Taught {
  scent: Scent | null
  colorants: Colorant[]
}

/** Findings as the shelf keeps them: apart from what was expected before. */
export function taughtBy(trial: Trial, trialId: string, shelf: Shelf, said: FoundSaid, date: string): Taught {
  const nothing = { trial: prefixOf(trialId), date, weight: 1, recipe: '', cups: 0, riced: 0 }
  const of = (what: FindingWhat, found: { value: number; sd: number } | null | undefined): Finding[] =>
    found ? [{ ...nothing, what, ...found }] : []
  const { browning, fading, speed, riced } = said
  const ofScent = [
    ...of('depth', browning?.deeper.found),
    ...of('pace', browning?.later?.found),
    ...of('held', browning?.held?.found),
    ...of('rate', speed?.found).map(one => ({ ...one, weight: speed!.weight, recipe: speed!.recipe })),
    ...of('ricing', riced && { value: riced.riced / riced.cups, sd: 0 }).map(one => ({ ...one, ...riced! })),
  ]
  const bare = shelfWithoutTrial(shelf, trialId, null)
  const scent = findById(bare.scents, trial.question.scent ?? '')
  return {
    scent: scent && ofScent.length > 0 ? { ...scent, findings: [...(scent.findings ?? []), ...ofScent] } : null,
    colorants: fading.flatMap(({ colorant, share, later }) => {
      const item = findById(bare.colorants, colorant)
      const ofItem = [...of('fade-share', share.found), ...of('fade-pace', later.found)]
      return item && ofItem.length > 0 ? [{ ...item, findings: [...(item.findings ?? []), ...ofItem] }] : []
    }),
  }
}
