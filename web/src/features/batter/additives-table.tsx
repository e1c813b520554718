import { MOMENTS, additionWords, showMass } from '@ostler/core'
import type { Additive, EditResult, Moment, PlannedAdditive } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { AddChoice } from '../../ui/add-choice.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { useTold } from '../../parts/plan-field.tsx'
import { QuantityField } from '../../ui/quantity.tsx'
import { Section } from '../../ui/section.tsx'
import { smallMass } from '../../ui/small-mass.ts'
import { additiveOptions } from '../../ui/add-options.ts'
import { say, t, tidy } from '../../words/index.ts'
import { inWords } from '../../ui/options.ts'

const PATH = ['recipe', 'additives']

/** Hardeners, sugars, acids, clays and powders of the whole batter. */
export function AdditivesTable() {
  const habits = useHabits()
  const batch = useBatch()
  const told = useTold()
  const additives = usePlan(state => state.plan.recipe.additives)
  const unused = batch.shelf.additives.filter(one => !one.archived && !additives.some(part => part.additive === one.id))
  const add = (id: string) => {
    const additive = batch.shelf.additives.find(one => one.id === id)!
    const middle = (additive.usualLeastGPerKg + additive.usualMostGPerKg) / 2
    const part: PlannedAdditive = {
      additive: id,
      gPerKgOils: Number(middle.toPrecision(2)),
      moment: additive.moment,
      addLye: true,
    }
    told(batch.edit({ kind: 'set', path: PATH, value: [...additives, part] }))
  }
  return (
    <Section title={t('Additives')}>
      {additives.length > 0 && (
        <table className="mb-2 w-full">
          <thead className="max-[600px]:hidden">
            <tr className="border-b border-ink text-left text-[13px] text-soft">
              <th className="py-1 font-normal">{t('additive')}</th>
              <th className="text-right font-normal">{t('g per kg of oils')}</th>
              <th className="text-right font-normal">{t('weigh')}</th>
              <th className="pl-4 font-normal max-[600px]:hidden">{t('goes')}</th>
              <th className="pl-2 font-normal whitespace-nowrap max-[600px]:hidden">{t('lye for it')}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {additives.map((part, i) => (
              <AdditiveRow key={part.additive} part={part} i={i} />
            ))}
          </tbody>
        </table>
      )}
      <AddChoice what={t('an additive')} options={additiveOptions(unused, habits)} onAdd={add} />
    </Section>
  )
}

const NO_BATCH: EditResult = {
  ok: false,
  path: 'recipe.additives',
  sentence: t('Without a forecast there is no batch yet. Type g per kg of oils.'),
}

/** What it is for, how much is usual, and what it takes of the lye. */
function AdditiveSays({ additive, gPerKgOils }: { additive: Additive; gPerKgOils: number }) {
  const lye = lyePerG(additive)
  return (
    <span className="block text-[13px] text-soft">
      {t('{role}{additive}; usually {usualLeastGPerKg} to {usualMostGPerKg} g/kg{takesLye}', {
        role: additive.role,
        additive: additionWords(additive, gPerKgOils)
          .map(one => `, ${say(one)}`)
          .join(''),
        usualLeastGPerKg: additive.usualLeastGPerKg,
        usualMostGPerKg: additive.usualMostGPerKg,
        takesLye: lye > 0 && t('; takes {acidLyePerG} g of NaOH per g', { acidLyePerG: tidy(lye, 3) }),
      })}
    </span>
  )
}

function Spoons({ spoons }: { spoons: number }) {
  if (!(spoons > 0)) return null
  return (
    <span
      className="block text-[13px] font-normal text-soft"
      title={t('A level teaspoon differs by a quarter: weigh it.')}
    >
      {t('about {spoons} tsp', { spoons: tidy(spoons, 1) })}
    </span>
  )
}

/** What a gram of it takes of the lye, by its acid and its fat, g of NaOH. */
const lyePerG = ({ acidLyePerG, fatLyePerG }: Additive): number => acidLyePerG + fatLyePerG

function AdditiveRow({ part, i }: { part: PlannedAdditive; i: number }) {
  const batch = useBatch()
  const told = useTold()
  const habits = useHabits()
  const additives = usePlan(state => state.plan.recipe.additives)
  const step = usePlan(state => state.plan.conditions.fineScaleStepG)
  const weighed = useForecast()?.portions.additives.find(one => one.id === part.additive)
  const additive = batch.shelf.additives.find(one => one.id === part.additive)
  const name = additive?.name ?? part.additive
  const set = (key: keyof PlannedAdditive, value: unknown) =>
    batch.edit({ kind: 'set', path: [...PATH, i, key], value }, `additive ${i} ${key}`)
  const oilG = useForecast()?.portions.oilG ?? 0
  /** So much of it for the whole batch: spoons by the weight of its own spoon. */
  const setWhole = (massG: number): EditResult =>
    oilG > 0 ? set('gPerKgOils', Number(((massG / oilG) * 1000).toFixed(4))) : NO_BATCH
  return (
    <tr className="stack border-b border-line">
      <td className="py-1.5 pr-2">
        {name}
        {additive && <AdditiveSays additive={additive} gPerKgOils={part.gPerKgOils} />}
      </td>
      <td>
        <div className="flex justify-end">
          <QuantityField
            bare
            label={t('{name}, g per kg of oils', { name })}
            kind="dose"
            width={66}
            {...(additive && { densityGPerMl: additive.teaspoonG / 5 })}
            other={{ kind: 'mass', unit: /(?:^|[\d\s])(?:tsp|tbsp|ml|g|oz|lb)$/i, onValue: setWhole }}
            habits={habits}
            value={part.gPerKgOils}
            onValue={value => set('gPerKgOils', value)}
          />
        </div>
      </td>
      <td className="text-right font-semibold whitespace-nowrap">
        {weighed ? `${smallMass(weighed.massG, weighed.exactG, habits, step)} ${habits.mass}` : '–'}
        {additive && weighed && <Spoons spoons={weighed.exactG / additive.teaspoonG} />}
      </td>
      <td className="pl-4 max-[600px]:hidden">
        <Choice<Moment>
          bare
          label={t('{name} goes', { name })}
          value={part.moment}
          options={inWords<Moment>(MOMENTS).map(([value, text]) => ({ value, text }))}
          onValue={value => told(set('moment', value))}
        />
      </td>
      <td className="pl-2 text-center max-[600px]:hidden">
        {additive && lyePerG(additive) > 0 ? (
          <span className="inline-flex items-center gap-1">
            <Check
              label=""
              name={t('Add lye for {name}', { name })}
              checked={part.addLye}
              onChange={value => told(set('addLye', value))}
            />
            {part.addLye && weighed && <span className="text-[13px] text-soft">{showMass(weighed.lyeG, habits)}</span>}
          </span>
        ) : (
          <span className="text-soft">–</span>
        )}
      </td>
      <td className="text-right">
        <button
          className="quiet"
          aria-label={t('Remove {name}', { name })}
          onClick={() =>
            told(
              batch.edit({ kind: 'set', path: PATH, value: additives.filter(one => one.additive !== part.additive) }),
            )
          }
        >
          <Trash2 size={16} aria-hidden />
        </button>
      </td>
    </tr>
  )
}
