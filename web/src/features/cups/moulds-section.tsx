import { MAX_MORE_MOULDS, findById, massNumber, plannedMould, showLength, at } from '@ostler/core'
import type { Forecast, Plan } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import { Link } from 'react-router'
import { useBatch, useHabits } from '../../plan/context.tsx'
import { AddChoice } from '../../ui/add-choice.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { mouldOptions } from '../../ui/add-options.ts'
import { t } from '../../words/index.ts'

type Filled = Forecast['portions']['moulds'][number]

const MouldName = ({ mould }: { mould: Filled }) => (
  <td className="py-1.5 pr-3">
    <span className="block font-semibold">{mould.name}</span>
    <span className="text-[13px] text-soft">
      {t('{cavities}{volumeMl} ml', {
        cavities: mould.cavities > 1 && t('{cavities} cavities · ', { cavities: mould.cavities }),
        volumeMl: Math.round(mould.volumeMl),
      })}
    </span>
  </td>
)

const FillField = ({ name, more }: { name: string; more: number }) => (
  <PlanField
    bare
    label={t('How high {mould} is filled', { mould: name })}
    kind="length"
    width={60}
    path={['moreMoulds', more, 'fillMm']}
  />
)

/** What a mould, and each of its cavities, takes of a cup. */
function CupPart({ mould, cup }: { mould: Filled; cup: string }) {
  const habits = useHabits()
  const part = mould.parts.find(one => one.cup === cup)!
  return (
    <td className="py-1.5 pl-3 text-right">
      <span className="font-semibold">{massNumber(part.massG, habits)}</span>
      {mould.cavities > 1 && (
        <span className="block text-[13px] text-soft">
          {t('{perCavityG} each', { perCavityG: massNumber(part.perCavityG, habits) })}
        </span>
      )}
    </td>
  )
}

/** Every mould and cavity with its part of every cup. */
export function MouldsSection({ plan, forecast }: { plan: Plan; forecast: Forecast }) {
  const batch = useBatch()
  const told = useTold()
  const habits = useHabits()
  const set = (moreMoulds: Plan['moreMoulds']) =>
    told(batch.edit({ kind: 'set', path: at(plan => plan.moreMoulds), value: moreMoulds }))
  const add = (id: string) => {
    const shape = findById(batch.shelf.moulds, id)
    if (shape) set([...plan.moreMoulds, plannedMould(shape)])
  }
  const { moulds } = forecast.portions
  const shown = plan.cups.filter((_, i) => forecast.portions.cups[i]!.pouredG > 0)
  return (
    <Section
      title={t('Moulds')}
      aside={
        <Link to="../batter" className="text-[13px] text-soft underline">
          {t('the first one is set on Batter')}
        </Link>
      }
    >
      <div className="overflow-x-auto">
        <table className="w-full">
          <thead>
            <tr className="text-[13px] text-soft">
              <th className="text-left font-normal">{t('mould, {mass}', { mass: habits.mass })}</th>
              <th className="text-left font-normal">{t('soap stands')}</th>
              {shown.map(cup => (
                <th key={cup.id} className="max-w-24 truncate pl-3 text-right font-normal">
                  {cup.name}
                </th>
              ))}
              <th />
            </tr>
          </thead>
          <tbody>
            {moulds.map((mould, i) => (
              <tr key={i} className="border-t border-line align-top">
                <MouldName mould={mould} />
                <td className="py-1.5">
                  {i === 0 ? showLength(plan.mould.fillMm, habits) : <FillField name={mould.name} more={i - 1} />}
                </td>
                {shown.map(cup => (
                  <CupPart key={cup.id} mould={mould} cup={cup.id} />
                ))}
                <td className="text-right">
                  {i > 0 && (
                    <button
                      className="quiet"
                      aria-label={t('Remove {mould}', { mould: mould.name })}
                      onClick={() => set(plan.moreMoulds.filter((_, j) => j !== i - 1))}
                    >
                      <Trash2 size={15} aria-hidden />
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {plan.moreMoulds.length < MAX_MORE_MOULDS && (
        <div className="mt-2">
          <AddChoice
            what={t('a mould')}
            options={mouldOptions(batch.shelf.moulds.filter(one => !one.archived))}
            onAdd={add}
          />
        </div>
      )}
    </Section>
  )
}
