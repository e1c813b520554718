import { normal } from '../../quantities/chance/index.ts'
import type { SeenBy } from '../../plan/index.ts'
import type { LanePoint } from './run-state.ts'
import type { RunInput } from './run-input.ts'
import { variationAt } from './variation.ts'
import type { Belief } from './variation.ts'
import { levelAt } from './reading.ts'
import { runPlan } from './timetable.ts'

/** What trace that was seen says of a batter's pace. */

/** A sighting's own error beside the model's, in trace levels: named by eye, or told by a drip. */
export const SIGHT_ERROR: Readonly<Record<SeenBy, number>> = { eye: 0.25, drip: 0.15 }
/** Longest step between recorded points of a run that is held against what was seen, s. */
export const SAMPLE_S = 30
/** From here on a batter has set: how much more is not told apart. */
const SET = 4.6
/** Where the likelihood leaves the normal law for a straight flank, in standard deviations. */
const FLANK = 1.5

const WHOLE = Math.sqrt(2 * Math.PI) * (2 * normal(FLANK) - 1) + (2 * Math.exp((-FLANK * FLANK) / 2)) / FLANK

/** Share of that law beyond t standard deviations. */
function beyond(t: number): number {
  if (t >= FLANK) return Math.exp(-FLANK * (t - FLANK / 2)) / (FLANK * WHOLE)
  if (t <= -FLANK) return 1 - beyond(-t)
  const flank = Math.exp((-FLANK * FLANK) / 2) / FLANK
  return (flank + Math.sqrt(2 * Math.PI) * (normal(FLANK) - normal(t))) / WHOLE
}

/**
 * ln of how well a shown level explains a seen one: normal in the middle, straight flanks beyond. Its logarithm is concave, so a
 * thicker sighting never lowers what is believed of the pace, and one wild sighting does not turn it over.
 */
export function lnLikelihood(seen: number, shown: number, spread: number): number {
  if (seen >= SET) return Math.log(beyond((SET - shown) / spread))
  const d = Math.abs(seen - shown) / spread
  return d <= FLANK ? (-d * d) / 2 : -FLANK * (d - FLANK / 2)
}

/** Deviations at which the belief is worked through: further to the quick side, where batters seize. */
const NODES = [-3, -2.4, -1.8, -1.2, -0.6, 0, 0.6, 1.2, 1.8, 2.4, 3, 3.8, 4.8] as const
/** Beyond this the quick side has a long tail of its own. */
const TAIL_FROM = 2.2

const WEIGHTS: readonly number[] = (() => {
  const heights = NODES.map((z, i) => {
    const width = ((NODES[i + 1] ?? z) - (NODES[i - 1] ?? z)) / 2
    return width * (Math.exp((-z * z) / 2) + (z > TAIL_FROM ? 0.01 / (1 + (z / 3) ** 4) : 0))
  })
  const sum = heights.reduce((a, b) => a + b, 0)
  return heights.map(h => h / sum)
})()

/** What runs of growing pace show at every sighting: a quicker batter is never taken to show less. */
export function shownBy(
  input: RunInput,
  seen: RunInput['seen'],
  lanes: readonly (readonly LanePoint[][])[],
): number[][] {
  const shown = lanes.map(list =>
    seen.map(({ cup, s }) => {
      const lane = list[cup] ?? []
      return lane.length > 0 ? levelAt(lane, s) : NaN
    }),
  )
  for (let n = 1; n < shown.length; n += 1)
    for (let k = 0; k < seen.length; k += 1) shown[n]![k] = Math.max(shown[n]![k]!, shown[n - 1]![k]!)
  return shown
}

/** ln of how well a run explains all that was seen; what it cannot say anything of counts for nothing. */
export const lnExplains = (input: RunInput, seen: RunInput['seen'], shown: readonly number[]): number =>
  seen.reduce((sum, { level, by }, k) => {
    const spread = Math.hypot(SIGHT_ERROR[by], input.levelError)
    return Number.isNaN(shown[k]!) ? sum : sum + lnLikelihood(level, shown[k]!, spread)
  }, 0)

/** No batter is known more closely than this. */
const LEAST_SD = 0.25
/** A set batter that even so quick a run does not show, is none that the recipe or the scent explains. */
const QUICKEST_EXPLAINED = 2.4

/** From which second on a cup was seen to have set; Infinity: it was not. */
export const seenSetS = (input: RunInput, cup: number): number =>
  Math.min(Infinity, ...input.seen.filter(one => one.cup === cup && one.level >= SET).map(one => one.s))

const believedOf = new WeakMap<RunInput, Belief>()

/** What sightings of trace say of the variation, the runs weighed by how well each explains them. */
export function beliefOf(input: RunInput): Belief {
  if (input.seen.length === 0) return { mean: 0, sd: 1 }
  const known = believedOf.get(input)
  if (known) return known
  const lanes = NODES.map(z => runPlan(input, variationAt(z, input), SAMPLE_S).lanes)
  const shown = shownBy(input, input.seen, lanes)
  const explains = shown.map(list => lnExplains(input, input.seen, list))
  const best = Math.max(...explains)
  const weights = explains.map((ln, n) => WEIGHTS[n]! * Math.exp(ln - best))
  const whole = weights.reduce((sum, weight) => sum + weight, 0)
  const mean = weights.reduce((sum, weight, n) => sum + (weight / whole) * NODES[n]!, 0)
  const variance = weights.reduce((sum, weight, n) => sum + (weight / whole) * (NODES[n]! - mean) ** 2, 0)
  const sd = Math.max(LEAST_SD, Math.sqrt(variance))
  const quick = shown[NODES.indexOf(QUICKEST_EXPLAINED)]!
  const unexplained = input.seen.some(({ level }, k) => level >= SET && quick[k]! < SET)
  const belief = { mean: unexplained ? Math.max(mean, QUICKEST_EXPLAINED) : mean, sd, unexplained }
  believedOf.set(input, belief)
  return belief
}
