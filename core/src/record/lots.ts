import { Choice, Id, NumberFrom, Parts, Text, YesNo } from '../document/fields/index.ts'
import { fact, grams } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { shelfKinds } from '../shelf/index.ts'
import type { Lot, ShelfKind } from '../shelf/index.ts'

/** Which lots went into a batch, and what is left of them. Amounts in g. */

/** What of one lot went into a batch. */
export class LotTaking {
  @Choice(shelfKinds, 'There is no such part of the shelf.')
  kind!: ShelfKind

  @Id('A thing on the shelf is named by its id.')
  item!: string

  @Id('A lot is named by its id.')
  lot!: string

  @NumberFrom(0.001, 200_000, 'What is taken of a lot is more than nothing, and at most 200 kg.')
  massG!: number
}

const MOST_TAKEN = 300

/** All that a batch takes of lots; it stands for what was said before. */
export class LotBooking {
  @Parts(() => LotTaking, 0, MOST_TAKEN, `A batch takes of at most ${MOST_TAKEN} lots.`)
  takes!: LotTaking[]

  @YesNo('To go on where a lot holds less is yes or no.', { says: 'A lot that holds less than was taken is emptied.' })
  evenIfShort!: boolean
}

/** What stands booked: `takenG` went off the count; less than went in where the count was short. */
export class LotUse extends LotTaking {
  @Text(0, 60, 'A lot’s mark has at most 60 letters.')
  mark!: string

  @NumberFrom(0, 200_000, 'What went off the count is at most 200 kg.')
  takenG!: number
}

/** A batch that holds a lot. */
export interface LotBatch {
  batch: string
  name: string
  pouredAt: string
  isDeleted: boolean
  lot: string
  mark: string
  massG: number
}

/** A lot that would fall below nothing. */
export interface ShortLot {
  kind: ShelfKind
  item: string
  lot: string
  haveG: number
  wantG: number
}

/** What is said of it. */
export const shortWords = ({ haveG, wantG }: Pick<ShortLot, 'haveG' | 'wantG'>): Words =>
  fact('record.lot-short', { haveG: grams(haveG, 1), wantG: grams(wantG, 1) })

const END = '9999-12-31'
/** Opened lots first, then by how long they keep, then as they were bought. */
const inTurn = (lots: readonly Lot[]): Lot[] =>
  [...lots].sort(
    (a, b) => Number(Boolean(b.opened)) - Number(Boolean(a.opened)) || (a.useBy || END).localeCompare(b.useBy || END),
  )

const MG = 1000
const tidyG = (g: number): number => Math.round(g * MG) / MG

/**
 * From which lots an amount is likely to have come: what was opened first. The lots never give more than they hold, but for the last
 * one, which bears what is missing: it is told, and never hidden.
 *
 * @returns empty where there is no lot
 */
export function fromLots(lots: readonly Lot[], massG: number): { lot: string; massG: number }[] {
  const takes: { lot: string; massG: number }[] = []
  let open = tidyG(massG)
  for (const { id, left } of inTurn(lots)) {
    const g = tidyG(Math.min(open, left))
    if (g <= 0) continue
    takes.push({ lot: id, massG: g })
    open = tidyG(open - g)
  }
  if (open <= 0) return takes
  const last = takes.at(-1)
  if (last) last.massG = tidyG(last.massG + open)
  else if (lots.length > 0) takes.push({ lot: inTurn(lots).at(-1)!.id, massG: open })
  return takes
}

export interface Booked {
  lots: Lot[]
  uses: { lot: string; mark: string; massG: number; takenG: number }[]
  short: { lot: string; haveG: number; wantG: number }[]
}

/**
 * Lots of one thing after a batch took of them: first what it had taken before comes back, then the new amounts go off. A lot never
 * falls below nothing: what is short is told, and off the count goes what is there.
 *
 * @returns null where a lot is not there any more
 */
export function bookLots(
  lots: readonly Lot[],
  before: readonly { lot: string; takenG: number }[],
  takes: readonly { lot: string; massG: number }[],
): Booked | null {
  const left = new Map(lots.map(lot => [lot.id, lot.left]))
  for (const { lot, takenG } of before) if (left.has(lot)) left.set(lot, left.get(lot)! + takenG)
  const uses: Booked['uses'] = []
  const short: Booked['short'] = []
  for (const { lot, massG } of takes) {
    const haveG = left.get(lot)
    if (haveG === undefined) return null
    const takenG = Math.min(massG, haveG)
    if (massG > haveG + 1 / MG) short.push({ lot, haveG: tidyG(haveG), wantG: massG })
    left.set(lot, haveG - takenG)
    uses.push({ lot, mark: lots.find(one => one.id === lot)!.mark, massG, takenG: tidyG(takenG) })
  }
  return { lots: lots.map(lot => ({ ...lot, left: tidyG(Math.max(0, left.get(lot.id)!)) })), uses, short }
}
