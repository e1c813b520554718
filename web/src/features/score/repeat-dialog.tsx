import type { Words } from '@ostler/core'
import { useState } from 'react'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { Ask } from '../../ui/ask.tsx'
import { Choice } from '../../ui/choice.tsx'
import { NumberCell } from '../../ui/number-cell.tsx'
import { Say } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

interface Props {
  /** The run to start with; the last two layers unless given. */
  from?: number
  to?: number
  onClose: () => void
}

/** "Three times: one, two": a run of layers poured by turns, each in as many parts. */
export function RepeatDialog({ from: first, to: until, onClose }: Props) {
  const batch = useBatch()
  const plan = usePlan(state => state.plan)
  const last = plan.score.length - 1
  const [from, setFrom] = useState(first ?? Math.max(0, last - 1))
  const [to, setTo] = useState(until ?? last)
  const [times, setTimes] = useState(3)
  const [sentence, setSentence] = useState<Words>('')
  const options = plan.score.map((pour, i) => ({
    value: String(i),
    text: `${i + 1}, ${plan.cups.find(cup => cup.id === pour.cup)?.name ?? ''}`,
  }))
  const run = plan.score
    .slice(Math.min(from, to), Math.max(from, to) + 1)
    .map(pour => plan.cups.find(cup => cup.id === pour.cup)?.name ?? '')
  const repeat = () => {
    const result = batch.edit({ kind: 'repeat-pours', from: Math.min(from, to), to: Math.max(from, to), times })
    if (result.ok) onClose()
    else setSentence(result.sentence)
  }
  return (
    <Ask open title={t('Repeat a run of layers')} onClose={onClose}>
      <div className="flex flex-wrap items-end gap-4">
        <Choice
          label={t('From layer')}
          value={String(from)}
          options={options}
          onValue={value => setFrom(Number(value))}
        />
        <Choice label={t('To layer')} value={String(to)} options={options} onValue={value => setTo(Number(value))} />
        <label className="flex flex-col gap-0.5 text-[13px] text-soft">
          {t('Times')}
          <NumberCell label={t('Times')} kind="plain" unit="" value={times} onValue={setTimes} />
        </label>
      </div>
      <p className="mt-3">
        {t('{times} times: {run}. Each keeps its amount, poured in {times} parts.', { times, run: run.join(', ') })}
      </p>
      {sentence && (
        <p role="alert" className="mt-2 text-rust">
          <Say of={sentence} />
        </p>
      )}
      <div className="mt-4 flex gap-3">
        <button className="button button-main" onClick={repeat}>
          {t('Repeat')}
        </button>
        <button className="button" onClick={onClose}>
          {t('Leave it')}
        </button>
      </div>
    </Ask>
  )
}
