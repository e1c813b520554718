import {
  UNSCENTED,
  advanceBatter,
  handling,
  levelOf,
  loadOf,
  movingLevel,
  sameBatter,
  scentEffect,
} from '../trace/index.ts'
import type { Batter, Cooling, Handling, Load, RecipePace, ScentEffect } from '../trace/index.ts'
import type { CupTask, RunInput } from './run-input.ts'

/** What the hands do, s from the moment lye meets oil. */
export interface Task {
  kind: 'blend' | 'scent-pot' | 'split' | 'colour' | 'scent' | 'smooth' | 'blend-cup' | 'wait' | 'pour' | 'move'
  fromS: number
  toS: number
  /** Index of the cup, or null for the pot. */
  cup: number | null
  /** Index of the pour it is for, or null. */
  pour: number | null
  /** Hands that it takes. */
  hands: 0 | 1 | 2
}

export interface PourRun {
  startS: number
  endS: number
  /** Moving level of the cup when the pour starts and ends. */
  startLevel: number
  endLevel: number
  /** Standing level of the layer below at that moment and what it needed; null on the floor. */
  carrierLevel: number | null
  carrierNeed: number | null
  /** Stick bursts that thickened the cup first. */
  bursts: number
  /** What the cup showed where it stood, before it was stirred for the pour. */
  stoodLevel: number
  /** How deep it goes into what lies below, mm; null where that is not asked. */
  diveMm: number | null
  tools: ToolRun[]
  /** The cup when the pour ends, with what is left in it. */
  after: CupState
}

/** A tool at work: standing levels of the thinnest and the thickest batter that it goes through. */
export interface ToolRun {
  move: number
  startS: number
  endS: number
  lowest: number
  highest: number
}

export interface LanePoint {
  s: number
  /** Level a stirred cup would show. */
  level: number
  /** What it shows where it stands. */
  standing: number
}

/** The batter as it was split, or each batter of its own as blending stopped. */
export interface SplitRun {
  /** The least complete emulsion, of cups drawn early too. */
  emulsion: number
  /** As blending stopped, in the pot or the least of the batters. */
  potEmulsion: number
  /** Most that solid fat alone lifted the level, while little soap had formed. */
  falseLift: number
  /** How far each cup's superfat is off the recipe's, as a share of the lye. */
  superfatOff: number[]
}

/** One execution of a plan with a given variation. */
export interface Run {
  tasks: Task[]
  pours: PourRun[]
  /** For each cup, moving level from the split to its last pour; empty unless recorded. */
  lanes: LanePoint[][]
  /** The whole pot before the split. */
  pot: { s: number; level: number }[]
  splitS: number
  endS: number
  /** Blending never reached the level asked for. */
  neverEmulsified: boolean
  split: SplitRun
}

export interface CupState {
  /** Its own: it is taken on in place. */
  batter: Batter
  /** Its batter's: batters of their own may have lye of their own. */
  pace: RecipePace
  load: Load
  atS: number
  cooling: Cooling
}

/** How far a run lies from the median, in ln of the rate: the same for all cups, but shared with the scent where there is one. */
export interface Variation {
  plainRate: number
  scentedRate: number
  scent: number
  /** The same for each group of cups with one scent; `scent` for all of them unless given. */
  scents?: readonly number[]
  /** Hands slower or quicker than planned, as a factor on all their times; 1 unless given. */
  hands?: number
  /** How far off the trace is at which blending really stops; 0 unless given. */
  stop?: number
  /** Whether a scent that may makes lumps, which have to be blended smooth. */
  rices?: boolean
}

/** Hands for each thing: a cup stands on the bench while it is stirred, a pot is held against the blender. */
export const HANDS: Readonly<Record<Task['kind'], Task['hands']>> = {
  blend: 2,
  'scent-pot': 2,
  split: 2,
  colour: 1,
  scent: 1,
  smooth: 2,
  'blend-cup': 2,
  wait: 0,
  pour: 1,
  move: 1,
}

const LONGEST_STEP_S = 120

/** One pair of hands, or two, at work: the clock, the cups, and what was done. */
export class RunState {
  now = 0
  readonly tasks: Task[] = []
  readonly lanes: LanePoint[][]
  readonly pot: { s: number; level: number }[] = []
  /** Undefined until the cup has batter. */
  readonly cups: (CupState | undefined)[] = []
  readonly split: SplitRun = { emulsion: 1, potEmulsion: 1, falseLift: 0, superfatOff: [] }
  neverEmulsified = false

  constructor(
    readonly input: RunInput,
    readonly variation: Variation,
    /** Longest step between recorded points, s; 0 records nothing. */
    readonly sampleS: number,
  ) {
    this.lanes = input.cups.map(() => [])
  }

  /** What the hands take for a task of so many usual seconds. */
  handS(seconds: number): number {
    return seconds * this.input.handPace * (this.variation.hands ?? 1)
  }

  /** Whether a blender is at hand: for bursts, and to bring a cup on. */
  get usesBlender(): boolean {
    return this.input.blending === 'stick' || this.input.blending === 'bursts'
  }

  /** Seconds of working a scent in by bursts: half of what stirring takes. */
  get burstsS(): number {
    return Math.max(6, this.handS(this.input.times.scent) / 2)
  }

  /** When the second pair of hands is free, s. */
  second = 0

  /** Uses the hands for `seconds`. */
  busy(
    kind: Task['kind'],
    seconds: number,
    cup: number | null = null,
    pour: number | null = null,
    hands: Task['hands'] = HANDS[kind],
  ): void {
    if (seconds > 0) this.tasks.push({ kind, fromS: this.now, toS: this.now + seconds, cup, pour, hands })
    this.now += seconds
  }

  /** Brings a cup from when it was last touched up to `untilS` in one way of handling. */
  advance(i: number, how: Handling, untilS: number): void {
    const cup = this.cups[i]!
    const longest = this.sampleS > 0 ? Math.min(this.sampleS, LONGEST_STEP_S) : LONGEST_STEP_S
    while (cup.atS < untilS - 1e-9) {
      const step = Math.min(how.mode === 'stick' ? 1 : longest, untilS - cup.atS)
      advanceBatter(cup.batter, cup.pace, cup.load, how, step, cup.cooling)
      cup.atS += step
      this.record(i)
    }
  }

  record(i: number): void {
    if (this.sampleS === 0) return
    const cup = this.cups[i]!
    const { batter, load, pace, atS } = cup
    this.lanes[i]!.push({
      s: atS,
      level: movingLevel(batter, pace, load),
      standing: levelOf(batter, pace, load),
    })
  }

  addScent(i: number): void {
    const cup = this.cups[i]!
    cup.load = loadOf(this.scentOf(this.input.cups[i]!), cup.load, cup.load.variation)
  }

  /** A cup's scent in this run: the better it is known, the less variation has to do with it. */
  scentOf({ scent }: CupTask): ScentEffect {
    if (!scent) return UNSCENTED
    const variation = this.variation.scents?.[scent.group] ?? this.variation.scent
    return scentEffect(scent.lnRate + variation * (this.input.scentSd > 0 ? scent.sd / this.input.scentSd : 1))
  }

  level(i: number): number {
    const { batter, pace, load } = this.cups[i]!
    return movingLevel(batter, pace, load)
  }

  standing(i: number): number {
    const { batter, pace, load } = this.cups[i]!
    return levelOf(batter, pace, load)
  }

  /** What a cup does until its turn comes: what is poured without a stop never stands. */
  waiting(i: number): Handling {
    return this.input.waiting === 'stir' || isNeverStopped(this.input.cups[i]!) ? MODES.pour : MODES.rest
  }
}

/** Blended in and poured without a stop. */
export const isNeverStopped = ({ scent }: CupTask): boolean => scent?.moment === 'never-stop'

export const MODES: Record<'rest' | 'hand' | 'pour' | 'stream', Handling> = {
  rest: handling('rest'),
  hand: handling('hand'),
  pour: handling('now-and-then'),
  stream: handling('stream'),
}

/** A cup as it is now, whatever becomes of the cup. */
export const copyOf = ({ batter, pace, load, atS, cooling }: CupState): CupState => ({
  batter: sameBatter(batter),
  pace,
  load,
  atS,
  cooling,
})
