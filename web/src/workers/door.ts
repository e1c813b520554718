import { wrap } from 'comlink'
import type { Remote } from 'comlink'

/** A worker that cannot be started or that broke: what was asked of it has no answer. */
export class WorkerError extends Error {
  constructor() {
    super('This could not be worked out: a part of the page did not load. Reload the page to try again.')
  }
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

  /** @throws WorkerError when the worker fails before it has answered */
  async ask<R>(question: (remote: Remote<T>) => Promise<R>): Promise<R> {
    const { remote, failed } = (this.#open ??= this.#opened())
    return Promise.race([question(remote), failed])
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
