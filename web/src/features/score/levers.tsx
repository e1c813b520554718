import { traceName } from '@ostler/core'
import { usePlan } from '../../plan/context.tsx'
import { PlanField } from '../../ui/plan-field.tsx'
import { WaterField } from '../../ui/water-field.tsx'

/** The settings that change the pace of everything, beside the picture of what they do. */
export function Levers() {
  const stopLevel = usePlan(state => state.plan.conditions.stopLevel)
  const word = <span className="text-[13px] whitespace-nowrap text-soft">{traceName(stopLevel)}</span>
  return (
    <section aria-label="Levers" className="grid grid-cols-2 gap-x-4 gap-y-2 border-t border-booth-deep pt-3">
      <PlanField label="Oils and lye meet at" kind="temperature" width={64} path={['conditions', 'mixC']} />
      <PlanField label="Room" kind="temperature" width={64} path={['conditions', 'roomC']} />
      <PlanField
        label="Stop blending at level"
        kind="plain"
        width={64}
        path={['conditions', 'stopLevel']}
        hint={word}
      />
      <WaterField basis="concentration" label="Lye concentration" width={64} />
    </section>
  )
}
