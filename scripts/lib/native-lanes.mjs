// The batter model against the same arithmetic in C: cups blended, scented, stirred and left to stand. Prints the ratio of their
// times; a process of its own, so that neither runs in the heat of anything else.
import * as core from '@ostler/core'
import { leastRatio, withNative } from './native.mjs'

const CUPS = 4000
const START_C = 30
const DOSED = 0.27

/** One cup's history, the level looked at after every step; gives the sum of its levels. */
function history(pace, variation) {
  const { UNSCENTED, advanceBatter, blenderPower, handling, levelOf, freshBatter, scentEffect } = core
  const plain = { scent: UNSCENTED, lnRate: 0, lnViscosity: 0, lnSwell: 0, variation }
  const scented = { ...plain, scent: scentEffect(DOSED) }
  const cooling = { roomC: 21, tauS: 2900 }
  let sum = 0
  const batter = freshBatter(pace, START_C)
  const go = (load, how, steps, seconds, air) => {
    for (let i = 0; i < steps; i += 1) {
      advanceBatter(batter, pace, load, how, seconds, air)
      sum += levelOf(batter, pace, load)
    }
  }
  go(plain, handling('stick', blenderPower(1.5, 1)), 30, 1, null)
  batter.structure = 0.1
  go(scented, handling('hand'), 12, 5, cooling)
  go(scented, handling('rest'), 20, 30, cooling)
  return sum
}

/**
 * Seconds that this project takes over those that C at -O3 takes.
 *
 * @returns null without a compiler
 */
function lanesAgainstC() {
  const { batterPace, blenderPower, referenceShelf, scentEffect, starterPlan, unitBatter } = core
  const pace = batterPace(unitBatter(starterPlan('x').recipe, referenceShelf()))
  const scent = scentEffect(DOSED)
  const numbers = [
    ...[CUPS, pace.lnRate, pace.freeAcid, pace.stearic, pace.lnViscosity, pace.thickening, pace.lnViscosity40],
    ...[pace.lyeVolumeShare, pace.adiabaticRiseK, START_C, blenderPower(1.5, 1)],
    ...[scent.lnRate, scent.gain, scent.build, scent.jump],
    ...Array.from({ length: 202 }, (_, i) => pace.solidAt(i / 2)),
  ]
  const here = () => {
    const from = performance.now()
    let sum = 0
    for (let n = 0; n < CUPS; n += 1) sum += history(pace, ((n % 21) - 10) * 0.05)
    return [(performance.now() - from) / 1000, sum]
  }
  return withNative('batter', ask => leastRatio(here, () => ask(numbers)))
}

console.log(JSON.stringify(lanesAgainstC()))
