import { showMass, showMassDown, showShare } from '@ostler/core'
import { useForecast, useHabits } from '../../plan/context.tsx'
import { WorkingNumber } from '../../ui/working-number.tsx'
import { useSay } from '../../ui/say.tsx'

/** The weights that a maker stakes a batch on; each opens to how it came about. */
export function Numbers() {
  const forecast = useForecast()
  const habits = useHabits()
  const say = useSay()
  if (!forecast) return null
  const { portions, recipe, workings } = forecast
  const liquidsG = portions.liquids.reduce((sum, part) => sum + part.massG, 0)
  return (
    <section aria-label="What to weigh" className="mb-5 flex flex-wrap gap-x-9 gap-y-3">
      <WorkingNumber label="batter in the pot" text={showMass(portions.potG, habits)} working={workings.pot} />
      <WorkingNumber label="oils" text={showMass(portions.oilG, habits, 1)} working={workings.oils} />
      <WorkingNumber label="lye (NaOH)" text={showMassDown(portions.lyeG, habits)} working={workings.lye} />
      <WorkingNumber
        label={liquidsG > 0 ? `plain water, and ${showMass(liquidsG, habits, 1)} of other liquid` : 'water'}
        text={showMass(portions.waterG, habits, 1)}
        working={workings.water}
      />
      <WorkingNumber label="superfat as weighed" text={showShare(portions.superfatShare)} working={workings.superfat} />
      <WorkingNumber label="pace" text={say(recipe.pace.word)} working={workings.pace} />
    </section>
  )
}
