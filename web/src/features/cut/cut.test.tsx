import { starterPlan } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { cleanup, fireEvent, screen, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
import { CutPage } from './cut-page.tsx'

class Sized {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
beforeEach(() => vi.stubGlobal('ResizeObserver', Sized))
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const start = starterPlan('Cut')
const type = (label: string, value: string) => {
  const field = screen.getByLabelText(label)
  fireEvent.change(field, { target: { value } })
  fireEvent.blur(field)
}
const heading = () => screen.getByRole('heading', { level: 1 }).textContent
const grams = (text: string | null) => Number(/([\d.]+) g/.exec(text ?? '')![1])

describe('the cut', () => {
  test('bars by thickness or by weight; the drawing and the sentence follow', () => {
    const batch = opened(start, <CutPage />)
    type('A bar is thick', '31 mm')
    expect(batch.get().plan.cutting.barMm).toBe(31)
    expect(screen.getByRole('img', { name: /bars, 31 mm thick/ })).toBeTruthy()
    const before = grams(heading())
    type('or weighs, fresh', '100')
    expect(grams(heading())).toBe(100)
    expect(batch.get().plan.cutting.barMm).toBeCloseTo((31 * 100) / before, 0)
  })

  test('what becomes of the soap adds up, to the gram', () => {
    const cut = { waitH: 4, sideTrimMm: 2, topTrimMm: 3, sampleMm: 6 }
    opened({ ...start, cutting: { ...start.cutting, trimMm: 15, rows: 2 }, rest: { ...start.rest, cut } }, <CutPage />)
    const rows = within(screen.getByRole('region', { name: 'What becomes of the soap' })).getAllByRole('row')
    const masses = rows.map(row => grams(within(row).getAllByRole('cell')[1]!.textContent))
    expect(masses.length).toBeGreaterThan(4)
    expect(Math.abs(masses.slice(0, -1).reduce((a, b) => a + b, 0) - masses.at(-1)!)).toBeLessThanOrEqual(masses.length)
    const steps = screen.getByRole('region', { name: 'With the blade' }).textContent
    expect(steps).toMatch(/4 h before the cut.*3 mm off the top.*2 loaves.*samples of 6 mm/)
  })

  test('what cannot be is told beside its field and nothing changes', () => {
    const batch = opened(start, <CutPage />)
    type('Planed off the top', '60')
    expect(screen.getByText('From 0 to 30 mm are planed off the top.')).toBeTruthy()
    expect(batch.get().plan.rest.cut.topTrimMm).toBe(0)
  })

  test('bars that are too thick leave none, and it says what would do', () => {
    const mould = { ...start.mould, innerLengthMm: 100 }
    opened({ ...start, mould, cutting: { ...start.cutting, barMm: 90, trimMm: 40 } }, <CutPage />)
    expect(heading()).toBe('No bar fits: make bars thinner, or trim less.')
  })

  test('cavities are bars already', () => {
    const tray: Plan = { ...start, mould: { ...start.mould, cavities: 9, innerLengthMm: 80, innerWidthMm: 55 } }
    opened(tray, <CutPage />)
    expect(heading()).toMatch(/^9 bars of/)
    expect(screen.getByText(/nothing to cut/)).toBeTruthy()
    expect(screen.getByRole('img', { name: '9 cavities' })).toBeTruthy()
  })
})

describe('the cure', () => {
  test('a wish for a day gives the last day to make them, and both days are kept with the batch', () => {
    const batch = opened(start, <CutPage />)
    const cure = screen.getByRole('region', { name: 'Cure' })
    expect(cure.textContent).toMatch(/a bar, fresh\d+ g/)
    const days = Number(/ready after(\d+) days/.exec(cure.textContent)![1])
    fireEvent.change(screen.getByLabelText('Wanted for'), { target: { value: '2099-12-20' } })
    const last = new Date(2099, 11, 20 - days)
    expect(cure.textContent).toContain(`Last making day ${last.toLocaleDateString('en-GB', { weekday: 'short' })}`)
    fireEvent.change(screen.getByLabelText('Made on'), { target: { value: '2099-03-02' } })
    expect(batch.get().plan.rest).toMatchObject({ wantedOn: '2099-12-20', pouredAt: '2099-03-02T12:00' })
    const ready = new Date(2099, 2, 2 + days)
    expect(cure.textContent).toContain(`ready on ${ready.toLocaleDateString('en-GB', { weekday: 'short' })}`)
  })

  test('a day that has passed is told; a day that is taken away asks for one', () => {
    opened(start, <CutPage />)
    fireEvent.change(screen.getByLabelText('Wanted for'), { target: { value: '2020-01-05' } })
    expect(screen.getByText(/Last making day was/)).toBeTruthy()
    fireEvent.change(screen.getByLabelText('Made on'), { target: { value: '' } })
    expect(screen.getByText('Say on which day.')).toBeTruthy()
  })

  test('a weigh-in bends the curve and can be taken back', () => {
    const batch = opened(start, <CutPage />)
    const before = screen.getByText('cured, about').parentElement!.textContent
    fireEvent.change(screen.getByLabelText('Days after the pour'), { target: { value: '21' } })
    fireEvent.click(screen.getByRole('button', { name: 'Note it' }))
    expect(batch.get().plan.rest.weighIns).toMatchObject([{ day: 21 }])
    expect(screen.getByText('cured, about').parentElement!.textContent).not.toBe(before)
    fireEvent.click(screen.getByRole('button', { name: 'Remove weigh-in 1' }))
    expect(batch.get().plan.rest.weighIns).toEqual([])
    expect(screen.getByText('cured, about').parentElement!.textContent).toBe(before)
  })
})
