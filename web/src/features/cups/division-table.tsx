import {
  DIVISION_MEASURES,
  DIVISION_RULES,
  cupShares,
  hasOwnCavities,
  massNumber,
  potAfter,
  showMass,
  at,
} from '@ostler/core'
import type { Division, DivisionMeasure, DivisionRule, EditResult, Forecast, Plan, UnitHabits } from '@ostler/core'
import { Plus } from 'lucide-react'
import { useBatch, useHabits } from '../../plan/context.tsx'
import { useCupHex } from '../../plan/colour-view.ts'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { useTold } from '../../parts/plan-field.tsx'
import { QuantityField } from '../../ui/quantity.tsx'
import { smallMass } from '../../ui/small-mass.ts'
import { Swatch } from '../../ui/swatch.tsx'
import { newCup } from '../../parts/new-cup.ts'
import { rich, t } from '../../words/index.ts'

interface Props {
  plan: Plan
  forecast: Forecast
  chosen: string | null
  onChoose: (cup: string) => void
}

/** How batter is divided into cups: each cup's size, what is drawn for it and what goes into it. */
export function DivisionTable({ plan, forecast, chosen, onChoose }: Props) {
  const habits = useHabits()
  const { portions } = forecast
  return (
    <section aria-label={t('Division')}>
      <Rules plan={plan} />
      <table className="mt-3 w-full max-[600px]:block">
        <thead>
          <tr className="text-[13px] text-soft max-[600px]:hidden">
            <th className="text-left font-normal">{t('cup')}</th>
            <th className="text-right font-normal">{SIZED[measureOf(plan)]}</th>
            <th className="text-right font-normal">{t('draw from the pot')}</th>
            <th className="text-right font-normal">{t('leaves')}</th>
            <th className="text-right font-normal">{t('scent')}</th>
            <th className="pl-5 text-left font-normal">{t('colour and its liquid')}</th>
          </tr>
        </thead>
        <tbody className="max-[600px]:block">
          {portions.blankG > 0 && (
            <tr className="border-t border-line max-[600px]:flex max-[600px]:justify-between">
              <td className="py-2 pl-2 font-semibold">{t('Kept back plain, drawn first')}</td>
              <td />
              <td className={NUMBER}>{massNumber(portions.blankG, habits)}</td>
              <td className={`${LEAVES} max-[600px]:hidden`}>{massNumber(potAfter(portions).blankG, habits, 1)}</td>
              <td colSpan={2} className="text-right text-soft" />
            </tr>
          )}
          {plan.cups.map((cup, i) => (
            <Row
              key={cup.id}
              plan={plan}
              forecast={forecast}
              index={i}
              isChosen={cup.id === chosen}
              onChoose={() => onChoose(cup.id)}
            />
          ))}
        </tbody>
      </table>
      <div className="mt-2 flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1 border-t border-ink pt-2">
        <p>
          {rich('{potG} in the pot = {forecast} in {cups}{blankG} + {potClingG} that clings to the pot', {
            potG: <strong className="text-lg">{showMass(portions.potG, habits)}</strong>,
            forecast: showMass(cupsG(forecast), habits),
            cups: plan.cups.length === 1 ? t('one cup') : t('{cups} cups', { cups: plan.cups.length }),
            blankG: portions.blankG > 0 && t(' + {blankG} plain', { blankG: showMass(portions.blankG, habits) }),
            potClingG: showMass(portions.potClingG, habits),
          })}
        </p>
        <AddCup plan={plan} onAdded={onChoose} />
      </div>
    </section>
  )
}

const cupsG = ({ portions }: Forecast): number =>
  Number(portions.cups.reduce((sum, portion) => sum + portion.batterG, 0).toFixed(6))

const SIZED: Record<DivisionMeasure, string> = {
  height: t('stands'),
  share: t('share of the soap'),
  mass: t('poured'),
  volume: t('poured'),
}
/** Where cavities hold different pours no height is a cup’s own. */
const measureOf = (plan: Plan): DivisionMeasure =>
  hasOwnCavities(plan) && plan.division.by === 'height' ? 'share' : plan.division.by

const LEAVES = 'pl-4 text-right text-soft whitespace-nowrap'
/** On a phone, where the table has no head to say what a number is. */
const PHONE_WORD = 'hidden max-[600px]:inline'
const NUMBER = 'py-1.5 text-right text-xl font-semibold whitespace-nowrap'

function Rules({ plan }: { plan: Plan }) {
  const batch = useBatch()
  const told = useTold()
  const { division } = plan
  const set = (part: Partial<Division>) =>
    told(batch.edit({ kind: 'set', path: at(plan => plan.division), value: { ...division, ...part } }))
  const rules = options(DIVISION_RULES).filter(one => one.value !== 'one' || plan.cups.length > 1)
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
      <Choice<DivisionMeasure>
        label={t('Cups are sized by')}
        value={division.by}
        options={options(DIVISION_MEASURES)}
        onValue={by => set({ by })}
      />
      <Choice<DivisionRule>
        label={t('When one changes')}
        value={division.rule}
        options={rules}
        onValue={rule => set({ rule, makesUp: rule === 'one' ? division.makesUp || plan.cups.at(-1)!.id : '' })}
      />
      {division.rule === 'one' && (
        <Choice
          label={t('Which one')}
          value={division.makesUp}
          options={plan.cups.map(cup => ({ value: cup.id, text: cup.name }))}
          onValue={makesUp => set({ makesUp })}
        />
      )}
      <Choice<Division['cling']>
        label={t('Batter is poured')}
        value={division.cling}
        options={[
          { value: 'thin', text: t('thin: 1 % stays behind') },
          { value: 'thick', text: t('thick: 3 % stays behind') },
        ]}
        onValue={cling => set({ cling })}
      />
    </div>
  )
}

interface RowProps {
  plan: Plan
  forecast: Forecast
  index: number
  isChosen: boolean
  onChoose: () => void
}

function Row({ plan, forecast, index, isChosen, onChoose }: RowProps) {
  const habits = useHabits()
  const hexOf = useCupHex()
  const cup = plan.cups[index]!
  const portion = forecast.portions.cups[index]!
  const step = ladderWords(plan, cup.id)
  const fine = (g: number, exactG: number) => smallMass(g, exactG, habits, plan.conditions.fineScaleStepG)
  return (
    <tr
      className={`border-t border-line max-[600px]:flex max-[600px]:flex-wrap max-[600px]:items-center max-[600px]:gap-x-4 ${isChosen ? 'bg-chosen shadow-[inset_4px_0_0_var(--ink)]' : ''}`}
    >
      <td className="max-[600px]:w-full">
        <button
          className="flex min-h-11 w-full items-center gap-2.5 pl-2 text-left"
          aria-pressed={isChosen}
          onClick={onChoose}
        >
          <Swatch hex={hexOf(cup.id)} size={22} />
          <span className="min-w-0 leading-tight">
            <span className="font-semibold">{cup.name}</span>
            {step && <span className="block text-[13px] text-soft">{step}</span>}
          </span>
        </button>
      </td>
      <td className="text-right max-[600px]:pl-2">
        <CupSize plan={plan} forecast={forecast} index={index} habits={habits} />
      </td>
      <td className={NUMBER}>
        {massNumber(portion.batterG, habits)} {habits.mass}
      </td>
      <td
        className={`${LEAVES} max-[600px]:order-last max-[600px]:w-full max-[600px]:pb-1 max-[600px]:pl-2 max-[600px]:text-left max-[600px]:text-[13px]`}
      >
        {plan.division.mode === 'one-pot' && (
          <>
            <span className={PHONE_WORD}>{t('leaves in the pot')} </span>
            {massNumber(potAfter(forecast.portions).cupsG[index]!, habits, 1)}
            <span className={PHONE_WORD}> {habits.mass}</span>
          </>
        )}
      </td>
      <td className="pl-3 text-right whitespace-nowrap">
        {portion.exact.scentG > 0 ? `${fine(portion.scentG, portion.exact.scentG)} ${habits.mass}` : t('no scent')}
        {portion.exact.scentG > 0 && <span className={PHONE_WORD}> {t('of scent')}</span>}
      </td>
      <td className="pl-5 text-[14px] max-[600px]:w-full max-[600px]:pl-2">
        {portion.colours.map(part => (
          <span key={part.colorant} className="block">
            <strong>{fine(part.powderG, part.exact.powderG)}</strong> {part.name}
            {part.exact.mediumG > 0 && part.medium !== 'none' && (
              <span className="text-soft">
                {' '}
                {t('in {mediumG} {medium}', { mediumG: fine(part.mediumG, part.exact.mediumG), medium: part.medium })}
              </span>
            )}
          </span>
        ))}
        {portion.colours.length === 0 && <span className="text-soft">{t('plain')}</span>}
      </td>
    </tr>
  )
}

/** A cup of a ladder is poured from its mother cup. */
function ladderWords(plan: Plan, cup: string): string {
  const ladder = plan.ladders.find(one => one.cups.includes(cup))
  if (!ladder) return ''
  const at = ladder.cups.indexOf(cup)
  const mother = plan.cups.find(one => one.id === ladder.cups[0])?.name ?? ''
  return at === 0
    ? t('mother cup of a ladder of {cups}', { cups: ladder.cups.length })
    : t('step {at}, from what is left of {mother}', { at: at + 1, mother })
}

interface SizeProps {
  plan: Plan
  forecast: Forecast
  index: number
  habits: UnitHabits
}

const SIZE_KINDS = { height: 'length', share: 'share', mass: 'mass', volume: 'volume' } as const

/** A cup's size as the maker states it; the others change by the maker's rule. */
function CupSize({ plan, forecast, index, habits }: SizeProps) {
  const batch = useBatch()
  const cup = plan.cups[index]!
  const by = measureOf(plan)
  const share = cupShares(plan)[index]!
  if (!(share > 0)) return <span className="text-[13px] text-soft">{t('not poured')}</span>
  const { layers } = forecast.portions
  const whole = {
    height: plan.mould.fillMm,
    share: 1,
    mass: layers.reduce((sum, layer) => sum + layer.massG, 0),
    volume: forecast.portions.fillMl,
  }[by]
  const set = (value: number): EditResult =>
    batch.edit({ kind: 'set-cup-share', cup: cup.id, share: value / whole }, `size ${cup.id}`)
  return (
    <QuantityField
      bare
      label={t('Size of {cup}', { cup: cup.name })}
      kind={SIZE_KINDS[by]}
      {...(by === 'share' && { decimals: 1 })}
      width={72}
      habits={habits}
      value={share * whole}
      onValue={set}
    />
  )
}

function AddCup({ plan, onAdded }: { plan: Plan; onAdded: (cup: string) => void }) {
  const batch = useBatch()
  const told = useTold()
  const add = () => {
    const cup = newCup(plan, batch.shelf)
    const result = batch.edit({ kind: 'add-cup', cup })
    told(result)
    if (result.ok) onAdded(cup.id)
  }
  return (
    <button className="quiet text-ink" onClick={add}>
      <Plus size={16} aria-hidden /> {t('another cup')}
    </button>
  )
}
