import { at } from '@ostler/core'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { LastDays } from '../../parts/last-days.tsx'
import { LongText } from '../../ui/long-text.tsx'
import { Section } from '../../ui/section.tsx'
import { TextField } from '../../ui/text-field.tsx'
import { t } from '../../words/index.ts'

/** What the soap is for: occasion, person, wish, price, and the day that it is wanted. */
export function BriefSection() {
  const batch = useBatch()
  const told = useTold()
  const { occasion, forWhom, wish } = usePlan(state => state.plan.brief)
  const wantedOn = usePlan(state => state.plan.rest.wantedOn)
  return (
    <Section title={t('What it is for')}>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <TextField
          label={t('Occasion')}
          value={occasion}
          className="w-52"
          onValue={value => batch.edit({ kind: 'set', path: at(plan => plan.brief.occasion), value }, 'occasion')}
        />
        <TextField
          label={t('For whom')}
          value={forWhom}
          className="w-52"
          onValue={value => batch.edit({ kind: 'set', path: at(plan => plan.brief.forWhom), value }, 'for whom')}
        />
        <PlanField
          label={t('A bar, from')}
          kind="plain"
          decimals={2}
          width={70}
          path={at(plan => plan.brief.priceFrom)}
        />
        <PlanField label={t('to')} kind="plain" decimals={2} width={70} path={at(plan => plan.brief.priceTo)} />
        <label className="flex flex-col gap-0.5 text-[13px] text-soft">
          {t('Wanted for')}
          <input
            type="date"
            className="field min-h-9 text-ink"
            value={wantedOn}
            onChange={event =>
              told(
                batch.edit(
                  { kind: 'set', path: at(plan => plan.rest.wantedOn), value: event.target.value },
                  'wantedOn',
                ),
              )
            }
          />
        </label>
      </div>
      <LastDays className="mt-2" />
      <div className="mt-3">
        <LongText
          label={t('Wish')}
          value={wish}
          onValue={value => batch.edit({ kind: 'set', path: at(plan => plan.brief.wish), value }, 'wish')}
        />
      </div>
    </Section>
  )
}
