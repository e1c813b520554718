import { advanceBatter, handling, levelOf } from '../trace/index.ts'
import type { RunInput } from './run-input.ts'
import { variationAt } from './variation.ts'
import { runPlan } from './timetable.ts'

const SET_LEVEL = 4.5
const LOOKED_S = 300

/** What is poured without a stop: its trace while it moves, and seconds at rest until it has set; null: not within minutes. */
export interface NeverStopOutlook {
  moving: number
  setS: number | null
}

/** Of an input's pour that is never stopped, in the run of no variation; null without one. */
export function neverStopOutlook(input: RunInput): NeverStopOutlook | null {
  const at = input.pours.findIndex(pour => pour.neverStops)
  if (at < 0) return null
  const run = runPlan(input, variationAt(0, input)).pours[at]!
  const { batter: poured, pace, load } = run.after
  const batter = { ...poured }
  const rest = handling('rest')
  for (let s = 0; s <= LOOKED_S; s += 1) {
    if (levelOf(batter, pace, load) >= SET_LEVEL) return { moving: run.endLevel, setS: s }
    advanceBatter(batter, pace, load, rest, 1)
  }
  return { moving: run.endLevel, setS: null }
}
