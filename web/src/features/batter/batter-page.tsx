import { at } from '@ostler/core'
import { useBatch, useForecast, usePlan } from '../../plan/context.tsx'
import { ForecastRefused } from '../../parts/forecast-refused.tsx'
import { LongText } from '../../ui/long-text.tsx'
import { TextField } from '../../ui/text-field.tsx'
import { Notices } from '../../parts/notices.tsx'
import { PlanField } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { AdditivesTable } from './additives-table.tsx'
import { CharacterPanel } from './character-panel.tsx'
import { LiquidsTable } from './liquids-table.tsx'
import { LyeFields } from './lye-fields.tsx'
import { MouldFields } from './mould-fields.tsx'
import { Numbers } from './numbers.tsx'
import { OilsTable } from './oils-table.tsx'
import { RecipeBar } from './recipe-bar.tsx'
import { ScentSection } from './scent-section.tsx'
import { SizeFields } from './size-fields.tsx'
import { NextTime } from '../../parts/next-time.tsx'
import { LevelPanel } from './level-panel.tsx'
import { BriefSection } from './brief-section.tsx'
import { TableFiles } from '../../parts/table-files.tsx'
import { QuickensLine } from '../../parts/quickens-line.tsx'
import { StopFields } from '../../parts/stop-fields.tsx'
import { WhippedSection } from './whipped-section.tsx'
import { Term } from '../../ui/term.tsx'
import { rich, t } from '../../words/index.ts'

/** The recipe, what it becomes for this mould, and what kind of batter that is. */
export function BatterPage() {
  const forecast = useForecast()
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_400px] max-[1100px]:grid-cols-1">
      <div className="flex min-w-0 flex-col gap-7 p-5 max-[900px]:p-3">
        <div>
          <NextTime at="batter" />
          <Numbers />
          <QuickensLine className="mb-3 max-w-200" />
          <RecipeBar />
          <OilsTable />
        </div>
        {!forecast && <ForecastRefused />}
        <LyeFields />
        <LiquidsTable />
        <AdditivesTable />
        <ScentSection />
        <RecipeFiles />
        <BriefSection />
        <Notes />
      </div>
      <div className="flex flex-col gap-7 border-l border-line bg-panel p-5 max-[1100px]:border-t max-[1100px]:border-l-0 max-[900px]:p-3">
        <MouldFields />
        <SizeFields />
        <CharacterPanel />
        <LevelPanel />
        <Notices most={8} without={/^recipe\.superfatShare$/} />
        <BenchFields />
        <WhippedSection />
      </div>
    </main>
  )
}

/** The recipe with its weights, to take along. */
function RecipeFiles() {
  const plan = usePlan(state => state.plan)
  const portions = useForecast()?.portions
  if (!portions) return null
  const line = (what: string, share: number | null, massG: number) => [
    what,
    share === null ? '' : (share * 100).toFixed(2),
    String(Number(massG.toFixed(2))),
  ]
  const rows = () => [
    [t('what'), t('% of oils'), 'g'],
    ...portions.oils.map(part => line(part.name, part.share, part.massG)),
    line(t('Lye (NaOH)'), null, portions.lyeG),
    line(t('Water'), null, portions.waterG),
    ...[...portions.liquids, ...portions.additives].map(part =>
      line(part.name, part.massG / portions.oilG, part.massG),
    ),
    [t('Superfat'), (portions.superfatShare * 100).toFixed(2), ''],
    [t('Lye purity'), (plan.recipe.lyePurityShare * 100).toFixed(1), ''],
  ]
  return <TableFiles what={t('Recipe')} name={plan.name} rows={rows} />
}

function Notes() {
  const batch = useBatch()
  const notes = usePlan(state => state.plan.notes)
  const madeBy = usePlan(state => state.plan.madeBy)
  return (
    <div className="flex flex-col gap-3">
      <LongText
        label={t('Notes')}
        value={notes}
        onValue={value => batch.edit({ kind: 'set', path: at(plan => plan.notes), value }, 'notes')}
      />
      <TextField
        label={t('Made by')}
        value={madeBy}
        className="w-64"
        onValue={value => batch.edit({ kind: 'set', path: at(plan => plan.madeBy), value }, 'madeBy')}
      />
    </div>
  )
}

function BenchFields() {
  const isWhipped = usePlan(state => state.plan.whipped !== null)
  return (
    <Section title={t('At the bench')}>
      <div className="grid grid-cols-3 gap-x-4 gap-y-3">
        {!isWhipped && (
          <PlanField label={t('Batter meets at')} kind="temperature" path={at(plan => plan.conditions.mixC)} />
        )}
        <PlanField label={t('Room')} kind="temperature" path={at(plan => plan.conditions.roomC)} />
        <PlanField label={t('Scale’s step')} kind="mass" decimals={2} path={at(plan => plan.conditions.scaleStepG)} />
        <PlanField
          label={t('Fine scale’s step')}
          kind="mass"
          decimals={2}
          path={at(plan => plan.conditions.fineScaleStepG)}
        />
        <PlanField label={t('Batter density')} kind="density" path={at(plan => plan.conditions.densityGPerMl)} />
        <PlanField label={t('Clings to the pot')} kind="mass" path={at(plan => plan.pot.clingG)} />
        {!isWhipped && (
          <PlanField label={t('Blender strength')} kind="plain" path={at(plan => plan.conditions.blenderStrength)} />
        )}
      </div>
      {!isWhipped && (
        <div className="mt-3">
          <StopFields />
        </div>
      )}
      <p className="mt-2 text-[13px] text-soft">
        {rich(
          '{level} 1 is an {emulsion}, 2 light trace, 3 medium, 4 heavy. Cooler and blended less means more time.',
          { level: <Term at="level">{t('Level')}</Term>, emulsion: <Term at="emulsion">{t('emulsion')}</Term> },
        )}
      </p>
    </Section>
  )
}
