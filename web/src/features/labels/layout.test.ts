import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { labelLayout, wrapped } from './layout.ts'

/** Every letter half as wide as it is high. */
const measure = (text: string, sizePt: number) => text.length * sizePt * 0.5 * (25.4 / 72)
const text = (ingredients: string) => ({
  title: 'Weir Milk',
  ingredients,
  lines: ['net 98 g', 'lot 261130-AB12'],
  withCode: true,
})

describe('a label', () => {
  test('keeps every word and every line inside, beside the code', () =>
    fc.assert(
      fc.property(
        fc.array(fc.stringMatching(/^[a-z]{1,14}$/), { minLength: 1, maxLength: 60 }),
        fc.integer({ min: 55, max: 120 }),
        fc.integer({ min: 35, max: 90 }),
        (words, widthMm, heightMm) => {
          const made = labelLayout(text(words.join(' ')), { widthMm, heightMm }, measure)
          for (const run of made.runs) {
            expect(run.xMm + measure(run.text, run.sizePt)).toBeLessThanOrEqual(made.code!.xMm + 1e-9)
            expect(run.yMm).toBeLessThanOrEqual(heightMm - 3 + 1e-9)
          }
          if (!made.isCut) expect(made.runs.map(run => run.text).join(' ')).toContain(words.at(-1))
        },
      ),
    ))

  test('takes smaller letters for more of it, and says when not all has room', () => {
    const box = { widthMm: 60, heightMm: 40 }
    const [few, many, all] = [5, 40, 400].map(n => labelLayout(text('olivate '.repeat(n)), box, measure))
    expect(few!.bodyPt).toBeGreaterThan(many!.bodyPt)
    expect([few!.isCut, many!.isCut, all!.isCut]).toEqual([false, false, true])
  })

  test('breaks a word that is wider than the label, and loses no letter of it', () => {
    expect(wrapped('abcdefgh ij', 4, one => one.length)).toEqual(['abcd', 'efgh', 'ij'])
  })
})
