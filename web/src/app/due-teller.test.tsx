import { starterPlan } from '@ostler/core'
import type { Due } from '@ostler/core'
import { cleanup, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { SOMEBODY, answering } from '../api/test/answering.ts'
import { startTelling, stopTelling, toTell } from '../kept/due-notices.ts'
import { opened } from '../plan/test/opened.tsx'
import { DueTeller } from './due-teller.tsx'

const told: { title: string; body: string }[] = []
class Notice {
  static permission = 'granted'
  static requestPermission = () => Promise.resolve(Notice.permission)
  constructor(title: string, { body }: { body: string }) {
    told.push({ title, body })
  }
}

beforeEach(() => {
  localStorage.clear()
  told.length = 0
  Notice.permission = 'granted'
  vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-03-04T10:00') })
  vi.stubGlobal('Notification', Notice)
})
afterEach(() => {
  cleanup()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

const due = (name: string, on: string): Due => ({
  ...{ key: name, batch: name, name, kind: 'cut', on, what: `Cut ${name}.` },
})
const show = (dues: Due[]) => {
  answering({ 'GET /session': SOMEBODY, 'GET /due/today': dues })
  opened(starterPlan('Any'), <DueTeller />, { asks: true })
}

test('nothing is told until somebody asked for it here, and nothing after it was taken back', async () => {
  show([due('Moss', '2026-03-04')])
  await new Promise(done => setTimeout(done, 50))
  expect(told).toEqual([])
  cleanup()
  Notice.permission = 'denied'
  expect(await startTelling()).toBe(false)
  Notice.permission = 'granted'
  expect(await startTelling()).toBe(true)
  stopTelling()
  show([due('Moss', '2026-03-04')])
  await new Promise(done => setTimeout(done, 50))
  expect(told).toEqual([])
})

test('what has become due is told once; many at once as one', async () => {
  await startTelling()
  show([due('Moss', '2026-03-04'), due('Later', '2026-03-04T18:00'), due('Fern', '2026-03-02')])
  await waitFor(() => expect(told).toHaveLength(2))
  expect(told).toEqual([
    { title: 'Moss', body: 'Cut Moss.' },
    { title: 'Fern', body: 'Cut Fern.' },
  ])
  cleanup()
  show([due('Moss', '2026-03-04'), ...['A', 'B', 'C', 'D'].map(name => due(name, '2026-03-04'))])
  await waitFor(() => expect(told).toHaveLength(3))
  expect(told[2]).toEqual({ title: '4 things are due', body: 'A, B, C, D' })
})

test('without an hour of its own it is due from nine in the morning on; moved to another day it is told again', () => {
  const dues = [due('Moss', '2026-03-04')]
  expect(toTell(dues, '2026-03-04T08:59')).toEqual([])
  expect(toTell(dues, '2026-03-04T09:00')).toHaveLength(1)
  expect(toTell(dues, '2026-03-04T09:05')).toEqual([])
  expect(toTell([due('Moss', '2026-03-05')], '2026-03-05T09:00')).toHaveLength(1)
})
