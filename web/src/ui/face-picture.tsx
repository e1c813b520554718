import { layerHeights } from '@ostler/core'
import type { ColourForecast, Plan } from '@ostler/core'
import { cupHex, useColourView } from '../plan/colour-view.ts'

interface Props {
  plan: Plan
  /** Null until they are worked out. */
  colours: ColourForecast | null
  height: number
}

/** The cut face of a batch, small and to scale, in its forecast colours. */
export function FacePicture({ plan, colours, height }: Props) {
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
