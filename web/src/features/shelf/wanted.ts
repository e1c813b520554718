import { TAGS, fieldsOfKind, stockOf } from '@ostler/core'
import type { Field, ShelfItem, ShelfKind } from '@ostler/core'
import { t } from '../../words/index.ts'

export type View = 'here' | 'stocked' | 'out' | 'soon' | 'own' | 'archived'

export const VIEWS: readonly { value: View; text: string }[] = [
  { value: 'here', text: t('all in use') },
  { value: 'stocked', text: t('in stock') },
  { value: 'out', text: t('used up') },
  { value: 'soon', text: t('use-by within 60 days') },
  { value: 'own', text: t('own or supplier’s values') },
  { value: 'archived', text: t('archived') },
]

export interface Sort {
  key: string
  down: boolean
}

const SOON_MS = 60 * 86_400_000

/** Whether an item belongs to a view; `now` in ms. */
function isIn(view: View, item: ShelfItem, now: number): boolean {
  if (view === 'archived') return item.archived
  if (item.archived) return false
  switch (view) {
    case 'stocked':
      return stockOf(item) > 0
    case 'out':
      return item.lots.length > 0 && stockOf(item) <= 0
    case 'soon':
      return item.lots.some(lot => lot.left > 0 && lot.useBy !== '' && Date.parse(lot.useBy) - now < SOON_MS)
    case 'own':
      return item.source === 'measured' || item.source === 'supplier'
    default:
      return true
  }
}

const textOf = (item: ShelfItem): string =>
  `${item.name} ${item.note} ${item.tags.map(tag => t(TAGS[tag])).join(' ')} ${item.id}`.toLowerCase()

/** The value of a column, for sorting. */
function valueOf(item: ShelfItem, key: string): string | number {
  if (key === 'stock') return item.lots.length > 0 ? stockOf(item) : -1
  const value = (item as unknown as Record<string, unknown>)[key]
  return typeof value === 'number' ? value : String(value).toLowerCase()
}

/** Fields that stand in the list, the name first. */
export const listFields = (kind: ShelfKind): Field[] => fieldsOfKind(kind).filter(field => field.inList)

/** Items of a view that carry every word searched for, sorted. */
export function wantedItems(
  kind: ShelfKind,
  items: readonly ShelfItem[],
  search: string,
  view: View,
  sort: Sort,
  now = Date.now(),
): ShelfItem[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  const key = sort.key === 'stock' || listFields(kind).some(field => field.key === sort.key) ? sort.key : 'name'
  const found = items.filter(item => {
    if (!isIn(view, item, now)) return false
    if (words.length === 0) return true
    const text = textOf(item)
    return words.every(word => text.includes(word))
  })
  const keyed = found.map(item => ({ item, value: valueOf(item, key) }))
  keyed.sort((a, b) => (a.value < b.value ? -1 : a.value > b.value ? 1 : 0) * (sort.down ? -1 : 1))
  return keyed.map(one => one.item)
}
