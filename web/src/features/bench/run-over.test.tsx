import { followingOf, madeReady, readPlanText, referenceShelf } from '@ostler/core'
import type { BatchAnswer, Change } from '@ostler/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { MemoryRouter } from 'react-router'
import { afterEach, expect, test, vi } from 'vitest'
import text from '../../../../examples/weir-milk.json?raw'
import { OpenRunContext } from '../../run/context.tsx'
import { OpenRun } from '../../run/open-run.ts'
import { RunOver } from './run-over.tsx'

const read = readPlanText(text)
if (!read.ok) throw new Error('weir-milk')
const { plan } = read

/** What the server was told; each test says whether it answers. */
const server = vi.hoisted(() => ({ changes: [] as readonly Change[], isAway: false }))
vi.mock('../../api/client.ts', async original => ({
  ...(await original<object>()),
  getBatch: (id: string): Promise<BatchAnswer> =>
    Promise.resolve({ id, name: plan.name, revision: 3, updatedAt: '2026-11-30T10:00:00Z', plan }),
  changeBatch: (_: string, sent: { changes: readonly Change[] }) => {
    if (server.isAway) return Promise.reject(new Error('The server cannot be reached.'))
    server.changes = sent.changes
    return Promise.resolve({})
  },
}))
vi.mock('../../run/kept-run.ts', () => ({ keepRun: () => Promise.resolve(true) }))
afterEach(cleanup)

/** A run that is in the mould, with a look and a blending in it. */
function over() {
  const at = 2000
  const shelf = referenceShelf()
  const events = [
    ['waive', 0, { how: 'close' }],
    ['lye-in', 0, {}],
    ['blend-on', 2, {}],
    ['blend-off', 35, {}],
    ['hold', 52, { how: 'holds' }],
    ...plan.cups.map(cup => ['drawn', 90, { cup: cup.id }] as const),
    ['seen', 160, { cup: plan.cups[0]!.id, amount: 2.1, how: 'drip' }],
    ['close', 800, { how: 'moulded' }],
  ] as const
  const run = new OpenRun({
    run: {
      ...{ id: 'run', batch: 'batch', begunAt: null, openedAt: '2026-11-30T10:00:00Z', plan, shelf },
      ...{ seq: 0, now: 0 },
      events: [
        ...madeReady(followingOf(plan, shelf), at),
        ...events.map(([kind, r, about], i) => ({
          ...{ key: `x:${i + 1}`, kind, r: at + r, noted: at + r, at: '2026-11-30T10:00:00Z', source: 'hand' as const },
          ...about,
        })),
      ],
    },
    ...{ unsent: [], aheadMs: 0 },
  })
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <OpenRunContext value={run}>
          <RunOver />
        </OpenRunContext>
      </MemoryRouter>
    </QueryClientProvider>,
  )
  return run
}

test('a run that has ended tells its plan what it knows; a server that is away is said', async () => {
  const run = over()
  expect(run.get().state.closed).toBe('moulded')
  server.isAway = true
  fireEvent.click(screen.getByRole('button', { name: 'Tell the plan' }))
  expect((await screen.findByRole('alert')).textContent).toContain('cannot be reached')
  server.isAway = false
  fireEvent.click(screen.getByRole('button', { name: 'Tell the plan' }))
  await screen.findByText('✓ The plan knows.')
  expect(JSON.stringify(server.changes)).toContain('33')
  expect(screen.getByRole('link', { name: 'On to the rest' })).toBeTruthy()
})
