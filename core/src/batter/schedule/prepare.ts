import { loadOf } from '../trace/index.ts'
import type { RunState } from './run-state.ts'
import { HANDS, MODES } from './run-state.ts'
import { blendOwn, burstScent, smoothCup } from './blending.ts'
import { thickenTo } from './thicken.ts'
import type { CupTask, RunInput } from './run-input.ts'

/** Scent that goes in with the colour; a cup that is a batter of its own has no pot to scent. */
export const isScentedEarly = (input: RunInput, { scent }: CupTask): boolean =>
  scent !== null && (scent.moment === 'with-colour' || (input.ownBatters && scent.moment === 'pot'))

/** Unscented cups first, then in the order they are poured: what stays calm may wait. */
export function preparationOrder(input: RunInput): number[] {
  const firstPour = (i: number) => {
    const at = input.pours.findIndex(pour => pour.cup === i)
    return at < 0 ? Infinity : at
  }
  const early = (cup: CupTask) => (isScentedEarly(input, cup) ? 1 : 0)
  return input.cups
    .map((_, i) => i)
    .filter(i => input.cups[i]!.massG > 0)
    .sort((a, b) => early(input.cups[a]!) - early(input.cups[b]!) || firstPour(a) - firstPour(b))
}

/** Colour, and scent that goes in with it, by whichever hands are free from `fromS` on; gives when they are done. */
function prepareCup(state: RunState, i: number, fromS: number): number {
  const { input } = state
  const cup = input.cups[i]!
  const addsScent = isScentedEarly(input, cup)
  let now = state.cups[i] ? fromS : blendOwn(state, i, fromS)
  if (cup.stop !== null) {
    state.advance(i, state.waiting(i), now)
    now = thickenTo(state, i, cup.stop, now)
  }
  if (cup.colourS === 0 && !addsScent) return now
  const work = (kind: 'colour' | 'scent', seconds: number) => {
    if (seconds > 0) state.tasks.push({ kind, fromS: now, toS: now + seconds, cup: i, pour: null, hands: HANDS[kind] })
    now += seconds
    state.advance(i, MODES.hand, now)
  }
  state.advance(i, state.waiting(i), now)
  const standing = state.cups[i]!
  if (cup.colourS > 0) {
    standing.load = loadOf(standing.load.scent, cup, standing.load.variation)
    standing.batter.swollenOwn = 0
  }
  work('colour', state.handS(cup.colourS))
  if (addsScent) {
    state.addScent(i)
    if (cup.scent!.how === 'bursts' && state.usesBlender) {
      const doneS = burstScent(state, i, now)
      state.tasks.push({ kind: 'scent', fromS: now, toS: doneS, cup: i, pour: null, hands: 2 })
      now = doneS
    } else work('scent', state.handS(input.times.scent))
    now = smoothCup(state, i, now)
  }
  return now
}

/** All cups before the first pour: one after another, or two at a time when two people work. */
export function prepareCups(state: RunState): void {
  state.second = state.now
  for (const i of preparationOrder(state.input)) {
    const isSecond = state.input.people === 2 && state.second <= state.now
    const done = prepareCup(state, i, isSecond ? state.second : state.now)
    if (isSecond) state.second = done
    else state.now = done
  }
  state.now = Math.max(state.now, state.second)
}

/** A cup's colour right before its first pour; with two people the second has begun while the first still poured. */
export function prepareJustInTime(state: RunState, i: number): void {
  if (state.input.people === 1) {
    state.now = prepareCup(state, i, state.now)
    return
  }
  state.second = prepareCup(state, i, Math.max(state.second, state.cups[i]?.atS ?? 0))
  state.now = Math.max(state.now, state.second)
}
