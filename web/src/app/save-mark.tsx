import { forecast, together } from '@ostler/core'
import type { Plan, Words } from '@ostler/core'
import { useQueryClient } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { addBatch, sessionQuery } from '../api/client.ts'
import { SignInForm } from '../features/sign-in/sign-in-page.tsx'
import { useBatch, usePlan } from '../plan/context.tsx'
import { useNotedState } from '../run/noted.tsx'
import type { SaveState } from '../plan/save-state.ts'
import { Ask } from '../ui/ask.tsx'
import { FacePicture } from '../drawing/face-picture.tsx'
import { Say } from '../ui/say.tsx'
import { rich, t, tidy } from '../words/index.ts'

const MARKS: Record<SaveState['kind'], string> = {
  saved: t('saved'),
  saving: t('saving …'),
  waiting: t('not saved yet, trying again'),
  'signed-out': t('not saved: signed out'),
  refused: t('not saved'),
  conflict: t('not saved: changed elsewhere'),
  gone: t('not saved: deleted elsewhere'),
}

/** Says how the plan stands to the server, and asks when that needs an answer. */
export function SaveMark() {
  const save = usePlan(state => state.save)
  const noted = useNotedState()
  const isSaved = save.kind === 'saved' || save.kind === 'saving'
  const isKeptHere = isSaved && noted !== null && noted.link === 'here' && noted.unsent > 0
  const calm = isSaved && !isKeptHere
  const detail =
    save.kind === 'waiting' || save.kind === 'refused' ? save.sentence : isKeptHere ? noted.refused : undefined
  const mark = isKeptHere
    ? t('{unsent} noted here, not saved yet', { unsent: noted.unsent })
    : isSaved && noted !== null && noted.unsent > 0
      ? MARKS.saving
      : MARKS[save.kind]
  return (
    <>
      <span
        role="status"
        title={detail}
        className={`mr-1 text-[13px] ${calm ? 'text-soft' : 'max-w-32 shrink-0 leading-4 font-semibold text-rust'}`}
      >
        {calm ? '' : '⚠ '}
        {mark}
      </span>
      {save.kind === 'conflict' && <Conflict theirs={save.theirs.plan} parts={save.parts} />}
      {save.kind === 'gone' && <Gone />}
      {save.kind === 'signed-out' && <SignInAgain />}
    </>
  )
}

function Version({ title, plan }: { title: string; plan: Plan }) {
  const { shelf } = useBatch()
  const made = useMemo(() => forecast(plan, shelf), [plan, shelf])
  return (
    <div className="flex-1 rounded bg-panel p-3">
      <h3 className="mb-2">{title}</h3>
      <FacePicture plan={plan} colours={made.ok ? made.forecast.colours : null} height={96} />
      <p className="mt-2 text-[13px] text-soft">
        {t('{plan} · {score} layers · {mixC} °C', {
          plan: plan.name,
          score: plan.score.length,
          mixC: tidy(plan.conditions.mixC, 1),
        })}
      </p>
    </div>
  )
}

function Conflict({ theirs, parts }: { theirs: Plan; parts: readonly Words[] }) {
  const batch = useBatch()
  const mine = usePlan(state => state.plan)
  const navigate = useNavigate()
  const [sentence, setSentence] = useState<Words>('')
  const keepBoth = async () => {
    try {
      const copy = await addBatch({ ...mine, name: t('{mine}, my version', { mine: mine.name.slice(0, 66) }) })
      batch.takeTheirs()
      void navigate(`/batches/${copy.id}/score`)
    } catch (error) {
      setSentence((error as Error).message)
    }
  }
  return (
    <Ask open wide title={t('This batch was changed in another window')}>
      <p className="mb-4">
        {rich(
          'Both versions are safe. Both have changed: {parts}. With mine on top, whatever else was changed there stays.',
          { parts: <Say of={together(parts, '; ')} /> },
        )}
      </p>
      <div className="mb-5 flex gap-4">
        <Version title={t('In this window')} plan={mine} />
        <Version title={t('Saved meanwhile')} plan={theirs} />
      </div>
      {sentence && (
        <p className="mb-3 text-rust">
          <Say of={sentence} />
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <button className="button button-main" onClick={() => void keepBoth()}>
          {t('Keep both: save mine as a copy')}
        </button>
        <button className="button" onClick={() => batch.takeTheirs()}>
          {t('Take the saved one')}
        </button>
        <button className="button" onClick={() => batch.keepMine()}>
          {t('Put mine on top of it')}
        </button>
      </div>
    </Ask>
  )
}

function Gone() {
  const mine = usePlan(state => state.plan)
  const navigate = useNavigate()
  const again = async () => {
    const copy = await addBatch(mine)
    void navigate(`/batches/${copy.id}/score`)
  }
  return (
    <Ask open title={t('This batch was deleted in another window')}>
      <p className="mb-5">{t('What you see here is still whole. It can be kept as a new batch.')}</p>
      <div className="flex gap-3">
        <button className="button button-main" onClick={() => void again()}>
          {t('Keep it as a new batch')}
        </button>
        <button className="button" onClick={() => void navigate('/batches')}>
          {t('Let it go')}
        </button>
      </div>
    </Ask>
  )
}

function SignInAgain() {
  const batch = useBatch()
  const client = useQueryClient()
  const done = async () => {
    await client.fetchQuery({ ...sessionQuery, staleTime: 0 })
    batch.retry()
  }
  return (
    <Ask open title={t('Sign in to go on saving')}>
      <p className="mb-4">{t('Your edits are kept in this browser.')}</p>
      <SignInForm demo={null} onDone={() => void done()} />
    </Ask>
  )
}
