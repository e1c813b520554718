import { applyEdit, starterPlan } from '@ostler/core'
import type { Edit, Plan } from '@ostler/core'
import { cleanup, fireEvent, screen, within } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { SOMEBODY, answering } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { ComparePage } from './compare-page.tsx'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const after = (plan: Plan, edit: Edit): Plan => {
  const result = applyEdit(plan, edit)
  if (!result.ok) throw new Error('the edit is refused')
  return result.plan
}
const fen = starterPlan('Fen')
const reed: Plan = { ...after(fen, { kind: 'set', path: ['conditions', 'mixC'], value: 36 }), name: 'Reed' }
const listed = (...plans: Plan[]) => ({
  batches: plans.map(({ name }) => ({ id: name.toLowerCase(), name })),
  next: null,
})
function show(mine: Plan, others: Plan[], at = '/') {
  answering({
    ...{ 'GET /session': SOMEBODY, 'GET /batches': listed(...others) },
    ...Object.fromEntries(
      others.map(plan => [
        `GET /batches/${plan.name.toLowerCase()}`,
        { id: plan.name.toLowerCase(), name: plan.name, revision: 1, updatedAt: '2026-03-02T10:00:00.000Z', plan },
      ]),
    ),
  })
  opened(mine, <ComparePage />, { asks: true, at })
}

test('only what is otherwise stands there, the own on the left', async () => {
  show(fen, [reed])
  const table = await screen.findByRole('table')
  const row = within(table).getAllByRole('row', { name: /36 °C/ })[0]!
  const [left, right] = within(row).getAllByRole('cell')
  expect(left!.textContent).toContain(`${fen.conditions.mixC} °C`)
  expect(right!.textContent).toContain('36 °C')
  expect(within(table).queryByText(/superfat/)).toBeNull()
})

test('another is chosen to be held against it; two alike say that they are', async () => {
  show(fen, [reed, { ...fen, name: 'Twin' }])
  await screen.findByRole('table')
  fireEvent.change(screen.getByLabelText('Against'), { target: { value: 'twin' } })
  expect(await screen.findByText(/do not differ in anything that is weighed, poured or timed/)).toBeTruthy()
})

test('its own plan B is one of them', async () => {
  const withB = after(fen, {
    kind: 'set',
    path: ['planB'],
    value: {
      ...{
        name: 'Spooned',
        trigger: 'not-carried',
        before: 'pour-1',
        level: 3,
        inUse: false,
        score: fen.score,
        moves: [],
      },
    },
  })
  show(withB, [], '/?with=plan-b')
  expect(await screen.findByRole('option', { name: 'Plan B of this batch' })).toBeTruthy()
  expect(await screen.findByText('Plan B', { selector: 'span' })).toBeTruthy()
})

test('with nothing to compare it says how to come by another', async () => {
  show(fen, [])
  expect(await screen.findByText(/There is no other plan to compare with/)).toBeTruthy()
  expect(screen.getByRole('link', { name: 'Duplicate this batch' }).getAttribute('href')).toBe('/batches')
})
