import { applyEdit, divisionSheet, forecast, referenceShelf, starterPlan } from '@ostler/core'
import type { Edit, Forecast, Plan } from '@ostler/core'
import { cleanup, screen, within } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { opened } from '../plan/test/opened.tsx'
import { DividedSheet } from './divided-sheet.tsx'

afterEach(cleanup)

const shelf = referenceShelf()
const made = (plan: Plan, ...edits: Edit[]): { plan: Plan; forecast: Forecast } => {
  const result = applyEdit(plan, { kind: 'many', edits })
  if (!result.ok) throw new Error('the edit is refused')
  const worked = forecast(result.plan, shelf)
  if (!worked.ok) throw new Error('it cannot be forecast')
  return { plan: result.plan, forecast: worked.forecast }
}
const OWN: Edit = { kind: 'set', path: ['division', 'mode'], value: 'own-batters' }
const number = (text: string) => Number(text.replaceAll(',', ''))

/** The numbers of a column, by the words of its head. */
function column(head: RegExp): number[] {
  const at = screen.getAllByRole('columnheader').findIndex(one => head.test(one.textContent))
  expect(at, String(head)).toBeGreaterThan(0)
  return screen
    .getAllByRole('row')
    .slice(1)
    .map(row => number(within(row).getAllByRole('cell')[at - 1]!.textContent))
}

/** Molar masses of NaOH and KOH, g/mol. */
const NAOH_PER_KOH = 39.997 / 56.1056

test('lye of all batters is what the printed oils take, reckoned again from them alone, and never more', () => {
  const { plan, forecast: worked } = made(starterPlan('Own'), OWN)
  opened(plan, <DividedSheet plan={plan} forecast={worked} />)
  const sheet = divisionSheet(plan, shelf, worked.portions)
  const { superfatShare, lyePurityShare } = plan.recipe
  let needs = 0
  for (const { oil, massG } of sheet.batters.flatMap(batter => batter.oils))
    needs += massG * (shelf.oils.find(one => one.id === oil)!.sapKohMgPerG / 1000) * NAOH_PER_KOH
  const whole = (needs * (1 - superfatShare)) / lyePurityShare
  const printed = sheet.solution
    ? (column(/lye solution/).reduce((sum, g) => sum + g, 0) * sheet.solution.lyeG) / sheet.solution.totalG
    : column(/^lye$/).reduce((sum, g) => sum + g, 0)
  expect(printed).toBeLessThanOrEqual(whole * 1.001)
  expect(printed).toBeGreaterThan(whole * 0.985)
})

test('what the pot shows falls with every draw, down to what clings', () => {
  const { plan, forecast: worked } = made(starterPlan('Melt'), OWN)
  const sheet = divisionSheet(plan, shelf, worked.portions)
  if (sheet.meltG === 0) throw new Error('the plan has hard fats')
  opened(plan, <DividedSheet plan={plan} forecast={worked} />)
  const [melt, left] = [column(/^melt$/), column(/pot then shows/)]
  let pot = number(/Melt together: ([\d,.]+)/.exec(document.body.textContent)![1]!)
  melt.forEach((drawn, i) => {
    pot -= drawn
    expect(Math.abs(left[i]! - pot)).toBeLessThanOrEqual(1.5 * (i + 1))
  })
  expect(left.at(-1)).toBeGreaterThanOrEqual(0)
})

test('a lye for each batter has its water and what goes into it in columns of their own', () => {
  const { plan, forecast: worked } = made(starterPlan('Each'), OWN, {
    kind: 'set',
    path: ['division', 'lye'],
    value: 'separate',
  })
  opened(plan, <DividedSheet plan={plan} forecast={worked} />)
  expect(column(/^lye$/).every(g => g > 0)).toBe(true)
  expect(column(/plain water/).every(g => g > 0)).toBe(true)
  expect(screen.getByText(/“Plain water” is water alone/)).toBeTruthy()
  expect(screen.queryByText(/One lye solution/)).toBeNull()
})
