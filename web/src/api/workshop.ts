import type { Labelling, Learned, LotBatch, LotBooking, LotUse, RackPlan, ShelfKind } from '@ostler/core'
import { queryOptions } from '@tanstack/react-query'
import { call } from './client.ts'

/** Lots of batches, and what holds for all batches of the workshop. */

export const lotsQuery = (batch: string) =>
  queryOptions({
    queryKey: ['batches', 'lots', batch],
    queryFn: () => call<LotUse[]>('GET', `/batches/${batch}/lots`),
    staleTime: 0,
  })
export const bookLots = (batch: string, booking: LotBooking) => call<LotUse[]>('PUT', `/batches/${batch}/lots`, booking)

/** Batches that hold a thing of the shelf. */
export const holdingQuery = (kind: ShelfKind, item: string) =>
  queryOptions({
    queryKey: ['lots', kind, item],
    queryFn: () => call<LotBatch[]>('GET', `/lots/${kind}/${item}`),
    staleTime: 0,
  })

export const labellingQuery = queryOptions({
  queryKey: ['labelling'],
  queryFn: () => call<Labelling>('GET', '/labelling'),
})
export const saveLabelling = (labelling: Labelling) => call<void>('PUT', '/labelling', labelling)

export const rackPlanQuery = queryOptions({
  queryKey: ['rack-plan'],
  queryFn: () => call<RackPlan>('GET', '/rack'),
})
export const saveRackPlan = (rack: RackPlan) => call<void>('PUT', '/rack', rack)

export const tagsQuery = queryOptions({
  queryKey: ['batches', 'tags'],
  queryFn: () => call<string[]>('GET', '/batches/tags'),
})
export const saveTags = (batch: string, tags: readonly string[]) =>
  call<void>('PUT', `/batches/${batch}/tags`, { tags })
export const archiveBatch = (batch: string) => call<void>('POST', `/batches/${batch}/archive`)
export const unarchiveBatch = (batch: string) => call<void>('POST', `/batches/${batch}/unarchive`)

/** What the causes that were confirmed in other batches teach of this one. */
export const learnedQuery = (batch: string) =>
  queryOptions({
    queryKey: ['batches', 'faults', batch],
    queryFn: () => call<Learned>('GET', `/batches/${batch}/faults/learned`),
    staleTime: 60_000,
  })
