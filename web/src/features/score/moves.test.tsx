import { startingMove, starterPlan } from '@ostler/core'
import type { Plan, PourWay } from '@ostler/core'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
import { MoveInspector } from './move-inspector.tsx'
import { PourShapeFields } from './pour-shape-fields.tsx'
import { RepeatDialog } from './repeat-dialog.tsx'

// Pictures are drawn elsewhere: here nothing comes of them.
vi.mock('../../workers/faces.ts', () => ({ drawFace: () => new Promise(() => undefined) }))

afterEach(cleanup)

const start = starterPlan('Moves')
const choose = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } })
const set = (label: string, text: string) => {
  choose(label, text)
  fireEvent.blur(screen.getByLabelText(label))
}

describe('how a pour goes in', () => {
  const show = (way: PourWay = 'layer') => {
    const score = start.score.map((pour, i) => (i === 1 ? { ...pour, shape: { ...pour.shape, way } } : pour))
    return opened({ ...start, score }, <PourShapeFields pour={score[1]!} index={1} />)
  }
  const shapeOf = (batch: ReturnType<typeof show>) => batch.get().plan.score[1]!

  test('streams from a height come with a height, several streams and room between them', () => {
    const batch = show()
    choose('Goes in', 'drop')
    expect(shapeOf(batch)).toMatchObject({ dropMm: 100, shape: { way: 'drop', count: 3, range: 0.6 } })
    batch.undo()
    expect(shapeOf(batch)).toMatchObject({ dropMm: 10, shape: { way: 'layer', count: 1 } })
  })

  test.each<[PourWay, string[], string[]]>([
    ['layer', ['Its lower face', 'Mould tilted, degrees', 'Powder dusted under it'], ['Streams']],
    ['walls', ['Streams', 'Half-width (0: as it runs)'], ['Across the mould']],
    ['spots', ['Spots', 'Across the mould', 'Spread out over'], ['Closes over it']],
    ['drop', ['Streams', 'Closes over it'], ['Its lower face']],
    ['pot', ['Hour of the clock (0: middle)'], ['Streams', 'Across the mould']],
  ])('%s asks for what it needs and no more', (way, asked, unasked) => {
    show(way)
    for (const label of asked) expect(screen.getByLabelText(label)).toBeTruthy()
    for (const label of unasked) expect(screen.queryByLabelText(label)).toBeNull()
  })

  test('what cannot be is told beside the field and changes nothing', () => {
    const batch = show()
    set('Mould tilted, degrees', '80')
    expect(screen.getByText(/tilted by up to 35 degrees/)).toBeTruthy()
    expect(shapeOf(batch).shape.tiltDeg).toBe(0)
    choose('Powder dusted under it', 'charcoal')
    expect(shapeOf(batch).shape.pencil).toBe('charcoal')
  })
})

describe('a tool', () => {
  const move = startingMove('move-1', 'pour-3', 'skewer')
  const plan: Plan = { ...start, moves: [move] }
  const show = () => opened(plan, <MoveInspector move={move} onClose={() => undefined} />)

  test('has its path, depth and stretch; it can be left out and removed', () => {
    const batch = show()
    const now = () => batch.get().plan.moves[0]
    choose('Its path', 'both')
    set('Depth, of the batter', '45')
    set('From, of the length', '20')
    expect(now()).toMatchObject({ pattern: 'both', depth: 0.45, from: 0.2 })
    fireEvent.click(screen.getByLabelText('left out for now'))
    expect(now()!.off).toBe(true)
    choose('Done after', 'pour-2')
    expect(now()!.after).toBe('pour-2')
    fireEvent.click(screen.getByLabelText('Remove this move'))
    expect(batch.get().plan.moves).toEqual([])
  })

  test('half a line and a hundred of them are refused with a sentence', () => {
    const batch = show()
    for (const text of ['2.5', '100']) {
      set('Lines or turns', text)
      expect(screen.getByText('How often is a whole number from 1 to 30.')).toBeTruthy()
    }
    expect(batch.get().plan.moves[0]!.count).toBe(12)
  })
})

describe('whole runs', () => {
  test('are repeated by turns, and too many turns are refused', () => {
    const closed = vi.fn()
    const batch = opened(start, <RepeatDialog onClose={closed} />)
    fireEvent.change(screen.getByLabelText('Times', { selector: 'input' }), { target: { value: '99' } })
    fireEvent.click(screen.getByRole('button', { name: 'Repeat' }))
    expect(screen.getByText('A run is repeated 2 to 20 times.')).toBeTruthy()
    fireEvent.change(screen.getByLabelText('Times', { selector: 'input' }), { target: { value: '4' } })
    fireEvent.click(screen.getByRole('button', { name: 'Repeat' }))
    expect(batch.get().plan.score).toHaveLength(9)
    expect(closed).toHaveBeenCalled()
  })
})
