import { designAdvice } from '@ostler/core'
import type { Design, DesignAdvice, Measures, Plan } from '@ostler/core'
import { useEffect, useMemo, useRef, useState } from 'react'
import { measureFaces } from '../workers/faces.ts'
import { useLevels } from '../drawing/use-design.ts'

/** Rest after the last change before the faces are counted, ms. */
const CALM_MS = 250

/** Counts of the faces; those of an older design stay until the new ones are there. */
function useMeasures(design: Design, plan: Plan): Measures | null {
  const [measures, setMeasures] = useState<Measures | null>(null)
  const newest = useRef<object>({})
  const { program } = design
  const { mould, cutting } = plan
  useEffect(() => {
    const own = {}
    newest.current = own
    const timer = setTimeout(() => {
      void measureFaces(program, { mould, cutting }).then(found => {
        if (newest.current === own && found) setMeasures(found)
      })
    }, CALM_MS)
    return () => clearTimeout(timer)
  }, [program, mould, cutting])
  return measures
}

/** What the design's geometry says, with what would help. */
export function useDesignAdvice(design: Design, plan: Plan): DesignAdvice[] {
  const measures = useMeasures(design, plan)
  const levels = useLevels(plan)
  return useMemo(() => designAdvice(plan, design, levels, measures), [plan, design, levels, measures])
}
