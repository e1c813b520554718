import { starterPlan } from '@ostler/core'
import type { BatchSummary } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { SOMEBODY, answering, refusal } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { BatchesPage } from './batches-page.tsx'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const row = (name: string, about: Partial<BatchSummary> = {}): BatchSummary => ({
  ...{ id: name, name, updatedAt: '2026-03-02T10:00:00.000Z', layers: 3, scent: '', potG: 900, state: 'calm' },
  ...{ face: null, isFresh: true, life: 'planned', tags: [], isArchived: false, fitness: 'fit' },
  ...{ occasion: '', forWhom: '', makeOn: null },
  ...about,
})
const show = (routes: Record<string, unknown>) => {
  const sent = answering({ 'GET /session': SOMEBODY, 'GET /batches/tags': [], ...routes })
  opened(starterPlan('Any'), <BatchesPage />, { asks: true })
  return sent
}
const list = (batches: BatchSummary[], next: string | null = null) => ({ batches, next })
const lineOf = async (name: string) => within((await screen.findByRole('link', { name })).closest('li')!)

test('a batch says what it is for and by when it must be made, late ones marked; what is being worked out stands empty', async () => {
  show({
    'GET /batches': list([
      row('Fair', { occasion: 'market', forWhom: 'Tilda', makeOn: '2020-05-01' }),
      row('Anew', { isFresh: false, scent: null, potG: null, state: null }),
      row('Held', { life: 'curing', fitness: 'hold' }),
    ]),
  })
  const fair = await lineOf('Fair')
  expect(fair.getByText(/market, for Tilda/).textContent).toContain('▲ to be made by 1 May')
  expect((await lineOf('Anew')).queryByText(/in trouble|time enough/)).toBeNull()
  expect((await lineOf('Held')).getByText(/▲/)).toBeTruthy()
})

test('more are shown a page at a time, and nothing found says what was looked for', async () => {
  const asked: string[] = []
  show({ 'GET /batches': () => (asked.push(''), asked.length === 1 ? list([row('One')], 'x/y') : list([row('Two')])) })
  fireEvent.click(await screen.findByRole('button', { name: 'Show older batches' }))
  expect(await screen.findByRole('link', { name: 'Two' })).toBeTruthy()
  expect(screen.getByRole('link', { name: 'One' })).toBeTruthy()
  expect(screen.queryByRole('button', { name: 'Show older batches' })).toBeNull()
})

test('a new workshop is shown a way to begin; a search without a find is not', async () => {
  show({ 'GET /batches': list([]), 'GET /shelf': refusal(500, 'Not now.') })
  expect(await screen.findByText(/Begin with “New batch”/)).toBeTruthy()
  fireEvent.change(screen.getByRole('searchbox'), { target: { value: 'heather' } })
  expect(await screen.findByText(/heather/)).toBeTruthy()
  expect(screen.queryByText(/Begin with “New batch”/)).toBeNull()
})

test('what is deleted can be had back; what cannot be made is told and made once', async () => {
  const sent = show({
    ...{ 'GET /batches': list([row('Moss')]), 'DELETE /batches/Moss': undefined },
    ...{ 'POST /batches/Moss/restore': undefined, 'POST /batches': refusal(409, 'No more room.') },
    'GET /batches/Moss': { plan: starterPlan('Moss'), revision: 1 },
  })
  const line = await lineOf('Moss')
  fireEvent.click(line.getByRole('button', { name: /Delete/ }))
  fireEvent.click((await screen.findAllByRole('button', { name: 'Undo' }))[0]!)
  await waitFor(() =>
    expect(sent.map(({ method, path }) => `${method} ${path}`)).toEqual([
      'DELETE /batches/Moss',
      'POST /batches/Moss/restore',
    ]),
  )
  const anew = screen.getByRole('button', { name: /New batch/ })
  fireEvent.click(anew)
  fireEvent.click(anew)
  expect((await screen.findAllByText(/No more room/)).length).toBeGreaterThan(0)
  expect(sent.filter(({ method, path }) => method === 'POST' && path === '/batches')).toHaveLength(1)
})
