import { STOPS, emulsionWord, traceName, at } from '@ostler/core'
import type { StopWhen } from '@ostler/core'
import { useBatch, useForecast, usePlan } from '../plan/context.tsx'
import { Choice } from '../ui/choice.tsx'
import { options } from '../ui/options.ts'
import { PlanField, useTold } from './plan-field.tsx'
import { say, t, tidy } from '../words/index.ts'

/** What ends the blending: a trace, an emulsion that holds as well, or the clock. */
export function StopFields() {
  const batch = useBatch()
  const told = useTold()
  const { stopWhen } = usePlan(state => state.plan.conditions)
  return (
    <div className="flex flex-col gap-2">
      <Choice<StopWhen>
        label={t('Blending stops')}
        className="w-full"
        value={stopWhen}
        options={options(STOPS)}
        onValue={value => told(batch.edit({ kind: 'set', path: at(plan => plan.conditions.stopWhen), value }))}
      />
      <div className="grid grid-cols-2 gap-x-4 gap-y-2">
        {stopWhen === 'seconds' ? (
          <PlanField
            label={t('Blend for, seconds')}
            kind="plain"
            decimals={0}
            width={64}
            path={at(plan => plan.conditions.blendS)}
          />
        ) : (
          <PlanField
            label={t('Stop blending at level')}
            kind="plain"
            width={64}
            path={at(plan => plan.conditions.stopLevel)}
          />
        )}
        <PlanField
          label={t('At least, seconds')}
          kind="plain"
          decimals={0}
          width={64}
          path={at(plan => plan.conditions.leastS)}
        />
      </div>
      <StoppedAs />
    </div>
  )
}

/** How the batter is when blending stops, and how long that takes. */
function StoppedAs() {
  const lanes = useForecast()?.lanes
  const { stopWhen, stopLevel } = usePlan(state => state.plan.conditions)
  if (!lanes) return null
  const blend = lanes.tasks.filter(task => task.kind === 'blend')
  const seconds = Math.round(blend.reduce((sum, task) => sum + (task.toMin - task.fromMin) * 60, 0))
  return (
    <p className="text-[13px] text-soft">
      {stopWhen !== 'seconds' &&
        t('Level {stopLevel} is {stopLevel2}. ', {
          stopLevel: tidy(stopLevel, 1),
          stopLevel2: say(traceName(stopLevel)),
        })}
      {seconds > 0 && t('About {seconds} s at the bowl. ', { seconds })}
      {lanes.split && t('By then its emulsion {emulsion}.', { emulsion: say(emulsionWord(lanes.split.emulsion)) })}
    </p>
  )
}
