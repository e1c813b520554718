import { starterPlan } from '@ostler/core'
import type { Plan, RackBatch } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { SOMEBODY, answering } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { RackPage } from './rack-page.tsx'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const batch = (id: string, about: Partial<RackBatch> = {}): RackBatch => ({
  ...{ id, name: id, life: 'curing', place: 'by the stove', pouredAt: '2026-03-02', day: 20, weighedDay: null },
  ...{ turnedAt: null, bars: 8, readyOn: '2999-01-01', readyRange: null, barG: 100, curedG: 90, face: null },
  ...{ signs: [], fitness: 'fit' },
  ...about,
})
const plan = starterPlan('Moss')
const show = (batches: RackBatch[]) => {
  const sent = answering({
    ...{ 'GET /session': SOMEBODY, 'GET /due/rack': batches },
    'GET /rack': { places: [{ name: 'by the stove', holds: 10 }], turnDays: 7 },
    'GET /batches/Moss': { id: 'Moss', name: 'Moss', revision: 4, updatedAt: '2026-03-02T10:00:00Z', plan },
    'PATCH /batches/Moss': { id: 'Moss', revision: 5, updatedAt: '2026-03-22T10:00:00Z', plan: null },
  })
  opened(plan, <RackPage />, { asks: true })
  return sent
}

test('bars are counted by place, ready and held ones marked; more than there is room for is told', async () => {
  show([batch('Moss'), batch('Fern', { life: 'ready' }), batch('Ash', { place: '', fitness: 'hold', bars: 3 })])
  expect((await screen.findByText(/of them ready/)).textContent).toBe('19 bars, 8 of them ready')
  const stove = screen.getByRole('heading', { name: /by the stove/ }).closest('section')!
  expect(stove.textContent).toContain('△ 16 bars where 10 have room')
  expect(
    within(stove)
      .getAllByRole('link')
      .map(one => one.textContent),
  ).toEqual(expect.arrayContaining(['Moss', 'Fern']))
  const nowhere = screen.getByRole('heading', { name: /No place noted/ }).closest('section')!
  expect(nowhere.textContent).toContain('not to be used or sold')
  expect(nowhere.textContent).not.toContain('✓ ready')
})

test('an empty rack says how bars come to it', async () => {
  show([])
  expect(await screen.findByText(/No bars are curing/)).toBeTruthy()
})

test('bars are weighed at the rack on top of the plan as it stands; too heavy ones and no numbers are told', async () => {
  const sent = show([batch('Moss')])
  fireEvent.click(await screen.findByRole('button', { name: 'Weigh Moss' }))
  const [mass, count] = screen.getAllByRole('textbox') as [HTMLInputElement, HTMLInputElement]
  const weigh = (text: string, bars: string) => {
    fireEvent.change(mass, { target: { value: text } })
    fireEvent.change(count, { target: { value: bars } })
    fireEvent.submit(mass.closest('form')!)
  }
  weigh('some', '1')
  expect(screen.getByText(/is not a number/)).toBeTruthy()
  weigh('95', '0')
  expect(screen.getByText(/From 1 to 100 bars/)).toBeTruthy()
  weigh('9000', '2')
  expect(await screen.findByText(/more than so many bars weighed fresh/)).toBeTruthy()
  expect(sent).toEqual([])
  weigh('190', '2')
  await waitFor(() => expect(sent).toHaveLength(1))
  const { revision, changes } = sent[0]!.body as {
    revision: number
    changes: { at: string[]; to: Plan['rest']['weighIns'] }[]
  }
  expect(revision).toBe(4)
  expect(JSON.stringify(changes)).toContain('"massG":190,"bar":"","count":2')
})
