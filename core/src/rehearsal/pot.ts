import {
  freshBatter,
  advanceBatter,
  handling,
  blenderPower,
  movingLevel,
  blendedLevel,
  levelOf,
  whippedBatter,
} from '../batter/trace/index.ts'
import type { Batter, Handling, Load, RecipePace } from '../batter/trace/index.ts'
import { MODES, loadBefore } from '../batter/schedule/index.ts'
import type { RunState } from '../batter/schedule/index.ts'
import { blendOf, cupsOfBatter } from '../bench/index.ts'
import type { BenchState, Following, Settled } from '../bench/index.ts'
import type { Truth } from './truth.ts'

/** A batter before it is divided, as it really is at a second: blended as long as it really was. */

export interface PotNow {
  batter: Batter
  pace: RecipePace
  load: Load
  /** It looks more of one piece than it is: what its emulsion seems to be, 0…1. */
  seems: number
  /** Levels: under the blender, stirred, as it stands. */
  level: number
  standing: number
  isBlending: boolean
}

export interface PotGiven {
  following: Following
  truth: Truth
  /** Draws as the truth has them. */
  run: RunState
  state: BenchState
  events: readonly Settled[]
  /** When the blender died; null: it runs. */
  deadAt: number | null
  /** How warm lye and oils really met, °C. */
  metC: number
}

interface Span {
  fromR: number
  toR: number
}

/** When the blender was on in a batter, s of the run; the one that is on is so until then. */
function blendings(events: readonly Settled[], name: string | null, r: number): Span[] {
  const list: Span[] = []
  let since: number | null = null
  for (const { kind, cup, r: at } of events) {
    if ((cup ?? null) !== name || at > r) continue
    if (kind === 'blend-on') since ??= at
    if (kind === 'blend-off' && since !== null) {
      list.push({ fromR: since, toR: at })
      since = null
    }
  }
  return since === null ? list : [...list, { fromR: since, toR: r }]
}

/** Melted fats stay clear when lye meets them so much above their clear point, K. */
const MELTED_ABOVE_K = 3
const STEP_S = { blender: 1, rest: 30 } as const

/** So long as its looks deceive: until it was blended for so many seconds more. */
const TRUE_AFTER_S = 6

class Pot {
  readonly batter: Batter
  readonly load: Load
  constructor(
    readonly pace: RecipePace,
    load: Load,
    batter: Batter,
    public at: number,
  ) {
    this.load = load
    this.batter = batter
  }

  until(r: number, how: Handling): void {
    const step = how.isBlender || how.mode === 'stick' ? STEP_S.blender : STEP_S.rest
    while (this.at < r - 1e-9) {
      const seconds = Math.min(step, r - this.at)
      advanceBatter(this.batter, this.pace, this.load, how, seconds, null)
      this.at += seconds
    }
  }
}

/** The batter that fills a cup, or the one pot, at a second of the run; null before its lye is in. @param name as `batterOf` gives it */
export function potAt(given: PotGiven, name: string | null, r: number): PotNow | null {
  const { following, truth, run, state, events, deadAt, metC } = given
  const { input } = following
  const { lyeInAt } = blendOf(input, state, name ?? undefined)
  if (lyeInAt === null || r < lyeInAt) return null
  const i = name === null ? -1 : input.cups.findIndex(task => task.cup.id === name)
  const pace = i < 0 ? input.pace : input.cups[i]!.pace
  const massG = i < 0 ? 1000 * input.potKg : cupsOfBatter(input, i).reduce((sum, k) => sum + input.cups[k]!.massG, 0)
  const oiled = input.cups.find(task => task.scent?.moment === 'oils')
  const load: Load = {
    ...loadBefore(run, oiled ?? { ...input.cups[0]!, scent: null }),
    variation: truth.rate,
  }
  const batter = input.whipped
    ? whippedBatter(pace, metC)
    : freshBatter(pace, metC, metC >= pace.clearPointC + MELTED_ABOVE_K)
  const pot = new Pot(pace, load, batter, lyeInAt)
  const stick = handling(input.blending, blenderPower(Math.max(massG / 1000, 0.05), input.blenderStrength))
  const spans = input.whipped ? [] : blendings(events, name, r)
  let seems = 1
  let blended = 0
  for (const [n, { fromR, toR }] of spans.entries()) {
    pot.until(fromR, MODES.rest)
    const usesBlender = deadAt === null || fromR < deadAt
    const until = usesBlender && deadAt !== null ? Math.min(deadAt, toR) : toR
    pot.until(until, usesBlender ? stick : MODES.hand)
    pot.until(toR, MODES.hand)
    if (n === 0 && toR < r) overrun(pot, stick, truth.overrunS)
    if (n === 0 && toR < r && truth.emulsion < 1) {
      seems = 1 / truth.emulsion
      batter.emulsion *= truth.emulsion
    }
    if (n > 0) blended += toR - fromR
    if (blended >= TRUE_AFTER_S) seems = 1
  }
  const scentedAt = name === null ? state.potScentedAt : null
  if (scentedAt !== null && scentedAt <= r) {
    pot.until(scentedAt, MODES.rest)
    const inPot = input.cups.find(task => task.scent?.moment === 'pot')
    if (inPot) load.scent = run.scentOf(inPot)
  }
  pot.until(r, MODES.rest)
  const isBlending = spans.at(-1)?.toR === r && blendOf(input, state, name ?? undefined).blendingSince !== null
  const looks = { ...batter, emulsion: Math.min(1, batter.emulsion * seems) }
  return {
    batter,
    pace,
    load,
    isBlending,
    seems: looks.emulsion,
    level: isBlending ? blendedLevel(looks, pace, load) : movingLevel(looks, pace, load),
    standing: levelOf(looks, pace, load),
  }
}

/** Goes on under the blender for so long, all at once. */
function overrun(pot: Pot, stick: Handling, seconds: number): void {
  for (let s = 0; s < seconds; s += 1) advanceBatter(pot.batter, pot.pace, pot.load, stick, 1, null)
}
