import { applyEdit, cupShares, plannedScent, starterPlan, say } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { cleanup, fireEvent, screen, within } from '@testing-library/react'
import { afterEach, describe, expect, test } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
import { CupsPage } from './cups-page.tsx'
import { addFrom } from '../../plan/test/adding.ts'

afterEach(cleanup)
Object.assign(globalThis, { matchMedia: () => ({ matches: false }) })

const scented: Plan = { ...starterPlan('Cups'), scent: plannedScent([{ scent: 'ninefold-custard', share: 1 }], 0.02) }
const show = (change: Partial<Plan> = {}) => opened({ ...scented, ...change }, <CupsPage />)
const field = (label: string | RegExp) => screen.getByLabelText<HTMLInputElement>(label)
const set = (label: string | RegExp, text: string) => {
  fireEvent.change(field(label), { target: { value: text } })
  fireEvent.blur(field(label))
}
const choose = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } })

describe('the division', () => {
  test('is stated in heights, shares, weights or volumes of the same cups', () => {
    show()
    expect(field('Size of Slate').value).toBe('24')
    choose('Cups are sized by', 'share')
    expect(field('Size of Slate').value).toBe('40')
    choose('Cups are sized by', 'volume')
    expect(field('Size of Slate').value).toBe('414')
    choose('Cups are sized by', 'mass')
    expect(field('Size of Slate').value).toBe('426.4')
  })

  test('the others make up for a cup, or one of them does; what cannot be is told beside the field', () => {
    const batch = show()
    choose('Cups are sized by', 'share')
    set('Size of Slate', '52')
    expect(cupShares(batch.get().plan).map(share => Math.round(share * 100))).toEqual([52, 24, 24])
    choose('When one changes', 'one')
    choose('Which one', 'cup-2')
    set('Size of Slate', '40')
    expect(cupShares(batch.get().plan).map(share => Math.round(share * 100))).toEqual([40, 36, 24])
    set('Size of Slate', '99')
    expect(screen.getByText(/A cup can have from above 0 to/)).toBeTruthy()
    expect(field('Size of Slate').value).toBe('99')
  })

  test('pot, cups and what clings are said to add up', () => {
    show({ reserves: [{ id: 'reserve-1', use: 'blank', cup: '', massG: 25 }] })
    const text = screen.getByText(/in the pot =/).parentElement!.textContent
    const [pot, cups, plain, clings] = [...text.matchAll(/([\d.]+) g/g)].map(found => Number(found[1]))
    expect(cups! + plain! + clings!).toBeCloseTo(pot!, 1)
  })
})

describe('a cup', () => {
  test('gets colorants with doses by batter, by oils or in spoons', () => {
    const batch = show()
    const rows = () => batch.get().plan.cups[0]!.colorants
    const charcoal = within(screen.getByRole('group', { name: /charcoal/i }))
    const dose = () => charcoal.getByLabelText<HTMLInputElement>('Dose')
    fireEvent.change(dose(), { target: { value: '3' } })
    expect(rows()[0]!.doseGPerKg).toBe(3)
    fireEvent.change(charcoal.getByLabelText('Measured by'), { target: { value: 'oils' } })
    expect(rows()[0]!.basis).toBe('oils')
    expect(rows()[0]!.doseGPerKg).toBeGreaterThan(4)
    fireEvent.change(dose(), { target: { value: '1 tsp' } })
    expect(rows()[0]!.doseGPerKg).not.toBe(3)
    addFrom('Add a colorant', 'titanium-white')
    expect(rows().map(part => part.colorant)).toEqual(['charcoal', 'titanium-white'])
    fireEvent.click(screen.getByLabelText(/^Remove Titanium/))
    expect(rows()).toHaveLength(1)
  })

  test('a dose above what the shelf calls usual is warned of, one above all sense refused', () => {
    const batch = show()
    const dose = within(screen.getByRole('group', { name: /charcoal/i })).getByLabelText('Dose')
    fireEvent.change(dose, { target: { value: '40' } })
    expect(screen.getByText(/in Slate is above/)).toBeTruthy()
    fireEvent.change(dose, { target: { value: '500' } })
    fireEvent.blur(dose)
    expect(screen.getByText(/A dose is from 0 to 300 g per kg/)).toBeTruthy()
    expect(batch.get().plan.cups[0]!.colorants[0]!.doseGPerKg).toBe(40)
  })

  test('has the batch’s scent, none, or one of its own with its limit', () => {
    const batch = show()
    const cup = () => batch.get().plan.cups[0]!
    choose('Scent of this cup', 'none')
    expect(cup().scented).toBe(false)
    choose('Scent of this cup', 'own')
    expect(cup().ownScent!.parts).toHaveLength(1)
    set(/^Load, of the oils/, '9')
    expect(screen.getByText(/of this cup’s oils; .* allows/).textContent).toContain('▲')
    choose('Scent of this cup', 'batch')
    expect(cup()).toMatchObject({ scented: true, ownScent: null })
  })

  test('a vessel that is too small is told', () => {
    show()
    choose('Vessel', 'cup-pp-250')
    expect(screen.getByText(/works up to \d+ ml\. Take a larger one/)).toBeTruthy()
  })

  test('what clings can be left to the batter or typed', () => {
    const batch = show()
    fireEvent.click(screen.getByLabelText('clings as batter of this kind does'))
    set('Clings to it', '7.5')
    expect(batch.get().plan.cups[0]!.clingG).toBe(7.5)
    fireEvent.click(screen.getByLabelText('clings as batter of this kind does'))
    expect(batch.get().plan.cups[0]!.clingG).toBeNull()
  })
})

describe('beside the cups', () => {
  test('portions are kept back, by pieces if they are piped', () => {
    const batch = show()
    fireEvent.click(screen.getByRole('button', { name: 'for piping' }))
    set('Pieces to pipe', '12')
    set('Weight of a piece, g', '9')
    fireEvent.click(screen.getByRole('button', { name: 'take 124.2 g' }))
    expect(batch.get().plan.reserves[0]).toMatchObject({ use: 'piping', massG: 124.2 })
    fireEvent.click(screen.getByLabelText('Remove portion 1'))
    expect(batch.get().plan.reserves).toEqual([])
  })

  test('a blank with one suspect is a cup of its own, all of it kept back', () => {
    const batch = show()
    addFrom('Add a blank with one suspect', 'scent')
    const { cups, reserves } = batch.get().plan
    expect(cups.at(-1)).toMatchObject({ name: 'Blank: Scent alone', scented: true, colorants: [] })
    expect(reserves).toMatchObject([{ cup: cups.at(-1)!.id, use: 'sample' }])
    expect(screen.getAllByText('Blank: Scent alone').length).toBeGreaterThan(0)
    batch.undo()
    expect(batch.get().plan.cups).toHaveLength(3)
    expect(batch.get().plan.reserves).toEqual([])
  })

  test('a second mould takes its part of every cup', () => {
    const batch = show()
    const before = batch.get().result
    const tray = batch.shelf.moulds.find(mould => mould.cavities > 1)!
    addFrom('Add a mould', tray.id)
    expect(screen.getAllByText(/each$/).length).toBe(3)
    const after = batch.get().result
    if (!before.ok || !after.ok) throw new Error('no forecast')
    expect(after.forecast.portions.potG).toBeGreaterThan(before.forecast.portions.potG)
    set(`How high ${tray.name} is filled`, '900')
    expect(screen.getByText(/The soap’s height is from 5 to 400 mm/)).toBeTruthy()
    fireEvent.click(screen.getByLabelText(`Remove ${tray.name}`))
    expect(batch.get().plan.moreMoulds).toEqual([])
  })

  test('colour of the whole pot, and liquid that is drawn from the recipe', () => {
    const batch = show()
    addFrom('Add a colorant to the pot', 'yellow-clay')
    choose('When yellow-clay goes in', 'oils')
    expect(batch.get().plan.potColorants).toEqual([expect.objectContaining({ moment: 'oils' })])
    choose('Where the liquid comes from', 'recipe')
    expect(screen.getByText(/say which of its oils/)).toBeTruthy()
    choose('Which oil', 'olive')
    expect(screen.queryByText(/say which of its oils/)).toBeNull()
    expect(screen.getByText(/The pot gets .* g less oil/)).toBeTruthy()
  })

  test('the scent’s stabiliser holds browning back', () => {
    const batch = show()
    const held = () => {
      const { result } = batch.get()
      return result.ok ? result.forecast.colours.cups[2]!.browning!.held : 0
    }
    expect(held()).toBe(0)
    set('Vanilla stabiliser, g per g', '1')
    expect(held()).toBeGreaterThan(0.2)
    choose('Its load holds for', 'batch')
    expect(batch.get().plan.scent!.spread).toBe('batch')
  })

  test('a cup enlarged after colouring asks for its top-up', () => {
    show()
    fireEvent.click(screen.getByLabelText('write down what the cups really hold'))
    const planned = Number(field('Slate really holds').value)
    set('Slate really holds', String(planned + 100))
    fireEvent.click(screen.getAllByLabelText('enlarged after colouring')[0]!)
    set('What Slate held when it was coloured', String(planned))
    expect(screen.getByText(/^Add .* g Activated charcoal and .* g scent\.$/)).toBeTruthy()
    const topUp = () => Number(/Add ([\d.]+) g Activated/.exec(document.body.textContent ?? '')![1])
    const before = topUp()
    const powder = Number(field('Activated charcoal that is in Slate already').value)
    set('Activated charcoal that is in Slate already', String(powder / 2))
    expect(topUp()).toBeCloseTo(before / 2, 1)
    set('Activated charcoal that is in Slate already', '-1')
    expect(screen.getByText('Powder in a cup is from 0 g to 2 kg.')).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'Clear' }))
    expect(screen.queryByText(/^Add .* scent/)).toBeNull()
  })
})

test('a removed cup takes its layers, reserves and place in a ladder along', () => {
  const made = applyEdit(scented, {
    kind: 'set',
    path: ['reserves'],
    value: [{ id: 'reserve-1', use: 'top', cup: 'cup-1', massG: 30 }],
  })
  if (!made.ok) throw new Error(say(made.sentence))
  const batch = opened(made.plan, <CupsPage />)
  fireEvent.click(screen.getByLabelText('Remove Slate'))
  const { plan } = batch.get()
  expect([plan.cups.length, plan.score.length, plan.reserves.length]).toEqual([2, 2, 0])
})
