import { showMass, showMassDown } from '@ostler/core'
import { useForecast, useHabits } from '../../plan/context.tsx'
import { WorkingNumber } from '../../ui/working-number.tsx'
import { useSay } from '../../ui/say.tsx'
import { showShare, t } from '../../words/index.ts'

/** The weights that a maker stakes a batch on; each opens to how it came about. */
export function Numbers() {
  const forecast = useForecast()
  const habits = useHabits()
  const say = useSay()
  if (!forecast) return null
  const { portions, recipe, workings } = forecast
  const liquidsG = portions.liquids.reduce((sum, part) => sum + part.massG, 0)
  return (
    <section
      aria-label={t('What to weigh')}
      className="mb-5 flex flex-wrap gap-x-9 gap-y-3 max-[600px]:grid max-[600px]:grid-cols-2 max-[600px]:items-start"
    >
      <WorkingNumber label={t('batter in the pot')} text={showMass(portions.potG, habits)} working={workings.pot} />
      <WorkingNumber label={t('oils')} text={showMass(portions.oilG, habits, 1)} working={workings.oils} />
      <WorkingNumber label={t('lye (NaOH)')} text={showMassDown(portions.lyeG, habits)} working={workings.lye} />
      <WorkingNumber
        label={
          liquidsG > 0
            ? t('plain water, and {liquidsG} of other liquid', { liquidsG: showMass(liquidsG, habits, 1) })
            : t('water')
        }
        text={showMass(portions.waterG, habits, 1)}
        working={workings.water}
      />
      <WorkingNumber
        label={t('superfat as weighed')}
        text={showShare(portions.superfatShare)}
        working={workings.superfat}
      />
      <WorkingNumber label={t('pace')} text={say(recipe.pace.word)} working={workings.pace} />
    </section>
  )
}
