import { STEEPINGS, lyeDemand, oilWords, plainOil, showMass, withBlend, withOilWeight, at } from '@ostler/core'
import type { EditResult, Oil, OilPart, Steeping } from '@ostler/core'
import { Leaf, Lock, LockOpen, Trash2 } from 'lucide-react'
import { Fragment, useState } from 'react'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { lastingStore, readText, writeText } from '../../kept/storage.ts'
import { AddChoice } from '../../ui/add-choice.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { QuantityField } from '../../ui/quantity.tsx'
import { Section } from '../../ui/section.tsx'
import { TextField } from '../../ui/text-field.tsx'
import { oilOptions } from '../../ui/add-options.ts'
import { Term } from '../../ui/term.tsx'
import { showShare, t } from '../../words/index.ts'
import { OIL_PACES } from '../../ui/state-words.ts'

const FIT_KEY = 'ostler.others-make-up'

/** So much of the oils a ready blend is at first. */
const NEW_BLEND = 0.25

/** The maker's habit: does a change of one oil change the others, or the whole? */
function useOthersMakeUp(): [boolean, (on: boolean) => void] {
  const [on, setOn] = useState(() => readText(lastingStore(), FIT_KEY) !== 'no')
  return [
    on,
    next => {
      writeText(lastingStore(), FIT_KEY, next ? 'yes' : 'no')
      setOn(next)
    },
  ]
}

/** Oils by share or by weight, with what each takes of the lye. */
export function OilsTable() {
  const habits = useHabits()
  const batch = useBatch()
  const told = useTold()
  const oils = usePlan(state => state.plan.recipe.oils)
  const [othersMakeUp, setOthersMakeUp] = useOthersMakeUp()
  const sum = oils.reduce((total, part) => total + part.share, 0)
  const off = Math.abs(sum - 1) > 0.0005
  const unused = batch.shelf.oils.filter(oil => !oil.archived && !oils.some(part => part.oil === oil.id))
  const add = (id: string) => {
    const oil = batch.shelf.oils.find(one => one.id === id)!
    if (oil.blend.length === 0) return told(batch.edit({ kind: 'add-oil', oil: plainOil(id, othersMakeUp ? 0 : 0.05) }))
    const value = withBlend(oils, oil, NEW_BLEND, othersMakeUp)
    return told(batch.edit({ kind: 'set', path: at(plan => plan.recipe.oils), value }))
  }
  const fit = () => told(batch.edit({ kind: 'fit-oils' }))

  return (
    <Section
      title={t('Oils')}
      aside={
        <Check
          label={t('the others make up for a change')}
          checked={othersMakeUp}
          onChange={setOthersMakeUp}
          className="text-[13px] text-soft"
        />
      }
    >
      <table className="w-full">
        <thead className="max-[600px]:hidden">
          <tr className="border-b border-ink text-left text-[13px] text-soft">
            <th className="py-1 font-normal">{t('oil')}</th>
            <th className="text-right font-normal">{t('share')}</th>
            <th className="text-right font-normal">{t('weight')}</th>
            <th className="w-24 pl-3 font-normal max-[600px]:hidden">{t('lye it takes')}</th>
            <th className="w-px font-normal whitespace-nowrap max-[600px]:hidden">
              <Term at="kept-back">{t('kept back')}</Term>
            </th>
            <th className="w-px" />
          </tr>
        </thead>
        <tbody>
          {oils.map((part, i) => (
            <OilRow key={part.oil} part={part} i={i} isOnly={oils.length === 1} othersMakeUp={othersMakeUp} />
          ))}
          <tr>
            <td className="py-2">
              <AddChoice what={t('an oil')} options={oilOptions(unused, habits)} onAdd={add} />
            </td>
            <td className={`text-right whitespace-nowrap ${off ? 'font-semibold text-rust' : 'text-soft'}`}>
              {t('{sum} in all', { sum: showShare(sum, 2) })}
            </td>
            <td colSpan={4} className="pl-3">
              {off && (
                <button className="button" onClick={fit}>
                  {t('Make the rest fit')}
                </button>
              )}
            </td>
          </tr>
        </tbody>
      </table>
    </Section>
  )
}

interface RowProps {
  part: OilPart
  i: number
  isOnly: boolean
  othersMakeUp: boolean
}

function OilRow({ part, i, isOnly, othersMakeUp }: RowProps) {
  const batch = useBatch()
  const told = useTold()
  const habits = useHabits()
  const row = useForecast()?.portions.oils.find(one => one.oil === part.oil)
  const oil = batch.shelf.oils.find(one => one.id === part.oil)
  const name = oil?.name ?? part.oil
  const at = (key: keyof OilPart, value: unknown) =>
    batch.edit({ kind: 'set', path: ['recipe', 'oils', i, key], value }, `oil ${i} ${key}`)
  const setShare = (share: number): EditResult =>
    othersMakeUp && !isOnly
      ? batch.edit({ kind: 'set-oil-share', oil: part.oil, share }, `oil ${i} share`)
      : at('share', share)
  const setWeight = useOilWeight(part.oil, othersMakeUp && !isOnly)
  return (
    <Fragment>
      <tr className="stack border-b border-line">
        <td className="py-1.5 pr-2">
          {name}
          {oil && <OilSays oil={oil} />}
        </td>
        <td>
          <div className="flex items-center justify-end">
            <QuantityField
              bare
              label={t('Share of {name}', { name })}
              kind="share"
              width={66}
              habits={habits}
              value={part.share}
              onValue={setShare}
            />
            <LockButton name={name} part={part} onLock={locked => told(at('locked', locked))} />
          </div>
        </td>
        <td>
          <div className="flex justify-end">
            <QuantityField
              bare
              label={t('Weight of {name}', { name })}
              kind="mass"
              width={80}
              habits={habits}
              value={row?.massG ?? 0}
              {...(oil && { densityGPerMl: oil.densityGPerMl })}
              onValue={setWeight}
            />
          </div>
        </td>
        <td className="pl-3 text-soft max-[600px]:hidden">
          {row && oil ? showMass(lyeDemand([{ massG: row.massG, sapKohMgPerG: oil.sapKohMgPerG }]), habits) : '–'}
        </td>
        <td className="text-center max-[600px]:hidden">
          <Check
            label=""
            name={t('Keep {name} back for light trace', { name })}
            checked={part.late}
            onChange={late => told(at('late', late))}
          />
        </td>
        <td className="text-right whitespace-nowrap">
          <SteepButton name={name} part={part} onSteep={to => told(at('infusion', to))} />
          <button
            className="quiet"
            aria-label={t('Remove {name}', { name })}
            disabled={isOnly}
            onClick={() => told(batch.edit({ kind: 'remove-oil', oil: part.oil }))}
          >
            <Trash2 size={16} aria-hidden />
          </button>
        </td>
      </tr>
      {part.infusion && <InfusionRow i={i} massG={row?.massG ?? 0} infusion={part.infusion} />}
    </Fragment>
  )
}

/** A weight typed for an oil: the others give way, or the batch grows by it and keeps their weights. */
function useOilWeight(id: string, othersMakeUp: boolean): (massG: number) => EditResult {
  const batch = useBatch()
  return massG => {
    const result = withOilWeight(batch.get().plan, batch.shelf, id, massG, othersMakeUp)
    if (!result.ok) return result
    const { recipe, mould } = result.plan
    const edits = [
      { kind: 'set' as const, path: ['recipe', 'oils'], value: recipe.oils },
      { kind: 'set' as const, path: ['mould', 'fillMm'], value: mould.fillMm },
    ]
    return batch.edit({ kind: 'many', edits }, `weight ${id}`)
  }
}

/** What it takes of the lye, and whether it makes batter quick or slow, and hot. */
function OilSays({ oil }: { oil: Oil }) {
  const { pace, isHot } = oilWords(oil)
  return (
    <span className="block text-[13px] text-soft">
      {t('{sapKohMgPerG} mg KOH/g, usual {sapKohLowMgPerG}–{sapKohHighMgPerG}', {
        sapKohMgPerG: oil.sapKohMgPerG,
        sapKohLowMgPerG: oil.sapKohLowMgPerG,
        sapKohHighMgPerG: oil.sapKohHighMgPerG,
      })}
      {` · ${OIL_PACES[pace]}${isHot ? t(', heats') : ''}`}
    </span>
  )
}

/** Locked it stays as it is when others change. */
function LockButton({ name, part, onLock }: { name: string; part: OilPart; onLock: (locked: boolean) => void }) {
  const Sign = part.locked ? Lock : LockOpen
  return (
    <button
      className="quiet"
      aria-pressed={part.locked}
      aria-label={t('Lock {name}', { name })}
      title={part.locked ? t('Locked: it stays when others change') : t('Free: it makes up for others')}
      onClick={() => onLock(!part.locked)}
    >
      <Sign size={15} aria-hidden className={part.locked ? 'text-ink' : 'opacity-50'} />
    </button>
  )
}

/** How a plant is usually steeped in an oil. */
const USUAL_INFUSION = { plant: 'calendula', plantPerOil: 0.125, makeFactor: 1.4, way: 'warm', twice: false } as const

/** Whether a plant was steeped in it first. */
function SteepButton({ name, part, onSteep }: { name: string; part: OilPart; onSteep: (to: unknown) => void }) {
  return (
    <button
      className="quiet"
      aria-label={t('Steep a plant in {name}', { name })}
      title={t('Steeped with a plant')}
      aria-pressed={part.infusion !== null}
      onClick={() => onSteep(part.infusion ? null : USUAL_INFUSION)}
    >
      <Leaf size={16} aria-hidden className={part.infusion ? 'text-ink' : 'opacity-50'} />
    </button>
  )
}

function InfusionRow({ i, massG, infusion }: { i: number; massG: number; infusion: NonNullable<OilPart['infusion']> }) {
  const batch = useBatch()
  const habits = useHabits()
  const told = useTold()
  const makeG = massG * infusion.makeFactor
  const path = ['recipe', 'oils', i, 'infusion']
  return (
    <tr className="border-b border-line bg-panel">
      <td colSpan={6} className="px-2 py-2">
        <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
          <TextField
            label={t('Steeped with')}
            value={infusion.plant}
            className="w-36"
            onValue={value => batch.edit({ kind: 'set', path: [...path, 'plant'], value }, `plant ${i}`)}
          />
          <PlanField
            label={t('g of plant per g of oil')}
            kind="plain"
            decimals={3}
            width={70}
            path={[...path, 'plantPerOil']}
          />
          <PlanField label={t('Make so many times the need')} kind="plain" width={60} path={[...path, 'makeFactor']} />
          <Choice
            label={t('It colours like')}
            value={infusion.colorant ?? ''}
            options={[
              { value: '', text: t('no colour of its own') },
              ...batch.shelf.colorants
                .filter(one => one.form === 'oil' && !one.archived)
                .map(one => ({ value: one.id, text: one.name })),
            ]}
            onValue={value => told(batch.edit({ kind: 'set', path: [...path, 'colorant'], value }))}
          />
          <Choice<Steeping>
            label={t('Steeped')}
            value={infusion.way}
            options={options(STEEPINGS)}
            onValue={value => told(batch.edit({ kind: 'set', path: [...path, 'way'], value }))}
          />
          <Check
            label={t('strained and steeped twice')}
            checked={infusion.twice}
            onChange={value => told(batch.edit({ kind: 'set', path: [...path, 'twice'], value }))}
          />
          <p className="pb-1 text-[13px] text-soft">
            {t('Steep {makeG} in {makeG2} of oil{twice}; the plant keeps some.', {
              makeG: showMass(Math.ceil(makeG * infusion.plantPerOil), habits, 1),
              makeG2: showMass(Math.ceil(makeG), habits, 1),
              twice: infusion.twice && t(', twice'),
            })}
          </p>
        </div>
      </td>
    </tr>
  )
}
