import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { readPlanText } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { say } from '../quantities/words/index.ts'
import { stockNeeds } from '../weighing/index.ts'
import { LABEL_SHEETS, USUAL_LABELLING, claimsIn, ingredientList, labelPlaces, lotCode } from './index.ts'
import type { LabelSchool, LabelSheetId } from './index.ts'

const EXAMPLES = ['heron-reach', 'weir-milk', 'ninth-lock', 'otter-slide', 'peat-and-sedge']
function planOf(name: string) {
  const read = readPlanText(readFileSync(new URL(`../../../examples/${name}.json`, import.meta.url), 'utf8'))
  if (!read.ok) throw new Error(name)
  return read.plan
}
const reference = referenceShelf()
const named = <T extends { name: string; inci: string }>(items: readonly T[]): T[] =>
  items.map(one => ({ ...one, inci: one.inci || one.name.replaceAll(',', '') }))
/** Everything on it has a name for labels. */
const shelf: Shelf = {
  ...reference,
  ...{ oils: named(reference.oils), liquids: named(reference.liquids), additives: named(reference.additives) },
  colorants: named(reference.colorants),
}
const listFor = (name: string, school: LabelSchool, on: Shelf = shelf, curedG = 1000) => {
  const plan = planOf(name)
  return ingredientList(plan, on, portionsOf(plan, on), { school, curedG })
}
const mass = (list: readonly { massG: number }[]) => list.reduce((sum, one) => sum + one.massG, 0)

describe('ingredients on a label', () => {
  test.each(EXAMPLES)('%s: all that goes in stands in it, and what becomes of it weighs the same', name => {
    const plan = planOf(name)
    const needs = stockNeeds(plan, shelf, portionsOf(plan, shelf))
    // Which oil the colours are wetted with nobody has said: that is told instead.
    const inG = mass(needs.filter(one => one.id !== 'oil').map(one => ({ massG: one.needG })))
    const putIn = listFor(name, 'put-in')
    expect(mass(putIn.names)).toBeCloseTo(inG, 6)
    // Soap is lighter or heavier than what it was made of by nothing but the lye that nobody counts twice.
    const made = listFor(name, 'as-made').names
    expect(mass(made)).toBeGreaterThan(0.97 * mass(putIn.names))
    expect(mass(made)).toBeLessThan(1.03 * mass(putIn.names))
  })

  test.each(EXAMPLES)('%s: the large stand by mass, colours stand last', name => {
    for (const school of ['put-in', 'as-made'] as const) {
      const { names } = listFor(name, school)
      const large = names.filter(one => one.share >= 0.01 && one.part !== 'colour')
      expect(names.slice(0, large.length)).toEqual(large)
      expect(large.map(one => one.massG)).toEqual([...large.map(one => one.massG)].sort((a, b) => b - a))
      const first = names.findIndex(one => one.part === 'colour')
      if (first >= 0) expect(names.slice(first).every(one => one.part === 'colour')).toBe(true)
    }
  })

  test('both schools name their own', () => {
    expect(listFor('heron-reach', 'put-in').text).toMatch(/^Olea Europaea Fruit Oil, .*Sodium Hydroxide/)
    const made = listFor('heron-reach', 'as-made').text
    expect(made).toMatch(/^Sodium Olivate, /)
    expect(made).toContain('Glycerin')
    expect(made).not.toContain('Sodium Hydroxide')
  })

  test('an allergen is named from 0.01 % of the soap on, and only then', () => {
    const plan = planOf('ninth-lock')
    const scent = stockNeeds(plan, shelf, portionsOf(plan, shelf)).find(one => one.kind === 'scents')!
    const withShare = (share: number): Shelf => ({
      ...shelf,
      scents: shelf.scents.map(one =>
        one.id === scent.id ? { ...one, allergens: [{ name: 'Linalool', share }] } : one,
      ),
    })
    const limit = (0.0001 * 1000) / scent.needG
    expect(listFor('ninth-lock', 'put-in', withShare(limit * 1.02)).text).toMatch(/Parfum.*Linalool/)
    expect(listFor('ninth-lock', 'put-in', withShare(limit * 0.98)).text).not.toContain('Linalool')
    expect(
      listFor('ninth-lock', 'put-in')
        .doubts.map(one => say(one))
        .join(' '),
    ).toMatch(/No allergens are on the shelf/)
  })

  test('what has no name on the shelf is told', () => {
    const bare = { ...shelf, oils: shelf.oils.map(one => ({ ...one, inci: '', inciSoap: '' })) }
    expect(say(listFor('heron-reach', 'put-in', bare).doubts[0]!)).toMatch(/^Without a name for labels/)
  })
})

describe('labels on their sheets', () => {
  test('never overlap, never leave the sheet, and none is missing', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(LABEL_SHEETS) as LabelSheetId[])),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 0, max: 40 }),
        (id, count, skip) => {
          const sheet = LABEL_SHEETS[id]
          const pages = labelPlaces(sheet, count, { ...USUAL_LABELLING, skip })
          expect(pages.flat()).toHaveLength(count)
          for (const places of pages) {
            for (const { xMm, yMm, widthMm, heightMm } of places) {
              expect(xMm + widthMm).toBeLessThanOrEqual(sheet.widthMm + 1e-9)
              expect(yMm + heightMm).toBeLessThanOrEqual(sheet.heightMm + 1e-9)
            }
            expect(new Set(places.map(({ xMm, yMm }) => `${xMm} ${yMm}`)).size).toBe(places.length)
          }
        },
      ),
    ))
})

test('claims are pointed out with their word, and plain words are not', () => {
  expect(claimsIn('Heals eczema, kills germs, anti-ageing').map(one => say(one))).toHaveLength(3)
  expect(claimsIn('Olive oil soap with rose clay. Treat yourself to a bath.')).toEqual([])
})

test('lots of one day differ by their batch', () => {
  expect(lotCode('2026-11-30T14:00', 'ab12cd34-0000')).toBe('261130-AB12')
  expect(lotCode('', 'ab12cd34-0000')).toBe('000000-AB12')
})
