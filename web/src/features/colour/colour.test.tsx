import { newCupColorant, referenceShelf, starterPlan } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { cleanup, fireEvent, screen, within } from '@testing-library/react'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { cupHex, setColourView } from '../../plan/colour-view.ts'
import { opened } from '../../plan/test/opened.tsx'
import { ColourPage } from './colour-page.tsx'

vi.mock('../../workers/colour.ts', () => ({
  wishAnswer: () => Promise.resolve(null),
  coloursOfPicture: () => Promise.resolve({ ok: false, sentence: 'none' }),
}))
// What the slider asks of a browser.
Object.assign(globalThis, {
  matchMedia: () => ({ matches: false }),
  ResizeObserver: class {
    observe() {}
    unobserve() {}
    disconnect() {}
  },
})

afterEach(() => {
  cleanup()
  setColourView({ stage: 'cured', gelled: null, sight: 'full' })
})

const start = starterPlan('Colours')
const show = (change: Partial<Plan> = {}) => opened({ ...start, ...change }, <ColourPage />)
const hexes = (name: string) =>
  screen.getAllByRole('img', { name: new RegExp(`^${name}, `) }).map(one => one.getAttribute('aria-label')!.slice(-7))

describe('what the colours become', () => {
  test('every cup has its colour at five moments; a plain cup is the base', () => {
    show()
    expect(hexes('Slate')).toHaveLength(5)
    expect(hexes('Bone')[3]).toBe(
      screen
        .getAllByRole('img', { name: /^Plain, cured/ })[0]!
        .getAttribute('aria-label')!
        .slice(-7),
    )
  })

  test('a dose moves the colour; undo brings it back', () => {
    const batch = show()
    const before = hexes('Slate')
    batch.edit({ kind: 'set-dose', cup: 'cup-1', colorant: 'charcoal', doseGPerKg: 6 })
    cleanup()
    const again = opened(batch.get().plan, <ColourPage />)
    expect(hexes('Slate')).not.toEqual(before)
    fireEvent.click(screen.getByRole('button', { name: /^0.5 times the dose/ }))
    expect(again.get().plan.cups[0]!.colorants[0]!.doseGPerKg).toBe(3)
  })

  test('a wish is kept with the plan and shown beside the forecast, and can be taken back', () => {
    const batch = show()
    fireEvent.change(screen.getByLabelText('Wished colour, cured'), { target: { value: '#405060' } })
    expect(batch.get().plan.cups[0]!.wish).toBe('#405060')
    expect(screen.getByText('wished for')).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'no wish' }))
    expect(batch.get().plan.cups[0]!.wish).toBeNull()
  })

  test('a plain bar of one’s own stands for the base', () => {
    const batch = show()
    const before = hexes('Bone')[3]
    fireEvent.click(screen.getByLabelText('I have a plain bar of this base'))
    fireEvent.change(screen.getByLabelText('Its colour'), { target: { value: '#d8c070' } })
    expect(batch.get().plan.colour.baseHex).toBe('#d8c070')
    expect(hexes('Bone')[3]).not.toBe(before)
  })

  test('cups that come out alike are pointed out', () => {
    const white = newCupColorant(
      referenceShelf().colorants.find(one => one.id === 'titanium-white')!,
      4,
    )
    const cups = start.cups.map((cup, i) =>
      i === 0 ? cup : { ...cup, colorants: [{ ...white, doseGPerKg: 4 + i * 0.3 }] },
    )
    show({ cups })
    expect(screen.getByText(/^Oat and Bone look much the same cured|Oat and Bone look much the same/)).toBeTruthy()
  })

  test('a ladder replaces its cup by its steps, in one step of undo', () => {
    const batch = show()
    fireEvent.click(screen.getByRole('button', { name: /^Ladder of tints/ }))
    const dialog = within(screen.getByRole('dialog'))
    fireEvent.change(dialog.getByLabelText('Steps'), { target: { value: '3' } })
    expect(dialog.getAllByRole('listitem')).toHaveLength(3)
    fireEvent.change(dialog.getByLabelText('White in the palest step'), { target: { value: '0' } })
    fireEvent.blur(dialog.getByLabelText('White in the palest step'))
    expect(dialog.getByText(/White is from above 0/)).toBeTruthy()
    fireEvent.click(dialog.getByRole('button', { name: 'Make the ladder' }))
    expect(batch.get().plan.ladders[0]!.cups).toHaveLength(3)
    batch.undo()
    expect(batch.get().plan.ladders).toEqual([])
  })
})

describe('the view', () => {
  test('is of an age and gel, falls back on the wish, and passes through other eyes', () => {
    const view = { stage: 'pour' as const, gelled: null, sight: 'full' as const }
    const wished = { ...start, cups: [{ ...start.cups[0]!, wish: '#aa3322' }] }
    expect(cupHex(wished, null, view, 'cup-1')).toBe('#aa3322')
    expect(cupHex(wished, null, { ...view, sight: 'deutan' }, 'cup-1')).not.toBe('#aa3322')
  })
})
