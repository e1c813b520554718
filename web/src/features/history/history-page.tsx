import { differences, factsOf, forecast, together } from '@ostler/core'
import type { Edit, Forecast, HistoryStep, Plan } from '@ostler/core'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { Bookmark, RotateCcw } from 'lucide-react'
import { useMemo, useState } from 'react'
import { historyQuery, nameVersion, versionQuery } from '../../api/history.ts'
import { FacePicture } from '../../drawing/face-picture.tsx'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { useToast } from '../../ui/toast.tsx'
import { dated, t } from '../../words/index.ts'

const when = (at: string): string => dated(new Date(at), 'd MMM yyyy, HH:mm')

/** What became of the plan, who did it and when; any version can be looked at and had back. */
export function HistoryPage() {
  const id = usePlan(state => state.id)
  const save = usePlan(state => state.save.kind)
  // What is saved meanwhile belongs to it.
  const { data, error } = useQuery({ ...historyQuery(id), refetchInterval: save === 'saved' ? 15_000 : 2000 })
  const [chosen, setChosen] = useState<number | null>(null)
  return (
    <main className="mx-auto grid w-full max-w-250 grid-cols-[22rem_1fr] gap-8 px-5 py-6 max-[900px]:grid-cols-1 max-[900px]:px-3">
      <section aria-label={t('Versions')}>
        <h1 className="mb-3 text-2xl">{t('History')}</h1>
        {error && <p className="text-rust">{error.message}</p>}
        {data?.steps.length === 0 && <p>{t('Nothing was changed in this batch since it was made.')}</p>}
        <ol>
          {data?.steps.map(step => (
            <Step
              key={step.revision}
              step={step}
              isNow={step.revision === data.revision}
              isChosen={chosen === step.revision}
              onChoose={() => setChosen(step.revision)}
            />
          ))}
          {data && data.steps.length > 0 && (
            <li>
              <button
                className={`w-full border-b border-line p-2 text-left hover:bg-chosen ${chosen === data.first.revision ? 'bg-chosen' : ''}`}
                onClick={() => setChosen(data.first.revision)}
              >
                <strong>{data.first.name || t('As it was made')}</strong>
                <span className="block text-[13px] text-soft">{when(data.first.at)}</span>
              </button>
            </li>
          )}
        </ol>
      </section>
      {chosen === null ? (
        <p className="text-soft max-[900px]:hidden">
          {t('Choose a version to see how it differs from the plan as it is.')}
        </p>
      ) : (
        <Version key={chosen} revision={chosen} name={data?.steps.find(one => one.revision === chosen)?.name ?? ''} />
      )}
    </main>
  )
}

interface StepProps {
  step: HistoryStep
  isNow: boolean
  isChosen: boolean
  onChoose: () => void
}

function Step({ step: { at, member, count, parts, name }, isNow, isChosen, onChoose }: StepProps) {
  return (
    <li>
      <button
        aria-pressed={isChosen}
        className={`w-full border-b border-line p-2 text-left hover:bg-chosen ${isChosen ? 'bg-chosen' : ''}`}
        onClick={onChoose}
      >
        {name !== '' && <strong className="block text-lg">{name}</strong>}
        <span className="block">
          <Say of={together(parts, ', ')} />
        </span>
        <span className="block text-[13px] text-soft">
          {when(at)}, {member ?? t('somebody who has left')}
          {count > 1 && t(', {count} edits', { count })}
          {isNow && t(': as it is now')}
        </span>
      </button>
    </li>
  )
}

interface Seen {
  plan: Plan
  forecast: Forecast
}

/** The fields of a plan in which one is to become the other, as one edit. */
function editTo(from: Plan, to: Plan): Edit {
  const keys = Object.keys(to) as (keyof Plan)[]
  const edits = keys
    .filter(key => JSON.stringify(from[key]) !== JSON.stringify(to[key]))
    .map((key): Edit => ({ kind: 'set', path: [key], value: to[key] }))
  return { kind: 'many', edits }
}

function Version({ revision, name }: { revision: number; name: string }) {
  const batch = useBatch()
  const toast = useToast()
  const state = usePlan(one => one)
  const { data, error } = useQuery(versionQuery(state.id, revision))
  const then = useMemo((): Seen | null => {
    const result = data ? forecast(data.plan, batch.shelf) : null
    return data && result?.ok ? { plan: data.plan, forecast: result.forecast } : null
  }, [data, batch])
  const now: Seen | null = state.result.ok ? { plan: state.plan, forecast: state.result.forecast } : null
  if (error)
    return <p className="text-rust">{t('This version cannot be had back: {message}', { message: error.message })}</p>
  if (!data) return <p className="text-soft">{t('Looking it up …')}</p>
  const back = () => {
    const result = batch.edit(editTo(state.plan, data.plan))
    if (result.ok) toast(t('The plan is as it was then.'), { text: t('Undo'), run: () => batch.undo() })
    else toast(result.sentence)
  }
  return (
    <section aria-label={t('The chosen version')} className="grid content-start gap-4">
      <div className="flex flex-wrap items-center gap-4">
        <button className="button button-main min-h-11" onClick={back}>
          <RotateCcw size={18} aria-hidden /> {t('Bring this back')}
        </button>
        <Named revision={revision} name={name} />
      </div>
      {then && now && <Differing then={then} now={now} />}
    </section>
  )
}

/** What is weighed, poured or timed otherwise then and now. */
function Differing({ then, now }: { then: Seen; now: Seen }) {
  const batch = useBatch()
  const say = useSay()
  const found = useMemo(
    () => differences(factsOf(then.plan, then.forecast, batch.shelf), factsOf(now.plan, now.forecast, batch.shelf)),
    [then, now, batch],
  )
  return (
    <table className="w-full table-fixed text-left">
      <thead>
        <tr className="align-bottom">
          <th className="w-40" />
          {[
            { side: then, text: t('then') },
            { side: now, text: t('now') },
          ].map(({ side, text }) => (
            <th key={text} scope="col" className="pb-2 font-normal">
              <span className="inline-block bg-booth p-2">
                <FacePicture
                  plan={side.plan}
                  colours={side.forecast.colours}
                  pours={side.forecast.lanes.pours}
                  height={90}
                />
              </span>
              <span className="block text-soft">{text}</span>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {found.length === 0 && (
          <tr>
            <td colSpan={3} className="border-t border-line py-2">
              {t('Nothing that is weighed, poured or timed is otherwise.')}
            </td>
          </tr>
        )}
        {found.map(({ group, what, left, right }, i) => (
          <tr key={`${group} ${say(what)} ${i}`} className="border-t border-line align-top">
            <th scope="row" className="py-1.5 pr-3 font-normal text-soft">
              {say(what)}
            </th>
            <td className="py-1.5 pr-3">{left === null ? '–' : say(left)}</td>
            <td className="py-1.5 font-semibold">{right === null ? '–' : say(right)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** A name for a version: it is found again among all the others. */
function Named({ revision, name }: { revision: number; name: string }) {
  const id = usePlan(state => state.id)
  const queries = useQueryClient()
  const [text, setText] = useState(name)
  const keep = useMutation({
    mutationFn: () => nameVersion(id, revision, text),
    onSettled: () => void queries.invalidateQueries({ queryKey: historyQuery(id).queryKey }),
  })
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={event => {
        event.preventDefault()
        keep.mutate()
      }}
    >
      <input
        aria-label={t('Name of this version')}
        className="field min-h-11 w-56"
        placeholder={t('a name, to find it again')}
        maxLength={80}
        value={text}
        onChange={event => setText(event.target.value)}
      />
      <button className="button min-h-11" disabled={text.trim() === name || keep.isPending}>
        <Bookmark size={16} aria-hidden /> {t('Name it')}
      </button>
      {keep.error && <span className="text-rust">{keep.error.message}</span>}
    </form>
  )
}
