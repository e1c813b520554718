/** How far a batch has come. */
export const LIVES = {
  draft: 'draft',
  planned: 'planned',
  made: 'being made',
  resting: 'resting',
  curing: 'curing',
  ready: 'ready',
  gone: 'gone',
} as const
export type Life = keyof typeof LIVES

/** What is known of a batch's life. Days like "2026-03-02", with or without a time; null: not so far. */
export interface LifeFacts {
  /** It can be forecast with the shelf as it is. */
  isPlanned: boolean
  /** Something was weighed, or a run was begun. */
  isBegun: boolean
  pouredAt: string | null
  unmouldedAt: string | null
  cutAt: string | null
  /** Days from the pour until its bars are ready; null: not known. */
  readyDay: number | null
  /** Bars that were cut and that are gone. */
  cutCount: number | null
  goneCount: number
  /** Something seen of it holds its bars back: they are not ready, however old. */
  isHeld?: boolean
}

const DAY_MS = 86_400_000
/** Days between two days, whatever their times. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(to.slice(0, 10)) - Date.parse(from.slice(0, 10))) / DAY_MS)

/** The day so many days after another, like "2026-03-02". */
export const dayAfter = (from: string, days: number): string =>
  new Date(Date.parse(from.slice(0, 10)) + days * DAY_MS).toISOString().slice(0, 10)

/** @param today like "2026-03-02" */
export function lifeOf(facts: LifeFacts, today: string): Life {
  const { isPlanned, isBegun, pouredAt, unmouldedAt, cutAt, readyDay, cutCount, goneCount, isHeld } = facts
  if (goneCount > 0 && goneCount >= (cutCount ?? 1)) return 'gone'
  if (pouredAt === null) return isBegun ? 'made' : isPlanned ? 'planned' : 'draft'
  if (unmouldedAt === null && cutAt === null) return 'resting'
  return isHeld !== true && readyDay !== null && daysBetween(pouredAt, today) >= readyDay ? 'ready' : 'curing'
}
