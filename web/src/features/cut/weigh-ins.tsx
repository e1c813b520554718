import { MAX_WEIGH_INS, at, showMass } from '@ostler/core'
import type { CureDoubt, EditResult, WeighIn, Words } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { useTold } from '../../parts/plan-field.tsx'
import { useBatch, useHabits, usePlan } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { NumberCell } from '../../ui/number-cell.tsx'
import { QuantityField } from '../../ui/quantity.tsx'
import { Say, useSay } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

/** Bars weighed as they cure, and what is asked of a weight that looks wrong. */
export function WeighIns({ freshG, doubts }: { freshG: number; doubts: readonly CureDoubt[] }) {
  const batch = useBatch()
  const told = useTold()
  const habits = useHabits()
  const weighIns = usePlan(state => state.plan.rest.weighIns)
  const [day, setDay] = useState(7)
  const [count, setCount] = useState(1)
  const [bar, setBar] = useState('')
  const [massG, setMassG] = useState(() => Math.round(freshG * 0.95))
  const weigh = (g: number): EditResult => {
    setMassG(g)
    return { ok: true, plan: batch.get().plan }
  }
  const [sentence, setSentence] = useState<Words>('')
  const set = (value: readonly WeighIn[]) => batch.edit({ kind: 'set', path: at(plan => plan.rest.weighIns), value })
  const change = (at: number, to: Partial<WeighIn>) =>
    told(set(weighIns.map((one, i) => (i === at ? { ...one, ...to } : one))))
  const note = () => {
    const weighed: WeighIn = { day, massG, bar: count > 1 ? '' : bar, count, doubt: 'ask' }
    const result = set([...weighIns, weighed].sort((a, b) => a.day - b.day))
    setSentence(result.ok ? '' : result.sentence)
  }
  return (
    <div>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <label className="flex flex-col text-[13px] text-soft">
          {t('Days after the pour')}
          <NumberCell label={t('Days after the pour')} kind="plain" unit="" value={day} onValue={setDay} />
        </label>
        <label className="flex flex-col text-[13px] text-soft">
          {t('Bars together')}
          <NumberCell
            label={t('Bars together')}
            kind="plain"
            unit=""
            value={count}
            onValue={value => setCount(Math.max(1, Math.round(value)))}
          />
        </label>
        {count === 1 && (
          <Choice
            label={t('Which bar')}
            value={bar}
            options={['', 'b', 'c', 'd', 'e', 'f'].map(value => ({ value, text: value === '' ? 'a' : value }))}
            onValue={setBar}
          />
        )}
        <QuantityField
          label={count > 1 ? t('They weigh') : t('The bar weighs')}
          kind="mass"
          habits={habits}
          width={72}
          value={massG}
          onValue={weigh}
        />
        <button className="button" disabled={weighIns.length >= MAX_WEIGH_INS} onClick={note}>
          {t('Note it')}
        </button>
      </div>
      {sentence && (
        <p role="alert" className="mt-1 text-rust">
          <Say of={sentence} />
        </p>
      )}
      <ul className="max-w-140">
        {weighIns.map((one, i) => (
          <WeighInRow
            key={i}
            one={one}
            index={i}
            doubt={doubts.find(doubt => doubt.at === i)}
            onChange={to => change(i, to)}
            onRemove={() => told(set(weighIns.filter((_, n) => n !== i)))}
          />
        ))}
      </ul>
    </div>
  )
}

interface RowProps {
  one: WeighIn
  index: number
  doubt: CureDoubt | undefined
  onChange: (to: Partial<WeighIn>) => void
  onRemove: () => void
}

/** A weigh-in, and what is asked of it where it looks wrong. */
function WeighInRow({ one, index, doubt, onChange, onRemove }: RowProps) {
  const habits = useHabits()
  const say = useSay()
  const which = one.count > 1 ? t('{one} bars', { one: one.count }) : t('bar {bar}', { bar: one.bar || 'a' })
  return (
    <li className="border-t border-line text-[14px]">
      <div className={`flex items-center gap-2 ${one.doubt === 'leave-out' ? 'text-soft line-through' : ''}`}>
        {t('day {day}, {which}: {massG}', { day: one.day, which, massG: showMass(one.massG, habits, 0.1) })}
        {one.doubt === 'it-is-so' && <span className="text-soft">{t('said to be so')}</span>}
        <button
          className="quiet ml-auto"
          aria-label={t('Remove weigh-in {index}', { index: index + 1 })}
          onClick={onRemove}
        >
          <Trash2 size={15} aria-hidden />
        </button>
      </div>
      {doubt && (
        <div role="alert" className="flex flex-wrap items-center gap-2 pb-1">
          <span className="font-semibold">{say(doubt.question)}</span>
          {doubt.offerG !== null && (
            <button className="button" onClick={() => onChange({ massG: Number(doubt.offerG!.toFixed(1)) })}>
              {t('Yes, {offerG}', { offerG: showMass(doubt.offerG, habits, 0.1) })}
            </button>
          )}
          <button className="button" onClick={() => onChange({ doubt: 'it-is-so' })}>
            {t('It is so')}
          </button>
          <button className="button" onClick={() => onChange({ doubt: 'leave-out' })}>
            {t('Leave it out')}
          </button>
        </div>
      )}
    </li>
  )
}
