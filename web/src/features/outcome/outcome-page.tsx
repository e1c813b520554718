import { SIGN_STAGES, signOf } from '@ostler/core'
import type { RecordEntry } from '@ostler/core'
import { parseISO } from 'date-fns'
import { useState } from 'react'
import { useParams } from 'react-router'
import { Section } from '../../ui/section.tsx'
import { Say } from '../../ui/say.tsx'
import { Course } from './course.tsx'
import { Grades } from './grades.tsx'
import { Photos } from './photos.tsx'
import { ShareLinks } from '../../parts/share-links.tsx'
import { Signs } from '../../parts/signs.tsx'
import { entryWords } from '../../parts/entry-words.ts'
import { useRecord } from '../../parts/use-record.ts'
import type { OpenRecord } from '../../parts/use-record.ts'
import { Yields } from './yields.tsx'
import { dated, t } from '../../words/index.ts'

/** What came of a batch: how far it is, how it looks beside what was forecast, what was seen of it, and where the soap went. */
export function OutcomePage() {
  const { id = '' } = useParams()
  const record = useRecord(id)
  return (
    <main className="mx-auto w-full max-w-300 flex-1 px-5 py-4 max-[900px]:px-3">
      <div className="flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-2xl">{t('What came of it')}</h1>
        <ShareLinks what="record" />
        {record.unsent > 0 && (
          <p role="status">
            {t('{unsent} kept in this browser; sent as soon as the server answers', { unsent: record.unsent })}
          </p>
        )}
      </div>
      {record.error && <p className="text-rust">{record.error.message}</p>}
      {record.refused !== '' && (
        <p role="alert" className="text-rust">
          <Say of={record.refused} />
        </p>
      )}
      <Course record={record} />
      <div className="mt-6 grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-10 gap-y-6 max-[900px]:grid-cols-1">
        <Photos batch={id} record={record} />
        <Signs record={record} />
        <Grades record={record} />
        <Yields record={record} />
        <Notes record={record} />
        <Log record={record} />
      </div>
    </main>
  )
}

function Notes({ record }: { record: OpenRecord }) {
  const [text, setText] = useState('')
  const keep = (kind: 'note' | 'next') => {
    record.note({ kind, text: text.trim() })
    setText('')
  }
  return (
    <Section title={t('A note')}>
      <textarea
        aria-label={t('Note')}
        className="field min-h-18 w-full max-w-140"
        maxLength={1000}
        placeholder={t('what to do otherwise next time, how it smells, who liked it')}
        value={text}
        onChange={changed => setText(changed.target.value)}
      />
      <div className="mt-2 flex flex-wrap gap-3">
        <button className="button" disabled={text.trim() === ''} onClick={() => keep('note')}>
          {t('Keep the note')}
        </button>
        <button className="button" disabled={text.trim() === ''} onClick={() => keep('next')}>
          {t('Keep it for the next time')}
        </button>
      </div>
      <p className="mt-1 max-w-120 text-[14px] text-soft">
        {t(
          'What is kept for the next time shows by itself on the pages Recipe and Run sheet of every batch with the same oils, scent, colour or mould.',
        )}
      </p>
    </Section>
  )
}

/** Everything that was noted, the latest first; each can be taken back. */
function Log({ record }: { record: OpenRecord }) {
  const entries = [...record.state.entries].reverse()
  return (
    <Section title={t('What was noted')}>
      {entries.length === 0 && (
        <p className="max-w-120 text-soft">
          {t(
            'Nothing yet. Note when it came out of the mould, what you saw at the cut, what was weighed. It stays with the batch, under the day on which it was.',
          )}
        </p>
      )}
      <ol>
        {entries.map(entry => (
          <LogLine key={entry.key} entry={entry} onUndo={() => record.note({ kind: 'undo', of: entry.key })} />
        ))}
      </ol>
    </Section>
  )
}

function LogLine({ entry, onUndo }: { entry: RecordEntry; onUndo: () => void }) {
  const stage = signOf(entry.sign)?.stage
  return (
    <li className="flex min-h-10 flex-wrap items-center gap-x-4 border-b border-line">
      <span className="w-32 shrink-0 text-[14px] text-soft">{dated(parseISO(entry.on), 'd MMM yyyy, HH:mm')}</span>
      <span className="min-w-0 flex-1">
        {entryWords(entry)}
        {stage && <span className="text-soft"> · {t(SIGN_STAGES[stage])}</span>}
        {entry.person !== undefined && <span className="text-[13px] text-soft"> · {entry.person}</span>}
      </span>
      <button className="quiet min-h-9" onClick={onUndo}>
        {t('take back')}
      </button>
    </li>
  )
}
