import type { FieldPath } from '@ostler/core'
import { traceName } from '@ostler/core'
import { useBatch, useHabits, usePlan } from '../../plan/context.tsx'
import { QuantityField } from '../../ui/quantity.tsx'

/** The settings that change the pace of everything, beside the picture of what they do. */
export function Levers() {
  const batch = useBatch()
  const habits = useHabits()
  const { mixC, stopLevel, roomC } = usePlan(state => state.plan.conditions)
  const lye = usePlan(state => state.plan.recipe.lyeConcentrationShare)
  const set = (path: FieldPath) => (value: number) => batch.edit({ kind: 'set', path, value }, path.join('.'))
  return (
    <section aria-label="Levers" className="grid grid-cols-2 gap-x-4 gap-y-2 border-t border-booth-deep pt-3">
      <QuantityField
        label="Oils and lye meet at"
        kind="temperature"
        width={64}
        habits={habits}
        value={mixC}
        onValue={set(['conditions', 'mixC'])}
      />
      <QuantityField
        label="Room"
        kind="temperature"
        width={64}
        habits={habits}
        value={roomC}
        onValue={set(['conditions', 'roomC'])}
      />
      <QuantityField
        label="Stop blending at level"
        kind="plain"
        width={64}
        habits={habits}
        value={stopLevel}
        onValue={set(['conditions', 'stopLevel'])}
        hint={<span className="text-[13px] text-soft">{traceName(stopLevel)}</span>}
      />
      <QuantityField
        label="Lye concentration"
        kind="share"
        width={64}
        habits={habits}
        value={lye}
        onValue={set(['recipe', 'lyeConcentrationShare'])}
      />
    </section>
  )
}
