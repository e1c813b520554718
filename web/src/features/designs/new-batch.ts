import type { Plan } from '@ostler/core'
import { useNavigate } from 'react-router'
import { addBatch } from '../../api/client.ts'
import { useToast } from '../../ui/toast.tsx'

/** Starts a batch and goes to its score. */
export function useNewBatch(): (plan: Plan) => Promise<void> {
  const navigate = useNavigate()
  const toast = useToast()
  return async plan => {
    try {
      const batch = await addBatch(plan)
      await navigate(`/batches/${batch.id}/score`)
    } catch (error) {
      toast((error as Error).message)
    }
  }
}
