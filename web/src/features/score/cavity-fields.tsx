import { cavitiesOf, at } from '@ostler/core'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { useCupHex } from '../../plan/colour-view.ts'
import { useTold } from '../../parts/plan-field.tsx'
import { t } from '../../words/index.ts'

/** Which cavities of the mould a pour goes into; each shows what is poured there already. */
export function CavityFields({ index }: { index: number }) {
  const batch = useBatch()
  const told = useTold()
  const plan = usePlan(state => state.plan)
  const hexOf = useCupHex()
  const { cavities } = plan.mould
  const pour = plan.score[index]!
  const own = cavitiesOf(plan, pour)
  const set = (list: number[]) =>
    told(
      batch.edit({
        kind: 'set',
        path: at(plan => plan.score[index]!.cavities),
        value: list.length === cavities ? [] : list,
      }),
    )
  const all = Array.from({ length: cavities }, (_, k) => k + 1)
  const into = (k: number) => plan.score.filter(one => cavitiesOf(plan, one).includes(k))
  return (
    <fieldset className="border-t border-booth-deep pt-2">
      <legend className="sr-only">{t('Cavities that this pour goes into')}</legend>
      <p className="mb-1 text-[13px] text-soft">
        {t('Goes into {own}', {
          own:
            own.length === cavities
              ? t('all {cavities} cavities', { cavities })
              : t('cavity {own}', { own: own.join(', ') }),
        })}
      </p>
      <div className="flex flex-wrap gap-1">
        {all.map(k => {
          const isIn = own.includes(k)
          return (
            <button
              key={k}
              aria-pressed={isIn}
              aria-label={t('Cavity {k}', { k })}
              // The last one stays: a pour that goes nowhere is set aside instead.
              disabled={isIn && own.length === 1}
              onClick={() => set(isIn ? own.filter(one => one !== k) : [...own, k].sort((a, b) => a - b))}
              className={`flex size-11 flex-col border ${isIn ? 'border-2 border-ink' : 'border-line opacity-60'}`}
            >
              <span className="flex min-h-0 flex-1 flex-col-reverse">
                {into(k).map(one => (
                  <span key={one.id} className="min-h-0 flex-1" style={{ background: hexOf(one.cup) }} />
                ))}
              </span>
              <span className="bg-paper text-[12px] leading-4">{k}</span>
            </button>
          )
        })}
      </div>
      <div className="mt-2 flex flex-wrap gap-2">
        <button className="button" disabled={own.length === cavities} onClick={() => set(all)}>
          {t('All cavities')}
        </button>
        <button className="button" onClick={() => told(batch.edit({ kind: 'one-colour-each' }))}>
          {t('One colour in each')}
        </button>
      </div>
    </fieldset>
  )
}
