import { signOf, starterPlan } from '@ostler/core'
import type { RecordEntry } from '@ostler/core'
import { cleanup, screen } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { SOMEBODY, answering } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { StoryPage } from './story-page.tsx'

// Pictures are drawn elsewhere: here nothing comes of them.
vi.mock('../../workers/faces.ts', () => ({ drawFace: () => new Promise(() => undefined) }))

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const start = starterPlan('Story')
const show = (entries: Partial<RecordEntry>[], pouredAt = '2026-03-02T10:00') => {
  const kept = entries.map((about, i) => ({
    ...{ key: `old:${i + 1}`, on: '2026-03-04T09:00', noted: '2026-03-04T09:00:00Z', ...about },
  }))
  answering({
    ...{ 'GET /session': SOMEBODY, 'GET /batches//lots': [], 'GET /rack': null },
    'GET /batches//record': { entries: kept, photos: [{ id: 'p1', width: 4, height: 3 }] },
  })
  opened({ ...start, rest: { ...start.rest, pouredAt } }, <StoryPage />, { asks: true })
  return screen.findByRole('article')
}

test('a batch that was only planned tells its plan, and claims nothing more', async () => {
  const story = await show([], '')
  expect(story.textContent).toContain('Story')
  for (const { name } of start.cups) expect(story.textContent).toContain(name)
  expect(story.textContent).not.toContain('poured 2 March')
})

test('one that was poured tells what came of it, with what was taken back left out', async () => {
  const story = await show([
    { kind: 'cut', count: 9 },
    { kind: 'sign', sign: 'k-ring', grade: 1 },
    { kind: 'photo', photo: 'p1', text: 'by the window' },
    { kind: 'note', text: 'Smells of rain.' },
    { kind: 'note', text: 'Not this.' },
    { kind: 'undo', of: 'old:5' },
  ])
  await screen.findByText(/Smells of rain/)
  expect(story.textContent).toContain('poured 2 March 2026')
  expect(story.textContent).toContain('9 bars')
  expect(story.textContent).toContain(signOf('k-ring')!.words)
  expect(story.textContent).not.toContain('Not this.')
  expect([...story.querySelectorAll('img')].some(image => image.src.includes('/photos/p1/'))).toBe(true)
})

test('goes out as one file', async () => {
  await show([])
  expect(screen.getByRole('link', { name: /Save everything/ }).getAttribute('href')).toContain('/whole')
})
