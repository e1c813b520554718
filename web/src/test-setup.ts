import { readFileSync } from 'node:fs'
import { cleanup, configure } from '@testing-library/react'
import { afterAll, afterEach, beforeAll, expect, vi } from 'vitest'

/**
 * Files of tests share one loading of the modules, which takes longer than most of them. A file that puts others in the
 * place of modules gets them fresh, and so does the one after it.
 */
const loading = globalThis as { isMixed?: boolean }
const isMixing = /vi\.(mock|doMock)\(/.test(readFileSync(expect.getState().testPath!, 'utf8'))
if (isMixing || loading.isMixed) vi.resetModules()
loading.isMixed = isMixing

/** A busy machine may take its time: what is waited for is waited for longer than the usual second. */
configure({ asyncUtilTimeout: 15_000 })

// A browser of somebody who tells the time by 24 hours, whatever this machine speaks.
if (typeof navigator !== 'undefined')
  Object.defineProperty(navigator, 'languages', { value: ['en-GB', 'en'], configurable: true })

// What a file leaves to be done later would be done among the tests of the next.
const plain = { setTimeout, setInterval }
const waiting = new Set<NodeJS.Timeout>()
const noted = (wait: typeof setTimeout | typeof setInterval) =>
  Object.assign((...args: Parameters<typeof setTimeout>) => {
    const timer = wait(...args)
    waiting.add(timer)
    return timer
  }, wait)
beforeAll(() => {
  globalThis.setTimeout = noted(plain.setTimeout) as typeof setTimeout
  globalThis.setInterval = noted(plain.setInterval) as typeof setInterval
  if (typeof localStorage !== 'undefined') localStorage.clear()
})
afterEach(() => {
  cleanup()
})
afterAll(() => {
  for (const timer of waiting) clearTimeout(timer)
  Object.assign(globalThis, plain)
})
