import { freshId, layerHeights, showMass } from '@ostler/core'
import type { Cup, EditResult, FieldPath } from '@ostler/core'
import { Archive, SplitSquareVertical, Trash2, X } from 'lucide-react'
import { Link } from 'react-router'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { Check } from '../../ui/check.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { QuantityField } from '../../ui/quantity.tsx'
import { smallMass } from '../../ui/small-mass.ts'
import { TextField } from '../../ui/text-field.tsx'
import { PourShapeFields } from './pour-shape-fields.tsx'
import { CavityFields } from './cavity-fields.tsx'
import { WindowFields } from './window-fields.tsx'
import { ColorantRows } from '../../parts/colorant-rows.tsx'
import { showShare, t } from '../../words/index.ts'

type Setter = (path: FieldPath, value: unknown) => EditResult

/** Everything about the chosen layer and the cup that it comes from. */
function LayerKeys({ pourId }: { pourId: string }) {
  const batch = useBatch()
  const score = usePlan(state => state.plan.score)
  const told = useTold()
  return (
    <>
      <button
        className="quiet ml-auto"
        aria-label={t('Set this layer aside')}
        title={t('Set aside: out of the score for now')}
        onClick={() => told(batch.edit({ kind: 'set-aside', pours: [pourId] }))}
      >
        <Archive size={17} aria-hidden />
      </button>
      <button
        className="quiet"
        aria-label={t('Divide this layer in two')}
        title={t('Part of it now, the rest later')}
        onClick={() => told(batch.edit({ kind: 'split-pour', pour: pourId, id: freshId('pour', score) }))}
      >
        <SplitSquareVertical size={17} aria-hidden />
      </button>
      <button
        className="quiet"
        aria-label={t('Remove this layer')}
        title={t('Remove this layer')}
        onClick={() => told(batch.edit({ kind: 'remove-pour', pour: pourId }))}
      >
        <Trash2 size={17} aria-hidden />
      </button>
    </>
  )
}

export function Inspector({ pourId, onClose }: { pourId: string; onClose: () => void }) {
  const batch = useBatch()
  const plan = usePlan(state => state.plan)
  const habits = useHabits()
  const told = useTold()
  const index = plan.score.findIndex(pour => pour.id === pourId)
  const pour = plan.score[index]
  const cupIndex = plan.cups.findIndex(cup => cup.id === pour?.cup)
  const cup = plan.cups[cupIndex]
  if (!pour || !cup) return null

  const set: Setter = (path, value) => batch.edit({ kind: 'set', path, value }, path.join('.'))
  const at = (...path: (string | number)[]): FieldPath => ['score', index, ...path]
  const setHeight = (heightMm: number) =>
    batch.edit({ kind: 'set-layer-height', pour: pourId, heightMm }, `height ${pourId}`)
  return (
    <section
      aria-label={t('Layer {index}, {cup}', { index: index + 1, cup: cup.name })}
      className="flex flex-col gap-3"
    >
      <header className="flex items-center">
        <h2 className="text-lg">{t('Layer {index} of {score}', { index: index + 1, score: plan.score.length })}</h2>
        <LayerKeys pourId={pourId} />
        <button className="quiet" aria-label={t('Close')} onClick={onClose}>
          <X size={18} aria-hidden />
        </button>
      </header>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        <Choice
          label={t('From cup')}
          value={pour.cup}
          options={plan.cups.map(one => ({ value: one.id, text: one.name }))}
          onValue={value => told(set(at('cup'), value))}
        />
        <QuantityField
          label={t('Height')}
          kind="length"
          habits={habits}
          value={layerHeights(plan)[index]!}
          onValue={setHeight}
          other={{ kind: 'share', unit: '%', onValue: share => setHeight(share * plan.mould.fillMm) }}
        />
        <PlanField label={t('Falls from')} kind="length" path={at('dropMm')} />
        <PlanField label={t('Wait before')} kind="minutes" path={at('waitMin')} />
        <Check
          label={t('Over a spatula')}
          checked={pour.overSpatula}
          onChange={value => set(at('overSpatula'), value)}
        />
      </div>
      <WindowFields index={index} />
      <PourShapeFields pour={pour} index={index} />
      {plan.mould.cavities > 1 && <CavityFields index={index} />}
      <CupFields
        cup={cup}
        index={cupIndex}
        set={set}
        onRemove={() => told(batch.edit({ kind: 'remove-cup', cup: cup.id }))}
      />
    </section>
  )
}

function CupFields({ cup, index, set, onRemove }: { cup: Cup; index: number; set: Setter; onRemove: () => void }) {
  const cups = usePlan(state => state.plan.cups.length)
  const hasScent = usePlan(state => state.plan.scent !== null)
  const at = (...path: (string | number)[]): FieldPath => ['cups', index, ...path]
  return (
    <div className="flex flex-col gap-2 border-t border-booth-deep pt-2">
      <CupWeights index={index} />
      <div className="flex items-end gap-3">
        <TextField label={t('Cup')} value={cup.name} className="w-full" onValue={value => set(at('name'), value)} />
        {hasScent && !cup.ownScent && (
          <Check label={t('Scented')} checked={cup.scented} onChange={value => set(at('scented'), value)} />
        )}
      </div>
      <ColorantRows cup={cup} index={index} brief />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <Link to={`../cups?cup=${cup.id}`} className="underline">
          {t('All of this cup')}
        </Link>
        <Link to={`../colour?cup=${cup.id}`} className="underline">
          {t('Its colour')}
        </Link>
        <button className="button ml-auto" disabled={cups === 1} onClick={onRemove}>
          {t('Remove cup and its layers')}
        </button>
      </div>
    </div>
  )
}

function CupWeights({ index }: { index: number }) {
  const forecast = useForecast()
  const habits = useHabits()
  const step = usePlan(state => state.plan.conditions.fineScaleStepG)
  const portion = forecast?.portions.cups[index]
  if (!portion) return null
  const dose = (g: number, exactG: number, what: string) =>
    exactG > 0 && `${smallMass(g, exactG, habits, step)} ${habits.mass} ${what}`
  const { exact } = portion
  const parts = [
    t('{batterG} batter', { batterG: showMass(portion.batterG, habits) }),
    dose(portion.scentG, exact.scentG, 'scent'),
    dose(portion.colorantG, exact.colorantG, 'colour'),
    dose(portion.mediumG, exact.mediumG, 'liquid'),
  ].filter(Boolean)
  return (
    <p>
      <strong>{parts.join(' + ')}</strong>
      <span className="block text-[13px] text-soft">
        {t('this cup’s superfat {superfatShare}', { superfatShare: showShare(portion.superfatShare) })}
      </span>
    </p>
  )
}
