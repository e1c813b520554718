import type {
  BackupAnswer,
  DeedAnswer,
  InvitedAnswer,
  JoinForm,
  MembersAnswer,
  NewPasswordForm,
  OpenSession,
  PasswordForm,
  Role,
  TakenIn,
} from '@ostler/core'
import { infiniteQueryOptions, queryOptions } from '@tanstack/react-query'
import { call } from './client.ts'

export const membersQuery = queryOptions({
  queryKey: ['members'],
  queryFn: () => call<MembersAnswer>('GET', '/members'),
})
export const invite = (role: Role) => call<{ token: string }>('POST', '/members/invitations', { role })
export const withdrawInvitation = (id: string) => call<void>('DELETE', `/members/invitations/${id}`)
export const setRole = (id: string, role: Role) => call<void>('PUT', `/members/${id}`, { role })
export const removeMember = (id: string) => call<void>('DELETE', `/members/${id}`)
export const wayToPassword = (id: string) => call<{ token: string }>('POST', `/members/${id}/new-password`)
export const deleteWorkshop = (password: string) => call<void>('POST', '/members/delete-workshop', { password })

/** Who did what, the newest first; a page ends where the next begins. */
export const deedsQuery = infiniteQueryOptions({
  queryKey: ['members', 'deeds'],
  queryFn: ({ pageParam }) => call<DeedAnswer[]>('GET', `/members/deeds${pageParam ? `?before=${pageParam}` : ''}`),
  initialPageParam: '',
  getNextPageParam: page => page.at(-1)?.seq,
})
export const DEEDS_FILE = '/api/members/deeds.csv'

export const invitedQuery = (token: string) =>
  queryOptions({
    queryKey: ['way in', token],
    queryFn: () => call<InvitedAnswer>('GET', `/ways-in/${token}`),
    retry: false,
  })
export const comeIn = (token: string, form: JoinForm | NewPasswordForm) => call<void>('POST', `/ways-in/${token}`, form)

export const sessionsQuery = queryOptions({
  queryKey: ['account', 'sessions'],
  queryFn: () => call<OpenSession[]>('GET', '/account/sessions'),
})
export const endSession = (id: string | null) => call<void>('DELETE', `/account/sessions${id ? `/${id}` : ''}`)
export const savePassword = (form: PasswordForm) => call<void>('PUT', '/account/password', form)
export const beginSecondStep = (password: string) =>
  call<{ secret: string; picture: string }>('POST', '/account/second-step', { password })
export const confirmSecondStep = (code: string) => call<void>('PUT', '/account/second-step', { code })
export const endSecondStep = (password: string) => call<void>('POST', '/account/second-step/off', { password })
export const leaveWorkshop = (password: string) => call<void>('POST', '/account/leave', { password })

export const backupQuery = queryOptions({
  queryKey: ['members', 'backup'],
  queryFn: () => call<BackupAnswer>('GET', '/members/backup'),
})

export const EVERYTHING_FILE = '/api/everything.zip'
export const takeInEverything = (file: File) =>
  call<TakenIn>('POST', '/everything.zip', undefined, { headers: { 'content-type': 'application/zip' }, body: file })
