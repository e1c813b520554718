import { NODES, RunState, copyOf, finishRun, pourVerdict, toolVerdict } from '../batter/schedule/index.ts'
import type {
  CupTask,
  InMould,
  PourTask,
  ToolTask,
  RestOfRun,
  RunInput,
  Variation,
  Window,
} from '../batter/schedule/index.ts'
import { latinColumn, latinNormals } from '../quantities/chance/index.ts'
import type { Following } from './following.ts'
import { SCENT_NODES } from './infer.ts'
import type { CupNode, Inferred } from './infer.ts'
import type { BenchState } from './state.ts'

/** How likely what is left of a run comes out: its rest worked through many times from where it stands, as is believed of it. */

export interface RestChance {
  /** That every pour and tool that is still open works. */
  whole: number
  /** Share of the batter still to be poured that comes out, expected. */
  share: number
  /** The pour that fails most often, how often it works, and how long until it starts, s; null when none is open. */
  weakest: { pour: string; works: number; inS: number } | null
}

/** A run of the rest that is done otherwise than it stands in the plan. */
export interface Otherwise {
  /** So long the hands wait first, s. */
  waitS?: number
  /** Waiting cups are stirred. */
  stirs?: boolean
  /** This cup is left without its scent. */
  plain?: number
}

/** Draws of pace, scents and hands; the dimensions of the last two beside those of the scents. */
const DRAWS = 24
const HANDS = 50
const LUMPS = 51
/** A level is never known better than so, and no pour takes less, s. */
const LEAST_ERROR = 0.06
const LEAST_S = 2

/** The place in a list of weights at which a share of their sum is reached. */
function placeAt(weights: readonly number[], share: number): number {
  let sum = 0
  for (const [i, weight] of weights.entries()) {
    sum += weight
    if (sum >= share) return i
  }
  return weights.length - 1
}

/** What is drawn: a node of the pace, one of each scent, and the pace of the hands. */
interface Draw {
  n: number
  k: number[]
  hands: number
  /** Below the chance that a scent makes lumps it does. */
  lumps: number
}

const drawn = (known: Inferred): Draw[] =>
  Array.from({ length: DRAWS }, (_, j) => {
    const n = placeAt(known.shared, (j + 0.5) / DRAWS)
    const k = known.groups.map((group, g) => placeAt(known.within[g]![n]!, latinColumn(group + 1, DRAWS)[j]!))
    return {
      n,
      k,
      hands: Math.exp(known.hands.mean + known.hands.sd * latinNormals(HANDS, DRAWS)[j]!),
      lumps: latinColumn(LUMPS, DRAWS)[j]!,
    }
  })

/** A cup's task, as far as it is still to be done. */
function openTask(
  { ownBatters }: RunInput,
  task: CupTask,
  state: BenchState,
  i: number,
  { plain }: Otherwise,
): CupTask {
  const { cup, colouredAt, scentedAt } = state.cups[i]!
  const isLeftOut = scentedAt === null && state.waived.includes(`scent:${cup}`)
  const hasScent = scentedAt !== null || task.scent?.moment === 'oils'
  return {
    ...task,
    ...(colouredAt !== null && { colourS: 0, stop: null }),
    // Scent of the pot is in by now; one that is in needs nothing more.
    scent:
      plain === i || isLeftOut || (hasScent && ownBatters)
        ? null
        : task.scent && hasScent
          ? { ...task.scent, moment: 'pot' }
          : task.scent,
  }
}

/** A run in one draw: the cups as they are in it, and what lies in the mould. */
interface Standing {
  nodes: readonly (CupNode | undefined)[]
  kOf: (cup: number) => number
}

function standing({ input }: Following, known: Inferred, { n, k }: Draw): Standing {
  const kOf = (cup: number) => {
    const { scent } = input.cups[cup]!
    return scent ? k[known.groups.indexOf(scent.group)]! : 0
  }
  return { nodes: input.cups.map((_, i) => known.cups[i]?.[n]?.[kOf(i)]), kOf }
}

const lower = ({ lo, hi }: Window, by: number): Window => ({ lo: lo - by, hi: hi - by })

/** A pour with its windows so much lower. Made for every draw of every way on: written out, which spreading is not as quick as. */
const shifted = (task: PourTask, tools: readonly ToolTask[], by: number): PourTask => ({
  pour: task.pour,
  cup: task.cup,
  massG: task.massG,
  seconds: task.seconds,
  window: lower(task.window, by),
  waitS: task.waitS,
  dropMm: task.dropMm,
  overSpatula: task.overSpatula,
  below: task.below,
  belowMm: task.belowMm,
  isCarried: task.isCarried,
  leastBelow: task.leastBelow,
  depth: task.depth,
  flow: task.flow,
  contactS: task.contactS,
  neverStops: task.neverStops,
  tools: tools.map(({ move, seconds, hands, window, through }) => ({
    move,
    seconds,
    hands,
    window: lower(window, by),
    through,
  })),
})

/** What is still to be done, as a run needs it; windows as the model's error in each cup has them. */
function openInput(at: Moment, { nodes }: Standing, other: Otherwise): RunInput {
  const { following, state, r } = at
  const { input, plan } = following
  const openPour = (task: PourTask): PourTask => {
    const isIn = state.pours[task.pour] !== undefined
    const tools = isIn ? task.tools.filter(tool => state.tools[plan.moves[tool.move]!.id] === undefined) : task.tools
    const made = shifted(task, tools, nodes[task.cup]?.error.mean ?? 0)
    if (state.pouring?.pour === task.pour) {
      made.seconds = Math.max(LEAST_S, task.seconds - (r - state.pouring.since) / input.handPace)
      made.waitS = 0
    }
    return made
  }
  const errors = nodes.flatMap(node => (node ? [Math.sqrt(node.error.variance)] : []))
  return {
    ...input,
    cups: input.cups.map((task, i) => openTask(input, task, state, i, other)),
    pours: input.pours.map(openPour),
    ...(other.stirs && { waiting: 'stir' }),
    levelError: Math.max(LEAST_ERROR, errors.reduce((sum, one) => sum + one, 0) / Math.max(1, errors.length)),
  }
}

/** Chance that a scent that is still to go in makes lumps; one that has made them does so in every cup. */
function ricingLeft(input: RunInput, state: BenchState): number {
  if (state.wrong.some(({ how }) => how === 'ricing')) return 1
  const left = input.cups.filter(
    ({ cup, scent }, i) =>
      scent && scent.moment !== 'pot' && state.cups[i]!.scentedAt === null && !state.waived.includes(`scent:${cup.id}`),
  )
  return Math.max(0, ...left.map(({ scent }) => scent!.ricing))
}

function variationIn(at: Moment, known: Inferred, open: RunInput, { n, k, hands, lumps }: Draw): Variation {
  const { input } = at.following
  const rate = input.rate.mean + NODES[n]! * input.rate.sd
  const scents = Array.from({ length: Math.max(-1, ...known.groups) + 1 }, (_, group) => {
    const g = known.groups.indexOf(group)
    return g < 0 ? 0 : SCENT_NODES[k[g]!]![0] * input.scentSd
  })
  const rices = lumps < ricingLeft(open, at.state)
  return { plainRate: rate, scentedRate: rate, scent: scents[0] ?? 0, scents, hands, rices }
}

interface Rollout {
  works: number
  share: number
  pours: Map<number, { works: number; inS: number }>
}

/** How the open pours of a run came out. */
function judged(open: RunInput, rest: RestOfRun, fromS: number): Rollout {
  const pours: Rollout['pours'] = new Map()
  let [mass, well] = [0, 0]
  for (const [index, { pour, tools }] of rest) {
    const task = open.pours[index]!
    const works = Math.min(
      pour ? pourVerdict(open, index, pour).works : 1,
      ...tools.map((tool, t) => toolVerdict(open, task.tools[t]!, tool).works),
    )
    pours.set(index, { works, inS: pour ? pour.startS - fromS : 0 })
    mass += task.massG
    well += task.massG * works
  }
  const works = Math.min(1, ...[...pours.values()].map(one => one.works))
  return { works, share: mass > 0 ? well / mass : 1, pours }
}

/** The rest of the run in one draw. */
function rollout(at: Moment, known: Inferred, draw: Draw, other: Otherwise): Rollout {
  const { following, state, r } = at
  const stands = standing(following, known, draw)
  const open = openInput(at, stands, other)
  const run = new RunState(open, variationIn(at, known, open, draw), 0)
  stands.nodes.forEach((node, i) => {
    if (node) run.cups[i] = node.resting.at(known.nowS)
  })
  run.now = Math.max(r, state.waitingUntil ?? r) - state.lyeInAt! + (other.waitS ?? 0)
  const mould: InMould = new Map()
  open.pours.forEach(({ pour, cup }, index) => {
    const lies = known.mould.get(pour)?.[draw.n]![stands.kOf(cup)]
    if (lies) mould.set(index, copyOf(lies))
  })
  const fromS = run.now
  const isOpen = (index: number) => {
    const { pour, cup } = open.pours[index]!
    return (
      state.pours[pour] === undefined &&
      !state.cups[cup]!.isLost &&
      // Batters of their own are still to be made.
      (run.cups[cup] !== undefined || open.ownBatters)
    )
  }
  return judged(open, finishRun(run, mould, isOpen), fromS)
}

/** A run at a second of it. */
export interface Moment {
  following: Following
  state: BenchState
  r: number
}

/** Whether all batter is divided, so that the rest can be worked through; batters of their own are made as they are needed. */
const isDivided = ({ following: { input }, state }: Moment): boolean =>
  input.ownBatters || input.cups.every(({ massG }, i) => massG < 1 || state.cups[i]!.drawnAt !== null)

/**
 * How likely the rest comes out from where it stands, or done otherwise. The same run gives the same answer.
 *
 * @returns null before the batter is divided, and where nothing is left to be poured
 */
export function restChance(at: Moment, known: Inferred, other: Otherwise = {}): RestChance | null {
  if (!isDivided(at)) return null
  const rollouts = drawn(known).map(draw => rollout(at, known, draw, other))
  const mean = (of: (one: Rollout) => number) => rollouts.reduce((sum, one) => sum + of(one), 0) / rollouts.length
  const open = [...rollouts[0]!.pours.keys()]
  if (open.length === 0) return null
  const pours = open.map(index => ({
    pour: at.following.input.pours[index]!.pour,
    works: mean(one => one.pours.get(index)!.works),
    inS: mean(one => one.pours.get(index)!.inS),
  }))
  return {
    whole: mean(one => one.works),
    share: mean(one => one.share),
    weakest: pours.reduce((worst, one) => (one.works < worst.works ? one : worst)),
  }
}
