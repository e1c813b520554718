import { drawn } from './chances.ts'
import { workedThrough } from './history.ts'
import type { RestJob } from './history.ts'
import { restResult } from './verdict.ts'
import type { About, RestResult } from './verdict.ts'

/** From, to: four of five runs lie within. Minutes from the pour. */
export type Range = [from: number, to: number]

/** How sure the times of a rest are; null where it does not come to that in most runs. */
export interface RestRanges {
  startMin: Range | null
  fullMin: Range | null
  peakMin: Range | null
  unmouldMin: Range | null
}

const RUNS = 12

function rangeOf(values: readonly (number | null)[]): Range | null {
  const known = values.filter(value => value !== null).sort((a, b) => a - b)
  if (known.length <= values.length / 2) return null
  const at = (share: number) => known[Math.round(share * (known.length - 1))]!
  return [at(0.1), at(0.9)]
}

/** Works a job through some times, with the same luck as its chances, and long enough for it to be unmoulded. */
export function restRanges(job: RestJob, about: About, runs = RUNS): RestRanges {
  const results: RestResult[] = []
  for (let n = 1; n <= runs; n += 1) results.push(restResult(workedThrough(drawn(job, n)), about))
  const of = (key: keyof RestRanges) => rangeOf(results.map(one => one[key]))
  return { startMin: of('startMin'), fullMin: of('fullMin'), peakMin: of('peakMin'), unmouldMin: of('unmouldMin') }
}
