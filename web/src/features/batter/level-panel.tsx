import { LEVELS, freshCopy, planLevelOf, plainer } from '@ostler/core'
import { useMemo } from 'react'
import { Link, useNavigate } from 'react-router'
import { addBatch } from '../../api/client.ts'
import { useBatch, useForecast, usePlan } from '../../plan/context.tsx'
import { Section } from '../../ui/section.tsx'
import { useSay } from '../../ui/say.tsx'
import { useAct } from '../../ui/use-act.ts'
import { t } from '../../words/index.ts'

/** How much the plan asks of its maker, why, and a plainer one: advice, never a lock. */
export function LevelPanel() {
  const say = useSay()
  const plan = usePlan(state => state.plan)
  const { shelf } = useBatch()
  const forecast = useForecast()
  const navigate = useNavigate()
  const act = useAct()
  const level = useMemo(() => (forecast ? planLevelOf(plan, forecast, shelf) : null), [forecast, plan, shelf])
  if (!level) return null
  const copy = () =>
    act.run(async () => {
      const made = plainer(plan, shelf)
      if (!made) throw new Error(t('It is as plain as can be already.'))
      const batch = await addBatch(freshCopy(made, t('{plan}, plainer', { plan: plan.name.slice(0, 60) })))
      await navigate(`/batches/${batch.id}/score`)
    })
  return (
    <Section title={t('How much it asks')}>
      <p className="text-lg font-semibold">{t(LEVELS[level.level])}</p>
      {level.reasons.length > 0 && (
        <ul className="list-disc pl-5">
          {level.reasons.map(one => (
            <li key={say(one)}>{say(one)}</li>
          ))}
        </ul>
      )}
      <p className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
        {level.level !== 'basic' && (
          <button className="button min-h-9" disabled={act.busy} onClick={() => void copy()}>
            {t('A plainer one, as a copy')}
          </button>
        )}
        <Link to="/craft/lye" className="underline">
          {t('Lye, before the first time')}
        </Link>
      </p>
      {act.sentence !== '' && (
        <p role="alert" className="text-rust">
          {act.sentence}
        </p>
      )}
    </Section>
  )
}
