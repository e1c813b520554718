import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { tell } from '../lib/measure.mjs'
import { ROOT } from '../lib/paths.mjs'

/** Fresh lucks: not those that anything was chosen on. */
const SEED = 20270117
const RUNS = 24
const LYE_IN_S = 2000
const LEAD_S = 60
/** What goes wrong sooner after the batter was divided leaves no time to call anything. */
const SOONEST_S = 120
/** Examples made warmer, so that they are neither hopeless nor safe: name, and by how many °C. */
const HARDER = [
  ['heron-reach', 9],
  ['thistle-top', 9],
  ['weir-milk', 12],
  ['seven-fathoms', 9],
  ['ninth-lock', 12],
  ['mill-race', 7],
]
/** A drop from the spoon in the two cups that are poured next. */
const LOOKS = { everyS: 45, cups: 2, how: 'drip', error: 0.1 }

/** How far what the bench says comes true, on drawn batters: bands of minutes left, and calls of plan B. */
export default async function run() {
  const core = await import('@ostler/core')
  const { calledAt, followingOf, leftTrials, lucks, madeReady, readPlanText, referenceShelf, trialOf } = core
  const planOf = name => readPlanText(readFileSync(join(ROOT, 'examples', `${name}.json`), 'utf8')).plan
  const shelf = referenceShelf()

  const bands = ['weir-milk', 'ninth-lock', 'seven-fathoms', 'verdigris-stair'].map(name =>
    leftTrials(followingOf(planOf(name), shelf), 60, SEED),
  )
  const mean = of => bands.reduce((sum, one) => sum + of(one), 0) / bands.length
  const looked = ['unseen', 'one_look', 'two_looks']
  for (const [k, name] of looked.entries())
    tell(
      `run.left.band80.coverage.${name}`,
      mean(one => one.covered[k]),
      'share',
    )
  tell(
    'run.left.error.two_looks',
    mean(one => one.off[2]),
    'ratio',
  )

  const found = { fails: 0, called: 0, inTime: 0, later: 0, laterInTime: 0, works: 0, falsely: 0 }
  for (const [name, byC] of HARDER) {
    const plan = planOf(name)
    const { mixC, stopLevel } = plan.conditions
    const conditions = { ...plan.conditions, mixC: mixC + byC, stopLevel: stopLevel + 0.3 }
    const following = followingOf({ ...plan, conditions }, shelf)
    const ready = madeReady(following, LYE_IN_S)
    for (const luck of lucks(following, RUNS, SEED)) {
      const trial = trialOf(following, luck, LOOKS, LYE_IN_S)
      const at = calledAt(following, trial, ready)
      if (trial.failsAt === null) {
        found.works += 1
        found.falsely += at === null ? 0 : 1
      } else {
        found.fails += 1
        found.called += at === null ? 0 : 1
        const isInTime = at !== null && at <= trial.failsAt - LEAD_S
        found.inTime += isInTime ? 1 : 0
        if (trial.failsAt - trial.dividedAt < SOONEST_S) continue
        found.later += 1
        found.laterInTime += isInTime ? 1 : 0
      }
    }
  }
  tell('run.planb.runs', found.fails + found.works, 'count')
  tell('run.planb.fails', found.fails, 'count')
  tell('run.planb.called', found.called / found.fails, 'share')
  tell('run.planb.in_time', found.inTime / found.fails, 'share')
  tell('run.planb.in_time.after_two_minutes', found.laterInTime / found.later, 'share')
  tell('run.planb.false', found.falsely / found.works, 'share')
}
