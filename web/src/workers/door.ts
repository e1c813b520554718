import { proxy, wrap } from 'comlink'
import type { Remote } from 'comlink'

/** A worker that cannot be started or that broke: what was asked of it has no answer. */
export class WorkerError extends Error {
  constructor() {
    super('This could not be worked out: a part of the page did not load. Reload the page to try again.')
  }
}

/** What may come with a question: how to stop it, and who is told of it while it is worked on. */
export interface Asking<P = never> {
  /** Stopped, a question rejects with the signal's reason, and nothing is told any more. */
  signal?: AbortSignal
  onTold?: (told: P) => void
}

type Question<T, R> = (remote: Remote<T>) => Promise<R>

/** Rejects when the signal stops. */
function stopped(signal: AbortSignal): Promise<never> {
  return new Promise((_, reject) => {
    const stop = () => reject(signal.reason as Error)
    if (signal.aborted) stop()
    else signal.addEventListener('abort', stop, { once: true })
  })
}

/**
 * The way to one kind of worker. A worker that fails to load or breaks rejects all that is asked of it, and the next question
 * starts a new one.
 */
export class Door<T> {
  #open: { worker: Worker; remote: Remote<T>; failed: Promise<never> } | null = null
  readonly #start: () => Worker

  constructor(start: () => Worker) {
    this.#start = start
  }

  /**
   * Asks the worker that stays. Stopped, its answer is not waited for.
   *
   * @throws WorkerError when the worker fails before it has answered
   */
  async ask<R>(question: Question<T, R>, { signal }: Pick<Asking, 'signal'> = {}): Promise<R> {
    signal?.throwIfAborted()
    const { remote, failed } = (this.#open ??= this.#opened())
    return Promise.race([question(remote), failed, ...(signal ? [stopped(signal)] : [])])
  }

  /**
   * Asks a worker that is started for this question alone. It ends with the answer, or at once when it is stopped.
   *
   * @throws WorkerError when the worker fails before it has answered
   */
  async askApart<R>(question: Question<T, R>, { signal }: Pick<Asking, 'signal'> = {}): Promise<R> {
    const own = new Door<T>(this.#start)
    return own.ask(question, { signal }).finally(() => own.close())
  }

  /** Ends the worker at once; what was asked of it stays without an answer. */
  close(): void {
    this.#open?.worker.terminate()
    this.#open = null
  }

  #opened() {
    let worker: Worker
    try {
      worker = this.#start()
    } catch {
      throw new WorkerError()
    }
    const failed = new Promise<never>((_, reject) => {
      const fail = (event: Event) => {
        event.preventDefault()
        this.close()
        reject(new WorkerError())
      }
      worker.addEventListener('error', fail)
      worker.addEventListener('messageerror', fail)
    })
    // Nobody may be asking just now.
    failed.catch(() => undefined)
    return { worker, remote: wrap<T>(worker), failed }
  }
}

/** Lets a worker tell of what it does; once stopped, nothing is told. */
export const tells = <P>({ signal, onTold }: Asking<P>) =>
  proxy((told: P): void => {
    if (!signal?.aborted) onTold?.(told)
  })
