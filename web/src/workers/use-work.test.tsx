import { act, cleanup, render } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { useFollowing, useWork } from './use-work.ts'
import type { Job, Work } from './use-work.ts'

/** A job in the hand of the test. */
function held() {
  const given = { signal: new AbortController().signal, tell: (_: number): void => undefined }
  let settle: { resolve: (answer: string) => void; reject: (error: Error) => void } | null = null
  const job: Job<string, number> = ({ signal, onTold }) => {
    Object.assign(given, { signal, tell: onTold })
    return new Promise((resolve, reject) => (settle = { resolve, reject }))
  }
  return {
    job,
    isStopped: () => given.signal.aborted,
    tell: (share: number) => void act(() => given.tell(share)),
    answer: (text: string) => act(async () => settle!.resolve(text)),
    fail: (text: string) => act(async () => settle!.reject(new Error(text))),
  }
}

beforeEach(() => vi.useFakeTimers())
afterEach(() => {
  cleanup()
  vi.useRealTimers()
})

describe('work that follows the page', () => {
  let seen: Work<string, number> & { isStale: boolean }
  function Page({ job }: { job: Job<string, number> | null }) {
    seen = useFollowing(job, 100)
    return null
  }
  const later = () => void act(() => vi.advanceTimersByTime(100))

  test('keeps the older answer until the new one is there, and says that it is old', async () => {
    const [first, second] = [held(), held()]
    const page = render(<Page job={first.job} />)
    later()
    await first.answer('one')
    expect(seen).toMatchObject({ answer: 'one', isStale: false, isBusy: false })
    page.rerender(<Page job={second.job} />)
    expect(seen).toMatchObject({ answer: 'one', isStale: true, isBusy: true })
    later()
    second.tell(0.5)
    expect(seen).toMatchObject({ answer: 'one', told: 0.5, isStale: true })
    await second.answer('two')
    expect(seen).toMatchObject({ answer: 'two', told: null, isStale: false })
  })

  test('stops what is older; what it still says is not heard', async () => {
    const [first, second] = [held(), held()]
    const page = render(<Page job={first.job} />)
    later()
    page.rerender(<Page job={second.job} />)
    expect(first.isStopped()).toBe(true)
    await first.answer('one')
    first.tell(1)
    expect(seen).toMatchObject({ answer: null, told: null, isBusy: true })
    page.unmount()
    later()
    expect(second.isStopped()).toBe(false)
  })

  test('is not asked while things still change', () => {
    const jobs = [1, 2, 3].map(() => vi.fn(held().job))
    const page = render(<Page job={jobs[0]!} />)
    for (const job of jobs.slice(1)) {
      void act(() => vi.advanceTimersByTime(60))
      page.rerender(<Page job={job} />)
    }
    later()
    expect(jobs.map(job => job.mock.calls.length)).toEqual([0, 0, 1])
  })

  test('says why it failed, and forgets it with the next answer', async () => {
    const [first, second] = [held(), held()]
    const page = render(<Page job={first.job} />)
    later()
    await first.fail('No worker.')
    expect(seen).toMatchObject({ failure: 'No worker.', answer: null, isBusy: false })
    page.rerender(<Page job={second.job} />)
    later()
    await second.answer('two')
    expect(seen).toMatchObject({ failure: '', answer: 'two' })
  })
})

describe('work begun by hand', () => {
  let seen: Work<string, number>
  let start: (job: Job<string, number>) => void
  let stop: () => void
  function Page() {
    ;[seen, start, stop] = useWork<string, number>()
    return null
  }

  test('stopped, keeps what was told and hears no more', async () => {
    render(<Page />)
    const search = held()
    void act(() => start(search.job))
    search.tell(0.4)
    void act(() => stop())
    expect(search.isStopped()).toBe(true)
    search.tell(0.9)
    await search.answer('late')
    expect(seen).toEqual({ answer: null, told: 0.4, isBusy: false, failure: '' })
  })

  test('begun anew, ends the one before; left, ends altogether', () => {
    const page = render(<Page />)
    const [first, second] = [held(), held()]
    void act(() => start(first.job))
    void act(() => start(second.job))
    expect([first.isStopped(), second.isStopped()]).toEqual([true, false])
    page.unmount()
    expect(second.isStopped()).toBe(true)
  })
})
