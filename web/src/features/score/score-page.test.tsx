import { TECHNIQUES, plannedScent, startingEmbed, startingMove, startingTopping, starterPlan } from '@ostler/core'
import type { Plan, Shelf } from '@ostler/core'
import { cleanup, fireEvent, screen, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
import { copiedPours, copyPours, pasteEdits } from './clipboard.ts'
import { DesignDialog } from './design-dialog.tsx'
import { pickedAfter } from './picking.ts'
import { ScorePage } from './score-page.tsx'
import { addFrom } from '../../plan/test/adding.ts'

// Pictures are drawn elsewhere: here nothing comes of them.
vi.mock('../../workers/faces.ts', () => ({
  drawFace: () => new Promise(() => undefined),
  measureFaces: () => new Promise(() => undefined),
}))

// Questions that go to a worker are answered at once.
vi.mock('../../workers/search.ts', async () => {
  const { planBOffers, planBOutlook } = await import('@ostler/core')
  return {
    planBOffers: (plan: Plan, shelf: Shelf) => Promise.resolve(planBOffers(plan, shelf)),
    planBOutlook: (plan: Plan, shelf: Shelf) => Promise.resolve(planBOutlook(plan, shelf)),
    slopesOf: () => Promise.resolve([]),
  }
})

class Sized {
  constructor(readonly told: (entries: { contentRect: { width: number; height: number } }[]) => void) {}
  observe(): void {
    this.told([{ contentRect: { width: 600, height: 500 } }])
  }
  unobserve(): void {}
  disconnect(): void {}
}

beforeEach(() => {
  localStorage.clear()
  vi.stubGlobal('ResizeObserver', Sized)
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const start = starterPlan('Score')
const rows = () => screen.getAllByRole('button').filter(button => button.dataset['row'])
const key = (target: HTMLElement, name: string, more: object = {}) => fireEvent.keyDown(target, { key: name, ...more })
const ids = (batch: ReturnType<typeof opened>) => batch.get().plan.score.map(pour => pour.id)

describe('picking', () => {
  const all = ['a', 'b', 'c', 'd']
  test.each([
    [[], 'b', 'one', ['b']],
    [['b'], 'b', 'one', []],
    [['b', 'c'], 'b', 'one', ['b']],
    [['a'], 'c', 'add', ['a', 'c']],
    [['a', 'c'], 'a', 'add', ['c']],
    [['b'], 'd', 'range', ['b', 'c', 'd']],
    [['d', 'c'], 'a', 'range', ['d', 'c', 'b', 'a']],
  ] as const)('%j and %s %s is %j', (picked, id, way, after) => {
    expect(pickedAfter(picked, all, id, way)).toEqual(after)
  })
})

describe('the keyboard in the score', () => {
  test('picks, widens, moves, removes and takes back', () => {
    const batch = opened(start, <ScorePage />)
    fireEvent.click(rows()[0]!)
    key(rows()[0]!, 'ArrowDown', { shiftKey: true })
    expect(screen.getByRole('region', { name: '2 layers chosen' })).toBeTruthy()
    key(rows()[1]!, 'ArrowDown', { altKey: true })
    expect(ids(batch)).toEqual(['pour-3', 'pour-1', 'pour-2'])
    key(rows()[1]!, 'Delete')
    expect(ids(batch)).toEqual(['pour-3'])
    batch.undo()
    expect(ids(batch)).toEqual(['pour-3', 'pour-1', 'pour-2'])
  })

  test('copies and pastes after what is picked', () => {
    const batch = opened(start, <ScorePage />)
    fireEvent.click(rows()[1]!)
    key(rows()[1]!, 'c', { ctrlKey: true })
    fireEvent.click(rows()[2]!)
    key(rows()[2]!, 'v', { ctrlKey: true })
    expect(batch.get().plan.score.map(pour => pour.cup)).toEqual(['cup-1', 'cup-2', 'cup-3', 'cup-2'])
  })

  test('leaves typing alone', () => {
    const batch = opened(start, <ScorePage />)
    key(screen.getByLabelText('Height of layer 1, Slate'), 'Delete')
    expect(ids(batch)).toHaveLength(3)
  })
})

test('a layer is set aside, told of in its place, put back and discarded', () => {
  const batch = opened(start, <ScorePage />)
  fireEvent.click(rows()[1]!)
  fireEvent.click(screen.getByLabelText('Set this layer aside'))
  expect(ids(batch)).toEqual(['pour-1', 'pour-3'])
  fireEvent.click(screen.getByLabelText('Put Oat back'))
  expect(ids(batch)).toEqual(['pour-1', 'pour-2', 'pour-3'])
  fireEvent.click(screen.getByLabelText('Divide this layer in two'))
  expect(batch.get().plan.score.filter(pour => pour.cup === 'cup-2')).toHaveLength(2)
})

test('embeds and toppings are added, changed and removed', () => {
  const batch = opened(start, <ScorePage />)
  const add = (what: string) => addFrom('Add a piece or topping', what)
  add('embed')
  const embed = screen.getByRole('region', { name: 'Rod' })
  fireEvent.change(within(embed).getByLabelText('Form'), { target: { value: 'ball' } })
  const width = within(embed).getByLabelText('Diameter')
  fireEvent.change(width, { target: { value: '500' } })
  fireEvent.blur(width)
  expect(screen.getByText('An embed is from 2 to 200 mm wide.')).toBeTruthy()
  fireEvent.click(within(embed).getByLabelText('one in the middle of every bar'))
  expect(batch.get().plan.finish.embeds[0]).toMatchObject({ form: 'ball', everyBar: true, widthMm: 18 })
  add('seeds')
  expect(screen.getByRole('region', { name: 'Poppy seeds' })).toBeTruthy()
  fireEvent.click(screen.getByLabelText('Remove Poppy seeds'))
  expect(batch.get().plan.finish.toppings).toEqual([])
})

describe('handles in the picture', () => {
  const move = { ...startingMove('move-1', 'pour-3', 'hanger'), depth: 0.9 }
  test('a wire goes deeper with the arrow keys, within its range', () => {
    const batch = opened({ ...start, moves: [move] }, <ScorePage />)
    fireEvent.click(screen.getByRole('button', { name: /^hanger wire/ }))
    const grip = screen.getByRole('slider', { name: 'How deep the tool goes' })
    key(grip, 'ArrowUp', { shiftKey: true })
    expect(batch.get().plan.moves[0]!.depth).toBeCloseTo(0.8, 6)
    for (let i = 0; i < 12; i += 1)
      key(screen.getByRole('slider', { name: 'How deep the tool goes' }), 'ArrowDown', { shiftKey: true })
    expect(batch.get().plan.moves[0]!.depth).toBe(1)
  })

  test('a comb shows the top with both ends of its stretch; a rod its place', () => {
    const plan: Plan = {
      ...start,
      moves: [startingMove('move-1', 'pour-3', 'comb')],
      finish: {
        ...start.finish,
        embeds: [startingEmbed('embed-1', 'pour-1')],
        toppings: [startingTopping('topping-1', 'mica')],
      },
    }
    const batch = opened(plan, <ScorePage />)
    fireEvent.click(screen.getByRole('button', { name: /^comb/ }))
    expect(screen.getByRole('group', { name: 'The mould from above' })).toBeTruthy()
    key(screen.getByRole('slider', { name: 'Where the tool starts' }), 'ArrowRight', { shiftKey: true })
    expect(batch.get().plan.moves[0]!.from).toBeCloseTo(0.1, 6)
    fireEvent.click(screen.getByLabelText('Across'))
    fireEvent.click(screen.getByRole('button', { name: /^Rod/ }))
    key(screen.getByRole('slider', { name: 'Where Rod lies' }), 'ArrowLeft', { shiftKey: true })
    expect(batch.get().plan.finish.embeds[0]!.across).toBeCloseTo(0.4, 6)
  })
})

test('plan B is chosen among what helps, worked on and left', async () => {
  const quick: Plan = {
    ...start,
    scent: plannedScent([{ scent: 'violet-tinplate', share: 1 }], 0.03),
    cups: start.cups.map(cup => ({ ...cup, scented: true })),
  }
  const batch = opened(quick, <ScorePage />)
  fireEvent.click(screen.getByRole('button', { name: /^Make a plan B/ }))
  const offers = await screen.findByRole('list', { name: 'Plans B' })
  const take = await within(offers).findByRole('button', { name: /^Take Spooned/ })
  expect(offers.textContent).toMatch(/Called for in .* Last moment: about .*It costs the streams/)
  fireEvent.click(take)
  expect(await screen.findByText(/Called for in|hardly ever seen/)).toBeTruthy()
  fireEvent.click(screen.getByRole('button', { name: 'Work on plan B' }))
  expect(screen.getByText('Spooned, when it thickens', { selector: 'strong' })).toBeTruthy()
  expect(batch.get().plan.score[0]!.shape.way).toBe('spoon')
  fireEvent.click(screen.getAllByRole('button', { name: 'Back to plan A' })[0]!)
  expect(batch.get().plan.score).toEqual(start.score)
})

describe('copies', () => {
  test('go into another batch: cups of the same name are found, others are added', () => {
    copyPours(start, ['pour-1', 'pour-2'], () => '#123456')
    const other: Plan = {
      ...start,
      cups: start.cups.slice(0, 2).map((cup, i) => (i === 0 ? { ...cup, id: 'cup-9' } : { ...cup, name: 'Else' })),
      score: start.score.slice(0, 2).map((pour, i) => ({ ...pour, cup: i === 0 ? 'cup-9' : 'cup-2' })),
    }
    const batch = opened(other, null)
    expect(batch.edit({ kind: 'many', edits: pasteEdits(copiedPours()!, other, 2) }).ok).toBe(true)
    const { cups, score } = batch.get().plan
    expect(cups.map(cup => cup.name)).toEqual(['Slate', 'Else', 'Oat'])
    expect(cups[2]!.wish).toBe('#123456')
    expect(score.map(pour => pour.cup)).toEqual(['cup-9', 'cup-2', 'cup-9', cups[2]!.id])
  })

  test('what is no copy is none', () => {
    localStorage.setItem('ostler-copied-pours', '{"pours":')
    expect(copiedPours()).toBeNull()
  })
})

describe('starting from a design', () => {
  // All of them are made and drawn in the core's own tests: here every fourth goes through the dialog.
  test('techniques are taken with their numbers, in one step of undo', () => {
    const batch = opened(start, <DesignDialog onClose={() => undefined} />)
    for (const { name } of TECHNIQUES.filter((_, i) => i % 4 === 0)) {
      const before = batch.get().plan
      fireEvent.click(screen.getByRole('button', { name: new RegExp(`^${name}`) }))
      fireEvent.click(screen.getByRole('button', { name: 'Use it' }))
      expect(batch.get().result.ok).toBe(true)
      batch.undo()
      expect(batch.get().plan).toEqual(before)
      fireEvent.click(screen.getByRole('button', { name: 'Others' }))
    }
  })

  test('with one cup none is offered that needs two', () => {
    const one = { ...start, cups: start.cups.slice(0, 1), score: start.score.slice(0, 1) }
    opened(one, <DesignDialog onClose={() => undefined} />)
    const buttons = screen.getAllByRole<HTMLButtonElement>('button')
    expect(buttons.every(button => button.disabled)).toBe(true)
  })

  test('its numbers are turned with the keys', () => {
    const batch = opened(start, <DesignDialog onClose={() => undefined} />)
    fireEvent.click(screen.getByRole('button', { name: /^Straight layers/ }))
    key(screen.getByRole('slider', { name: 'Layers' }), 'End')
    fireEvent.click(screen.getByRole('button', { name: 'Use it' }))
    expect(batch.get().plan.score).toHaveLength(12)
  })
})
