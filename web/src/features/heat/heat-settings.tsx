import { showTemperature, at } from '@ostler/core'
import type { CoolingWay, HeatPlan, Plan, TemperatureRule } from '@ostler/core'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { showShare, t } from '../../words/index.ts'

const WAYS: readonly { value: CoolingWay; text: string }[] = [
  { value: 'air', text: t('open air') },
  { value: 'bath', text: t('cool bath') },
  { value: 'ice-bath', text: t('ice bath') },
]

const RULES: readonly { value: TemperatureRule; text: string; says: string }[] = [
  { value: 'gap', text: t('within a gap'), says: t('Lye and oils must come near each other.') },
  { value: 'band', text: t('both in a band'), says: t('Each may be anywhere in the band.') },
  {
    value: 'mix',
    text: t('only the mix counts'),
    says: t('Hot lye may meet cool oils: what they make together counts.'),
  },
  {
    value: 'transfer',
    text: t('hot lye melts the fats'),
    says: t('Lye goes hot onto the hard fats, liquid oils follow. Slowly, at arm’s length.'),
  },
]

/** The maker's way of bringing lye and oils together; each school is a setting. */
export function HeatSettings({ heat }: { heat: HeatPlan | null }) {
  const batch = useBatch()
  const told = useTold()
  const settings = usePlan(state => state.plan.heat)
  const set = (key: string, value: unknown) =>
    told(batch.edit({ kind: 'set', path: ['heat', key], value }, `heat ${key}`))
  const hasBath = settings.lyeCooling !== 'air' || settings.oilsCooling !== 'air'
  const hasIce = settings.lyeCooling === 'ice-bath' || settings.oilsCooling === 'ice-bath'
  const vessels = batch.shelf.vessels
    .filter(vessel => !vessel.archived && vessel.role !== 'bath')
    .map(vessel => ({ value: vessel.id, text: vessel.name }))
  return (
    <div className="flex flex-col gap-6">
      <Section title={t('When and how warm')}>
        <div className="grid grid-cols-3 gap-x-4 gap-y-3">
          <label className="flex flex-col gap-0.5 text-[13px] text-soft">
            {t('Start mixing at')}
            <input
              type="time"
              className="field w-full text-ink"
              value={settings.startAt}
              onChange={event => set('startAt', event.target.value)}
            />
          </label>
          <PlanField label={t('Batter at')} kind="temperature" width={64} path={at(plan => plan.conditions.mixC)} />
          <PlanField label={t('Room')} kind="temperature" width={64} path={at(plan => plan.conditions.roomC)} />
        </div>
        <Check
          className="mt-2"
          label={t('lye at a temperature of its own')}
          checked={settings.lyeC !== null}
          onChange={own => set('lyeC', own ? Math.round(heat?.lyeC ?? 38) : null)}
        />
        {settings.lyeC !== null && (
          <PlanField
            label={t('Lye meets the oils at')}
            kind="temperature"
            width={64}
            path={at(plan => plan.heat.lyeC)}
          />
        )}
      </Section>
      <RuleFields settings={settings} set={set} />
      <LyeFields settings={settings} set={set} vessels={vessels} />
      <OilsFields settings={settings} set={set} vessels={vessels} />
      {hasBath && <BathFields hasIce={hasIce} />}
      <MeltNote heat={heat} />
    </div>
  )
}

interface FieldsProps {
  settings: Plan['heat']
  set: (key: string, value: unknown) => void
}

interface VesselProps extends FieldsProps {
  vessels: readonly { value: string; text: string }[]
}

const RuleFields = ({ settings, set }: FieldsProps) => (
  <Section title={t('Your temperature rule')}>
    <Choice<TemperatureRule>
      bare
      label={t('Temperature rule')}
      className="w-full"
      value={settings.rule}
      options={RULES}
      onValue={value => set('rule', value)}
    />
    <p className="mt-1 text-[13px] text-soft">{RULES.find(rule => rule.value === settings.rule)?.says}</p>
    <div className="mt-2 flex gap-4">
      {settings.rule === 'gap' && (
        <PlanField label={t('Largest gap')} kind="difference" width={64} path={at(plan => plan.heat.gapK)} />
      )}
      {settings.rule === 'band' && (
        <>
          <PlanField label={t('From')} kind="temperature" width={64} path={at(plan => plan.heat.bandLowC)} />
          <PlanField label={t('To')} kind="temperature" width={64} path={at(plan => plan.heat.bandHighC)} />
        </>
      )}
    </div>
  </Section>
)

const LyeFields = ({ settings, set, vessels }: VesselProps) => (
  <Section title={t('Lye')}>
    <div className="grid grid-cols-2 gap-x-4 gap-y-3">
      <Choice
        label={t('In')}
        value={settings.lyeVessel}
        options={[{ value: '', text: t('a plastic jug') }, ...vessels]}
        onValue={value => set('lyeVessel', value)}
      />
      <Choice<CoolingWay>
        label={t('Cools in')}
        value={settings.lyeCooling}
        options={WAYS}
        onValue={value => set('lyeCooling', value)}
      />
      <PlanField label={t('Water starts at')} kind="temperature" width={64} path={at(plan => plan.heat.waterC)} />
      <PlanField label={t('Ice, of the water')} kind="share" width={64} path={at(plan => plan.heat.iceShare)} />
    </div>
    <VesselVerdict />
  </Section>
)

const OilsFields = ({ settings, set, vessels }: VesselProps) => (
  <Section title={t('Oils')}>
    <div className="grid grid-cols-2 gap-x-4 gap-y-3">
      <Choice
        label={t('In')}
        value={settings.oilsVessel}
        options={[{ value: '', text: t('a steel pot') }, ...vessels]}
        onValue={value => set('oilsVessel', value)}
      />
      <Choice<CoolingWay>
        label={t('Cool in')}
        value={settings.oilsCooling}
        options={WAYS}
        onValue={value => set('oilsCooling', value)}
      />
      {settings.rule !== 'transfer' && (
        <PlanField label={t('Melted to')} kind="temperature" width={64} path={at(plan => plan.heat.meltC)} />
      )}
    </div>
  </Section>
)

const BathFields = ({ hasIce }: { hasIce: boolean }) => (
  <Section title={t('Bath')}>
    <div className="grid grid-cols-3 gap-x-4 gap-y-3">
      <PlanField label={t('Water at')} kind="temperature" width={64} path={at(plan => plan.heat.bathC)} />
      <PlanField label={t('Litres')} kind="plain" width={64} path={at(plan => plan.heat.bathLitres)} />
      {hasIce && <PlanField label={t('Ice, kg')} kind="plain" width={64} path={at(plan => plan.heat.iceKg)} />}
    </div>
    <p className="mt-1.5 text-[13px] text-soft">
      {t('Only clear lye goes into a bath: undissolved it sets at the bottom. Keep ice for the bath apart from food.')}
    </p>
  </Section>
)

/** Whether the chosen lye vessel stands hot lye and holds it. */
function VesselVerdict() {
  const batch = useBatch()
  const id = usePlan(state => state.plan.heat.lyeVessel)
  const forecast = useForecast()
  const vessel = batch.shelf.vessels.find(one => one.id === id)
  if (!vessel || !forecast) return null
  const { portions } = forecast
  const massG =
    portions.lyeG +
    portions.waterG +
    portions.liquids.reduce((sum, part) => (part.moment === 'lye' ? sum + part.massG : sum), 0)
  const roomMl = vessel.capacityMl * vessel.workingFillShare
  const needMl = massG / 1.3
  const unsafe = ['glass', 'aluminium', 'wood', 'ldpe', 'pet', 'polystyrene', 'paper', 'melamine'].includes(
    vessel.material,
  )
  if (!unsafe && needMl <= roomMl) return null
  return (
    <p role="status" className="mt-2 font-semibold text-rust">
      ▲{' '}
      {unsafe
        ? t('{vessel}: not for hot lye. Stainless steel, polypropylene or HDPE.', { vessel: vessel.name })
        : t('{needMl} ml of lye do not fit: {vessel} is worked up to {roomMl} ml.', {
            needMl: Math.round(needMl),
            vessel: vessel.name,
            roomMl: Math.round(roomMl),
          })}
    </p>
  )
}

function MeltNote({ heat }: { heat: HeatPlan | null }) {
  const habits = useHabits()
  if (!heat) return null
  return (
    <p className="text-[13px] text-soft">
      {t(
        'Lye solution {w} by weight. Reaction adds a few degrees after they meet; fats are clear from {clearC}. Never add water to lye; use no aluminium and no glass.',
        { w: showShare(heat.w), clearC: showTemperature(Math.round(heat.clearC), habits) },
      )}
    </p>
  )
}
