import { KNOWN_FACTS } from '@ostler/core'
import type { Answer, KnownFact } from '@ostler/core'
import type { OpenRecord } from '../../parts/use-record.ts'
import { Section } from '../../ui/section.tsx'
import { t } from '../../words/index.ts'

interface Props {
  record: OpenRecord
  /** What is not answered yet, in the order of what it would tell. */
  order: readonly KnownFact[]
}

/** So many are asked at once; the others are there to look through. */
const FIRST = 5

/** What only the maker knows: each yes or no, or left open; first what would tell most. */
export function KnownRows({ record, order }: Props) {
  const answered = (Object.keys(KNOWN_FACTS) as KnownFact[]).filter(id => !order.includes(id))
  const rows = (ids: readonly KnownFact[]) => (
    <ul>
      {ids.map(id => (
        <KnownRow key={id} id={id} record={record} />
      ))}
    </ul>
  )
  return (
    <Section
      title={t('What you know of it')}
      aside={<span className="text-soft">{t('left open, it moves nothing')}</span>}
    >
      {rows([...answered, ...order.slice(0, FIRST)])}
      <details className="mt-2">
        <summary>{t('{order} more', { order: order.length - FIRST })}</summary>
        {rows(order.slice(FIRST))}
      </details>
    </Section>
  )
}

const SAID = ['yes', 'no'] as const satisfies readonly Answer[]

function KnownRow({ id, record }: { id: KnownFact; record: OpenRecord }) {
  const about = KNOWN_FACTS[id]
  const said = record.state.known[id]
  return (
    <li className="flex flex-wrap items-center gap-x-3 border-b border-line py-1">
      <span className="min-w-0 flex-1 basis-60">{t(about.ask)}</span>
      <span role="group" aria-label={t(about.ask)} className="flex">
        {SAID.map(answer => (
          <button
            key={answer}
            aria-pressed={said === answer}
            className="-ml-px min-h-11 border border-ink px-2.5 text-[14px] hover:bg-chosen aria-pressed:bg-ink aria-pressed:text-paper"
            onClick={() => record.note({ kind: 'known', fact: id, answer: said === answer ? 'unsaid' : answer })}
          >
            {t(about[answer])}
          </button>
        ))}
      </span>
    </li>
  )
}
