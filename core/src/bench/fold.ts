import { batterOf, cupsOfBatter } from './batters.ts'
import { UNBLENDED } from './blend.ts'
import type { Blend } from './blend.ts'
import type { BenchEvent, Body } from './event.ts'
import type { Following } from './following.ts'
import { verdictOn } from './gates.ts'
import { activeOf, takenNow } from './plan-b.ts'
import { settle } from './settle.ts'
import type { Settled } from './settle.ts'
import { drawMass, fillOf, pourMass, scentInto } from './masses.ts'
import { blankState, cupNow, inCup } from './state.ts'
import type { BenchState, CupNow, Reading, Sighting } from './state.ts'

type Change = Partial<BenchState>
type Apply = (state: BenchState, event: Settled, following: Following) => Change

const withCup = (state: BenchState, id: string | undefined, change: (cup: CupNow) => Partial<CupNow>): Change => ({
  cups: state.cups.map(cup => (cup.cup === id ? { ...cup, ...change(cup) } : cup)),
})

const reading = ({ r, amount, key }: Settled): Reading => ({ r, value: amount ?? 0, key })
const sighting = (event: Settled): Sighting => ({ ...reading(event), by: event.how === 'drip' ? 'drip' : 'word' })

/** What is poured when nothing was weighed: its share of what is there. */
const pouredG = (state: BenchState, event: Settled, following: Following): number => {
  const pour = following.input.pours.find(one => one.pour === event.pour)!
  const cup = cupNow(state, following.input.cups[pour.cup]!.cup.id)!
  // What was weighed is what is left in the cup.
  return event.amount === undefined ? pourMass(following, state, pour) : Math.max(0, inCup(cup) - event.amount)
}

function poured(state: BenchState, event: Settled, following: Following): Change {
  const pour = following.input.pours.find(one => one.pour === event.pour)!
  const cup = following.input.cups[pour.cup]!.cup.id
  const { pouring } = state
  const begun = pouring !== null && pouring.pour === event.pour ? pouring.since : Math.max(0, event.r - pour.seconds)
  return {
    pours: { ...state.pours, [pour.pour]: { fromS: begun, toS: event.r } },
    pouring: null,
    waitingUntil: null,
    ...withCup(state, cup, one => ({ pouredG: one.pouredG + pouredG(state, event, following) })),
  }
}

function drawn(state: BenchState, event: Settled, following: Following): Change {
  const planned = following.input.cups.find(one => one.cup.id === event.cup)!
  const { cups } = withCup(state, event.cup, () => ({
    drawnG: event.amount ?? drawMass(following, state, event.cup!),
    drawnAt: event.r,
  })) as {
    cups: CupNow[]
  }
  const isAll = cups.every((cup, i) => cup.drawnG !== null || following.input.cups[i]!.massG === 0)
  // A scent that is in the pot is in the cup.
  const scented =
    planned.scent?.moment === 'pot' && state.potScentedAt !== null ? { scentedAt: state.potScentedAt } : {}
  return {
    cups: cups.map(cup => (cup.cup === event.cup ? { ...cup, ...scented } : cup)),
    stoppedAt: state.stoppedAt ?? event.r,
    splitAt: isAll ? (state.splitAt ?? event.r) : null,
  }
}

const LOSES: readonly string[] = ['split', 'broke-vessel']

/** A cup that was weighed holds so much: less was spilt, more was drawn into it; of a vessel that broke it was saved. */
const weighedAgain = (state: BenchState, { cup: id, amount = 0 }: Settled): Change =>
  withCup(state, id, cup => {
    const more = amount - inCup(cup)
    const isSaved = amount > 0 && state.wrong.some(({ how, cup: of }) => how === 'broke-vessel' && of === id)
    return {
      ...(more > 0 ? { drawnG: (cup.drawnG ?? 0) + more } : { spiltG: cup.spiltG - more }),
      ...(isSaved && { isLost: false }),
    }
  })

/** Seconds of a stir or a burst that nobody counted. */
const USUAL_S = { stir: 10, burst: 3 } as const

/** A cup that is stirred or brought on; without a name all that have batter. */
const handled = (state: BenchState, { cup: id, r, amount }: Settled, how: 'stir' | 'burst'): Change => ({
  cups: state.cups.map(cup =>
    cup.drawnG !== null && (id === undefined || cup.cup === id)
      ? { ...cup, handled: [...cup.handled, { r, how, s: amount ?? USUAL_S[how] }] }
      : cup,
  ),
})

/** Something that happens to the one pot, or to a batter of its own. */
function blended(
  state: BenchState,
  { cup }: Settled,
  { input }: Following,
  change: (batter: Blend) => Partial<Blend>,
): Change {
  const name = batterOf(input, cup)
  if (name === null) return change(state)
  const batter = state.batters[name] ?? UNBLENDED
  return { batters: { ...state.batters, [name]: { ...batter, ...change(batter) } } }
}

/** A batter of its own that fills one cup is in it as its blender stops. */
function inItsCup(state: BenchState, event: Settled, following: Following): Change {
  const { input } = following
  const name = batterOf(input, event.cup)
  const i = input.cups.findIndex(task => task.cup.id === name)
  if (i < 0 || cupsOfBatter(input, i).length > 1) return {}
  return drawn(state, { ...event, cup: name!, amount: fillOf(following, name!).drawG }, following)
}

const APPLY: Partial<Record<BenchEvent['kind'], Apply>> = {
  tick: ({ ticked }, { item = '', r }) => {
    ticked[item] = r
    return {}
  },
  weighed: (state, { item = '', amount = 0, r }) => ({ weighed: { ...state.weighed, [item]: { massG: amount, r } } }),
  'lye-mixed': (_, { r }) => ({ lyeMixedAt: r }),
  'lye-clear': (_, { how }) => ({ isLyeClear: how === 'yes' }),
  temp: (state, event) => {
    const { temps } = state
    if (event.cup !== undefined) return withCup(state, event.cup, cup => ({ temps: [...cup.temps, reading(event)] }))
    const body: Body = event.body ?? 'pot'
    temps[body].push(reading(event))
    return {}
  },
  'lye-in': (state, event, following) => ({
    ...blended(state, event, following, batter => ({ lyeInAt: batter.lyeInAt ?? event.r })),
    lyeInAt: state.lyeInAt ?? event.r,
  }),
  'blend-on': (state, event, following) =>
    blended(state, event, following, ({ blendingSince }) => ({
      blendingSince: blendingSince ?? event.r,
      stoppedAt: null,
      hold: null,
    })),
  'blend-off': (state, event, following) => ({
    ...blended(state, event, following, ({ blendS, blendingSince }) => ({
      blendingSince: null,
      stoppedAt: event.r,
      blendS: blendS + (blendingSince === null ? 0 : Math.max(0, event.r - blendingSince)),
    })),
    ...inItsCup(state, event, following),
  }),
  seen: (state, event) =>
    event.cup === undefined
      ? { potSeen: [...state.potSeen, sighting(event)] }
      : withCup(state, event.cup, cup => ({ seen: [...cup.seen, sighting(event)] })),
  hold: (state, event, following) =>
    blended(state, event, following, () => ({
      hold: event.how === 'holds' || event.how === 'breaks' ? event.how : 'not-sure',
    })),
  scent: (state, event, following) =>
    event.cup === undefined
      ? { potScentedAt: event.r }
      : withCup(state, event.cup, cup => ({
          scentedAt: event.r,
          addedG: cup.addedG + (cup.scentedAt === null ? scentInto(following, cup.cup) : 0),
        })),
  drawn,
  left: weighedAgain,
  colour: (state, event, following) =>
    withCup(state, event.cup, cup => ({
      colouredAt: event.r,
      addedG: cup.addedG + (cup.colouredAt === null ? fillOf(following, cup.cup).colourG : 0),
    })),
  'pour-start': (_, { pour = '', r }) => ({ pouring: { pour, since: r }, waitingUntil: null }),
  poured,
  stir: (state, event) => handled(state, event, 'stir'),
  burst: (state, event) => handled(state, event, 'burst'),
  tool: (state, { move = '', r }) => ({ tools: { ...state.tools, [move]: r } }),
  wait: (_, { r, amount = 0 }) => ({ waitingUntil: r + amount }),
  away: (_, { r }) => ({ awaySince: r }),
  back: () => ({ awaySince: null }),
  wrong: (state, { key, r, how = 'other', cup }) => ({
    wrong: [...state.wrong, { key, r, how, cup: cup ?? null }],
    // What separated is not poured, nor what shards may be in.
    ...(LOSES.includes(how) && cup !== undefined ? withCup(state, cup, () => ({ isLost: true })) : {}),
    ...(how === 'split' && cup === undefined ? { hold: 'breaks' as const } : {}),
  }),
  'plan-b': (state, { how, r }) => {
    if (how === 'back') return { planB: null }
    return state.planB ? {} : { planB: takenNow(state, r), pouring: null }
  },
  waive: ({ waived }, { how = '' }) => {
    waived.push(how)
    return {}
  },
  note: ({ notes }, { key, r, text = '' }) => {
    notes.push({ key, r, text })
    return {}
  },
  outcome: (_, { how }) => ({ outcome: how === 'as-planned' ? 'as-planned' : 'otherwise' }),
  close: (_, { how }) => ({ closed: how === 'given-up' ? 'given-up' : 'moulded' }),
}

/**
 * Takes one event into account, or notes why it cannot have been so. Unknown kinds are kept and passed over. The state is the fold's own
 * until it is done: it is changed in place.
 */
function take(following: Following, state: BenchState, event: Settled): void {
  state.r = Math.max(state.r, event.r)
  const verdict = verdictOn(following, state, event)
  if (verdict.kind === 'refused') {
    const { sentence, waiver } = verdict
    state.toClear.push({ key: event.key, sentence, waiver, event })
    return
  }
  Object.assign(state, APPLY[event.kind]?.(state, event, following))
  if (verdict.kind === 'warned') state.warnings.push({ key: event.key, sentence: verdict.sentence, waiver: null })
}

/**
 * How a run stands after all that was noted, in whatever order and however often it came in. Never throws: what cannot have been so
 * is listed under `toClear` and not taken into account.
 */
export function fold(following: Following, events: readonly BenchEvent[]): BenchState {
  const state = blankState(following.input)
  for (const event of settle(events)) take(activeOf(following, state), state, event)
  return state
}
