import { findById, referenceShelf, starterPlan } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { fireEvent, screen } from '@testing-library/react'
import { beforeEach, describe, expect, test } from 'vitest'
import { addFrom } from '../../plan/test/adding.ts'
import { opened } from '../../plan/test/opened.tsx'
import { AdditivesTable } from './additives-table.tsx'
import { LiquidsTable } from './liquids-table.tsx'
import { OilsTable } from './oils-table.tsx'

beforeEach(() => localStorage.clear())

const shelf = referenceShelf()
const start = starterPlan('Batter')
const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label)
const type = (label: string, text: string) => {
  fireEvent.change(field(label), { target: { value: text } })
  fireEvent.blur(field(label))
}
const choose = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } })
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }))
const oilName = (id: string) => findById(shelf.oils, id)!.name
const [first, second, third] = start.recipe.oils.map(part => part.oil) as [string, string, string]
const share = (plan: Plan, oil: string) => plan.recipe.oils.find(part => part.oil === oil)!.share

describe('oils', () => {
  test('a locked one stays as the others make up for a change', () => {
    const batch = opened(start, <OilsTable />)
    const before = share(batch.get().plan, second)
    press(`Lock ${oilName(second)}`)
    expect(screen.getByRole('button', { name: `Lock ${oilName(second)}` }).getAttribute('aria-pressed')).toBe('true')
    type(`Share of ${oilName(first)}`, '50')
    const { plan } = batch.get()
    expect(share(plan, second)).toBe(before)
    expect(plan.recipe.oils.reduce((sum, part) => sum + part.share, 0)).toBeCloseTo(1, 6)
    press(`Lock ${oilName(second)}`)
    type(`Share of ${oilName(first)}`, '30')
    expect(share(batch.get().plan, second)).not.toBe(before)
  })

  test('one that is steeped says with what, and is plain again with one press', () => {
    const batch = opened(start, <OilsTable />)
    const infusion = () => batch.get().plan.recipe.oils.find(part => part.oil === third)!.infusion
    press(`Steep a plant in ${oilName(third)}`)
    expect(infusion()).toMatchObject({ plant: 'calendula', way: 'warm', twice: false })
    type('g of plant per g of oil', '0.2')
    fireEvent.click(screen.getByLabelText('strained and steeped twice'))
    expect(infusion()).toMatchObject({ plantPerOil: 0.2, twice: true })
    press(`Steep a plant in ${oilName(third)}`)
    expect(infusion()).toBeNull()
  })

  test('one is kept back for light trace; the last one cannot be taken away', () => {
    const batch = opened(
      { ...start, recipe: { ...start.recipe, oils: [{ ...start.recipe.oils[0]!, share: 1 }] } },
      <OilsTable />,
    )
    fireEvent.click(screen.getByLabelText(`Keep ${oilName(first)} back for light trace`))
    expect(batch.get().plan.recipe.oils[0]!.late).toBe(true)
    expect(screen.getByRole('button', { name: `Remove ${oilName(first)}` }).hasAttribute('disabled')).toBe(true)
  })

  test('without making up the sum is off, and the rest is made to fit', () => {
    const batch = opened(start, <OilsTable />)
    fireEvent.click(screen.getByLabelText('the others make up for a change'))
    type(`Share of ${oilName(first)}`, '70')
    expect(screen.getByText(/in all$/).className).toContain('text-rust')
    press('Make the rest fit')
    expect(batch.get().plan.recipe.oils.reduce((sum, part) => sum + part.share, 0)).toBeCloseTo(1, 6)
    expect(screen.queryByRole('button', { name: 'Make the rest fit' })).toBeNull()
  })

  test('each says what it takes of the lye: by its printed weight and value, nothing else', () => {
    opened(start, <OilsTable />)
    for (const { oil } of start.recipe.oils) {
      const { name, sapKohMgPerG } = findById(shelf.oils, oil)!
      const row = screen.getByLabelText(`Weight of ${name}`).closest('tr')!
      const massG = Number(field(`Weight of ${name}`).value)
      const lye = Number(/([\d.]+) g/.exec(row.querySelectorAll('td')[3]!.textContent)![1])
      expect(Math.abs(lye - (massG * sapKohMgPerG * 39.997) / 56.1056 / 1000)).toBeLessThan(0.2)
    }
  })
})

describe('additives', () => {
  const additives = (batch: ReturnType<typeof opened>) => batch.get().plan.recipe.additives
  const acid = shelf.additives.find(one => one.acidLyePerG > 0)!
  const plain = shelf.additives.find(one => one.acidLyePerG + one.fatLyePerG === 0 && one.teaspoonG > 0)!

  test('what takes lye says how much, and its lye can be left away; what takes none has no choice', () => {
    const batch = opened(start, <AdditivesTable />)
    addFrom('Add an additive', acid.id)
    addFrom('Add an additive', plain.id)
    expect(screen.getByText(/takes [\d.]+ g of NaOH per g/)).toBeTruthy()
    const lye = screen.getByLabelText<HTMLInputElement>(`Add lye for ${acid.name}`)
    expect(lye.checked).toBe(true)
    expect(screen.queryByLabelText(`Add lye for ${plain.name}`)).toBeNull()
    const weighed = () => {
      const { result } = batch.get()
      return result.ok ? result.forecast.portions.lyeG : 0
    }
    const withLye = weighed()
    fireEvent.click(lye)
    expect(additives(batch)[0]!.addLye).toBe(false)
    expect(weighed()).toBeLessThan(withLye)
  })

  test('a weight or spoons for the whole batch become grams per kilogram of oils', () => {
    const batch = opened(start, <AdditivesTable />)
    addFrom('Add an additive', plain.id)
    const label = `${plain.name}, g per kg of oils`
    const { result } = batch.get()
    const oilG = result.ok ? result.forecast.portions.oilG : 0
    type(label, '12 g')
    expect(additives(batch)[0]!.gPerKgOils).toBeCloseTo((12 / oilG) * 1000, 2)
    type(label, '2 tsp')
    expect(additives(batch)[0]!.gPerKgOils).toBeCloseTo(((2 * plain.teaspoonG) / oilG) * 1000, 0)
    type(label, 'a pinch')
    expect(screen.getByRole('alert').textContent).not.toBe('')
    expect(field(label).value).toBe('a pinch')
  })

  test('when it goes in is chosen; taken away it is offered again', () => {
    const batch = opened(start, <AdditivesTable />)
    addFrom('Add an additive', plain.id)
    choose(`${plain.name} goes`, 'trace')
    expect(additives(batch)[0]!.moment).toBe('trace')
    press(`Remove ${plain.name}`)
    expect(additives(batch)).toEqual([])
    addFrom('Add an additive', plain.id)
    expect(additives(batch)).toHaveLength(1)
  })
})

describe('liquids', () => {
  const milk = shelf.liquids.find(one => one.fatShare > 0.02 && one.mostShareOfWater >= 0.5)!

  test('one says its fat and sugar; by what it counts and when it goes in are chosen', () => {
    const batch = opened(start, <LiquidsTable />)
    addFrom('Add milk, juice or tea', milk.id)
    expect(screen.getByText(/% fat, .*sugar\./)).toBeTruthy()
    choose(`${milk.name} counts by`, 'weight')
    choose(`${milk.name} goes in`, 'trace')
    fireEvent.click(screen.getByLabelText(`Add lye for the fat of ${milk.name}`))
    expect(batch.get().plan.recipe.liquids).toMatchObject([
      { liquid: milk.id, measure: 'weight', moment: 'trace', countFat: false },
    ])
    press(`Remove ${milk.name}`)
    expect(batch.get().plan.recipe.liquids).toEqual([])
  })

  test('all water is accounted for: plain, and in what was put in its place', () => {
    opened(start, <LiquidsTable />)
    expect(screen.getByText(/All of the water is plain water/)).toBeTruthy()
    addFrom('Add milk, juice or tea', milk.id)
    const text = screen.getByText(/^All water/).textContent
    const [all, plain, brought] = [...text.matchAll(/([\d.]+) g/g)].map(found => Number(found[1]))
    expect(Math.abs(all! - plain! - brought!)).toBeLessThanOrEqual(1)
    expect(brought).toBeGreaterThan(0)
  })
})
