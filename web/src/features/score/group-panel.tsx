import { showMass } from '@ostler/core'
import { Archive, Copy, Scissors, Trash2, X } from 'lucide-react'
import { useState } from 'react'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { useCupHex } from '../../plan/colour-view.ts'
import { useTold } from '../../parts/plan-field.tsx'
import { useToast } from '../../ui/toast.tsx'
import { copyPours } from './clipboard.ts'
import { RepeatDialog } from './repeat-dialog.tsx'
import { t } from '../../words/index.ts'

/** What can be done with several layers at once. */
export function GroupPanel({ pours, onPicked }: { pours: readonly string[]; onPicked: (ids: string[]) => void }) {
  const batch = useBatch()
  const told = useTold()
  const toast = useToast()
  const habits = useHabits()
  const hexOf = useCupHex()
  const plan = usePlan(state => state.plan)
  const layers = useForecast()?.portions.layers ?? []
  const [repeats, setRepeats] = useState(false)
  const massG = layers.reduce((sum, layer) => (pours.includes(layer.pour) ? sum + layer.massG : sum), 0)
  const at = pours.map(id => plan.score.findIndex(pour => pour.id === id)).sort((a, b) => a - b)
  const isRun = at.every((place, i) => i === 0 || place === at[i - 1]! + 1)
  const done = (result: ReturnType<typeof batch.edit>) => {
    told(result)
    if (result.ok) onPicked([])
  }
  const cut = () => {
    if (copyPours(plan, pours, hexOf) === 0) return toast(t('This browser keeps no copies.'))
    done(batch.edit({ kind: 'remove-pours', pours }))
  }
  return (
    <section aria-label={t('{pours} layers chosen', { pours: pours.length })} className="flex flex-col gap-3">
      <header className="flex items-center">
        <h2 className="text-lg">{t('{pours} layers', { pours: pours.length })}</h2>
        <button className="quiet ml-auto" aria-label={t('Close')} onClick={() => onPicked([])}>
          <X size={18} aria-hidden />
        </button>
      </header>
      <p className="text-2xl font-semibold">{showMass(massG, habits, 1)}</p>
      <div className="flex flex-col items-start gap-2">
        <button
          className="button"
          onClick={() =>
            toast(t('{plan} layers copied: paste here or in another batch.', { plan: copyPours(plan, pours, hexOf) }))
          }
        >
          <Copy size={16} aria-hidden /> {t('Copy')}
        </button>
        <button className="button" onClick={cut}>
          <Scissors size={16} aria-hidden /> {t('Cut')}
        </button>
        {isRun && (
          <button className="button" onClick={() => setRepeats(true)}>
            {t('Repeat as a group …')}
          </button>
        )}
        <button className="button" onClick={() => done(batch.edit({ kind: 'set-aside', pours }))}>
          <Archive size={16} aria-hidden /> {t('Set aside for now')}
        </button>
        <button className="button" onClick={() => done(batch.edit({ kind: 'remove-pours', pours }))}>
          <Trash2 size={16} aria-hidden /> {t('Remove')}
        </button>
      </div>
      <p className="text-[13px] text-soft">
        {t(
          'Keys: arrows choose, with Shift several; Alt and arrows move; Ctrl C and Ctrl V copy and paste; Delete removes.',
        )}
      </p>
      {repeats && <RepeatDialog from={at[0]} to={at.at(-1)} onClose={() => setRepeats(false)} />}
    </section>
  )
}
