// What following the advice of the bench reaches against a plan that is followed blindly and against perfect knowledge.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { tell } from '../lib/measure.mjs'
import { ROOT } from '../lib/paths.mjs'

const PLANS = ['seven-fathoms', 'verdigris-stair', 'weir-milk', 'quarry-bench']
const SEEDS = 8
const FIRST = 101

export default async function measure() {
  const core = await import('@ostler/core')
  const { followingOf, judgedPours, readPlanText, referenceShelf, rehearsalOf, rehearse, sceneAt, worthOf } = core
  const followed = PLANS.map(name =>
    followingOf(readPlanText(readFileSync(join(ROOT, 'examples', `${name}.json`), 'utf8')).plan, referenceShelf()),
  )
  for (const level of ['few', 'bad-day'])
    for (const policy of ['fixed', 'follow', 'perfect']) {
      let worth = 0
      for (const following of followed)
        for (let seed = FIRST; seed < FIRST + SEEDS; seed += 1) {
          const rehearsed = rehearsalOf(following, { seed, level, deck: 2 })
          const { events, endsAt } = rehearse(rehearsed, policy)
          worth += worthOf(judgedPours(sceneAt(rehearsed, events, endsAt)))
        }
      tell(`rehearse.${level}.${policy}.worth`, worth / (PLANS.length * SEEDS), '1')
    }
}
