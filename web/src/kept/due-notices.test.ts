import type { Due } from '@ostler/core'
import { beforeEach, expect, test } from 'vitest'
import { toTell } from './due-notices.ts'

const due = (key: string, on: string): Due => ({ key, kind: 'cut', batch: 'b', name: 'Weir', on, what: 'Cut it' })

beforeEach(() => localStorage.clear())

test('what has become due is told once, from its hour on, and again when it is due anew', () => {
  const dues = [due('a', '2026-03-02'), due('b', '2026-03-02T14:30'), due('c', '2026-03-03')]
  const told = (now: string) => toTell(dues, now).map(one => one.key)
  expect(told('2026-03-02T08:59')).toEqual([])
  expect(told('2026-03-02T09:00')).toEqual(['a'])
  expect(told('2026-03-02T15:00')).toEqual(['b'])
  expect(told('2026-03-02T23:00')).toEqual([])
  expect(toTell([due('a', '2026-03-09')], '2026-03-10T09:00')).toHaveLength(1)
})
