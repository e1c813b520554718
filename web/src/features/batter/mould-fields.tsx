import { FORMS, LININGS, brimMl, fillVolumeMl, plannedMould, showLength, at } from '@ostler/core'
import type { Lining, MouldForm } from '@ostler/core'
import { useBatch, useHabits, usePlan } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { options } from '../../ui/options.ts'
import { PlanField, useTold } from '../../parts/plan-field.tsx'
import { Section } from '../../ui/section.tsx'
import { t } from '../../words/index.ts'

/** A mould's inner dimensions and how high the soap stands in it. */
export function MouldFields() {
  const batch = useBatch()
  const habits = useHabits()
  const mould = usePlan(state => state.plan.mould)
  const told = useTold()
  const known = batch.shelf.moulds.find(
    one =>
      one.name === mould.name &&
      one.form === mould.form &&
      one.innerLengthMm === mould.innerLengthMm &&
      one.innerWidthMm === mould.innerWidthMm &&
      one.innerHeightMm === mould.innerHeightMm,
  )
  const choose = (id: string) => {
    const shape = batch.shelf.moulds.find(one => one.id === id)
    if (!shape) return
    told(batch.edit({ kind: 'set-mould', mould: plannedMould(shape) }))
  }
  const moulds = batch.shelf.moulds
    .filter(one => !one.archived || one === known)
    .map(one => ({ value: one.id, text: one.name }))
  const set = (key: string, value: unknown) => told(batch.edit({ kind: 'set', path: ['mould', key], value }))
  const isRound = mould.form === 'cylinder' || mould.form === 'dome' || mould.form === 'hexagon'
  return (
    <Section title={t('Mould')}>
      <Choice
        bare
        label={t('Mould')}
        className="mb-3 w-full"
        value={known?.id ?? ''}
        options={known ? moulds : [{ value: '', text: t('{mould}, own measure', { mould: mould.name }) }, ...moulds]}
        onValue={choose}
      />
      <div className="grid grid-cols-3 gap-x-4 gap-y-3">
        <PlanField
          label={isRound ? (mould.form === 'hexagon' ? t('Across flats') : t('Bore')) : t('Inner length')}
          kind="length"
          path={at(plan => plan.mould.innerLengthMm)}
        />
        {!isRound && <PlanField label={t('Inner width')} kind="length" path={at(plan => plan.mould.innerWidthMm)} />}
        <PlanField label={t('Inner height')} kind="length" path={at(plan => plan.mould.innerHeightMm)} />
        <PlanField label={t('Soap stands')} kind="length" path={at(plan => plan.mould.fillMm)} />
        <PlanField label={t('Cavities')} kind="plain" decimals={0} path={at(plan => plan.mould.cavities)} />
        {mould.form !== 'dome' && (
          <PlanField label={t('Narrows to each side')} kind="length" path={at(plan => plan.mould.taperMm)} />
        )}
        <Choice<MouldForm>
          label={t('Form')}
          value={mould.form}
          options={options(FORMS)}
          onValue={value => set('form', value)}
        />
        <div className="col-span-2">
          <Choice<Lining>
            label={t('Lining')}
            value={mould.lining}
            options={options(LININGS)}
            onValue={value => set('lining', value)}
          />
        </div>
      </div>
      <p className="mt-2 text-[13px] text-soft">
        {t('{mould} ml of soap in {mould2} ml; {innerHeightMm} of room above it for the top.', {
          mould: Math.round(fillVolumeMl(mould)),
          mould2: Math.round(brimMl(mould)),
          innerHeightMm: showLength(mould.innerHeightMm - mould.fillMm, habits),
        })}
      </p>
    </Section>
  )
}
