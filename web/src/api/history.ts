import type { HistoryAnswer, KeptVersion, Plan } from '@ostler/core'
import { queryOptions } from '@tanstack/react-query'
import { call } from './client.ts'

export const historyQuery = (batch: string) =>
  queryOptions({
    queryKey: ['batches', 'history', batch],
    queryFn: () => call<HistoryAnswer>('GET', `/batches/${batch}/history`),
    staleTime: 0,
  })

/** The plan of a batch as it was; what was is never another. */
export const versionQuery = (batch: string, revision: number) =>
  queryOptions({
    queryKey: ['batches', 'version', batch, revision],
    queryFn: () => call<{ revision: number; plan: Plan }>('GET', `/batches/${batch}/history/${revision}`),
    ...{ staleTime: Infinity, retry: false },
  })

/** What a thing was before, under its own address. */
export const versionsQuery = <T>(at: string) =>
  queryOptions({
    queryKey: ['versions', at],
    queryFn: () => call<KeptVersion<T>[]>('GET', `${at}/versions`),
    staleTime: 0,
  })

export const nameVersion = (batch: string, revision: number, name: string) =>
  call<void>('PUT', `/batches/${batch}/history/${revision}/name`, { name })
