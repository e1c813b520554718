import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { METRIC, forecast, readPlanText, referenceShelf, starterPlan } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { cleanup, screen, within } from '@testing-library/react'
import { expect, test } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
import { Pours } from './pours-part.tsx'

const shelf = referenceShelf()
const start = starterPlan('Pours')
function example(name: string): Plan {
  const read = readPlanText(readFileSync(join(import.meta.dirname, '../../../../examples', `${name}.json`), 'utf8'))
  if (!read.ok) throw new Error(name)
  return read.plan
}
function show(plan: Plan = start) {
  const result = forecast(plan, shelf)
  if (!result.ok) throw new Error(result.sentence as string)
  opened(plan, <Pours plan={plan} forecast={result.forecast} habits={METRIC} />)
  return result.forecast
}
const rows = () =>
  screen
    .getAllByRole('row')
    .slice(1)
    .filter(row => row.querySelectorAll('td').length === 6)

test('every pour in order with its cup, weight, height and minute', () => {
  const { portions, lanes } = show()
  expect(rows()).toHaveLength(start.score.length)
  rows().forEach((row, i) => {
    const cells = [...row.querySelectorAll('td')].map(cell => cell.textContent)
    const cup = start.cups.find(one => one.id === start.score[i]!.cup)!
    expect(cells[1]).toContain(`${i + 1}`)
    expect(cells[1]).toContain(cup.name)
    expect(Number(/[\d.]+/.exec(cells[2]!)![0])).toBeCloseTo(portions.layers[i]!.massG, -1)
    expect(Number(/[\d.]+/.exec(cells[3]!)![0])).toBeCloseTo(portions.layers[i]!.toMm, 0)
    expect(cells[5]).toContain('between level')
  })
  expect([...lanes.pours].every((pour, i) => i === 0 || pour.startMin >= lanes.pours[i - 1]!.startMin)).toBe(true)
})

test('weights of the layers come to what the cups pour', () => {
  const { portions } = show()
  const printed = rows().reduce(
    (sum, row) => sum + Number(/[\d.]+/.exec(row.querySelectorAll('td')[2]!.textContent)![0]),
    0,
  )
  const poured = portions.cups.reduce((sum, cup) => sum + cup.pouredG, 0)
  expect(Math.abs(printed - poured)).toBeLessThanOrEqual(start.score.length)
})

test('what is strewn on top is said with its weight, and when the top is ready', () => {
  show()
  expect(screen.queryByText(/^On top:/)).toBeNull()
  const topping = { id: 'topping-1', name: 'Oat flakes', kind: 'seeds', hex: '#c8b08a', sizeMm: 4, perBar: 3 } as const
  const toppings = [{ ...topping, onGrid: false, massG: 12, side: 'all' as const, clearMm: 5, jitter: false }]
  show({ ...start, finish: { ...start.finish, toppings } })
  expect(screen.getByText(/^On top: Oat flakes, 12(\.0)? g, 3 a bar\.$/)).toBeTruthy()
  expect(screen.getByText(/The top is ready when its gloss fades/)).toBeTruthy()
})

test('a tool stands with the pour after which it is used; one that is left out is not told', () => {
  const plan = example('heron-reach')
  const [move] = plan.moves
  const at = plan.score.findIndex(pour => pour.id === move!.after)
  show(plan)
  expect(within(rows()[at]!).getAllByText(/^ ?Then:/).length).toBeGreaterThan(0)
  cleanup()
  show({ ...plan, moves: plan.moves.map(one => ({ ...one, off: true })) })
  expect(screen.queryByText(/^ ?Then:/)).toBeNull()
})

test('plan B stands with when it is called, until it is in use', () => {
  const plan: Plan = {
    ...start,
    planB: {
      name: 'Spooned',
      trigger: 'thick',
      before: start.score[1]!.id,
      level: 2,
      inUse: false,
      score: start.score,
      moves: [],
    },
  }
  show(plan)
  expect(screen.getByText('Plan B: Spooned.')).toBeTruthy()
  cleanup()
  show({ ...plan, planB: { ...plan.planB!, inUse: true } })
  expect(screen.queryByText(/^Plan B:/)).toBeNull()
})
