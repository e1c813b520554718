import { SAFETY_TICKS, plannedScent, say, starterPlan, weightsIn } from '@ostler/core'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { opened, openedWithRun } from '../../plan/test/opened.tsx'
import type { OpenRun } from '../../run/open-run.ts'
import { WeighPage } from './weigh-page.tsx'

afterEach(cleanup)

const plan = starterPlan('Trial')
const tick = (name: string) => screen.getByLabelText<HTMLButtonElement>(`${name} weighed as written`)
const actual = (name: string) => screen.getByLabelText<HTMLInputElement>(`${name}, weighed`)
const weigh = (name: string, text: string) => {
  fireEvent.change(actual(name), { target: { value: text } })
  fireEvent.blur(actual(name))
}
const weighed = (run: OpenRun) => weightsIn(run.get().state.weighed)
const tickSafety = () => screen.getAllByRole('checkbox').forEach(box => fireEvent.click(box))

test('lye opens only when every caution is ticked, and closes again with one of them', () => {
  opened(plan, <WeighPage />)
  expect(screen.getAllByRole('checkbox')).toHaveLength(SAFETY_TICKS.length)
  expect(tick('Lye (NaOH)').disabled).toBe(true)
  expect(actual('Lye (NaOH)').disabled).toBe(true)
  tickSafety()
  expect(tick('Lye (NaOH)').disabled).toBe(false)
  fireEvent.click(screen.getAllByRole('checkbox')[0]!)
  expect(tick('Lye (NaOH)').disabled).toBe(true)
})

test('a tick stores the weight as written, a second one takes it back', () => {
  const { run } = openedWithRun(plan, <WeighPage />)
  fireEvent.click(tick('Coconut oil'))
  const { 'oil:coconut': massG } = weighed(run)
  expect(massG).toBeGreaterThan(50)
  expect(actual('Coconut oil').value).toBe(String(massG))
  fireEvent.click(tick('Coconut oil'))
  expect(weighed(run)).toEqual({})
})

test('a weight that is off says what it makes of the batch', () => {
  opened(plan, <WeighPage />)
  weigh('Olive oil, refined', '350')
  expect(screen.getByText(/too much: superfat .* Better put right/)).toBeTruthy()
  expect(screen.getByText(/only if it lies on top/)).toBeTruthy()
})

test('a weight that cannot be meant is asked about, stays typed, and can be written down all the same', () => {
  const { run } = openedWithRun(plan, <WeighPage />)
  weigh('Palm oil', '9000')
  expect(screen.getByRole('alert').textContent).toMatch(/83 times the 109 g that are planned/)
  expect(actual('Palm oil').value).toBe('9000')
  expect(weighed(run)).toEqual({})
  fireEvent.click(screen.getByText('It is so: write it down'))
  expect(weighed(run)).toEqual({ 'oil:palm': 9000 })
})

test('rescaled, the lines weighed before say what to add', () => {
  const batch = opened(plan, <WeighPage />)
  fireEvent.click(tick('Water'))
  weigh('Coconut oil', '195 g')
  fireEvent.click(screen.getByText('Rescale the rest'))
  expect(batch.get().plan.mould.fillMm).toBeGreaterThan(plan.mould.fillMm)
  expect(screen.getAllByText(/^Add \d+ g\.$/).length).toBeGreaterThan(0)
})

test('lye left over is said in large words', () => {
  opened(plan, <WeighPage />)
  tickSafety()
  weigh('Lye (NaOH)', '125')
  expect(screen.getAllByText(/Free lye: superfat −[\d.]+ % \(as weighed\)/)).toHaveLength(1)
  expect(screen.getByText(/Do not go on with it/)).toBeTruthy()
  expect(screen.getByText(/Spoon [\d.]+ g back out of its own cup/)).toBeTruthy()
})

test('free lye has to be answered in writing; until then only what can mend it is weighed', () => {
  const batch = opened(plan, <WeighPage />)
  tickSafety()
  weigh('Lye (NaOH)', '125')
  expect(tick('Activated charcoal for Slate').disabled).toBe(true)
  expect(tick('Palm oil').disabled).toBe(false)
  fireEvent.click(screen.getByText('Go on with this answer'))
  expect(screen.getByText(/in 8 to 500 letters/)).toBeTruthy()
  expect(batch.get().plan.freeLye).toBeNull()
  fireEvent.change(screen.getByLabelText(/^To go on, write why/), {
    target: { value: 'Laundry soap, kept in the wash house.' },
  })
  fireEvent.click(screen.getByText('Go on with this answer'))
  expect(batch.get().plan.freeLye).toMatchObject({ reason: 'Laundry soap, kept in the wash house.' })
  expect(tick('Activated charcoal for Slate').disabled).toBe(false)
  // Worse than what was answered for asks again.
  weigh('Lye (NaOH)', '130')
  expect(screen.getByLabelText(/^To go on, write why/)).toBeTruthy()
})

test('scent above its cap is stopped at the scale, and cannot be accepted', () => {
  const clove = { ...plan, scent: plannedScent([{ scent: 'eo-clove-bud', share: 1 }], 0.003, { moment: 'pot' }) }
  opened(clove, <WeighPage />)
  weigh('Clove bud (essential oil)', '12')
  expect(screen.getByRole('alert').textContent).toMatch(/above its limit/)
  fireEvent.click(screen.getByText('It is so: write it down'))
  fireEvent.click(screen.getByText('It is so: write it down'))
  expect(screen.getByRole('alert').textContent).toMatch(/above the limit of .* cannot be accepted/)
  expect(screen.queryByText('Rescale the rest')).toBeNull()
  fireEvent.click(screen.getByText('Taken out'))
  expect(screen.queryByRole('alert')).toBeNull()
})

test('a colour weighed off can be kept as its dose', () => {
  const batch = opened(plan, <WeighPage />)
  weigh('Activated charcoal for Slate', '1.5')
  fireEvent.click(screen.getByText('Keep it as the dose'))
  const { result } = batch.get()
  if (!result.ok) throw new Error(say(result.sentence))
  expect(result.forecast.portions.cups[0]!.colours[0]!.powderG).toBe(1.5)
})

test('what cannot be read stays, with a sentence; an emptied field is not weighed', () => {
  const { run } = openedWithRun(plan, <WeighPage />)
  weigh('Palm oil', 'much')
  expect(screen.getByText(/“much” is not a number/)).toBeTruthy()
  expect(actual('Palm oil').value).toBe('much')
  weigh('Palm oil', '120')
  weigh('Palm oil', '')
  expect(weighed(run)).toEqual({})
})
