import { HttpError } from './errors.ts'

const DAY = /^\d{4}-\d\d-\d\d$/
/** The day of the workshop, as its browser says it; else the server's. */
export function dayFrom(value: unknown, now: Date): string {
  if (value === undefined) return now.toISOString().slice(0, 10)
  if (typeof value === 'string' && DAY.test(value) && !Number.isNaN(Date.parse(value))) return value
  throw new HttpError(400, 'This is no day.')
}
