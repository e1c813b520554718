import { afterEach, describe, expect, test, vi } from 'vitest'
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

describe('a question that is stopped', () => {
  /** A worker that never answers. */
  class Silent extends EventTarget {
    static ended = 0
    terminate = () => (Silent.ended += 1)
    postMessage() {}
  }
  const door = new Door<{ ask: () => number }>(() => new Silent() as unknown as Worker)
  const question = async (worker: { ask: () => Promise<number> }) => worker.ask()

  test('ends a worker of its own, and leaves the one that stays', async () => {
    Silent.ended = 0
    const stop = new AbortController()
    const asked = [door.ask(question, stop), door.askApart(question, stop)].map(one =>
      one.catch((error: Error) => error),
    )
    stop.abort()
    for (const error of await Promise.all(asked)) expect(error).toMatchObject({ name: 'AbortError' })
    expect(Silent.ended).toBe(1)
  })

  test('is not asked when it was stopped before', async () => {
    const never = vi.fn(question)
    await expect(door.ask(never, { signal: AbortSignal.abort() })).rejects.toMatchObject({ name: 'AbortError' })
    expect(never).not.toHaveBeenCalled()
  })
})
