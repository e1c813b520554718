import { at } from '@ostler/core'
import { Link } from 'react-router'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { rich, t } from '../../words/index.ts'

/** Where whipping starts from: usual figures, each to be changed. */
const USUAL = { airShare: 0.4, lyeC: 15, fatsC: 20, creamMin: 7, trickleMin: 4 }

/** A whole batch whipped instead of blended. */
export function WhippedSection() {
  const batch = useBatch()
  const told = useTold()
  const isWhipped = usePlan(state => state.plan.whipped !== null)
  const set = (on: boolean) =>
    told(batch.edit({ kind: 'set', path: at(plan => plan.whipped), value: on ? USUAL : null }))
  return (
    <Section title={t('Whipped')}>
      <Check
        label={t('the whole batch: fats creamed unmelted, cold lye trickled in, air beaten in')}
        checked={isWhipped}
        onChange={set}
      />
      {isWhipped && (
        <>
          <div className="mt-2 grid grid-cols-3 gap-x-4 gap-y-3">
            <PlanField label={t('Air beaten in')} kind="share" decimals={0} path={at(plan => plan.whipped!.airShare)} />
            <PlanField label={t('Lye chilled to')} kind="temperature" path={at(plan => plan.whipped!.lyeC)} />
            <PlanField label={t('Fats creamed at')} kind="temperature" path={at(plan => plan.whipped!.fatsC)} />
            <PlanField label={t('Creaming')} kind="minutes" path={at(plan => plan.whipped!.creamMin)} />
            <PlanField label={t('Trickling in')} kind="minutes" path={at(plan => plan.whipped!.trickleMin)} />
          </div>
          <p className="mt-2 text-[13px] text-soft">
            {rich(
              'It is scooped and piped, not poured, and holds its shape for half an hour or more. From chilled lye to the piping bag: {runSheet}.',
              {
                runSheet: (
                  <Link to="../prepare" className="underline">
                    {t('run sheet')}
                  </Link>
                ),
              },
            )}
          </p>
        </>
      )}
    </Section>
  )
}
