import { designAdvice } from '@ostler/core'
import type { Design, DesignAdvice, Measures, Plan } from '@ostler/core'
import { useMemo } from 'react'
import { measureFaces } from '../workers/faces.ts'
import { useFollowing } from '../workers/use-work.ts'
import type { Job } from '../workers/use-work.ts'
import { useLevels } from '../drawing/use-design.ts'

/** Rest after the last change before the faces are counted, ms. */
const CALM_MS = 250

/** Counts of the faces; those of an older design stay until the new ones are there. */
export function useMeasures({ program }: Design, { mould, cutting }: Plan): Measures | null {
  const job = useMemo<Job<Measures | null>>(
    () => () => measureFaces(program, { mould, cutting }),
    [program, mould, cutting],
  )
  return useFollowing(job, CALM_MS).answer
}

/** What the design's geometry says, with what would help. */
export function useDesignAdvice(design: Design, plan: Plan): DesignAdvice[] {
  const measures = useMeasures(design, plan)
  const levels = useLevels(plan)
  return useMemo(() => designAdvice(plan, design, levels, measures), [plan, design, levels, measures])
}
