import type { Plan, Shelf } from '@ostler/core'
import { useEffect, useMemo } from 'react'
import { useToast } from '../ui/toast.tsx'
import { useBatch, usePlan } from '../plan/context.tsx'
import type { Asking } from '../workers/door.ts'
import { useFollowing } from '../workers/use-work.ts'
import type { Job } from '../workers/use-work.ts'

/** So long an edit is left alone before a worker is asked, ms. */
const CALM_MS = 300

/** What a worker says of the open plan, asked anew whenever the plan has come to rest; null until it has answered. */
export function useAnswer<T>(
  isWanted: boolean,
  ask: (plan: Plan, shelf: Shelf, asking: Asking) => Promise<T>,
): T | null {
  const { shelf } = useBatch()
  const plan = usePlan(state => state.plan)
  const toast = useToast()
  const job = useMemo<Job<T> | null>(
    () => (isWanted ? asking => ask(plan, shelf, asking) : null),
    [isWanted, ask, plan, shelf],
  )
  const { answer, failure } = useFollowing(job, CALM_MS)
  useEffect(() => {
    if (failure) toast(failure)
  }, [failure, toast])
  return answer
}
