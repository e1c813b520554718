import { referenceShelf } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { configure, render } from '@testing-library/react'
import type { ReactNode } from 'react'
import { MemoryRouter } from 'react-router'
import { SaidAsLiked } from '../context.tsx'
import { ToastPlace } from '../../ui/toast.tsx'
import { OpenBatchContext } from '../context.tsx'
import { OpenBatch } from '../open-batch.ts'

// A busy machine answers late.
configure({ asyncUtilTimeout: 5000 })

let count = 0

/**
 * A part of a page around a batch that is open on the starting shelf and goes nowhere.
 *
 * @param asks  the page's queries are sent, for a test that answers them
 */
export function opened(plan: Plan, part: ReactNode, { asks = false } = {}): OpenBatch {
  // An id of its own, so that no draft of another one is taken up.
  count += 1
  const answer = { id: `opened-${count}`, name: plan.name, revision: 1, updatedAt: '2026-11-23T12:00:00.000Z', plan }
  const batch = new OpenBatch(answer, referenceShelf(), () => Promise.resolve({ risk: null, remedies: [] }))
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false, ...(!asks && { enabled: false }) } } })
  render(
    <QueryClientProvider client={queries}>
      <MemoryRouter>
        <SaidAsLiked>
          <ToastPlace>
            <OpenBatchContext value={batch}>{part}</OpenBatchContext>
          </ToastPlace>
        </SaidAsLiked>
      </MemoryRouter>
    </QueryClientProvider>,
  )
  return batch
}
