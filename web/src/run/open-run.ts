import { activeOf, followingOf, fold, nextActions, settle, verdictOn } from '@ostler/core'
import type {
  BenchEvent,
  BenchState,
  Following,
  NextAction,
  RunAnswer,
  RunEvents,
  Settled,
  Verdict,
} from '@ostler/core'
import { ApiError, eventsAfter, sendEvents } from '../api/client.ts'
import { freshUuid } from '../plan/fresh-uuid.ts'
import { lastingStore, readText, writeText } from '../kept/storage.ts'
import { keepRun } from './kept-run.ts'
import type { KeptRun } from './kept-run.ts'

/** Where what is noted is kept just now. */
export type Link = 'everywhere' | 'sending' | 'here'

export interface OpenRunState {
  events: readonly BenchEvent[]
  state: BenchState
  next: readonly NextAction[]
  link: Link
  /** How many events are here alone. */
  unsent: number
  /** Why the server does not take them, though it answers. */
  refused: string
}

/** What a page of a run needs of it, real or rehearsed. */
export type RunAtHand = Pick<
  OpenRun,
  'id' | 'batch' | 'openedAt' | 'following' | 'get' | 'subscribe' | 'nowS' | 'verdict' | 'note' | 'last'
>

const DEVICE_KEY = 'ostler-device'
const RETRY_MS = [1000, 2000, 5000, 10_000] as const
const MOST_SENT = 200
/** Clocks of one device that differ by more have not drifted: one was set. */
const MOST_DRIFT_MS = 2000

/** A name for this browser in the keys of events; the same for good, as far as the browser keeps anything. */
function deviceName(): string {
  const known = readText(lastingStore(), DEVICE_KEY)
  if (known) return known
  const name = freshUuid().slice(0, 8)
  writeText(lastingStore(), DEVICE_KEY, name)
  return name
}

const byKey = (events: readonly BenchEvent[]) => new Map(events.map(event => [event.key, event]))

/**
 * A run that is open here. What is noted is kept in the browser first and counts at once; it goes to the server in the order of entry,
 * and what others note comes in as they do. Nothing waits for the network.
 */
export class OpenRun {
  readonly id: string
  readonly batch: string
  readonly openedAt: number
  #following: Following
  #run: RunAnswer
  readonly #device = deviceName()
  /** Counts what is noted in this window since it was opened. */
  #count = 0
  /** Two windows of one browser, and one that is loaded anew, count apart. */
  readonly #window = freshUuid().slice(0, 4)
  #seq: number
  #known: BenchEvent[]
  #unsent: BenchEvent[]
  #aheadMs: number
  /** What both clocks of this device showed when they were looked at last, ms. */
  #clock = { wall: Date.now(), steady: performance.now() }
  #isSending = false
  #failures = 0
  #refused = ''
  #timer: ReturnType<typeof setTimeout> | undefined
  #stream: EventSource | null = null
  #isOnline = true
  #person = ''
  #state: OpenRunState
  readonly #listeners = new Set<() => void>()

  constructor({ run, unsent, aheadMs }: KeptRun, following = followingOf(run.plan, run.shelf)) {
    this.#run = run
    this.id = run.id
    this.batch = run.batch
    this.openedAt = new Date(run.openedAt).getTime()
    this.#following = following
    this.#seq = run.seq
    this.#known = run.events
    const there = byKey(run.events)
    this.#unsent = unsent.filter(event => !there.has(event.key))
    this.#aheadMs = aheadMs
    this.#state = this.#shaped()
  }

  /** Starts sending and listening; gives a function that ends it. */
  attach(): () => void {
    this.#listen()
    this.#sendSoon(0)
    const online = () => {
      this.#failures = 0
      this.#sendSoon(0)
      this.#listen()
    }
    addEventListener('online', online)
    return () => {
      removeEventListener('online', online)
      clearTimeout(this.#timer)
      this.#stream?.close()
      this.#stream = null
    }
  }

  readonly get = (): OpenRunState => this.#state

  /** What it follows: frozen once it has begun. */
  get following(): Following {
    return this.#following
  }

  /** Whose hands note from here on. */
  notedBy(person: string): void {
    this.#person = person
  }

  /** A run that is only made ready follows the plan as it is changed. */
  follow(following: Following): void {
    this.#following = following
    this.#run = { ...this.#run, plan: following.plan, shelf: following.shelf }
    this.#changed()
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener)
    return () => this.#listeners.delete(listener)
  }

  /**
   * Seconds since the run began, by the server's clock as far as it is known. A clock that is set back moves nothing back; one that
   * jumps ahead is believed, since a device that slept looks just so, until the server's next answer says what it is.
   */
  nowS(): number {
    const [wall, steady] = [Date.now(), performance.now()]
    const jumpMs = wall - this.#clock.wall - (steady - this.#clock.steady)
    if (jumpMs < -MOST_DRIFT_MS) this.#aheadMs -= jumpMs
    this.#clock = { wall, steady }
    return Math.max(0, Math.round((Date.now() + this.#aheadMs - this.openedAt) / 100) / 10)
  }

  /** The second of the run at which a clock here showed this last, e.g. "14:05". */
  secondAt(clock: string): number {
    const at = new Date(this.openedAt + this.nowS() * 1000)
    const [hours, minutes] = clock.split(':').map(Number)
    at.setHours(hours ?? 0, minutes, 0, 0)
    const s = (at.getTime() - this.openedAt) / 1000
    return s > this.nowS() + 60 ? s - 86_400 : s
  }

  /** What would be said of an event, were it noted now. */
  verdict(about: Pick<BenchEvent, 'kind'> & Partial<BenchEvent>): Verdict {
    return verdictOn(
      activeOf(this.#following, this.#state.state),
      this.#state.state,
      this.#event(about, this.#count + 1),
    )
  }

  /** Notes that something happened, now or at another second of the run. */
  note(about: Pick<BenchEvent, 'kind'> & Partial<BenchEvent>): BenchEvent {
    this.#count += 1
    const event = this.#event(about, this.#count)
    this.#unsent = [...this.#unsent, event]
    this.#changed()
    this.#sendSoon(0)
    return event
  }

  /** Takes back every event that holds and is picked. */
  takeBack(pick: (event: Settled) => boolean): void {
    for (const event of settle(this.#state.events).filter(pick)) this.note({ kind: 'undo', of: event.key })
  }

  /** The last thing that was noted on this device and still holds; null: nothing. */
  last(): BenchEvent | null {
    const mine = settle(this.#state.events).filter(event => event.key.startsWith(`${this.#device}-`))
    return mine.reduce<BenchEvent | null>((late, event) => (late && late.noted > event.noted ? late : event), null)
  }

  #event(about: Pick<BenchEvent, 'kind'> & Partial<BenchEvent>, count: number): BenchEvent {
    const r = this.nowS()
    return {
      ...{ key: `${this.#device}-${this.#window}:${count}`, r, noted: r, at: new Date().toISOString(), source: 'hand' },
      ...(this.#person !== '' && { person: this.#person }),
      ...about,
    }
  }

  #shaped(): OpenRunState {
    const events = [...this.#known, ...this.#unsent]
    const state = fold(this.#following, events)
    const isAway = !this.#isOnline || this.#failures > 0
    return {
      ...{ events, state, next: nextActions(activeOf(this.#following, state), state) },
      link: this.#unsent.length === 0 && !isAway ? 'everywhere' : isAway ? 'here' : 'sending',
      unsent: this.#unsent.length,
      refused: this.#refused,
    }
  }

  #changed(): void {
    this.#state = this.#shaped()
    for (const listener of this.#listeners) listener()
    const run = { ...this.#run, events: this.#known, seq: this.#seq }
    void keepRun({ run, unsent: this.#unsent, aheadMs: this.#aheadMs })
  }

  /** Takes in what came from the server; what was noted here comes back the same. */
  #takeIn({ events, seq }: RunEvents): void {
    const there = byKey(this.#known)
    const fresh = events.filter(event => !there.has(event.key))
    this.#seq = Math.max(this.#seq, seq)
    if (fresh.length === 0) return
    this.#known = [...this.#known, ...fresh]
    const sent = byKey(fresh)
    this.#unsent = this.#unsent.filter(event => !sent.has(event.key))
    this.#changed()
  }

  #listen(): void {
    this.#stream?.close()
    if (typeof EventSource === 'undefined') return
    const stream = new EventSource(`/api/runs/${this.id}/stream?after=${this.#seq}`)
    this.#stream = stream
    const isOnline = (is: boolean) => {
      if (this.#isOnline === is) return
      this.#isOnline = is
      if (is) this.#sendSoon(0)
      this.#changed()
    }
    stream.onopen = () => isOnline(true)
    stream.onmessage = ({ data }: MessageEvent<string>) => this.#takeIn(JSON.parse(data) as RunEvents)
    stream.onerror = () => {
      isOnline(false)
      // Closed for good, e.g. by a server that was started anew: opened again where it was.
      if (stream.readyState === EventSource.CLOSED)
        setTimeout(() => this.#stream === stream && this.#listen(), RETRY_MS[1])
    }
  }

  #sendSoon(afterMs: number): void {
    clearTimeout(this.#timer)
    this.#timer = setTimeout(() => void this.#send(), afterMs)
  }

  async #send(): Promise<void> {
    if (this.#isSending || this.#unsent.length === 0) return
    this.#isSending = true
    const sent = this.#unsent.slice(0, MOST_SENT)
    try {
      const began = Date.now()
      const { now } = await sendEvents(this.id, sent)
      const ended = Date.now()
      // Only a quick answer says what the clock is.
      if (ended - began < 1000) this.#aheadMs = now - (began + ended) / 2
      const keys = byKey(sent)
      const there = byKey(this.#known)
      this.#known = [...this.#known, ...sent.filter(event => !there.has(event.key))]
      this.#unsent = this.#unsent.filter(event => !keys.has(event.key))
      this.#failures = 0
      this.#refused = ''
    } catch (error) {
      this.#failures += 1
      this.#refused = error instanceof ApiError && error.status > 0 ? error.message : ''
    }
    this.#isSending = false
    this.#changed()
    if (this.#unsent.length > 0)
      this.#sendSoon(this.#failures === 0 ? 0 : RETRY_MS[Math.min(this.#failures, RETRY_MS.length) - 1]!)
  }

  /** Asks the server for what may have been missed, e.g. as the page is seen again. */
  async catchUp(): Promise<void> {
    try {
      this.#takeIn(await eventsAfter(this.id, this.#seq))
    } catch {
      // The open line says when the server is back.
    }
    this.#sendSoon(0)
  }
}
