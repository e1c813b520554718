import { starterPlan } from '@ostler/core'
import type { LessonAnswer, NextPage } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { Route, Routes } from 'react-router'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { SOMEBODY, answering, refusal } from '../api/test/answering.ts'
import { opened } from '../plan/test/opened.tsx'
import { NextTime } from './next-time.tsx'

beforeEach(() => sessionStorage.clear())
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const lesson = (key: string, text: string, about: Partial<LessonAnswer> = {}): LessonAnswer => ({
  ...{ key, batch: 'old', name: 'Moss', on: '2026-01-02', text, cause: null, shares: [], isForAll: false },
  ...about,
})

let count = 0
function show(lessons: LessonAnswer[], at: NextPage = 'batter', routes: Record<string, unknown> = {}, id?: string) {
  const own = id ?? `next-${(count += 1)}`
  const sent = answering({
    ...{ 'GET /session': SOMEBODY, [`GET /batches/${own}/record/lessons`]: lessons },
    ...routes,
  })
  opened(
    starterPlan('Fen'),
    <Routes>
      <Route path="/batches/:id/*" element={<NextTime at={at} />} />
    </Routes>,
    { asks: true, id: own, at: `/batches/${own}/${at}` },
  )
  return { sent, id: own }
}
const shown = async () => within(await screen.findByRole('complementary', { name: 'From other batches' }))

test('own words stand where the recipe is made, with the batch that they are from and what both share', async () => {
  show([lesson('k1', 'Pour it cooler.', { shares: ['scent'] })])
  const here = await shown()
  const line = here.getByRole('listitem').textContent
  expect(line).toContain('Pour it cooler.')
  expect(line).toMatch(/Moss.*same .*scent/)
  expect(here.getByRole('link', { name: 'Moss' }).getAttribute('href')).toBe('/batches/old/outcome')
  cleanup()
  show([lesson('k1', 'Pour it cooler.')], 'rest')
  await new Promise(done => setTimeout(done, 50))
  expect(screen.queryByRole('complementary')).toBeNull()
})

test('put off it is gone for this batch and stays gone after a reload, and comes again for another', async () => {
  const lessons = [lesson('k1', 'Pour it cooler.'), lesson('k2', 'Less blending.')]
  const { id } = show(lessons)
  const [first] = (await shown()).getAllByRole('listitem')
  fireEvent.click(within(first!).getByRole('button', { name: 'Not now' }))
  expect(screen.queryByText(/Pour it cooler/)).toBeNull()
  cleanup()
  show(lessons, 'batter', {}, id)
  expect((await shown()).getAllByRole('listitem')).toHaveLength(1)
  cleanup()
  show(lessons)
  expect((await shown()).getAllByRole('listitem')).toHaveLength(2)
})

test('never again is noted in the batch that it is from; a refusal is told and it stays', async () => {
  let isUp = false
  const { sent } = show([lesson('k1', 'Pour it cooler.')], 'batter', {
    'POST /batches/old/record': () => (isUp ? { kept: 1 } : refusal(503, 'Not now.')),
  })
  const never = (await shown()).getByRole('button', { name: 'Never again' })
  fireEvent.click(never)
  expect((await screen.findByRole('alert')).textContent).toBe('Not now.')
  expect(screen.getByText(/Pour it cooler/)).toBeTruthy()
  isUp = true
  fireEvent.click(never)
  await waitFor(() => expect(sent).toHaveLength(2))
  expect(sent[1]!.body).toMatchObject({ entries: [{ kind: 'undo', of: 'k1' }] })
})
