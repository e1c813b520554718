import { alarmsOf } from '@ostler/core'
import type { Alarm, CupOutlook } from '@ostler/core'
import { useEffect, useMemo, useState } from 'react'
import { useRun, useRunState } from '../../run/context.tsx'
import { minutesLeft } from '../../workers/bench.ts'
import { useFollowing } from '../../workers/use-work.ts'
import type { Job } from '../../workers/use-work.ts'

/** Nothing noted for so long, it is reckoned anew, ms. */
const ANEW_MS = 15_000
const CALM_MS = 150

export interface BenchOutlook {
  cups: readonly CupOutlook[]
  alarms: readonly Alarm[]
  /** Alarms that were not there before: heard once. */
  fresh: readonly Alarm[]
}

const NOTHING: BenchOutlook = { cups: [], alarms: [], fresh: [] }

/** Minutes left of the cups and what they call for, reckoned after every entry and every quarter of a minute; older ones stay until then. */
export function useOutlook(): BenchOutlook {
  const run = useRun()
  const { events } = useRunState()
  const [beat, setBeat] = useState(0)
  useEffect(() => {
    const timer = setInterval(() => setBeat(now => now + 1), ANEW_MS)
    return () => clearInterval(timer)
  }, [])
  const job = useMemo<Job<CupOutlook[]>>(
    () => asking => minutesLeft(run.id, run.following, events, run.nowS(), asking),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the beat asks anew
    [run, events, beat],
  )
  const { answer } = useFollowing(job, CALM_MS)
  const [{ of, outlook }, setOutlook] = useState<{ of: CupOutlook[] | null; outlook: BenchOutlook }>({
    of: null,
    outlook: NOTHING,
  })
  if (answer !== of) {
    const next = answer ? { cups: answer, ...alarmsOf(answer, outlook.alarms) } : NOTHING
    setOutlook({ of: answer, outlook: next })
    return next
  }
  return outlook
}
