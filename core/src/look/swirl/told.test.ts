import { describe, expect, test } from 'vitest'
import { colourNames, coloursSeen, designOf, differenceWords, patternWords, pictureWords } from './index.ts'
import { OUTSIDE, renderRows } from './render.ts'
import type { Picture } from './render.ts'
import { acrossView } from './views.ts'
import { startingMove, starterPlan } from '../../plan/index.ts'
import { said, say } from '../../quantities/words/index.ts'

/** Two columns wide, from rows of [first, second, share of 255] on top of each other. */
function pictureOf(rows: readonly [number, number, number][]): Picture {
  const of = (k: 0 | 1 | 2) => Uint8Array.from(rows.flatMap(row => [row[k], row[k]]))
  return { width: 2, height: rows.length, first: of(0), second: of(1), share: of(2), light: null }
}

describe('a picture in words', () => {
  const halves = pictureOf([
    [1, 0, 255],
    [1, 0, 255],
    [0, 1, 255],
    [0, 1, 255],
  ])

  test('names the colours from the bottom with their shares', () => {
    expect(said(pictureWords(halves, ['Slate', 'Bone']))).toBe('From the bottom: Slate 50 %, below; Bone 50 %, above.')
    expect(said(pictureWords(halves, ['Slate', 'Bone'], true))).toBe('From above: Slate 50 %; Bone 50 %.')
  })

  test('counts both colours of a mixed pixel, and nothing outside the soap', () => {
    const seen = coloursSeen(
      pictureOf([
        [OUTSIDE, 0, 255],
        [0, 1, 51],
      ]),
    )
    expect(seen.map(one => [one.colour, one.share])).toEqual([
      [0, expect.closeTo(0.2, 9)],
      [1, expect.closeTo(0.8, 9)],
    ])
    expect(said(pictureWords(pictureOf([[OUTSIDE, 0, 255]]), []))).toMatch(/Nothing/)
  })

  test('two bars differ by what has changed', () => {
    expect(said(differenceWords([0.3, 0.7], [0.42, 0.58], ['Slate', 'Bone']))).toBe(
      'Slate 30 % and 42 %, Bone 70 % and 58 %',
    )
    expect(differenceWords([0.301, 0.699], [0.302, 0.698], ['Slate', 'Bone'])).toBeNull()
  })

  test('a poured design is told as it was poured, and the tool is named', () => {
    const plan = starterPlan('Ladder')
    const design = designOf(plan, [])
    const view = acrossView(design.program, 0.5, 120)
    const names = colourNames(plan, design)
    const words = pictureWords(renderRows(design.program, view, 0, view.height, 'preview'), names)
    const poured = plan.score.map(pour => plan.cups.find(cup => cup.id === pour.cup)!.name)
    expect(say(words).indexOf(poured[0]!)).toBeLessThan(say(words).lastIndexOf(poured.at(-1)!))
    expect(said(patternWords(plan))).toBe('')
    expect(said(patternWords({ moves: [startingMove('move-1', plan.score[0]!.id, 'hanger')] }))).toMatch(/hanger wire/)
  })
})
