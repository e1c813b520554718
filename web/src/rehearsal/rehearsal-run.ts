import {
  PUT_RIGHT,
  activeOf,
  answersWith,
  asWeighed,
  fold,
  followingOf,
  lessonOf,
  meetsIt,
  rehearsedIn,
  sizeOf,
  surpriseOf,
  verdictOn,
  worldAt,
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
  Stroke,
  Struck,
  SurpriseKey,
  Verdict,
  Way,
  WorldNow,
} from '@ostler/core'
import type { FillingScale } from './filling-scale.ts'
import { ComesBetween } from './comes-between.ts'
import { GelAsked } from './gel-asked.ts'
import type { OpenRunState, RunAtHand } from '../run/open-run.ts'
import { HELD, IDLE, TAKES_TIME, WORDS, isRunning, isTaken, ranBy, timesOf } from './hands.ts'
import type { RehearsalState, Speed } from './hands.ts'
import { LessonAtHand } from './lesson-at-hand.ts'
import { Measuring } from './measuring.ts'
import { RehearsalNotes } from './rehearsal-notes.ts'
import { RehearsalSaver } from './saver.ts'
import { say, t } from '../words/index.ts'

type About = Pick<BenchEvent, 'kind'> & Partial<BenchEvent>

const TICK_MS = 100
const SAVE_MS = 300
const IN_PARTS_S = 20

/** A rehearsal that is open: a run whose clock and batter are simulated. Nothing of it reaches real runs, stock or shelf. */
export class RehearsalRun implements RunAtHand {
  readonly id: string
  readonly batch: string
  readonly openedAt: number
  readonly following: Following
  readonly setting: RehearsalSetting
  readonly rehearsed: Rehearsed
  readonly #notes: RehearsalNotes
  readonly lesson: Lesson | null
  readonly #lesson: LessonAtHand
  #clock: { atS: number; sinceMs: number }
  #more: RehearsalState = { ...IDLE, speed: 1, isSlowed: false }
  #after: (() => void) | null = null
  #state: OpenRunState
  #link: OpenRunState['link'] = 'everywhere'
  #refused = ''
  readonly #saver: RehearsalSaver
  readonly measuring: Measuring
  readonly #between: ComesBetween
  /** The list keeps something back. */
  #isHiding = false
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
    this.#lesson = new LessonAtHand(this.lesson, new GelAsked(plan, () => this.#set({})))
    this.rehearsed = rehearsedIn(this.following, lesson, setting)
    this.#between = new ComesBetween({
      ...{ rehearsed: this.rehearsed, setting, nowS: () => this.nowS(), events: () => this.#notes.events },
    })
    this.measuring = new Measuring({
      ...{ nowS: () => this.nowS(), ranG: () => this.ranG(), world: () => this.world() },
      waiting: key => this.#between.waiting(key, this.#state.state),
      uses: key => this.#between.uses(key),
    })
    const take = () => ({ done: this.done, passed: this.#lesson.isPassed })
    this.#saver = new RehearsalSaver(id, revision, take, (link, refused) => this.#told(link, refused))
    this.#notes = new RehearsalNotes(done, setting, this.following)
    this.#clock = { atS: this.#notes.done.clockS, sinceMs: performance.now() }
    this.#state = this.#shaped()
    this.#between.meetsAll(this.#state.state)
  }

  readonly get = (): OpenRunState => this.#state
  readonly getMore = (): RehearsalState => this.#more
  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener)
    return () => this.#listeners.delete(listener)
  }

  get done(): RehearsalDone {
    return { ...this.#notes.done, clockS: this.nowS() }
  }

  /** Lets the clock run; gives a function that stops it. */
  attach(): () => void {
    const timer = setInterval(() => this.#tick(), TICK_MS)
    return () => {
      clearInterval(timer)
      this.pause(true)
      if (!this.isWatched) void this.#saver.now()
    }
  }

  nowS(): number {
    const { atS, sinceMs } = this.#clock
    const wentS = this.#more.isPaused ? 0 : ((performance.now() - sinceMs) / 1000) * timesOf(this.#more)
    return Math.round(10 * (atS + wentS)) / 10
  }

  /** How the batch really stands: what is seen, never what is told. */
  world(): WorldNow {
    return worldAt(asWeighed(this.rehearsed, this.#notes.done), this.#notes.events, this.nowS())
  }

  #set(change: Partial<RehearsalState>): void {
    this.#clock = { atS: this.nowS(), sinceMs: performance.now() }
    this.#more = { ...this.#more, ...change }
    for (const listener of this.#listeners) listener()
  }

  pause(isPaused: boolean): void {
    if (isPaused !== this.#more.isPaused && (isPaused || !this.#more.asked)) this.#set({ isPaused })
  }

  setSpeed(speed: Speed): void {
    if (!this.#more.asked && speed <= (this.setting.locks?.speed ?? speed)) this.#set({ speed, isPaused: false })
  }

  /** While the bench asks something its clock runs as in life. */
  slows(isSlowed: boolean): void {
    if (isSlowed !== this.#more.isSlowed) this.#set({ isSlowed })
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
    this.measuring.goOn(this.#more.held)
    if (this.#between.isHidden(this.#state.state) !== this.#isHiding) this.#reshape()
    if (this.#more.busy || this.#more.held || this.#more.told) return
    const { state } = this.#state
    const struck = this.#between.fresh(state)
    if (struck) return this.#strikes(struck)
    const question = this.#between.due(state)
    if (question) this.#set({ asked: { question, answer: null }, isPaused: true })
  }

  answer(answer: string): void {
    const { asked } = this.#more
    if (!asked || asked.answer !== null) return
    this.note(answersWith(asked.question, answer))
    this.#set({ asked: { ...asked, answer } })
  }

  #strikes(struck: Struck): void {
    const text = this.#between.textOf(struck)
    if (text === '') return
    this.#set({ told: { struck, text } })
    const happening = surpriseOf(struck.key).does?.(sizeOf(struck))
    if (happening?.kind === 'away') {
      this.note({ kind: 'away' })
      this.#isAt(t('Away from the bench'), happening.seconds, () => this.note({ kind: 'back' }))
    }
    if (happening?.kind === 'pale') this.#isAt(t('Stirring more colour in'), happening.seconds, () => undefined)
  }

  /** What struck, was heard or asked is read: it goes on. */
  reads(what: 'told' | 'heard' | 'asked'): void {
    this.#set({ [what]: null, ...(what === 'asked' && { isPaused: false }) })
  }

  /** What struck is met in one of its ways. */
  meet(key: SurpriseKey, way: Way): void {
    this.#set({ told: null })
    const note = () => void this.note(meetsIt(key, way))
    if (way.seconds > 0) this.#isAt(way.word, way.seconds, note)
    else note()
  }

  /** A cup is held against its label: exchanged ones are put right. */
  looksAtLabel(cup: string): void {
    if (isTaken(this.#more)) return
    this.#isAt(PUT_RIGHT.word, PUT_RIGHT.seconds, () => {
      if (this.world().swapped?.includes(cup)) {
        this.note(meetsIt('labels-swapped', PUT_RIGHT))
        this.#set({ said: t('Two labels were exchanged. Each cup has its own again.') })
      } else this.#set({ said: t('Colour and label agree.') })
    })
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
    if (isTaken(this.#more)) return
    const hands = this.rehearsed.truth.hands * this.#between.handsFor(step, this.#state.state)
    this.#isAt(WORDS[step.kind] ?? '', step.seconds * hands, () => {
      if (about) this.note({ ...about, source: 'simulated' })
    })
  }

  /** What is too much for the scale under the cup is weighed in two parts. */
  weighsInParts(): void {
    this.#isAt(t('Weighing in two parts'), IN_PARTS_S, () => this.measuring.scale?.inParts())
  }

  /** Something that the scale under the cup is told. */
  seesTo(how: (scale: FillingScale) => void): void {
    if (this.measuring.scale) how(this.measuring.scale)
    this.#set({})
  }

  /** What has run so far while a key is held, g. */
  ranG(): number {
    const { held, soFarG } = this.#more
    return held ? ranBy(held, this.nowS()) : soFarG
  }

  /** What there is to be poured, g. */
  #there(step: BenchStep): number {
    if (step.kind === 'draw') return this.following.input.ownBatters ? Infinity : this.world().potLeftG
    const cup = this.#state.state.cups.find(one => one.cup === step.cup)
    return cup ? (cup.drawnG ?? 0) + cup.addedG - cup.pouredG - cup.spiltG : 0
  }

  /** A key is pressed: batter runs, the blender is on. */
  press(step: BenchStep): void {
    if (isTaken(this.#more)) return
    if (step.kind === 'blend') {
      if (this.#state.next[0]?.step?.key !== step.key) return
      this.note({ kind: 'blend-on', ...(step.cup !== undefined && { cup: step.cup }) })
    } else if (step.kind === 'temp' || step.kind === 'draw') this.measuring.begin(step)
    else if (step.kind === 'pour' && this.#state.state.pouring?.pour !== step.pour)
      this.note({ kind: 'pour-start', pour: step.pour! })
    const gPerS = (step.massG ?? 0) / Math.max(1, step.seconds * this.rehearsed.truth.hands)
    const held = { step, sinceS: this.nowS(), beforeG: this.#more.soFarG, gPerS, mostG: this.#there(step) }
    this.#set({ held, isPaused: false })
  }

  /** The key is let go. */
  release(): void {
    const { held } = this.#more
    if (!held) return
    const ran = this.ranG()
    const { step } = held
    this.measuring.goOn(held)
    this.#set({ held: null, soFarG: isRunning(held) ? ran : 0 })
    if (step.kind === 'blend') this.note({ kind: 'blend-off', ...(step.cup !== undefined && { cup: step.cup }) })
    else if (this.measuring.isEnough(step, ran, held.mostG)) this.finish(step)
  }

  /** What ran is taken as it is. */
  finish(step: BenchStep): void {
    if (step.kind === 'temp') {
      const about = this.measuring.temp(step)
      if (about) this.note(about)
      return
    }
    const ran = Math.round(10 * this.#more.soFarG) / 10
    if (ran <= 0) return
    const left = Math.round(10 * (this.#there(step) - ran)) / 10
    if (step.kind === 'draw') return this.#fills(step.cup!, ran)
    this.#set({ soFarG: 0 })
    this.note({ kind: 'poured', pour: step.pour!, amount: Math.max(0, left), source: 'simulated' })
  }

  /** A cup is filled: noted, or about to be typed in as it was heard. */
  #fills(cup: string, ran: number): void {
    const { about, isHeard } = this.measuring.filled(cup, ran, this.setting.seed)
    const text = this.following.plan.cups.find(one => one.id === cup)?.name ?? cup
    this.#set({ soFarG: 0, ...(isHeard && { heard: { about, text } }) })
    if (!isHeard) this.note(about)
  }

  /** A tool as it was drawn by hand. */
  stroke(stroke: Stroke, seconds: number): void {
    this.#isAt(t('Drawing the tool through'), seconds, () => {
      this.#notes.stroke(stroke)
      this.note({ kind: 'tool', move: stroke.move })
    })
  }

  verdict(about: About): Verdict {
    const { state } = this.#state
    const verdict = verdictOn(activeOf(this.following, state), state, this.#notes.event(about, this.nowS()))
    if (verdict.kind === 'refused' && verdict.waiver === null) this.#notes.slip(this.nowS(), say(verdict.sentence))
    if (verdict.kind === 'refused' && about.kind === 'pour-start' && this.#isHiding) {
      this.#between.reveal()
      this.#reshape()
    }
    return verdict
  }

  note(about: About): BenchEvent {
    const event = this.#notes.event(about, this.nowS())
    if (this.isWatched) return event
    if (about.kind === 'lye-clear' && about.how === 'yes' && !this.world().isLyeClear)
      this.#notes.slip(event.r, t('The lye was called clear with a crust still in it.'))
    this.#notes.add(event, this.measuring.really(event))
    this.#more = { ...this.#more, said: '' }
    this.#changed()
    return event
  }

  last(): BenchEvent | null {
    return this.#notes.last()
  }

  /** Back to right before something that was done: another way is tried from there, with the same luck. */
  back(to: BenchEvent): void {
    if (!this.#notes.cutBefore(to)) return
    this.#after = null
    this.#clock = { atS: Math.max(0, to.r), sinceMs: performance.now() }
    this.#more = { ...this.#more, ...IDLE }
    this.measuring.forget()
    this.#state = this.#shaped()
    this.#between.meetsAll(this.#state.state)
    this.#changed()
  }

  /** What its lesson says just now; null: it is of none. */
  says(): LessonSays | null {
    const wasPassed = this.#lesson.isPassed
    const says = this.#lesson.says(this.rehearsed, this.#notes.done, this.nowS())
    if (this.#lesson.isPassed && !wasPassed) this.#saveSoon(0)
    return says
  }

  /** Hands are busy with something that is no step, and note it when it is done. */
  takes(word: string, seconds: number, about: About): void {
    if (this.#more.busy) return
    this.#isAt(word, seconds, () => void this.note(about))
  }

  #reshape(): void {
    this.#state = this.#shaped()
    for (const listener of this.#listeners) listener()
  }

  #shaped(): OpenRunState {
    const { events } = this.#notes.done
    const state = fold(this.following, events)
    this.#isHiding = this.#between.isHidden(state)
    return {
      ...{ events, state, next: this.#between.listed(activeOf(this.following, state), state) },
      ...{ link: this.#link, unsent: 0, refused: this.#refused },
    }
  }

  #changed(): void {
    if (this.#link === 'everywhere') this.#link = 'sending'
    this.#reshape()
    this.#saveSoon(SAVE_MS)
  }

  #told(link: OpenRunState['link'], refused: string): void {
    this.#link = link
    this.#refused = refused
    this.#state = { ...this.#state, link, refused }
    for (const listener of this.#listeners) listener()
  }

  #saveSoon(ms: number): void {
    if (!this.isWatched) this.#saver.soon(ms)
  }
}
