import { describe, expect, test } from 'vitest'

import { batterDensity, fillVolumeMl, plannedMould, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { IMPERIAL } from '../quantities/index.ts'
import { say } from '../quantities/words/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { cavityPath, perCavityG } from './cavity-path.ts'

const shelf = referenceShelf()
const tray = plannedMould(shelf.moulds.find(one => one.cavities === 8)!)
const loaf = plannedMould(shelf.moulds.find(one => one.cavities === 1)!)
const start = starterPlan('Tray')
const pour = { ...start.score[0]!, share: 0.5 }
const plan: Plan = {
  ...start,
  mould: tray,
  moreMoulds: [],
  moves: [],
  score: [pour, { ...pour, id: 'pour-b', cavities: [2, 5] }],
}

describe('the way over the cavities', () => {
  test('what goes into each cavity comes to one full tray, whatever else is filled', () => {
    for (const moreMoulds of [[], [loaf]]) {
      const filled = { ...plan, moreMoulds }
      const inTray = 8 * perCavityG(filled, pour.id)! + 2 * perCavityG(filled, 'pour-b')!
      expect(inTray).toBeCloseTo(fillVolumeMl(tray) * batterDensity(filled), 6)
    }
  })

  test('a thin layer is said to a tenth of a gram, and in ounces where they are the habit', () => {
    const thin = {
      ...plan,
      score: [
        { ...pour, share: 0.985 },
        { ...pour, id: 'pour-b', share: 0.015 },
      ],
    }
    expect(say(cavityPath(thin, 'pour-b')!)).toMatch(/, \d\.\d g each/)
    expect(say(cavityPath(thin, pour.id)!, IMPERIAL)).toMatch(/, \d\.\d+ oz each/)
  })

  test('is said with the weight for each cavity; a loaf and a pour of elsewhere have none', () => {
    expect(say(cavityPath(plan, 'pour-b')!)).toMatch(/^Cavities 2 and 5, \d+ g each: half on the way/)
    const single = { ...plan, score: [pour, { ...pour, id: 'pour-b', cavities: [3] }] }
    expect(say(cavityPath(single, 'pour-b')!)).toMatch(/^Cavity 3: \d+ g\.$/)
    expect(cavityPath({ ...plan, mould: loaf }, pour.id)).toBeNull()
    expect(cavityPath(plan, 'elsewhere')).toBeNull()
  })
})
