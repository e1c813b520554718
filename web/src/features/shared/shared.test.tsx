import { fold, followingOf, recordOf, referenceShelf, runShown, settle, starterPlan } from '@ostler/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react'
import { MemoryRouter, Route, Routes } from 'react-router'
import { afterEach, expect, test, vi } from 'vitest'
import { NOBODY, answering, refusal } from '../../api/test/answering.ts'
import { SharedPage } from './shared-page.tsx'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

function show() {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  render(
    <QueryClientProvider client={queries}>
      <MemoryRouter initialEntries={['/shared/abc']}>
        <Routes>
          <Route path="/shared/:token" element={<SharedPage />} />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  )
}
const of = (what: string) => ({ what, workshop: 'Reed Bank', name: 'Moss' })

test('a link that has ended says so and nothing else', async () => {
  answering({ 'GET /shared/abc': refusal(404, 'Nothing can be seen by this link any more.') })
  show()
  expect(await screen.findByText('Nothing can be seen by this link any more.')).toBeTruthy()
  expect(screen.queryByRole('img')).toBeNull()
})

test.each([
  ['design', 'The design as a file', '/api/shared/abc/design.json'],
  ['sheet', 'The pour sheet (PDF)', '/api/shared/abc/sheet.pdf'],
])('a %s is a picture and a file', async (what, name, address) => {
  answering({ 'GET /shared/abc': of(what), 'GET /session': NOBODY })
  show()
  expect((await screen.findByRole('link', { name })).getAttribute('href')).toContain(address)
  expect(screen.getByText('shown by Reed Bank')).toBeTruthy()
})

test('a record tells its days, its pictures and how it was made, beside what was planned', async () => {
  const plan = starterPlan('Moss')
  const following = followingOf(plan, referenceShelf())
  // Lye waits for its safety list: it is not noted here.
  const [first, , second] = following.lines
  const event = (n: number, key: string, amount: number) => ({
    ...{ key: `a:${n}`, kind: 'weighed' as const, r: n, noted: n, at: '2026-03-02T10:00:00Z', source: 'hand' as const },
    ...{ item: key, amount },
  })
  const events = [event(1, first!.key, first!.massG), event(2, second!.key, second!.massG + 9)]
  const state = fold(following, events)
  const run = runShown(plan, state, recordOf(following, state, settle(events)), () => '#336699')
  const entry = (n: number, kind: string, about: object = {}) => ({
    ...{ key: `d:${n}`, kind, on: '2026-03-04T09:00', noted: '2026-03-04T09:00:00Z', ...about },
  })
  answering({
    ...{ 'GET /shared/abc': of('record'), 'GET /session': NOBODY },
    'GET /shared/abc/record': {
      pouredAt: '2026-03-02T11:00',
      entries: [
        ...[entry(1, 'cut', { count: 1 }), entry(2, 'graded', { aim: 'swirl', mark: 4 })],
        entry(3, 'photo', { photo: 'p1', text: 'by the window' }),
      ],
      photos: [{ id: 'p1', width: 4, height: 3 }],
      run: { ...run, begunAt: '2026-03-02T10:00:00Z' },
    },
  })
  show()
  expect(await screen.findByText('poured on 2 March 2026 · cut on 4 March 2026 into 1 bar')).toBeTruthy()
  expect(screen.getByAltText('Photograph, 4 March 2026, by the window').getAttribute('src')).toContain(
    'photos/p1/large',
  )
  expect(screen.getByText(/swirl: nearly \(4\/5\)/)).toBeTruthy()
  const rows = within(screen.getByRole('heading', { name: 'Weighed' }).closest('section')!).getAllByRole('row')
  expect(rows[1]!.textContent).not.toContain('+')
  expect(rows[2]!.textContent).toContain('not noted')
  expect(rows[3]!.textContent).toContain('+9')
  const cups = screen.getByRole('heading', { name: 'Cups' }).closest('section')!
  for (const { name } of plan.cups) expect(cups.textContent).toContain(name)
})

test('a run that ended in the mould was poured, though its day was not noted; a face that is not there leaves no gap', async () => {
  const plan = starterPlan('Moss')
  const following = followingOf(plan, referenceShelf())
  const state = { ...fold(following, []), closed: 'moulded' as const }
  const run = runShown(plan, state, recordOf(following, state, []), () => '#336699')
  answering({
    ...{ 'GET /shared/abc': of('record'), 'GET /session': NOBODY },
    'GET /shared/abc/record': {
      pouredAt: '',
      entries: [],
      photos: [],
      run: { ...run, begunAt: '2026-03-02T10:00:00Z' },
    },
  })
  show()
  expect(await screen.findByText('poured on 2 March 2026')).toBeTruthy()
  const face = screen.getByAltText('The face of a bar, as forecast')
  fireEvent.error(face)
  expect(face.closest('li')!.hidden).toBe(true)
})
