import { format, formatDistanceToNow } from 'date-fns'
import type { Locale } from 'date-fns'
import { catalogue } from './language.ts'
import { browsers, tellingSettings } from './settings.ts'

let locale: Locale | undefined

/** Names of months and days are said in this language. */
export const dateIn = (language: Locale): void => {
  locale = language
}

/** Whether a clock is read to twelve: as it was set, or as the browser has it. */
function isTwelve(): boolean {
  const { hours } = tellingSettings()
  if (hours !== '') return hours === '12'
  twelve ??= new Intl.DateTimeFormat([...browsers()], { hour: 'numeric' }).resolvedOptions().hour12 === true
  return twelve
}

/** Whether this browser's own clock is; asked once. */
let twelve: boolean | undefined

/**
 * A day or an hour to be read.
 *
 * @param pattern as date-fns has it, in English order; another language has its own order in its catalogue
 */
export function dated(at: Date | number, pattern: string): string {
  const own = catalogue().messages[pattern] ?? pattern
  return format(at, isTwelve() ? own.replace('HH:mm', 'h:mm a') : own, locale && { locale })
}

/** The day that it is here, as days are kept: "2026-12-01". */
export const todayHere = (): string => format(new Date(), 'yyyy-MM-dd')

/** This moment, to be read. */
export const datedNow = (pattern: string): string => dated(new Date(), pattern)

/** An hour as it is kept, "14:30", as it is read here; what is no hour stays as it is. */
export function clock(kept: string): string {
  const [, hour, minute] = /^(\d{1,2}):(\d\d)$/.exec(kept) ?? []
  if (hour === undefined) return kept
  return dated(new Date(2000, 0, 1, Number(hour), Number(minute)), 'HH:mm')
}

/** How long ago: "3 days ago". */
export const ago = (at: Date): string => formatDistanceToNow(at, { addSuffix: true, ...(locale && { locale }) })

const FIRST_DAYS = { sunday: 0, monday: 1, saturday: 6 } as const
/** The browser's own first day of a week, 0 for Sunday; Monday where it does not say. */
function firstDay(): number {
  const { week } = tellingSettings()
  if (week !== '') return FIRST_DAYS[week]
  const own = new Intl.Locale(navigator.language) as Intl.Locale & { getWeekInfo?: () => { firstDay: number } }
  return (own.getWeekInfo?.().firstDay ?? 1) % 7
}

/** Days of this week that come after a day. */
export const daysLeftOfWeek = (day: Date): number => 6 - ((day.getDay() - firstDay() + 7) % 7)
