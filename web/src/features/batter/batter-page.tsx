import { lyeDemand, showMass, showMassDown, showShare } from '@ostler/core'
import { Plus, Trash2 } from 'lucide-react'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../ui/plan-field.tsx'
import { WorkingNumber } from '../../ui/working-number.tsx'
import { Notices } from '../../ui/notices.tsx'
import { ForecastRefused } from '../../ui/forecast-refused.tsx'
import { LongText } from '../../ui/long-text.tsx'
import { MouldFields } from './mould-fields.tsx'

/** The recipe and what it becomes for this mould. */
export function BatterPage() {
  const forecast = useForecast()
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_430px] max-[900px]:grid-cols-1">
      <div className="p-5 max-[900px]:p-3">
        <Numbers />
        <Oils />
        {!forecast && <ForecastRefused />}
        <Notices className="mb-6" />
        <Notes />
      </div>
      <div className="flex flex-col gap-6 border-l border-line bg-panel p-5 max-[900px]:border-t max-[900px]:border-l-0 max-[900px]:p-3">
        <LyeFields />
        <MouldFields />
        <BenchFields />
      </div>
    </main>
  )
}

function Notes() {
  const batch = useBatch()
  const notes = usePlan(state => state.plan.notes)
  return (
    <LongText
      label="Notes"
      value={notes}
      onValue={value => batch.edit({ kind: 'set', path: ['notes'], value }, 'notes')}
    />
  )
}

function Numbers() {
  const forecast = useForecast()
  const habits = useHabits()
  if (!forecast) return null
  const { portions, workings } = forecast
  return (
    <section aria-label="What to weigh" className="mb-6 flex flex-wrap gap-x-10 gap-y-3">
      <WorkingNumber label="batter in the pot" text={showMass(portions.potG, habits)} working={workings.pot} />
      <WorkingNumber label="oils" text={showMass(portions.oilG, habits, 1)} working={workings.oils} />
      <WorkingNumber label="lye (NaOH)" text={showMassDown(portions.lyeG, habits)} working={workings.lye} />
      <WorkingNumber label="water" text={showMass(portions.waterG, habits, 1)} working={workings.water} />
      <WorkingNumber label="superfat as weighed" text={showShare(portions.superfatShare)} working={workings.superfat} />
    </section>
  )
}

function Oils() {
  const batch = useBatch()
  const told = useTold()
  const habits = useHabits()
  const oils = usePlan(state => state.plan.recipe.oils)
  const forecast = useForecast()
  const sum = oils.reduce((total, part) => total + part.share, 0)
  const off = Math.abs(sum - 1) > 0.0005
  const unused = batch.shelf.oils.filter(oil => !oils.some(part => part.oil === oil.id))
  const weighed = (id: string) => forecast?.portions.oils.find(part => part.oil === id)

  return (
    <section aria-labelledby="oils" className="mb-6">
      <h2 id="oils" className="mb-2 text-xl">
        Oils
      </h2>
      <table className="w-full">
        <thead>
          <tr className="border-b border-ink text-left text-[13px] text-soft">
            <th className="py-1 font-normal">oil</th>
            <th className="text-right font-normal">share of oils</th>
            <th className="text-right font-normal">weigh</th>
            <th className="text-right font-normal max-[900px]:hidden">lye it takes</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {oils.map((part, i) => {
            const oil = batch.shelf.oils.find(one => one.id === part.oil)
            const row = weighed(part.oil)
            const name = oil?.name ?? part.oil
            return (
              <tr key={part.oil} className="border-b border-line">
                <td className="py-1.5">
                  {name}
                  {oil && (
                    <span className="block text-[13px] text-soft">
                      {oil.sapKohMgPerG} mg KOH/g, usual {oil.sapKohLowMgPerG}–{oil.sapKohHighMgPerG}
                    </span>
                  )}
                </td>
                <td>
                  <div className="flex justify-end">
                    <PlanField bare label={`Share of ${name}`} kind="share" path={['recipe', 'oils', i, 'share']} />
                  </div>
                </td>
                <td className="text-right text-lg font-semibold whitespace-nowrap">
                  {row ? showMass(row.massG, habits, 1) : '–'}
                </td>
                <td className="text-right text-soft max-[900px]:hidden">
                  {row && oil
                    ? showMass(lyeDemand([{ massG: row.massG, sapKohMgPerG: oil.sapKohMgPerG }]), habits)
                    : '–'}
                </td>
                <td className="w-10 text-right">
                  <button
                    className="quiet"
                    aria-label={`Remove ${name}`}
                    disabled={oils.length === 1}
                    onClick={() => told(batch.edit({ kind: 'remove-oil', oil: part.oil }))}
                  >
                    <Trash2 size={16} aria-hidden />
                  </button>
                </td>
              </tr>
            )
          })}
          <tr>
            <td className="py-2">
              <AddOil unused={unused} />
            </td>
            <td className={`text-right ${off ? 'font-semibold text-rust' : 'text-soft'}`}>
              {showShare(sum, 2)} in all
            </td>
            <td colSpan={3}>
              {off && (
                <button className="button ml-3" onClick={() => told(batch.edit({ kind: 'even-out-oils' }))}>
                  Make it 100 %
                </button>
              )}
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  )
}

function AddOil({ unused }: { unused: readonly { id: string; name: string }[] }) {
  const batch = useBatch()
  const told = useTold()
  if (unused.length === 0) return null
  return (
    <span className="inline-flex items-center gap-1.5">
      <Plus size={16} aria-hidden />
      <Choice
        bare
        label="Add an oil"
        value=""
        options={[{ value: '', text: 'add an oil' }, ...unused.map(oil => ({ value: oil.id, text: oil.name }))]}
        onValue={oil => oil !== '' && told(batch.edit({ kind: 'add-oil', oil: { oil, share: 0.05 } }))}
      />
    </span>
  )
}

function LyeFields() {
  const forecast = useForecast()
  return (
    <section aria-labelledby="lye">
      <h2 id="lye" className="mb-2 text-xl">
        Lye and water
      </h2>
      <div className="grid grid-cols-3 gap-x-4 gap-y-3">
        <PlanField label="Superfat" kind="share" path={['recipe', 'superfatShare']} />
        <PlanField label="Lye purity" kind="share" path={['recipe', 'lyePurityShare']} />
        <PlanField label="Lye concentration" kind="share" path={['recipe', 'lyeConcentrationShare']} />
      </div>
      {forecast && (
        <p className="mt-2 text-[13px] text-soft">
          Superfat is {showShare(forecast.portions.superfatLowShare)} to{' '}
          {showShare(forecast.portions.superfatHighShare)} as the oils’ values range. Compare their certificates.
        </p>
      )}
      <p className="mt-2 text-[13px] text-soft">
        Lye burns. Goggles, gloves, long sleeves; add lye to water, never water to lye; no aluminium.
      </p>
    </section>
  )
}

function BenchFields() {
  return (
    <section aria-labelledby="bench">
      <h2 id="bench" className="mb-2 text-xl">
        At the bench
      </h2>
      <div className="grid grid-cols-3 gap-x-4 gap-y-3">
        <PlanField label="Oils and lye meet at" kind="temperature" path={['conditions', 'mixC']} />
        <PlanField label="Room" kind="temperature" path={['conditions', 'roomC']} />
        <PlanField label="Stop blending at level" kind="plain" path={['conditions', 'stopLevel']} />
        <PlanField label="Scale’s step" kind="mass" decimals={2} path={['conditions', 'scaleStepG']} />
        <PlanField label="Fine scale’s step" kind="mass" decimals={2} path={['conditions', 'fineScaleStepG']} />
        <PlanField label="Batter density" kind="density" path={['conditions', 'densityGPerMl']} />
        <PlanField label="Clings to the pot" kind="mass" path={['pot', 'clingG']} />
        <PlanField label="Blender strength" kind="plain" path={['conditions', 'blenderStrength']} />
      </div>
      <p className="mt-2 text-[13px] text-soft">
        Level 1 is an emulsion, 2 light trace, 3 medium, 4 heavy. Cooler and blended less means more time.
      </p>
    </section>
  )
}
