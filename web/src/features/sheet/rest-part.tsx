import { useMemo } from 'react'
import { useBatch } from '../../plan/context.tsx'
import { clockAfter } from '../../ui/clock.ts'
import { restSaid } from '../../workers/rest.ts'
import type { RestWords } from '../../workers/rest.ts'
import { useFollowing } from '../../workers/use-work.ts'
import type { Job } from '../../workers/use-work.ts'
import { Section, Tick } from './parts.tsx'
import type { Parts } from './parts.tsx'
import { useSay } from '../../ui/say.tsx'
import { t } from '../../words/index.ts'

/** What to do when in the mould, by the clock where the mixing has its hour; the same numbers as on the page of the rest. */
export function RestPart({ plan, forecast }: Parts) {
  const { shelf } = useBatch()
  const say = useSay()
  const job = useMemo<Job<RestWords>>(() => asking => restSaid(plan, shelf, asking), [plan, shelf])
  const { answer, failure, isStale } = useFollowing(job, 0)
  // What was reckoned of an older plan is not shown beside this one.
  const said = isStale ? null : answer
  const failed = isStale ? '' : failure
  const lastMin = Math.max(...forecast.lanes.pours.map(pour => pour.endMin))
  const { startAt } = plan.heat
  return (
    <Section title={t('6 · Rest')}>
      <p aria-busy={said === null}>
        {said === null && (failed || t('Reckoning …'))}
        {said?.tasks.map(task => (
          <span key={`${task.atMin} ${say(task.what)}`} className="mr-3">
            <Tick /> <strong>{clockAfter(startAt, lastMin, task.atMin)}</strong>: {say(task.what)}.
          </span>
        ))}
        {said && said.result.unmouldMin === null && t('It may not be firm within five days.')}
        {said && t(' Estimates: look, and touch, before you go by them.')}
      </p>
    </Section>
  )
}
