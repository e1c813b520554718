import { showMass, showMassDown, showMinutes } from '@ostler/core'
import { useForecast, useHabits, useLanes, useRisk } from '../../plan/context.tsx'
import { WorkingNumber } from '../../ui/working-number.tsx'
import { showChance, t } from '../../words/index.ts'

/** An hour to spare is as good as more. */
const PLENTY_MIN = 45

/** The numbers that decide: chance, time to spare, pot, lye. */
export function ScoreNumbers() {
  const forecast = useForecast()
  const habits = useHabits()
  const lanes = useLanes()
  // As the sentence of the risk has it.
  const whole = useRisk()?.chance ?? 0
  if (!forecast || !lanes) return null
  const { portions, workings } = forecast
  const spare = Math.min(...lanes.pours.map(pour => pour.marginMin))
  return (
    <section aria-label={t('The numbers that decide')} className="grid grid-cols-2 gap-x-4 gap-y-4 pt-1">
      <div className="col-span-2">
        <span className={`block text-4xl leading-tight font-semibold ${whole < 0.6 ? 'text-rust' : ''}`}>
          {showChance(whole)}
        </span>
        <span className="text-[13px] text-soft">{t('chance that every layer pours as planned')}</span>
      </div>
      <WorkingNumber
        label={spare < 0 ? t('too late, in 4 of 5 runs') : t('least time to spare, in 4 of 5 runs')}
        term="four-of-five"
        text={spare >= PLENTY_MIN ? t('over {what} min', { what: PLENTY_MIN }) : showMinutes(Math.abs(spare))}
      />
      <WorkingNumber label={t('lye in to last pour')} text={showMinutes(lanes.endMin)} />
      <WorkingNumber label={t('batter in the pot')} text={showMass(portions.potG, habits)} working={workings.pot} />
      <WorkingNumber label={t('lye (NaOH)')} text={showMassDown(portions.lyeG, habits)} working={workings.lye} />
    </section>
  )
}
