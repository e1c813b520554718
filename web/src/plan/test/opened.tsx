import { referenceShelf } from '@ostler/core'
import type { Plan, Shelf } from '@ostler/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { configure, render } from '@testing-library/react'
import type { ReactNode } from 'react'
import { MemoryRouter } from 'react-router'
import { SaidAsLiked } from '../context.tsx'
import { ToastPlace } from '../../ui/toast.tsx'
import { NotedContext } from '../../run/noted.tsx'
import { OpenRun } from '../../run/open-run.ts'
import { OpenBatchContext } from '../context.tsx'
import { OpenBatch } from '../open-batch.ts'

// A busy machine answers late.
configure({ asyncUtilTimeout: 5000 })

interface About {
  /** The page's queries are sent, for a test that answers them. */
  asks?: boolean
  shelf?: Shelf
  /** The address that it is opened at. */
  at?: string
  id?: string
}

let count = 0

/**
 * A part of a page around a batch that is open on the starting shelf, or another, and goes nowhere.
 */
export const opened = (plan: Plan, part: ReactNode, about: About = {}): OpenBatch =>
  openedWithRun(plan, part, about).batch

/** The same, with what is noted of it as it is made ready. */
export function openedWithRun(
  plan: Plan,
  part: ReactNode,
  { asks = false, shelf = referenceShelf(), at = '/', id }: About = {},
): { batch: OpenBatch; run: OpenRun } {
  // An id of its own, so that no draft of another one is taken up.
  count += 1
  const answer = {
    id: id ?? `opened-${count}`,
    name: plan.name,
    revision: 1,
    updatedAt: '2026-11-23T12:00:00.000Z',
    plan,
  }
  const batch = new OpenBatch(answer, shelf, () => Promise.resolve({ sure: null, remedies: [] }))
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false, ...(!asks && { enabled: false }) } } })
  const now = new Date()
  const run = new OpenRun({
    run: {
      ...{ id: `run-${count}`, batch: answer.id, openedAt: now.toISOString(), begunAt: null, plan },
      ...{ shelf, events: [], seq: 0, now: now.getTime() },
    },
    ...{ unsent: [], aheadMs: 0 },
  })
  render(
    <QueryClientProvider client={queries}>
      <MemoryRouter initialEntries={[at]}>
        <SaidAsLiked>
          <ToastPlace>
            <OpenBatchContext value={batch}>
              <NotedContext value={{ run, sentence: '', startOver: () => undefined }}>{part}</NotedContext>
            </OpenBatchContext>
          </ToastPlace>
        </SaidAsLiked>
      </MemoryRouter>
    </QueryClientProvider>,
  )
  return { batch, run }
}
