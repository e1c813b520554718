import type { Plan } from '../plan/index.ts'
import { lanesOf } from '../schedule/index.ts'
import type { Job, Lanes } from '../schedule/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { kelvins, sayDifference, showShare, tidy } from '../units/index.ts'
import { Workbench } from './workbench.ts'

/** What a lever does: minutes that the tightest pour gains, and what becomes of the chance. */
export interface Slope {
  lever: 'mixC' | 'roomC' | 'stop' | 'water' | 'hands'
  sentence: string
  /** Change of the least time to spare, min, and of the chance. */
  minutes: number
  chance: number
  /** The same for one step of the lever: minutes, and the step in words. */
  each: number
  step: string
}

/** A margin that long is not to be told apart from more. */
/** The same in whole degrees of both kinds: 9 °F. */
const FIVE_DEGREES = sayDifference(kelvins(5))
const LONG_MIN = 59

const tightest = (lanes: Lanes) => lanes.pours.reduce((a, b) => (b.marginMin < a.marginMin ? b : a))

const blendS = (lanes: Lanes): number =>
  lanes.tasks.filter(task => task.kind === 'blend').reduce((sum, task) => sum + 60 * (task.toMin - task.fromMin), 0)

/** How every lever acts here: each moved by a little, everything else as it is. */
export function slopesOf(plan: Plan, shelf: Shelf): Slope[] {
  const bench = new Workbench(plan, shelf)
  const { from } = bench
  const base = bench.job(from)
  if (!base) return []
  const now = lanesOf(base)
  const name = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? id
  const tell = (
    lever: Slope['lever'],
    words: string,
    job: Job | null,
    steps: (then: Lanes) => number,
    step: string,
  ): Slope[] => {
    if (!job) return []
    const then = lanesOf(job)
    const pour = tightest(then)
    const minutes = pour.marginMin - tightest(now).marginMin
    const what =
      pour.marginMin < 0
        ? `${name(pour.cup)} is too thick ${tidy(-pour.marginMin, 0)} min before you are done with it`
        : pour.marginMin >= LONG_MIN
          ? `${name(pour.cup)} keeps an hour to spare`
          : `${name(pour.cup)} keeps ${tidy(pour.marginMin, 0)} min to spare`
    const count = steps(then)
    const each = count > 0 ? minutes / count : 0
    return [{ lever, sentence: `${words}: ${what}.`, minutes, chance: then.chance - now.chance, each, step }]
  }
  const own = (to: number) => `${showShare(to)} lye`
  return [
    ...tell(
      'mixC',
      `Mixed ${sayDifference(kelvins(3))} warmer`,
      bench.job({ ...from, mixC: from.mixC + 3 }),
      () => 3 / 5,
      FIVE_DEGREES,
    ),
    ...tell(
      'roomC',
      `Room ${sayDifference(kelvins(4))} warmer`,
      { ...base, roomC: base.roomC + 4 },
      () => 4 / 5,
      FIVE_DEGREES,
    ),
    ...tell(
      'stop',
      'Blended 0.2 further',
      bench.job({ ...from, stop: from.stop + 0.2 }),
      then => blendS(then) - blendS(now),
      'a second of blending',
    ),
    ...tell(
      'water',
      `Lye 2 points stronger, ${own(from.water + 0.02)}`,
      bench.job({ ...from, water: from.water + 0.02 }),
      () => 2,
      'a point of lye concentration',
    ),
    ...tell(
      'hands',
      'Hands a quarter slower',
      { ...base, handPace: base.handPace * 1.25 },
      () => 2.5,
      '10 % slower hands',
    ),
  ]
}
