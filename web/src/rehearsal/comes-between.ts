import { answersIn, handsFor, isScentHidden, momentIn, nextActions, struckBy, struckOf, surpriseOf } from '@ostler/core'
import type {
  AskedQuestion,
  BenchEvent,
  BenchState,
  BenchStep,
  Following,
  NextAction,
  RehearsalSetting,
  Rehearsed,
  Struck,
  SurpriseKey,
} from '@ostler/core'
import { t } from '../words/index.ts'

/** How the rehearsal stands into which it comes. */
interface Standing {
  rehearsed: Rehearsed
  setting: RehearsalSetting
  nowS: () => number
  events: () => readonly BenchEvent[]
}

/** All that is left to do, and as much of it as is listed. */
const ALL = 500
const LISTED = 3

/** What comes in between: surprises, each once, questions that are asked, a step that the list keeps back. */
export class ComesBetween {
  #met = new Set<string>()
  /** What a cup that was filled has met. */
  #used = new Set<string>()
  /** What the list kept back was asked for by the bench. */
  #isRevealed = false

  constructor(private readonly standing: Standing) {}

  get #following(): Following {
    return this.standing.rehearsed.following
  }

  struck(state: BenchState): Struck[] {
    const { rehearsed, setting, nowS } = this.standing
    return struckBy(this.#following, setting.seed, rehearsed.puts, state, nowS())
  }

  /** Something that has struck and waits for the next cup that is filled; null: it has not, or one was. */
  waiting(key: SurpriseKey, state: BenchState): Struck | null {
    return this.#used.has(key) ? null : (struckOf(this.struck(state), key) ?? null)
  }

  /** A cup has met it. */
  uses(key: SurpriseKey): void {
    this.#used.add(key)
  }

  /** What has struck and was not met before; from now on it was. */
  fresh(state: BenchState): Struck | undefined {
    const struck = this.struck(state).find(one => !this.#met.has(one.key))
    if (struck) this.#met.add(struck.key)
    return struck
  }

  /** What has struck by now counts as met. */
  meetsAll(state: BenchState): void {
    const struck = this.struck(state)
    this.#met = new Set(struck.map(one => one.key))
    const isPast = ({ r }: Struck) => state.cups.some(cup => (cup.drawnAt ?? -Infinity) > r)
    this.#used = new Set(struck.filter(isPast).map(one => one.key))
    this.#isRevealed = false
  }

  /** What is said of it; empty: it is only seen. */
  textOf({ key, cup, tell }: Struck): string {
    const name = this.#following.plan.cups.find(one => one.id === cup)?.name ?? t('a cup')
    return tell ?? surpriseOf(key).tells.replace('{cup}', name)
  }

  /** A question whose moment has come. */
  due(state: BenchState): AskedQuestion | undefined {
    const { setting, nowS, events } = this.standing
    const { questions = [] } = setting
    if (questions.length === 0) return undefined
    const answers = answersIn(setting, events())
    return questions.find(({ at }, n) => {
      const from = momentIn(at.after, this.#following, state)
      return answers[n] === null && from !== null && from + at.s <= nowS()
    })
  }

  /** Times of a deed, by the hands that there are. */
  handsFor({ kind }: BenchStep, state: BenchState): number {
    return handsFor(this.#following, kind, this.struck(state), this.standing.nowS())
  }

  /** Whether the scent is kept from the list. */
  isHidden(state: BenchState): boolean {
    return !this.#isRevealed && isScentHidden(this.struck(state), this.standing.nowS())
  }

  reveal(): void {
    this.#isRevealed = true
  }

  /** What comes next, as the list says it. */
  listed(following: Following, state: BenchState): NextAction[] {
    if (!this.isHidden(state)) return nextActions(following, state)
    const all = nextActions(following, state, ALL)
    const told = all.filter(({ step }) => step?.kind !== 'scent' && step?.kind !== 'scent-pot')
    return told.length > 0 ? told.slice(0, LISTED) : nextActions(following, state)
  }
}
