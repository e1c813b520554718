import type { Words } from '../quantities/facts/index.ts'
import { runPlan, variationAt } from '../batter/schedule/index.ts'
import { actualOf } from '../weighing/index.ts'
import type { ActualBatch, WeighLine } from '../weighing/index.ts'
import type { Following } from './following.ts'
import { activeOf } from './plan-b.ts'
import type { Settled } from './settle.ts'
import { weightsIn } from './state.ts'
import type { BenchState, Sighting } from './state.ts'
import { creamKey, creamingKey, trickleKey } from './whip-keys.ts'

/** What really happened in a run beside what was planned. Masses in g, temperatures in °C, times in s after the lye went in. */

export interface WeightRecord {
  line: WeighLine
  massG: number | null
}

export interface CupRecord {
  cup: string
  plannedG: number
  drawnG: number | null
  pouredG: number
  colouredS: number | null
  scentedS: number | null
  seen: Sighting[]
  spiltG: number
  isLost: boolean
}

export interface PourRecord {
  pour: string
  cup: string
  plannedG: number
  /** As the plan has it, done by the most likely batter; null: a pour of plan B. */
  planned: { fromS: number; toS: number; level: number } | null
  real: { fromS: number; toS: number } | null
  /** Of plan B. */
  isPlanB: boolean
}

export interface RunRecord {
  weights: WeightRecord[]
  actual: ActualBatch
  /** As lye and oils met. */
  temperatures: { body: 'lye' | 'oils'; plannedC: number; readC: number | null }[]
  blend: { plannedS: number; realS: number }
  cups: CupRecord[]
  pours: PourRecord[]
  /** Seconds from the lye to the last pour, planned and real; null: not so far. */
  length: { plannedS: number; realS: number | null }
  /** Trouble, notes, plan B and what was gone on with all the same, in their order. */
  told: { r: number; kind: 'wrong' | 'note' | 'plan-b' | 'waive'; how: string; cup: string | null; text: Words }[]
}

const TOLD = ['wrong', 'note', 'plan-b', 'waive'] as const
const isTold = (event: Settled): event is Settled & { kind: (typeof TOLD)[number] } =>
  (TOLD as readonly string[]).includes(event.kind)

/** What was read last before a second of the run. */
const readBefore = (readings: BenchState['temps']['lye'], r: number): number | null =>
  readings.findLast(one => one.r <= r)?.value ?? null

function poursOf(first: Following, state: BenchState, planned: ReturnType<typeof runPlan>): PourRecord[] {
  const now = activeOf(first, state)
  const at = (s: number) => s - state.lyeInAt!
  return now.input.pours.map(({ pour, cup, massG }): PourRecord => {
    const i = first.input.pours.findIndex(one => one.pour === pour)
    const run = i < 0 ? null : planned.pours[i]!
    const span = state.pours[pour]
    return {
      pour,
      cup: now.input.cups[cup]!.cup.id,
      plannedG: massG,
      isPlanB: i < 0,
      planned: run && { fromS: run.startS, toS: run.endS, level: run.startLevel },
      real: span && state.lyeInAt !== null ? { fromS: at(span.fromS), toS: at(span.toS) } : null,
    }
  })
}

/** What creaming, trickling and whipping took of one bowl, as far as it was noted, s. */
function whippedS({ ticked, lyeInAt, blendS }: BenchState): number {
  const between = (from: number | null | undefined, to: number | undefined) =>
    from == null || to === undefined ? 0 : Math.max(0, to - from)
  return between(ticked[creamingKey()], ticked[creamKey()]) + between(lyeInAt, ticked[trickleKey()]) + blendS
}

/** What really happened beside what was planned. @param events what holds, in order */
export function recordOf(following: Following, state: BenchState, events: readonly Settled[]): RunRecord {
  const { plan, input, lines, portions, shelf, fills } = following
  const planned = runPlan(input, variationAt(0, input))
  const blended = planned.tasks.find(task => task.kind === 'blend')
  const { lyeInAt } = state
  const after = (r: number | null) => (r === null || lyeInAt === null ? null : r - lyeInAt)
  const ends = Object.values(state.pours).map(span => span.toS)
  return {
    weights: lines.map(line => ({ line, massG: state.weighed[line.key]?.massG ?? null })),
    actual: actualOf(plan, portions, shelf, weightsIn(state.weighed)),
    temperatures: (['lye', 'oils'] as const).map(body => ({
      body,
      plannedC:
        body === 'lye'
          ? (plan.whipped?.lyeC ?? plan.heat.lyeC ?? plan.conditions.mixC)
          : (plan.whipped?.fatsC ?? plan.conditions.mixC),
      readC: readBefore(state.temps[body], lyeInAt ?? Infinity),
    })),
    blend: {
      plannedS: blended ? blended.toS - blended.fromS : 0,
      realS: plan.whipped ? whippedS(state) : state.blendS,
    },
    cups: state.cups.flatMap((cup, i): CupRecord[] =>
      input.cups[i]!.massG < 1 && cup.drawnG === null
        ? []
        : [
            {
              cup: cup.cup,
              plannedG: fills[i]!.drawG,
              drawnG: cup.drawnG,
              pouredG: cup.pouredG,
              colouredS: after(cup.colouredAt),
              scentedS: after(cup.scentedAt),
              seen: cup.seen,
              spiltG: cup.spiltG,
              isLost: cup.isLost,
            },
          ],
    ),
    pours: poursOf(following, state, planned),
    length: { plannedS: planned.endS, realS: ends.length > 0 ? after(Math.max(...ends)) : null },
    told: events
      .filter(isTold)
      // Waits that were cut short are no news.
      .filter(({ kind, how }) => kind !== 'waive' || how?.startsWith('wait:') !== true)
      .map(({ r, kind, how = '', cup, text = '' }) => ({ r, kind, how, cup: cup ?? null, text })),
  }
}
