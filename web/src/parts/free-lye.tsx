import { isNoSuperfat, needsAnswer } from '@ostler/core'
import type { BatchFreeLye, Words } from '@ostler/core'
import { useId, useState } from 'react'
import { useBatch, usePlan } from '../plan/context.tsx'
import { Check } from '../ui/check.tsx'
import { Say, useSay } from '../ui/say.tsx'
import { showShare, t } from '../words/index.ts'

/** Whether the batch may go on as far as free lye is concerned. */
export function useFreeLyeStop(freeLye: BatchFreeLye | undefined): boolean {
  const isTrial = usePlan(state => state.plan.isTrial)
  const answer = usePlan(state => state.plan.freeLye)
  return (
    freeLye !== undefined &&
    freeLye.weight === 'stop' &&
    needsAnswer({ isTrial, freeLye: answer }, freeLye.superfatShare)
  )
}

/** What the superfat means for free lye, in the same words on every page; nothing where there is nothing to say. */
export function FreeLyeLine({ freeLye, className = '' }: { freeLye: BatchFreeLye; className?: string }) {
  const say = useSay()
  const isStop = useFreeLyeStop(freeLye)
  if (freeLye.weight === 'none') return null
  return (
    <p role={isStop ? 'alert' : 'status'} className={`text-rust ${isStop ? 'font-semibold' : ''} ${className}`}>
      <span aria-hidden>{isStop ? '▲ ' : '△ '}</span>
      {say(freeLye.sentence)}
    </p>
  )
}

/** The same with the answer that a stop asks for in writing. */
export function FreeLyeAnswer({ freeLye, className = '' }: { freeLye: BatchFreeLye; className?: string }) {
  return (
    <div className={className}>
      <FreeLyeLine freeLye={freeLye} />
      {freeLye.weight === 'stop' && <Answer freeLye={freeLye} />}
    </div>
  )
}

function Answer({ freeLye }: { freeLye: BatchFreeLye }) {
  const batch = useBatch()
  const isTrial = usePlan(state => state.plan.isTrial)
  const answer = usePlan(state => state.plan.freeLye)
  const isOpen = useFreeLyeStop(freeLye)
  const id = useId()
  const [text, setText] = useState('')
  const [sentence, setSentence] = useState<Words | null>(null)
  const set = (path: 'isTrial' | 'freeLye', value: unknown) => {
    const result = batch.edit({ kind: 'set', path: [path], value })
    setSentence(result.ok ? null : result.sentence)
    return result.ok
  }
  if (!isNoSuperfat(freeLye.superfatShare)) return null
  const superfat = showShare(freeLye.superfatShare)
  if (!isOpen)
    return (
      <p className="mt-1">
        {isTrial
          ? t('It is a trial: not for skin, not for sale.')
          : t('Answered: “{reason}”', { reason: answer?.reason ?? '' })}{' '}
        <button className="button" onClick={() => (isTrial ? set('isTrial', false) : set('freeLye', null))}>
          {t('Take that back')}
        </button>
      </p>
    )
  return (
    <form
      className="mt-2 flex flex-col gap-2"
      onSubmit={event => {
        event.preventDefault()
        if (set('freeLye', { reason: text.trim(), superfatShare: freeLye.superfatShare })) setText('')
      }}
    >
      <label htmlFor={id} className="max-w-160">
        {t('To go on, write why this batch may have {superfat} superfat, and what keeps it from skin.', { superfat })}
      </label>
      <textarea
        id={id}
        rows={2}
        className="field max-w-160 py-1.5"
        value={text}
        aria-invalid={sentence !== null || undefined}
        aria-describedby={sentence === null ? undefined : `${id}-wrong`}
        onChange={event => setText(event.target.value)}
      />
      {sentence && (
        <p id={`${id}-wrong`} role="alert" className="text-rust">
          <Say of={sentence} />
        </p>
      )}
      <p className="flex flex-wrap items-center gap-4">
        <button className="button">{t('Go on with this answer')}</button>
        <Check label={t('or: it is a trial, not for skin')} checked={false} onChange={() => set('isTrial', true)} />
      </p>
    </form>
  )
}
