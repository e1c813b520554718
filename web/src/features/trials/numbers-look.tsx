import { MEASURES, kindOfTrial, measureOf } from '@ostler/core'
import type { MeasureName, Trial, TrialNumber } from '@ostler/core'
import { useState } from 'react'
import { lastingStore, readJson, removeKey, writeJson } from '../../kept/storage.ts'
import { freshUuid } from '../../plan/fresh-uuid.ts'
import { withNumbers } from './pair-watch.tsx'
import type { TrialChange } from './trial-change.ts'
import { numberIn } from './wish.ts'
import { t } from '../../words/index.ts'

/** Numbers of a look as they are typed, kept through a reload until they are sent. */
interface Typed {
  what: MeasureName
  by: string
  days: string
  values: Readonly<Record<string, string>>
}

const draftKey = (id: string): string => `ostler.trial-numbers.${id}`

const measuresOf = ({ question }: Trial): MeasureName[] =>
  kindOfTrial(question.kind).reads.filter((one): one is MeasureName => one !== 'colour')

const firstOf = (trial: Trial): MeasureName => {
  const asked = measureOf(trial.question)
  return asked === 'colour' ? measuresOf(trial)[0]! : asked
}

interface Props {
  trial: Trial
  id: string
  days: number
  isBusy: boolean
  onKeep: (change: TrialChange) => Promise<unknown>
}

/** One number of every sample, by label alone. */
export function NumbersLook({ trial, id, days, isBusy, onKeep }: Props) {
  const start: Typed = { what: firstOf(trial), by: '', days: String(days), values: {} }
  const [typed, setAll] = useState<Typed>(() => readJson(lastingStore(), draftKey(id)) ?? start)
  const [ids] = useState(() => new Map(trial.samples.map(({ label }) => [label, freshUuid()])))
  const [round, setRound] = useState(0)
  const set = (change: Partial<Typed>) => {
    const next = { ...typed, ...change }
    writeJson(lastingStore(), draftKey(id), next)
    setAll(next)
  }
  const { says, unit, from, to } = MEASURES[typed.what]
  const age = numberIn(typed.days)
  const isAge = typed.days.trim() !== '' && age >= 0 && age <= 3650
  const valueOf = (label: string): number => numberIn(typed.values[label] ?? '')
  const isTyped = (label: string): boolean => (typed.values[label] ?? '').trim() !== ''
  const isRight = (label: string): boolean => valueOf(label) >= from && valueOf(label) <= to
  const read = trial.samples.filter(({ label }) => isTyped(label))
  const wrong = read.find(({ label }) => !isRight(label))
  const keep = () => {
    const at = new Date().toISOString()
    const numbers = read.map(({ label }): TrialNumber => {
      const one = { id: ids.get(label)!, sample: label, at, days: age, minutes: 0, what: typed.what }
      return { ...one, value: valueOf(label), by: typed.by.trim() }
    })
    void onKeep(now => withNumbers(now, numbers)).then(
      () => {
        removeKey(lastingStore(), draftKey(id))
        setAll({ ...start, what: typed.what })
        for (const { label } of trial.samples) ids.set(label, freshUuid())
        setRound(round + 1)
      },
      () => undefined,
    )
  }
  return (
    <div className="mt-3 border border-line p-3">
      <WhatAndWhen trial={trial} typed={typed} isAge={isAge} onSet={set} />
      <ul className="mt-3 flex flex-wrap gap-3" key={round}>
        {trial.samples.map(({ label }) => (
          <li key={label}>
            <label className="flex flex-col">
              <strong className="text-xl">{label}</strong>
              <input
                className="field min-h-12 w-24 text-lg"
                inputMode="decimal"
                aria-label={`${label}: ${says}`}
                aria-invalid={isTyped(label) && !isRight(label)}
                value={typed.values[label] ?? ''}
                onChange={event => set({ values: { ...typed.values, [label]: event.target.value } })}
              />
            </label>
          </li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <button
          className="button button-main min-h-12"
          disabled={!isAge || read.length === 0 || wrong !== undefined || isBusy}
          onClick={keep}
        >
          {t('Keep these numbers')}
        </button>
        <span role="status" className={wrong ? 'text-rust' : 'text-soft'}>
          {wrong
            ? t('{label}: {says} is from {from} to {to} ({unit}).', { label: wrong.label, says, from, to, unit })
            : t('{read} of {samples} read', { read: read.length, samples: trial.samples.length })}
        </span>
      </div>
    </div>
  )
}

interface WhatProps {
  trial: Trial
  typed: Typed
  isAge: boolean
  onSet: (change: Partial<Typed>) => void
}

function WhatAndWhen({ trial, typed, isAge, onSet }: WhatProps) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <label className="flex flex-col text-[13px] text-soft">
        {t('what is read')}
        <select
          className="field min-h-11 text-ink"
          value={typed.what}
          onChange={event => onSet({ what: event.target.value as MeasureName, values: {} })}
        >
          {measuresOf(trial).map(one => (
            <option key={one} value={one}>
              {t(MEASURES[one].says)}, {t(MEASURES[one].unit)}
            </option>
          ))}
        </select>
      </label>
      <label className="flex flex-col text-[13px] text-soft">
        {t('days since it was poured')}
        <input
          className="field min-h-11 w-28 text-ink"
          inputMode="decimal"
          value={typed.days}
          aria-invalid={!isAge}
          onChange={event => onSet({ days: event.target.value })}
        />
      </label>
      <label className="flex flex-col text-[13px] text-soft">
        {t('by whom (may be left empty)')}
        <input
          className="field min-h-11 w-40 text-ink"
          maxLength={40}
          value={typed.by}
          onChange={event => onSet({ by: event.target.value })}
        />
      </label>
    </div>
  )
}
