import { cavityKinds, heightsIn } from '../../plan/index.ts'
import type { Depth, Move, Plan, Pour } from '../../plan/index.ts'
import type { Portions } from '../../portions/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import type { DepthWish, PourTask, ToolTask } from './run-input.ts'
import { handsForTool, moveSeconds, pourSeconds } from './times.ts'
import type { HandTimes } from './times.ts'
import { FLOODED_NEED, isSwirled, neighboursOf, restsOn, toolWindow, windowKindOf, windowOf } from './windows.ts'

const IN_POT: readonly Move['tool'][] = ['stir', 'decant']

const throughOf = ({ tool }: Move): ToolTask['through'] =>
  IN_POT.includes(tool) ? 'pot' : tool === 'skewer' ? 'top' : 'body'

/** Streams: m³/s, and seconds over one spot (E). */
const STREAMS = {
  jug: { flow: 40e-6, contactS: 1 },
  drop: { flow: 20e-6, contactS: 0.5 },
  drizzle: { flow: 4e-6, contactS: 0.2 },
} as const

/** What stays near the surface goes no deeper than so much, mm or share of the soap; what dives goes in by so much of it. */
const STAYS = { mm: 8, share: 0.25 } as const
const LEAST_DIVE = 0.08
const MOST_PART = 0.8
const TO_FLOOR = 0.6

/** Depths that are wished for, in a soap so deep, mm. */
export function depthWish(depth: Depth, way: Pour['shape']['way'], soapMm: number): DepthWish | null {
  if (way !== 'drop' && way !== 'drizzle') return null
  const wish = depth === 'auto' ? (way === 'drizzle' ? 'stays' : 'dives') : depth
  switch (wish) {
    case 'stays':
      return { leastMm: 0, mostMm: Math.max(STAYS.mm, STAYS.share * soapMm) }
    case 'part':
      return { leastMm: LEAST_DIVE * soapMm, mostMm: MOST_PART * soapMm }
    case 'dives':
      return { leastMm: LEAST_DIVE * soapMm, mostMm: Infinity }
    case 'floor':
      return { leastMm: TO_FLOOR * soapMm, mostMm: Infinity }
  }
}

/** Grams a second of what is poured from the pot without a stop. */
const NEVER_STOP_G_PER_S = 80

/** Depth of the soap below a pour, mm, where it is deepest. */
function soapBelow(plan: Plan, i: number): number {
  return Math.max(
    0,
    ...cavityKinds(plan)
      .filter(kind => kind.pours.includes(i))
      .map(kind => {
        const heights = heightsIn(plan, kind)
        return kind.pours.reduce((sum, k, n) => (k < i ? sum + heights[n]! : sum), 0)
      }),
  )
}

/** Pours as the hands do them. Of two that go in at once the second only takes what it lasts longer. */
export function pourTasks(plan: Plan, portions: Portions, shelf: Shelf, times: HandTimes): PourTask[] {
  const seconds = portions.layers.map(layer => pourSeconds(layer.massG, times))
  const toolsOf = (i: number): ToolTask[] =>
    plan.moves.flatMap((move, n) =>
      move.after === plan.score[i]?.id && !move.off
        ? [
            {
              move: n,
              seconds: moveSeconds(move, times),
              hands: handsForTool(move.tool),
              window: toolWindow(plan, move, shelf.windows),
              through: throughOf(move),
            },
          ]
        : [],
    )
  const isWithLast = (i: number) => i > 0 && plan.score[i]?.together !== undefined && plan.score[i].together !== 'no'
  const neverStopped = new Set(
    plan.scent?.moment === 'never-stop' ? plan.cups.filter(cup => cup.scented && !cup.ownScent).map(cup => cup.id) : [],
  )
  return plan.score.map((pour, i): PourTask => {
    const { below } = neighboursOf(plan, i)
    const belowMm = soapBelow(plan, i)
    const neverStops = neverStopped.has(pour.cup)
    const { way } = pour.shape
    const usualS = isWithLast(i) ? Math.max(1, seconds[i]! - seconds[i - 1]!) : seconds[i]!
    return {
      pour: pour.id,
      cup: plan.cups.findIndex(cup => cup.id === pour.cup),
      massG: portions.layers[i]!.massG,
      seconds: neverStops ? Math.max(3, portions.layers[i]!.massG / NEVER_STOP_G_PER_S) : usualS,
      window: windowOf(plan, i, shelf.windows),
      waitS: pour.waitMin * 60,
      dropMm: pour.dropMm,
      overSpatula: pour.overSpatula,
      below,
      belowMm,
      neverStops,
      isCarried: below.length > 0 && restsOn(pour) && !isSwirled(plan) && !isWithLast(i) && !neverStops,
      leastBelow: windowKindOf(plan, i) === 'flooded' ? FLOODED_NEED : 0,
      depth: belowMm > 0 ? depthWish(pour.shape.depth, way, belowMm) : null,
      ...(way === 'drop' || way === 'drizzle' ? STREAMS[way] : STREAMS.jug),
      tools: isWithLast(i + 1) ? [] : [...(isWithLast(i) ? toolsOf(i - 1) : []), ...toolsOf(i)],
    }
  })
}
