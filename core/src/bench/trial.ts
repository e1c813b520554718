import { mixedC } from '../batter/heat/index.ts'
import { HANDS_SD, STOP_SD, judgedFaults, levelAt, runPlan } from '../batter/schedule/index.ts'
import type { Run, RunInput, Variation } from '../batter/schedule/index.ts'
import { latinNormals } from '../quantities/chance/index.ts'
import { benchOutlook } from './bench-outlook.ts'
import { counselled } from './counsel.ts'
import type { Counsel } from './counsel.ts'
import type { BenchEvent } from './event.ts'
import { fold } from './fold.ts'
import type { Following } from './following.ts'
import { MOVES_AFTER_S } from './looks-due.ts'
import { MODEL_ERROR } from './replay.ts'
import { SAFETY_TICKS, safetyKey } from './safety.ts'

/** A batter that is drawn, and a maker who follows the plan whatever comes: what a forecast at the bench is held against. */

/** Standard normal numbers, one for each thing that varies. */
export interface Luck {
  pace: number
  scents: readonly number[]
  stop: number
  hands: number
  /** What the model is off by in each cup. */
  cups: readonly number[]
  /** Errors of the looks, in their order. */
  looks: readonly number[]
}

/** How the cups are looked at. */
export interface Looks {
  everyS: number
  /** How many of the cups that are poured next. */
  cups: number
  how: 'word' | 'drip'
  /** Error of one look, levels. */
  error: number
}

export interface Trial {
  /** Everything that is noted after the lye is in, in its order. */
  events: BenchEvent[]
  /** Seconds of the run at which the batter is divided, and at which the last pour is done. */
  dividedAt: number
  endsAt: number
  /** When the first pour starts that fails; null: all work. */
  failsAt: number | null
}

const LEVELS = [0.8, 5] as const
const SAMPLE_S = 15
/** So many errors of looks are drawn; more looks take them again. */
const LOOKS_DRAWN = 41

const variationOf = ({ input }: Following, luck: Luck): Variation => {
  const rate = input.rate.mean + luck.pace * input.rate.sd
  const scents = luck.scents.map(z => z * input.scentSd)
  return {
    plainRate: rate,
    scentedRate: rate,
    scent: scents[0] ?? 0,
    scents,
    stop: luck.stop * STOP_SD,
    hands: Math.exp(luck.hands * HANDS_SD),
  }
}

/** The plan as these batters meet it: what the model is off by in a cup moves the windows that its levels meet. */
function inputFor({ input }: Following, luck: Luck): RunInput {
  const pours = input.pours.map(pour => {
    const by = (luck.cups[pour.cup] ?? 0) * MODEL_ERROR
    const moved = ({ lo, hi }: { lo: number; hi: number }) => ({ lo: lo - by, hi: hi - by })
    return {
      ...pour,
      window: moved(pour.window),
      tools: pour.tools.map(tool => ({ ...tool, window: moved(tool.window) })),
    }
  })
  return { ...input, pours }
}

/** Seconds after the lye went in at which the first pour starts that comes out wrong. */
function failure(input: RunInput, run: Run): number | null {
  const first = judgedFaults(input, run).findIndex(Boolean)
  return first < 0 ? null : run.pours[first]!.startS
}

type Noted = Pick<BenchEvent, 'kind'> & Partial<BenchEvent> & { s: number }

/** What hands do, as it is noted. */
function deeds({ input, plan, fills }: Following, run: Run): Noted[] {
  const idOf = (cup: number | null) => input.cups[cup!]!.cup.id
  const blendedS = run.tasks.find(task => task.kind === 'blend')!.toS
  const used = input.cups.flatMap(({ cup, massG }, i) => (massG > 0 ? [{ cup, massG: fills[i]!.drawG }] : []))
  const ofTasks = run.tasks.flatMap((task): Noted[] => {
    const { kind, fromS, toS: s, cup } = task
    if (kind === 'colour') return [{ s, kind, cup: idOf(cup) }]
    if (kind === 'scent') return [{ s, kind, cup: idOf(cup) }]
    if (kind === 'scent-pot') return [{ s, kind: 'scent' }]
    return kind === 'blend-cup' ? [{ s, kind: 'burst', cup: idOf(cup), amount: Math.max(1, s - fromS - 5) }] : []
  })
  const ofPours = input.pours.flatMap(({ pour }, i): Noted[] => {
    const { startS, endS, tools } = run.pours[i]!
    const used = tools.map(({ move, endS: s }): Noted => ({ s, kind: 'tool', move: plan.moves[move]!.id }))
    return [{ s: startS, kind: 'pour-start', pour }, { s: endS, kind: 'poured', pour }, ...used]
  })
  return [
    { s: 0, kind: 'lye-in' },
    { s: 1, kind: 'blend-on', how: 'stick' },
    { s: blendedS, kind: 'blend-off' },
    { s: blendedS + 1, kind: 'hold', how: 'holds' },
    ...used.map(({ cup, massG }, i): Noted => {
      const share = (i + 1) / used.length
      return { s: blendedS + 2 + (run.splitS - blendedS - 2) * share, kind: 'drawn', cup: cup.id, amount: massG }
    }),
    ...ofTasks,
    ...ofPours,
  ]
}

/** Looks at the cups that are poured next, every so often, until they are poured. */
function looksAt({ input }: Following, run: Run, luck: Luck, looks: Looks): Noted[] {
  const list: Noted[] = []
  const lastPour = (cup: number) =>
    Math.max(...input.pours.map((pour, i) => (pour.cup === cup ? run.pours[i]!.startS : 0)))
  for (let s = run.splitS + MOVES_AFTER_S; s < run.endS; s += looks.everyS) {
    const open = input.pours.filter((_, i) => run.pours[i]!.startS > s)
    const next = [...new Set(open.map(pour => pour.cup))].slice(0, looks.cups)
    for (const cup of next.filter(one => lastPour(one) > s)) {
      const error = (luck.looks[list.length % luck.looks.length] ?? 0) * looks.error
      const level = levelAt(run.lanes[cup]!, s) + luck.cups[cup]! * MODEL_ERROR + error
      const amount = Math.min(LEVELS[1], Math.max(LEVELS[0], level))
      list.push({ s, kind: 'seen', cup: input.cups[cup]!.cup.id, how: looks.how, amount })
    }
  }
  return list
}

/** What lye and oils have when they are equally warm and come to what the plan wants as they meet, °C. */
function equallyWarmC({ plan, portions, shelf, input: { mixC } }: Following): number {
  return 2 * mixC - mixedC(plan, shelf, portions, mixC, mixC)
}

/** Everything up to lye that is clear and oils that are ready, noted before the second at which the lye goes in. */
export function madeReady(following: Following, lyeInAt: number): BenchEvent[] {
  const { lines, steps } = following
  const warmC = equallyWarmC(following)
  const ready = steps.filter(step => step.kind === 'ready' || step.kind === 'melt')
  const noted: Noted[] = [
    ...SAFETY_TICKS.map((item, i): Noted => ({ s: i - 900, kind: 'tick', item: safetyKey(item) })),
    ...lines.map((line, i): Noted => ({ s: i - 880, kind: 'weighed', item: line.key, amount: line.massG })),
    ...ready.map((step): Noted => ({ s: -820, kind: 'tick', item: step.key })),
    { s: -810, kind: 'lye-mixed' },
    { s: -700, kind: 'lye-clear', how: 'yes' },
    { s: -100, kind: 'temp', body: 'lye', amount: warmC },
    { s: -90, kind: 'temp', body: 'oils', amount: warmC },
  ]
  return eventsOf('ready', noted, lyeInAt)
}

const eventsOf = (device: string, noted: readonly Noted[], lyeInAt: number): BenchEvent[] =>
  noted.map(({ s, ...about }, i) => {
    const r = lyeInAt + s
    return { ...about, key: `${device}:${i + 1}`, r, noted: r, at: '2026-11-30T10:00:00Z', source: 'simulated' }
  })

/** Lucks of so many runs: every dimension is spread evenly, and none goes with another. */
export function lucks({ input }: Following, runs: number, seed: number): Luck[] {
  const column = (dimension: number) => latinNormals(dimension, runs, seed)
  const groups = Math.max(0, ...input.cups.map(cup => (cup.scent ? cup.scent.group + 1 : 0)))
  const of = (from: number, count: number) => Array.from({ length: count }, (_, i) => column(from + i))
  const [scents, cups, looks] = [of(10, groups), of(100, input.cups.length), of(200, LOOKS_DRAWN)]
  return Array.from({ length: runs }, (_, n) => ({
    pace: column(0)[n]!,
    stop: column(1)[n]!,
    hands: column(2)[n]!,
    scents: scents.map(list => list[n]!),
    cups: cups.map(list => list[n]!),
    looks: looks.map(list => list[n]!),
  }))
}

/** As often the bench reckons anew when nothing is noted, s. */
const ANEW_S = 15

/** Seconds of the run at which the bench reckons: after every entry, and else every so often. */
function momentsOf({ events, dividedAt, endsAt }: Pick<Trial, 'events' | 'dividedAt' | 'endsAt'>): number[] {
  const noted = [...new Set(events.map(event => event.r).filter(r => r > dividedAt && r <= endsAt))].sort(
    (a, b) => a - b,
  )
  const moments = [dividedAt]
  for (const r of noted) {
    while (r - moments.at(-1)! > ANEW_S) moments.push(moments.at(-1)! + ANEW_S)
    if (r > moments.at(-1)!) moments.push(r)
  }
  return moments
}

/** When plan B is called in a trial, as its looks come in; null: never. */
export function calledAt(
  following: Following,
  { events, dividedAt, endsAt }: Trial,
  ready: readonly BenchEvent[],
): number | null {
  let counsel: Counsel | null = null
  for (const r of momentsOf({ events, dividedAt, endsAt })) {
    const state = fold(following, [...ready, ...events.filter(event => event.r <= r)])
    counsel = counselled(counsel, benchOutlook(following, state, r))
    if (counsel.call?.kind === 'called') return r
  }
  return null
}

/** A run of a plan with one drawn luck, from the lye on. @param lyeInAt second of the run at which the lye goes in */
export function trialOf(following: Following, luck: Luck, looks: Looks, lyeInAt: number): Trial {
  const input = inputFor(following, luck)
  const run = runPlan(input, variationOf(following, luck), SAMPLE_S)
  const noted = [...deeds(following, run), ...looksAt(following, run, luck, looks)].sort((a, b) => a.s - b.s)
  const failsS = failure(input, run)
  return {
    events: eventsOf('trial', noted, lyeInAt),
    dividedAt: lyeInAt + run.splitS,
    endsAt: lyeInAt + run.endS,
    failsAt: failsS === null ? null : lyeInAt + failsS,
  }
}
