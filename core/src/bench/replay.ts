import { MODES, RunState, SIGHT_ERROR, inTheMould, lnLikelihood, stickOf } from '../batter/schedule/index.ts'
import type { CupState, RunInput } from '../batter/schedule/index.ts'
import { RESTIR_S, loadOf } from '../batter/trace/index.ts'
import { advanceCup, cupLevel, standingLevel } from './resting.ts'
import type { BenchState, CupNow, Reading, Sighting } from './state.ts'

/** A cup as it was really handled, in one guess of pace and scent, and how well that guess explains what was seen of it. */

/** What the model's levels are off by in one cup: believed, and its variance. */
export interface LevelError {
  mean: number
  variance: number
}

/** What the model itself may be off by at any one reading, levels. */
export const MODEL_ERROR = 0.15
export const errorOf = ({ by }: Sighting) => (by === 'drip' ? 'drip' : 'eye')
/** Looks of the same eye so soon after another are not new evidence, s; every drop is another, but for the hand that lets it fall. */
const REPEAT_S = { word: 90, drip: 30 } as const
/** Further off than so many standard deviations, a look pulls no more. */
const PULLS = 1.5
/** A look so far off is a surprise; a second one to the same side is believed, with at least so much error of the model, levels. */
const SURPRISES = 2.5
const BELIEVED_ERROR = 0.3

/** What was done with a cup, in order, s after the lye went in. */
export type Deed =
  | { s: number; kind: 'colour' | 'scent' }
  | { s: number; kind: 'handled'; how: 'stir' | 'burst'; seconds: number }
  | { s: number; kind: 'poured'; pour: string; fromS: number }
  | { s: number; kind: 'seen'; seen: Sighting; repeats: number }
  | { s: number; kind: 'thick'; level: number }
  | { s: number; kind: 'warm'; tempC: number }

/** Probes that are read so soon after another say nothing of how a cup warms, s. */
const WARMS_IN_S = 90

/** Readings that tell something: the first, and those that are far enough apart. */
function tellingReadings(readings: readonly Reading[]): Reading[] {
  const list: Reading[] = []
  for (const one of readings) if (list.length === 0 || one.r - list.at(-1)!.r >= WARMS_IN_S) list.push(one)
  return list
}

export function deedsOf(input: RunInput, state: BenchState, cup: CupNow, lyeInAt: number): Deed[] {
  const mine = input.pours.filter(task => input.cups[task.cup]!.cup.id === cup.cup)
  const poured = mine.flatMap((task): Deed[] => {
    const span = state.pours[task.pour]
    return span ? [{ s: span.toS - lyeInAt, kind: 'poured', pour: task.pour, fromS: span.fromS - lyeInAt }] : []
  })
  const nextAt = (r: number) => mine.find(task => (state.pours[task.pour]?.fromS ?? Infinity) > r)
  const thick = state.wrong.flatMap(({ r, how, cup: of }): Deed[] => {
    const next = how === 'too-thick' && of === cup.cup ? nextAt(r) : undefined
    return next ? [{ s: r - lyeInAt, kind: 'thick', level: next.window.hi }] : []
  })
  const deeds: Deed[] = [
    ...(cup.colouredAt === null ? [] : [{ s: cup.colouredAt - lyeInAt, kind: 'colour' as const }]),
    ...(cup.scentedAt === null ? [] : [{ s: cup.scentedAt - lyeInAt, kind: 'scent' as const }]),
    ...cup.seen.map((seen, i) => {
      const repeats = cup.seen.filter((one, k) => k < i && seen.r - one.r < REPEAT_S[seen.by]).length
      return { s: seen.r - lyeInAt, kind: 'seen' as const, seen, repeats }
    }),
    ...tellingReadings(cup.temps).map(({ r, value }) => ({ s: r - lyeInAt, kind: 'warm' as const, tempC: value })),
    ...cup.handled.map(({ r, how, s }) => ({ s: r - lyeInAt, kind: 'handled' as const, how, seconds: s })),
    ...thick,
    ...poured,
  ]
  return deeds.sort((a, b) => a.s - b.s)
}

/** ln of a Student t with 4 degrees of freedom, but for a constant: one wild reading does not turn all over. */
const lnStudent = (off: number, variance: number): number =>
  -Math.log(variance) / 2 - 2.5 * Math.log(1 + (off * off) / (4 * variance))

/**
 * A look at a cup in one node: what is believed of the model's error moves towards it, and the node is weighed by how well it explains
 * the look. Looks of the same eye soon after another count for less.
 */
class Looks {
  ln = 0
  #surprise = 0

  constructor(readonly error: LevelError) {}

  at({ seen, repeats }: { seen: Sighting; repeats: number }, level: number): void {
    const { error } = this
    const lookVariance = SIGHT_ERROR[errorOf(seen)] ** 2 * (1 + repeats)
    const off = seen.value - level - error.mean
    const surprise = off / Math.sqrt(error.variance + lookVariance)
    // What was a surprise twice, to the same side, is so.
    const isSure = Math.abs(surprise) > SURPRISES && surprise * this.#surprise > 0
    if (isSure) error.variance = Math.max(error.variance, BELIEVED_ERROR ** 2)
    const spread = Math.sqrt(error.variance + lookVariance)
    this.ln += lnLikelihood(seen.value, level + error.mean, spread)
    const pulls = isSure ? 1 : Math.min(1, (PULLS * spread) / Math.max(1e-9, Math.abs(off)))
    error.mean += (error.variance / (error.variance + lookVariance)) * pulls * off
    error.variance *= 1 - error.variance / (error.variance + lookVariance)
    this.#surprise = Math.abs(surprise) > SURPRISES ? surprise : 0
  }

  /** It was called too thick to be poured: at least so thick, by eye. */
  atLeast(limit: number, level: number): void {
    const { error } = this
    const variance = error.variance + SIGHT_ERROR.eye ** 2
    const short = limit - level - error.mean
    if (short > 0) this.ln += lnStudent(short, variance)
  }
}

/** A probe's own error from cup to cup, and from one reading to the next, °C. Estimates. */
const PROBE_C = 0.5
const REPEAT_C = 0.3
/** How well the temperature of a batter is known as it is divided, °C; and heat of reaction and loss, as shares. Estimates. */
export const MIXED_C = 1.5
const HEAT_SHARE = 0.15
const LOSS_SHARE = 0.25
/** How much of what a first reading says is believed. */
export const PROBE_GAIN = MIXED_C ** 2 / (MIXED_C ** 2 + PROBE_C ** 2)

/**
 * Temperatures of a cup: the first says how warm it is, the later ones how much heat it made since. Source of the law: what is made
 * and what is lost are known by shares, the rest is the probe's.
 */
class Warmth {
  ln = 0
  #first: { readC: number; tempC: number; converted: number } | null = null

  at(tempC: number, { batter, pace }: CupState): void {
    if (!this.#first) {
      batter.temperatureC += PROBE_GAIN * (tempC - batter.temperatureC)
      this.#first = { readC: tempC, tempC: batter.temperatureC, converted: batter.converted }
      return
    }
    const rise = batter.temperatureC - this.#first.tempC
    const made = pace.adiabaticRiseK * (batter.converted - this.#first.converted)
    const variance = 2 * REPEAT_C ** 2 + (HEAT_SHARE * made) ** 2 + (LOSS_SHARE * (made - rise)) ** 2
    this.ln += lnStudent(tempC - this.#first.readC - rise, variance)
  }
}

/** What comes of a cup in one guess. */
export interface Replayed {
  /** The cup after the last that was done with it. */
  cup: CupState
  error: LevelError
  /** ln of how well the guess explains what was seen. */
  ln: number
  /** Soap in the mould, by its pour. */
  mould: ReadonlyMap<string, CupState>
  /** Levels as it was drawn and after each thing that was done, s after the lye went in. */
  path: readonly { s: number; level: number }[]
  /** What it met at each of its pours: as it stood, as it was stirred for it, and as it ended. */
  met: ReadonlyMap<string, { stoodLevel: number; startLevel: number; endLevel: number }>
}

/**
 * Takes a cup from its drawing through all that was done with it. The cup is changed in place.
 *
 * @param error what the model may be off by as the cup is filled
 */
export function replayed(run: RunState, i: number, deeds: readonly Deed[], error: LevelError): Replayed {
  const { input } = run
  const cup = run.cups[i]!
  const task = input.cups[i]!
  const looks = new Looks(error)
  const warmth = new Warmth()
  const mould = new Map<string, CupState>()
  const met = new Map<string, { stoodLevel: number; startLevel: number; endLevel: number }>()
  const waits = run.waiting(i)
  const path = [{ s: cup.atS, level: cupLevel(cup) }]
  for (const deed of deeds) {
    switch (deed.kind) {
      case 'seen':
        advanceCup(cup, waits, deed.s)
        looks.at(deed, cupLevel(cup))
        break
      case 'thick':
        advanceCup(cup, waits, deed.s)
        looks.atLeast(deed.level, cupLevel(cup))
        break
      case 'warm':
        advanceCup(cup, waits, deed.s)
        warmth.at(deed.tempC, cup)
        break
      case 'handled': {
        const fromS = deed.s - deed.seconds - (deed.how === 'burst' ? RESTIR_S : 0)
        advanceCup(cup, waits, fromS)
        if (deed.how === 'burst') advanceCup(cup, stickOf(run, i), fromS + deed.seconds)
        advanceCup(cup, MODES.hand, deed.s)
        break
      }
      case 'poured': {
        advanceCup(cup, waits, deed.fromS)
        const stoodLevel = standingLevel(cup)
        advanceCup(cup, MODES.hand, Math.min(deed.fromS + RESTIR_S, deed.s))
        const startLevel = cupLevel(cup)
        advanceCup(cup, MODES.pour, deed.s)
        mould.set(deed.pour, inTheMould(cup))
        met.set(deed.pour, { stoodLevel, startLevel, endLevel: cupLevel(cup) })
        break
      }
      case 'colour':
      case 'scent': {
        const seconds = run.handS(deed.kind === 'colour' ? task.colourS : input.times.scent)
        advanceCup(cup, waits, deed.s - seconds)
        if (deed.kind === 'colour') {
          cup.load = loadOf(cup.load.scent, task, cup.load.variation)
          cup.batter.swollenOwn = 0
        } else if (task.scent?.moment !== 'pot' || input.ownBatters) run.addScent(i)
        advanceCup(cup, MODES.hand, deed.s)
      }
    }
    path.push({ s: cup.atS, level: cupLevel(cup) })
  }
  return { cup, error: looks.error, ln: looks.ln + warmth.ln, mould, path, met }
}
