import { IMPERIAL, METRIC } from '@ostler/core'
import type { EditResult, QuantityKind, UnitHabits } from '@ostler/core'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { useState } from 'react'
import { afterEach, expect, test } from 'vitest'
import { QuantityField } from './quantity.tsx'

afterEach(cleanup)

interface Wish {
  start: number
  kind?: QuantityKind
  habits?: UnitHabits
  most?: number
}

/** A field whose owner takes values up to `most`. */
function Owner({ start, kind = 'mass', habits = METRIC, most = 100 }: Wish) {
  const [value, setValue] = useState(start)
  const take = (next: number): EditResult => {
    if (next > most) return { ok: false, path: '', sentence: `At most ${most}.` }
    setValue(next)
    return { ok: true, plan: {} as never }
  }
  return (
    <>
      <QuantityField label="Amount" kind={kind} habits={habits} value={value} onValue={take} />
      <output>{value}</output>
    </>
  )
}

const field = () => screen.getByLabelText<HTMLInputElement>('Amount')
const type = (text: string) => fireEvent.change(field(), { target: { value: text } })
const inside = () => Number(screen.getByRole('status').textContent)

test('acts while it is typed, and tidies when it is left', () => {
  render(<Owner start={50} />)
  type('2 oz')
  expect(inside()).toBeCloseTo(56.7, 1)
  expect(field().value).toBe('2 oz')
  fireEvent.blur(field())
  expect(field().value).toBe('56.7')
})

test('what is refused stays, with its sentence once the field is left', () => {
  render(<Owner start={50} />)
  type('500')
  expect(screen.queryByRole('alert')).toBeNull()
  fireEvent.blur(field())
  expect(screen.getByRole('alert').textContent).toBe('At most 100.')
  expect(field().value).toBe('500')
  expect(field().getAttribute('aria-invalid')).toBe('true')
  expect(inside()).toBe(50)
})

test('what is no number stays too; mending it takes the sentence away', () => {
  render(<Owner start={50} />)
  type('lots')
  fireEvent.keyDown(field(), { key: 'Enter' })
  expect(screen.getByRole('alert').textContent).toMatch(/is not a number/)
  type('60')
  expect(screen.queryByRole('alert')).toBeNull()
  expect(inside()).toBe(60)
})

test('Escape takes back what was typed', () => {
  render(<Owner start={50} />)
  type('lots')
  fireEvent.blur(field())
  fireEvent.keyDown(field(), { key: 'Escape' })
  expect(field().value).toBe('50')
  expect(screen.queryByRole('alert')).toBeNull()
})

test('arrow keys step, ten times as far with Shift, and stop at the limit with a sentence', () => {
  render(<Owner start={50} />)
  fireEvent.keyDown(field(), { key: 'ArrowUp' })
  fireEvent.keyDown(field(), { key: 'ArrowDown', shiftKey: true })
  expect(inside()).toBe(41)
  for (let i = 0; i < 6; i += 1) fireEvent.keyDown(field(), { key: 'ArrowUp', shiftKey: true })
  expect(inside()).toBe(91)
  expect(screen.getByRole('alert').textContent).toBe('At most 100.')
})

test.each<[QuantityKind, number, UnitHabits, string]>([
  ['mass', 28.349523125, IMPERIAL, '1'],
  ['mass', 28.349523125, METRIC, '28.3'],
  ['temperature', 35, IMPERIAL, '95'],
  ['temperature', 35, METRIC, '35'],
  ['length', 25.4, IMPERIAL, '1'],
  ['share', 0.0525, METRIC, '5.25'],
  ['minutes', 1.5, METRIC, '1.5'],
  ['dose', 4, METRIC, '4'],
])('%s %f is shown as the workshop likes it', (kind, value, habits, text) => {
  render(<Owner start={value} kind={kind} habits={habits} />)
  expect(field().value).toBe(text)
})
