import { problemsIn, tidied } from '../document/fields/index.ts'
import type { Problem } from '../document/fields/index.ts'
import { fact } from '../quantities/facts/index.ts'
import { MOST_ENTRIES, RecordEntry } from './entry.ts'
import { signOf } from './signs.ts'

export type EntriesRead = { ok: true; entries: RecordEntry[] } | { ok: false; problems: Problem[] }

const isDay = (on: string): boolean => !Number.isNaN(Date.parse(`${on}:00Z`))

/** What an entry needs beside its own form; empty: nothing. */
function lacks(entry: RecordEntry): Problem[] {
  const problem = (path: string, id: 'record.no-such-day' | 'record.no-such-sign' | 'record.lacks'): Problem[] => [
    { path, value: '', sentence: fact(id) },
  ]
  if (!isDay(entry.on)) return problem('on', 'record.no-such-day')
  if (entry.kind === 'sign') {
    if (!signOf(entry.sign)) return problem('sign', 'record.no-such-sign')
    if (entry.grade === undefined) return problem('grade', 'record.lacks')
  }
  if (entry.kind === 'graded' && (!entry.aim || entry.mark === undefined)) return problem('mark', 'record.lacks')
  if (entry.kind === 'yield' && (!entry.part || entry.massG === undefined)) return problem('massG', 'record.lacks')
  if (entry.kind === 'gone' && (!entry.way || entry.count === undefined)) return problem('count', 'record.lacks')
  if (entry.kind === 'photo' && entry.photo === undefined) return problem('photo', 'record.lacks')
  if (entry.kind === 'undo' && entry.of === undefined) return problem('of', 'record.lacks')
  return []
}

/** Entries that came from outside, as they are kept. Never throws. */
export function readEntries(value: unknown): EntriesRead {
  if (!Array.isArray(value) || value.length > MOST_ENTRIES)
    return { ok: false, problems: [{ path: 'entries', value: '', sentence: fact('record.no-list') }] }
  const problems = value.flatMap((entry: unknown, i): Problem[] => {
    const formal = problemsIn(RecordEntry, entry)
    const all = formal.length > 0 ? formal : lacks(entry as RecordEntry)
    return all.map(one => ({ ...one, path: `entries[${i}]${one.path ? `.${one.path}` : ''}` }))
  })
  if (problems.length > 0) return { ok: false, problems }
  return { ok: true, entries: value.map(entry => tidied(RecordEntry, entry as RecordEntry)) }
}
