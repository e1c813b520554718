import { MAX_CUPS, fillVolumeMl } from '@ostler/core'
import { useBatch, usePlan } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { PlanField, useTold } from '../../ui/plan-field.tsx'

/** A loaf's inner dimensions and how high the soap stands in it. */
export function MouldFields() {
  const batch = useBatch()
  const mould = usePlan(state => state.plan.mould)
  const cups = usePlan(state => state.plan.cups.length)
  const told = useTold()
  const known = batch.shelf.moulds.find(
    one =>
      one.name === mould.name &&
      one.innerLengthMm === mould.innerLengthMm &&
      one.innerWidthMm === mould.innerWidthMm &&
      one.innerHeightMm === mould.innerHeightMm,
  )
  const choose = (id: string) => {
    const shape = batch.shelf.moulds.find(one => one.id === id)
    if (!shape) return
    const { innerLengthMm, innerWidthMm, innerHeightMm, name } = shape
    const fillMm = Math.round(innerHeightMm * 0.9)
    const value = { name, innerLengthMm, innerWidthMm, innerHeightMm, fillMm }
    told(batch.edit({ kind: 'set', path: ['mould'], value }))
  }
  const options = batch.shelf.moulds.map(one => ({ value: one.id, text: one.name }))
  return (
    <section aria-labelledby="mould">
      <h2 id="mould" className="mb-2 text-xl">
        Mould
      </h2>
      <Choice
        bare
        label="Mould"
        className="mb-3 w-full"
        value={known?.id ?? ''}
        options={known ? options : [{ value: '', text: `${mould.name}, own measure` }, ...options]}
        onValue={choose}
      />
      <div className="grid grid-cols-3 gap-x-4 gap-y-3">
        <PlanField label="Inner length" kind="length" path={['mould', 'innerLengthMm']} />
        <PlanField label="Inner width" kind="length" path={['mould', 'innerWidthMm']} />
        <PlanField label="Inner height" kind="length" path={['mould', 'innerHeightMm']} />
        <PlanField label="Soap stands" kind="length" path={['mould', 'fillMm']} />
      </div>
      <p className="mt-2 text-[13px] text-soft">
        {Math.round(fillVolumeMl(mould))} ml of soap. {cups} of at most {MAX_CUPS} cups; the layers follow the height.
      </p>
    </section>
  )
}
