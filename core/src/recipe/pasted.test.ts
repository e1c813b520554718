import { describe, expect, test } from 'vitest'
import { referenceShelf } from '../shelf/index.ts'
import { MOST_PASTED, numberWritten, pastedLines } from './pasted.ts'

const shelf = referenceShelf()
const told = (text: string) =>
  pastedLines(text, shelf).map(({ as, oil, amount, isDoubtful }) => [
    oil || as,
    amount === null ? null : Math.round(10 * amount) / 10,
    isDoubtful,
  ])

describe('a recipe that is pasted', () => {
  test('in grams, as people write it', () => {
    expect(
      told('Olive oil 400 g\nCoconut oil: 250g\n150 g Palm Oil\nCastor 50 g\nLye (NaOH) 142,3 g\nwater 330 g'),
    ).toEqual([
      // Two kinds of it are on the shelf: which is meant is asked.
      ['olive', 400, true],
      ['coconut', 250, false],
      ['palm', 150, false],
      ['castor', 50, false],
      ['lye', 142.3, false],
      ['water', 330, false],
    ])
  })

  test('in ounces, pounds and kilograms, out of a sheet with semicolons', () => {
    expect(told('Oil;Amount\nOlive oil;16 oz\nCoconut oil;1 lb\nPalm oil;0,5 kg\nTotal;42 oz')).toEqual([
      ['nothing', null, false],
      ['olive', 453.6, true],
      ['coconut', 453.6, false],
      ['palm', 500, false],
      ['nothing', 1190.7, true],
    ])
  })

  test('with every doubt left to the reader', () => {
    const lines = pastedLines(
      'Olive oil 400\nolive oil, virgin 100 g\nKOH 20 g\nunicorn fat 30 g\nPalm kernel 90 g\n40 % coconut',
      shelf,
    )
    expect(lines.map(({ isDoubtful }) => isDoubtful)).toEqual([true, true, true, true, false, expect.any(Boolean)])
    expect(lines[2]!.as).toBe('potash')
    expect(lines[3]!.as).toBe('nothing')
    expect(lines[4]!.oil).toMatch(/kernel/)
    expect(lines[5]).toMatchObject({ as: 'oil', oil: 'coconut', amount: 0.4, isShare: true })
  })

  test('that is long, empty or no recipe harms nothing', () => {
    expect(pastedLines('', shelf)).toEqual([])
    expect(pastedLines(Array.from({ length: 100_000 }, (_, i) => `row ${i}`).join('\n'), shelf)).toHaveLength(
      MOST_PASTED,
    )
    expect(pastedLines('=SUM(A1:A9)\t<script>\n\u0000\n-5 g olive oil', shelf).every(({ as }) => as !== 'lye')).toBe(
      true,
    )
  })
})

test('numbers however they are written', () => {
  for (const [text, value] of [
    ['1.234,5', 1234.5],
    ['1,234.5', 1234.5],
    ["1'234.5", 1234.5],
    ['0,5', 0.5],
    ['1.5', 1.5],
    ['1.234.567', 1234567],
    ['12 500', 12500],
  ] as const)
    expect([text, numberWritten(text)]).toEqual([text, value])
})
