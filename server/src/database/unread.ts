import type { Opened } from '@ostler/core'
import { say } from '@ostler/core'

/** Told of what is kept in a form that cannot be read: it stays where it is. */
export type Report = (what: { kept: string; id: string; sentence: string }) => void

/** What was opened, or nothing with a report. */
export function readOrTold<T>(read: Opened<T>, kept: string, id: string, report: Report): T | null {
  if (read.ok) return read.value
  report({ kept, id, sentence: say(read.problems[0]!.sentence) })
  return null
}
