import { fact } from '../quantities/facts/index.ts'
import { opened } from '../document/kept/index.ts'
import type { Kind, Opened } from '../document/kept/index.ts'
import { completed } from './reference.ts'
import type { ItemOf, ShelfKind } from './shelf.ts'

/** Goes up whenever a field of the shelf is kept in another form, with a step up; a new field is filled in without. */
export const SHELF_VERSION = 1

const kindOf = <K extends ShelfKind>(kind: K): Kind<ItemOf<K>> => ({
  format: `ostler-${kind}`,
  version: SHELF_VERSION,
  steps: {},
  says: {
    noObject: fact('shelf.item-no-object'),
    otherFormat: fact('shelf.item-other-format'),
    tooDeep: fact('shelf.item-too-deep'),
    newer: version => fact('shelf.item-newer', { version, newest: SHELF_VERSION }),
  },
  read: ({ format: _, version: __, ...item }) => ({ ok: true, value: completed(kind, item) }),
})

/** An item of the shelf as it was kept, of whatever version, with what it lacks filled in. Never throws. */
export const openedItem = <K extends ShelfKind>(kind: K, item: object, version: number): Opened<ItemOf<K>> =>
  opened(kindOf(kind), { ...item, format: `ostler-${kind}`, version })
