import { QUALITIES, SIGN_STAGES, signOf } from '@ostler/core'
import type { RecordState } from '@ostler/core'
import { parseISO } from 'date-fns'
import { GRADE_WORDS, MARK_WORDS, entryWords } from '../../parts/entry-words.ts'
import { Part, Table } from './part.tsx'
import { dated, t } from '../../words/index.ts'

const day = (on: string): string => dated(parseISO(on), 'd MMM yyyy')

/** Signs, marks, notes, and what is kept for the next time. */
export function Seen({ state }: { state: RecordState }) {
  const marks = Object.values(state.marks)
  const notes = state.entries.filter(one => one.kind === 'note' || one.kind === 'next')
  if (state.signs.length + marks.length + notes.length === 0) return null
  return (
    <Part title={t('What was seen of it')}>
      <Table
        rows={[
          ...state.signs.map(entry => {
            const sign = signOf(entry.sign)
            return {
              what: `${t(sign?.words ?? entry.sign ?? '')} (${sign ? t(SIGN_STAGES[sign.stage]) : ''}, ${day(entry.on)})`,
              cells: [GRADE_WORDS[entry.grade ?? 1]],
            }
          }),
          ...marks.map(entry => ({
            what: entry.aim ? t(QUALITIES[entry.aim]) : '',
            cells: [MARK_WORDS[entry.mark ?? 0]],
          })),
        ]}
      />
      <ul className="mt-2">
        {notes.map(entry => (
          <li key={entry.key} className={entry.kind === 'next' ? 'font-semibold' : ''}>
            {day(entry.on)}: {entryWords(entry)}
          </li>
        ))}
      </ul>
    </Part>
  )
}
