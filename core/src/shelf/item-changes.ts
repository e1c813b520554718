import { fact, plain, together } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { writeCell } from './cells.ts'
import type { Field } from './fields.ts'
import type { ShelfItem } from './item.ts'
import { fieldsOfKind } from './shelf.ts'
import type { ShelfKind } from './shelf.ts'

type Values = Readonly<Record<string, unknown>>

/** A value as it stands in a sentence. */
function valueWords(field: Field, value: unknown): Words {
  if (writeCell(field, value) === '') return fact('nothing')
  const named = (of: unknown): Words => {
    const option = field.options?.find(one => one.value === of)
    return option ? fact(option.text) : String(of)
  }
  switch (field.kind) {
    case 'number':
      return fact('shelf.a-number', { value: plain((value as number) * (field.quantity === 'share' ? 100 : 1), 8) })
    case 'flag':
      return value ? fact('yes') : fact('no')
    case 'list':
      return together((value as string[]).map(named), ', ')
    default:
      return named(value)
  }
}

/** What of those fields is another, like "Name: Barn → Mill". Fields that `after` has no value of stay as they are. */
export const changesIn = (fields: readonly Field[], before: Values, after: Values): Words[] =>
  fields
    .filter(field => field.key in after && writeCell(field, after[field.key]) !== writeCell(field, before[field.key]))
    .map(field =>
      fact('shelf.changes-to', {
        label: fact(field.label),
        from: valueWords(field, before[field.key]),
        to: valueWords(field, after[field.key]),
      }),
    )

/** What an item has beside its fields, as it is called where it changes. */
const PARTS: Readonly<Record<string, Words>> = {
  lots: fact('shelf.lots-changed'),
  blend: fact('shelf.blend-changed'),
  parts: fact('shelf.parts-changed'),
  allergens: fact('shelf.allergens-changed'),
  swatches: fact('shelf.swatches-changed'),
  findings: fact('shelf.findings-changed'),
  colours: fact('shelf.colours-changed'),
}

/** What became of an item of the shelf from one version of it to another, in words; none where they are the same. */
export function itemChanges(kind: ShelfKind, before: ShelfItem, after: ShelfItem): Words[] {
  const old: Values = { ...before }
  const now: Values = { ...after }
  const isOther = (key: string) => JSON.stringify(old[key] ?? []) !== JSON.stringify(now[key] ?? [])
  return [
    ...changesIn(fieldsOfKind(kind), old, now),
    ...Object.entries(PARTS).flatMap(([key, words]) => (isOther(key) ? [words] : [])),
  ]
}
