import { problemsIn, tidied } from '../document/fields/index.ts'
import type { Problem } from '../document/fields/index.ts'
import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { MOST_ENTRIES, RecordEntry } from './entry.ts'
import { signOf } from './signs.ts'

export type EntriesRead = { ok: true; entries: RecordEntry[] } | { ok: false; problems: Problem[] }

const isDay = (on: string): boolean => !Number.isNaN(Date.parse(`${on}:00Z`))

/** What it says is there, by its kind. */
function saysIt(entry: RecordEntry): boolean {
  switch (entry.kind) {
    case 'sign':
      return entry.grade !== undefined
    case 'graded':
      return entry.aim !== undefined && entry.mark !== undefined
    case 'yield':
      return entry.part !== undefined && entry.massG !== undefined
    case 'gone':
      return entry.way !== undefined && entry.count !== undefined
    case 'photo':
      return entry.photo !== undefined
    case 'next':
      return (entry.text ?? '').trim() !== ''
    case 'undo':
      return entry.of !== undefined
    default:
      return true
  }
}

/** What an entry needs beside its own form; empty: nothing. */
function lacks(entry: RecordEntry): Problem[] {
  const problem = (path: string, sentence: Words): Problem[] => [{ path, value: '', sentence }]
  if (!isDay(entry.on)) return problem('on', fact('record.no-such-day'))
  if (entry.kind === 'sign' && !signOf(entry.sign)) return problem('sign', fact('record.no-such-sign'))
  return saysIt(entry) ? [] : problem('kind', fact('record.lacks'))
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
