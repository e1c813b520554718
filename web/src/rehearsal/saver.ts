import type { RehearsalDone } from '@ostler/core'
import { ApiError, saveRehearsal } from '../api/client.ts'
import type { OpenRunState } from '../run/open-run.ts'

const RETRY_MS = 5000
const AGAIN_MS = 300

interface Kept {
  done: RehearsalDone
  passed: boolean
}

/** Keeps a rehearsal on the server as it goes on, one save after another; what failed is tried again and told. */
export class RehearsalSaver {
  #timer: ReturnType<typeof setTimeout> | undefined
  #isSaving = false

  /**
   * @param take what is to be kept just now
   * @param told how it stands with it, and why it was refused
   */
  constructor(
    readonly id: string,
    private revision: number,
    private readonly take: () => Kept,
    private readonly told: (link: OpenRunState['link'], refused: string) => void,
  ) {}

  soon(ms: number): void {
    clearTimeout(this.#timer)
    this.#timer = setTimeout(() => void this.now(), ms)
  }

  async now(): Promise<void> {
    if (this.#isSaving) return this.soon(AGAIN_MS)
    clearTimeout(this.#timer)
    this.#isSaving = true
    const sent = this.take()
    const isAll = () => sent.done.events === this.take().done.events
    try {
      const { revision } = await saveRehearsal(this.id, { revision: this.revision, score: null, ...sent })
      this.revision = revision
      this.told(isAll() ? 'everywhere' : 'sending', '')
    } catch (error) {
      this.told('here', error instanceof ApiError && error.status > 0 ? error.message : '')
      this.soon(RETRY_MS)
    }
    this.#isSaving = false
    if (!isAll()) this.soon(0)
  }
}
