import { readPlan, referenceShelf, starterPlan } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { cleanup, screen, within } from '@testing-library/react'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
import { SheetPage } from './sheet-page.tsx'

// Pictures are drawn elsewhere: here nothing comes of them.
vi.mock('../../workers/faces.ts', () => ({ drawFace: () => new Promise(() => undefined) }))

afterEach(cleanup)

const shelf = referenceShelf()
const start = starterPlan('On paper')
const grams = (text: string): number => Number(/([\d.]+) g/.exec(text)![1])
const weighed = (name: RegExp): number => {
  const row = screen.getAllByRole('row').find(one => name.test(one.textContent ?? ''))!
  return grams(row.querySelectorAll('td')[2]!.textContent)
}

describe('the sheet on paper', () => {
  test.each([
    [0.05, 1],
    [0.03, 0.97],
    [0.2, 0.9],
  ])('has the lye of its own oils, never more: superfat %d of lye that is %d pure', (superfatShare, lyePurityShare) => {
    opened({ ...start, recipe: { ...start.recipe, superfatShare, lyePurityShare } }, <SheetPage />)
    // From the printed oils alone: mg KOH/g of each, molar masses of NaOH and KOH, nothing of the application's own.
    const needG = start.recipe.oils.reduce((sum, { oil }) => {
      const { name, sapKohMgPerG } = shelf.oils.find(({ id }) => id === oil)!
      return sum + (weighed(new RegExp(`^${name.replace(/[()]/g, '\\$&')}`)) * sapKohMgPerG) / 1000
    }, 0)
    const naoh = (needG * (39.997 / 56.1056) * (1 - superfatShare)) / lyePurityShare
    const printed = weighed(/^Lye \(NaOH\)/)
    // Oils are printed to the gram, lye to a tenth, downwards.
    expect(printed).toBeLessThanOrEqual(naoh + 0.2)
    expect(printed).toBeGreaterThan(naoh - 0.5)
  })

  test('puts safety before weighing, weighing before cups and pours, every cup with its name', () => {
    opened(start, <SheetPage />)
    const heads = screen.getAllByRole('heading', { level: 2 }).map(one => one.textContent)
    const at = (word: RegExp) => heads.findIndex(head => word.test(head))
    expect(at(/Safety/)).toBe(0)
    expect(at(/Weigh/)).toBeGreaterThan(at(/Safety/))
    expect(at(/[Pp]our/)).toBeGreaterThan(at(/Weigh/))
    const sheet = within(screen.getByRole('article'))
    for (const { name } of start.cups) expect(sheet.getAllByText(new RegExp(name)).length).toBeGreaterThan(0)
  })

  test('a trial and no superfat at all are warned of at the head', () => {
    const lean: Plan = { ...start, isTrial: true, recipe: { ...start.recipe, superfatShare: 0 } }
    expect(readPlan(lean).ok).toBe(true)
    opened(lean, <SheetPage />)
    const warned = screen.getByRole('list', { name: 'Before this sheet is followed' })
    expect(warned.textContent).toContain('A trial: not for skin, not for sale.')
    expect(within(warned).getAllByRole('listitem').length).toBeGreaterThan(1)
  })

  test('goes out as a PDF of this batch, and as the plan that is open', () => {
    opened(start, <SheetPage />)
    expect(screen.getByRole('link', { name: 'As PDF' }).getAttribute('href')).toContain('/sheet.pdf?')
    expect(screen.getByRole('button', { name: 'Export the plan' })).toBeTruthy()
  })
})
