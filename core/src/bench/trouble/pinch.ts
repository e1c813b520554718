import { batterPace } from '../../batter/trace/index.ts'
import { unitBatter } from '../../recipe/index.ts'
import type { BenchOutlook } from '../bench-outlook.ts'
import type { Following } from '../following.ts'
import { planBOf } from '../plan-b.ts'
import type { BenchState } from '../state.ts'
import type { Pinch } from './way-out.ts'

const last = (readings: readonly { value: number }[]): number | null => readings.at(-1)?.value ?? null

/**
 * How things stand for the ways out.
 *
 * @param cup of which trouble is told; empty: all of it
 */
export function pinchOf(
  { plan, shelf, input }: Following,
  state: BenchState,
  outlook: BenchOutlook | null,
  cup: string,
): Pinch {
  const mine = (one: { cup: string }) => cup === '' || one.cup === cup
  const levels = outlook?.cups.filter(mine).map(one => one.level) ?? []
  const cups = state.cups.filter(mine)
  const tempC = last(cups.flatMap(one => one.temps)) ?? last(state.temps.pot)
  const planned = input.cups.filter(task => mine({ cup: task.cup.id }) && task.scent !== null)
  const isOut = (id: string) => state.cups.find(one => one.cup === id)?.scentedAt === null
  return {
    level: levels.length > 0 ? Math.max(...levels) : last([...cups.flatMap(one => one.seen), ...state.potSeen]),
    tempC,
    overClearC: tempC === null ? null : tempC - batterPace(unitBatter(plan.recipe, shelf)).clearPointC,
    isDivided: state.cups.some(one => one.drawnAt !== null),
    isPoured: Object.keys(state.pours).length > 0 || state.pouring !== null,
    isScentLeft: planned.length === 0 ? null : planned.some(task => isOut(task.cup.id)) && state.potScentedAt === null,
    hasPlanB: planBOf(plan) !== null,
    isWhipped: plan.whipped !== null,
    isHeld: state.hold === 'holds' ? true : state.hold === 'breaks' ? false : null,
  }
}
