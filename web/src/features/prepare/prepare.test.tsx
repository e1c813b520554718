import { starterPlan } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, describe, expect, test } from 'vitest'
import { opened, openedWithRun } from '../../plan/test/opened.tsx'
import { PreparePage } from './prepare-page.tsx'

afterEach(cleanup)

const plan = starterPlan('Trial')
const show = (change: Partial<Plan> = {}) => opened({ ...plan, ...change }, <PreparePage />)
const set = (label: string, text: string) => {
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } })
  fireEvent.blur(screen.getByLabelText(label))
}

describe('preparation', () => {
  test('what is ticked stays ticked, in the run', () => {
    const { run } = openedWithRun(plan, <PreparePage />)
    const ticked = () => Object.keys(run.get().state.ticked)
    fireEvent.click(screen.getByLabelText(/^Goggles/))
    fireEvent.click(screen.getByLabelText(/Level on both axes/))
    expect(ticked()).toEqual(['tool:goggles', 'mould:level'])
    expect(screen.getByText(/\d+ to fetch/)).toBeTruthy()
    fireEvent.click(screen.getByLabelText(/^Goggles/))
    expect(ticked()).toEqual(['mould:level'])
  })

  test('with a time the run sheet has clock times, without one it counts back', () => {
    show()
    expect(screen.getByText('say when')).toBeTruthy()
    expect(screen.getAllByText(/before$/).length).toBeGreaterThan(3)
    cleanup()
    show({ heat: { ...plan.heat, startAt: '18:30' } })
    expect(screen.getAllByText(/^1\d:\d\d$/).length).toBeGreaterThan(5)
    expect(screen.queryByText('say when')).toBeNull()
  })

  test('a jug that does not stand lye is missing', () => {
    show({ heat: { ...plan.heat, lyeVessel: 'jug-glass-1000' } })
    expect(screen.getByText(/▲ lye jug is not on the shelf/)).toBeTruthy()
    expect(screen.getByText(/Glass can shatter/)).toBeTruthy()
  })

  test('the liner follows mould and overhang; an overhang that cannot be is told', () => {
    show({ mould: { ...plan.mould, lining: 'paper' } })
    expect(
      screen.getByRole('img', { name: /A, along the mould: 430 mm × 75 mm; B, across the mould: 275 mm × 230 mm/ }),
    ).toBeTruthy()
    set('Liner stands over by', '50')
    expect(screen.getByRole('img', { name: /470 mm × 75 mm/ })).toBeTruthy()
    set('Liner stands over by', '500')
    expect(screen.getByText(/stands over by 0 to 300 mm/)).toBeTruthy()
    set('Roll is wide', '200')
    expect(screen.getByText(/wider than the roll/)).toBeTruthy()
  })

  test('own batters: one melt divided to the last, or each weighed; lye divided or separate', () => {
    const batch = show()
    fireEvent.click(screen.getByLabelText(/A batter of its own for each cup/))
    expect(batch.get().plan.division.mode).toBe('own-batters')
    expect(screen.getByText(/^Melt together/)).toBeTruthy()
    expect(screen.getByRole('columnheader', { name: 'lye solution' })).toBeTruthy()
    fireEvent.change(screen.getByLabelText('Hard fats'), { target: { value: 'each' } })
    expect(screen.queryByText(/^Melt together/)).toBeNull()
    expect(screen.getByRole('columnheader', { name: 'Coconut oil' })).toBeTruthy()
    fireEvent.change(screen.getByLabelText('Lye'), { target: { value: 'separate' } })
    expect(screen.getByRole('columnheader', { name: 'plain water' })).toBeTruthy()
    expect(screen.getAllByRole('row')).toHaveLength(1 + plan.cups.length)
  })

  test('a whipped top brings its own oils, bowl and lye, and goes again', () => {
    const batch = show()
    fireEvent.click(screen.getByLabelText(/a whipped or piped top/))
    expect(batch.get().plan.division.top).toMatchObject({ massG: 200 })
    expect(screen.getByText(/75 % hard oils/)).toBeTruthy()
    expect(screen.getByLabelText(/^Whipping bowl/)).toBeTruthy()
    set('Batter for the top', '10')
    expect(screen.getByText(/from 20 g to 5 kg/)).toBeTruthy()
    fireEvent.click(screen.getByLabelText(/a whipped or piped top/))
    expect(batch.get().plan.division.top).toBeNull()
  })

  test('without lots nothing is counted short, and that is said', () => {
    show()
    expect(screen.getByText('Nothing counted is short.')).toBeTruthy()
    expect(screen.getByText(/Not counted, since no lot is kept of it: .*Lye \(NaOH\) [\d.]+ g.*Olive oil/)).toBeTruthy()
  })
})
