import { acrossView, designOf, hasSwirls, layerHeights } from '@ostler/core'
import type { ColourForecast, Forecast, Plan } from '@ostler/core'
import { useMemo } from 'react'
import { FaceCanvas } from '../features/faces/face-canvas.tsx'
import { cupHex, useColourView } from '../plan/colour-view.ts'

interface Props {
  plan: Plan
  /** Null until they are worked out. */
  colours: ColourForecast | null
  /** With the trace of each pour the edges are as forecast. */
  pours?: Forecast['lanes']['pours']
  height: number
}

/** Drawn finer than shown. */
const FINE = 2

/** The cut face of a batch, small and to scale, in its forecast colours. */
export function FacePicture(props: Props) {
  return hasSwirls(props.plan) ? <Swirled {...props} /> : <Layers {...props} />
}

function Swirled({ plan, colours, pours, height }: Props) {
  const view = useColourView()
  const design = useMemo(
    () => designOf(plan, pours?.map(pour => (pour.startLevel + pour.endLevel) / 2) ?? []),
    [plan, pours],
  )
  const { innerWidthMm, fillMm } = plan.mould
  const width = Math.round((height * innerWidthMm) / fillMm)
  const hexes = [...design.cups.map(cup => cupHex(plan, colours, view, cup)), ...design.pencils.map(() => '#444444')]
  return (
    <FaceCanvas
      program={design.program}
      view={acrossView(design.program, 0.4, width * FINE)}
      hexes={hexes}
      label={`Face of ${plan.name}`}
      className="max-w-full"
      style={{ width, height }}
    />
  )
}

function Layers({ plan, colours, height }: Props) {
  const view = useColourView()
  const { innerWidthMm: width, fillMm } = plan.mould
  const heights = layerHeights(plan)
  const colour = (cup: string) => cupHex(plan, colours, view, cup)
  const names = plan.score.map(pour => plan.cups.find(cup => cup.id === pour.cup)?.name ?? pour.cup)
  return (
    <svg
      viewBox={`0 0 ${width} ${fillMm}`}
      height={height}
      width={(height * width) / fillMm}
      preserveAspectRatio="none"
      role="img"
      aria-label={`Face, from the bottom: ${names.join(', ')}`}
      className="max-w-full"
    >
      {plan.score.map((pour, i) => {
        const floor = heights.slice(0, i).reduce((sum, h) => sum + h, 0)
        const h = heights[i]!
        return (
          <rect key={pour.id} x={0} y={fillMm - floor - h} width={width} height={h + 0.05} fill={colour(pour.cup)} />
        )
      })}
    </svg>
  )
}
