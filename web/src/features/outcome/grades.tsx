import { GELS_SEEN, QUALITIES, at } from '@ostler/core'
import type { GelSeen, Quality } from '@ostler/core'
import { useTold } from '../../parts/plan-field.tsx'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { inWords, options } from '../../ui/options.ts'
import { Section } from '../../ui/section.tsx'
import { MARK_WORDS } from '../../parts/entry-words.ts'
import type { OpenRecord } from '../../parts/use-record.ts'
import { t } from '../../words/index.ts'

const MARKS = [1, 2, 3, 4, 5] as const

/** How well what was aimed at was reached, each from 1 to 5. */
export function Grades({ record }: { record: OpenRecord }) {
  return (
    <Section title={t('As it was meant?')}>
      <ul>
        {inWords<Quality>(QUALITIES).map(([aim, name]) => {
          const mark = record.state.marks[aim]?.mark ?? null
          return (
            <li key={aim} className="flex flex-wrap items-center gap-3 border-b border-line py-1">
              <span className="w-24">{name}</span>
              <span role="group" aria-label={t('Mark for {name}', { name })} className="flex">
                {MARKS.map(one => (
                  <button
                    key={one}
                    aria-pressed={mark === one}
                    aria-label={`${one}, ${MARK_WORDS[one]}`}
                    className="min-h-11 min-w-11 -ml-px border border-ink aria-pressed:bg-ink aria-pressed:text-paper hover:bg-chosen"
                    onClick={() => record.note({ kind: 'graded', aim, mark: one })}
                  >
                    {one}
                  </button>
                ))}
              </span>
              <span className="text-soft">{mark === null ? '' : MARK_WORDS[mark]}</span>
            </li>
          )
        })}
      </ul>
      <GelSeenField />
    </Section>
  )
}

/** How far it gelled, as the cut face shows: the next rest in such a mould knows it. */
function GelSeenField() {
  const batch = useBatch()
  const told = useTold()
  const seen = usePlan(state => state.plan.rest.gelSeen)
  const isPoured = usePlan(state => state.plan.rest.pouredAt !== '')
  if (!isPoured) return null
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <Choice<GelSeen>
        label={t('At the cut, gelled was')}
        value={seen}
        options={options(GELS_SEEN)}
        onValue={value => told(batch.edit({ kind: 'set', path: at(plan => plan.rest.gelSeen), value }))}
      />
      <span className="text-[14px] text-soft">
        {t('Read without a thermometer, it tells how much heat the mould loses.')}
      </span>
    </div>
  )
}
