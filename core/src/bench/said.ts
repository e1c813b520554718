import { benchOutlook } from './bench-outlook.ts'
import type { BenchEvent } from './event.ts'
import { fold } from './fold.ts'
import type { Following } from './following.ts'

/** What was said of runs, held against what came true. */

/** A run that has ended: what was said as its batter was divided, 0…1, and whether it came out as planned. */
export interface SaidRun {
  said: number
  cameTrue: boolean
}

/** Chance of the rest as it stood when the batter was divided; null: it was not, or cannot be said. */
export function saidAtSplit(following: Following, events: readonly BenchEvent[]): number | null {
  const { splitAt } = fold(following, events)
  if (splitAt === null) return null
  const until = events.filter(event => event.r <= splitAt)
  const follow = benchOutlook(following, fold(following, until), splitAt).ways.find(way => way.kind === 'follow')
  return follow?.chance.whole ?? null
}

export interface SaidBin {
  /** Middle of what was said, and the share that came true, 0…1. */
  said: number
  cameTrue: number
  runs: number
}

/** Width of a bin. */
const BIN = 0.1

/** Runs by what was said of them: ten bins, those without a run left out. */
export function saidBins(runs: readonly SaidRun[]): SaidBin[] {
  const last = Math.round(1 / BIN) - 1
  const binOf = ({ said }: SaidRun) => Math.min(last, Math.max(0, Math.floor(said / BIN)))
  return Array.from({ length: last + 1 }, (_, i) => runs.filter(run => binOf(run) === i)).flatMap(list => {
    const mean = (of: (run: SaidRun) => number) => list.reduce((sum, run) => sum + of(run), 0) / list.length
    return list.length === 0
      ? []
      : [{ said: mean(run => run.said), cameTrue: mean(run => Number(run.cameTrue)), runs: list.length }]
  })
}
