import { copyOf } from '../batter/schedule/index.ts'
import type { CupState } from '../batter/schedule/index.ts'
import { advanceBatter, levelOf, movingLevel } from '../batter/trace/index.ts'
import type { Handling } from '../batter/trace/index.ts'

/** A cup that is left as it is: what it shows at any second from then on. */

/** As long as the forecast's own steps. */
const LONGEST_STEP_S = 120

export const advanceCup = (cup: CupState, how: Handling, untilS: number): void => {
  while (cup.atS < untilS - 1e-9) {
    const seconds = Math.min(how.mode === 'stick' ? 1 : LONGEST_STEP_S, untilS - cup.atS)
    advanceBatter(cup.batter, cup.pace, cup.load, how, seconds, cup.cooling)
    cup.atS += seconds
  }
}
export const cupLevel = ({ batter, pace, load }: CupState): number => movingLevel(batter, pace, load)
/** What it shows where it stands. */
export const standingLevel = ({ batter, pace, load }: CupState): number => levelOf(batter, pace, load)

/** A cup that is left until a second, as one of its own, with the level of its stirred batter. */
export function movingAt(cup: CupState, how: Handling, s: number): { cup: CupState; level: number } {
  const now = copyOf(cup)
  advanceCup(now, how, s)
  return { cup: now, level: cupLevel(now) }
}

/** Steps between two points, s: finely at first, where it matters. */
const stepAfter = (s: number): number => (s < 180 ? 20 : s < 600 ? 60 : 120)
/** Thicker than this nothing is told apart. */
const THICKEST = 5

/**
 * A cup from the last that was done with it on. Its levels are made as far ahead as they are asked for and kept: what is noted of other
 * cups does not change them.
 */
export class RestingCup {
  readonly #last: CupState
  readonly #seconds: number[]
  readonly #levels: number[]

  /** @param cup after the last that was done with it */
  constructor(
    readonly cup: CupState,
    readonly waits: Handling,
  ) {
    this.#last = copyOf(cup)
    this.#seconds = [cup.atS]
    this.#levels = [cupLevel(cup)]
  }

  /** The cup at a second, as one of its own. */
  at(s: number): CupState {
    return movingAt(this.cup, this.waits, s).cup
  }

  #grow(): boolean {
    if (this.#levels.at(-1)! >= THICKEST) return false
    const at = this.#last.atS
    advanceCup(this.#last, this.waits, at + stepAfter(at - this.cup.atS))
    this.#seconds.push(this.#last.atS)
    this.#levels.push(cupLevel(this.#last))
    return true
  }

  /** Level at a second. */
  levelAt(s: number): number {
    while (this.#last.atS < s && this.#grow());
    const n = this.#seconds.findIndex(one => one >= s)
    if (n < 0) return this.#levels.at(-1)!
    return n === 0 ? this.#levels[0]! : between(this.#levels[n - 1]!, this.#levels[n]!, this.#shareAt(n, s))
  }

  #shareAt(n: number, s: number): number {
    return (s - this.#seconds[n - 1]!) / (this.#seconds[n]! - this.#seconds[n - 1]!)
  }

  /** Seconds from one on until the level passes a limit: 0 when it is past it, Infinity when it does not within `most` seconds. */
  passes(limit: number, fromS: number, most: number): number {
    if (this.levelAt(fromS) >= limit) return 0
    for (let n = 1; ; n += 1) {
      if (n === this.#levels.length && (this.#last.atS >= fromS + most || !this.#grow())) return Infinity
      const [before, after] = [this.#levels[n - 1]!, this.#levels[n]!]
      if (this.#seconds[n]! < fromS || after < limit) continue
      const s = between(this.#seconds[n - 1]!, this.#seconds[n]!, (limit - before) / Math.max(1e-9, after - before))
      return s - fromS > most ? Infinity : Math.max(0, s - fromS)
    }
  }
}

const between = (a: number, b: number, share: number): number => a + (b - a) * share
