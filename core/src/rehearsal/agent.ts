import { SIGHT_ERROR } from '../batter/schedule/index.ts'
import {
  activeOf,
  benchOutlook,
  counselled,
  eventOf,
  fold,
  looksDue,
  madeReady,
  nextActions,
  planBOf,
  verdictOn,
} from '../bench/index.ts'
import type { BenchEvent, BenchState, BenchStep, Counsel, Following, Settled } from '../bench/index.ts'
import { bearsNow, judgedPours, worthOf } from './judge.ts'
import { normally } from './luck.ts'
import { PUT_RIGHT, handsFor, meetsIt, sizeOf } from './strikes.ts'
import type { Struck } from './strikes.ts'
import { surpriseOf } from './surprises.ts'
import { cupNow, holdsStill, potInHand, potLeftG, sceneAt, smoothS } from './world.ts'
import type { BodyNow, Rehearsed, Scene } from './world.ts'

/** Makers who rehearse by themselves, so that advice can be judged over many batters. */

/**
 * What a maker goes by: the plan whatever comes; the advice of the bench; or the truth, with perfect hands and the best of the ways there
 * are.
 */
export const POLICIES = { fixed: 'the plan, whatever comes', follow: 'the advice', perfect: 'the truth' } as const
export type Policy = keyof typeof POLICIES

export interface Rehearsal {
  events: BenchEvent[]
  /** Second of the run at which it ended. */
  endsAt: number
}

type About = Pick<BenchEvent, 'kind'> & Partial<BenchEvent>

/** Second of the run at which the lye goes in. */
export const LYE_IN_S = 1000
/** Longer than this nothing goes on, s; as many deeds a run has at most. */
const LONGEST_S = 4 * 3600
const MOST_DEEDS = 600
const BURST_S = 3
const MOST_BURSTS = 6
const LOOK_S = 6
/** To say by a word what is seen anyway. */
const GLANCE_S = 2
const CARRY_STEP_S = 30
const LONGEST_WAIT_S = 1200
/** Blended on so long when it does not hold. */
const ON_S = 8
/** Nothing noted for so long, the bench is asked again, s. */
const ANEW_S = 15
/** Waiting cups are stirred about once a minute. */
const STIR_EVERY_S = 60

interface Doing {
  /** Looks and advice are for those who follow it. */
  follows: boolean
  /** Plan B is taken once so many pours are done, whatever the bench says; null: never by itself. */
  planBAfter: number | null
  isPerfect: boolean
}

class Maker {
  readonly events: BenchEvent[]
  r = LYE_IN_S
  #looks = 0
  #folded: { count: number; state: BenchState } | null = null
  #counsel: Counsel | null = null
  #askedAt = -Infinity
  #stirredAt = -Infinity
  #met = new Set<string>()

  constructor(
    readonly rehearsed: Rehearsed,
    readonly doing: Doing,
  ) {
    this.events = madeReady(rehearsed.following, LYE_IN_S)
  }

  /** Folded once for what is noted. */
  get state(): BenchState {
    const count = this.events.length
    if (this.#folded?.count !== count) this.#folded = { count, state: fold(this.rehearsed.following, this.events) }
    return this.#folded.state
  }

  get scene(): Scene {
    return sceneAt(this.rehearsed, this.events, this.r, this.state)
  }

  note(about: About): void {
    const { r } = this
    const key = `hands:${this.events.length + 1}`
    const event = { key, r, noted: r, at: '2026-11-30T10:00:00Z', source: 'simulated', ...about } as Settled
    const following = activeOf(this.rehearsed.following, this.state)
    const verdict = verdictOn(following, this.state, event)
    if (verdict.kind === 'refused' && verdict.waiver !== null)
      this.events.push({ ...event, key: `${key}0`, kind: 'waive', how: verdict.waiver })
    this.events.push(event)
  }

  takes(seconds: number): void {
    this.r += seconds * (this.doing.isPerfect ? 1 : this.rehearsed.truth.hands)
  }

  /** The trace of a batter, as this eye has it. */
  sees(body: BodyNow, how: 'drip' | 'eye' = 'drip'): number {
    this.#looks += 1
    const error = this.doing.isPerfect ? 0 : SIGHT_ERROR[how] * normally(this.rehearsed.seed, `look ${this.#looks}`)
    return Math.min(5, Math.max(0.8, body.level + error))
  }

  bodyOf(cup: string | undefined): BodyNow | null {
    const { scene } = this
    const i = scene.state.cups.findIndex(one => one.cup === cup)
    return (i < 0 ? null : cupNow(scene, i)) ?? potInHand(scene)
  }

  /** What struck since the last deed is met: noted, and what it costs of the time is gone. */
  meets(following: Following): void {
    for (const struck of this.scene.struck) {
      if (this.#met.has(struck.key)) continue
      this.#met.add(struck.key)
      this.meet(struck, following)
    }
  }

  meet(struck: Struck, { plan }: Following): void {
    const { does: happens, ways } = surpriseOf(struck.key)
    const does = happens?.(sizeOf(struck))
    const right = does?.kind === 'swapped' ? PUT_RIGHT : ways?.[0]
    if (right && (this.doing.follows || this.doing.isPerfect)) {
      this.takes(right.seconds)
      this.note(meetsIt(struck.key, right))
    }
    const name = plan.cups.find(cup => cup.id === struck.cup)?.name ?? ''
    const cup = struck.cup ?? undefined
    if (!does || !this.doing.follows) {
      if (does?.kind === 'away' || does?.kind === 'pale') this.r += does.seconds
      return
    }
    const now = this.state.cups.find(one => one.cup === struck.cup)
    if (does.kind === 'away') {
      this.note({ kind: 'away' })
      this.r += does.seconds
      this.note({ kind: 'back' })
    }
    if (does.kind === 'pale') this.r += does.seconds
    if (does.kind === 'spill' && now && cup) {
      this.note({ kind: 'wrong', how: 'spill', cup })
      const left = (now.drawnG ?? 0) + now.addedG - now.pouredG - now.spiltG - does.g
      this.note({ kind: 'left', cup, amount: Math.max(0, Math.round(left)) })
    }
    if (does.kind === 'lumps' && cup) {
      this.takes(20)
      this.note({ kind: 'stir', cup, amount: 20 })
    }
    if (does.kind === 'broken-cup' && cup) this.note({ kind: 'wrong', how: 'broke-vessel', cup, text: name })
  }

  /** Blends until the eye has what was planned, and on until it holds. */
  blends(step: BenchStep): void {
    const { input } = this.rehearsed.following
    const of = step.cup === undefined ? {} : { cup: step.cup }
    const wanted = input.stopLevel + (this.doing.isPerfect ? 0 : this.rehearsed.truth.stop)
    const from = this.r
    this.note({ kind: 'blend-on', ...of })
    const enough = (s: number) => {
      this.r = from + s
      const body = this.bodyOf(step.cup)
      return body === null || (body.level >= wanted && s >= input.leastS)
    }
    let [low, high] = [0, Math.max(1, input.leastS)]
    while (high < 1800 && !enough(high)) [low, high] = [high, high * 1.5 + 4]
    while (high - low > 1) {
      const middle = (low + high) / 2
      if (enough(middle)) high = middle
      else low = middle
    }
    this.r = from + high
    this.note({ kind: 'blend-off', ...of })
    if (this.doing.follows) this.note({ kind: 'seen', ...of, amount: this.sees(this.bodyOf(step.cup)!), how: 'drip' })
  }

  holds(step: BenchStep): void {
    const of = step.cup === undefined ? {} : { cup: step.cup }
    for (let n = 0; n < MOST_BURSTS; n += 1) {
      this.takes(15)
      const holds = holdsStill(potInHand(this.scene)?.emulsion ?? 1) || this.rehearsed.following.input.whipped !== null
      this.note({ kind: 'hold', ...of, how: holds ? 'holds' : 'breaks', amount: 15 })
      if (holds) return
      this.note({ kind: 'blend-on', ...of })
      this.r += ON_S
      this.note({ kind: 'blend-off', ...of })
    }
    this.note({ kind: 'hold', ...of, how: 'not-sure' })
  }

  /** Before a pour: grains are blended out, what is too thin is brought on, what lies below has to bear it. */
  readies(step: BenchStep, following: Following): void {
    const { input } = following
    const index = input.pours.findIndex(one => one.pour === step.pour)
    const pour = input.pours[index]!
    const { cup } = input.cups[pour.cup]!
    const body = () => this.bodyOf(cup.id)
    if (body()?.isRiced) this.smooths(cup.id)
    if (!input.whipped)
      for (let n = 0; n < MOST_BURSTS && (body()?.level ?? 5) < pour.window.lo - 0.05; n += 1) {
        this.r += BURST_S + 5
        this.note({ kind: 'burst', cup: cup.id, amount: BURST_S })
      }
    if (pour.isCarried) this.waitsFor(index)
  }

  smooths(cup: string): void {
    const { massG } = this.rehearsed.following.input.cups.find(one => one.cup.id === cup)!
    this.note({ kind: 'wrong', how: 'ricing', cup })
    const seconds = Math.ceil(smoothS(massG)) + 1
    this.r += seconds + 10
    this.note({ kind: 'burst', cup, amount: seconds })
  }

  waitsFor(index: number): void {
    const began = this.r
    while (this.r - began < LONGEST_WAIT_S) {
      const below = bearsNow(this.scene, index)
      if (!below || below.level >= below.need) return
      this.r += CARRY_STEP_S
    }
  }

  /** What the bench says just now, by those who follow it. Whether something was done about it. */
  heeds(following: Following): boolean {
    const { state } = this
    if (!this.doing.follows || state.splitAt === null) return this.takesPlanB(state)
    for (const cup of looksDue(following, state, this.r).slice(0, 1)) {
      const body = this.bodyOf(cup)
      if (!body) continue
      this.r += LOOK_S
      this.note({ kind: 'seen', cup, amount: this.sees(body), how: 'drip' })
      return true
    }
    if (this.r - this.#askedAt < ANEW_S) return false
    this.#askedAt = this.r
    const outlook = benchOutlook(this.rehearsed.following, this.state, this.r, true)
    this.#counsel = counselled(this.#counsel, outlook)
    const { advised, call } = this.#counsel
    if (call?.kind === 'called' && call.isRecommended && state.planB === null && planBOf(following.plan) !== null) {
      this.note({ kind: 'plan-b', how: 'take' })
      return true
    }
    if (advised?.kind === 'wait') {
      this.note({ kind: 'wait', amount: advised.waitS })
      this.r += advised.waitS
      return true
    }
    if (advised?.kind === 'plain') {
      this.note({ kind: 'waive', how: `scent:${advised.cup}`, text: 'left without scent' })
      return true
    }
    if (advised?.kind === 'stir' && this.r - this.#stirredAt >= STIR_EVERY_S) {
      this.takes(20)
      this.note({ kind: 'stir', amount: 8 })
      this.#stirredAt = this.r
    }
    return false
  }

  takesPlanB(state: BenchState): boolean {
    const { planBAfter } = this.doing
    if (planBAfter === null || state.planB !== null || Object.keys(state.pours).length < planBAfter) return false
    if (state.splitAt === null || planBOf(this.rehearsed.following.plan) === null) return false
    this.note({ kind: 'plan-b', how: 'take' })
    return true
  }

  does(step: BenchStep, following: Following): void {
    switch (step.kind) {
      case 'blend':
        return following.input.whipped ? this.whips(step) : this.blends(step)
      case 'hold':
        return this.holds(step)
      case 'temp':
        this.takes(step.seconds)
        return this.note({ kind: 'temp', body: step.item === 'lye' ? 'lye' : 'oils', amount: following.input.mixC })
      case 'wait':
        this.r += step.seconds
        return this.note({ kind: 'waive', how: step.key })
      case 'pour': {
        this.readies(step, following)
        this.note({ kind: 'pour-start', pour: step.pour! })
        this.takes(step.seconds)
        return this.note({ kind: 'poured', pour: step.pour! })
      }
      case 'draw': {
        this.takes(step.seconds)
        const left = potLeftG(this.scene)
        const amount = following.input.ownBatters ? (step.massG ?? 0) : Math.min(step.massG ?? 0, left)
        return this.note({ kind: 'drawn', cup: step.cup!, amount: Math.max(1, Math.round(10 * amount) / 10) })
      }
      default: {
        this.takes(step.kind === 'lye-in' ? 0 : step.seconds * this.manyHands(step))
        const about = eventOf(step, this.state)
        if (about) this.note(about)
        if (step.kind === 'scent' && step.cup !== undefined && this.doing.follows) this.sawWhileStirred(step.cup)
      }
    }
  }

  /** Who stirs a cup sees what becomes of it. */
  sawWhileStirred(cup: string): void {
    const body = this.bodyOf(cup)
    if (!body || this.state.cups.find(one => one.cup === cup)?.drawnAt == null) return
    this.r += GLANCE_S
    this.note({ kind: 'seen', cup, amount: this.sees(body, 'eye'), how: 'word' })
  }

  manyHands({ kind }: BenchStep): number {
    return handsFor(this.rehearsed.following, kind, this.scene.struck, this.r)
  }

  whips(step: BenchStep): void {
    const of = step.cup === undefined ? {} : { cup: step.cup }
    this.note({ kind: 'blend-on', ...of })
    this.takes(step.seconds)
    this.note({ kind: 'blend-off', ...of })
  }

  work(): Rehearsal {
    for (let n = 0; n < MOST_DEEDS && this.r < LONGEST_S; n += 1) {
      const following = activeOf(this.rehearsed.following, this.state)
      this.meets(following)
      if (this.heeds(following)) continue
      const { step } = nextActions(activeOf(this.rehearsed.following, this.state), this.state, 1)[0]!
      if (!step) break
      const done = this.events.length
      this.does(step, following)
      // What can be done no more, as a cup that broke, is left out.
      if (this.events.length === done || this.state.toClear.some(one => one.event.key === this.events.at(-1)!.key)) {
        this.events.push({
          key: `left:${done}`,
          kind: 'waive',
          r: this.r,
          noted: this.r,
          at: '2026-11-30T10:00:00Z',
          source: 'simulated',
          how: step.key,
        })
      }
    }
    return { events: this.events, endsAt: this.r }
  }
}

const worked = (rehearsed: Rehearsed, doing: Doing): Rehearsal => new Maker(rehearsed, doing).work()

/** What a rehearsal that was done so is worth, 0…1. */
export const worthOfRun = (rehearsed: Rehearsed, { events, endsAt }: Rehearsal): number =>
  worthOf(judgedPours(sceneAt(rehearsed, events, endsAt)))

/** Plan B after so many pours is looked at, by perfect hands. */
const MOST_BEFORE_B = 6

/** The best that perfect hands could have made of the same batter and the same surprises. */
function perfect(rehearsed: Rehearsed): Rehearsal {
  const hasB = planBOf(rehearsed.following.plan) !== null
  const pours = rehearsed.following.input.pours.length
  const ways = [null, ...(hasB ? Array.from({ length: Math.min(MOST_BEFORE_B, pours) }, (_, n) => n) : [])]
  const runs = [
    ...ways.map(planBAfter => worked(rehearsed, { follows: false, planBAfter, isPerfect: true })),
    worked(rehearsed, { follows: true, planBAfter: null, isPerfect: true }),
  ]
  return runs.reduce((best, one) => (worthOfRun(rehearsed, one) > worthOfRun(rehearsed, best) ? one : best))
}

/** A rehearsal from the lye on, done by a policy. The same rehearsal and policy give the same events. */
export function rehearse(rehearsed: Rehearsed, policy: Policy): Rehearsal {
  if (policy === 'perfect') return perfect(rehearsed)
  return worked(rehearsed, { follows: policy === 'follow', planBAfter: null, isPerfect: false })
}
