import { heatPlan } from '../batter/heat/index.ts'
import { RunState, levelAt } from '../batter/schedule/index.ts'
import type { CupState, RunInput } from '../batter/schedule/index.ts'
import { blenderPower, cupCoolingS, loadOf, split } from '../batter/trace/index.ts'
import {
  activeOf,
  asScented,
  batterOf,
  blendOf,
  deedsOf,
  fold,
  inCup,
  metC,
  movingAt,
  replayed,
  settle,
  standingLevel,
  whippedC,
} from '../bench/index.ts'
import type { BenchEvent, BenchState, CupNow, Following, Replayed, Settled } from '../bench/index.ts'
import { potAt } from './pot.ts'
import type { PotGiven } from './pot.ts'
import { drawnSurprises, metRight, struckBy, struckOf, sizeOf, swappedAt, turned, LEVELS } from './strikes.ts'
import type { Deck, Level, Put, Struck } from './strikes.ts'
import { scentsQuicker, truthOf } from './truth.ts'
import type { Truth } from './truth.ts'

/** A rehearsed batch as it really is at a second: a pure function of its seed and of what was noted. Times in s of the run. */

/** What is rehearsed. */
export interface Rehearsed {
  following: Following
  seed: number
  truth: Truth
  puts: readonly Put[]
  /** What was really weighed where something else was noted, by the key of its event, g; left out: nothing. */
  really?: ReadonlyMap<string, number>
}

/** How a rehearsal is set up; surprises are drawn by the level unless they are given. */
export interface Setting {
  seed: number
  level: Level
  surprises?: readonly Put[] | undefined
  deck?: Deck | undefined
}

export function rehearsalOf(following: Following, { seed, level, surprises, deck }: Setting): Rehearsed {
  const puts = surprises ?? drawnSurprises(following, seed, level, deck)
  const truth = turned(truthOf(following, seed, LEVELS[level].spread), puts, following.input)
  return { following, seed, truth, puts }
}

/** A batter as it looks and is. */
export interface BodyNow {
  /** Levels, with what the model is off by: stirred, and where it stands. */
  level: number
  standing: number
  /** How complete its emulsion is, and how complete it looks, 0…1. */
  emulsion: number
  seems: number
  tempC: number
  isRiced: boolean
  hasLumps: boolean
  /** Fat that has set, share of it. */
  solid: number
}

export interface WorldNow {
  r: number
  state: BenchState
  struck: Struck[]
  isLyeClear: boolean
  /** What a probe shows of them, °C; null: there is none. */
  lyeC: number | null
  oilsC: number
  roomC: number
  /** Before it is divided. */
  pot: BodyNow | null
  /** What is left in the one pot, g. */
  potLeftG: number
  /** By the plan's cups; null: empty. */
  cups: (BodyNow | null)[]
  isBlenderDead: boolean
  isDim: boolean
  /** Two cups that carry each other’s label; null: each its own. */
  swapped: readonly [string, string] | null
}

/** The input as the truth has it. */
const inputIn = ({ input }: Following, { roomK, blender }: Truth): RunInput => ({
  ...input,
  roomC: input.roomC + roomK,
  blenderStrength: input.blenderStrength * blender,
})

const runIn = (input: RunInput, truth: Truth): RunState =>
  new RunState(
    input,
    {
      plainRate: truth.rate,
      scentedRate: truth.rate,
      scent: truth.scents[0] ?? 0,
      scents: truth.scents,
      hands: truth.hands,
      rices: truth.rices,
    },
    0,
  )

/** How warm lye and oils really met, °C. */
function reallyMetC(following: Following, state: BenchState, truth: Truth): number {
  const { input } = following
  const r = state.lyeInAt ?? 0
  const read = input.whipped ? whippedC(following, state, r) : metC(following, state)
  // What was read was off by the probe.
  const isRead = state.temps.lye.length > 0 && state.temps.oils.length > 0
  return (read ?? input.whipped?.startC ?? input.mixC) + truth.mixK - (isRead ? truth.probeK : 0)
}

/** Everything that a second of a rehearsal is reckoned from. */
export interface Scene {
  rehearsed: Rehearsed
  /** What is followed then: plan B after it was taken. */
  following: Following
  events: readonly Settled[]
  state: BenchState
  struck: Struck[]
  run: RunState
  r: number
}

/** Deeds that are done to what is in the hand, whatever its label says. */
const IN_HAND: readonly BenchEvent['kind'][] = ['colour', 'scent', 'stir', 'burst']

/** Events as they really were: weights as they weighed, deeds in the cup that was really in the hand. */
function reallyDone({ really }: Rehearsed, events: readonly BenchEvent[], struck: readonly Struck[]): BenchEvent[] {
  return events
    .filter(event => event.kind !== 'correct' || !really?.has(event.of ?? ''))
    .map(event => {
      const amount = really?.get(event.key)
      const swapped = IN_HAND.includes(event.kind) ? swappedAt(struck, events, event.r) : null
      const cup = swapped?.includes(event.cup ?? '') ? swapped.find(one => one !== event.cup)! : event.cup
      return amount === undefined && cup === event.cup
        ? event
        : { ...event, ...(amount !== undefined && { amount }), ...(cup !== undefined && { cup }) }
    })
}

/** A scent of which more went in than the scale said is the quicker. */
function dosed({ truth, following }: Rehearsed, events: readonly BenchEvent[], struck: readonly Struck[]): Truth {
  const put = struckOf(struck, 'scale-creep')
  if (!put || metRight('scale-creep', events) !== null) return truth
  return { ...truth, scents: scentsQuicker(truth, following.input, sizeOf(put)) }
}

/** @param known how the run stands then, where it is folded already */
export function sceneAt(asPut: Rehearsed, all: readonly BenchEvent[], r: number, known?: BenchState): Scene {
  const { seed, puts } = asPut
  const noted = all.filter(event => event.r <= r)
  const said = known ?? fold(asPut.following, noted)
  const struck = struckBy(asPut.following, seed, puts, said, r)
  const isSaidRight = !asPut.really?.size && !struckOf(struck, 'labels-swapped')
  const events = isSaidRight ? noted : reallyDone(asPut, noted, struck)
  const state = isSaidRight ? said : fold(asPut.following, events)
  const rehearsed = { ...asPut, truth: dosed(asPut, noted, struck) }
  const following = asScented(activeOf(asPut.following, state), state)
  const run = runIn(inputIn(following, rehearsed.truth), rehearsed.truth)
  return { rehearsed, following, events: settle(events), state, struck, run, r }
}

/** The one pot or batters of their own, as this scene has them. */
export function potGiven({ rehearsed: { truth }, following, events, state, struck, run }: Scene): PotGiven {
  const deadAt = struck.find(({ key }) => key === 'dead-blender')?.r ?? null
  const input = run.input
  return {
    following: { ...following, input },
    truth,
    run,
    state,
    events,
    deadAt,
    metC: reallyMetC(following, state, truth),
  }
}

/** An emulsion that stays together where it stands. Engineering estimate: below it the model’s own parts within minutes. */
const HOLDS = 0.8
export const holdsStill = (emulsion: number): boolean => emulsion >= HOLDS

/** Seconds of the blender that make a riced cup smooth again: a quarter of a minute for 1.5 kg, less for little. */
export const smoothS = (massG: number): number => 15 / Math.max(1, blenderPower(Math.max(massG / 1000, 0.02), 1))

const handledAfter = ({ handled }: CupNow, how: 'stir' | 'burst', r: number): number =>
  handled.reduce((sum, one) => (one.how === how && one.r >= r ? sum + one.s : sum), 0)

export function isRiced({ rehearsed: { truth } }: Scene, cup: CupNow): boolean {
  return truth.rices && cup.scentedAt !== null && handledAfter(cup, 'burst', cup.scentedAt) < smoothS(inCup(cup))
}

const LUMPS_S = 20
const hasLumps = ({ struck }: Scene, cup: CupNow): boolean => {
  const put = struck.find(({ key, cup: of }) => key === 'lumps' && of === cup.cup)
  return put !== undefined && handledAfter(cup, 'stir', put.r) < LUMPS_S
}

/** What a cup really went through up to a second, with what it met at its pours; null: it is empty. */
export function cupIn(scene: Scene, i: number): Replayed | null {
  const { state, following, run } = scene
  const cup = state.cups[i]
  const { lyeInAt } = state
  if (!cup || cup.drawnAt === null || lyeInAt === null) return null
  const pot = potAt(potGiven(scene), batterOf(following.input, cup.cup), cup.drawnAt)
  if (!pot) return null
  const cooling = { roomC: run.input.roomC, tauS: cupCoolingS(following.input.cups[i]!.massG) }
  const isScented = following.input.cups[i]!.scent?.moment === 'pot' && state.potScentedAt !== null
  const load =
    isScented || following.input.cups[i]!.scent?.moment === 'oils'
      ? pot.load
      : loadOf(run.scentOf({ ...following.input.cups[i]!, scent: null }), pot.load, pot.load.variation)
  const start: CupState = { batter: split(pot.batter), pace: pot.pace, load, atS: cup.drawnAt - lyeInAt, cooling }
  const own = new RunState(run.input, run.variation, 0)
  own.cups[i] = start
  const deeds = deedsOf(run.input, state, cup, lyeInAt).filter(
    ({ kind }) => kind !== 'seen' && kind !== 'thick' && kind !== 'warm',
  )
  return replayed(own, i, deeds, { mean: 0, variance: 0 })
}

/** A cup as it is; null: it is empty. */
export function cupNow(scene: Scene, i: number): BodyNow | null {
  const gone = cupIn(scene, i)
  const cup = scene.state.cups[i]!
  if (!gone) return null
  const now = movingAt(gone.cup, scene.run.waiting(i), scene.r - scene.state.lyeInAt!)
  const off = scene.rehearsed.truth.cups[i] ?? 0
  return {
    level: now.level + off,
    standing: standingLevel(now.cup) + off,
    solid: now.cup.batter.solid,
    emulsion: now.cup.batter.emulsion,
    seems: now.cup.batter.emulsion,
    tempC: now.cup.batter.temperatureC,
    isRiced: isRiced(scene, cup),
    hasLumps: hasLumps(scene, cup),
  }
}

/** The batter that fills a cup, or the one pot, before it is in a cup. */
export function potNow(scene: Scene, name: string | null): BodyNow | null {
  const pot = potAt(potGiven(scene), name, scene.r)
  if (!pot) return null
  const off = scene.rehearsed.truth.cups[0] ?? 0
  return {
    level: pot.level + off,
    standing: pot.standing + off,
    solid: pot.batter.solid,
    emulsion: pot.batter.emulsion,
    seems: pot.seems,
    tempC: pot.batter.temperatureC,
    isRiced: false,
    hasLumps: false,
  }
}

/** What is left in the one pot, g. */
export function potLeftG({ rehearsed: { truth }, following: { input }, state }: Scene): number {
  const drawn = state.cups.reduce((sum, cup) => sum + (cup.drawnG ?? 0), 0)
  return Math.max(0, 1000 * input.potKg * truth.potShare - drawn)
}

/** The one pot, or the batter of its own that is made just now; null: there is none. */
export function potInHand(scene: Scene): BodyNow | null {
  const { input } = scene.following
  if (!input.ownBatters) return potNow(scene, null)
  const { state } = scene
  const own = state.cups.find(cup => cup.drawnG === null && blendOf(input, state, cup.cup).lyeInAt !== null)
  return own ? potNow(scene, batterOf(input, own.cup)) : null
}

/** Lye as it cools from the moment at which it was mixed, °C. */
function lyeC({ following: { plan, shelf, portions }, state, r, run }: Scene): number | null {
  if (state.lyeMixedAt === null) return null
  const { curve } = kept(plan, () => heatPlan(plan, shelf, portions).lye.curve)
  const points = curve.map(({ min, c }) => ({ s: 60 * min, level: c, standing: c }))
  return points.length > 0 ? levelAt(points, r - state.lyeMixedAt) : run.input.roomC
}

const curves = new WeakMap<object, { curve: { min: number; c: number }[] }>()
function kept(plan: object, make: () => { min: number; c: number }[]) {
  const there = curves.get(plan) ?? { curve: make() }
  curves.set(plan, there)
  return there
}

/** How a rehearsed batch really stands at a second of it. */
export const worldAt = (rehearsed: Rehearsed, all: readonly BenchEvent[], r: number): WorldNow =>
  worldOf(sceneAt(rehearsed, all, r))

/** What is seen under each label. */
function bodiesByLabel(scene: Scene, swapped: WorldNow['swapped']): (BodyNow | null)[] {
  const { cups } = scene.state
  return cups.map(({ cup }, i) => {
    const really = swapped?.includes(cup) ? cups.findIndex(one => one.cup !== cup && swapped.includes(one.cup)) : i
    return cupNow(scene, really)
  })
}

function worldOf(scene: Scene): WorldNow {
  const { rehearsed, r } = scene
  const swapped = swappedAt(scene.struck, scene.events, r)
  const { state, struck, following } = scene
  const { truth } = rehearsed
  const { input } = following
  const dim = struck.find(({ key }) => key === 'bad-light')
  const lye = lyeC(scene)
  return {
    r,
    state,
    struck,
    isLyeClear: state.lyeMixedAt !== null && r - state.lyeMixedAt >= truth.clearS,
    lyeC: lye === null ? null : lye + truth.probeK,
    oilsC: input.mixC + truth.probeK,
    roomC: input.roomC + truth.roomK,
    pot: potInHand(scene),
    potLeftG: potLeftG(scene),
    cups: bodiesByLabel(scene, swapped),
    swapped,
    isBlenderDead: struck.some(({ key }) => key === 'dead-blender'),
    isDim: dim !== undefined && r < dim.r + sizeOf(dim),
  }
}

/** What a cup that was spilt still holds, though nobody said so, g. */
export function reallyInCup({ struck, state }: Scene, cup: CupNow): number {
  const spilt = struck.filter(({ key, cup: of }) => key === 'spill' && of === cup.cup)
  const told = state.wrong.some(({ how, cup: of }) => how === 'spill' && of === cup.cup) || cup.spiltG > 0
  const lost = told ? 0 : spilt.reduce((sum, put) => sum + sizeOf(put), 0)
  return Math.max(0, inCup(cup) - lost)
}
