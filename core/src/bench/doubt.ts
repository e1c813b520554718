import { SIGHT_ERROR } from '../batter/schedule/index.ts'
import type { BenchOutlook } from './bench-outlook.ts'
import type { BenchEvent } from './event.ts'
import type { Following } from './following.ts'
import { drawMass } from './masses.ts'
import type { BenchState } from './state.ts'

/** Numbers that do not fit what is known, and what may have been meant: asked about once, never refused. */

export type Meant =
  /** Another number: a point lost, another unit, digits exchanged. */
  | { kind: 'typed'; amount: number; why: 'point' | 'tenfold' | 'unit' | 'digits' }
  /** Another cup. */
  | { kind: 'cup'; cup: string }
  /** It was seen some time ago. */
  | { kind: 'late'; r: number }

export interface Doubt {
  /** What was expected: the trace of that cup, the weight, the temperature. */
  expected: number
  /** What may have been meant, the likeliest first; that it is so is always possible. */
  meant: Meant[]
}

type About = Pick<BenchEvent, 'kind'> & Partial<BenchEvent>

/** Standard deviations from which a look is doubted, and within which another explanation counts. */
const DOUBTED_Z = 2.5
const FITS_Z = 1
/** Another cup must explain so much more, and a look is late by at most so much, s. */
const CUP_GAINS = 6
const LATEST_S = 720
/** A weight further off than a tenth is looked at; another number fits when it is so near, as a share. */
const OFF_SHARE = 0.1
const NEAR_SHARE = 0.03
/** A temperature further off than so much is looked at; another number fits within so much, °C. */
const OFF_C = 12
const NEAR_C = 6
const GRAMS_PER_OUNCE = 28.349523125

const zOf = (y: number, { level, sd }: { level: number; sd: number }, error: number) =>
  (y - level) / Math.hypot(sd, error)

/** A trace that does not fit its cup. @param before how the run stood earlier, the latest first */
function ofTrace({ cup, amount, how }: About, now: BenchOutlook, before: readonly BenchOutlook[]): Doubt | null {
  const mine = now.cups.find(one => one.cup === cup)
  if (!mine || amount === undefined) return null
  const error = SIGHT_ERROR[how === 'drip' ? 'drip' : 'eye']
  const z = zOf(amount, mine, error)
  if (Math.abs(z) <= DOUBTED_Z) return null
  const others = now.cups
    .filter(one => one.cup !== cup)
    .map(one => ({ cup: one.cup, z: zOf(amount, one, error) }))
    .filter(one => Math.abs(one.z) < FITS_Z && z ** 2 - one.z ** 2 > CUP_GAINS)
    .sort((a, b) => Math.abs(a.z) - Math.abs(b.z))
  // Batter only thickens: what is thinner than it can be now was seen before.
  const then =
    z < 0 &&
    before
      .filter(({ r }) => now.r - r <= LATEST_S)
      .flatMap(({ r, cups }) =>
        cups.filter(one => one.cup === cup).map(one => ({ r, z: Math.abs(zOf(amount, one, error)) })),
      )
      .filter(one => one.z < FITS_Z)
      .sort((a, b) => a.z - b.z)[0]
  return {
    expected: mine.level,
    meant: [
      ...others.slice(0, 2).map((one): Meant => ({ kind: 'cup', cup: one.cup })),
      ...(then ? [{ kind: 'late', r: then.r } as const] : []),
    ],
  }
}

/** Numbers that digits exchanged with their neighbours would give. */
function exchanged(amount: number): number[] {
  const text = String(amount)
  return Array.from(
    { length: text.length - 1 },
    (_, i) => text.slice(0, i) + text[i + 1]! + text[i]! + text.slice(i + 2),
  )
    .map(Number)
    .filter(one => Number.isFinite(one) && one !== amount)
}

function ofWeight(amount: number, plannedG: number): Doubt | null {
  if (!(plannedG > 0) || Math.abs(amount - plannedG) <= OFF_SHARE * plannedG) return null
  const guesses: Meant[] = [
    { kind: 'typed', amount: amount / 10, why: 'point' },
    { kind: 'typed', amount: amount * 10, why: 'tenfold' },
    { kind: 'typed', amount: amount * GRAMS_PER_OUNCE, why: 'unit' },
    { kind: 'typed', amount: amount / GRAMS_PER_OUNCE, why: 'unit' },
    ...exchanged(amount).map((one): Meant => ({ kind: 'typed', amount: one, why: 'digits' })),
  ]
  const near = guesses.filter(one => one.kind === 'typed' && Math.abs(one.amount - plannedG) <= NEAR_SHARE * plannedG)
  return near.length > 0 ? { expected: plannedG, meant: near.slice(0, 2) } : null
}

function ofTemperature(amount: number, expectedC: number): Doubt | null {
  if (Math.abs(amount - expectedC) <= OFF_C) return null
  const guesses: Meant[] = [
    { kind: 'typed', amount: amount / 10, why: 'point' },
    { kind: 'typed', amount: (amount - 32) / 1.8, why: 'unit' },
    { kind: 'typed', amount: amount * 1.8 + 32, why: 'unit' },
  ]
  const near = guesses.filter(one => one.kind === 'typed' && Math.abs(one.amount - expectedC) <= NEAR_C)
  return near.length > 0 ? { expected: expectedC, meant: near } : null
}

/**
 * Whether a number that is about to be noted fits; null: it does, or nothing is known to hold it against. What is measured by an
 * instrument is believed.
 *
 * @param before how the run stood earlier, the latest first
 */
export function doubtOf(
  following: Following,
  state: BenchState,
  about: About,
  now: BenchOutlook | null,
  before: readonly BenchOutlook[] = [],
): Doubt | null {
  const { plan, lines } = following
  const { kind, amount } = about
  if (amount === undefined || (about.source !== undefined && about.source !== 'hand')) return null
  if (kind === 'seen') return now ? ofTrace(about, now, before) : null
  if (kind === 'weighed') return ofWeight(amount, lines.find(line => line.key === about.item)?.massG ?? 0)
  if (kind === 'drawn') return ofWeight(amount, drawMass(following, state, about.cup ?? ''))
  if (kind !== 'temp' || about.body === undefined || about.body === 'room') return null
  const last = state.temps[about.body].at(-1)?.value
  const { mixC } = plan.conditions
  // Lye on its way down may have any temperature: only a reading before says what is likely.
  const expected = last ?? (about.body === 'lye' ? null : about.body === 'pot' && state.lyeInAt === null ? null : mixC)
  return expected === null ? null : ofTemperature(amount, expected)
}
