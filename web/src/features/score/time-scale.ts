/** Minutes from lye in to px, with ticks that leave room for their words. */
export interface TimeScale {
  x: (min: number) => number
  ticks: number[]
}

const STEPS = [1, 2, 5, 10, 15, 30, 60]
const TICK_ROOM_PX = 56

export function timeScale(endMin: number, widthPx: number): TimeScale {
  const end = Math.max(2, endMin * 1.03)
  const x = (min: number) => (min / end) * widthPx
  const step = STEPS.find(minutes => x(minutes) >= TICK_ROOM_PX) ?? 120
  const ticks = Array.from({ length: Math.floor(end / step) + 1 }, (_, i) => i * step)
  return { x, ticks: ticks.filter(min => x(min) < widthPx - 24) }
}
