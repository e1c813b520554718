import { recordFold, signOf } from '@ostler/core'
import type { RecordEntry, SharedRecordAnswer } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { parseISO } from 'date-fns'
import { Printer } from 'lucide-react'
import { useState } from 'react'
import { sharedAddress, sharedPhoto, sharedRecordQuery } from '../../api/shares.ts'
import { MARK_WORDS, entryWords } from '../../parts/entry-words.ts'
import { RunSheet } from '../../parts/run-sheet.tsx'
import { Section } from '../../ui/section.tsx'
import { dated, t } from '../../words/index.ts'

interface Props {
  token: string
}

const DAY = 'd MMMM yyyy'
const dayOf = (on: string): string => dated(parseISO(on), DAY)

/** What a workshop shows of a batch that it made: how it looked, what was seen of it, how it was made. */
export function SharedRecord({ token }: Props) {
  const { data, error } = useQuery(sharedRecordQuery(token))
  if (error) return <p className="text-rust">{error.message}</p>
  if (!data) return <p className="text-soft">{t('Opening …')}</p>
  return (
    <>
      <Days of={data} />
      <Pictures token={token} of={data} />
      <CameOfIt of={data} />
      <Made of={data} />
      <p className="print:hidden">
        <button className="button min-h-11" onClick={() => print()}>
          <Printer size={16} aria-hidden /> {t('Print')}
        </button>
      </p>
    </>
  )
}

/** When it was poured, came out and was cut. */
function Days({ of: { entries, pouredAt: said, run } }: { of: SharedRecordAnswer }) {
  // A run that ended in the mould was poured, whether its day was noted or not.
  const pouredAt = said === '' && run?.closed === 'moulded' ? run.begunAt : said
  const { unmouldedAt, cutAt, cutCount } = recordFold(entries)
  const told = [
    pouredAt === '' ? t('not poured yet') : t('poured on {day}', { day: dayOf(pouredAt) }),
    unmouldedAt !== null && t('out of the mould on {day}', { day: dayOf(unmouldedAt) }),
    cutAt !== null &&
      (cutCount === null
        ? t('cut on {day}', { day: dayOf(cutAt) })
        : t('cut on {day} into {cutCount, plural, one {# bar} other {# bars}}', { day: dayOf(cutAt), cutCount })),
  ]
  return <p className="text-lg first-letter:uppercase">{told.filter(one => one !== false).join(' · ')}</p>
}

/** The face that was forecast beside the photographs of what it became. */
function Pictures({ token, of: { entries, photos } }: Props & { of: SharedRecordAnswer }) {
  // Of a new batch there is no picture yet.
  const [hasFace, setHasFace] = useState(true)
  const saidOf = (id: string): RecordEntry | undefined => entries.find(({ photo }) => photo === id)
  return (
    <ul aria-label={t('Pictures')} className="flex flex-wrap gap-4">
      <li hidden={!hasFace}>
        <img
          onError={() => setHasFace(false)}
          src={sharedAddress(token, 'face.png')}
          alt={t('The face of a bar, as forecast')}
          className="h-56 bg-booth p-2"
        />
        <p className="text-[14px] text-soft">{t('as forecast')}</p>
      </li>
      {photos.map(({ id }) => {
        const said = saidOf(id)
        const words = [said && dayOf(said.on), said?.text].filter(Boolean).join(', ')
        return (
          <li key={id}>
            <img
              src={sharedPhoto(token, id)}
              alt={t('Photograph, {words}', { words })}
              className="h-56"
              loading="lazy"
            />
            <p className="text-[14px] text-soft">{words}</p>
          </li>
        )
      })}
    </ul>
  )
}

/** Signs, marks, and notes where they are shown. */
function CameOfIt({ of: { entries } }: { of: SharedRecordAnswer }) {
  const { signs, marks } = recordFold(entries)
  const notes = entries.filter(({ kind }) => kind === 'note' || kind === 'next')
  const graded = Object.values(marks)
  if (signs.length + graded.length + notes.length === 0) return null
  return (
    <Section title={t('What came of it')}>
      <ul>
        {[...graded, ...signs.filter(({ sign }) => signOf(sign)), ...notes].map(entry => (
          <li key={entry.key} className="flex flex-wrap gap-x-4 border-b border-line py-1">
            <span className="min-w-0 flex-1">
              {entryWords(entry)}
              {entry.kind === 'graded' && ` (${entry.mark}/${MARK_WORDS.length - 1})`}
            </span>
            <span className="text-[14px] text-soft">{dayOf(entry.on)}</span>
          </li>
        ))}
      </ul>
    </Section>
  )
}

function Made({ of: { run } }: { of: SharedRecordAnswer }) {
  if (!run) return <p className="text-soft">{t('How it was made was not noted at the bench.')}</p>
  return (
    <Section title={t('As it was made, {day}', { day: dated(new Date(run.begunAt), DAY) })}>
      <RunSheet shown={run} />
    </Section>
  )
}
