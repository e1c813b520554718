import { alarmsOf, counselled } from '@ostler/core'
import type { Alarm, BenchOutlook, Counsel } from '@ostler/core'
import { useEffect, useMemo, useRef, useState } from 'react'
import { useRun, useRunState } from '../../run/context.tsx'
import { outlookOf } from '../../workers/bench.ts'
import { useFollowing } from '../../workers/use-work.ts'
import type { Job } from '../../workers/use-work.ts'

/** Nothing noted for so long, it is reckoned anew, ms; then other ways are looked at too. */
const ANEW_MS = 15_000
const CALM_MS = 150
/** As many as there are in a quarter of an hour of entries. */
const MOST_BEFORE = 90

/** How the run stands, and what that calls for. */
export interface Told {
  outlook: BenchOutlook | null
  alarms: readonly Alarm[]
  /** Alarms that were not there before: heard once. */
  fresh: readonly Alarm[]
  counsel: Counsel | null
  /** How it stood before, the latest first. */
  before: readonly BenchOutlook[]
}

const NOTHING: Told = { outlook: null, alarms: [], fresh: [], counsel: null, before: [] }

const toldAfter = (before: Told, outlook: BenchOutlook): Told => ({
  ...{ outlook, ...alarmsOf(outlook.cups, before.alarms) },
  counsel: counselled(before.counsel, outlook),
  before: before.outlook ? [before.outlook, ...before.before].slice(0, MOST_BEFORE) : [],
})

/** Minutes left of the cups, the chance of the rest and what they call for, reckoned after every entry and every quarter of a minute. */
export function useOutlook(): Told {
  const run = useRun()
  const { events } = useRunState()
  const [beat, setBeat] = useState(0)
  const looked = useRef(-1)
  useEffect(() => {
    const timer = setInterval(() => setBeat(now => now + 1), ANEW_MS)
    return () => clearInterval(timer)
  }, [])
  const job = useMemo<Job<BenchOutlook | null>>(
    () => asking => {
      const all = looked.current !== beat
      looked.current = beat
      return outlookOf(run.id, run.following, { events, r: run.nowS(), all }, asking)
    },
    [run, events, beat],
  )
  const { answer } = useFollowing(job, CALM_MS)
  const [{ of, told }, setTold] = useState<{ of: BenchOutlook | null; told: Told }>({ of: null, told: NOTHING })
  if (answer && answer !== of) {
    const next = toldAfter(told, answer)
    setTold({ of: answer, told: next })
    return next
  }
  return told
}
