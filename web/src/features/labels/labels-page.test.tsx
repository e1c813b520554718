import { GRAMS_PER_OUNCE, USUAL_LABELLING, starterPlan } from '@ostler/core'
import type { Labelling, Plan, RecordEntry } from '@ostler/core'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { Route, Routes } from 'react-router'
import { afterEach, expect, test, vi } from 'vitest'
import { SOMEBODY, answering } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { labelFile } from './label-file.ts'
import { LabelsPage } from './labels-page.tsx'

// The letters come as files that no test has: each is half as wide as it is high.
vi.mock('./label-file.ts', async actual => ({
  ...(await actual<object>()),
  withLetters: () => Promise.resolve({}),
  measureWith: () => (text: string, sizePt: number) => text.length * sizePt * 0.5 * (25.4 / 72),
  lettersLacking: (_: unknown, text: string) => (text.includes('☃') ? ['☃'] : []),
  labelFile: vi.fn(() => Promise.resolve(new Uint8Array())),
}))
vi.mock('../../ui/save-file.ts', () => ({ saveFile: vi.fn() }))

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const start = starterPlan('Heron')
const poured: Plan = { ...start, rest: { ...start.rest, pouredAt: '2026-03-02T10:00' } }

let count = 0
function show(plan: Plan, labelling: Partial<Labelling> = {}, entries: Partial<RecordEntry>[] = []) {
  const id = `label-${(count += 1)}`
  answering({
    ...{ 'GET /session': SOMEBODY, 'GET /labelling': { ...USUAL_LABELLING, ...labelling } },
    [`GET /batches/${id}/record`]: {
      entries: entries.map((one, i) => ({ key: `k:${i}`, on: '2026-03-05', noted: '2026-03-05T10:00:00Z', ...one })),
      photos: [],
    },
  })
  opened(
    plan,
    <Routes>
      <Route path="/batches/:id/labels" element={<LabelsPage />} />
    </Routes>,
    { asks: true, id, at: `/batches/${id}/labels` },
  )
}
const label = async () => (await screen.findByRole('img', { name: /Heron/ })).getAttribute('aria-label')!
const doubts = async () =>
  (await screen.findByRole('heading', { name: 'Before it is printed' })).closest('section')!.textContent

test('the net mass is rounded down in grams and in ounces, so that no bar is below it', async () => {
  show(poured)
  const text = await label()
  const [, g, oz] = /net (\d+) g \(([\d.]+) oz\)/.exec(text)!
  expect(Number(g)).toBeGreaterThan(20)
  expect(Number(oz) * GRAMS_PER_OUNCE).toBeLessThanOrEqual(Number(g) + 1e-9)
  expect(text).toMatch(/made 2 Mar 2026 · ready \d+ \w+ 2026/)
})

test('a batch that is not poured has no dates, and that is said', async () => {
  show(start)
  expect(await label()).not.toContain('made')
  expect(await doubts()).toContain('It is not poured yet')
  cleanup()
  show(poured)
  expect(await doubts()).not.toContain('It is not poured yet')
})

test('what the letters lack, and claims of healing, are told before anything is printed', async () => {
  show(poured, { words: 'Cures eczema ☃' })
  const said = await doubts()
  expect(said).toContain('The label has no letters for ☃')
  expect(said).toMatch(/eczema|cure|claim|heal|medic/i)
  expect(said).toContain('Local rules come first')
})

test('as many labels as bars that are left are saved, or as many as are asked for, never none', async () => {
  show(poured, {}, [
    { kind: 'cut', count: 9 },
    { kind: 'gone', count: 2, way: 'sold' },
  ])
  const many = await screen.findByRole('spinbutton', { name: 'Labels' })
  await waitFor(() => expect(many).toHaveProperty('value', '7'))
  const save = async () => {
    fireEvent.click(screen.getByRole('button', { name: /as PDF$/ }))
    await waitFor(() => expect(screen.getByRole('button', { name: /as PDF$/ })).toHaveProperty('disabled', false))
    return vi.mocked(labelFile).mock.calls.at(-1)![1].count
  }
  expect(await save()).toBe(7)
  fireEvent.change(many, { target: { value: '-3' } })
  expect(await save()).toBe(1)
  fireEvent.change(many, { target: { value: '9999' } })
  expect(await save()).toBe(500)
})
