import { beliefOf, SAMPLE_S } from './sightings.ts'
import type { RunInput } from './run-input.ts'
import type { Run } from './run-state.ts'
import { runPlan } from './timetable.ts'
import { believed } from './variation.ts'

/** A batter as a pour of it ends. */
export interface PouredAs {
  cup: string
  endMin: number
  /** Its warmth, °C; what of it has turned to soap, and how complete its emulsion is, 0…1. */
  tempC: number
  converted: number
  emulsion: number
}

/** The run that is as likely quicker as slower, with its lanes. */
export const medianRun = (input: RunInput): Run => runPlan(input, believed(input, beliefOf(input), 0), SAMPLE_S)

/** How each pour of a run is as it ends. */
export const pouredIn = (input: RunInput, run: Run): PouredAs[] =>
  run.pours.map(({ after: { batter }, endS }, i) => ({
    cup: input.cups[input.pours[i]!.cup]!.cup.id,
    endMin: endS / 60,
    tempC: batter.temperatureC,
    converted: batter.converted,
    emulsion: batter.emulsion,
  }))
