import type { PourTask } from '../batter/schedule/index.ts'
import type { CupFill } from './fill.ts'
import type { Following } from './following.ts'
import { cupNow, inCup } from './state.ts'
import type { BenchState } from './state.ts'
import type { BenchStep } from './step.ts'

/** Weights as they are reckoned anew from what is really there, g. */

const sum = (list: readonly number[]): number => list.reduce((all, one) => all + one, 0)

const NOTHING: CupFill = { drawG: 0, colourG: 0, scentG: 0, potScentG: 0 }

export const fillOf = ({ input, fills }: Following, cup: string): CupFill =>
  fills[input.cups.findIndex(task => task.cup.id === cup)] ?? NOTHING

/** What goes into a cup when it is scented by itself: its scent, also where that was forgotten in the pot. */
export const scentInto = (following: Following, cup: string): number => {
  const { scentG, potScentG } = fillOf(following, cup)
  return scentG + potScentG
}

/** What is to be drawn into a cup: what is left in the pot, shared by the plan's shares of the cups that are still empty. */
export function drawMass(following: Following, state: BenchState, cup: string): number {
  const isUnscented = (id: string) => state.potScentedAt === null && state.waived.includes(`scent:${id}`)
  const planned = (id: string) => {
    const { drawG, potScentG } = fillOf(following, id)
    return isUnscented(id) ? drawG - potScentG : drawG
  }
  const drawn = state.cups.filter(one => one.drawnG !== null)
  const off = sum(drawn.map(one => one.drawnG! - planned(one.cup)))
  const open = sum(state.cups.filter(one => one.drawnG === null).map(one => planned(one.cup)))
  return open > 0 ? Math.max(0, planned(cup) * (1 - off / open)) : planned(cup)
}

/** What a pour takes of what its cup still has; what was planned to stay in the cup stays there. */
export function pourMass({ input }: Following, state: BenchState, pour: PourTask): number {
  const task = input.cups[pour.cup]!
  const cup = cupNow(state, task.cup.id)
  if (!cup || cup.drawnG === null) return pour.massG
  const mine = input.pours.filter(one => one.cup === pour.cup)
  const stays = state.planB === null ? Math.max(0, task.massG - sum(mine.map(one => one.massG))) : 0
  const open = sum(mine.filter(one => state.pours[one.pour] === undefined).map(one => one.massG))
  const there = Math.max(0, inCup(cup) - stays)
  return open > 0 ? (there * pour.massG) / open : 0
}

/** The weight that a step is about, as things stand. */
export function massOf(following: Following, state: BenchState, step: BenchStep): number | null {
  if (step.kind === 'draw') return drawMass(following, state, step.cup!)
  if (step.kind !== 'pour') return step.massG
  const pour = following.input.pours.find(one => one.pour === step.pour)
  return pour ? pourMass(following, state, pour) : step.massG
}

/** How much more or less than planned was drawn into a cup; 1: as planned, or not yet. */
export function timesPlanned(following: Following, state: BenchState, cup: string): number {
  const { drawG } = fillOf(following, cup)
  const drawn = cupNow(state, cup)?.drawnG ?? null
  return drawn === null || drawG <= 0 ? 1 : drawn / drawG
}
