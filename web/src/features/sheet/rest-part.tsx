import { restAtOnce } from '@ostler/core'
import { useMemo } from 'react'
import { useBatch, useSay } from '../../plan/context.tsx'
import { clockAfter } from '../../ui/clock.ts'
import { Section, Tick } from './parts.tsx'
import type { Parts } from './parts.tsx'

/** What to do when in the mould, by the clock where the mixing has its hour. */
export function RestPart({ plan, forecast }: Parts) {
  const { shelf } = useBatch()
  const say = useSay()
  const { portions, lanes } = forecast
  const { tasks, result } = useMemo(() => restAtOnce({ plan, shelf, portions, lanes }), [plan, shelf, portions, lanes])
  const lastMin = Math.max(...lanes.pours.map(pour => pour.endMin))
  const { startAt } = plan.heat
  return (
    <Section title="6 · Rest">
      <p>
        {tasks.map(task => (
          <span key={`${task.atMin} ${task.what}`} className="mr-3">
            <Tick /> <strong>{clockAfter(startAt, lastMin, task.atMin)}</strong>: {say(task.what)}.
          </span>
        ))}
        {result.unmouldMin === null && 'It may not be firm within five days.'} Estimates: look, and touch, before you go
        by them.
      </p>
    </Section>
  )
}
