import { layerHeights } from '@ostler/core'
import type { Plan } from '@ostler/core'

/** The cut face of a batch, small and to scale. */
export function FacePicture({ plan, height }: { plan: Plan; height: number }) {
  const { innerWidthMm: width, fillMm } = plan.mould
  const heights = layerHeights(plan)
  const colour = (cup: string) => plan.cups.find(one => one.id === cup)?.swatch ?? '#888888'
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
