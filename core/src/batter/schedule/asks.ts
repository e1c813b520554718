import type { LanePoint } from './run-state.ts'
import type { RunInput } from './run-input.ts'
import { variationAt } from './variation.ts'
import { levelAt } from './reading.ts'
import { SAMPLE_S, SIGHT_ERROR, beliefOf } from './sightings.ts'
import { runPlan } from './timetable.ts'

/** What would teach most about a batter while it is made: looks at cups, by eye or by a drip, early or late. */
export interface LookAsked {
  cup: string
  name: string
  atMin: number
  /** By how much it would narrow what is believed of the pace, 0…1; by eye, and by a drip. */
  byEye: number
  byDrip: number
}

/** Sightings of a cup too early or too late to be told apart say nothing. */
const STEP_S = 60
const LEAST = 0.02

const narrowed = (slope: number, spread: number): number => 1 - 1 / Math.sqrt(1 + (slope / spread) ** 2)

const within = (lane: readonly LanePoint[], s: number): boolean =>
  lane.length > 1 && s >= lane[0]!.s && s <= lane.at(-1)!.s

/** The look at each moment that would narrow the belief most, and for comparison the earliest; null where none says much. */
export function looksAsked(input: RunInput): { best: LookAsked; early: LookAsked } | null {
  const { mean, sd } = beliefOf(input)
  const [slow, quick] = [-1, 1].map(z => runPlan(input, variationAt(mean + sd * z, input), SAMPLE_S).lanes)
  const looks = input.cups.flatMap((cup, i): LookAsked[] => {
    const [a, b] = [slow![i]!, quick![i]!]
    const fromS = Math.max(a[0]?.s ?? 0, b[0]?.s ?? 0)
    const toS = Math.min(a.at(-1)?.s ?? 0, b.at(-1)?.s ?? 0)
    const list: LookAsked[] = []
    for (let s = fromS + STEP_S; s <= toS; s += STEP_S) {
      if (!within(a, s) || !within(b, s)) continue
      const slope = Math.max(0, levelAt(b, s) - levelAt(a, s)) / 2
      const by = (error: number) => narrowed(slope, Math.hypot(error, input.levelError))
      list.push({
        cup: cup.cup.id,
        name: cup.cup.name,
        atMin: Math.round(s / 60),
        byEye: by(SIGHT_ERROR.eye),
        byDrip: by(SIGHT_ERROR.drip),
      })
    }
    return list
  })
  if (looks.length === 0) return null
  const best = looks.reduce((a, b) => (b.byEye > a.byEye ? b : a))
  const early = looks.reduce((a, b) => (b.atMin < a.atMin ? b : a))
  return best.byEye >= LEAST ? { best, early } : null
}
