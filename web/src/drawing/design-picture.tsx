import {
  acrossView,
  alongView,
  colourNames,
  cavityKinds,
  designOf,
  planOfCavity,
  isColumn,
  levelView,
  usualLevels,
} from '@ostler/core'
import type { Plan } from '@ostler/core'
import { useMemo } from 'react'
import { cupHex, useColourView } from '../plan/colour-view.ts'
import { FaceCanvas } from './face-canvas.tsx'

interface Props {
  plan: Plan
  seen: 'across' | 'top' | 'along'
  label: string
  /** Width of the drawing, px; shown as large as there is room. */
  px?: number
  className?: string
}

const AT = 0.42
const PENCIL = '#333333'

/** A design drawn with its own colours, whatever batch it is from. */
export function DesignPicture({ plan, seen, label, px = 220, className = 'h-28 w-full object-contain' }: Props) {
  const view = useColourView()
  const design = useMemo(() => {
    const one = planOfCavity(plan, cavityKinds(plan)[0]!)
    return designOf(one, usualLevels(one))
  }, [plan])
  const { program } = design
  const hexes = [
    ...design.cups.map(cup => cupHex(plan, null, view, cup)),
    ...design.pencils.map(() => PENCIL),
    ...design.embedHexes,
  ]
  const plane =
    seen === 'top'
      ? levelView(program, isColumn(plan.mould) ? 0.55 : 1, px)
      : seen === 'along'
        ? alongView(program, 0.5, px)
        : acrossView(program, AT, px)
  return (
    <FaceCanvas
      {...{ program, hexes, names: colourNames(plan, design), drawnWith: plan, label, plan, className }}
      view={plane}
      refines={false}
      lazily
    />
  )
}

/** What shows a design best: the top for tools drawn over it, the length for two halves, else the cut face. */
export function bestSight(plan: Plan): 'across' | 'top' | 'along' {
  if (plan.score.some(pour => pour.together === 'ends')) return 'along'
  const isDrawnOver = plan.moves.some(move => !move.off && ['skewer', 'stick', 'comb', 'spin'].includes(move.tool))
  const isSpotted = plan.score.some(pour => pour.shape.way === 'spots' || pour.shape.way === 'drizzle')
  const isFlat = plan.mould.form !== 'box' || plan.mould.innerWidthMm > 2.5 * plan.mould.fillMm
  return isDrawnOver || isSpotted || isFlat ? 'top' : 'across'
}
