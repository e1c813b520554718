/** Minutes from lye in to px, with ticks that leave room for their words. */
export interface TimeScale {
  x: (min: number) => number
  ticks: number[]
}
export declare function timeScale(endMin: number, widthPx: number): TimeScale
