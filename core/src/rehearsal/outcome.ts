import type { Plan } from '../plan/index.ts'
import { settle } from '../bench/index.ts'
import type { BenchEvent, Settled } from '../bench/index.ts'
import { rehearse, worthOfRun } from './agent.ts'
import { judgedPours, worthOf } from './judge.ts'
import type { PourResult } from './judge.ts'
import type { RehearsalDone, Slip, Stroke } from './kept.ts'
import { cupNow, potInHand, sceneAt } from './world.ts'
import type { Rehearsed, Scene } from './world.ts'

/** What came of a rehearsal: points with their parts, and the plan as it was really made, for its faces. */

export interface Readings {
  count: number
  /** Mean of how far off the looks were, and of what they were too thick by, levels. */
  off: number
  bias: number
}

export interface RehearsalOutcome {
  pours: PourResult[]
  /** Worth of what was made, and of the best that could have been made of the same batter, 0…1. */
  worth: number
  best: number
  /** Points of 100: for what was made, for time, for safety. */
  made: number
  time: number
  safety: number
  score: number
  minutes: number
  bestMinutes: number
  slips: Slip[]
  readings: Readings
  /** It was gone back in it: practised, not played. */
  isPractised: boolean
  /** Levels that each pour of the plan really had as it began; null: it was not poured. */
  levels: (number | null)[]
}

/** Points for a minute too many, and for a slip; at most so many for time. */
const POINTS = { minute: 1, mostTime: 15, slip: 5, unrinsed: 50 } as const
/** Less than this could be made by nobody: nothing is held against it. */
const LEAST_BEST = 0.05

function readingsIn(rehearsed: Rehearsed, events: readonly Settled[]): Readings {
  const offs = events.flatMap(event => {
    if (event.kind !== 'seen' || event.amount === undefined) return []
    const scene = sceneAt(rehearsed, events, event.r)
    const i = scene.state.cups.findIndex(cup => cup.cup === event.cup)
    const body = i < 0 ? potInHand(scene) : cupNow(scene, i)
    return body ? [event.amount - body.level] : []
  })
  const mean = (list: readonly number[]) => (list.length > 0 ? list.reduce((sum, x) => sum + x, 0) / list.length : 0)
  return { count: offs.length, off: mean(offs.map(Math.abs)), bias: mean(offs) }
}

/** Whether a splash was rinsed: the run was given up after it. */
const unrinsed = ({ struck, state }: Scene): boolean =>
  struck.some(({ key }) => key === 'splash') && state.closed !== 'given-up'

const minutesOf = (events: readonly BenchEvent[], endsAt: number): number => {
  const lyeIn = events.find(event => event.kind === 'lye-in')?.r ?? events[0]?.r ?? 0
  return Math.max(0, endsAt - lyeIn) / 60
}

/** With what was really weighed where something else was noted. */
export const asWeighed = (rehearsed: Rehearsed, { really = [] }: RehearsalDone): Rehearsed => ({
  ...rehearsed,
  really: new Map(really.map(one => [one.key, one.amount])),
})

/** What came of a rehearsal that has ended, or of as much of it as was done. */
export function outcomeOf(asPut: Rehearsed, done: RehearsalDone): RehearsalOutcome {
  const rehearsed = asWeighed(asPut, done)
  const endsAt = Math.max(0, ...done.events.map(event => event.r))
  const scene = sceneAt(rehearsed, done.events, endsAt)
  const pours = judgedPours(scene)
  const worth = worthOf(pours)
  const perfect = rehearse(asPut, 'perfect')
  const best = Math.max(worth, worthOfRun(asPut, perfect))
  const events = settle(done.events)
  const [minutes, bestMinutes] = [minutesOf(events, endsAt), minutesOf(perfect.events, perfect.endsAt)]
  const rinsedWell = scene.struck.some(({ key }) => key === 'splash') && !unrinsed(scene)
  const made = rinsedWell ? 100 : 100 * Math.min(1, worth / Math.max(LEAST_BEST, best))
  const time = -Math.min(POINTS.mostTime, POINTS.minute * Math.max(0, minutes - bestMinutes))
  const safety = -POINTS.slip * done.slips.length - (unrinsed(scene) ? POINTS.unrinsed : 0)
  return {
    pours,
    worth,
    best,
    made,
    time: rinsedWell ? 0 : time,
    safety,
    minutes,
    bestMinutes,
    slips: done.slips,
    score: Math.round(Math.min(100, Math.max(0, made + (rinsedWell ? 0 : time) + safety))),
    readings: readingsIn(rehearsed, events),
    isPractised: done.backs > 0,
    levels: rehearsed.following.input.pours.map(({ pour }) => pours.find(one => one.pour === pour)?.startLevel ?? null),
  }
}

/** A level batter that nobody poured is drawn with. */
const USUAL_LEVEL = 2.2

/** The plan as it was really made: shares by what went in, tools as they were drawn; and the level of each pour. */
export function asMade(
  { following }: Rehearsed,
  pours: readonly PourResult[],
  strokes: readonly Stroke[],
): { plan: Plan; levels: number[] } {
  const { plan } = following
  const isB = pours.some(one => one.isPlanB)
  const score = isB && plan.planB ? plan.planB.score : plan.score
  const moves = isB && plan.planB ? plan.planB.moves : plan.moves
  const named = (id: string) => pours.find(one => one.pour === id || one.pour === `b.${id}`)
  const all = score.reduce((sum, { id }) => sum + (named(id)?.massG ?? 0), 0)
  const drawn = (id: string) => strokes.find(stroke => stroke.move === id || stroke.move === `b.${id}`)
  return {
    plan: {
      ...plan,
      planB: null,
      score: score.map(pour => {
        const made = named(pour.id)
        if (!made || all <= 0 || made.massG <= 0) return pour
        const cup = made.from === made.cup ? pour.cup : made.from
        return { ...pour, cup, share: Math.max(0.001, (pour.share * made.pouredG) / made.massG) }
      }),
      moves: moves.map(move => {
        const stroke = drawn(move.id)
        return stroke ? { ...move, pattern: 'drawn' as const, path: stroke.path } : move
      }),
    },
    levels: score.map(({ id }) => named(id)?.startLevel ?? USUAL_LEVEL),
  }
}
