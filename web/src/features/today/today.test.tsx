import { starterPlan } from '@ostler/core'
import type { Due } from '@ostler/core'
import { cleanup, screen, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { SOMEBODY, answering, refusal } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { TodayPage } from './today-page.tsx'

// A Wednesday.
beforeEach(() => {
  vi.useFakeTimers({ toFake: ['Date'] })
  vi.setSystemTime(new Date('2026-03-04T10:00'))
})
afterEach(() => {
  cleanup()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

const due = (name: string, kind: Due['kind'], on: string, about: Partial<Due> = {}): Due => ({
  key: name,
  batch: name,
  name,
  kind,
  on,
  what: 'Because.',
  ...about,
})
const show = (dues: unknown) => {
  answering({ 'GET /session': SOMEBODY, 'GET /due/today': dues })
  opened(starterPlan('Any'), <TodayPage />, { asks: true })
}
const below = async (title: string) =>
  within((await screen.findByRole('heading', { name: title })).closest('section')!)
    .getAllByRole('link')
    .map(link => [link.textContent, link.getAttribute('href')])

describe('what is due', () => {
  test('stands under late, today, this week and the next, each leading to where it is done', async () => {
    show([
      due('Moss', 'unmould', '2026-03-02'),
      due('Fern', 'cut', '2026-03-04T14:00'),
      due('Ash', 'make', '2026-03-08'),
      due('Oak', 'turn', '2026-03-09'),
      due('Elm', 'weigh', '2026-05-01'),
    ])
    expect(await below('Overdue')).toEqual([['Moss', '/batches/Moss/outcome']])
    expect(await below('Today')).toEqual([['Fern', '/batches/Fern/outcome']])
    expect(await below('This week')).toEqual([['Ash', '/batches/Ash/prepare']])
    expect(await below('Next week')).toEqual([['Oak', '/batches/Oak/outcome']])
    expect(await below('Later')).toEqual([['Elm', '/batches/Elm/cut']])
    expect(screen.getByText(/2 days late/).textContent).toContain('△')
    expect(screen.getByText('today, 14:00')).toBeTruthy()
  })

  test('bars that are ready are never late, however long they lie', async () => {
    show([due('Moss', 'ready', '2026-01-02')])
    expect(await below('Today')).toEqual([['Moss', '/batches/Moss/outcome']])
    expect(screen.getByText('since 2 Jan')).toBeTruthy()
    expect(screen.queryByText(/△/)).toBeNull()
  })

  test('of the shelf leads to the shelf, of a trial to the trial', async () => {
    show([
      due('Olive oil', 'reorder', '2026-03-04', { item: { kind: 'oils', id: 'olive' } }),
      due('Green doses', 'look', '2026-03-04', { trial: 'green' }),
    ])
    expect((await below('Today')).map(([, to]) => to)).toEqual(['/shelf/oils/olive', '/trials/green'])
  })

  test('that is far off leaves a quiet fortnight, and says so', async () => {
    show([due('Elm', 'weigh', '2026-05-01')])
    expect(await screen.findByText(/Nothing is due this week or the next/)).toBeTruthy()
    expect(await below('Later')).toHaveLength(1)
  })

  test('that cannot be had is told', async () => {
    show(refusal(500, 'Something went wrong.'))
    expect(await screen.findByText('Something went wrong.')).toBeTruthy()
  })
})
