import { acrossView, cavityKinds, colourNames, designOf, hasSwirls, layerHeights, planOfCavity } from '@ostler/core'
import type { ColourForecast, Forecast, Gelled, Plan } from '@ostler/core'
import { useMemo } from 'react'
import { FaceCanvas } from './face-canvas.tsx'
import { cupHex, useColourView } from '../plan/colour-view.ts'
import { t } from '../words/index.ts'

interface Props {
  plan: Plan
  /** Null until they are worked out. */
  colours: ColourForecast | null
  /** With the trace of each pour the edges are as forecast. */
  pours?: readonly Pick<Forecast['lanes']['pours'][number], 'startLevel' | 'endLevel'>[] | undefined
  height: number
  /** Looked at when it is out of the mould, each cup gelled or not as this says. */
  gelledOf?: (cup: string) => Gelled
}

/** Drawn finer than shown. */
const FINE = 2

/** The cut face of a batch, small and to scale, in its forecast colours. */
export function FacePicture(props: Props) {
  const { plan, height } = props
  const kinds = cavityKinds(plan)
  if (kinds.length < 2) return <OneFace {...props} />
  const rows = kinds.length > 8 ? 3 : kinds.length > 2 ? 2 : 1
  const inOrder = [...kinds].sort((a, b) => a.cavities[0]! - b.cavities[0]!)
  const across = Math.ceil(kinds.length / rows)
  return (
    <div className="grid w-max max-w-full gap-0.5" style={{ gridTemplateColumns: `repeat(${across}, auto)` }}>
      {inOrder.map(kind => (
        <OneFace
          key={kind.cavities[0]}
          {...props}
          plan={planOfCavity(plan, kind)}
          pours={props.pours && kind.pours.map(i => props.pours![i]!)}
          height={Math.floor(height / rows)}
        />
      ))}
    </div>
  )
}

function OneFace(props: Props) {
  return hasSwirls(props.plan) ? <Swirled {...props} /> : <Layers {...props} />
}

function useHexes(plan: Plan, colours: ColourForecast | null, gelledOf: Props['gelledOf']): (cup: string) => string {
  const view = useColourView()
  const stage = view.stage === 'pour' ? 'cut' : view.stage
  return cup => cupHex(plan, colours, gelledOf ? { ...view, stage, gelled: gelledOf(cup) } : view, cup)
}

function Swirled({ plan, colours, pours, height, gelledOf }: Props) {
  const hexOf = useHexes(plan, colours, gelledOf)
  const design = useMemo(
    () => designOf(plan, pours?.map(pour => (pour.startLevel + pour.endLevel) / 2) ?? []),
    [plan, pours],
  )
  const { innerWidthMm, fillMm } = plan.mould
  const width = Math.round((height * innerWidthMm) / fillMm)
  const hexes = [...design.cups.map(hexOf), ...design.pencils.map(() => '#444444')]
  return (
    <FaceCanvas
      program={design.program}
      view={acrossView(design.program, 0.4, width * FINE)}
      hexes={hexes}
      names={colourNames(plan, design)}
      drawnWith={plan}
      label={t('Face of {plan}', { plan: plan.name })}
      className="max-w-full"
      style={{ width, height }}
    />
  )
}

function Layers({ plan, colours, height, gelledOf }: Props) {
  const { innerWidthMm: width, fillMm } = plan.mould
  const heights = layerHeights(plan)
  const colour = useHexes(plan, colours, gelledOf)
  const names = plan.score.map(pour => plan.cups.find(cup => cup.id === pour.cup)?.name ?? pour.cup)
  return (
    <svg
      viewBox={`0 0 ${width} ${fillMm}`}
      height={height}
      width={(height * width) / fillMm}
      preserveAspectRatio="none"
      role="img"
      aria-label={t('Face, from the bottom: {names}', { names: names.join(', ') })}
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
