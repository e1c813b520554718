import { cutForecast, starterPlan, say } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { act, cleanup, fireEvent, screen, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
import { AdditivesTable } from './additives-table.tsx'
import { BatterPage } from './batter-page.tsx'
import { LiquidsTable } from './liquids-table.tsx'
import { LyeFields } from './lye-fields.tsx'
import { OilsTable } from './oils-table.tsx'
import { ScentSection } from './scent-section.tsx'
import { SizeFields } from './size-fields.tsx'
import { addFrom } from '../../plan/test/adding.ts'

afterEach(cleanup)
beforeEach(() => localStorage.clear())

const plan = starterPlan('Trial')
const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label)
const type = (label: string, text: string) => {
  fireEvent.change(field(label), { target: { value: text } })
  fireEvent.blur(field(label))
}
const choose = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } })
const sum = (numbers: number[]) => numbers.reduce((a, b) => a + b, 0)
const share = (of: Plan, oil: string) => of.recipe.oils.find(part => part.oil === oil)!.share

describe('oils by weight', () => {
  test('while the others make up for it, the batch stays as large', () => {
    const batch = opened(plan, <OilsTable />)
    const before = batch.get()
    type('Weight of Castor oil', '72')
    const { plan: after } = batch.get()
    expect(after.mould.fillMm).toBe(before.plan.mould.fillMm)
    expect(sum(after.recipe.oils.map(part => part.share))).toBeCloseTo(1, 5)
    expect(share(after, 'castor')).toBeGreaterThan(0.09)
  })

  test('otherwise the other oils keep their weights and the batch grows', () => {
    const batch = opened(plan, <OilsTable />)
    fireEvent.click(screen.getByLabelText('the others make up for a change'))
    const weights = () => {
      const { result } = batch.get()
      return result.ok ? Object.fromEntries(result.forecast.portions.oils.map(part => [part.oil, part.massG])) : {}
    }
    const before = weights()
    type('Weight of Castor oil', '70 g')
    const after = weights()
    expect(after['castor']).toBe(70)
    expect(Math.abs(after['olive']! - before['olive']!)).toBeLessThanOrEqual(1)
    expect(batch.get().plan.mould.fillMm).toBeGreaterThan(plan.mould.fillMm)
    act(() => batch.undo())
    expect(weights()).toEqual(before)
  })

  test('a weight in spoons goes by the oil’s own density; more than the mould holds is said', () => {
    const batch = opened(plan, <OilsTable />)
    type('Weight of Castor oil', '3 tbsp')
    const { result } = batch.get()
    // 45 ml of castor oil at 0.96 g/ml.
    expect(result.ok && result.forecast.portions.oils.find(part => part.oil === 'castor')!.massG).toBeCloseTo(43, 0)
    fireEvent.click(screen.getByLabelText('the others make up for a change'))
    type('Weight of Castor oil', '2 kg')
    expect(screen.getByText(/mm high in a mould of 70 mm/)).toBeTruthy()
    expect(field('Weight of Castor oil').value).toBe('2 kg')
  })

  test('an infusion says how much to steep', () => {
    const batch = opened(plan, <OilsTable />)
    fireEvent.click(screen.getByLabelText('Steep a plant in Olive oil, refined'))
    expect(batch.get().plan.recipe.oils[0]!.infusion).toMatchObject({ plant: 'calendula' })
    expect(screen.getByText(/^Steep \d+ g in \d+ g of oil/)).toBeTruthy()
    type('Make so many times the need', '9')
    expect(screen.getByText(/Make 1 to 3 times/)).toBeTruthy()
  })
})

describe('water', () => {
  test('typed on any basis, that one is kept and the others follow', () => {
    const batch = opened(plan, <LyeFields />)
    type('Water, of the oils', '38')
    expect(batch.get().plan.recipe.water).toMatchObject({ basis: 'share', value: 0.38 })
    expect(Number(field('Water discount').value)).toBeCloseTo(0, 6)
    type('Water discount', '10')
    expect(Number(field('Water, of the oils').value)).toBeCloseTo(34.2, 1)
    expect(field('from full water, of the oils').value).toBe('38')
    const concentration = Number(field('Lye concentration').value)
    expect(Number(field('Water to lye').value)).toBeCloseTo((100 - concentration) / concentration, 2)
  })
})

describe('liquids and additives', () => {
  test('a second liquid takes what the first leaves; together at most all water', () => {
    const batch = opened(plan, <LiquidsTable />)
    addFrom('Add milk, juice or tea', 'goat-milk')
    type('Goat milk, whole, share of the water', '70')
    addFrom('Add milk, juice or tea', 'tea-black')
    expect(batch.get().plan.recipe.liquids.map(part => part.shareOfWater)).toEqual([0.7, 0.3])
    type('Black tea, cooled, share of the water', '40')
    expect(screen.getByText(/together stand for 110 % of the water/)).toBeTruthy()
    fireEvent.click(screen.getByLabelText('Remove Goat milk, whole'))
    expect(batch.get().plan.recipe.liquids).toHaveLength(1)
  })

  test('an additive starts at its usual dose, told in spoons too', () => {
    const batch = opened(plan, <AdditivesTable />)
    addFrom('Add an additive', 'sugar')
    expect(batch.get().plan.recipe.additives).toMatchObject([{ additive: 'sugar', gPerKgOils: 13, moment: 'lye' }])
    expect(screen.getByText(/^about [\d.]+ tsp$/)).toBeTruthy()
    choose('Sugar (sucrose) goes', 'trace')
    expect(batch.get().plan.recipe.additives[0]!.moment).toBe('trace')
  })
})

describe('scent', () => {
  const blend: Plan = {
    ...plan,
    scent: {
      parts: [
        { scent: 'eo-lavender', share: 0.7 },
        { scent: 'eo-clove-bud', share: 0.3 },
      ],
      load: 0.02,
      basis: 'oils',
      moment: 'pot',
      how: 'hand',
      spread: 'cup',
      stabiliserRatio: 0,
      isPrivate: false,
    },
  }

  test('by the batter it is the same scent under another number', () => {
    const batch = opened(blend, <ScentSection />)
    const grams = () => {
      const { result } = batch.get()
      return result.ok ? result.forecast.portions.scentG : 0
    }
    const before = grams()
    choose('Load is measured by', 'batter')
    expect(batch.get().plan.scent).toMatchObject({ basis: 'batter' })
    expect(batch.get().plan.scent!.load).toBeLessThan(0.015)
    expect(grams()).toBeCloseTo(before, 0)
  })

  test('grams of one part leave the others as they are', () => {
    const batch = opened(blend, <ScentSection />)
    const weights = () => {
      const { result } = batch.get()
      return result.ok ? result.forecast.portions.scents.map(part => part.massG) : []
    }
    const [lavender] = weights()
    type('Clove bud (essential oil), weight', '2 g')
    expect(weights()[0]).toBeCloseTo(lavender!, 0)
    expect(weights()[1]).toBeCloseTo(2, 0)
  })

  test('over its limit, the blend is made as strong as allowed or mixed anew', () => {
    const batch = opened(blend, <ScentSection />)
    expect(screen.getByText('▲ Clove bud (essential oil) is above its limit.')).toBeTruthy()
    fireEvent.click(screen.getByText('Keep this load, change the ratio'))
    expect(screen.queryByText(/is above its limit/)).toBeNull()
    expect(batch.get().plan.scent!.load).toBe(0.02)
    act(() => batch.undo())
    fireEvent.click(screen.getByText('As strong as allowed, keep this ratio'))
    expect(batch.get().plan.scent!.parts).toEqual(blend.scent!.parts)
    expect(batch.get().plan.scent!.load).toBeCloseTo(0.0125, 6)
  })

  test('the last part stays until there is to be no scent', () => {
    const batch = opened(blend, <ScentSection />)
    fireEvent.click(screen.getByLabelText('Remove Clove bud (essential oil)'))
    expect(screen.queryByLabelText('Remove Lavender (essential oil)')).toBeNull()
    fireEvent.click(screen.getByText('No scent'))
    expect(batch.get().plan.scent).toBeNull()
  })
})

describe('size', () => {
  const wish = (label: string, text: string) => fireEvent.change(field(label), { target: { value: text } })
  const resize = () => fireEvent.click(screen.getByText('Resize'))

  test('by oils, by bars, and as far as one thing goes', () => {
    const batch = opened(plan, <SizeFields />)
    const portions = () => {
      const { result } = batch.get()
      if (!result.ok) throw new Error(say(result.sentence))
      return result.forecast.portions
    }
    wish('Amount', '600 g')
    resize()
    expect(Math.abs(portions().oilG - 600)).toBeLessThanOrEqual(2)
    choose('Make', 'bars')
    wish('Bars', '8')
    wish('Each, fresh', '4 oz')
    resize()
    const cut = cutForecast(batch.get().plan)
    expect(cut.bars.count).toBe(8)
    expect(cut.bars.massG).toBeCloseTo(4 * 28.3495, 1)
    expect(portions().potG).toBeGreaterThan(907)
    choose('Make', 'ingredient')
    choose('Of', 'coconut')
    wish('There is', '100 g')
    resize()
    expect(portions().oils.find(part => part.oil === 'coconut')!.massG).toBe(100)
  })

  test.each([
    ['a lot', /is not a number/],
    ['', /Nothing is typed/],
    ['9 kg', /No mould on the shelf holds it|would hold it/],
  ])('“%s” gets a sentence and changes nothing', (text, sentence) => {
    const batch = opened(plan, <SizeFields />)
    wish('Amount', text)
    resize()
    expect(within(document.body).getByText(sentence)).toBeTruthy()
    expect(batch.get().plan.mould.fillMm).toBe(plan.mould.fillMm)
  })
})

test('who makes it is kept with the batch', () => {
  const batch = opened(starterPlan('Whose'), <BatterPage />)
  fireEvent.change(screen.getByLabelText('Made by'), { target: { value: 'Tuesday shift' } })
  expect(batch.get().plan.madeBy).toBe('Tuesday shift')
  fireEvent.change(screen.getByLabelText('Made by'), { target: { value: 'x'.repeat(81) } })
  expect(screen.getByRole('alert').textContent).toBe('Whoever makes it has a name of at most 80 letters.')
  expect(batch.get().plan.madeBy).toBe('Tuesday shift')
})
