import { clockMinutes } from '@ostler/core'

/** "13:07" so many minutes before a clock time; without one, "52 min before". */
export function clockBefore(startAt: string, minutes: number): string {
  if (startAt === '') {
    if (Math.abs(minutes) < 0.5) return 'at mixing'
    return minutes > 0 ? `${showHours(minutes)} before` : `${Math.round(-minutes)} min after`
  }
  const at = (((clockMinutes(startAt) - Math.round(minutes)) % 1440) + 1440) % 1440
  return `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`
}

/** "1 h 25 min", "40 min". */
export function showHours(minutes: number): string {
  const whole = Math.round(minutes)
  if (whole < 90) return `${whole} min`
  return `${Math.floor(whole / 60)} h ${whole % 60 === 0 ? '' : `${whole % 60} min`}`.trim()
}
