import { referenceShelf } from '@ostler/core'
import type { Oil } from '@ostler/core'
import { describe, expect, test } from 'vitest'
import { listFields, wantedItems } from './wanted.ts'
import type { View } from './wanted.ts'

const NOW = Date.parse('2026-11-23')
const lot = (left: number, useBy = '') => ({ id: 'a', mark: '', bought: 1000, left, cost: 1, useBy })
const oils: Oil[] = referenceShelf().oils.map(oil => ({ ...oil }))
const at = (id: string, change: Partial<Oil>) =>
  Object.assign(
    oils.find(oil => oil.id === id)!,
    change,
  )
at('olive', { lots: [lot(500)], source: 'measured' })
at('palm', { lots: [lot(0)] })
at('castor', { lots: [lot(20, '2027-01-05')] })
at('shea', { lots: [lot(20, '2027-09-05')] })
at('lard', { archived: true })

const ids = (search: string, view: View = 'here', sort = { key: 'name', down: false }) =>
  wantedItems('oils', oils, search, view, sort, NOW).map(oil => oil.id)

describe('the list of the shelf', () => {
  test('every word must be found, in name, note, content or id, in any case', () => {
    expect(ids('OLEIC sunflower')).toEqual(['sunflower-high-oleic'])
    expect(ids('tree nut')).toEqual(expect.arrayContaining(['almond-sweet', 'hazelnut', 'macadamia']))
    expect(ids('sticky')).toEqual(['castor'])
    expect(ids('no such thing')).toEqual([])
  })

  test('archived items are shown only where they are asked for', () => {
    expect(ids('')).toHaveLength(oils.length - 1)
    expect(ids('', 'archived')).toEqual(['lard'])
  })

  test('views by stock, date and source', () => {
    expect(ids('', 'stocked')).toEqual(['castor', 'olive', 'shea'])
    expect(ids('', 'out')).toEqual(['palm'])
    expect(ids('', 'soon')).toEqual(['castor'])
    expect(ids('', 'own')).toEqual(['olive'])
  })

  test('numbers sort as numbers, both ways; what is not counted stands below', () => {
    const up = ids('', 'here', { key: 'sapKohMgPerG', down: false })
    const value = (id: string) => oils.find(oil => oil.id === id)!.sapKohMgPerG
    up.slice(1).forEach((id, i) => expect(value(id)).toBeGreaterThanOrEqual(value(up[i]!)))
    expect(ids('', 'here', { key: 'stock', down: true }).slice(0, 1)).toEqual(['olive'])
    expect(ids('', 'here', { key: 'stock', down: false }).at(-1)).toBe('olive')
  })

  test('a column that this kind does not have falls back to the name', () => {
    expect(ids('', 'here', { key: 'flashC', down: false })).toEqual(ids(''))
    expect(listFields('oils')[0]!.key).toBe('name')
  })
})
