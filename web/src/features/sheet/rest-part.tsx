import type { Plan, RestSaid } from '@ostler/core'
import { useEffect, useState } from 'react'
import { useBatch } from '../../plan/context.tsx'
import { clockAfter } from '../../ui/clock.ts'
import { restSaid } from '../../workers/rest.ts'
import { Section, Tick } from './parts.tsx'
import type { Parts } from './parts.tsx'
import { useSay } from '../../ui/say.tsx'

interface Reckoned {
  plan: Plan | null
  said: Pick<RestSaid, 'tasks' | 'result'> | null
  failed: string
}

/** What to do when in the mould, by the clock where the mixing has its hour; the same numbers as on the page of the rest. */
export function RestPart({ plan, forecast }: Parts) {
  const { shelf } = useBatch()
  const say = useSay()
  const [reckoned, setReckoned] = useState<Reckoned>({ plan: null, said: null, failed: '' })
  useEffect(() => {
    const working = restSaid(plan, shelf, said => setReckoned({ plan, said, failed: '' }))
    working.done.catch((error: Error) => setReckoned({ plan, said: null, failed: error.message }))
    return working.stop
  }, [plan, shelf])
  // What was reckoned of an older plan is not shown beside this one.
  const { said, failed } = reckoned.plan === plan ? reckoned : { said: null, failed: '' }
  const lastMin = Math.max(...forecast.lanes.pours.map(pour => pour.endMin))
  const { startAt } = plan.heat
  return (
    <Section title="6 · Rest">
      <p aria-busy={said === null}>
        {said === null && (failed || 'Reckoning …')}
        {said?.tasks.map(task => (
          <span key={`${task.atMin} ${say(task.what)}`} className="mr-3">
            <Tick /> <strong>{clockAfter(startAt, lastMin, task.atMin)}</strong>: {say(task.what)}.
          </span>
        ))}
        {said && said.result.unmouldMin === null && 'It may not be firm within five days.'}
        {said && ' Estimates: look, and touch, before you go by them.'}
      </p>
    </Section>
  )
}
