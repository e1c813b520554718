import { clockMinutes } from '@ostler/core'
import { clock, t } from '../words/index.ts'

/** "13:07" so many minutes before a clock time; without one, "52 min before". */
export function clockBefore(startAt: string, minutes: number): string {
  if (startAt === '') {
    if (Math.abs(minutes) < 0.5) return t('at mixing')
    return minutes > 0
      ? t('{minutes} before', { minutes: showHours(minutes) })
      : t('{minutes} min after', { minutes: Math.round(-minutes) })
  }
  const at = (((clockMinutes(startAt) - Math.round(minutes)) % 1440) + 1440) % 1440
  return clock(`${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`)
}

/** "1 h 25 min", "40 min". */
export function showHours(minutes: number): string {
  const whole = Math.round(minutes)
  if (whole < 90) return t('{whole} min', { whole })
  return `${Math.floor(whole / 60)} h ${whole % 60 === 0 ? '' : t('{whole} min', { whole: whole % 60 })}`.trim()
}

/**
 * When something is due so many minutes after the last pour, itself `lastMin` after a mixing at a clock time: "14:52", "08:10
 * next day"; without a clock time "2 h after the last pour".
 */
export function clockAfter(startAt: string, lastMin: number, atMin: number): string {
  if (startAt === '') return atMin < 1 ? t('at once') : t('{atMin} after the last pour', { atMin: showHours(atMin) })
  const days = Math.floor((clockMinutes(startAt) + Math.round(lastMin + atMin)) / 1440)
  const day = days === 0 ? '' : days === 1 ? t(' next day') : t(', {days} days on', { days })
  return clockBefore(startAt, -(lastMin + atMin)) + day
}

/** "4:07", or with hours "1:04:07". */
export function showClock(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds))
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60), whole % 60]
  const two = (n: number) => String(n).padStart(2, '0')
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`
}
