import { MAX_POT_COLORANTS, findById, showMass, at } from '@ostler/core'
import type { Forecast, Plan, PotColorant } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import { useBatch, useHabits } from '../../plan/context.tsx'
import { AddChoice } from '../../ui/add-choice.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { colorantOptions } from '../../ui/add-options.ts'
import { t } from '../../words/index.ts'

const MOMENTS: readonly { value: PotColorant['moment']; text: string }[] = [
  { value: 'lye', text: t('in the lye water') },
  { value: 'oils', text: t('in the oils') },
  { value: 'trace', text: t('in the batter, before the split') },
]

interface Props {
  plan: Plan
  forecast: Forecast
}

/** What colours the whole pot, and where the liquid for powders comes from. */
export const MediumSection = (props: Props) => (
  <>
    <PotColours {...props} />
    <PowderLiquid {...props} />
  </>
)

function PotColours({ plan, forecast }: Props) {
  const batch = useBatch()
  const told = useTold()
  const habits = useHabits()
  const setPot = (value: PotColorant[]) => told(batch.edit({ kind: 'set', path: at(plan => plan.potColorants), value }))
  const unused = batch.shelf.colorants.filter(
    one => !one.archived && !plan.potColorants.some(part => part.colorant === one.id),
  )
  const addPot = (id: string) => {
    const one = findById(batch.shelf.colorants, id)
    if (!one) return
    const moment = one.form === 'powder' ? 'trace' : 'oils'
    setPot([...plan.potColorants, { colorant: id, doseGPerKg: one.referenceDoseGPerKg, moment }])
  }
  return (
    <Section title={t('Colour of the whole pot')}>
      {plan.potColorants.map((part, i) => (
        <div key={part.colorant} className="flex flex-wrap items-center gap-x-3 border-b border-line py-1.5">
          <strong className="min-w-40 flex-1">
            {findById(batch.shelf.colorants, part.colorant)?.name ?? part.colorant}
          </strong>
          <PlanField
            bare
            label={t('Dose of {colorant} in the pot', { colorant: part.colorant })}
            kind="dose"
            width={60}
            path={at(plan => plan.potColorants[i]!.doseGPerKg)}
          />
          <Choice
            bare
            label={t('When {colorant} goes in', { colorant: part.colorant })}
            value={part.moment}
            options={MOMENTS}
            onValue={moment => setPot(plan.potColorants.map((one, j) => (j === i ? { ...one, moment } : one)))}
          />
          <strong className="w-20 text-right">{showMass(forecast.portions.potColours[i]?.massG ?? 0, habits)}</strong>
          <button
            className="quiet"
            aria-label={t('Take {colorant} out of the pot', { colorant: part.colorant })}
            onClick={() => setPot(plan.potColorants.filter((_, j) => j !== i))}
          >
            <Trash2 size={15} aria-hidden />
          </button>
        </div>
      ))}
      {plan.potColorants.length < MAX_POT_COLORANTS && (
        <div className="mt-1.5">
          <AddChoice what={t('a colorant to the pot')} options={colorantOptions(unused, habits)} onAdd={addPot} />
        </div>
      )}
      <p className="mt-1 text-[13px] text-soft">
        {t('It is in every cup. An oil that was steeped with a plant is said on Batter.')}
      </p>
    </Section>
  )
}

function PowderLiquid({ plan, forecast }: Props) {
  const batch = useBatch()
  const told = useTold()
  const habits = useHabits()
  const { division } = plan
  const oilName = (id: string) => findById(batch.shelf.oils, id)?.name ?? id
  const { drawn } = forecast.portions
  return (
    <Section title={t('Liquid for the powders')}>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <Choice<typeof division.mediumFrom>
          bare
          label={t('Where the liquid comes from')}
          value={division.mediumFrom}
          options={[
            { value: 'extra', text: t('comes on top of the recipe') },
            { value: 'recipe', text: t('is drawn from the recipe’s oil and water') },
          ]}
          onValue={value => told(batch.edit({ kind: 'set', path: at(plan => plan.division.mediumFrom), value }))}
        />
        <Choice
          label={t('Which oil')}
          value={division.mediumOil}
          options={[
            ...(division.mediumFrom === 'extra' ? [{ value: '', text: t('any light oil') }] : []),
            ...plan.recipe.oils.map(part => ({ value: part.oil, text: oilName(part.oil) })),
          ]}
          onValue={value => told(batch.edit({ kind: 'set', path: at(plan => plan.division.mediumOil), value }))}
        />
      </div>
      <p className="mt-1 text-[13px] text-soft">
        {division.mediumFrom === 'extra'
          ? t('It lifts the superfat of its cup a little; the cup says so when it matters.')
          : t('The pot gets {oilG} less oil and {waterG} less water: they go in with the colours.', {
              oilG: showMass(drawn.oilG, habits),
              waterG: showMass(drawn.waterG, habits),
            })}
      </p>
    </Section>
  )
}
