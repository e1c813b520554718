import { readlinkSync } from 'node:fs'
import { constants, setPriority } from 'node:os'

/** Runs in a thread of its own: the questions that `Work` names. */
export { lookOf as look, taughtBy as evidence, shownRun as run } from './work.ts'
export { sheetPdf as sheet } from '../sheet-pdf/sheet-pdf.ts'

/** Whoever waits for an answer goes first: on Linux a thread has a priority of its own. */
function standBack(): void {
  try {
    const thread = Number(readlinkSync('/proc/thread-self').split('/').at(-1))
    if (thread !== process.pid) setPriority(thread, constants.priority.PRIORITY_BELOW_NORMAL)
  } catch {
    // Elsewhere it takes turns like any other.
  }
}

standBack()
