import type { Cup } from '@ostler/core'
import type { TimeScale } from './time-scale.ts'
interface Props {
  cup: Cup
  scale: TimeScale
  width: number
  height: number
  chosen: string | null
  onChoose: (pour: string | null) => void
  isFirst: boolean
}
/**
 * One cup's lane. Soap rises in it as the batter thickens; the pale corridor is where it pours as a layer, the hatched
 * part above is too thick. Each pour is a gate in the corridor.
 */
export declare function LaneDrawing({
  cup,
  scale,
  width,
  height,
  chosen,
  onChoose,
  isFirst,
}: Props): import('react').JSX.Element
export {}
