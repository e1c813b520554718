import { afterEach, expect, test, vi } from 'vitest'
import { keysOf, lastingStore, readJson, readText, removeKey, writeJson, writeText } from './storage.ts'

afterEach(() => {
  vi.restoreAllMocks()
  localStorage.clear()
})

test('what is kept is read again; what is damaged is as if there were none', () => {
  expect(writeJson(lastingStore(), 'a', { cups: 3 })).toBe(true)
  expect(readJson(lastingStore(), 'a')).toEqual({ cups: 3 })
  writeText(lastingStore(), 'a', '{"cups":')
  expect(readJson(lastingStore(), 'a')).toBeNull()
  expect(keysOf(lastingStore())).toEqual(['a'])
  removeKey(lastingStore(), 'a')
  expect(readText(lastingStore(), 'a')).toBeNull()
})

test('where a browser gives no storage nothing breaks, and it is said that nothing is kept', () => {
  vi.spyOn(window, 'localStorage', 'get').mockImplementation(() => {
    throw new DOMException('denied', 'SecurityError')
  })
  const none = lastingStore()
  expect(none).toBeNull()
  expect(writeText(none, 'a', 'x')).toBe(false)
  expect(readText(none, 'a')).toBeNull()
  expect(readJson(none, 'a')).toBeNull()
  expect(keysOf(none)).toEqual([])
  expect(() => removeKey(none, 'a')).not.toThrow()
})

test('a storage that is full says so and keeps what it has', () => {
  writeText(lastingStore(), 'a', 'before')
  vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError')
  })
  expect(writeText(lastingStore(), 'a', 'after')).toBe(false)
  expect(readText(lastingStore(), 'a')).toBe('before')
})
