import { afterEach, expect, test, vi } from 'vitest'
import { Door, WorkerError } from './door.ts'

/** A worker that never loads. */
class Broken extends EventTarget {
  static made = 0
  terminate = vi.fn()
  constructor() {
    super()
    Broken.made += 1
    setTimeout(() => this.dispatchEvent(new Event('error', { cancelable: true })))
  }
  postMessage() {}
}

afterEach(() => vi.unstubAllGlobals())

test('a worker that does not load is told, not waited for, and the next question starts another', async () => {
  const door = new Door<{ ask: () => number }>(() => new Broken() as unknown as Worker)
  const question = () => door.ask(async worker => worker.ask())
  await expect(question()).rejects.toBeInstanceOf(WorkerError)
  await expect(question()).rejects.toBeInstanceOf(WorkerError)
  expect(Broken.made).toBe(2)
})

test('a browser that makes no workers is told the same', async () => {
  const door = new Door(() => {
    throw new Error('blocked')
  })
  await expect(door.ask(() => Promise.resolve(1))).rejects.toBeInstanceOf(WorkerError)
})
