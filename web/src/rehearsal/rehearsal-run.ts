import {
  activeOf,
  followingOf,
  fold,
  LYE_IN_S,
  lessonOf,
  lessonSays,
  rehearsedLesson,
  madeReady,
  nextActions,
  rehearsalOf,
  settle,
  sizeOf,
  struckBy,
  surpriseOf,
  verdictOn,
  worldAt,
  say,
} from '@ostler/core'
import type {
  BenchEvent,
  BenchStep,
  Following,
  Lesson,
  LessonSays,
  RehearsalAnswer,
  RehearsalDone,
  RehearsalSetting,
  Rehearsed,
  Settled,
  Stroke,
  Struck,
  Verdict,
  WorldNow,
} from '@ostler/core'
import { ApiError, saveRehearsal } from '../api/client.ts'
import { GelAsked } from './gel-asked.ts'
import type { OpenRunState, RunAtHand } from '../run/open-run.ts'
import { ENOUGH, HELD, MOST_WHILE_RUNS, TAKES_TIME, WORDS, ranAfter } from './hands.ts'
import type { Held, RehearsalState, Speed } from './hands.ts'

type About = Pick<BenchEvent, 'kind'> & Partial<BenchEvent>

const TICK_MS = 100
const SAVE_MS = 300
const RETRY_MS = 5000
/** Let so many seconds go by before the lye goes in. */
const BEFORE_S = 5

/** A rehearsal that is open: a run whose clock and batter are simulated. Nothing of it reaches real runs, stock or shelf. */
export class RehearsalRun implements RunAtHand {
  readonly id: string
  readonly batch: string
  readonly openedAt: number
  readonly following: Following
  readonly setting: RehearsalSetting
  readonly rehearsed: Rehearsed
  #revision: number
  #done: RehearsalDone
  readonly lesson: Lesson | null
  #isPassed = false
  readonly #gel: GelAsked
  #clock: { atS: number; sinceMs: number }
  #more: RehearsalState = { speed: 1, isPaused: true, busy: null, held: null, soFarG: 0, told: null }
  #after: (() => void) | null = null
  #met = new Set<string>()
  #state: OpenRunState
  #link: OpenRunState['link'] = 'everywhere'
  #refused = ''
  #saving: ReturnType<typeof setTimeout> | undefined
  #isSaving = false
  #count: number
  readonly #listeners = new Set<() => void>()

  /** @param isWatched it is only looked at: nothing is noted, nothing is kept */
  constructor(
    { id, batch, lesson, openedAt, setting, plan, shelf, revision, done }: RehearsalAnswer,
    readonly isWatched = false,
  ) {
    this.id = id
    this.batch = batch
    this.openedAt = new Date(openedAt).getTime()
    this.setting = setting
    this.following = followingOf(plan, shelf)
    this.lesson = lessonOf(lesson) ?? null
    this.#gel = new GelAsked(plan, () => this.#set({}))
    this.rehearsed = this.lesson ? rehearsedLesson(this.lesson, this.following) : rehearsalOf(this.following, setting)
    this.#revision = revision
    const isNew = done.events.length === 0 && done.backs === 0
    this.#done = isNew ? { ...done, ...this.#beginning() } : done
    this.#clock = { atS: this.#done.clockS, sinceMs: performance.now() }
    this.#count = Math.max(0, ...done.events.map(event => Number(event.key.split(':').at(-1)) || 0))
    this.#state = this.#shaped()
    for (const struck of this.#struck()) this.#met.add(struck.key)
  }

  #beginning(): Pick<RehearsalDone, 'events' | 'clockS'> {
    return this.setting.begins === 'lye'
      ? { events: madeReady(this.following, LYE_IN_S), clockS: LYE_IN_S - BEFORE_S }
      : { events: [], clockS: 0 }
  }

  readonly get = (): OpenRunState => this.#state
  readonly getMore = (): RehearsalState => this.#more
  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener)
    return () => this.#listeners.delete(listener)
  }

  get done(): RehearsalDone {
    return { ...this.#done, clockS: this.nowS() }
  }

  /** Lets the clock run; gives a function that stops it. */
  attach(): () => void {
    const timer = setInterval(() => this.#tick(), TICK_MS)
    return () => {
      clearInterval(timer)
      this.pause(true)
      void this.#save()
    }
  }

  nowS(): number {
    const { speed, isPaused, held, told } = this.#more
    const { atS, sinceMs } = this.#clock
    // What struck is read in real time, and nobody lets go in time of what runs ten times as quickly.
    const times = told ? 1 : held && held.step.kind !== 'blend' ? Math.min(speed, MOST_WHILE_RUNS) : speed
    return Math.round(10 * (isPaused ? atS : atS + ((performance.now() - sinceMs) / 1000) * times)) / 10
  }

  /** How the batch really stands: what is seen, never what is told. */
  world(): WorldNow {
    return worldAt(this.rehearsed, this.#done.events, this.nowS())
  }

  #set(change: Partial<RehearsalState>): void {
    this.#clock = { atS: this.nowS(), sinceMs: performance.now() }
    this.#more = { ...this.#more, ...change }
    for (const listener of this.#listeners) listener()
  }

  pause(isPaused: boolean): void {
    if (isPaused !== this.#more.isPaused) this.#set({ isPaused })
  }

  setSpeed(speed: Speed): void {
    this.#set({ speed, isPaused: false })
  }

  #struck(): Struck[] {
    return struckBy(this.following, this.setting.seed, this.rehearsed.puts, this.#state.state, this.nowS())
  }

  #tick(): void {
    const { busy, isPaused } = this.#more
    if (isPaused) return
    if (busy && this.nowS() >= busy.toS) {
      const after = this.#after
      this.#after = null
      this.#set({ busy: null })
      after?.()
    }
    if (this.#state.state.closed !== null) return this.pause(true)
    if (this.#more.busy || this.#more.held) return
    const struck = this.#struck().find(one => !this.#met.has(one.key))
    if (struck) this.#strikes(struck)
  }

  #strikes(struck: Struck): void {
    this.#met.add(struck.key)
    const { tells, does } = surpriseOf(struck.key)
    if (tells === '') return
    const name = this.following.plan.cups.find(cup => cup.id === struck.cup)?.name ?? 'a cup'
    const text = tells.replace('{cup}', name)
    this.#set({ told: { struck, text } })
    const happening = does?.(sizeOf(struck))
    if (happening?.kind === 'away') {
      this.note({ kind: 'away' })
      this.#isAt('Away from the bench', happening.seconds, () => this.note({ kind: 'back' }))
    }
    if (happening?.kind === 'pale') this.#isAt('Stirring more colour in', happening.seconds, () => undefined)
  }

  /** What struck was read. */
  acknowledge(): void {
    this.#set({ told: null })
  }

  #isAt(word: string, seconds: number, after: () => void): void {
    const fromS = this.nowS()
    this.#after = after
    this.#set({ busy: { word, fromS, toS: fromS + seconds }, isPaused: false })
  }

  takesTime = ({ kind }: BenchStep): boolean => TAKES_TIME.includes(kind)
  isHeld = ({ kind }: BenchStep): boolean => HELD.includes(kind) && !(kind === 'blend' && this.following.input.whipped)

  /** Hands are at a deed that takes its time; it is noted when it is done. */
  begin(step: BenchStep, about: About | null): void {
    if (this.#more.busy) return
    this.#isAt(WORDS[step.kind] ?? '', step.seconds * this.rehearsed.truth.hands, () => {
      const noted = about ?? this.#read(step)
      if (noted) this.note({ ...noted, source: 'simulated' })
    })
  }

  /** What the probe shows. */
  #read(step: BenchStep): About | null {
    if (step.kind !== 'temp') return null
    const { lyeC, oilsC, roomC } = this.world()
    const shown = step.item === 'lye' ? (lyeC ?? roomC) : oilsC
    return { kind: 'temp', body: step.item === 'lye' ? 'lye' : 'oils', amount: Math.round(10 * shown) / 10 }
  }

  /** Grams a second at which batter runs out of pot or cup. */
  #flow({ step }: Held): number {
    return (step.massG ?? 0) / Math.max(1, step.seconds * this.rehearsed.truth.hands)
  }

  /** What has run so far while a key is held, g. */
  ranG(): number {
    const { held, soFarG } = this.#more
    if (!held) return soFarG
    const ran = ranAfter(held, this.#flow(held), this.nowS() - held.sinceS)
    return Math.min(ran, this.#there(held.step))
  }

  /** What there is to be poured, g. */
  #there(step: BenchStep): number {
    if (step.kind === 'draw') return this.following.input.ownBatters ? Infinity : this.world().potLeftG
    const cup = this.#state.state.cups.find(one => one.cup === step.cup)
    return cup ? (cup.drawnG ?? 0) + cup.addedG - cup.pouredG - cup.spiltG : 0
  }

  /** A key is pressed: batter runs, the blender is on. */
  press(step: BenchStep): void {
    if (this.#more.busy || this.#more.held) return
    if (step.kind === 'blend') {
      if (this.#state.next[0]?.step?.key !== step.key) return
      this.note({ kind: 'blend-on', ...(step.cup !== undefined && { cup: step.cup }) })
    } else if (step.kind === 'pour' && this.#state.state.pouring?.pour !== step.pour)
      this.note({ kind: 'pour-start', pour: step.pour! })
    this.#set({ held: { step, sinceS: this.nowS(), beforeG: this.#more.soFarG }, isPaused: false })
  }

  /** The key is let go. */
  release(): void {
    const { held } = this.#more
    if (!held) return
    const ran = this.ranG()
    const { step } = held
    this.#set({ held: null, soFarG: ran })
    if (step.kind === 'blend') {
      this.#set({ soFarG: 0 })
      this.note({ kind: 'blend-off', ...(step.cup !== undefined && { cup: step.cup }) })
    } else if (ran >= ENOUGH * Math.min(step.massG ?? 0, this.#there(step))) this.finish(step)
  }

  /** What ran is taken as it is. */
  finish(step: BenchStep): void {
    const ran = Math.round(10 * this.#more.soFarG) / 10
    if (ran <= 0) return
    const left = Math.round(10 * (this.#there(step) - ran)) / 10
    this.#set({ soFarG: 0 })
    if (step.kind === 'draw') this.note({ kind: 'drawn', cup: step.cup!, amount: ran, source: 'simulated' })
    else this.note({ kind: 'poured', pour: step.pour!, amount: Math.max(0, left), source: 'simulated' })
  }

  /** A tool as it was drawn by hand. */
  stroke(stroke: Stroke, seconds: number): void {
    this.#isAt('Drawing the tool through', seconds, () => {
      const strokes = [...this.#done.strokes.filter(one => one.move !== stroke.move), stroke]
      this.#done = { ...this.#done, strokes }
      this.note({ kind: 'tool', move: stroke.move })
    })
  }

  verdict(about: About): Verdict {
    const { state } = this.#state
    const verdict = verdictOn(activeOf(this.following, state), state, this.#event(about))
    if (verdict.kind === 'refused' && verdict.waiver === null) {
      const slip = { r: this.nowS(), text: say(verdict.sentence).slice(0, 500) }
      if (this.#done.slips.length < 200) this.#done = { ...this.#done, slips: [...this.#done.slips, slip] }
    }
    return verdict
  }

  note(about: About): BenchEvent {
    const event = this.#event(about)
    if (this.isWatched) return event
    this.#count += 1
    if (about.kind === 'lye-clear' && about.how === 'yes' && !this.world().isLyeClear) {
      const slip = { r: event.r, text: 'The lye was called clear with a crust still in it.' }
      this.#done = { ...this.#done, slips: [...this.#done.slips, slip] }
    }
    this.#done = { ...this.#done, events: [...this.#done.events, event] }
    this.#changed()
    return event
  }

  #event(about: About): Settled {
    const r = this.nowS()
    return { key: `rehearsal:${this.#count + 1}`, r, noted: r, at: new Date().toISOString(), source: 'hand', ...about }
  }

  last(): BenchEvent | null {
    const mine = settle(this.#done.events).filter(event => event.key.startsWith('rehearsal:'))
    return mine.at(-1) ?? null
  }

  /** Back to right before something that was done: another way is tried from there, with the same luck. */
  back(to: BenchEvent): void {
    const at = this.#done.events.findIndex(event => event.key === to.key)
    if (at < 0) return
    const events = this.#done.events.slice(0, at)
    const moves = new Set(events.map(event => event.move))
    const strokes = this.#done.strokes.filter(stroke => moves.has(stroke.move))
    this.#done = { ...this.#done, events, strokes, backs: this.#done.backs + 1 }
    this.#after = null
    this.#clock = { atS: Math.max(0, to.r), sinceMs: performance.now() }
    this.#more = { ...this.#more, isPaused: true, busy: null, held: null, soFarG: 0, told: null }
    this.#state = this.#shaped()
    this.#met = new Set(this.#struck().map(one => one.key))
    this.#changed()
  }

  /** What its lesson says just now; null: it is of none. What was passed once stays passed. */
  says(): LessonSays | null {
    if (!this.lesson) return null
    const says = lessonSays(this.lesson, this.rehearsed, this.#done, this.nowS(), this.#gel.of(this.#done.events))
    if (says.isPassed && !this.#isPassed) {
      this.#isPassed = true
      this.#saveSoon(0)
    }
    return says
  }

  /** Hands are busy with something that is no step, and note it when it is done. */
  takes(word: string, seconds: number, about: About): void {
    if (this.#more.busy) return
    this.#isAt(word, seconds, () => void this.note(about))
  }

  #shaped(): OpenRunState {
    const { events } = this.#done
    const state = fold(this.following, events)
    return {
      ...{ events, state, next: nextActions(activeOf(this.following, state), state) },
      ...{ link: this.#link, unsent: 0, refused: this.#refused },
    }
  }

  #changed(): void {
    if (this.#link === 'everywhere') this.#link = 'sending'
    this.#state = this.#shaped()
    for (const listener of this.#listeners) listener()
    this.#saveSoon(SAVE_MS)
  }

  #told(link: OpenRunState['link'], refused = ''): void {
    this.#link = link
    this.#refused = refused
    this.#state = { ...this.#state, link, refused }
    for (const listener of this.#listeners) listener()
  }

  #saveSoon(ms: number): void {
    if (this.isWatched) return
    clearTimeout(this.#saving)
    this.#saving = setTimeout(() => void this.#save(), ms)
  }

  async #save(): Promise<void> {
    if (this.isWatched) return
    if (this.#isSaving) return this.#saveSoon(SAVE_MS)
    clearTimeout(this.#saving)
    this.#isSaving = true
    const sent = this.done
    try {
      const { revision } = await saveRehearsal(this.id, {
        ...{ revision: this.#revision, done: sent, score: null },
        passed: this.#isPassed,
      })
      this.#revision = revision
      this.#told(sent.events === this.#done.events ? 'everywhere' : 'sending')
    } catch (error) {
      this.#told('here', error instanceof ApiError && error.status > 0 ? error.message : '')
      this.#saveSoon(RETRY_MS)
    }
    this.#isSaving = false
    if (sent.events !== this.#done.events) this.#saveSoon(0)
  }
}
