import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import {
  TableReader,
  checkItem,
  fieldsOfKind,
  idFromName,
  itemChanges,
  newItem,
  readCell,
  referenceShelf,
  shelfKinds,
  substitutesFor,
  tableHeaders,
  tableRow,
  vesselFit,
  writeCell,
} from './index.ts'
import type { Oil, ShelfItem } from './index.ts'
import { said, say } from '../quantities/words/index.ts'

const shelf = referenceShelf()

describe('the starting shelf', () => {
  test.each(shelfKinds)('%s are right by the rules of the forms, and each id stands once', kind => {
    const items: readonly ShelfItem[] = shelf[kind]
    expect(items.length).toBeGreaterThan(kind === 'palettes' ? -1 : 5)
    expect(new Set(items.map(item => item.id)).size).toBe(items.length)
    for (const item of items) expect(checkItem(kind, item), item.id).toMatchObject({ ok: true })
  })

  test('iodine values follow from the fatty acids, to a tenth or 4', () => {
    // One double bond takes 253.81 g of iodine per mol: 85.6 (oleic, ricinoleic as its oil), 173.2, 260 g per 100 g of oil.
    for (const oil of shelf.oils.filter(one => one.texture !== 'wax' && one.freeAcidShare < 0.5)) {
      if (oil.id === 'jojoba' || oil.id === 'lanolin' || oil.id === 'meadowfoam') continue
      const made = 0.86 * (oil.oleic + oil.ricinoleic) * 100 + 1.732 * oil.linoleic * 100 + 2.616 * oil.linolenic * 100
      const off = Math.abs(made * (1 - oil.unsaponifiableShare) - oil.iodineValue)
      expect(off, `${oil.id}: ${made.toFixed(0)} for ${oil.iodineValue}`).toBeLessThan(
        Math.max(4, oil.iodineValue * 0.1),
      )
    }
  })

  test('essential oils are never used above their limit', () => {
    for (const scent of shelf.scents) {
      const limit = scent.limitBasis === 'soap' ? scent.limitShare * 1.25 : scent.limitShare
      expect(scent.usualShareOfOils, scent.id).toBeLessThanOrEqual(limit + 1e-9)
    }
  })
})

describe('items', () => {
  test('a new item only lacks its name', () => {
    for (const kind of shelfKinds) {
      expect(said(checkItem(kind, newItem(kind)))).toMatchObject({ ok: false, problems: [{ path: 'name' }] })
      expect(checkItem(kind, { ...newItem(kind), name: 'Thing' })).toMatchObject({ ok: true })
    }
  })

  const olive = shelf.oils.find(oil => oil.id === 'olive')!
  test.each<[string, Partial<Record<keyof Oil | 'cat', unknown>>, RegExp]>([
    ['acids over 100 %', { oleic: 0.95 }, /add up to 1\d\d/],
    ['a low above the value', { sapKohLowMgPerG: 195 }, /usual low is at most/],
    ['a value that is none', { sapKohMgPerG: 19 }, /is from 60 to 400/],
    ['a name of another kind', { cat: 1 }, /does not belong/],
    [
      'a lot with a date that is none',
      { lots: [{ id: 'a', mark: '', bought: 1, left: 1, cost: 0, useBy: '2027-13-01' }] },
      /use-by date/,
    ],
  ])('%s is refused in a sentence', (_, change, sentence) => {
    const checked = checkItem('oils', { ...olive, ...change })
    expect(said(checked.ok ? '' : checked.problems[0]!.sentence)).toMatch(sentence)
  })

  test('a blend whose parts miss 100 % is refused', () => {
    const blend = { ...newItem('scents'), name: 'Blend', type: 'blend', parts: [{ scent: 'eo-lavender', share: 0.9 }] }
    expect(said(checkItem('scents', blend))).toMatchObject({ ok: false, problems: [{ path: 'parts' }] })
  })

  test('ids come from names and are not taken twice', () => {
    expect(idFromName('Shéa butter, raw', () => false)).toBe('shea-butter-raw')
    expect(idFromName('Olive', id => id === 'olive')).toBe('olive-2')
    expect(idFromName('油', () => false)).toBe('item')
    expect(idFromName('New', () => false)).toBe('item')
  })

  test('a cell written and read again is the same value, for every field of every item', () => {
    for (const kind of shelfKinds)
      for (const item of shelf[kind])
        for (const field of fieldsOfKind(kind)) {
          const value = (item as unknown as Record<string, unknown>)[field.key]
          const read = readCell(field, writeCell(field, value))
          if (typeof value === 'number') expect(read.ok && (read.value as number)).toBeCloseTo(value, 6)
          else expect(read).toEqual({ ok: true, value })
        }
  })
})

describe('table files', () => {
  const reader = (headers: string[], ...rows: string[][]) => {
    const made = new TableReader('oils', headers, shelf.oils)
    rows.forEach((row, i) => made.read(row, i + 2))
    return made.preview
  }

  test('what was written out is all the same when read in', () => {
    for (const kind of shelfKinds) {
      const made = new TableReader(kind, tableHeaders(kind), shelf[kind])
      shelf[kind].forEach((item, i) => made.read(tableRow(kind, item), i + 2))
      expect(made.preview.reports.every(report => report.state === 'same')).toBe(true)
      expect(made.preview.items).toEqual([])
    }
  })

  test('what became of an item is told field by field, and part by part', () => {
    const olive = shelf.oils.find(oil => oil.id === 'olive')!
    const lots = [{ id: 'a', mark: '', bought: 1, left: 1, cost: 0, useBy: '' }]
    const now = { ...olive, note: 'new press', texture: 'brittle' as const, tags: ['palm' as const], lots }
    expect(itemChanges('oils', olive, olive)).toEqual([])
    expect(
      itemChanges('oils', olive, { ...Object.fromEntries(Object.entries(olive).reverse()) } as unknown as Oil),
    ).toEqual([])
    expect(said(itemChanges('oils', olive, now))).toEqual([
      'Note: nothing → new press',
      'Contains or concerns: nothing → palm',
      expect.stringMatching(/^At room warmth: liquid or soft → /),
      'lots',
    ])
  })

  test('new, changed and refused rows are told apart, with what changes and why not', () => {
    const preview = reader(
      ['Name', 'Saponification value [mg KOH/g]', 'Usual most'],
      ['Olive oil, refined', '191,5', '100 %'],
      ['Barn oil', '190', '12,5'],
      ['Odd oil', '19', ''],
      ['', '190', ''],
      ['Barn oil', '188', ''],
    )
    expect(preview.reports.map(report => report.state)).toEqual(['changed', 'new', 'refused', 'refused', 'refused'])
    expect(said(preview.reports[0]!.details)).toEqual(['Saponification value: 190 → 191.5'])
    expect(said(preview.reports[2]!.details[0])).toMatch(/from 60 to 400 mg KOH\/g, not 19/)
    expect(said(preview.reports[3]!.details[0])).toMatch(/name of 1 to 80/)
    expect(said(preview.reports[4]!.details[0])).toMatch(/stands in row 3 already/)
    expect(preview.items).toMatchObject([
      { id: 'olive', sapKohMgPerG: 191.5, iodineValue: 84 },
      { id: 'barn-oil', usualMostShare: 0.125 },
    ])
  })

  test('headers that no oil has are named; without a name column nothing is read', () => {
    expect(reader(['Name', 'Colour of the cat'], ['A', 'x']).columns).toMatchObject([
      { header: 'Name', field: 'name' },
      { header: 'Colour of the cat', field: '' },
    ])
    const none = reader(['Cat', 'Dog'], ['x', 'y'])
    expect(said(none.problem)).toMatch(/no column “Name”/)
    expect(none.columns.map(one => one.header)).toEqual(['Cat', 'Dog'])
    expect(none.items).toEqual([])
  })

  test('columns are what somebody says they are, and show what stands in them', () => {
    const headers = ['Öl', 'SAP', 'Bemerkung']
    const rows = [
      ['Fern kernel oil', '193', ''],
      ['Moss seed oil', '0.136', 'new press'],
    ]
    const guessed = new TableReader('oils', headers, shelf.oils)
    rows.forEach(row => guessed.sample(row))
    expect(guessed.preview.problem).not.toBeNull()
    expect(guessed.preview.columns).toEqual([
      { header: 'Öl', sample: 'Fern kernel oil', field: '' },
      { header: 'SAP', sample: '193', field: '' },
      { header: 'Bemerkung', sample: 'new press', field: '' },
    ])
    const called = new Map([['sapKohMgPerG', 'S.A.P.']])
    expect(new TableReader('oils', headers, shelf.oils, null, called).preview.columns[1]!.field).toBe('sapKohMgPerG')
    const told = new TableReader('oils', headers, shelf.oils, ['name', 'sapKohMgPerG', 'nonsense'])
    rows.forEach((row, i) => told.read(row, i + 2))
    expect(told.preview.problem).toBeNull()
    expect(told.preview.columns.map(({ field }) => field)).toEqual(['name', 'sapKohMgPerG', ''])
    expect(told.preview.items).toMatchObject([{ id: 'fern-kernel-oil', name: 'Fern kernel oil', sapKohMgPerG: 193 }])
    // Grams of NaOH for one of oil are no mg of KOH: the row is refused, not taken for a thousandth.
    expect(told.preview.reports.map(({ state }) => state)).toEqual(['new', 'refused'])
  })

  test('whatever stands in a file, every row gets one report and no item is wrong', () => {
    const cell = fc.oneof(fc.string(), fc.constantFrom('yes', '12', '1,5', '-3', '200 %', 'hard', '=1+1'))
    fc.assert(
      fc.property(fc.array(fc.array(cell, { minLength: 6, maxLength: 6 }), { maxLength: 12 }), rows => {
        const headers = ['Id', 'Name', 'Saponification value', 'At room warmth', 'Contains or concerns', 'Archived']
        const preview = reader(headers, ...rows)
        const filled = rows.filter(row => row.some(text => text.trim() !== ''))
        expect(preview.reports).toHaveLength(filled.length)
        for (const item of preview.items) expect(typeof item.id).toBe('string')
      }),
    )
  })
})

describe('substitutes and vessels', () => {
  test('the nearest oil to refined olive is another olive; what is never used is left out', () => {
    const [first] = substitutesFor(shelf, 'oils', 'olive')
    expect(first!.id).toMatch(/^olive/)
    const rules = [{ tag: 'palm' as const, weight: 'never' as const }]
    expect(substitutesFor({ ...shelf, rules }, 'oils', 'tallow', 50).map(one => one.id)).not.toContain('palm')
    expect(substitutesFor(shelf, 'oils', 'tallow', 50).map(one => one.id)).toContain('palm')
  })

  test('a substitute says what changes: lye, pace, label', () => {
    const almond = substitutesFor(shelf, 'oils', 'sunflower-high-oleic', 50).find(one => one.id === 'almond-sweet')!
    expect(almond.changes.map(one => say(one)).join(' ')).toMatch(/lye \+1\.6 %.*label: now tree nut/)
  })

  test('a vessel is worked to four fifths; lye is heavier than batter', () => {
    const jug = shelf.vessels.find(vessel => vessel.id === 'jug-pp-1000')!
    expect(vesselFit(jug, 800, 'batter').fits).toBe(true)
    expect(vesselFit(jug, 801, 'batter').fits).toBe(false)
    expect(vesselFit(jug, 1000, 'lye').fits).toBe(true)
  })
})
