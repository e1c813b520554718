import { MAX_CUPS, fillVolumeMl } from '@ostler/core'
import { useBatch, useHabits, usePlan } from '../../plan/context.tsx'
import { Choice } from '../../ui/choice.tsx'
import { QuantityField } from '../../ui/quantity.tsx'

/** A loaf's inner dimensions and how high the soap stands in it. */
export function MouldFields() {
  const batch = useBatch()
  const mould = usePlan(state => state.plan.mould)
  const cups = usePlan(state => state.plan.cups.length)
  const habits = useHabits()
  const set = (key: keyof typeof mould) => (value: number) =>
    batch.edit({ kind: 'set', path: ['mould', key], value }, `mould ${key}`)
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
    batch.edit({ kind: 'set', path: ['mould'], value: { name, innerLengthMm, innerWidthMm, innerHeightMm, fillMm } })
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
        <QuantityField
          label="Inner length"
          kind="length"
          habits={habits}
          value={mould.innerLengthMm}
          onValue={set('innerLengthMm')}
        />
        <QuantityField
          label="Inner width"
          kind="length"
          habits={habits}
          value={mould.innerWidthMm}
          onValue={set('innerWidthMm')}
        />
        <QuantityField
          label="Inner height"
          kind="length"
          habits={habits}
          value={mould.innerHeightMm}
          onValue={set('innerHeightMm')}
        />
        <QuantityField label="Soap stands" kind="length" habits={habits} value={mould.fillMm} onValue={set('fillMm')} />
      </div>
      <p className="mt-2 text-[13px] text-soft">
        {Math.round(fillVolumeMl(mould))} ml of soap. {cups} of at most {MAX_CUPS} cups; the layers follow the height.
      </p>
    </section>
  )
}
