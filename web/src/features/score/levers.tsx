import { BLENDINGS, CUP_ORDERS, WAITING, showMinutes, at } from '@ostler/core'
import type { Blending, CupOrder, Slope, Waiting } from '@ostler/core'
import { Timer } from 'lucide-react'
import { useState } from 'react'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { useAnswer } from '../../parts/use-answer.ts'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { QuickensLine } from '../../parts/quickens-line.tsx'
import { WaterField } from '../../parts/water-field.tsx'
import { slopesOf } from '../../workers/search.ts'
import { StopFields } from '../../parts/stop-fields.tsx'
import { TimesDialog } from './times-dialog.tsx'
import { useSay } from '../../ui/say.tsx'
import { t, tidy } from '../../words/index.ts'

/** The settings that change the pace of everything, beside the picture of what they do. */
export function Levers() {
  const isWhipped = usePlan(state => state.plan.whipped !== null)
  return (
    <section aria-label={t('Levers')} className="border-t border-booth-deep pt-3">
      <div className="grid grid-cols-2 gap-x-4 gap-y-2">
        <PlanField
          label={t('Oils and lye meet at')}
          kind="temperature"
          width={64}
          path={at(plan => plan.conditions.mixC)}
        />
        <PlanField label={t('Room')} kind="temperature" width={64} path={at(plan => plan.conditions.roomC)} />
        <WaterField basis="concentration" label={t('Lye concentration')} width={64} />
      </div>
      {!isWhipped && (
        <div className="mt-2">
          <StopFields />
        </div>
      )}
      <QuickensLine className="mt-2 text-[13px]" />
      <HandsFields />
    </section>
  )
}

/** Whose hands, how quick, in which order; and what each lever does here. */
function HandsFields() {
  const batch = useBatch()
  const told = useTold()
  const { order, people, waiting, blend } = usePlan(state => state.plan.hands)
  const [isOpen, setOpen] = useState(false)
  const [times, setTimes] = useState(false)
  const set = (key: string, value: unknown) => told(batch.edit({ kind: 'set', path: ['hands', key], value }))
  return (
    <details className="mt-2" onToggle={event => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer text-[14px]">{t('Hands, and what each lever does')}</summary>
      <div className="mt-2 grid grid-cols-2 gap-x-4 gap-y-2">
        <HandsChoice<Blending>
          label={t('Blended')}
          value={blend}
          words={BLENDINGS}
          onValue={value => set('blend', value)}
        />
        <HandsChoice<CupOrder>
          label={t('Colour')}
          value={order}
          words={CUP_ORDERS}
          onValue={value => set('order', value)}
        />
        <HandsChoice<Waiting>
          label={t('Waiting cups')}
          value={waiting}
          words={WAITING}
          onValue={value => set('waiting', value)}
        />
        <Choice
          label={t('People')}
          value={String(people)}
          options={[
            { value: '1', text: t('one') },
            { value: '2', text: t('two') },
          ]}
          onValue={value => set('people', Number(value))}
        />
        <PlanField
          label={t('Times, of the usual')}
          kind="share"
          decimals={0}
          width={64}
          path={at(plan => plan.hands.pace)}
        />
      </div>
      <button className="button mt-2" onClick={() => setTimes(true)}>
        <Timer size={15} aria-hidden /> {t('Your hands, timed …')}
      </button>
      {times && <TimesDialog onClose={() => setTimes(false)} />}
      {isOpen && <Slopes />}
    </details>
  )
}

interface HandsChoiceProps<K extends string> {
  label: string
  value: K
  words: Readonly<Record<K, string>>
  onValue: (value: K) => void
}

/** A choice over the whole width: what can be chosen is a sentence. */
function HandsChoice<K extends string>({ label, value, words, onValue }: HandsChoiceProps<K>) {
  return (
    <div className="col-span-2">
      <Choice<K> label={label} className="w-full" value={value} options={options(words)} onValue={onValue} />
    </div>
  )
}

function Slopes() {
  const say = useSay()
  const slopes = useAnswer<Slope[]>(true, slopesOf)
  return (
    <ul aria-label={t('What each lever does')} className="mt-2 flex flex-col gap-1 text-[13px]">
      {slopes?.map(slope => (
        <li key={slope.lever}>
          {say(slope.sentence)}{' '}
          {Math.abs(slope.minutes) >= 0.5 && (
            <strong className="whitespace-nowrap">
              {slope.minutes > 0 ? '+' : '−'} {showMinutes(Math.abs(slope.minutes))}
            </strong>
          )}{' '}
          {Math.abs(slope.each) >= 0.005 && (
            <span className="text-soft">
              {t('({each}{each2} min for {step})', {
                each: slope.each > 0 ? '+' : '−',
                each2: tidy(Math.abs(slope.each), Math.abs(slope.each) < 0.1 ? 2 : 1),
                step: say(slope.step),
              })}
            </span>
          )}
        </li>
      ))}
    </ul>
  )
}
