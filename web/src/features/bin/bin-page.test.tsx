import { starterPlan } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { SOMEBODY, answering, refusal } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { BinPage } from './bin-page.tsx'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const thrown = (kind: string, name: string, goesAt: string | null) => ({
  ...{ kind, id: name.toLowerCase(), name, deletedAt: '2026-03-02T10:00:00.000Z', goesAt },
})
const show = (routes: Record<string, unknown>) => {
  const sent = answering({ 'GET /session': SOMEBODY, ...routes })
  opened(starterPlan('Any'), <BinPage />, { asks: true })
  return sent
}
const lineOf = async (name: string) => within((await screen.findByText(name)).closest('li')!)

test('a poured batch stays for good, the rest say on which day they go', async () => {
  show({ 'GET /bin': [thrown('batches', 'Moss', null), thrown('recipes', 'Plain', '2026-04-01T10:00:00.000Z')] })
  expect((await lineOf('Moss')).getByText('batch, deleted on 2 March 2026')).toBeTruthy()
  expect((await lineOf('Plain')).getByText('recipe, deleted on 2 March 2026; goes on 1 April 2026')).toBeTruthy()
})

test.each([
  ['batches', '/batches/fern/restore'],
  ['recipes', '/recipes/fern/restore'],
  ['designs', '/designs/fern/restore'],
  ['trials', '/trials/fern/restore'],
])('of %s one is brought back where it came from, and is gone from here', async (kind, path) => {
  let isBack = false
  const sent = show({
    'GET /bin': () => (isBack ? [] : [thrown(kind, 'Fern', null)]),
    [`POST ${path}`]: () => void (isBack = true),
  })
  fireEvent.click((await lineOf('Fern')).getByRole('button', { name: 'Bring it back' }))
  expect(await screen.findByText('It is empty.')).toBeTruthy()
  expect(screen.getAllByText('Fern is back.').length).toBeGreaterThan(0)
  expect(sent.map(one => one.path)).toEqual([path])
})

test('what cannot be brought back says why, and can be tried again', async () => {
  show({
    'GET /bin': [thrown('designs', 'Reed', null)],
    'POST /designs/reed/restore': refusal(409, 'Another design has this name.'),
  })
  const line = await lineOf('Reed')
  fireEvent.click(line.getByRole('button', { name: 'Bring it back' }))
  expect((await screen.findAllByText('Another design has this name.')).length).toBeGreaterThan(0)
  await waitFor(() => expect(line.getByRole('button', { name: 'Bring it back' })).toHaveProperty('disabled', false))
})
