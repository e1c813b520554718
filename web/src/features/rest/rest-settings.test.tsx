import { restStep, starterPlan } from '@ostler/core'
import type { Plan, RestStep } from '@ostler/core'
import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
import { RestSettings } from './rest-settings.tsx'

const start = starterPlan('Rest')
const show = (steps?: readonly Partial<RestStep>[], rest: Partial<Plan['rest']> = {}) =>
  opened(
    { ...start, rest: { ...start.rest, ...(steps && { steps: steps.map(step => restStep(step)) }), ...rest } },
    <RestSettings />,
  )
const steps = (batch: ReturnType<typeof show>) => batch.get().plan.rest.steps
const where = (n: number) => screen.getAllByLabelText('Where')[n]!
const set = (label: string, text: string, n = 0) => {
  const field = screen.getAllByLabelText(label)[n]!
  fireEvent.change(field, { target: { value: text } })
  fireEvent.blur(field)
}

describe('places', () => {
  test('into the cold goes with the way back out of it, which can be moved', () => {
    const batch = show([{ atMin: 0, place: 'room' }])
    fireEvent.change(where(0), { target: { value: 'refrigerator' } })
    expect(steps(batch)).toMatchObject([
      { atMin: 0, place: 'refrigerator' },
      { atMin: 18 * 60, place: 'room' },
    ])
    set('From, minutes after the pour', '720')
    expect(steps(batch)[1]!.atMin).toBe(720)
    batch.undo()
    batch.undo()
    expect(steps(batch)).toMatchObject([{ place: 'room' }])
  })

  test('a freezer comes out sooner; where it came out already nothing is added', () => {
    const batch = show([{ atMin: 0, place: 'room' }])
    fireEvent.change(where(0), { target: { value: 'freezer' } })
    expect(steps(batch)[1]).toMatchObject({ atMin: 8 * 60, place: 'room' })
    fireEvent.change(where(0), { target: { value: 'refrigerator' } })
    expect(steps(batch)).toHaveLength(2)
  })

  test('left in the cold it is said, with hours to choose', () => {
    const batch = show([
      { atMin: 0, place: 'room' },
      { atMin: 30, place: 'refrigerator' },
    ])
    expect(screen.getByText(/Left there it sets, but not for unmoulding/)).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'after 24 h' }))
    expect(steps(batch)[2]).toMatchObject({ atMin: 30 + 24 * 60, place: 'room', cover: 'open' })
    expect(screen.queryByText(/Left there it sets/)).toBeNull()
  })

  test('a warm place asks how warm and how long, another does not', () => {
    const batch = show([{ atMin: 0, place: 'room' }])
    expect(screen.queryByLabelText('Warmed to')).toBeNull()
    fireEvent.change(where(0), { target: { value: 'oven' } })
    set('Warmed to', '65')
    set('Held, min', '40')
    expect(steps(batch)[0]).toMatchObject({ place: 'oven', tempC: 65, holdMin: 40 })
    fireEvent.change(where(0), { target: { value: 'mat' } })
    expect(screen.getByLabelText('On for, min')).toBeTruthy()
  })

  test('what follows is two hours later, in the room, wrapped as before; it can be taken away', () => {
    const batch = show([{ atMin: 0, place: 'oven', tempC: 60, holdMin: 30, towels: { top: 2, sides: 1, below: 0 } }])
    fireEvent.click(screen.getByRole('button', { name: 'then …' }))
    expect(steps(batch)[1]).toMatchObject({ atMin: 120, place: 'room', holdMin: 0, towels: { top: 2, sides: 1 } })
    fireEvent.click(screen.getByRole('button', { name: 'Remove step 2' }))
    expect(steps(batch)).toHaveLength(1)
    expect(screen.queryByRole('button', { name: /^Remove step/ })).toBeNull()
  })

  test('a step at an impossible time is told beside its field, and the plan stays', () => {
    const batch = show([
      { atMin: 0, place: 'room' },
      { atMin: 600, place: 'room' },
    ])
    set('From, minutes after the pour', '-5')
    expect(screen.getByRole('alert').textContent).not.toBe('')
    expect(steps(batch)[1]!.atMin).toBe(600)
  })
})

describe('wrap and surroundings', () => {
  test('towels by side, for each step', () => {
    const batch = show([{ atMin: 0, place: 'room' }])
    const towels = within(screen.getByRole('group', { name: 'Layers of towel' }))
    fireEvent.change(towels.getByLabelText('on top'), { target: { value: '3' } })
    expect(steps(batch)[0]!.towels).toMatchObject({ top: 3 })
  })

  test('an oven that was watched is asked for once one stands in it, and forgotten again', () => {
    const batch = show([{ atMin: 0, place: 'oven', tempC: 60, holdMin: 30 }])
    const watched = screen.getByLabelText('I have watched my oven cool, empty')
    fireEvent.click(watched)
    set('in, min', '90')
    expect(batch.get().plan.rest.oven).toEqual({ fromC: 60, toC: 45, inMin: 90 })
    fireEvent.click(watched)
    expect(batch.get().plan.rest.oven).toBeNull()
  })

  test('without an oven none is asked for', () => {
    show([{ atMin: 0, place: 'room' }])
    expect(screen.queryByLabelText('I have watched my oven cool, empty')).toBeNull()
  })

  test('the wall and what it stands on are chosen; the wall goes by the form again', () => {
    const batch = show()
    const choose = (label: string, value: string) =>
      fireEvent.change(screen.getByLabelText(label), { target: { value } })
    choose('Wall of the mould', 'wood')
    choose('It stands', 'rack')
    expect(batch.get().plan.rest).toMatchObject({ wall: 'wood', under: 'rack' })
    choose('Wall of the mould', 'auto')
    expect(batch.get().plan.rest.wall).toBe('auto')
  })
})
