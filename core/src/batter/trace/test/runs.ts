import { oilsByShare } from '../../../recipe/index.ts'
import { PLAIN_LOAD, levelOf, stepBatter } from '../batter.ts'
import type { Batter, Load } from '../batter.ts'
import { blenderPower, handling } from '../handling.ts'
import type { Handling } from '../handling.ts'
import { acidHeadStart, recipePace } from '../recipe-pace.ts'
import type { RecipePace } from '../recipe-pace.ts'
import type { BatterEffect } from '../colorant-effect.ts'
import { scentEffect } from '../scent-effect.ts'
import { modelShelf } from './model-shelf.ts'

/** Recipes and runs of the reference cases. */

const RECIPES: Record<string, Record<string, number>> = {
  bal: { coconut: 30, palm: 30, olive: 35, castor: 5 },
  soft: { coconut: 20, palm: 12, olive: 35, 'sunflower-high-oleic': 20, shea: 5, castor: 8 },
  softM: { coconut: 25, palm: 15, olive: 40, 'sunflower-high-oleic': 15, castor: 5 },
  pom: { coconut: 25, palm: 25, 'olive-pomace': 40, castor: 5, shea: 5 },
  coco50: { coconut: 50, palm: 20, olive: 25, castor: 5 },
  castile: { olive: 100 },
  palm: { palm: 100 },
  coconut: { coconut: 100 },
  cocoa: { 'cocoa-butter': 100 },
  shea: { shea: 100 },
  lard: { lard: 100 },
  tallow: { tallow: 100 },
  fatty: { palm: 45, 'cocoa-butter': 10, tallow: 10, olive: 30, castor: 5 },
  cream: { coconut: 35, palm: 30, 'cocoa-butter': 8, olive: 15, 'almond-sweet': 12 },
  pomace: { 'olive-pomace': 100 },
  lardy: { lard: 60, coconut: 25, olive: 15 },
  tallowy: { tallow: 50, coconut: 25, olive: 25 },
  triple: { coconut: 30, palm: 30, olive: 40 },
  four: { olive: 80, coconut: 15, castor: 5 },
  hard: { coconut: 30, palm: 30, shea: 15, olive: 20, castor: 5 },
  waxed: { beeswax: 2, coconut: 30, palm: 30, olive: 38 },
}

export const oils = (name: string) => {
  const list = Object.entries(RECIPES[name]!).map(([oil, share]) => ({ oil, share }))
  return oilsByShare({ oils: list }, modelShelf())
}
export const pace = (name: string, w: number, superfatShare = 0.05) =>
  recipePace({ oils: oils(name), superfatShare, lyeConcentrationShare: w })

/** The same batter with so much solid fatty acid, or with what additives do to all of it. */
export const withAcid = (p: RecipePace, x: number): RecipePace => ({ ...p, ...acidHeadStart(x) })
export const withEffect = (p: RecipePace, { lnRate, lnViscosity, lnSwell }: BatterEffect): RecipePace => ({
  ...p,
  lnHasten: p.lnHasten + lnRate,
  lnViscosity: p.lnViscosity + lnViscosity,
  lnSwell: p.lnSwell + lnSwell,
})

export const STICK = handling('stick', blenderPower(1.5, 1))
export const scented = (f: number, load = PLAIN_LOAD): Load => ({ ...load, scent: scentEffect(f) })

/** Runs in steps of 1 s unless said otherwise. */
export function run(from: Batter, p: RecipePace, how: Handling, seconds: number, load = PLAIN_LOAD, step = 1): Batter {
  let now = from
  for (let t = 0; t < seconds - 1e-9; t += step) now = stepBatter(now, p, load, how, Math.min(step, seconds - t))
  return now
}
/** Seconds until the level is reached, to one step. */
export function secondsTo(level: number, from: Batter, p: RecipePace, how: Handling, load = PLAIN_LOAD, step = 1) {
  let now = from
  let t = 0
  while (levelOf(now, p, load) < level && t < 7200) {
    now = stepBatter(now, p, load, how, step)
    t += step
  }
  return { t, now }
}
export const level = (b: Batter, p: RecipePace, load = PLAIN_LOAD) => levelOf(b, p, load)
