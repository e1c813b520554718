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

/**
 * The labels of a control as HTML defines them: the one around it, and those that name it. The page of the tests goes through
 * all of its nodes to find them, for every element that a look by label asks.
 */
if (typeof HTMLLabelElement !== 'undefined') {
  const controls = [HTMLButtonElement, HTMLInputElement, HTMLMeterElement, HTMLOutputElement, HTMLProgressElement]
  for (const { prototype } of [...controls, HTMLSelectElement, HTMLTextAreaElement])
    Object.defineProperty(prototype, 'labels', {
      configurable: true,
      get(this: HTMLElement) {
        if (this instanceof HTMLInputElement && this.type === 'hidden') return null
        const around = this.closest('label')
        const all = this.id === '' ? [] : [...document.getElementsByTagName('label')]
        const naming = all.filter(label => label.htmlFor === this.id)
        return around && !around.hasAttribute('for') && around.control === this ? [around, ...naming] : naming
      },
    })
}

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
