import { MODES, RunState, splitPot } from '../batter/schedule/index.ts'
import { latinNormals } from '../quantities/chance/index.ts'
import { benchOutlook } from './bench-outlook.ts'
import type { BenchEvent } from './event.ts'
import { fold } from './fold.ts'
import type { Following } from './following.ts'
import { madeReady } from './trial.ts'

const T0 = 2000
/** Longer than this nothing is waited for, and nothing is said beyond 45 min. */
const LONGEST_S = 3 * 3600
const MOST_MIN = 45

interface CupLuck {
  pace: number
  scent: number
  stop: number
  model: number
  eye: readonly number[]
}

/** The true batter of a cup after its scent, and the second from which it is left. */
function truth({ input }: Following, i: number, luck: CupLuck, scentedS: number) {
  const { mean, sd } = input.rate
  const rate = mean + luck.pace * sd
  const run = new RunState(
    input,
    { plainRate: rate, scentedRate: rate, scent: luck.scent * input.scentSd, stop: luck.stop * 0.15 },
    0,
  )
  splitPot(run)
  run.cups[i]!.atS = 90
  run.advance(i, MODES.rest, scentedS - 20)
  run.addScent(i)
  run.advance(i, MODES.hand, scentedS)
  return run
}

/** Seconds from then until its stirred level, off by the model's error, passes the end of its window. */
function leaves(run: RunState, i: number, hi: number, model: number): number {
  const from = run.cups[i]!.atS
  for (let s = 0; s < LONGEST_S; s += s < 900 ? 10 : 60) {
    run.advance(i, MODES.rest, from + s)
    if (run.level(i) + model > hi) return s
  }
  return LONGEST_S
}

let count = 0

function event(kind: BenchEvent['kind'], r: number, about: Partial<BenchEvent> = {}): BenchEvent {
  count += 1
  return { key: `left:${count}`, kind, r, noted: r, at: '2026-11-30T10:00:00Z', source: 'simulated', ...about }
}

function seenAt(following: Following, i: number, luck: CupLuck, scentedS: number, s: number, n: number): BenchEvent {
  const run = truth(following, i, luck, scentedS)
  run.advance(i, MODES.rest, s)
  const level = run.level(i) + luck.model * 0.15 + luck.eye[n]! * 0.25
  return event('seen', T0 + s, {
    cup: following.input.cups[i]!.cup.id,
    amount: Math.min(5, Math.max(0.8, level)),
    how: 'word',
  })
}

/** Of minutes left, before any look, after one and after two: shares of truths within the band, and how far off its middle is. */
export interface LeftTrials {
  counted: number
  covered: number[]
  /** Mean error of the middle against that without a look. */
  off: number[]
}

/**
 * Batters whose pace, scent, stop of blending and model error are drawn, and looks with an error of the eye: how often the band of
 * minutes left holds what came true, and how far off its middle is against not looking at all.
 */
export function leftTrials(following: Following, runs: number, seed: number): LeftTrials {
  const { input } = following
  const i = input.cups.findIndex(cup => cup.scent !== null && cup.colourS >= 0 && cup.massG > 0)
  const cup = input.cups[i]!.cup.id
  const { hi } = input.pours.find(pour => pour.cup === i)!.window
  const scentedS = 155
  const begun = [
    ...madeReady(following, T0),
    ...[
      event('lye-in', T0),
      event('blend-on', T0 + 2),
      event('blend-off', T0 + 42),
      event('hold', T0 + 58, { how: 'holds' }),
    ],
    event('drawn', T0 + 90, { cup }),
    event('scent', T0 + scentedS, { cup }),
  ]
  const draws = Array.from({ length: 7 }, (_, d) => latinNormals(d, runs, seed))
  const covered = [0, 0, 0]
  const off = [0, 0, 0]
  let counted = 0
  for (let n = 0; n < runs; n += 1) {
    const luck: CupLuck = {
      pace: draws[0]![n]!,
      scent: draws[1]![n]!,
      stop: draws[2]![n]!,
      model: draws[3]![n]!,
      eye: [draws[4]![n]!, draws[5]![n]!],
    }
    const whole = leaves(truth(following, i, luck, scentedS), i, hi, luck.model * 0.15)
    // What is over at once says nothing of a band.
    if (whole < 60) continue
    counted += 1
    const moments = [scentedS, scentedS + 0.35 * whole, scentedS + 0.7 * whole]
    const looks = [1, 2].map(k => seenAt(following, i, luck, scentedS, moments[k]!, k - 1))
    const last = moments[2]!
    const left = Math.min(MOST_MIN, (scentedS + whole - last) / 60)
    ;[[], looks.slice(0, 1), looks].forEach((seen, k) => {
      const [one] = benchOutlook(following, fold(following, [...begun, ...seen]), T0 + last).cups
      if (left >= one!.low && left <= one!.high) covered[k]! += 1
      off[k]! += Math.abs(one!.likely - left)
    })
  }
  return { counted, covered: covered.map(n => n / counted), off: off.map(sum => sum / off[0]!) }
}
