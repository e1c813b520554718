import { findById, layerHeights, showMass, showShare } from '@ostler/core'
import type { Cup, EditResult, FieldPath, Medium } from '@ostler/core'
import { MEDIA } from '@ostler/core'
import { Trash2, X } from 'lucide-react'
import { useBatch, useForecast, useHabits, usePlan } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../ui/plan-field.tsx'
import { QuantityField } from '../../ui/quantity.tsx'
import { smallMass } from '../../ui/small-mass.ts'
import { TextField } from '../../ui/text-field.tsx'

type Setter = (path: FieldPath, value: unknown) => EditResult

/** Everything about the chosen layer and the cup that it comes from. */
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
    <section aria-label={`Layer ${index + 1}, ${cup.name}`} className="flex flex-col gap-3">
      <header className="flex items-center">
        <h2 className="text-lg">
          Layer {index + 1} of {plan.score.length}
        </h2>
        <button
          className="quiet ml-auto"
          aria-label="Remove this layer"
          title="Remove this layer"
          onClick={() => told(batch.edit({ kind: 'remove-pour', pour: pourId }))}
        >
          <Trash2 size={17} aria-hidden />
        </button>
        <button className="quiet" aria-label="Close" onClick={onClose}>
          <X size={18} aria-hidden />
        </button>
      </header>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        <Choice
          label="From cup"
          value={pour.cup}
          options={plan.cups.map(one => ({ value: one.id, text: one.name }))}
          onValue={value => told(set(at('cup'), value))}
        />
        <QuantityField
          label="Height"
          kind="length"
          habits={habits}
          value={layerHeights(plan)[index]!}
          onValue={setHeight}
          other={{ kind: 'share', unit: '%', onValue: share => setHeight(share * plan.mould.fillMm) }}
        />
        <PlanField label="Falls from" kind="length" path={at('dropMm')} />
        <PlanField label="Wait before" kind="minutes" path={at('waitMin')} />
        <Check label="Over a spatula" checked={pour.overSpatula} onChange={value => set(at('overSpatula'), value)} />
      </div>
      <CupFields
        cup={cup}
        index={cupIndex}
        set={set}
        onRemove={() => told(batch.edit({ kind: 'remove-cup', cup: cup.id }))}
      />
    </section>
  )
}

const Check = ({
  label,
  checked,
  onChange,
}: {
  label: string
  checked: boolean
  onChange: (value: boolean) => void
}) => (
  <label className="flex min-h-8 cursor-pointer items-center gap-2">
    <input
      type="checkbox"
      className="size-4.5 accent-ink"
      checked={checked}
      onChange={event => onChange(event.target.checked)}
    />
    {label}
  </label>
)

const NO_COLOUR = ''

function CupFields({ cup, index, set, onRemove }: { cup: Cup; index: number; set: Setter; onRemove: () => void }) {
  const { shelf } = useBatch()
  const cups = usePlan(state => state.plan.cups.length)
  const hasScent = usePlan(state => state.plan.scent !== null)
  const at = (...path: (string | number)[]): FieldPath => ['cups', index, ...path]
  const { colorant } = cup

  const choose = (id: string) => {
    if (id === NO_COLOUR) return set(at('colorant'), null)
    const one = findById(shelf.colorants, id)
    if (!one) return
    set(at(), {
      ...cup,
      swatch: one.hex,
      colorant: { colorant: id, doseGPerKg: one.referenceDoseGPerKg, medium: one.medium, mediumRatio: one.mediumRatio },
    })
  }
  return (
    <div className="grid grid-cols-2 gap-x-3 gap-y-2 border-t border-booth-deep pt-2">
      <CupWeights index={index} />
      <TextField label="Cup" value={cup.name} className="w-full" onValue={value => set(at('name'), value)} />
      <label className="flex flex-col gap-0.5 text-[13px] text-soft">
        Swatch
        <input
          type="color"
          className="field h-[30px] w-full p-0.5"
          value={cup.swatch}
          onChange={event => set(at('swatch'), event.target.value.toLowerCase())}
        />
      </label>
      <div className="col-span-2">
        <Choice
          label="Colorant"
          className="w-full"
          value={colorant?.colorant ?? NO_COLOUR}
          options={[
            { value: NO_COLOUR, text: 'plain' },
            ...shelf.colorants.map(one => ({ value: one.id, text: one.name })),
          ]}
          onValue={choose}
        />
      </div>
      {colorant && (
        <>
          <PlanField label="Dose" kind="dose" width={64} path={at('colorant', 'doseGPerKg')} />
          <Choice<Medium>
            label="Stirred into"
            value={colorant.medium}
            options={MEDIA.map(medium => ({ value: medium, text: medium === 'none' ? 'nothing, dry' : medium }))}
            onValue={value => set(at('colorant', 'medium'), value)}
          />
          {colorant.medium !== 'none' && (
            <PlanField label="Liquid, times powder" kind="plain" width={64} path={at('colorant', 'mediumRatio')} />
          )}
        </>
      )}
      <PlanField label="Clings to it" kind="mass" width={64} path={at('clingG')} />
      {hasScent && <Check label="Scented" checked={cup.scented} onChange={value => set(at('scented'), value)} />}
      <button className="button col-span-2 justify-self-start" disabled={cups === 1} onClick={onRemove}>
        Remove cup and its layers
      </button>
    </div>
  )
}

function CupWeights({ index }: { index: number }) {
  const forecast = useForecast()
  const habits = useHabits()
  const step = usePlan(state => state.plan.conditions.fineScaleStepG)
  const medium = usePlan(state => state.plan.cups[index]?.colorant?.medium)
  const portion = forecast?.portions.cups[index]
  if (!portion) return null
  const dose = (g: number, exactG: number, what: string) =>
    exactG > 0 && `${smallMass(g, exactG, habits, step)} ${habits.mass} ${what}`
  const { exact } = portion
  const parts = [
    `${showMass(portion.batterG, habits)} batter`,
    dose(portion.scentG, exact.scentG, 'scent'),
    dose(portion.colorantG, exact.colorantG, 'colour'),
    dose(portion.mediumG, exact.mediumG, medium ?? ''),
  ].filter(Boolean)
  return (
    <p className="col-span-2">
      <strong>{parts.join(' + ')}</strong>
      <span className="block text-[13px] text-soft">this cup’s superfat {showShare(portion.superfatShare)}</span>
    </p>
  )
}
