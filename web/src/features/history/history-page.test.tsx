import { starterPlan } from '@ostler/core'
import type { HistoryAnswer, Plan } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { SOMEBODY, answering, refusal } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { HistoryPage } from './history-page.tsx'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const start = starterPlan('Fen')
const warmer: Plan = { ...start, conditions: { ...start.conditions, mixC: start.conditions.mixC + 6 } }
const step = (
  revision: number,
  about: Partial<HistoryAnswer['steps'][number]> = {},
): HistoryAnswer['steps'][number] => ({
  ...{
    revision,
    from: revision - 1,
    at: '2026-03-02T10:00:00.000Z',
    member: 'Ines',
    count: 1,
    parts: ['the conditions'],
    name: '',
  },
  ...about,
})
const answer = (steps: HistoryAnswer['steps']): HistoryAnswer => ({
  revision: 3,
  first: { revision: 1, at: '2026-03-01T09:00:00.000Z', name: '' },
  steps,
})

let count = 0
function show(routes: (id: string) => Record<string, unknown>) {
  // A batch of its own each time, so that no draft of another is taken up.
  const id = `fen-${(count += 1)}`
  const sent = answering({ 'GET /session': SOMEBODY, ...routes(id) })
  const batch = opened(warmer, <HistoryPage />, { asks: true, id })
  return { batch, sent }
}

test('each change says what, by whom and how much at once; one who has left is not named', async () => {
  show(id => ({
    [`GET /batches/${id}/history`]: answer([step(3, { count: 4, name: 'before the fair' }), step(2, { member: null })]),
  }))
  const newest = (await screen.findByText('before the fair')).closest('button')!
  expect(newest.textContent).toContain('the conditions')
  expect(newest.textContent).toContain('Ines, 4 edits: as it is now')
  expect(screen.getByText(/somebody who has left/).textContent).not.toContain('as it is now')
  expect(screen.getByRole('button', { name: /As it was made/ })).toBeTruthy()
})

test('a version stands beside the plan as it is, is had back as one edit, and that is undone as one', async () => {
  const { batch } = show(id => ({
    [`GET /batches/${id}/history`]: answer([step(3)]),
    [`GET /batches/${id}/history/1`]: { revision: 1, plan: start },
  }))
  fireEvent.click(await screen.findByRole('button', { name: /As it was made/ }))
  const table = await screen.findByRole('table')
  const row = within(table).getByRole('rowheader', { name: 'Oils and lye meet at' }).closest('tr')!
  const [then, now] = within(row).getAllByRole('cell')
  expect(then!.textContent).toContain(String(start.conditions.mixC))
  expect(now!.textContent).toContain(String(warmer.conditions.mixC))
  fireEvent.click(screen.getByRole('button', { name: 'Bring this back' }))
  expect(batch.get().plan).toEqual(start)
  expect(within(table).getByText('Nothing that is weighed, poured or timed is otherwise.')).toBeTruthy()
  fireEvent.click((await screen.findAllByRole('button', { name: 'Undo' }))[0]!)
  expect(batch.get().plan).toEqual(warmer)
})

test('a version is given a name, and a refusal stands beside it with what was typed', async () => {
  const { sent } = show(id => ({
    [`GET /batches/${id}/history`]: answer([step(3)]),
    [`GET /batches/${id}/history/3`]: { revision: 3, plan: warmer },
    [`PUT /batches/${id}/history/3/name`]: refusal(409, 'Another version has this name.'),
  }))
  fireEvent.click(await screen.findByRole('button', { name: /as it is now/ }))
  const field = await screen.findByLabelText('Name of this version')
  expect(screen.getByRole('button', { name: 'Name it' })).toHaveProperty('disabled', true)
  fireEvent.change(field, { target: { value: 'the calm one' } })
  fireEvent.click(screen.getByRole('button', { name: 'Name it' }))
  expect(await screen.findByText('Another version has this name.')).toBeTruthy()
  expect(field).toHaveProperty('value', 'the calm one')
  expect(sent.map(({ body }) => body)).toEqual([{ name: 'the calm one' }])
})

test('one that cannot be read any more is told, and the others stay', async () => {
  show(id => ({
    [`GET /batches/${id}/history`]: answer([step(3)]),
    [`GET /batches/${id}/history/1`]: refusal(410, 'It was made by an older version.'),
  }))
  fireEvent.click(await screen.findByRole('button', { name: /As it was made/ }))
  expect(await screen.findByText(/cannot be had back: It was made by an older version\./)).toBeTruthy()
  await waitFor(() => expect(screen.getByRole('button', { name: /as it is now/ })).toBeTruthy())
})
