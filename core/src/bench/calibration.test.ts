import { expect, test } from 'vitest'
import { MODES, RunState, splitPot } from '../batter/schedule/index.ts'
import { latinNormals } from '../quantities/chance/index.ts'
import type { BenchEvent } from './event.ts'
import type { Following } from './following.ts'
import { cupsOutlook, fold } from './index.ts'
import { followingExample, noted, untilLye } from './test/runs.ts'

/**
 * Batters whose pace, scent, stop of blending and model error are drawn, and looks with an error of the eye: how often the band of
 * minutes left holds what came true, and how far off its middle is against not looking at all.
 */
const T0 = 2000
const RUNS = 40
/** Longer than this nothing is waited for, and nothing is said beyond 45 min. */
const LONGEST_S = 3 * 3600
const MOST_MIN = 45

interface Luck {
  pace: number
  scent: number
  stop: number
  model: number
  eye: readonly number[]
}

/** The true batter of a cup after its scent, and the second from which it is left. */
function truth({ input }: Following, i: number, luck: Luck, scentedS: number) {
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

function seenAt(following: Following, i: number, luck: Luck, scentedS: number, s: number, n: number): BenchEvent {
  const run = truth(following, i, luck, scentedS)
  run.advance(i, MODES.rest, s)
  const level = run.level(i) + luck.model * 0.15 + luck.eye[n]! * 0.25
  return noted('seen', T0 + s, {
    cup: following.input.cups[i]!.cup.id,
    amount: Math.min(5, Math.max(0.8, level)),
    how: 'word',
  })
}

function measured(name: string) {
  const following = followingExample(name)
  const { input } = following
  const i = input.cups.findIndex(cup => cup.scent !== null && cup.colourS >= 0 && cup.massG > 0)
  const cup = input.cups[i]!.cup.id
  const { hi } = input.pours.find(pour => pour.cup === i)!.window
  const scentedS = 155
  const begun = [
    ...untilLye(following, T0),
    ...[
      noted('lye-in', T0),
      noted('blend-on', T0 + 2),
      noted('blend-off', T0 + 42),
      noted('hold', T0 + 58, { how: 'holds' }),
    ],
    noted('drawn', T0 + 90, { cup }),
    noted('scent', T0 + scentedS, { cup }),
  ]
  const draws = Array.from({ length: 7 }, (_, d) => latinNormals(d, RUNS, 20261130))
  const covered = [0, 0, 0]
  const off = [0, 0, 0]
  let counted = 0
  for (let n = 0; n < RUNS; n += 1) {
    const luck: Luck = {
      ...{ pace: draws[0]![n]!, scent: draws[1]![n]!, stop: draws[2]![n]!, model: draws[3]![n]! },
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
      const [one] = cupsOutlook(following, fold(following, [...begun, ...seen]), T0 + last)
      if (left >= one!.low && left <= one!.high) covered[k]! += 1
      off[k]! += Math.abs(one!.likely - left)
    })
  }
  return { counted, covered: covered.map(n => n / counted), off: off.map(sum => sum / off[0]!) }
}

test.each(['weir-milk', 'ninth-lock', 'seven-fathoms', 'verdigris-stair'])(
  'four of five truths lie in the band of minutes left, and looks bring it nearer: %s',
  name => {
    const { counted, covered, off } = measured(name)
    expect(counted).toBeGreaterThan(15)
    for (const share of covered) {
      expect(share).toBeGreaterThan(0.7)
      expect(share).toBeLessThan(0.9)
    }
    expect(off[1]).toBeLessThan(1)
    expect(off[2]).toBeLessThan(0.65)
  },
)
