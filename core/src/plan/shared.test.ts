import { expect, test } from 'vitest'
import { portionsOf } from '../portions/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { sharedPlan, sharedShelf } from './shared.ts'
import { plannedScent, starterPlan } from './starter.ts'

const start = starterPlan('Shown')
const plan = {
  ...start,
  ...{ notes: 'a secret', scent: plannedScent([{ scent: 'moss-cathedral', share: 1 }], 0.03) },
  brief: { ...start.brief, forWhom: 'Tilda', priceFrom: 4 },
}
const shelf: Shelf = {
  ...referenceShelf(),
  scents: referenceShelf().scents.map(one => ({
    ...one,
    lots: [{ id: 'l', mark: 'L7', bought: 100, left: 50, cost: 9, useBy: '' }],
    allergens: [{ name: 'linalool', share: 0.1 }],
  })),
}

test('outside go neither notes, prices, lots nor scents that are kept back; weights are as inside', () => {
  const outside = sharedPlan(plan)
  const text = (of: Shelf) => JSON.stringify([outside, of])
  const bare = sharedShelf(shelf, outside, false)
  for (const inside of [
    'a secret',
    'Tilda',
    'L7',
    'linalool',
    shelf.scents.find(({ id }) => id === 'moss-cathedral')!.name,
  ])
    expect(text(bare)).not.toContain(inside)
  expect(text(sharedShelf(shelf, outside, true))).toContain('linalool')
  expect(bare.oils.length).toBeLessThan(shelf.oils.length)
  const [there, here] = [portionsOf(outside, bare), portionsOf(plan, shelf)]
  expect(there.lyeG).toBe(here.lyeG)
  expect(there.scentG).toBe(here.scentG)
  expect(there.oils.map(({ massG }) => massG)).toEqual(here.oils.map(({ massG }) => massG))
})
