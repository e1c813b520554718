import { showMass, at, fact } from '@ostler/core'
import type { Forecast, Plan } from '@ostler/core'
import { Link } from 'react-router'
import { useBatch, useHabits } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { MOMENT_WORDS } from './cup-scent.tsx'
import { useSay } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

/** The batch's scent among the cups: which get it, how it is spread, when it goes in, and what holds vanilla back. */
export function CupsScentSection({ plan, forecast }: { plan: Plan; forecast: Forecast }) {
  const batch = useBatch()
  const told = useTold()
  const habits = useHabits()
  const say = useSay()
  const { scent } = plan
  if (!scent) return null
  const set = (part: Partial<typeof scent>) =>
    told(batch.edit({ kind: 'set', path: at(plan => plan.scent), value: { ...scent, ...part } }))
  const { portions } = forecast
  const takesPart = plan.cups.filter(cup => cup.scented && !cup.ownScent)
  return (
    <Section
      title={say(forecast.recipe.scent?.name ?? fact('Scent'))}
      aside={
        <Link to="../batter#scent" className="text-[13px] text-soft underline">
          {t('change the scent or its load')}
        </Link>
      }
    >
      <div className="flex flex-wrap gap-x-5">
        {plan.cups.map((cup, i) =>
          cup.ownScent ? null : (
            <Check
              key={cup.id}
              label={cup.name}
              checked={cup.scented}
              onChange={on => told(batch.edit({ kind: 'set', path: at(plan => plan.cups[i]!.scented), value: on }))}
            />
          ),
        )}
      </div>
      <div className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-2">
        <Choice label={t('Goes in')} value={scent.moment} options={MOMENT_WORDS} onValue={moment => set({ moment })} />
        <Choice
          label={t('Its load holds for')}
          value={scent.spread}
          options={[
            { value: 'cup', text: t('each scented cup') },
            { value: 'batch', text: t('the whole batch, put into the scented cups') },
          ]}
          onValue={spread => set({ spread })}
        />
        <PlanField
          label={t('Vanilla stabiliser, g per g')}
          kind="plain"
          width={60}
          path={at(plan => plan.scent!.stabiliserRatio)}
        />
      </div>
      <p className="mt-1 text-[13px] text-soft">
        {t(
          '{scentG} in {takesPart} of {cups} cups{stabiliserG}. Limits hold for each cup as well as for the bar.{moment}',
          {
            scentG: showMass(portions.scentG, habits),
            takesPart: takesPart.length,
            cups: plan.cups.length,
            stabiliserG:
              portions.stabiliserG > 0 &&
              t(', {stabiliserG} stabiliser', { stabiliserG: showMass(portions.stabiliserG, habits) }),
            moment:
              scent.moment === 'pot' &&
              takesPart.length < plan.cups.length &&
              t(' Unscented cups are drawn before the scent goes into the pot.'),
          },
        )}
      </p>
    </Section>
  )
}
