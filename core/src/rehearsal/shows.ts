import { LOOKS } from '../bench/index.ts'
import type { BodyNow } from './world.ts'

/** What a maker sees of a batter: never a number. */

export interface Shown {
  /** What it looks like, in words. */
  words: string[]
  /** How its surface is drawn: by its level, by oil on it, by what swims in it; how yellow it is, 0 (ivory) to 1 (oil). */
  level: number
  film: number
  yellow: number
  grains: boolean
  lumps: boolean
  dull: boolean
  /** Seconds for which the mark of a drip stays. */
  markS: number
}

/** Emulsions below these show oil as a film, or as a streak behind the spoon; from `ivory` on it has its colour. */
const FILM = 0.5
const STREAK = 0.85
const IVORY = 0.9
/** So much solid fat looks dull and sandy while it is thin in soap. */
const DULL = 0.06
/** It looks so much thicker where it stands than it is. */
const SKIN = 0.5

/** A mark of a drip stays for so long at a level, s; the drip test turned round. */
export const markSeconds = (level: number): number => Math.exp((level - 1.6) / 0.36)

/** What a batter looks like. */
export function shownOf(body: BodyNow): Shown {
  const { level, standing, seems, isRiced, hasLumps, solid } = body
  const look = LOOKS.reduce((near, one) => (Math.abs(one.level - level) < Math.abs(near.level - level) ? one : near))
  const dull = solid > DULL && level > 2
  const words = [
    ...(isRiced ? ['small firm grains in a thinner liquid, like cooked rice'] : []),
    ...(hasLumps ? ['soft lumps on the spoon'] : []),
    ...(seems < FILM
      ? ['a film of oil, streaks where it is stirred, darker and clear at the edge']
      : seems < STREAK
        ? ['even at a glance; a streak or two behind the spoon; not yet ivory']
        : [look.shows]),
    ...(dull ? ['dull, a little sandy, cool at the wall'] : []),
    ...(standing - level > SKIN ? ['a skin that looks thicker than it is: stirred, it loosens'] : []),
  ]
  return {
    words,
    level,
    grains: isRiced,
    lumps: hasLumps,
    dull,
    markS: Math.min(40, markSeconds(level)),
    film: seems < FILM ? 1 : seems < STREAK ? 0.4 : 0,
    yellow: Math.min(1, Math.max(0, (IVORY - seems) / (IVORY - FILM))),
  }
}
