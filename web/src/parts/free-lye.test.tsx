import { applyEdit, forecast, referenceShelf, starterPlan } from '@ostler/core'
import type { BatchFreeLye, Plan } from '@ostler/core'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { opened } from '../plan/test/opened.tsx'
import { FreeLyeAnswer } from './free-lye.tsx'

afterEach(cleanup)

const start = starterPlan('Lye')
const withSuperfat = (share: number): Plan => {
  const result = applyEdit(start, { kind: 'set', path: ['recipe', 'superfatShare'], value: share })
  if (!result.ok) throw new Error('the superfat is refused')
  return result.plan
}
const freeLyeOf = (plan: Plan): BatchFreeLye => {
  const result = forecast(plan, referenceShelf())
  if (!result.ok) throw new Error('it cannot be forecast')
  return result.forecast.freeLye
}
const show = (share: number) => {
  const plan = withSuperfat(share)
  return opened(plan, <FreeLyeAnswer freeLye={freeLyeOf(plan)} />)
}
const go = () => fireEvent.click(screen.getByRole('button', { name: 'Go on with this answer' }))

test('with superfat enough there is nothing to say; with little it is told and nothing is asked', () => {
  show(0.05)
  expect(screen.queryByRole('alert')).toBeNull()
  expect(screen.queryByRole('textbox')).toBeNull()
  cleanup()
  show(0.005)
  expect(screen.queryByRole('textbox')).toBeNull()
})

test('without superfat it stops until the reason is written; an empty one is no reason', () => {
  const batch = show(0)
  expect(screen.getByRole('alert').textContent).toMatch(/^▲/)
  go()
  expect(screen.getAllByRole('alert')).toHaveLength(2)
  expect(screen.getByRole('textbox').getAttribute('aria-invalid')).toBe('true')
  expect(batch.get().plan.freeLye).toBeNull()
  fireEvent.change(screen.getByRole('textbox'), { target: { value: '  For laundry, never for skin.  ' } })
  go()
  expect(batch.get().plan.freeLye).toEqual({ reason: 'For laundry, never for skin.', superfatShare: 0 })
  expect(screen.queryByRole('alert')).toBeNull()
  expect(screen.getByText(/Answered: “For laundry, never for skin\.”/)).toBeTruthy()
})

test('the answer is taken back, and what was asked is asked again', () => {
  const batch = show(0)
  fireEvent.click(screen.getByRole('checkbox', { name: 'or: it is a trial, not for skin' }))
  expect(batch.get().plan.isTrial).toBe(true)
  expect(screen.getByText(/It is a trial: not for skin, not for sale\./)).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: 'Take that back' }))
  expect(batch.get().plan.isTrial).toBe(false)
  expect(screen.getByRole('alert')).toBeTruthy()
})
