import { FAULTS, MODES, copyOf, pourVerdict, toolVerdict } from '../batter/schedule/index.ts'
import type { CupState, PourTask, RunInput, ToolTask } from '../batter/schedule/index.ts'
import { diveDepthMm, levelOf, levelThatCarries } from '../batter/trace/index.ts'
import { batterOf, movingAt } from '../bench/index.ts'
import type { Replayed } from '../bench/index.ts'
import type { Scene } from './world.ts'
import { cupIn, holdsStill, isRiced, potGiven, reallyInCup } from './world.ts'
import { potAt } from './pot.ts'
import { metRight, sizeOf, struckOf, swappedAt } from './strikes.ts'

/** What came of a rehearsed run, by what its batter really was. */

/** Why a pour did not come out: the faults of the forecast, and others. */
export const WRONGS = {
  ...FAULTS,
  'not-poured': 'was not poured',
  'no-colour': 'has no colour',
  'no-scent': 'has no scent',
  riced: 'has grains in it',
  lost: 'was lost',
  apart: 'was divided before it held',
  short: 'is short of batter',
  'other-cup': 'came out of another cup: its label was exchanged',
} as const
export type Wrong = keyof typeof WRONGS

export interface PourResult {
  pour: string
  cup: string
  /** The cup that it really came out of: another where labels were exchanged. */
  from: string
  massG: number
  /** What really went in, g. */
  pouredG: number
  /** Levels that it really had as its pour began and ended; null: it was not poured. */
  startLevel: number | null
  endLevel: number | null
  wrong: Wrong | null
  /** Tools after it: what was wrong with each; null: nothing. */
  tools: (Wrong | null)[]
  isPlanB: boolean
  /** Its scent was left out on purpose. */
  isPlain: boolean
}

/** A pour may be off its window by so much before anybody sees it, levels; and hold so much less than planned, as a share. */
const UNSEEN = 0.15
const SHORT = 0.12
/** An error of the model that is none. */
const SURE = 1e-6

/** Soap that lies in the mould at a second, as it stands. */
function lying(state: CupState, s: number): number {
  const { cup } = movingAt(copyOf(state), MODES.rest, s)
  return levelOf(cup.batter, cup.pace, cup.load)
}

interface Given {
  scene: Scene
  input: RunInput
  cups: readonly (Replayed | null)[]
}

/** What a pour that lies in the mould shows there at a second after the lye, with what the model is off by in its cup; null: it is not there. */
function lyingLevel({ scene, input, cups }: Given, k: number, s: number): number | null {
  const pour = input.pours[k]!
  const soap = cups[pour.cup]?.mould.get(pour.pour)
  return soap && soap.atS <= s + 1 ? lying(soap, s) + (scene.rehearsed.truth.cups[pour.cup] ?? 0) : null
}

/** What lies below a pour at a second after the lye: how it stands, and how it has to; null: nothing does. */
export interface Below {
  level: number
  need: number
}

function belowOf(given: Given, pour: PourTask, s: number): Below | null {
  const level = pour.below.map(k => lyingLevel(given, k, s)).findLast(one => one !== null)
  if (level === undefined || level === null) return null
  return { level, need: Math.max(pour.leastBelow, levelThatCarries(pour.dropMm, pour.overSpatula)) }
}

const givenIn = (scene: Scene): Given => {
  const { input } = scene.following
  return { scene, input, cups: input.cups.map((_, i) => cupIn(scene, i)) }
}

/** What bears a pour, were it begun now; null: nothing has to. */
export function bearsNow(scene: Scene, index: number): Below | null {
  const pour = scene.following.input.pours[index]!
  const { lyeInAt } = scene.state
  return pour.isCarried && lyeInAt !== null ? belowOf(givenIn(scene), pour, scene.r - lyeInAt) : null
}

function toolWrong(given: Given, index: number, tool: ToolTask, s: number): Wrong | null {
  const pour = given.input.pours[index]!
  const places = tool.through === 'top' ? [index] : [...pour.below, index]
  const levels = places.flatMap(k => lyingLevel(given, k, s) ?? [])
  if (levels.length === 0) return 'not-poured'
  const run = {
    move: tool.move,
    startS: s,
    endS: s,
    lowest: Math.min(...levels) + UNSEEN,
    highest: Math.max(...levels) - UNSEEN,
  }
  const verdict = toolVerdict({ ...given.input, levelError: SURE }, tool, run)
  return verdict.works < 0.5 ? verdict.fault : null
}

/** Whether the batter held as a cup was drawn from it. */
function held({ scene, input }: Given, i: number): boolean {
  const cup = scene.state.cups[i]!
  if (cup.drawnAt === null || input.whipped) return true
  const pot = potAt(potGiven(scene), batterOf(input, cup.cup), cup.drawnAt)
  return pot === null || holdsStill(pot.batter.emulsion)
}

/** The cup that was really in the hand at a second of the run, under the label of another. */
function reallyOf({ struck, events }: Scene, cup: string, r: number): string {
  const swapped = swappedAt(struck, events, r)
  return swapped?.includes(cup) ? swapped.find(one => one !== cup)! : cup
}

/** What a cup lacked. */
function lacking(given: Given, i: number): Wrong | null {
  const { scene, input } = given
  const cup = scene.state.cups[i]!
  const { colourS, scent } = input.cups[i]!
  if (cup.isLost || scene.struck.some(({ key, cup: of }) => key === 'broke-cup' && of === cup.cup)) return 'lost'
  if (!held(given, i)) return 'apart'
  if (colourS > 0 && cup.colouredAt === null) return 'no-colour'
  const wants = scent !== null && scent.moment !== 'oils' && scent.moment !== 'never-stop'
  const isLeftOut = scene.state.waived.includes(`scent:${cup.cup}`)
  if (wants && cup.scentedAt === null && scene.state.potScentedAt === null && !isLeftOut) return 'no-scent'
  return isRiced(scene, cup) ? 'riced' : null
}

function pourResult(given: Given, index: number): PourResult {
  const { scene, input, cups } = given
  const pour = input.pours[index]!
  const { lyeInAt, pours, tools } = scene.state
  const cup = scene.state.cups[pour.cup]!
  const span = pours[pour.pour]
  const met = cups[pour.cup]?.met.get(pour.pour)
  const isPlanB =
    scene.state.planB !== null && !scene.rehearsed.following.input.pours.some(one => one.pour === pour.pour)
  const isPlain = cup.scentedAt === null && scene.state.waived.includes(`scent:${cup.cup}`)
  const from = span ? reallyOf(scene, cup.cup, span.fromS) : cup.cup
  const about = { pour: pour.pour, cup: cup.cup, from, massG: pour.massG, isPlanB, isPlain }
  if (!span || !met || lyeInAt === null)
    return {
      ...about,
      pouredG: 0,
      startLevel: null,
      endLevel: null,
      wrong: 'not-poured',
      tools: pour.tools.map(() => 'not-poured' as const),
    }
  const off = scene.rehearsed.truth.cups[pour.cup] ?? 0
  const s = span.fromS - lyeInAt
  const below = belowOf(given, pour, s)
  const diveMm = pour.depth && below ? Math.min(pour.belowMm, diveDepthMm(pour, below.level)) : null
  const verdict = pourVerdict({ ...input, levelError: SURE }, index, {
    startS: s,
    endS: span.toS - lyeInAt,
    startLevel: met.startLevel + off + UNSEEN,
    endLevel: met.endLevel + off - UNSEEN,
    carrierLevel: pour.isCarried && below ? below.level + UNSEEN : null,
    carrierNeed: pour.isCarried && below ? below.need : null,
    bursts: 0,
    stoodLevel: met.stoodLevel + off - UNSEEN,
    diveMm,
    tools: [],
    after: cups[pour.cup]!.cup,
  })
  const mine = input.pours.filter(one => one.cup === pour.cup && pours[one.pour])
  const share = pour.massG / mine.reduce((sum, one) => sum + one.massG, 0)
  const pouredG = share * (cup.pouredG - Math.max(0, -reallyInCup(scene, cup)))
  const wrong =
    lacking(given, pour.cup) ??
    (from === cup.cup ? null : 'other-cup') ??
    (verdict.works < 0.5 ? verdict.fault : pouredG < (1 - SHORT) * pour.massG ? 'short' : null)
  return {
    ...about,
    // Of a cup that burst nothing gets into the mould.
    pouredG: wrong === 'lost' ? 0 : pouredG,
    startLevel: met.startLevel + off,
    endLevel: met.endLevel + off,
    wrong,
    tools: pour.tools.map(tool => {
      const at = tools[scene.following.plan.moves[tool.move]!.id]
      return at === undefined ? 'not-poured' : toolWrong(given, index, tool, at - lyeInAt)
    }),
  }
}

/** What leaked out of the mould until it was taped, g. */
function leakedG({ struck, events, r }: Scene): number {
  const put = struckOf(struck, 'leak')
  const until = Math.min(r, metRight('leak', events) ?? r)
  return put ? (sizeOf(put) * Math.max(0, until - put.r)) / 60 : 0
}

/** What leaked is missing in what was poured first. */
function leaked(scene: Scene, pours: readonly PourResult[]): PourResult[] {
  let lost = leakedG(scene)
  if (lost <= 0) return [...pours]
  const from = ({ pour }: PourResult) => scene.state.pours[pour]?.fromS ?? Infinity
  const less = new Map<string, number>()
  for (const one of [...pours].sort((a, b) => from(a) - from(b))) {
    less.set(one.pour, Math.max(0, one.pouredG - lost))
    lost = Math.max(0, lost - one.pouredG)
  }
  return pours.map(one => {
    const pouredG = less.get(one.pour)!
    const isShort = one.wrong === null && pouredG < (1 - SHORT) * one.massG
    return { ...one, pouredG, wrong: isShort ? ('short' as const) : one.wrong }
  })
}

/** Of each pour of what was followed in the end, what came of it. */
export function judgedPours(scene: Scene): PourResult[] {
  const given = givenIn(scene)
  return leaked(
    scene,
    given.input.pours.map((_, index) => pourResult(given, index)),
  )
}

/** By plan B, or unscented on purpose, against what was meant. */
const WORTH_OF_ANOTHER = 0.7

/** What a run is worth, 0…1: by mass, pours and tools as they were meant 1, by plan B or unscented less. */
export function worthOf(pours: readonly PourResult[]): number {
  const mass = pours.reduce((sum, { massG }) => sum + massG, 0)
  const well = pours.reduce((sum, { massG, wrong, tools, isPlanB, isPlain }) => {
    const parts = [wrong === null, ...tools.map(tool => wrong === null && tool === null)]
    return sum + (massG * (isPlanB || isPlain ? WORTH_OF_ANOTHER : 1) * parts.filter(Boolean).length) / parts.length
  }, 0)
  return mass > 0 ? well / mass : 0
}

/** Whether everything came out, planned or by plan B. */
export const allWell = (pours: readonly PourResult[]): boolean =>
  pours.length > 0 && pours.every(({ wrong, tools }) => wrong === null && tools.every(tool => tool === null))
