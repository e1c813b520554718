import { fact, plain, share, warmerBy } from '../quantities/facts/index.ts'
import type { FactValue, Words } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'
import { lanesOf } from '../batter/schedule/index.ts'
import type { RunInput, Lanes } from '../batter/schedule/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { Trials } from './trials.ts'

/** What a lever does: minutes that the tightest pour gains, and what becomes of the chance. */
export interface Slope {
  lever: 'mixC' | 'roomC' | 'stop' | 'water' | 'hands'
  sentence: Words
  /** Change of the least time to spare, min, and of the chance. */
  minutes: number
  chance: number
  /** The same for one step of the lever: minutes, and the step in words. */
  each: number
  step: FactValue
}

/** A margin that long is not to be told apart from more. */
/** The same in whole degrees of both kinds: 9 °F. */
const FIVE_DEGREES = warmerBy(5, 0)
const LONG_MIN = 59

const tightest = (lanes: Lanes) => lanes.pours.reduce((a, b) => (b.marginMin < a.marginMin ? b : a))

const blendS = (lanes: Lanes): number =>
  lanes.tasks.filter(task => task.kind === 'blend').reduce((sum, task) => sum + 60 * (task.toMin - task.fromMin), 0)

/** How every lever acts here: each moved by a little, everything else as it is. */
export function slopesOf(plan: Plan, shelf: Shelf): Slope[] {
  const trials = new Trials(plan, shelf)
  const { from } = trials
  const base = trials.input(from)
  if (!base) return []
  const now = lanesOf(base)
  const name = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? id
  const tell = (
    lever: Slope['lever'],
    words: Words,
    input: RunInput | null,
    steps: (then: Lanes) => number,
    step: FactValue,
  ): Slope[] => {
    if (!input) return []
    const then = lanesOf(input)
    const pour = tightest(then)
    const minutes = pour.marginMin - tightest(now).marginMin
    const what =
      pour.marginMin < 0
        ? fact('search.too-thick-min-before', { name: name(pour.cup), marginMin: plain(-pour.marginMin, 0) })
        : pour.marginMin >= LONG_MIN
          ? fact('search.keeps-hour-spare', { name: name(pour.cup) })
          : fact('search.keeps-min-spare', { name: name(pour.cup), marginMin: plain(pour.marginMin, 0) })
    const count = steps(then)
    const each = count > 0 ? minutes / count : 0
    return [
      { lever, sentence: fact('search.lever', { words, what }), minutes, chance: then.chance - now.chance, each, step },
    ]
  }
  const own = (to: number) => fact('search.lye', { to: share(to, 1) })
  return [
    ...tell(
      'mixC',
      fact('search.mixed-warmer', { what: warmerBy(3, 0) }),
      trials.input({ ...from, mixC: from.mixC + 3 }),
      () => 3 / 5,
      FIVE_DEGREES,
    ),
    ...tell(
      'roomC',
      fact('search.room-warmer', { what: warmerBy(4, 0) }),
      { ...base, roomC: base.roomC + 4 },
      () => 4 / 5,
      FIVE_DEGREES,
    ),
    ...tell(
      'stop',
      fact('search.blended-0-2-further'),
      trials.input({ ...from, stop: from.stop + 0.2 }),
      then => blendS(then) - blendS(now),
      fact('search.second-blending'),
    ),
    ...tell(
      'water',
      fact('search.lye-2-points-stronger', { own: own(from.water + 0.02) }),
      trials.input({ ...from, water: from.water + 0.02 }),
      () => 2,
      fact('search.point-lye-concentration'),
    ),
    ...tell(
      'hands',
      fact('search.hands-quarter-slower'),
      { ...base, handPace: base.handPace * 1.25 },
      () => 2.5,
      fact('search.10-slower-hands'),
    ),
  ]
}
