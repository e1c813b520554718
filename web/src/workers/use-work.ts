import { useCallback, useEffect, useRef, useState } from 'react'
import type { Asking } from './door.ts'

/** A question to a worker, ready to be asked. */
export type Job<R, P = never> = (asking: Required<Asking<P>>) => Promise<R>

/** What has come of a job so far. */
export interface Work<R, P = never> {
  answer: R | null
  /** What was told last. */
  told: P | null
  isBusy: boolean
  /** Why there is no answer; empty when nothing failed. */
  failure: string
}

const NOTHING = { answer: null, told: null, isBusy: false, failure: '' }

/** Runs a job and says what comes of it until the signal stops. */
function run<R, P>(job: Job<R, P>, signal: AbortSignal, say: (change: Partial<Work<R, P>>) => void): void {
  const sayNow = (change: Partial<Work<R, P>>) => signal.aborted || say(change)
  job({ signal, onTold: told => sayNow({ told }) }).then(
    answer => sayNow({ answer, isBusy: false, failure: '' }),
    (error: Error) => sayNow({ isBusy: false, failure: error.message }),
  )
}

/** Work that is begun by hand. Begun anew, stopped or left, what ran before is ended. */
export function useWork<R, P = never>(): [Work<R, P>, (job: Job<R, P>) => void, () => void] {
  const [work, setWork] = useState<Work<R, P>>(NOTHING)
  const running = useRef<AbortController | null>(null)
  useEffect(() => () => running.current?.abort(), [])
  const stop = useCallback(() => {
    running.current?.abort()
    setWork(before => ({ ...before, isBusy: false }))
  }, [])
  const start = useCallback((job: Job<R, P>) => {
    running.current?.abort()
    running.current = new AbortController()
    setWork({ ...NOTHING, isBusy: true })
    run(job, running.current.signal, change => setWork(before => ({ ...before, ...change })))
  }, [])
  return [work, start, stop]
}

/**
 * Work that follows what the page shows: asked anew when the job is another one and has stood for a while; what is older is ended.
 * The answer to an older job stays until the new one is there, and is told apart by `isStale`; what was told on the way to it goes.
 *
 * @param job    null where nothing is wanted; kept by the caller as long as it asks the same
 * @param calmMs so long nothing may change before it is asked
 */
export function useFollowing<R, P = never>(job: Job<R, P> | null, calmMs: number): Work<R, P> & { isStale: boolean } {
  const [work, setWork] = useState<Work<R, P>>(NOTHING)
  const [through, setThrough] = useState<Job<R, P> | null>(null)
  useEffect(() => {
    if (!job) return
    const stop = new AbortController()
    const say = (change: Partial<Work<R, P>>) => {
      const isThrough = change.isBusy === false
      setWork(before => ({ ...before, ...change, ...(isThrough && { told: null }) }))
      if (isThrough) setThrough(() => job)
    }
    const timer = setTimeout(() => run(job, stop.signal, say), calmMs)
    return () => {
      clearTimeout(timer)
      stop.abort()
    }
  }, [job, calmMs])
  const isStale = through !== job
  return { ...work, isBusy: job !== null && isStale, isStale }
}
