import { mixedC } from '../batter/heat/index.ts'
import type { RunInput, RunState } from '../batter/schedule/index.ts'
import type { Following } from './following.ts'
import { PROBE_GAIN } from './replay.ts'
import type { BenchState } from './state.ts'
import { lastWithin } from './readings.ts'
import { inputWhipped, whippedC } from './whipping.ts'

/** How warm lye and oils really met, and how warm the batter was as blending stopped, as far as it was read. Temperatures in °C. */

/** A reading of the pot is taken for what it was as blending stopped, so long before or after, s. */
const POT_WITHIN_S = 180
/** Readings nearer to the plan than this are the plan's. */
const NEAR_C = 0.25

/** What lye and oils came to, by what was read before they met; null: not both were read, or hot lye melts the fats. */
export function metC(following: Following, { temps, lyeInAt }: BenchState): number | null {
  const { plan } = following
  if (lyeInAt === null || plan.heat.rule === 'transfer' || plan.whipped) return null
  const [lyeC, oilsC] = [lastWithin(temps.lye, lyeInAt), lastWithin(temps.oils, lyeInAt)]
  return lyeC === null || oilsC === null ? null : mixedOf(following, oilsC, lyeC)
}

const mixes = new WeakMap<RunInput, Map<string, number>>()

/** Asked for at every look at a run, and the same for the same readings: kept. */
function mixedOf({ input, plan, shelf, portions }: Following, oilsC: number, lyeC: number): number {
  const known = mixes.get(input) ?? new Map<string, number>()
  mixes.set(input, known)
  const key = `${oilsC} ${lyeC}`
  const there = known.get(key) ?? mixedC(plan, shelf, portions, oilsC, lyeC)
  known.set(key, there)
  return there
}

const kept = new WeakMap<RunInput, Map<number, RunInput>>()

/** The run as it began: with what lye and oils came to instead of what was planned. The same for the same readings. */
export function inputMet(following: Following, state: BenchState): RunInput {
  const { input } = following
  const isWhipped = input.whipped !== null
  const met = isWhipped && state.lyeInAt !== null ? whippedC(following, state, state.lyeInAt) : metC(following, state)
  if (met === null || Math.abs(met - (input.whipped?.startC ?? input.mixC)) < NEAR_C) return input
  const known = kept.get(input) ?? new Map<number, RunInput>()
  kept.set(input, known)
  const there = known.get(met) ?? (isWhipped ? inputWhipped(input, met) : { ...input, mixC: met })
  known.set(met, there)
  return there
}

/** What the pot was read as blending stopped; null: it was not. */
export function potReadC({ temps, stoppedAt }: BenchState): number | null {
  if (stoppedAt === null) return null
  return temps.pot.findLast(one => Math.abs(one.r - stoppedAt) <= POT_WITHIN_S)?.value ?? null
}

/** Cups as warm as the pot was read, as far as a reading is believed. */
export function warmedAs(run: RunState, readC: number | null): void {
  if (readC === null) return
  for (const cup of run.cups) if (cup) cup.batter.temperatureC += PROBE_GAIN * (readC - cup.batter.temperatureC)
}
