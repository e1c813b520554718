import { NEXT_ABOUT, SHARED, isStillNext, listOf, nextEdit } from '@ostler/core'
import type { Edit, LessonAnswer, NextPage, Plan } from '@ostler/core'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { addEntries, lessonsQuery } from '../api/client.ts'
import { readJson, sessionStore, writeJson } from '../kept/storage.ts'
import { useBatch, useForecast, usePlan } from '../plan/context.tsx'
import { loneEntry } from './use-record.ts'
import { useSay } from '../ui/say.tsx'
import { useAct } from '../ui/use-act.ts'
import { t } from '../words/index.ts'

const MOST = 3
const keyOf = ({ batch, key }: LessonAnswer): string => `${batch}:${key}`

/** Lessons put off as long as this window stays open. */
function usePutOff(batch: string) {
  const place = `ostler-not-now:${batch}`
  const [off, setOff] = useState<readonly string[]>(() => readJson<string[]>(sessionStore(), place) ?? [])
  const put = (lesson: LessonAnswer) => {
    const next = [...off, keyOf(lesson)]
    writeJson(sessionStore(), place, next)
    setOff(next)
  }
  return [off, put] as const
}

/** What was learned concerns this page, and the plan does not do so yet. */
function isDue({ cause }: LessonAnswer, at: NextPage, plan: Plan, clearPointC: number): boolean {
  const about = cause === null ? undefined : NEXT_ABOUT.get(cause)
  // What has no page of its own stands where the recipe is made, and where all is made ready.
  if (about === undefined) return at === 'batter' || at === 'prepare'
  return (about.at === at || at === 'prepare') && isStillNext(cause!, plan, { clearPointC })
}

/** What was learned from other batches with the same oils, scent, colour or mould, beside what it changes; nothing where nothing was. */
export function NextTime({ at }: { at: NextPage }) {
  const { id = '' } = useParams()
  const { data = [] } = useQuery({ ...lessonsQuery(id), enabled: id !== '' })
  const plan = usePlan(one => one.plan)
  const clearPointC = useForecast()?.recipe.clearPointC
  const [off, putOff] = usePutOff(id)
  if (clearPointC === undefined) return null
  const shown = data.filter(one => !off.includes(keyOf(one)) && isDue(one, at, plan, clearPointC)).slice(0, MOST)
  if (shown.length === 0) return null
  return (
    <aside aria-label={t('From other batches')} className="mb-4 border-l-4 border-ink pl-4 print:hidden">
      <h2 className="text-lg">{t('This time')}</h2>
      <ul>
        {shown.map(one => (
          <Lesson
            key={keyOf(one)}
            lesson={one}
            edit={one.cause === null ? null : nextEdit(one.cause, plan, { clearPointC })}
            onNotNow={() => putOff(one)}
          />
        ))}
      </ul>
    </aside>
  )
}

interface LessonProps {
  lesson: LessonAnswer
  edit: Edit | null
  onNotNow: () => void
}

function Lesson({ lesson: { batch, key, name, text, shares }, edit, onNotNow }: LessonProps) {
  const open = useBatch()
  const client = useQueryClient()
  const say = useSay()
  const act = useAct()
  const [told, setTold] = useState('')
  const change = () => {
    const result = open.edit(edit!)
    setTold(result.ok ? '' : say(result.sentence))
  }
  const never = () =>
    act.run(async () => {
      await addEntries(batch, [loneEntry({ kind: 'undo', of: key })])
      await client.invalidateQueries({ queryKey: ['batches', 'lessons'] })
    })
  const problem = told || act.sentence
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 py-1">
      <span>
        {text}{' '}
        <span className="text-[14px] text-soft">
          <Link to={`/batches/${batch}/outcome`} className="underline">
            {name}
          </Link>
          {shares.length > 0 && t(', same {shares}', { shares: say(listOf(shares.map(one => t(SHARED[one])))) })}
        </span>
      </span>
      <span className="flex gap-x-3">
        {edit && (
          <button className="quiet min-h-9 underline" onClick={change}>
            {t('Change it')}
          </button>
        )}
        <button className="quiet min-h-9" onClick={onNotNow}>
          {t('Not now')}
        </button>
        <button className="quiet min-h-9" disabled={act.busy} onClick={() => void never()}>
          {t('Never again')}
        </button>
      </span>
      {problem !== '' && (
        <p role="alert" className="basis-full text-rust">
          {problem}
        </p>
      )}
    </li>
  )
}
