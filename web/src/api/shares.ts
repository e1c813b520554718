import type { ShareAnswer, ShareForm, SharedAnswer, SharedRecordAnswer } from '@ostler/core'
import { queryOptions } from '@tanstack/react-query'
import { call } from './client.ts'

export const sharesQuery = (batch: string) =>
  queryOptions({
    queryKey: ['batches', 'shares', batch],
    queryFn: () => call<ShareAnswer[]>('GET', `/batches/${batch}/shares`),
    staleTime: 0,
  })
export const addShare = (batch: string, form: ShareForm) =>
  call<{ token: string }>('POST', `/batches/${batch}/shares`, form)
export const endShare = (batch: string, id: string) => call<void>('DELETE', `/batches/${batch}/shares/${id}`)

export const sharedQuery = (token: string) =>
  queryOptions({
    queryKey: ['shared', token],
    queryFn: () => call<SharedAnswer>('GET', `/shared/${token}`),
    retry: false,
  })
export const sharedAddress = (token: string, file: 'face.png' | 'design.json' | 'sheet.pdf'): string =>
  `/api/shared/${token}/${file}`

export const sharedRecordQuery = (token: string) =>
  queryOptions({
    queryKey: ['shared', token, 'record'],
    queryFn: () => call<SharedRecordAnswer>('GET', `/shared/${token}/record`),
    retry: false,
  })
export const sharedPhoto = (token: string, photo: string): string => `/api/shared/${token}/photos/${photo}/large`
