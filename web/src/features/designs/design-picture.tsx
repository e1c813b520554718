import { acrossView, alongView, designOf, levelView } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { useMemo } from 'react'
import { cupHex, useColourView } from '../../plan/colour-view.ts'
import { FaceCanvas } from '../faces/face-canvas.tsx'

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
  const design = useMemo(() => designOf(plan, []), [plan])
  const { program } = design
  const hexes = [
    ...design.cups.map(cup => cupHex(plan, null, view, cup)),
    ...design.pencils.map(() => PENCIL),
    ...design.embedHexes,
  ]
  const plane =
    seen === 'top'
      ? levelView(program, 1, px)
      : seen === 'along'
        ? alongView(program, 0.5, px)
        : acrossView(program, AT, px)
  return <FaceCanvas {...{ program, hexes, label, plan, className }} view={plane} />
}

/** From above where the top or a round mould shows a design best. */
export const bestSight = (plan: Plan): 'across' | 'top' =>
  plan.mould.form !== 'box' || plan.mould.innerWidthMm > 2.5 * plan.mould.fillMm ? 'top' : 'across'
