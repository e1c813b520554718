import type { TimeScale } from './time-scale.ts'
/** What the hands do when; a wait is left open. */
export declare function HandsRow({
  scale,
  width,
  labelPx,
}: {
  scale: TimeScale
  width: number
  labelPx: number
}): import('react').JSX.Element
