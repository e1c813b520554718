import { SIGN_STAGES, signOf, signsLike } from '@ostler/core'
import type { RecordEntry, Sign, SignStage } from '@ostler/core'
import { Search } from 'lucide-react'
import { useState } from 'react'
import { Choice } from '../ui/choice.tsx'
import { options } from '../ui/options.ts'
import { Section } from '../ui/section.tsx'
import { SignPicture } from './sign-picture.tsx'
import { SignWhere } from './sign-where.tsx'
import { GRADE_WORDS } from './entry-words.ts'
import type { OpenRecord } from './use-record.ts'
import { t } from '../words/index.ts'

const GRADES = [0, 1, 2] as const
const STAGES = { '': t('at any time'), ...SIGN_STAGES } as const
const SHOWN = 8

/** What is seen of the soap, from one list: looked for and not there, some of it, much of it. */
export function Signs({ record }: { record: OpenRecord }) {
  const [search, setSearch] = useState('')
  const [stage, setStage] = useState<SignStage | ''>('cut')
  const [isWhole, setWhole] = useState(false)
  const seen = record.state.signs
  const found = signsLike(search, stage === '' || search !== '' ? null : stage)
  return (
    <Section title={t('Signs')}>
      {seen.length > 0 && (
        <ul aria-label={t('Signs that were noted')} className="mb-3">
          {seen.map(entry => {
            const sign = signOf(entry.sign)
            return sign ? <SignRow key={sign.id} sign={sign} record={record} /> : null
          })}
        </ul>
      )}
      <div className="flex flex-wrap items-end gap-3">
        <label className="relative">
          <span className="sr-only">{t('Search signs: “white powder”, “oily drops”, “ring”')}</span>
          <Search size={16} aria-hidden className="absolute top-1/2 left-2.5 -translate-y-1/2 text-soft" />
          <input
            type="search"
            className="field min-h-9 w-64 pl-8"
            placeholder={t('white powder, oily drops, ring')}
            maxLength={60}
            value={search}
            onChange={changed => setSearch(changed.target.value)}
          />
        </label>
        <Choice<SignStage | ''> label={t('Seen')} value={stage} options={options(STAGES)} onValue={setStage} />
      </div>
      {found.length === 0 && (
        <p className="mt-2 text-soft">{t('Nothing on the list looks like that. Keep it as a note.')}</p>
      )}
      <ul aria-label={t('Signs to look for')}>
        {found
          .filter(sign => !seen.some(entry => entry.sign === sign.id))
          .slice(0, isWhole ? Infinity : SHOWN)
          .map(sign => (
            <SignRow key={sign.id} sign={sign} record={record} />
          ))}
      </ul>
      {!isWhole && found.length > SHOWN && (
        <button className="quiet mt-1 min-h-9" onClick={() => setWhole(true)}>
          {t('{found} more', { found: found.length - SHOWN })}
        </button>
      )}
    </Section>
  )
}

/** Where a sign was seen stays as its grade changes. */
const whereOf = ({ bars, cups }: Partial<RecordEntry> = {}) => ({ ...(bars && { bars }), ...(cups && { cups }) })

function SignRow({ sign, record }: { sign: Sign; record: OpenRecord }) {
  const entry = record.state.signs.find(one => one.sign === sign.id)
  const grade = entry?.grade ?? null
  const how = [t(sign.where), t(sign.some), t(sign.strong)]
  return (
    <li className="flex flex-wrap items-center gap-x-3 border-b border-line py-1">
      <SignPicture sign={sign.id} />
      <span className="min-w-0 flex-1 basis-50">
        <span className={grade !== null && grade > 0 ? 'font-semibold' : ''}>{t(sign.words)}</span>
        <span className="block text-[13px] text-soft">
          {t(sign.where)}
          {grade === null ? '' : grade === 0 ? t(': looked for, not there') : `: ${how[grade]}`}
        </span>
      </span>
      <span role="group" aria-label={t(sign.words)} className="flex">
        {GRADES.map(one => (
          <button
            key={one}
            aria-pressed={grade === one}
            title={one === 0 ? t('looked for, not there') : how[one]}
            className="min-h-11 -ml-px border border-ink px-2.5 text-[14px] hover:bg-chosen aria-pressed:bg-ink aria-pressed:text-paper"
            onClick={() => record.note({ kind: 'sign', sign: sign.id, grade: one, ...(one > 0 && whereOf(entry)) })}
          >
            {GRADE_WORDS[one]}
          </button>
        ))}
      </span>
      {entry && grade !== null && grade > 0 && <SignWhere entry={entry} words={t(sign.words)} record={record} />}
    </li>
  )
}
