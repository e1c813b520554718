import { LYE_IN_S, madeReady, settle } from '@ostler/core'
import type { BenchEvent, Following, RehearsalDone, RehearsalSetting, Settled, Stroke } from '@ostler/core'

type About = Pick<BenchEvent, 'kind'> & Partial<BenchEvent>

/** Let so many seconds go by before the lye goes in. */
const BEFORE_S = 5
/** As many slips, and weights that were noted otherwise, are kept. */
const MOST_SLIPS = 200
const MOST_REALLY = 60
const SLIP_LETTERS = 500

function beginning(setting: RehearsalSetting, following: Following): Pick<RehearsalDone, 'events' | 'clockS'> {
  return setting.begins === 'lye'
    ? { events: madeReady(following, LYE_IN_S), clockS: LYE_IN_S - BEFORE_S }
    : { events: [], clockS: 0 }
}

const isMine = ({ key }: BenchEvent): boolean => key.startsWith('rehearsal:')

/** What was noted in a rehearsal, with what is kept beside it. */
export class RehearsalNotes {
  #done: RehearsalDone
  #count: number

  constructor(done: RehearsalDone, setting: RehearsalSetting, following: Following) {
    const isNew = done.events.length === 0 && done.backs === 0
    this.#done = isNew ? { ...done, ...beginning(setting, following) } : done
    this.#count = Math.max(0, ...done.events.map(event => Number(event.key.split(':').at(-1)) || 0))
  }

  get done(): RehearsalDone {
    return this.#done
  }

  get events(): RehearsalDone['events'] {
    return this.#done.events
  }

  /** Something noted at a second of the rehearsal, under the key that comes next. */
  event(about: About, r: number): Settled {
    return { key: `rehearsal:${this.#count + 1}`, r, noted: r, at: new Date().toISOString(), source: 'hand', ...about }
  }

  /** @param really what was really weighed, where something else is noted */
  add(event: BenchEvent, really: { key: string; amount: number } | null): void {
    this.#count += 1
    const others = really ? { really: [...(this.#done.really ?? []), really].slice(-MOST_REALLY) } : {}
    this.#done = { ...this.#done, events: [...this.#done.events, event], ...others }
  }

  /** Something was tried that safety forbids. */
  slip(r: number, text: string): void {
    if (this.#done.slips.length >= MOST_SLIPS) return
    this.#done = { ...this.#done, slips: [...this.#done.slips, { r, text: text.slice(0, SLIP_LETTERS) }] }
  }

  /** A tool as it was drawn by hand. */
  stroke(stroke: Stroke): void {
    const strokes = [...this.#done.strokes.filter(one => one.move !== stroke.move), stroke]
    this.#done = { ...this.#done, strokes }
  }

  last(): BenchEvent | null {
    return settle(this.#done.events).filter(isMine).at(-1) ?? null
  }

  /** Takes away an event and all that was noted after it. False: it is not there. */
  cutBefore({ key }: BenchEvent): boolean {
    const at = this.#done.events.findIndex(event => event.key === key)
    if (at < 0) return false
    const events = this.#done.events.slice(0, at)
    const moves = new Set(events.map(event => event.move))
    const keys = new Set(events.map(event => event.key))
    const strokes = this.#done.strokes.filter(stroke => moves.has(stroke.move))
    const really = (this.#done.really ?? []).filter(one => keys.has(one.key))
    this.#done = { ...this.#done, events, strokes, really, backs: this.#done.backs + 1 }
    return true
  }
}
