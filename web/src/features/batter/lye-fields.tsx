import { at } from '@ostler/core'
import { useBatch, useForecast, usePlan } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { FreeLyeAnswer } from '../../parts/free-lye.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { WaterField } from '../../parts/water-field.tsx'
import { WorkingNumber } from '../../ui/working-number.tsx'
import { Term } from '../../ui/term.tsx'
import { rich, showShare, t } from '../../words/index.ts'

/** Superfat and purity, and water on four bases of which one is kept. */
export function LyeFields() {
  const forecast = useForecast()
  const batch = useBatch()
  const told = useTold()
  const isTrial = usePlan(state => state.plan.isTrial)
  const basis = usePlan(state => state.plan.recipe.water.basis)
  return (
    <Section title={t('Lye and water')}>
      <div className="flex flex-wrap items-start gap-x-6 gap-y-3">
        <PlanField label={t('Superfat')} kind="share" width={70} path={at(plan => plan.recipe.superfatShare)} />
        <PlanField label={t('Lye purity')} kind="share" width={70} path={at(plan => plan.recipe.lyePurityShare)} />
        <span aria-hidden className="w-px self-stretch bg-line max-[600px]:hidden" />
        <WaterField basis="concentration" label={t('Lye concentration')} width={70} showsKept />
        <WaterField basis="ratio" label={t('Water to lye')} width={60} showsKept />
        <WaterField basis="share" label={t('Water, of the oils')} width={70} showsKept />
        <WaterField basis="discount" label={t('Water discount')} width={70} showsKept />
        {basis === 'discount' && (
          <PlanField
            label={t('from full water, of the oils')}
            kind="share"
            width={70}
            path={at(plan => plan.recipe.water.fullShareOfOils)}
          />
        )}
      </div>
      {forecast && <FreeLyeAnswer freeLye={forecast.freeLye} className="mt-3" />}
      <Check
        className="mt-1"
        label={t('a trial: made to learn from, not for skin or sale')}
        checked={isTrial}
        onChange={value => told(batch.edit({ kind: 'set', path: at(plan => plan.isTrial), value }))}
      />
      {forecast && (
        <div className="mt-2 flex flex-wrap items-baseline gap-x-6 gap-y-1 text-[13px] text-soft">
          <p className="max-w-150">
            {rich(
              '{superfat} is {low} to {high} with the oils’ values and the scale. The four ways of water say the same; type into any, and that one is kept.',
              {
                superfat: <Term at="superfat">{t('Superfat')}</Term>,
                low: showShare(forecast.portions.superfat.low),
                high: showShare(forecast.portions.superfat.high),
              },
            )}
          </p>
          {forecast.recipe.lateShare > 0 && (
            <WorkingNumber
              label={t(
                'lye discount on the oils in the pot; with {lateShare} kept back the superfat is {superfatShare}, counted once',
                {
                  lateShare: showShare(forecast.recipe.lateShare),
                  superfatShare: showShare(forecast.portions.superfatShare),
                },
              )}
              text={showShare(forecast.recipe.lyeDiscountShare)}
              working={forecast.workings.lyeDiscount}
            />
          )}
        </div>
      )}
      <p className="mt-2 text-[13px] text-soft">
        {t('Lye burns. Goggles, gloves, long sleeves; add lye to water, never water to lye; no aluminium, no glass.')}
      </p>
    </Section>
  )
}
