import type { Plan, Shelf } from '@ostler/core'
import { useEffect, useState } from 'react'
import { useToast } from '../ui/toast.tsx'
import { useBatch, usePlan } from '../plan/context.tsx'

/** So long an edit is left alone before a worker is asked, ms. */
const CALM_MS = 300

/** What a worker says of the open plan, asked anew whenever the plan has come to rest; null until it has answered. */
export function useAnswer<T>(isWanted: boolean, ask: (plan: Plan, shelf: Shelf) => Promise<T>): T | null {
  const batch = useBatch()
  const plan = usePlan(state => state.plan)
  const toast = useToast()
  const [answer, setAnswer] = useState<T | null>(null)
  useEffect(() => {
    if (!isWanted) return
    let isOld = false
    const timer = setTimeout(() => {
      ask(plan, batch.shelf).then(
        found => isOld || setAnswer(() => found),
        (error: Error) => isOld || toast(error.message),
      )
    }, CALM_MS)
    return () => {
      isOld = true
      clearTimeout(timer)
    }
  }, [plan, batch, ask, isWanted, toast])
  return answer
}
