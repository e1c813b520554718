import { SIGN_ODDS, TESTED_BY, TESTS, signOf } from '@ostler/core'
import type { Question, TestedBy } from '@ostler/core'
import { useState } from 'react'
import { GRADE_WORDS } from '../../parts/entry-words.ts'
import type { OpenRecord } from '../../parts/use-record.ts'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { Section } from '../../ui/section.tsx'
import { t } from '../../words/index.ts'

const PH_WAYS = { meter: t(TESTED_BY.meter), strip: t(TESTED_BY.strip) } as const

/** The looks and tests that would tell most, and how they are made. */
export function WouldTell({ questions, record }: { questions: readonly Question[]; record: OpenRecord }) {
  return (
    <Section
      title={t('What would tell')}
      aside={<span className="text-soft">{t('the most for the trouble first')}</span>}
    >
      {questions.length === 0 && (
        <p className="text-soft">{t('Nothing more to ask: looking again would not change much.')}</p>
      )}
      <ul>
        {questions.map(({ sign }) => (
          <Ask key={sign} sign={sign} record={record} />
        ))}
      </ul>
      <details className="mt-3">
        <summary>{t('Tests, how they are made safely, and what they cannot tell')}</summary>
        <p className="mt-1 max-w-150 font-semibold">
          {t('Gloves and eye protection for every bar in doubt. Never by tongue. What was tested is thrown away.')}
        </p>
        <ul>
          {Object.keys(TESTS).map(sign => (
            <Ask key={sign} sign={sign} record={record} />
          ))}
        </ul>
      </details>
    </Section>
  )
}

function Ask({ sign: id, record }: { sign: string; record: OpenRecord }) {
  const [by, setBy] = useState<'meter' | 'strip'>('meter')
  const sign = signOf(id)
  const test = TESTS[id]
  const effort = SIGN_ODDS.find(one => one.id === id)?.effort ?? 0
  const said = record.state.signs.find(one => one.sign === id)?.grade ?? null
  if (!sign) return null
  const how: Partial<Record<string, TestedBy>> = { 't-ph': by, 't-pheno': 'indicator' }
  return (
    <li className="border-b border-line py-2">
      <div className="flex flex-wrap items-center gap-x-3">
        <span className="min-w-0 flex-1 basis-60">
          {t(sign.words)}{' '}
          <span className="text-[13px] text-soft">
            {t(sign.where)}
            {effort > 0 && t(', {effort} min', { effort })}
          </span>
        </span>
        {id === 't-ph' && (
          <Choice<'meter' | 'strip'> bare label={t('Tested')} value={by} options={options(PH_WAYS)} onValue={setBy} />
        )}
        <span role="group" aria-label={t('Answer: {words}', { words: t(sign.words) })} className="flex">
          {([0, 1, 2] as const).map(grade => (
            <button
              key={grade}
              aria-pressed={said === grade}
              title={[t(sign.where), t(sign.some), t(sign.strong)][grade]}
              className="-ml-px min-h-11 border border-ink px-2.5 text-[14px] hover:bg-chosen aria-pressed:bg-ink aria-pressed:text-paper"
              onClick={() => record.note({ kind: 'sign', sign: id, grade, ...(how[id] && { by: how[id] }) })}
            >
              {GRADE_WORDS[grade]}
            </button>
          ))}
        </span>
      </div>
      {test && (
        <p className="mt-1 max-w-150 text-[14px] text-soft">
          {t('{how} It cannot tell: {cannot}', {
            how: t(test.how),
            cannot: t(test.cannot),
          })}
        </p>
      )}
    </li>
  )
}
