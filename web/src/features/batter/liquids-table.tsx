import { at, showMass } from '@ostler/core'
import type { Liquid, PlannedLiquid } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { AddChoice } from '../../ui/add-choice.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { liquidOptions } from '../../ui/add-options.ts'
import { fixed, showShare, t } from '../../words/index.ts'

/** Milk, juice, tea or purée for part of the water, with the ledger of all water. */
export function LiquidsTable() {
  const habits = useHabits()
  const batch = useBatch()
  const told = useTold()
  const liquids = usePlan(state => state.plan.recipe.liquids)
  const path = ['recipe', 'liquids']
  const unused = batch.shelf.liquids.filter(
    one => !one.archived && one.id !== 'water' && !liquids.some(part => part.liquid === one.id),
  )
  const add = (id: string) => {
    const liquid = batch.shelf.liquids.find(one => one.id === id)!
    const free = 1 - liquids.reduce((sum, part) => sum + part.shareOfWater, 0)
    const part: PlannedLiquid = {
      liquid: id,
      shareOfWater: Math.min(0.5, liquid.mostShareOfWater, Math.max(0, Number(free.toFixed(4)))),
      measure: 'water',
      moment: 'lye',
      countFat: true,
    }
    told(batch.edit({ kind: 'set', path, value: [...liquids, part] }))
  }
  return (
    <Section title={t('Liquids beside water')}>
      {liquids.length > 0 && (
        <table className="mb-2 w-full">
          <thead className="max-[600px]:hidden">
            <tr className="border-b border-ink text-left text-[13px] text-soft">
              <th className="py-1 font-normal">{t('liquid')}</th>
              <th className="text-right font-normal">{t('of the water')}</th>
              <th className="pl-4 text-right font-normal">{t('weigh')}</th>
              <th className="pl-4 font-normal max-[600px]:hidden">{t('counts by')}</th>
              <th className="pl-2 font-normal max-[600px]:hidden">{t('goes in')}</th>
              <th className="pl-2 font-normal whitespace-nowrap max-[600px]:hidden">{t('lye for its fat')}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {liquids.map((part, i) => (
              <LiquidRow key={part.liquid} part={part} i={i} />
            ))}
          </tbody>
        </table>
      )}
      <div className="flex flex-wrap items-center gap-x-6 gap-y-1">
        <AddChoice what={t('milk, juice or tea')} options={liquidOptions(unused, habits)} onAdd={add} />
        <PlanField
          label={t('Kept back to rinse the lye jug')}
          kind="mass"
          width={70}
          path={at(plan => plan.recipe.rinseG)}
        />
        <Ledger />
      </div>
    </Section>
  )
}

const MEASURES = [
  { value: 'water', text: t('its water') },
  { value: 'weight', text: t('its weight') },
] as const

const MOMENTS = [
  { value: 'lye', text: t('with the lye') },
  { value: 'trace', text: t('at trace') },
] as const

const LiquidSays = ({ liquid }: { liquid: Liquid }) => (
  <span className="block text-[13px] text-soft">
    {t('{fatShare} fat, {sugarShare} sugar. {preparation}', {
      fatShare: showShare(liquid.fatShare),
      sugarShare: showShare(liquid.sugarShare),
      preparation: liquid.preparation,
    })}
  </span>
)

function LiquidRow({ part, i }: { part: PlannedLiquid; i: number }) {
  const batch = useBatch()
  const told = useTold()
  const habits = useHabits()
  const weighed = useForecast()?.portions.liquids.find(one => one.id === part.liquid)
  const liquids = usePlan(state => state.plan.recipe.liquids)
  const liquid = batch.shelf.liquids.find(one => one.id === part.liquid)
  const name = liquid?.name ?? part.liquid
  const path = ['recipe', 'liquids', i]
  const at = (key: keyof PlannedLiquid, value: unknown) =>
    told(batch.edit({ kind: 'set', path: [...path, key], value }))
  return (
    <tr className="stack border-b border-line">
      <td className="py-1.5 pr-2">
        {name}
        {liquid && <LiquidSays liquid={liquid} />}
      </td>
      <td>
        <div className="flex justify-end">
          <PlanField
            bare
            label={t('{name}, share of the water', { name })}
            kind="share"
            width={66}
            path={[...path, 'shareOfWater']}
          />
        </div>
      </td>
      <td className="pl-4 text-right font-semibold whitespace-nowrap">
        {weighed ? showMass(weighed.massG, habits, 1) : '–'}
      </td>
      <td className="pl-4 max-[600px]:hidden">
        <Choice
          bare
          label={t('{name} counts by', { name })}
          value={part.measure}
          options={MEASURES}
          onValue={value => at('measure', value)}
        />
      </td>
      <td className="pl-2 max-[600px]:hidden">
        <Choice
          bare
          label={t('{name} goes in', { name })}
          value={part.moment}
          options={MOMENTS}
          onValue={value => at('moment', value)}
        />
      </td>
      <td className="pl-2 text-center max-[600px]:hidden">
        <Check
          label=""
          name={t('Add lye for the fat of {name}', { name })}
          checked={part.countFat}
          onChange={value => at('countFat', value)}
        />
      </td>
      <td className="text-right">
        <button
          className="quiet"
          aria-label={t('Remove {name}', { name })}
          onClick={() =>
            told(
              batch.edit({
                kind: 'set',
                path: ['recipe', 'liquids'],
                value: liquids.filter(one => one.liquid !== part.liquid),
              }),
            )
          }
        >
          <Trash2 size={16} aria-hidden />
        </button>
      </td>
    </tr>
  )
}

/** Where all the water comes from. */
function Ledger() {
  const forecast = useForecast()
  const habits = useHabits()
  if (!forecast) return null
  const { portions, recipe } = forecast
  const allG = recipe.water.waterG * portions.oilG
  const broughtG = allG - portions.waterG
  return (
    <p className="text-[13px] text-soft">
      {t(
        '{broughtG} {rinseG}{broughtG2}Lye weighed again when it is cool should be {lyeG}{broughtG3}: what is missing went off as steam and is put back as water.',
        {
          broughtG:
            broughtG > 0.5
              ? t('All water {allG}: {waterG} plain, {broughtG} in liquids and additives.', {
                  allG: showMass(allG, habits, 1),
                  waterG: showMass(portions.waterG, habits, 1),
                  broughtG: showMass(broughtG, habits, 1),
                })
              : t('All of the water is plain water.'),
          rinseG:
            portions.rinseG > 0 &&
            t('{rinseG} of it rinse the jug. ', { rinseG: showMass(portions.rinseG, habits, 1) }),
          broughtG2:
            (broughtG > 0.5 || portions.rinseG > 0) &&
            t('{waterToLyeWhenDissolved} g of it for each g of lye when that is dissolved. ', {
              waterToLyeWhenDissolved: fixed(recipe.waterToLyeWhenDissolved, 1),
            }),
          lyeG: showMass(portions.lyeG + portions.waterG - portions.rinseG, habits, 1),
          broughtG3: broughtG > 0.5 && t(' and what went in besides'),
        },
      )}
    </p>
  )
}
