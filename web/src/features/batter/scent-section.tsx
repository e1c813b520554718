import {
  blendItem,
  capShare,
  checkItem,
  massNumber,
  plannedScent,
  sharesAtLimit,
  showMass,
  at,
  ACCELERATIONS,
} from '@ostler/core'
import type { EditResult, Forecast, PlannedScent, ScentLoad, Words } from '@ostler/core'
import { Trash2 } from 'lucide-react'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { saveItem, shelfQuery } from '../../api/client.ts'
import { Ask } from '../../ui/ask.tsx'
import { useToast } from '../../ui/toast.tsx'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { AddChoice } from '../../ui/add-choice.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { QuantityField } from '../../ui/quantity.tsx'
import { Section } from '../../ui/section.tsx'
import { WorkingNumber } from '../../ui/working-number.tsx'
import { scentOptions } from '../../ui/add-options.ts'
import { Say } from '../../ui/say.tsx'
import { showShare, t, tidy } from '../../words/index.ts'

const BASES = [
  { value: 'oils' as const, text: t('of the oils') },
  { value: 'batter' as const, text: t('of the batter') },
]

/** Scent load on both bases, blends with their limiting part, grams and drops. */
export function ScentSection() {
  const habits = useHabits()
  const batch = useBatch()
  const told = useTold()
  const scent = usePlan(state => state.plan.scent)
  const set = (value: PlannedScent | null) => told(batch.edit({ kind: 'set', path: at(plan => plan.scent), value }))
  const unused = batch.shelf.scents.filter(
    one => !one.archived && !scent?.parts.some(part => part.scent === one.id) && (one.type !== 'blend' || !scent),
  )
  const add = (id: string) => {
    const item = batch.shelf.scents.find(one => one.id === id)!
    if (item.type === 'blend') return set(plannedScent(item.parts, item.usualShareOfOils))
    if (!scent) return set(plannedScent([{ scent: id, share: 1 }], Math.min(item.usualShareOfOils, item.limitShare)))
    const share = 1 / (scent.parts.length + 1)
    const parts = scent.parts.map(part => ({ ...part, share: Number((part.share * (1 - share)).toFixed(4)) }))
    set({ ...scent, parts: [...parts, { scent: id, share: Number(share.toFixed(4)) }] })
  }
  return (
    <Section title={t('Scent')} id="scent">
      {scent && <Planned scent={scent} />}
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <AddChoice
          what={scent ? t('a part to the blend') : t('a scent or essential oil')}
          options={scentOptions(unused, habits)}
          onAdd={add}
        />
        {scent && (
          <button className="quiet" onClick={() => set(null)}>
            <Trash2 size={16} aria-hidden /> {t('No scent')}
          </button>
        )}
      </div>
      <p className="mt-1 text-[13px] text-soft">
        {t('Limits on the shelf are starting values: the supplier’s document comes first.')}
      </p>
    </Section>
  )
}

function Planned({ scent }: { scent: PlannedScent }) {
  const batch = useBatch()
  const told = useTold()
  const habits = useHabits()
  const forecast = useForecast()
  const load = forecast?.recipe.scent
  const set = (value: PlannedScent) => told(batch.edit({ kind: 'set', path: at(plan => plan.scent), value }))
  if (!forecast || !load) return null
  const perOils = forecast.recipe.batterPerOils
  const onBasis = (ofOils: number) => (scent.basis === 'oils' ? ofOils : ofOils / perOils)
  const swapBasis = (basis: PlannedScent['basis']) =>
    set({
      ...scent,
      basis,
      load: basis === scent.basis ? scent.load : basis === 'batter' ? load.loadOfBatter : load.loadOfOils,
    })
  return (
    <>
      <div className="mb-2 flex flex-wrap items-start gap-x-6 gap-y-2">
        <div className="flex items-end gap-2">
          <PlanField label={t('Load')} kind="share" width={66} path={at(plan => plan.scent!.load)} />
          <Choice bare label={t('Load is measured by')} value={scent.basis} options={BASES} onValue={swapBasis} />
        </div>
        <WorkingNumber
          label={t('that is {loadOfOils} of the oils, {loadOfBatter} of the batter', {
            loadOfOils: showShare(load.loadOfOils, 2),
            loadOfBatter: showShare(load.loadOfBatter, 2),
          })}
          text={showMass(forecast.portions.scentG, habits)}
          working={forecast.workings.scent}
        />
        <WorkingNumber
          label={
            load.parts.length > 1
              ? t('most for this ratio; {limiting} limits it', { limiting: load.limiting.name })
              : t('most of it, by its limit')
          }
          text={`${showShare(capShare(onBasis(load.mostOfOils)), 2)} ${scent.basis === 'oils' ? t('of oils') : t('of batter')}`}
          working={forecast.workings.scentLimit}
        />
      </div>
      {load.isOver && (
        <p role="status" className="mb-2 font-semibold text-rust">
          {t('▲ {limiting} is above its limit.', { limiting: load.limiting.name })}
        </p>
      )}
      <PartsTable scent={scent} load={load} onSet={set} />
      <Check
        label={t('private: its parts stay off what is printed or shared')}
        checked={scent.isPrivate}
        onChange={isPrivate => set({ ...scent, isPrivate })}
      />
      <Remedies scent={scent} load={load} onBasis={onBasis} onSet={set} />
    </>
  )
}

/** Puts the blend on the shelf under a name, to be taken again. */
function KeepBlend({ load }: { load: ScentLoad }) {
  const { shelf } = useBatch()
  const client = useQueryClient()
  const toast = useToast()
  const [open, setOpen] = useState(false)
  const [name, setName] = useState('')
  const [sentence, setSentence] = useState<Words | null>(null)
  const keep = async () => {
    const item = blendItem(name.trim(), load, id => shelf.scents.some(one => one.id === id))
    const checked = checkItem('scents', item)
    if (!checked.ok) return setSentence(checked.problems[0]!.sentence)
    try {
      await saveItem('scents', checked.value, 0)
      await client.invalidateQueries({ queryKey: shelfQuery.queryKey })
      toast(t('{item} is on the shelf.', { item: item.name }))
      setOpen(false)
    } catch (error) {
      setSentence((error as Error).message)
    }
  }
  return (
    <>
      <button className="button" onClick={() => setOpen(true)}>
        {t('Keep the blend on the shelf')}
      </button>
      <Ask open={open} title={t('Keep the blend on the shelf')} onClose={() => setOpen(false)}>
        <form
          className="flex flex-col gap-3"
          onSubmit={event => {
            event.preventDefault()
            void keep()
          }}
        >
          <label className="flex flex-col gap-0.5">
            <span className="text-[13px] text-soft">{t('Name of the blend')}</span>
            <input className="field" value={name} maxLength={80} onChange={event => setName(event.target.value)} />
          </label>
          {sentence && (
            <p role="alert" className="text-rust">
              <Say of={sentence} />
            </p>
          )}
          <button className="button button-main self-start" type="submit">
            {t('Keep it')}
          </button>
        </form>
      </Ask>
    </>
  )
}

/** Nobody counts more drops than this. */
const MOST_DROPS = 300

interface PartsProps {
  scent: PlannedScent
  load: ScentLoad
  onSet: (scent: PlannedScent) => void
}

function PartsTable({ scent, load, onSet }: PartsProps) {
  const batch = useBatch()
  const habits = useHabits()
  const forecast = useForecast()!
  const whole = scent.parts.reduce((sum, part) => sum + part.share, 0)
  const weights = forecast.portions.scents
  const totalG = weights.reduce((sum, part) => sum + part.exactG, 0)
  const setShare = (i: number, share: number): EditResult =>
    batch.edit({ kind: 'set', path: at(plan => plan.scent!.parts[i]!.share), value: share }, `scent part ${i}`)
  /** Grams of one part change the ratio and the whole, the other parts keep theirs. */
  const setGrams = (i: number, massG: number): EditResult => {
    const grams = weights.map((part, j) => (j === i ? massG : part.exactG))
    const sum = grams.reduce((all, g) => all + g, 0)
    if (!(sum > 0) || !(totalG > 0))
      return { ok: false, path: 'scent', sentence: t('A scent needs some weight; or take it out.') }
    const parts = scent.parts.map((part, j) => ({ ...part, share: Number((grams[j]! / sum).toFixed(5)) }))
    return batch.edit(
      {
        kind: 'set',
        path: at(plan => plan.scent),
        value: { ...scent, parts, load: Number(((scent.load * sum) / totalG).toFixed(6)) },
      },
      `scent grams ${i}`,
    )
  }
  return (
    <table className="mb-2 w-full">
      <thead className="max-[600px]:hidden">
        <tr className="border-b border-ink text-left text-[13px] text-soft">
          <th className="py-1 font-normal">{t('part')}</th>
          <th className="text-right font-normal">{t('of the blend')}</th>
          <th className="text-right font-normal">{t('weight ({mass})', { mass: habits.mass })}</th>
          <th className="pl-3 text-right font-normal max-[600px]:hidden">{t('drops')}</th>
          <th className="pl-3 text-right font-normal whitespace-nowrap">{t('of oils / limit')}</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {load.parts.map((part, i) => (
          <PartRow
            key={part.id}
            part={part}
            weighed={weights[i]}
            share={scent.parts[i]?.share ?? 0}
            onShare={value => setShare(i, value)}
            onGrams={value => setGrams(i, value)}
            {...(load.parts.length > 1 && {
              onRemove: () => onSet({ ...scent, parts: scent.parts.filter(one => one.scent !== part.id) }),
            })}
          />
        ))}
      </tbody>
      {load.parts.length > 1 && (
        <tfoot>
          <tr className="text-soft">
            <td className="py-1">{t('together')}</td>
            <td className={`text-right ${Math.abs(whole - 1) > 0.0015 ? 'text-rust' : ''}`}>
              {tidy(whole * 100, 1)} %
            </td>
            <td className="text-right">{massNumber(forecast.portions.scentG, habits)}</td>
            <td colSpan={3} />
          </tr>
        </tfoot>
      )}
    </table>
  )
}

interface PartRowProps {
  part: ScentLoad['parts'][number]
  weighed: Forecast['portions']['scents'][number] | undefined
  /** Of the blend. */
  share: number
  onShare: (share: number) => EditResult
  onGrams: (massG: number) => EditResult
  onRemove?: () => void
}

function PartRow({ part, weighed, share, onShare, onGrams, onRemove }: PartRowProps) {
  const habits = useHabits()
  return (
    <tr className="stack border-b border-line">
      <td className="py-1.5 pr-2">
        {part.name}
        {part.scent && (
          <span className="block text-[13px] text-soft">
            {part.scent.acceleration === 'none'
              ? t('does not accelerate')
              : t('accelerates: {acceleration}', { acceleration: t(ACCELERATIONS[part.scent.acceleration]) })}
            {part.scent.ownRuns > 0
              ? t(', own batches: {ownRuns}', { ownRuns: part.scent.ownRuns })
              : t(', untested here')}
            {part.scent.supplierSays !== 'unknown' &&
              part.scent.supplierSays !== part.scent.acceleration &&
              t('; supplier says {supplierSays}', { supplierSays: t(ACCELERATIONS[part.scent.supplierSays]) })}
          </span>
        )}
      </td>
      <td>
        <div className="flex justify-end">
          <QuantityField
            bare
            label={t('{part}, share of the blend', { part: part.name })}
            kind="share"
            width={66}
            habits={habits}
            value={share}
            onValue={onShare}
          />
        </div>
      </td>
      <td>
        <div className="flex justify-end">
          <QuantityField
            bare
            label={t('{part}, weight', { part: part.name })}
            kind="mass"
            decimals={2}
            width={70}
            habits={habits}
            value={weighed?.massG ?? 0}
            {...(part.scent && { densityGPerMl: part.scent.densityGPerMl })}
            onValue={onGrams}
          />
        </div>
      </td>
      <td className="pl-3 text-right text-soft max-[600px]:hidden" title={t('Pipettes differ by half: weigh it.')}>
        {weighed && weighed.drops > 0 && weighed.drops <= MOST_DROPS ? weighed.drops : '–'}
      </td>
      <td className={`pl-3 text-right whitespace-nowrap ${part.isOver ? 'font-semibold text-rust' : ''}`}>
        {showShare(part.loadOfOils, 2)} / {part.scent ? showShare(capShare(part.limitOfOils), 2) : '?'}
        {part.isOver && ' ▲'}
      </td>
      <td className="text-right">
        {onRemove && (
          <button className="quiet" aria-label={t('Remove {part}', { part: part.name })} onClick={onRemove}>
            <Trash2 size={16} aria-hidden />
          </button>
        )}
      </td>
    </tr>
  )
}

interface RemedyProps extends PartsProps {
  onBasis: (ofOils: number) => number
}

/** As strong as allowed, in this ratio or in another. */
function Remedies({ scent, load, onBasis, onSet }: RemedyProps) {
  const toast = useTold()
  const whole = scent.parts.reduce((sum, part) => sum + part.share, 0)
  const atMost = () => onSet({ ...scent, load: Math.min(0.1, capShare(onBasis(load.mostOfOils))) })
  const keepLoad = () => {
    const shares = sharesAtLimit(load, load.loadOfOils)
    if (!shares)
      return toast({
        ok: false,
        path: 'scent',
        sentence: t(
          'Even with every part at its limit the blend does not reach this load. Lower the load or add a part.',
        ),
      })
    onSet({ ...scent, parts: scent.parts.map((part, i) => ({ ...part, share: Math.floor(shares[i]! * 1e5) / 1e5 })) })
  }
  const even = () =>
    onSet({ ...scent, parts: scent.parts.map(part => ({ ...part, share: Number((part.share / whole).toFixed(5)) })) })
  return (
    <div className="mb-2 flex flex-wrap gap-2">
      <button className="button" onClick={atMost}>
        {t('As strong as allowed{parts, plural, one {} other {, keep this ratio}}', { parts: load.parts.length })}
      </button>
      {load.parts.length > 1 && load.isOver && (
        <button className="button" onClick={keepLoad}>
          {t('Keep this load, change the ratio')}
        </button>
      )}
      {load.parts.length > 1 && <KeepBlend load={load} />}
      {load.parts.length > 1 && Math.abs(whole - 1) > 0.0015 && (
        <button className="button" onClick={even}>
          {t('Make it 100 %')}
        </button>
      )}
    </div>
  )
}
