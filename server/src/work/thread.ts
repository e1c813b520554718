/** Runs in a thread of its own: the questions that `Work` names. */
export { lookOf as look, taughtBy as evidence, shownRun as run } from './work.ts'
export { sheetPdf as sheet } from '../sheet-pdf/sheet-pdf.ts'
