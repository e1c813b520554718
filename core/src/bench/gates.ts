import { celsius, fact, grams, listOf, plain } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { CupTask, PourTask } from '../batter/schedule/index.ts'
import { needsAnswer } from '../recipe/index.ts'
import { actualOf, isLyeLine } from '../weighing/index.ts'
import { blendOf } from './batters.ts'
import type { Following } from './following.ts'
import type { Settled } from './settle.ts'
import { cupNow, inCup, weightsIn } from './state.ts'
import type { BenchState, CupNow } from './state.ts'
import { drawMass } from './masses.ts'
import { planBOf } from './plan-b.ts'
import { LATE_SCENT, solutionOf } from './steps.ts'
import { SAFETY_WORDS, safetyMissing } from './safety.ts'
import { creamKey } from './whip-keys.ts'
import { tooWarmC } from './whipping.ts'

/** What may be done when. */
export type Verdict =
  | { kind: 'free' }
  /** Not done: dangerous, or not to be put right. `waiver` is what the maker may write down to go on; null: there is none. */
  | { kind: 'refused'; sentence: Words; waiver: string | null }
  | { kind: 'warned'; sentence: Words }

const FREE: Verdict = { kind: 'free' }
const refused = (sentence: Words, waiver: string | null = null): Verdict => ({ kind: 'refused', sentence, waiver })
const warned = (sentence: Words): Verdict => ({ kind: 'warned', sentence })

/** The first that stands in the way; else the first that is worth a word. */
const first = (state: BenchState, ...verdicts: readonly (Verdict | false)[]): Verdict => {
  const all = verdicts
    .filter(one => one !== false)
    // What was waived stands no more in the way, what else does still.
    .filter(one => one.kind !== 'free' && !isWaived(state, one))
  return all.find(one => one.kind === 'refused') ?? all[0] ?? FREE
}

/** Hotter than this lye and oils are not brought together, °C, unless hot lye melts the fats. */
const HOTTEST_C = 60
/** A temperature older than this says little, s. */
const STALE_S = 300
/** Shorter than this a hold test shows nothing, s. */
const LEAST_HOLD_S = 10
/** A cup may be off its share by so much before it is worth a word. */
const OFF_SHARE = 0.05
/** Trace that was seen longer ago than this is another by now, s. */
const SEEN_FOR_S = 180
/** What is left in a cup when a run ends may be so much, g. */
const LEFT_G = 15

/** The safety list, as far as it is not ticked. */
function untickedSafety(state: BenchState, r: number): Verdict {
  const missing = safetyMissing(state.ticked, r)
  return missing.length === 0
    ? FREE
    : refused(fact('bench.safety-not-ticked', { missing: listOf(missing.map(item => SAFETY_WORDS[item].big)) }))
}

/** Temperatures that are met at a bench, °C; and how many times the planned weight is none. */
const [COLDEST_C, WARMEST_C] = [-5, 115]
const MOST_TIMES = 3
/** Trace is told between these levels. */
const [THINNEST, THICKEST] = [0.5, 5]

/** A number that cannot be meant: nothing, another unit, a digit too many. */
function oddWeight(amount: number, plannedG: number, waiver: string): Verdict {
  if (amount <= 0) return refused(fact('bench.weight-of-nothing'))
  return amount > MOST_TIMES * plannedG && plannedG > 0
    ? refused(
        fact('bench.many-times', { times: plain(Math.round(amount / plannedG), 0), planned: grams(plannedG, 1) }),
        waiver,
      )
    : FREE
}

function seeing(following: Following, state: BenchState, { amount = 0, cup }: Settled): Verdict {
  return first(
    state,
    (amount < THINNEST || amount > THICKEST) &&
      refused(fact('bench.no-such-trace', { least: plain(THINNEST, 1), most: plain(THICKEST, 0) })),
    cup !== undefined &&
      cupNow(state, cup)?.drawnG == null &&
      refused(fact('bench.cup-empty', { cup: nameOf(following, cup) })),
  )
}

const reading = (following: Following, state: BenchState, { amount, cup }: Settled): Verdict =>
  first(
    state,
    (amount === undefined || amount < COLDEST_C || amount > WARMEST_C) &&
      refused(fact('bench.no-such-temperature', { least: celsius(COLDEST_C, 0), most: celsius(WARMEST_C, 0) })),
    cup !== undefined &&
      cupNow(state, cup)?.drawnG == null &&
      refused(fact('bench.cup-empty', { cup: nameOf(following, cup) })),
  )

/** More lye than the oils take is a stop, planned or as weighed, unless the plan has its answer in writing or is a trial. */
function freeLyeStop({ plan, portions, shelf }: Following, weighed: BenchState['weighed']): Verdict {
  const { freeLye } = actualOf(plan, portions, shelf, weightsIn(weighed))
  if (freeLye.weight !== 'stop' || !needsAnswer(plan, freeLye.superfatShare)) return FREE
  return refused(fact('bench.free-lye', { sentence: freeLye.sentence }))
}

function weighing(following: Following, state: BenchState, event: Settled): Verdict {
  const line = following.lines.find(one => one.key === event.item)
  if (!line || event.amount === undefined) return FREE
  if (isLyeLine(line)) {
    const safety = first(state, untickedSafety(state, event.r), freeLyeStop(following, {}))
    if (safety.kind === 'refused') return safety
  }
  const offG = event.amount - line.massG
  const most = line.most
  return first(
    state,
    event.amount <= 0 && oddWeight(event.amount, line.massG, ''),
    most !== null &&
      most.isCap &&
      event.amount > most.massG + line.stepG / 2 &&
      refused(fact('bench.above-limit', { what: line.what, most: grams(most.massG, 2) }), `cap:${line.key}`),
    oddWeight(event.amount, line.massG, `much:${line.key}`),
    Math.abs(offG) > line.stepG &&
      warned(
        offG > 0
          ? fact('bench.too-much-weighed', { what: line.what, off: grams(offG, 2) })
          : fact('bench.too-little-weighed', { what: line.what, off: grams(-offG, 2) }),
      ),
  )
}

/** Lye into fats that are to hold air: not before they are creamed, nor so warm that they melt. */
function whippedLyeIn(following: Following, state: BenchState, { r, cup }: Settled): (Verdict | false)[] {
  if (!following.plan.whipped) return []
  const { ticked } = state
  const warmC = tooWarmC(following, state, r)
  return [
    ticked[creamKey(cup)] === undefined &&
      ticked['prep:cream'] === undefined &&
      refused(fact('bench.not-creamed'), creamKey(cup)),
    warmC !== null && refused(fact('bench.lye-melts-fats', { c: celsius(warmC, 0) }), 'warm-lye'),
  ]
}

function lyeIn(following: Following, state: BenchState, event: Settled): Verdict {
  const { r } = event
  const unweighed = following.lines.filter(
    line =>
      ['lye', 'water', 'oil'].includes(line.kind) && line.group !== 'late' && state.weighed[line.key] === undefined,
  )
  const share = solutionOf(following.lines, following.input, event.cup ?? '')
  if (share && state.weighed[share.key] === undefined) unweighed.unshift(share)
  const last = (body: 'lye' | 'oils') => state.temps[body].at(-1)
  // Fats are read before they are creamed.
  const read = following.plan.whipped ? (['lye'] as const) : (['lye', 'oils'] as const)
  const old = read.filter(body => !last(body) || r - last(body)!.r > STALE_S)
  const isHot = (['lye', 'oils'] as const).find(body => (last(body)?.value ?? 0) > HOTTEST_C)
  return first(
    state,
    untickedSafety(state, r),
    !state.isLyeClear && refused(fact('bench.lye-not-clear')),
    unweighed.length > 0 &&
      refused(fact('bench.not-weighed-yet', { what: listOf(unweighed.slice(0, 3).map(line => line.what)) })),
    freeLyeStop(following, state.weighed),
    ...whippedLyeIn(following, state, event),
    old.length > 0 && warned(old[0] === 'lye' ? fact('bench.lye-not-read') : fact('bench.oils-not-read')),
    isHot !== undefined &&
      following.plan.heat.rule !== 'transfer' &&
      warned(fact('bench.too-hot', { c: celsius(last(isHot)!.value, 0) })),
  )
}

/** The cup's trace if it was seen a moment ago. */
const seenNow = (cup: CupNow, r: number): number | null => {
  const last = cup.seen.at(-1)
  return last && r - last.r <= SEEN_FOR_S ? last.value : null
}

const openPours = (following: Following, state: BenchState, cup: string): PourTask[] =>
  following.input.pours.filter(
    pour => following.input.cups[pour.cup]!.cup.id === cup && state.pours[pour.pour] === undefined,
  )

/** Whether a cup is nearly too thick for what it is poured for next. */
function nearlyThick(following: Following, state: BenchState, cup: CupNow, r: number): Verdict {
  const next = openPours(following, state, cup.cup)[0]
  const level = seenNow(cup, r)
  return next && level !== null && level > next.window.hi - 0.3
    ? warned(fact('bench.nearly-too-thick', { cup: nameOf(following, cup.cup), level: plain(level, 1) }))
    : FREE
}

const nameOf = (following: Following, cup: string): string =>
  following.plan.cups.find(one => one.id === cup)?.name ?? cup
const taskOf = (following: Following, cup: string): CupTask | undefined =>
  following.input.cups.find(one => one.cup.id === cup)

function drawing(following: Following, state: BenchState, event: Settled, cup: CupNow): Verdict {
  const task = taskOf(following, cup.cup)!
  const isShared = !following.input.ownBatters
  const batter = blendOf(following.input, state, cup.cup)
  const planned = drawMass(following, state, cup.cup)
  const off = event.amount === undefined ? 0 : Math.abs(event.amount - planned) / Math.max(1, planned)
  return first(
    state,
    batter.lyeInAt === null && refused(fact('bench.no-batter-yet')),
    event.amount !== undefined && oddWeight(event.amount, planned, `much:${cup.cup}`),
    batter.hold === 'breaks' && refused(fact('bench.hold-broke'), 'hold'),
    batter.blendingSince !== null &&
      refused(fact('bench.blender-still-on', { cup: nameOf(following, cup.cup) }), `early:${cup.cup}`),
    task.scent?.moment === 'pot' &&
      isShared &&
      state.potScentedAt === null &&
      refused(fact('bench.scent-not-in-pot', { cup: nameOf(following, cup.cup) }), `scent:${cup.cup}`),
    batter.hold === null &&
      warned(following.plan.whipped ? fact('bench.not-looked-at') : fact('bench.hold-not-tested')),
    off > OFF_SHARE &&
      warned(fact('bench.cup-off-share', { cup: nameOf(following, cup.cup), planned: grams(planned, 0) })),
  )
}

/** A cup that is weighed again: more than it held needs more colour, by the same share. */
function weighingAgain(following: Following, event: Settled, cup: CupNow | undefined): Verdict {
  const name = nameOf(following, event.cup ?? '')
  if (!cup || cup.drawnG === null) return refused(fact('bench.cup-empty', { cup: name }))
  const { amount } = event
  if (amount === undefined || amount < 0) return refused(fact('bench.weight-of-nothing'))
  const more = amount - inCup(cup)
  if (more <= 0 || cup.colouredAt === null) return FREE
  const portion = following.portions.cups.find(one => one.cup === cup.cup)!
  const shares = portion.colours.map(({ name: what, powderG }) =>
    fact('bench.so-much', { what, mass: grams((powderG * more) / Math.max(1, inCup(cup)), 2) }),
  )
  return shares.length === 0
    ? FREE
    : warned(fact('bench.cup-enlarged', { cup: name, more: grams(more, 0), all: listOf(shares) }))
}

function scenting(following: Following, state: BenchState, event: Settled): Verdict {
  if (event.cup === undefined) {
    const plainLeft = following.input.cups.filter(
      ({ cup, scent, massG }) => massG > 0 && scent?.moment !== 'pot' && cupNow(state, cup.id)?.drawnG === null,
    )
    return first(
      state,
      plainLeft.length > 0 && refused(fact('bench.plain-cups-first', { cup: plainLeft[0]!.cup.name }), 'pot-scent'),
      state.potScentedAt !== null && warned(fact('bench.scent-in-already')),
    )
  }
  const cup = cupNow(state, event.cup)
  if (!cup || cup.drawnG === null) return refused(fact('bench.cup-empty', { cup: nameOf(following, event.cup) }))
  return first(
    state,
    cup.scentedAt !== null && warned(fact('bench.cup-scented-already', { cup: nameOf(following, event.cup) })),
    nearlyThick(following, state, cup, event.r),
  )
}

function colouring(following: Following, state: BenchState, event: Settled, cup: CupNow): Verdict {
  const name = nameOf(following, cup.cup)
  return first(
    state,
    cup.drawnG === null && refused(fact('bench.cup-empty', { cup: name })),
    cup.colouredAt !== null && warned(fact('bench.cup-coloured-already', { cup: name })),
    nearlyThick(following, state, cup, event.r),
  )
}

/** What a cup lacks of what it is to have before any of it is poured. */
function lacks(following: Following, state: BenchState, cup: CupNow): (Verdict | false)[] {
  // What came apart in the pot was not divided; what does in a cup is not poured.
  const { hold } = following.input.ownBatters ? blendOf(following.input, state, cup.cup) : { hold: null }
  const task = taskOf(following, cup.cup)!
  const name = nameOf(following, cup.cup)
  const wantsScent = task.scent !== null && task.scent.moment !== 'oils' && task.scent.moment !== 'never-stop'
  return [
    cup.drawnG === null && refused(fact('bench.cup-empty', { cup: name })),
    hold === 'breaks' && refused(fact('bench.hold-broke'), 'hold'),
    cup.isLost && refused(fact('bench.cup-lost', { cup: name }), `lost:${cup.cup}`),
    task.colourS > 0 &&
      cup.colouredAt === null &&
      refused(fact('bench.cup-without-colour', { cup: name }), `colour:${cup.cup}`),
    wantsScent &&
      cup.scentedAt === null &&
      refused(
        fact('bench.cup-without-scent', { cup: name }),
        task.scent?.moment === 'pot' ? `${LATE_SCENT}${cup.cup}` : `scent:${cup.cup}`,
      ),
  ]
}

function pouring(following: Following, state: BenchState, event: Settled): Verdict {
  const n = following.input.pours.findIndex(pour => pour.pour === event.pour)
  const pour = following.input.pours[n]
  if (!pour) return refused(fact('bench.no-such-pour'))
  if (state.pours[pour.pour] !== undefined) return refused(fact('bench.poured-already', { n: plain(n + 1, 0) }))
  const cup = cupNow(state, following.input.cups[pour.cup]!.cup.id)!
  const level = seenNow(cup, event.r)
  const earlier = following.input.pours.slice(0, n).some(one => state.pours[one.pour] === undefined)
  const { lo, hi } = pour.window
  return first(
    state,
    ...lacks(following, state, cup),
    earlier && warned(fact('bench.earlier-pour-open')),
    level !== null &&
      level > hi + 0.15 &&
      warned(fact('bench.past-window', { level: plain(level, 1), hi: plain(hi, 1) })),
    level !== null &&
      level < lo - 0.15 &&
      warned(fact('bench.too-thin-yet', { level: plain(level, 1), lo: plain(lo, 1) })),
  )
}

const isWaived = (state: BenchState, verdict: Verdict): boolean =>
  verdict.kind === 'refused' && verdict.waiver !== null && state.waived.includes(verdict.waiver)

function closing(following: Following, state: BenchState, { how }: Settled): Verdict {
  if (how === 'given-up') return FREE
  const open = following.input.pours.find(pour => state.pours[pour.pour] === undefined && !state.cups[pour.cup]!.isLost)
  const left = state.cups.find(cup => !cup.isLost && inCup(cup) > LEFT_G)
  return first(
    state,
    open !== undefined &&
      refused(fact('bench.pour-still-open', { cup: following.input.cups[open.cup]!.cup.name }), 'close'),
    left !== undefined &&
      openPours(following, state, left.cup).length === 0 &&
      warned(
        fact('bench.cup-not-empty', {
          cup: nameOf(following, left.cup),
          left: grams(inCup(left), 0),
        }),
      ),
  )
}

function judged(following: Following, state: BenchState, event: Settled): Verdict {
  const cup = cupNow(state, event.cup)
  switch (event.kind) {
    case 'weighed':
      return weighing(following, state, event)
    case 'temp':
      return reading(following, state, event)
    case 'lye-mixed':
      return untickedSafety(state, event.r)
    case 'lye-in':
      return blendOf(following.input, state, event.cup).lyeInAt !== null
        ? refused(fact('bench.lye-in-already'))
        : lyeIn(following, state, event)
    case 'blend-on':
      return blendOf(following.input, state, event.cup).lyeInAt === null ? refused(fact('bench.no-lye-in-oils')) : FREE
    case 'seen':
      return seeing(following, state, event)
    case 'hold':
      return event.amount !== undefined && event.amount < LEAST_HOLD_S && !following.plan.whipped
        ? warned(fact('bench.hold-too-short'))
        : FREE
    case 'scent':
      return scenting(following, state, event)
    case 'left':
      return weighingAgain(following, event, cup)
    case 'drawn':
      return cup ? drawing(following, state, event, cup) : refused(fact('bench.no-such-cup'))
    case 'colour':
      return cup ? colouring(following, state, event, cup) : refused(fact('bench.no-such-cup'))
    case 'pour-start':
    case 'poured':
      return pouring(following, state, event)
    case 'tool':
      return Object.keys(state.pours).length === 0 ? refused(fact('bench.nothing-poured')) : FREE
    case 'plan-b':
      return event.how !== 'back' && state.planB === null && planBOf(following.plan) === null
        ? refused(fact('bench.no-plan-b'))
        : FREE
    case 'close':
      return closing(following, state, event)
    default:
      return FREE
  }
}

/**
 * Whether an event may happen as things stand. What is dangerous is refused and cannot be waived; what cannot be put right is
 * refused until the maker writes down that it is wanted; what is only unwise is warned of.
 */
export function verdictOn(following: Following, state: BenchState, event: Settled): Verdict {
  const verdict = judged(following, state, event)
  return isWaived(state, verdict) ? FREE : verdict
}
