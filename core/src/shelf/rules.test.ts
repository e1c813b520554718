import { expect, test } from 'vitest'
import { forecast } from '../forecast/index.ts'
import { starterPlan } from '../plan/index.ts'
import { said } from '../quantities/words/index.ts'
import { checkItem, findById, referenceShelf, rulesOn, wholeShelf } from './index.ts'
import type { Shelf } from './index.ts'

const shelf = referenceShelf()
const withWord = (word: string): Shelf => ({
  ...shelf,
  oils: shelf.oils.map(oil => (oil.id === 'olive' ? { ...oil, words: [word] } : oil)),
  rules: [{ word: 'harbour mill', weight: 'never' }],
})

test('a word of one’s own is a rule as a tag is, however it is written', () => {
  const plan = starterPlan('Ruled')
  const stops = (of: Shelf) => {
    const made = forecast(plan, of)
    return made.ok ? made.forecast.notices.filter(one => one.weight === 'stop').map(one => said(one.sentence)) : []
  }
  expect(stops(withWord('Harbour Mill '))).toEqual([expect.stringMatching(/harbour mill.*never uses/i)])
  expect(stops(withWord('other mill'))).toEqual([])
  const olive = findById(shelf.oils, 'olive')!
  expect(rulesOn([{ tag: 'palm', weight: 'tell' }], olive)).toEqual([])
})

test('a blend that is not whole is told; a shelf kept before there were blends and words is filled in', () => {
  const olive = findById(shelf.oils, 'olive')!
  const half = checkItem('oils', { ...olive, blend: [{ oil: 'coconut', share: 0.5 }] })
  expect(half.ok ? '' : said(half.problems.map(one => one.sentence))).toEqual([
    expect.stringMatching(/add up to 100 %/),
  ])
  const old = { ...shelf, oils: shelf.oils.map(({ blend: _, words: __, ...oil }) => oil) } as unknown as Shelf
  expect(wholeShelf(old).oils[0]).toMatchObject({ blend: [], words: [] })
})
