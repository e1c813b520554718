import { followingOf, settle } from '../bench/index.ts'
import type { BenchEvent, BenchState, Following } from '../bench/index.ts'
import { plannedScent, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { REST_WAYS } from './gel-ways.ts'
import type { Gel, NightWay } from './gel-ways.ts'
import { judgedPours } from './judge.ts'
import type { PourResult } from './judge.ts'
import type { RehearsalDone, RehearsalSetting } from './kept.ts'
import type { Put } from './strikes.ts'
import { cupNow, holdsStill, potInHand, rehearsalOf, sceneAt } from './world.ts'
import type { Rehearsed, Scene } from './world.ts'

/** Short guided rehearsals, in order: each practises one thing. */

/** How a lesson stands. */
export interface LessonNow {
  scene: Scene
  state: BenchState
  events: readonly BenchEvent[]
  slips: number
  /** What the way that was chosen for the rest makes of it; null: none is chosen, or it is not worked out yet. */
  gel: Gel | null
}

interface Goal {
  words: string
  met: (now: LessonNow) => boolean
}

interface Hint {
  when: (now: LessonNow) => boolean
  says: string
}

export interface Lesson {
  key: string
  title: string
  /** What is practised, and why. */
  about: string
  minutes: number
  setting: RehearsalSetting
  surprises: readonly Put[]
  plan: () => Plan
  /** The first that holds is said. */
  hints: readonly Hint[]
  goals: readonly Goal[]
  /** Ways for the rest that are chosen among at its end. */
  ways?: readonly NightWay[]
}

const NAME = 'Practice loaf'
const plain = (): Plan => starterPlan(NAME)

/** A scent of the reference shelf, in every cup. */
const scented = (scent: string, lasts: 'with-colour' | 'last'): Plan => {
  const plan = plain()
  return {
    ...plan,
    scent: plannedScent([{ scent, share: 1 }], 0.03, { moment: lasts }),
    cups: plan.cups.map(cup => ({ ...cup, scented: true })),
  }
}

const filled = ({ state }: LessonNow) => state.cups.filter(cup => cup.drawnAt !== null)
const isDivided = ({ state }: LessonNow): boolean => state.splitAt !== null
const isIn = ({ state }: LessonNow): boolean => state.closed === 'moulded'
const always = () => true

/** How far off the looks were, levels; those of what could be seen. */
function looksOff({ scene, events }: LessonNow): number[] {
  const settled = settle(events)
  return settled.flatMap(event => {
    if (event.kind !== 'seen' || event.amount === undefined) return []
    const then = sceneAt(scene.rehearsed, settled, event.r)
    const i = then.state.cups.findIndex(cup => cup.cup === event.cup)
    const body = i < 0 ? potInHand(then) : cupNow(then, i)
    return body ? [Math.abs(event.amount - body.level)] : []
  })
}

const poured = ({ scene }: LessonNow): PourResult[] => judgedPours(scene)
const allRight = (now: LessonNow, but: readonly (string | null)[] = []): boolean =>
  poured(now).every(({ wrong }) => wrong === null || but.includes(wrong))

/** So near a look is a good one, and a cup filled well. */
const NEAR_LEVEL = 0.3
const NEAR_SHARE = 0.05
const LOOKS = 5

const SAFETY: Lesson = {
  key: 'safety',
  title: 'Before the lye, and the lye itself',
  about: 'The safety list, the weighing, lye into water, and when lye is clear. No real lye: only the order of it.',
  minutes: 6,
  setting: { seed: 11, level: 'none', begins: 'safety' },
  surprises: [{ key: 'lye-grain', size: 0 }],
  plan: plain,
  hints: [
    {
      when: ({ state }) => Object.keys(state.ticked).length < 4,
      says: 'Four things first, each ticked: Enter, or Done. Without them no lye is opened, here or at the real bench.',
    },
    {
      when: ({ state }) => state.lyeMixedAt === null,
      says: 'Weigh the water and the lye, each in its own vessel. Then lye into water: never water into lye.',
    },
    {
      when: ({ scene, state }) => state.lyeMixedAt !== null && scene.r - state.lyeMixedAt < 120 && !state.isLyeClear,
      says: 'It is cloudy, and a crust lies at the bottom: grains in the batter burn. Stir on; let the clock run. Weigh the oils meanwhile.',
    },
    { when: always, says: 'Clear as water and nothing at the bottom: now it is lye to work with.' },
  ],
  goals: [
    {
      words: 'everything ticked before lye was opened',
      met: ({ state, slips }) => slips === 0 && state.lyeMixedAt !== null,
    },
    { words: 'lye called clear when it was', met: ({ state, slips }) => state.isLyeClear && slips === 0 },
  ],
}

const EMULSION: Lesson = {
  key: 'emulsion',
  title: 'One batter: the hold test',
  about: 'Batter can look like one and come apart in the mould. Fifteen seconds still tell.',
  minutes: 4,
  setting: { seed: 23, level: 'none', begins: 'lye' },
  surprises: [{ key: 'false-emulsion', size: 0 }],
  plan: plain,
  hints: [
    {
      when: ({ state }) => state.lyeInAt === null,
      says: 'Everything is weighed, the lye is clear. In with it, slowly.',
    },
    {
      when: ({ state }) => state.blendS === 0 && state.blendingSince === null,
      says: 'Hold the key: the blender runs as long as it is held. Let go and look.',
    },
    {
      when: ({ state }) => state.hold === null,
      says: 'It looks like one. Does it hold? Wait the fifteen seconds and look at the rim before you answer.',
    },
    {
      when: ({ state }) => state.hold === 'breaks',
      says: 'It broke: good that you looked. Blend on, and test it again.',
    },
    { when: always, says: 'What holds may be divided.' },
  ],
  goals: [
    { words: 'nothing divided before it held', met: now => heldTruly(now) && filled(now).length === 0 },
    {
      words: 'what breaks was called so',
      met: ({ events }) => settle(events).some(({ kind, how }) => kind === 'hold' && how === 'breaks'),
    },
  ],
}

/** It was said to hold, and does. */
const heldTruly = ({ scene, state }: LessonNow): boolean =>
  state.hold === 'holds' && holdsStill(potInHand(scene)?.emulsion ?? 0)

const TRACE: Lesson = {
  key: 'trace',
  title: 'Reading trace',
  about: 'Everything at the bench goes by trace. Say what you see, five times, and find out how good your eye is.',
  minutes: 8,
  setting: { seed: 31, level: 'none', begins: 'lye' },
  surprises: [],
  plan: plain,
  hints: [
    { when: ({ state }) => state.hold === null, says: 'Lye in, blend until it is one, test whether it holds.' },
    {
      when: now => looksOff(now).length < LOOKS,
      says: 'Press Seen: a drip that falls, its mark that stays, or a word for what you see. Let minutes go by between looks.',
    },
    { when: always, says: 'Five looks are enough to know an eye. A drip tells about twice as much as a glance.' },
  ],
  goals: [
    { words: 'five looks', met: now => looksOff(now).length >= LOOKS },
    {
      words: 'on the whole within a third of a level',
      met: now => {
        const offs = looksOff(now)
        return offs.length >= LOOKS && offs.reduce((sum, off) => sum + off, 0) / offs.length <= NEAR_LEVEL
      },
    },
  ],
}

const SPLITTING: Lesson = {
  key: 'splitting',
  title: 'Dividing by weight',
  about:
    'Cups that hold what was planned keep their colours and their layers. The key that is held is the jug that is tipped.',
  minutes: 5,
  setting: { seed: 43, level: 'none', begins: 'lye' },
  surprises: [],
  plan: plain,
  hints: [
    { when: ({ state }) => state.hold !== 'holds', says: 'Lye in, blend, test whether it holds.' },
    {
      when: now => !isDivided(now),
      says: 'Hold to pour into the cup, let go a little early: what hangs in the air still falls. Hold on once more, or take it as it is.',
    },
    { when: always, says: 'What is off is reckoned anew: colours and layers follow what is really there.' },
  ],
  goals: [
    { words: 'every cup filled', met: isDivided },
    {
      words: 'each within a twentieth of its weight',
      met: now =>
        isDivided(now) &&
        now.scene.following.fills.every(({ drawG }, i) => {
          const drawn = now.state.cups[i]!.drawnG
          return drawG < 1 || (drawn !== null && Math.abs(drawn - drawG) <= NEAR_SHARE * drawG)
        }),
    },
  ],
}

const LAYERS: Lesson = {
  key: 'layers',
  title: 'Layers that carry',
  about: 'A layer bears the next one only when it has thickened. Pour low, over a spatula, and wait for it.',
  minutes: 9,
  setting: { seed: 57, level: 'none', begins: 'lye' },
  surprises: [],
  plan: plain,
  hints: [
    { when: now => !isDivided(now), says: 'Lye in, blend, hold test, divide.' },
    {
      when: ({ state }) => Object.keys(state.pours).length === 0,
      says: 'Colours in. Look before the first layer: it may be thin, the next ones may not be poured on what still runs.',
    },
    {
      when: ({ state }) => state.closed === null,
      says: 'Look at what lies in the mould before you pour on it. Let the clock run until its top gives a ridge.',
    },
    { when: always, says: 'Straight lines come from patience, not from thick batter.' },
  ],
  goals: [
    { words: 'all three layers in the mould', met: isIn },
    { words: 'none broke through, none too thick', met: now => isIn(now) && allRight(now, ['short']) },
  ],
}

const QUICKENS: Lesson = {
  key: 'quick-scent',
  title: 'A scent that quickens',
  about: 'Some scents take minutes off. Look right after the scent, and pour what thickens first.',
  minutes: 9,
  setting: { seed: 68, level: 'none', begins: 'lye' },
  surprises: [{ key: 'quick-scent', size: 0.2 }],
  plan: () => scented('saltmarsh-glass', 'with-colour'),
  hints: [
    { when: now => !isDivided(now), says: 'Lye in, blend only just together, hold test, divide.' },
    {
      when: ({ state }) => state.cups.every(cup => cup.scentedAt === null),
      says: 'Colour and scent, cup by cup. The clock of a cup begins with its scent.',
    },
    {
      when: ({ state }) => state.cups.every(cup => cup.seen.length === 0),
      says: 'Look at the first scented cup now: Seen. What you see tells of all cups with the same scent.',
    },
    { when: always, says: 'Minutes left stand beside each cup. Go by them, not by the plan.' },
  ],
  goals: [
    {
      words: 'looked at a scented cup',
      met: ({ state }) =>
        state.cups.some(cup => cup.scentedAt !== null && cup.seen.some(({ r }) => r > cup.scentedAt!)),
    },
    {
      words: 'in the mould, none too thick',
      met: now =>
        isIn(now) && poured(now).every(({ wrong }) => wrong !== 'thick' && wrong !== 'sets' && wrong !== 'not-poured'),
    },
  ],
}

const MOVING: Lesson = {
  key: 'moving',
  title: 'Keep it moving',
  about: 'Batter that stands sets before batter that is stirred. Waiting cups want a turn of the spoon.',
  minutes: 9,
  setting: { seed: 74, level: 'none', begins: 'lye' },
  surprises: [{ key: 'quick-batch', size: 0.5 }],
  plan: () => scented('saltmarsh-glass', 'last'),
  hints: [
    { when: now => !isDivided(now), says: 'Lye in, blend only just together, hold test, divide.' },
    {
      when: ({ state }) => state.cups.every(cup => cup.handled.length === 0),
      says: 'Stir the waiting cups about once a minute: Seen, then “Stirred”.',
    },
    { when: always, says: 'Stir, look, pour. What has set where it stood comes back in four of ten cups.' },
  ],
  goals: [
    { words: 'waiting cups stirred three times', met: ({ state }) => state.cups.some(cup => cup.handled.length >= 3) },
    {
      words: 'in the mould, nothing set in its cup',
      met: now => isIn(now) && poured(now).every(({ wrong }) => wrong !== 'sets' && wrong !== 'not-poured'),
    },
  ],
}

/** A ring shows less likely than so. */
const NO_RING = 0.4
/** Note by which a way for the rest is chosen. */
const REST_NOTE = 'rest: '

const GEL: Lesson = {
  key: 'gel',
  title: 'Gel, or not',
  about:
    'Warm and wrapped a loaf gels through: clearer, deeper colours. Cold it stays matt. In between it shows a ring.',
  minutes: 9,
  setting: { seed: 85, level: 'none', begins: 'lye' },
  surprises: [],
  plan: () => {
    const plan = plain()
    return { ...plan, conditions: { ...plan.conditions, mixC: 38 } }
  },
  ways: REST_WAYS,
  hints: [
    {
      when: ({ state, scene }) => !scene.following.input.pours.every(({ pour }) => state.pours[pour]),
      says: 'Pour it as you have learnt; what counts here comes after.',
    },
    {
      when: ({ events }) => restChosen(events) === null,
      says: 'Where does it stand tonight? All of it should look alike: gelled through, or nowhere.',
    },
    { when: ({ gel }) => gel === null, says: 'A night goes by …' },
    {
      when: ({ gel }) => (gel?.partial ?? 1) >= NO_RING,
      says: 'A darker, clearer heart in a matt rim: a ring. It was too warm to stay matt, too cool to gel through. Choose another way.',
    },
    { when: always, says: 'One look from rim to heart.' },
  ],
  goals: [
    {
      words: 'in the mould',
      met: ({ state, scene }) => scene.following.input.pours.every(({ pour }) => state.pours[pour]),
    },
    { words: 'left so that no ring is likely', met: ({ gel }) => gel !== null && gel.partial < NO_RING },
  ],
}

/** The way for the rest that was chosen last, by its key; null: none. */
export function restChosen(events: readonly BenchEvent[]): string | null {
  const notes = settle(events).filter(({ kind, text = '' }) => kind === 'note' && text.startsWith(REST_NOTE))
  return notes.at(-1)?.text?.slice(REST_NOTE.length) ?? null
}

/** What is noted when a way for the rest is chosen. */
export const choosesRest = (key: string): { kind: 'note'; text: string } => ({ kind: 'note', text: REST_NOTE + key })

export const LESSONS: readonly Lesson[] = [SAFETY, EMULSION, TRACE, SPLITTING, LAYERS, QUICKENS, MOVING, GEL]

export const lessonOf = (key: string): Lesson | undefined => LESSONS.find(lesson => lesson.key === key)

export const followingOfLesson = (lesson: Lesson): Following => followingOf(lesson.plan(), referenceShelf())

/** The batter of a lesson, by its key: always the same; of a batch the one that was set. */
export function rehearsedIn(following: Following, key: string, setting: RehearsalSetting): Rehearsed {
  const lesson = lessonOf(key)
  return rehearsalOf(following, lesson ? { ...lesson.setting, surprises: lesson.surprises } : setting)
}

export interface LessonSays {
  hint: string
  goals: { words: string; isMet: boolean }[]
  isPassed: boolean
}

/**
 * What a lesson says as things stand, and how much of it is reached.
 *
 * @param gel what the way that was chosen for the rest makes of it, where it is worked out
 */
export function lessonSays(
  lesson: Lesson,
  rehearsed: Rehearsed,
  { events, slips }: Pick<RehearsalDone, 'events' | 'slips'>,
  r: number,
  gel: Gel | null = null,
): LessonSays {
  const scene = sceneAt(rehearsed, events, r)
  const now: LessonNow = { scene, state: scene.state, events, slips: slips.length, gel }
  const goals = lesson.goals.map(({ words, met }) => ({ words, isMet: met(now) }))
  return {
    hint: lesson.hints.find(({ when }) => when(now))?.says ?? '',
    goals,
    isPassed: goals.every(({ isMet }) => isMet),
  }
}
