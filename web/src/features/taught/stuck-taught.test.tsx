import { referenceShelf, starterPlan } from '@ostler/core'
import type { RecordEntry, Vessel } from '@ostler/core'
import { fireEvent, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { answering, refusal } from '../../api/test/answering.ts'
import type { Asked } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { StuckTaught } from './stuck-taught.tsx'

beforeEach(() => localStorage.clear())
afterEach(() => {
  vi.unstubAllGlobals()
})

const shelf = referenceShelf()
const start = starterPlan('Stuck')
const vessel = shelf.vessels.find(one => one.role === 'jug')!
const kind = vessel.id
/** Two cups of such a jug, and one of another vessel. */
const plan = { ...start, cups: start.cups.map((cup, i) => ({ ...cup, vessel: i < 2 ? kind : cup.vessel })) }
const alike = 2
const known = start.division.cling === 'thin' ? vessel.clingThinG : vessel.clingThickG
const stuck = (about: Partial<RecordEntry>, i = 0): RecordEntry => ({
  ...{ key: `stuck:${i}`, on: '2026-03-04T09:00', noted: '2026-03-04T09:00:00Z' },
  ...{ kind: 'yield', part: 'stuck', ...about },
})

function show(entries: readonly RecordEntry[], put?: (asked: Asked) => unknown) {
  const revisions = { vessels: { [kind]: 7 } }
  const sent = answering({
    'GET /shelf': { shelf, revisions },
    [`PUT /shelf/vessels/${kind}`]:
      put ?? (({ body }: Asked) => ({ kind: 'vessels', item: (body as { item: Vessel }).item, revision: 8 })),
  })
  const batch = opened(plan, <StuckTaught entries={entries} />, { asks: true })
  return { sent, batch }
}

test('nothing weighed teaches nothing; what was taken back counts as nothing', () => {
  show([stuck({ vessel: kind, massG: 90 }), { ...stuck({}, 1), kind: 'undo', of: 'stuck:0' }])
  expect(screen.queryByText('What stuck to the vessels')).toBeNull()
})

test('what stuck to all of them together is shown, and moves no vessel', async () => {
  const { sent } = show([stuck({ massG: 41.3 })])
  expect(await screen.findByText('all of them together')).toBeTruthy()
  expect(screen.getByText('41.3 g')).toBeTruthy()
  expect(screen.getByText(/Weighed for one kind of vessel/)).toBeTruthy()
  expect(screen.queryByRole('button')).toBeNull()
  expect(sent).toEqual([])
})

test('one batch moves a vessel halfway, on the revision that it had, for this plan at once', async () => {
  const each = known + 6
  const { sent, batch } = show([
    stuck({ vessel: kind, massG: each * alike - 2 }),
    stuck({ vessel: kind, massG: 2 }, 1),
    stuck({ vessel: 'a-jug-that-is-gone', massG: 50 }, 2),
  ])
  const half = Math.round((known + 3) * 10) / 10
  const button = await screen.findByRole<HTMLButtonElement>('button', {
    name: new RegExp(`^Reckon with ${half}(\\.0)? g$`),
  })
  // Which revision the shelf has is known once it has answered.
  expect(button.disabled).toBe(true)
  await waitFor(() => expect(button.disabled).toBe(false))
  fireEvent.click(button)
  await waitFor(() => expect(sent).toHaveLength(1))
  const { item, revision } = sent[0]!.body as { item: Vessel; revision: number }
  expect(revision).toBe(7)
  const key = start.division.cling === 'thin' ? 'clingThinG' : 'clingThickG'
  expect(item).toEqual({ ...vessel, [key]: half })
  await waitFor(() => expect(batch.shelf.vessels.find(one => one.id === kind)![key]).toBe(half))
})

test('as much as was known asks for nothing', async () => {
  show([stuck({ vessel: kind, massG: known * alike })])
  expect(await screen.findByText(vessel.name)).toBeTruthy()
  expect(screen.queryByRole('button')).toBeNull()
})

test('a refusal is told beside it, and it can be tried again', async () => {
  const { sent } = show([stuck({ vessel: kind, massG: (known + 20) * alike })], () =>
    refusal(409, 'Somebody else changed this item.'),
  )
  const button = await screen.findByRole<HTMLButtonElement>('button', { name: /^Reckon with/ })
  await waitFor(() => expect(button.disabled).toBe(false))
  fireEvent.click(button)
  expect((await screen.findByRole('alert')).textContent).toBe('Somebody else changed this item.')
  fireEvent.click(button)
  await waitFor(() => expect(sent).toHaveLength(2))
})
