import { referenceShelf, starterPlan, undone } from '@ostler/core'
import type { BenchEvent, PourResult, RehearsalAnswer, RehearsalOutcome } from '@ostler/core'
import { cleanup, screen, waitFor, within } from '@testing-library/react'
import { Route, Routes } from 'react-router'
import { afterEach, expect, test, vi } from 'vitest'
import { SOMEBODY, answering } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { outcomeOfRehearsal } from '../../workers/rehearsal.ts'
import { CamePage } from './came-page.tsx'

vi.mock('../../workers/rehearsal.ts', () => ({ outcomeOfRehearsal: vi.fn() }))
// Faces are drawn by workers that no test has.
vi.mock('../../drawing/face-canvas.tsx', () => ({
  FaceCanvas: ({ label }: { label: string }) => <i aria-label={label} />,
}))

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const plan = starterPlan('Fen')
const poured = (i: number, about: Partial<PourResult> = {}): PourResult => {
  const { id, cup } = plan.score[i]!
  return {
    ...{ pour: id, cup, from: cup, massG: 300, pouredG: 300, startLevel: 2, endLevel: 2.2 },
    ...{ wrong: null, tools: [], isPlanB: false, isPlain: false },
    ...about,
  }
}
const outcome = (about: Partial<RehearsalOutcome> = {}): RehearsalOutcome => ({
  ...{ pours: plan.score.map((_, i) => poured(i)), worth: 1, best: 1, made: 90, time: -4, safety: 0, score: 86 },
  ...{ minutes: 24, bestMinutes: 20, slips: [], readings: { count: 0, off: 0, bias: 0 }, isPractised: false },
  levels: plan.score.map(() => 2),
  ...about,
})
const CLOSE = {
  key: 'k:1',
  kind: 'close',
  r: 1400,
  noted: 1400,
  at: '2026-03-02T10:20:00Z',
  source: 'hand',
} as BenchEvent

function show(came: RehearsalOutcome, about: Partial<RehearsalAnswer> = {}) {
  vi.mocked(outcomeOfRehearsal).mockResolvedValue(came)
  const answer: RehearsalAnswer = {
    ...{ id: 'r1', batch: 'b1', lesson: '', openedAt: '2026-03-02T10:00:00Z', person: 'Ines', isShared: false },
    ...{ setting: { seed: 7, level: 'none', begins: 'lye' }, revision: 2, plan, shelf: referenceShelf() },
    done: { ...undone(), events: [CLOSE] },
    ...about,
  }
  const sent = answering({
    'GET /session': SOMEBODY,
    'GET /rehearsals/r1': answer,
    'PUT /rehearsals/r1': { revision: 3 },
  })
  opened(
    plan,
    <Routes>
      <Route path="/rehearsals/:rehearsal/came" element={<CamePage />} />
    </Routes>,
    { asks: true, at: '/rehearsals/r1/came' },
  )
  return sent
}
const cost = async () => within(await screen.findByRole('region', { name: 'What cost most' }))

test('points by what they are for, and they are kept with it once it has ended', async () => {
  const sent = show(outcome())
  expect(await screen.findByText('86 of 100')).toBeTruthy()
  expect(
    screen.getByText(/made 90, time −4, safety 0\. 24 min from lye to mould; perfect hands took 20\./),
  ).toBeTruthy()
  expect((await cost()).getByText(/Nothing: every pour came out as it was meant/)).toBeTruthy()
  await waitFor(() => expect(sent.map(({ body }) => (body as { score: number }).score)).toEqual([86]))
})

test('one that goes on still says so, and nothing of it is kept yet', async () => {
  const sent = show(outcome(), { done: undone() })
  expect((await screen.findByRole('link', { name: 'Go on with it' })).getAttribute('href')).toBe('/rehearsals/r1')
  expect(sent).toEqual([])
})

test('what cost most comes first, with why and its share of the soap; what was poured by eye is told apart', async () => {
  show(
    outcome({
      pours: [
        poured(0, { isPlain: true, massG: 100, pouredG: 100 }),
        poured(1, { wrong: 'thick', massG: 300 }),
        ...plan.score.slice(2).map((_, i) => poured(i + 2, { massG: 100, pouredG: 130 })),
      ],
    }),
  )
  const lines = (await cost()).getAllByRole('listitem').map(line => line.textContent)
  expect(lines[0]).toMatch(/^Layer 2, .* too thick\. It was at trace 2\.0\. \(\d+ % of the soap\)/)
  expect(lines[1]).toContain('came out unscented.')
  if (plan.score.length > 2) expect((await cost()).getByText(/Poured by eye: .* \+30 g/)).toBeTruthy()
})

test('safety comes before all else, in the words of the slip', async () => {
  show(outcome({ slips: [{ r: 60, text: 'No goggles as the lye was opened.' }] }))
  const first = await screen.findByRole('region', { name: 'Safety' })
  expect(within(first).getByRole('listitem').textContent).toBe('No goggles as the lye was opened.')
})

test('an eye is judged once it has looked often enough, and only where it is off', async () => {
  show(outcome({ readings: { count: 6, off: 0.4, bias: 0.3 } }))
  expect((await screen.findByText(/6 looks at the trace/)).textContent).toContain('you call it thick by 0.30')
  cleanup()
  show(outcome({ readings: { count: 1, off: 0.4, bias: 0.3 } }))
  expect((await screen.findByText(/1 look at the trace/)).textContent).not.toContain('you call it')
})

test('what cannot be worked out is told', async () => {
  show(outcome())
  cleanup()
  vi.mocked(outcomeOfRehearsal).mockRejectedValue(new Error('The worker broke.'))
  show(outcome())
  vi.mocked(outcomeOfRehearsal).mockRejectedValue(new Error('The worker broke.'))
  expect(await screen.findByText(/The worker broke\./)).toBeTruthy()
})
