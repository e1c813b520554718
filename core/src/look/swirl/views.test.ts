import { expect, test } from 'vitest'
import { starterPlan } from '../../plan/index.ts'
import { designOf } from './design.ts'
import { renderRows } from './render.ts'
import { acrossView, coarseView, levelView } from './views.ts'

const { program } = designOf(starterPlan('Views'), [])

test.each([
  ['a cut', acrossView(program, 0.4, 400)],
  ['a level', levelView(program, 0.6, 400)],
])('a coarse view of %s shows the same soap with fewer points', (_, view) => {
  const coarse = coarseView(view, 36)
  expect(coarse.width).toBe(36)
  expect(coarse.height / coarse.width).toBeCloseTo(view.height / view.width, 1)
  const [few, many] = [coarse, view].map(one => renderRows(program, one, 0, one.height, 'every-pixel'))
  let alike = 0
  for (let y = 0; y < coarse.height; y += 1)
    for (let x = 0; x < coarse.width; x += 1) {
      const at = Math.floor(((y + 0.5) * view.height) / coarse.height) * view.width
      if (few!.first[y * 36 + x] === many!.first[at + Math.floor(((x + 0.5) * view.width) / 36)]) alike += 1
    }
  expect(alike / (coarse.width * coarse.height)).toBeGreaterThan(0.9)
})

test('a view that is coarse already stays as it is', () => {
  const small = acrossView(program, 0.5, 20)
  expect(coarseView(small, 36)).toEqual(small)
})
