import { starterPlan } from '@ostler/core'
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { NOBODY, SOMEBODY, answering, refusal } from '../api/test/answering.ts'
import { opened } from '../plan/test/opened.tsx'
import { SaveMark } from './save-mark.tsx'

beforeEach(() => localStorage.clear())
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

/** A batch open on a server that answers a save so; an edit is on its way to it. */
function edited(id: string, routes: Record<string, unknown>) {
  const sent = answering({ 'GET /session': SOMEBODY, ...routes })
  const batch = opened(starterPlan('Fen'), <SaveMark />, { asks: true, id })
  act(() => {
    batch.attach()
    batch.edit({ kind: 'set', path: ['name'], value: 'Fen at dawn' })
    batch.flush()
  })
  return { batch, sent }
}

test('what is saved says so quietly', async () => {
  edited('calm', { 'PATCH /batches/calm': { revision: 2, updatedAt: '2026-03-02T10:00:00.000Z' } })
  await waitFor(() => expect(screen.getByRole('status').textContent).toBe('saved'))
})

test('a server that is not there is told, and the edit waits', async () => {
  const { batch } = edited('away', { 'PATCH /batches/away': refusal(503, 'Not now.') })
  await waitFor(() => expect(screen.getByRole('status').textContent).toBe('⚠ not saved yet, trying again'))
  expect(batch.get().plan.name).toBe('Fen at dawn')
})

test('one who was signed out signs in on the spot, and nothing is lost', async () => {
  let isIn = false
  const { batch } = edited('out', {
    'PATCH /batches/out': () =>
      isIn ? { revision: 2, updatedAt: '2026-03-02T10:00:00.000Z' } : refusal(401, 'Sign in first.'),
    'POST /session': () => void (isIn = true),
    'GET /session': () => (isIn ? SOMEBODY : NOBODY),
  })
  expect(await screen.findByText('Your edits are kept in this browser.')).toBeTruthy()
  fireEvent.change(screen.getByLabelText('Sign-in name'), { target: { value: 'ines' } })
  fireEvent.change(screen.getByLabelText('Password'), { target: { value: 'a long enough one' } })
  fireEvent.click(screen.getByRole('button', { name: 'Sign in' }))
  await waitFor(() => expect(screen.queryByText('Your edits are kept in this browser.')).toBeNull())
  expect(batch.get().plan.name).toBe('Fen at dawn')
})

test('a batch that was deleted meanwhile can be kept as a new one, with what was changed', async () => {
  const { sent } = edited('gone', {
    'PATCH /batches/gone': refusal(404, 'There is no such batch.'),
    'POST /batches': { id: 'new', name: 'Fen at dawn' },
  })
  expect(await screen.findByText('This batch was deleted in another window')).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: 'Keep it as a new batch' }))
  await waitFor(() => expect(sent.filter(({ path }) => path === '/batches')).toHaveLength(1))
  expect(sent.find(({ path }) => path === '/batches')!.body).toMatchObject({ plan: { name: 'Fen at dawn' } })
})
