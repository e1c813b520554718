import {
  UNSCENTED,
  advanceBatter,
  blenderPower,
  cupCoolingS,
  falseLift,
  handling,
  loadOf,
  sameBatter,
  split,
  stepBatter,
} from '../trace/index.ts'
import type { Batter, Load, RecipePace } from '../trace/index.ts'
import { HANDS, MODES, isNeverStopped } from './run-state.ts'
import type { RunState } from './run-state.ts'
import type { CupTask, RunInput } from './run-input.ts'
import { isStopped, ladderOf, whipped } from './ladder.ts'
import { drawnOffset, superfatOffsets } from './splitting.ts'

/** Blending and dividing: from lye and oils to cups of batter. */

interface Blended {
  batter: Batter
  seconds: number
  reached: boolean
  /** What cups hold that were filled on the way, by their index. */
  drawn: Map<number, { batter: Batter; s: number }>
}

const inPot = (cup: CupTask) => cup.scent?.moment === 'pot'
const inOils = (cup: CupTask) => cup.scent?.moment === 'oils'

/** What a cup carries before its colour goes in. */
export const loadBefore = (state: RunState, cup: CupTask): Load =>
  loadOf(
    inOils(cup) ? state.scentOf(cup) : UNSCENTED,
    state.input.potEffect,
    cup.scent ? state.variation.scentedRate : state.variation.plainRate,
  )

/** Blends, in the maker's way, until it is enough; fills on the way what is to be filled on the way. */
function blend(state: RunState, pace: RecipePace, massKg: number, startC: number, cups: readonly number[]): Blended {
  const { input } = state
  if (input.whipped) return { ...whipped(input), reached: true, drawn: new Map() }
  const scented = cups.map(i => input.cups[i]!).find(inOils)
  const ladder = ladderOf(input, pace, massKg, startC, scented ? state.scentOf(scented) : UNSCENTED)
  const { n, reached } = ladder.first(isStopped(input, state.variation.stop ?? 0))
  const drawn: Blended['drawn'] = new Map()
  for (const i of cups) {
    const { draw, massG } = input.cups[i]!
    if (!draw || massG === 0) continue
    const at = ladder.first(({ level }, s) => (draw.by === 'seconds' ? s >= draw.value : level >= draw.value)).n
    // What is to be drawn later than the pot is stopped is drawn with the others.
    if (at < n) drawn.set(i, { batter: sameBatter(ladder.at(at).batter), s: at * ladder.stepS })
  }
  return { batter: sameBatter(ladder.at(n).batter), seconds: n * ladder.stepS, reached, drawn }
}

/** Level of the pot as it is blended, every few seconds, for the picture. */
function recordPot(state: RunState, massKg: number, seconds: number): void {
  const { input } = state
  if (state.sampleS === 0 || input.whipped) return
  const scented = input.cups.find(inOils)
  const ladder = ladderOf(input, input.pace, massKg, input.mixC, scented ? state.scentOf(scented) : UNSCENTED)
  const everyS = Math.max(5, Math.ceil(seconds / 60))
  for (let s = 0; s < seconds; s += everyS) state.pot.push({ s, level: ladder.at(Math.floor(s / ladder.stepS)).level })
  state.pot.push({ s: seconds, level: ladder.at(Math.round(seconds / ladder.stepS)).level })
}

function noteBlend(state: RunState, pace: RecipePace, { batter, reached, drawn }: Blended): void {
  const load = loadOf(UNSCENTED, state.input.potEffect, 0)
  state.neverEmulsified ||= !reached
  const { split: so } = state
  so.potEmulsion = Math.min(so.potEmulsion, batter.emulsion)
  so.emulsion = Math.min(so.emulsion, batter.emulsion, ...[...drawn.values()].map(one => one.batter.emulsion))
  if (!state.input.whipped) so.falseLift = Math.max(so.falseLift, falseLift({ ...batter, structure: 0 }, pace, load))
}

/** Blends the one pot. */
export const blendPot = (state: RunState): Blended => {
  const { input } = state
  return blend(state, input.pace, input.potKg, input.mixC, [...input.cups.keys()])
}

/** Scent that goes into a pot, by hand or in two short bursts; gives the batter and when it is in. */
function scentIn(state: RunState, batter: Batter, pace: RecipePace, load: Load, massKg: number, cup: CupTask): Batter {
  const how = stickFor(state, massKg)
  if (cup.scent!.how === 'bursts' && state.usesBlender) {
    const now = sameBatter(batter)
    for (const s of burstSteps(state)) advanceBatter(now, pace, load, s.isBlender ? how : MODES.hand, s.seconds)
    state.busy('scent-pot', state.burstsS)
    return now
  }
  const stirS = state.handS(state.input.times['scent-pot'])
  state.busy('scent-pot', stirS)
  return stepBatter(batter, pace, load, MODES.hand, stirS)
}

/** Two bursts of two seconds with the spoon between: what is worked into a batter instead of a long stir. */
const BURSTS = { on: 2, between: 3 } as const
function* burstSteps(state: RunState): Generator<{ isBlender: boolean; seconds: number }> {
  for (let n = 0; n < 2; n += 1) {
    for (let s = 0; s < BURSTS.on; s += 1) yield { isBlender: true, seconds: 1 }
    yield { isBlender: false, seconds: state.burstsS / 2 - BURSTS.on }
  }
}

/** Works a scent into a cup in bursts; gives when it is in. */
export function burstScent(state: RunState, i: number, fromS: number): number {
  const how = stickFor(state, state.input.cups[i]!.massG / 1000)
  let now = fromS
  for (const { isBlender, seconds } of burstSteps(state)) {
    now += seconds
    state.advance(i, isBlender ? how : MODES.hand, now)
  }
  return now
}

/** Divides a batter among cups; those that were filled on the way have stood since. */
function divide(
  state: RunState,
  cups: readonly number[],
  blended: Blended,
  from: { plain: Batter; scented: Batter },
  scented: Load | null,
  pace: RecipePace,
  beganS: number,
): void {
  const { input } = state
  const used = cups.filter(i => input.cups[i]!.massG > 0)
  const late = used.filter(i => !blended.drawn.has(i) && !isNeverStopped(input.cups[i]!))
  const splitS = state.handS(late.length * input.times.split)
  if (used.length > 1 || !input.ownBatters) state.busy('split', splitS)
  const offsets = superfatOffsets(blended.batter.emulsion, splitS, late.length)
  for (const i of cups) {
    const cup = input.cups[i]!
    const isScented = inPot(cup) && scented
    const load = isScented ? scented : loadBefore(state, cup)
    const cooling = { roomC: input.roomC, tauS: cupCoolingS(cup.massG) }
    const early = blended.drawn.get(i)
    const own = isScented ? from.scented : from.plain
    const batter = early
      ? split(early.batter)
      : isNeverStopped(cup)
        ? stepBatter(own, pace, load, MODES.pour, splitS)
        : split(stepBatter(own, pace, load, MODES.pour, splitS))
    state.cups[i] = { batter, pace, load, atS: early ? beganS + early.s : state.now, cooling }
    const at = late.indexOf(i)
    state.split.superfatOff[i] = early ? drawnOffset(early.batter.emulsion) : at < 0 ? 0 : offsets[at]!
    state.record(i)
    if (early) state.advance(i, MODES.rest, state.now)
  }
}

/** Blends one pot and splits it: plain cups are drawn before scent goes into the pot. */
export function splitPot(state: RunState): void {
  const { input } = state
  const blended = blendPot(state)
  recordPot(state, input.potKg, blended.seconds)
  const drawS = state.handS(blended.drawn.size * input.times.split)
  state.busy('blend', blended.seconds)
  if (drawS > 0) state.busy('split', drawS)
  noteBlend(state, input.pace, blended)
  const firstInPot = input.cups.find(inPot)
  const load: Load | null = firstInPot
    ? loadOf(state.scentOf(firstInPot), input.potEffect, loadBefore(state, firstInPot).variation)
    : null
  let scented = blended.batter
  let plain = blended.batter
  if (load) {
    const beganS = state.now
    scented = scentIn(state, scented, input.pace, load, input.potKg, firstInPot!)
    const drawn = loadOf(UNSCENTED, load, state.variation.plainRate)
    plain = stepBatter(plain, input.pace, drawn, MODES.rest, state.now - beganS)
    if (state.variation.rices && firstInPot!.scent!.ricing > 0) scented = smoothed(state, scented, load)
  }
  divide(state, [...input.cups.keys()], blended, { plain, scented }, load, input.pace, 0)
}

/** Seconds of stick blending that make a riced batter smooth again, of 1.5 kg. Makers' rule. */
const SMOOTH_S = 15
const smoothS = (massKg: number): number => SMOOTH_S / Math.max(1, blenderPower(Math.max(massKg, 0.02), 1))

const stickFor = (state: RunState, massKg: number) =>
  handling('stick', blenderPower(Math.max(massKg, 0.02), state.input.blenderStrength))

function smoothed(state: RunState, batter: Batter, load: Load): Batter {
  const { potKg, pace } = state.input
  const how = stickFor(state, potKg)
  const seconds = smoothS(potKg)
  state.busy('smooth', seconds)
  const now = sameBatter(batter)
  for (let s = 0; s < seconds; s += 1) advanceBatter(now, pace, load, how, Math.min(1, seconds - s))
  return now
}

/** Blends the lumps out of a cup, if this run's scent makes any; gives when that is done. */
export function smoothCup(state: RunState, i: number, fromS: number): number {
  const { scent, massG } = state.input.cups[i]!
  if (!state.variation.rices || !scent || scent.ricing === 0) return fromS
  const toS = fromS + smoothS(massG / 1000)
  state.tasks.push({ kind: 'smooth', fromS, toS, cup: i, pour: null, hands: HANDS.smooth })
  state.advance(i, stickFor(state, massG / 1000), toS)
  return toS
}

/** Seconds for which what is poured without a stop is blended while its scent goes in, and for which the blender is lifted out. */
const NEVER_STOP = { blendS: 10, liftS: 3 } as const

/** Blends the scent into what is poured without a stop; gives when the pour can start. */
export function blendOn(state: RunState, i: number, fromS: number): number {
  const { massG } = state.input.cups[i]!
  state.addScent(i)
  const blendedS = fromS + state.handS(NEVER_STOP.blendS)
  state.advance(i, stickFor(state, massG / 1000), blendedS)
  state.advance(i, MODES.stream, blendedS + NEVER_STOP.liftS)
  return blendedS + NEVER_STOP.liftS
}

/** Cups that share a batter of their own with one. */
const batchOf = ({ cups }: RunInput, i: number): number[] =>
  cups[i]!.batch === '' ? [i] : cups.flatMap((cup, k) => (cup.batch === cups[i]!.batch && cup.massG > 0 ? [k] : []))

/**
 * A batter of its own for one cup, or for those that share it: lye into its oils, which have cooled as they waited, and
 * blended; then divided. Scent that was meant for the pot goes in with its colour.
 *
 * @returns when it is blended and divided, s
 */
export function blendOwn(state: RunState, i: number, fromS: number): number {
  const { input } = state
  const cups = batchOf(input, i)
  const massG = cups.reduce((sum, k) => sum + input.cups[k]!.massG, 0)
  const { pace } = input.cups[i]!
  const tauS = cupCoolingS(massG)
  const startC = input.roomC + (input.mixC - input.roomC) * Math.exp(-fromS / tauS)
  const blended = blend(state, pace, massG / 1000, startC, cups)
  noteBlend(state, pace, blended)
  const lyeInS = fromS + state.handS(input.times['own-lye'])
  const toS = lyeInS + blended.seconds
  state.tasks.push({ kind: 'blend', fromS, toS, cup: i, pour: null, hands: HANDS.blend })
  const kept = state.now
  state.now = toS
  divide(state, cups, blended, { plain: blended.batter, scented: blended.batter }, null, pace, lyeInS)
  const doneS = state.now
  state.now = kept
  return doneS
}
