import { choosesRest, restChosen } from '@ostler/core'
import { Check, Circle } from 'lucide-react'
import { Link } from 'react-router'
import { useRunState } from '../run/context.tsx'
import { useLooked, useRehearsal } from './context.tsx'
import type { RehearsalRun } from './rehearsal-run.ts'
import { t } from '../words/index.ts'

const saysOf = (rehearsal: RehearsalRun) => rehearsal.says()

/** Ways to leave the mould, once all of it is poured; nothing in lessons without them. */
function RestWays() {
  const rehearsal = useRehearsal()
  const { state, events } = useRunState()
  const ways = rehearsal?.lesson?.ways
  if (!rehearsal || !ways || !rehearsal.following.input.pours.every(({ pour }) => state.pours[pour])) return null
  const chosen = restChosen(events)
  return (
    <div role="group" aria-label={t('For the night')} className="mt-1 flex flex-wrap gap-2">
      {ways.map(({ key, words }) => (
        <button
          key={key}
          aria-pressed={key === chosen}
          className="button min-h-12 px-4 aria-pressed:bg-ink aria-pressed:text-paper"
          onClick={() => rehearsal.note(choosesRest(key))}
        >
          {words}
        </button>
      ))}
    </div>
  )
}

/** What the lesson says now, and how much of it is reached; nothing outside of lessons. */
export function LessonStrip() {
  const rehearsal = useRehearsal()
  const says = useLooked(saysOf)
  if (!rehearsal?.lesson || !says) return null
  return (
    <section
      aria-label={t('Lesson')}
      className="flex flex-wrap items-start gap-x-8 gap-y-2 border-b border-line bg-panel px-6 py-2 max-[760px]:px-4"
    >
      <div className="max-w-160 min-w-60 flex-1">
        <h2 className="text-[13px] text-soft">{t(rehearsal.lesson.title)}</h2>
        <p className="text-lg leading-snug" aria-live="polite">
          {says.isPassed ? t('That is it: passed.') : t(says.hint)}
        </p>
        <RestWays />
        {says.isPassed && (
          <Link className="button button-main mt-1 inline-block min-h-12 content-center px-4" to="/lessons">
            {t('On to the lessons')}
          </Link>
        )}
      </div>
      <ul className="text-[15px]">
        {says.goals.map(({ words, isMet }) => (
          <li key={words} className="flex items-center gap-2">
            {isMet ? <Check size={18} aria-label={t('reached')} /> : <Circle size={18} aria-label={t('open')} />}
            {words}
          </li>
        ))}
      </ul>
    </section>
  )
}
