import type { Bench } from './bench.ts'
import { HANDS, MODES } from './bench.ts'
import { blendOwn, burstScent, smoothCup } from './blending.ts'
import { thickenTo } from './thicken.ts'
import type { CupJob, Job } from './run-input.ts'

/** Scent that goes in with the colour; a cup that is a batter of its own has no pot to scent. */
const isScentedEarly = (job: Job, { scent }: CupJob): boolean =>
  scent !== null && (scent.moment === 'with-colour' || (job.ownBatters && scent.moment === 'pot'))

/** Unscented cups first, then in the order they are poured: what stays calm may wait. */
function preparationOrder(job: Job): number[] {
  const firstPour = (i: number) => {
    const at = job.pours.findIndex(pour => pour.cup === i)
    return at < 0 ? Infinity : at
  }
  const early = (cup: CupJob) => (isScentedEarly(job, cup) ? 1 : 0)
  return job.cups
    .map((_, i) => i)
    .filter(i => job.cups[i]!.massG > 0)
    .sort((a, b) => early(job.cups[a]!) - early(job.cups[b]!) || firstPour(a) - firstPour(b))
}

/** Colour, and scent that goes in with it, by whichever hands are free from `fromS` on; gives when they are done. */
function prepareCup(bench: Bench, i: number, fromS: number): number {
  const { job } = bench
  const cup = job.cups[i]!
  const addsScent = isScentedEarly(job, cup)
  let now = bench.cups[i] ? fromS : blendOwn(bench, i, fromS)
  if (cup.stop !== null) {
    bench.advance(i, bench.waiting(i), now)
    now = thickenTo(bench, i, cup.stop, now)
  }
  if (cup.colourS === 0 && !addsScent) return now
  const work = (kind: 'colour' | 'scent', seconds: number) => {
    if (seconds > 0) bench.tasks.push({ kind, fromS: now, toS: now + seconds, cup: i, pour: null, hands: HANDS[kind] })
    now += seconds
    bench.advance(i, MODES.hand, now)
  }
  bench.advance(i, bench.waiting(i), now)
  const state = bench.cups[i]!
  if (cup.colourS > 0) {
    state.load = { ...state.load, lnRate: cup.lnRate, lnViscosity: cup.lnViscosity, lnSwell: cup.lnSwell }
    state.batter.swollenOwn = 0
  }
  work('colour', bench.handS(cup.colourS))
  if (addsScent) {
    bench.addScent(i)
    if (cup.scent!.how === 'bursts' && bench.usesBlender) {
      const doneS = burstScent(bench, i, now)
      bench.tasks.push({ kind: 'scent', fromS: now, toS: doneS, cup: i, pour: null, hands: 2 })
      now = doneS
    } else work('scent', bench.handS(job.times.scent))
    now = smoothCup(bench, i, now)
  }
  return now
}

/** All cups before the first pour: one after another, or two at a time when two people work. */
export function prepareCups(bench: Bench): void {
  bench.second = bench.now
  for (const i of preparationOrder(bench.job)) {
    const isSecond = bench.job.people === 2 && bench.second <= bench.now
    const done = prepareCup(bench, i, isSecond ? bench.second : bench.now)
    if (isSecond) bench.second = done
    else bench.now = done
  }
  bench.now = Math.max(bench.now, bench.second)
}

/** A cup's colour right before its first pour; with two people the second has begun while the first still poured. */
export function prepareJustInTime(bench: Bench, i: number): void {
  if (bench.job.people === 1) {
    bench.now = prepareCup(bench, i, bench.now)
    return
  }
  bench.second = prepareCup(bench, i, Math.max(bench.second, bench.cups[i]?.atS ?? 0))
  bench.now = Math.max(bench.now, bench.second)
}
