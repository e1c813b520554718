import { celsius, fact, grams, listOf, opening, plain } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'
import { cavityPath } from '../portions/index.ts'
import { blendOf } from './batters.ts'
import { UNBLENDED } from './blend.ts'
import type { BenchEvent } from './event.ts'
import type { Following } from './following.ts'
import { drawMass, massOf, timesPlanned } from './masses.ts'
import { SAFETY_WORDS, safetyMissing } from './safety.ts'
import { cupNow } from './state.ts'
import type { BenchState, CupNow } from './state.ts'
import { LATE_SCENT } from './steps.ts'
import { creamingKey } from './whip-keys.ts'
import { creamWords, standWords, trickleWords, whipWords, whipsOn } from './whipping.ts'
import type { BenchStep } from './step.ts'

/** What is ticked on the page Prepare under another name. */
const SAME_AS: Readonly<Record<string, readonly string[]>> = {
  'ready:gather': ['prep:gather'],
  'ready:line': ['prep:line'],
  'ready:level': ['prep:level', 'mould:level'],
  'ready:melt': ['prep:melt'],
  'ready:bags': ['prep:bags'],
}

/** A cup that was drawn before its scent was in the pot. */
const wasForgotten = (state: BenchState, cup: CupNow | undefined): boolean =>
  state.potScentedAt === null && cup?.drawnG != null

/** Lye that is chilled has to be read again once the fats are creamed. */
const isRead = ({ temps, ticked }: BenchState, { item }: BenchStep): boolean =>
  item === 'lye' ? temps.lye.some(({ r }) => r >= (ticked[creamingKey()] ?? -Infinity)) : temps.oils.length > 0

/** Whether a step is done, as far as the run knows. */
export function isDone(following: Following, step: BenchStep, state: BenchState): boolean {
  const { input } = following
  const cup = cupNow(state, step.cup)
  const batter = blendOf(input, state, step.cup)
  switch (step.kind) {
    case 'safety':
      return !safetyMissing(state.ticked, state.r).some(item => item === step.item)
    case 'ready':
    case 'melt':
    case 'finish':
    case 'cream':
    case 'trickle':
      return [step.key, ...(SAME_AS[step.key] ?? [])].some(key => state.ticked[key] !== undefined)
    case 'weigh':
      return state.weighed[step.item!] !== undefined
    case 'lye-mix':
      return state.lyeMixedAt !== null
    case 'lye-clear':
      return state.isLyeClear
    case 'temp':
      return state.lyeInAt !== null || isRead(state, step)
    case 'lye-in':
      return batter.lyeInAt !== null
    case 'blend':
      // What did not hold is blended on.
      return batter.stoppedAt !== null && batter.hold !== 'breaks' && !whipsOn(following, state, step.cup)
    case 'hold':
      return batter.hold === 'holds' || batter.hold === 'not-sure' || (!input.ownBatters && state.splitAt !== null)
    case 'scent-pot':
      // Once all is divided there is no pot to scent.
      return state.potScentedAt !== null || state.splitAt !== null
    case 'draw':
      return cup?.drawnG != null
    case 'colour':
      return cup?.colouredAt != null
    case 'scent':
      return cup?.scentedAt != null || (step.key.startsWith(LATE_SCENT) && !wasForgotten(state, cup))
    case 'wait':
    case 'pour':
      return state.pours[step.pour!] !== undefined || (step.kind === 'wait' && state.pouring?.pour === step.pour)
    case 'tool':
      return state.tools[step.move!] !== undefined
    case 'close':
      return state.closed !== null
  }
}

/** What is done with a cup; of one that is lost nothing is. */
const OF_CUP: readonly BenchStep['kind'][] = ['colour', 'scent', 'pour']

function isOfLostCup({ input }: Following, { kind, cup, pour }: BenchStep, state: BenchState): boolean {
  if (kind !== 'wait') return OF_CUP.includes(kind) && cupNow(state, cup)?.isLost === true
  const task = input.pours.find(one => one.pour === pour)
  return task !== undefined && state.cups[task.cup]!.isLost
}

/** Something a maker wrote down as not done closes its step as well. */
const isPassed = (following: Following, step: BenchStep, state: BenchState): boolean =>
  isDone(following, step, state) || state.waived.includes(step.key) || isOfLostCup(following, step, state)

/** What is to be done now, in words that can be read from two metres away. */
export interface NextAction {
  step: BenchStep | null
  /** The deed, in a few words. */
  big: Words
  /** One sentence more. */
  more: Words
  massG: number | null
  /** What the hands take, s. */
  seconds: number
}

const nameOf = ({ plan }: Following, id: string | undefined): string => plan.cups.find(cup => cup.id === id)?.name ?? ''

const READY: Record<string, { big: Words; more: Words }> = {
  gather: { big: fact('bench.lay-out'), more: fact('bench.lay-out-more') },
  line: { big: fact('bench.line-mould'), more: fact('preparation.before-hands-are-oily') },
  level: { big: fact('bench.level-mould'), more: fact('preparation.one-degree-4-mm') },
  bags: { big: fact('bench.set-out-bags'), more: fact('preparation.whipped-batter-holds-its') },
  melt: { big: fact('bench.melt-oils'), more: fact('bench.melt-oils-more') },
  toppings: { big: fact('bench.strew-toppings'), more: fact('bench.strew-toppings-more') },
  mist: { big: fact('bench.mist-top'), more: fact('bench.mist-top-more') },
  cover: { big: fact('bench.cover-mould'), more: fact('bench.cover-mould-more') },
  clean: { big: fact('bench.clear-away'), more: fact('bench.clear-away-more') },
  ...SAFETY_WORDS,
}

type Said = Pick<NextAction, 'big' | 'more'>

function weighWords(following: Following, step: BenchStep): Said {
  const line = following.lines.find(one => one.key === step.item)!
  return { big: line.what, more: line.where }
}

function blendWords(following: Following, state: BenchState, step: BenchStep): Said {
  const { stopLevel } = following.plan.conditions
  const batter = blendOf(following.input, state, step.cup)
  const cup = nameOf(following, step.cup)
  if (batter.blendingSince !== null)
    return {
      big: cup === '' ? fact('bench.blending') : fact('bench.blending-cup', { cup }),
      more: fact('bench.stop-at', { level: plain(stopLevel, 1) }),
    }
  return {
    big: cup === '' ? fact('bench.blend') : fact('bench.blend-cup', { cup }),
    more: fact('bench.blend-more', { level: plain(stopLevel, 1), done: plain(Math.round(batter.blendS), 0) }),
  }
}

/** How warm lye and oils are to be as they meet; lye that is trickled into creamed fats is cold. */
function readWords({ heat, conditions: { mixC }, whipped }: Plan, isLye: boolean): Said {
  const c = isLye ? (whipped?.lyeC ?? heat.lyeC ?? mixC) : (whipped?.fatsC ?? mixC)
  return {
    big: isLye ? fact('bench.read-lye') : fact('bench.read-oils'),
    more:
      whipped && isLye ? fact('bench.chilled', { c: celsius(c, 0) }) : fact('bench.read-wanted', { c: celsius(c, 0) }),
  }
}

/** Off by more than so much, a cup's colours and scent are said anew, and what is drawn into the others. */
const ANOTHER_SHARE = 0.02
const isAsPlanned = (times: number): boolean => Math.abs(times - 1) <= ANOTHER_SHARE

/** Colours of a cup, with their weights for what was really drawn into it. */
function colourWords(following: Following, state: BenchState, cup: string): Words {
  const times = timesPlanned(following, state, cup)
  const portion = following.portions.cups.find(one => one.cup === cup)!
  const colours = portion.colours.map(({ name, powderG }) =>
    fact('bench.so-much', { what: name, mass: grams(powderG * times, 2) }),
  )
  if (colours.length === 0) return fact('bench.colour-cup-more')
  const all = listOf(colours)
  return isAsPlanned(times)
    ? fact('bench.colours-of-cup', { all })
    : fact('bench.colours-anew', { all, times: plain(times, 2) })
}

/** Scent of a cup, for what was really drawn into it. */
function scentWords(following: Following, state: BenchState, cup: string): Words {
  const times = timesPlanned(following, state, cup)
  const { scentG } = following.portions.cups.find(one => one.cup === cup)!
  const mass = grams(scentG * times, 1)
  return isAsPlanned(times)
    ? fact('bench.scent-of-cup', { mass })
    : fact('bench.scent-anew', { mass, times: plain(times, 2) })
}

function drawWords(following: Following, state: BenchState, step: BenchStep): Said {
  const waiting = following.input.cups.filter(
    ({ cup, massG }) => massG > 0 && cup.id !== step.cup && cupNow(state, cup.id)?.drawnG === null,
  )
  const mine = drawMass(following, state, step.cup!)
  const left = waiting.reduce((sum, { cup }) => sum + drawMass(following, state, cup.id), 0)
  const isAnother = Math.abs(mine - (step.massG ?? mine)) > ANOTHER_SHARE * mine
  return {
    big: fact('bench.draw-cup', { cup: nameOf(following, step.cup) }),
    more: isAnother
      ? fact('bench.draw-anew', { planned: grams(step.massG ?? 0, 0) })
      : waiting.length === 0
        ? fact('bench.last-cup')
        : fact('bench.left-for-others', { left: grams(left, 0), n: plain(waiting.length, 0) }),
  }
}

/** What is done with a cup: poured, spooned where it no longer runs, piped; as it is begun, and while it is done. */
const HOW_LAID = {
  pour: {
    begins: (cup: string) => fact('bench.pour', { cup }),
    goesOn: (cup: string) => fact('bench.pouring', { cup }),
  },
  spoon: {
    begins: (cup: string) => fact('bench.spoon', { cup }),
    goesOn: (cup: string) => fact('bench.spooning', { cup }),
  },
  pipe: {
    begins: (cup: string) => fact('bench.pipe', { cup }),
    goesOn: (cup: string) => fact('bench.piping', { cup }),
  },
} as const

function howLaid({ plan }: Following, pour: string | undefined): keyof typeof HOW_LAID {
  const way = plan.score.find(one => one.id === pour)?.shape.way
  if (way === 'piped') return 'pipe'
  return way === 'spoon' || plan.whipped ? 'spoon' : 'pour'
}

function pourWords(following: Following, state: BenchState, step: BenchStep): Said {
  const at = following.input.pours.findIndex(pour => pour.pour === step.pour)
  const { lo, hi } = following.input.pours[at]!.window
  const n = plain(at + 1, 0)
  const between = { n, lo: plain(lo, 1), hi: plain(hi, 1) }
  const cup = nameOf(following, step.cup)
  const { begins, goesOn } = HOW_LAID[howLaid(following, step.pour)]
  const path = cavityPath(following.plan, step.pour ?? '')
  return state.pouring?.pour === step.pour
    ? {
        big: goesOn(cup),
        more: opening([fact('bench.until-empty', { n }), ...(path ? [path] : [])], ' '),
      }
    : {
        big: begins(cup),
        more: following.plan.whipped ? fact('bench.lay-whipped-more', between) : fact('bench.pour-more', between),
      }
}

function words(following: Following, state: BenchState, step: BenchStep): Said {
  const cup = nameOf(following, step.cup)
  switch (step.kind) {
    case 'safety':
    case 'ready':
    case 'melt':
    case 'finish':
      return READY[step.item!]!
    case 'weigh':
      return weighWords(following, step)
    case 'lye-mix':
      return { big: fact('bench.lye-into-water'), more: fact('bench.lye-into-water-more') }
    case 'lye-clear':
      return { big: fact('bench.is-lye-clear'), more: fact('bench.is-lye-clear-more') }
    case 'temp':
      return readWords(following.plan, step.item === 'lye')
    case 'cream':
      return creamWords(following, state.ticked[creamingKey(step.cup)] !== undefined)
    case 'lye-in':
      return {
        big: cup === '' ? fact('bench.lye-into-oils') : fact('bench.lye-into-cup', { cup }),
        more: following.plan.whipped ? fact('bench.lye-trickled-more') : fact('bench.lye-into-oils-more'),
      }
    case 'trickle':
      return trickleWords(following)
    case 'blend':
      return following.plan.whipped ? whipWords(following, state, step.cup) : blendWords(following, state, step)
    case 'hold':
      return following.plan.whipped
        ? standWords(following, state, step.cup)
        : { big: fact('bench.hold-test'), more: fact('bench.hold-test-more') }
    case 'scent-pot':
      return { big: fact('bench.scent-into-pot'), more: fact('bench.scent-into-pot-more') }
    case 'draw':
      return drawWords(following, state, step)
    case 'colour':
      return { big: fact('bench.colour-cup', { cup }), more: colourWords(following, state, step.cup!) }
    case 'scent':
      return { big: fact('bench.scent-cup', { cup }), more: scentWords(following, state, step.cup!) }
    case 'wait':
      return { big: fact('bench.wait'), more: fact('bench.wait-more') }
    case 'pour':
      return pourWords(following, state, step)
    case 'tool':
      return { big: fact('bench.use-tool'), more: fact('bench.use-tool-more') }
    case 'close':
      return { big: fact('bench.done'), more: fact('bench.done-more') }
  }
}

const actionOf = (following: Following, state: BenchState, step: BenchStep): NextAction => ({
  step: { ...step, massG: massOf(following, state, step) },
  massG: massOf(following, state, step),
  seconds: step.seconds,
  ...words(following, state, step),
})

const NOTHING: NextAction = { step: null, big: fact('bench.run-over'), more: '', massG: null, seconds: 0 }

/** The first steps that are not done, the next one first; what is in hand before all others. */
export function nextActions(following: Following, state: BenchState, most = 3): NextAction[] {
  if (state.closed !== null) return [NOTHING]
  const open = following.steps.filter(step => !isPassed(following, step, state))
  const inHand = open.find(step => step.kind === 'pour' && state.pouring?.pour === step.pour)
  const ordered = inHand ? [inHand, ...open.filter(step => step !== inHand)] : open
  return ordered.length === 0 ? [NOTHING] : ordered.slice(0, most).map(step => actionOf(following, state, step))
}

/** What is noted when a step is done as it was planned; null where it has to be said how: a temperature, a hold test. */
export function eventOf(step: BenchStep, state: BenchState): (Pick<BenchEvent, 'kind'> & Partial<BenchEvent>) | null {
  // A step of a batter of its own names it.
  const of = step.cup === undefined ? {} : { cup: step.cup }
  const own = step.cup === undefined ? undefined : (state.batters[step.cup] ?? UNBLENDED)
  switch (step.kind) {
    case 'safety':
    case 'ready':
    case 'melt':
    case 'finish':
    case 'trickle':
      return { kind: 'tick', item: step.key }
    case 'cream': {
      const on = creamingKey(step.cup)
      return { kind: 'tick', item: state.ticked[on] === undefined ? on : step.key }
    }
    case 'weigh':
      return { kind: 'weighed', item: step.item!, amount: step.massG ?? 0 }
    case 'lye-mix':
      return { kind: 'lye-mixed' }
    case 'lye-clear':
      return { kind: 'lye-clear', how: 'yes' }
    case 'temp':
    case 'hold':
      return null
    case 'lye-in':
      return { kind: 'lye-in', ...of }
    case 'blend':
      return { kind: (own ?? state).blendingSince == null ? 'blend-on' : 'blend-off', ...of }
    case 'scent-pot':
      return { kind: 'scent' }
    case 'draw':
      return { kind: 'drawn', cup: step.cup!, ...(step.massG !== null && { amount: step.massG }) }
    case 'colour':
      return { kind: 'colour', cup: step.cup! }
    case 'scent':
      return { kind: 'scent', cup: step.cup! }
    case 'wait':
      return { kind: 'waive', how: step.key }
    case 'pour':
      return { kind: state.pouring?.pour === step.pour ? 'poured' : 'pour-start', pour: step.pour! }
    case 'tool':
      return { kind: 'tool', move: step.move! }
    case 'close':
      return { kind: 'close', how: 'moulded' }
  }
}
