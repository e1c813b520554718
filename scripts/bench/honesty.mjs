import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { chanceError, lanesCoverage, randomPlans, restCoverage } from '../lib/coverage.mjs'
import { p95, tell } from '../lib/measure.mjs'
import { ROOT } from '../lib/paths.mjs'

const DRAWN_PLANS = 50
const MANY_RUNS = 2000
const COVERED_RUNS = 100
const COVERED_RESTS = 40

/** How often bands hold, and by how many points chances are off, over all examples and as many plans drawn at random. */
export default async function honesty() {
  const core = await import('@ostler/core')
  const shelf = core.referenceShelf()
  const folder = join(ROOT, 'examples')
  const examples = readdirSync(folder).map(file => core.readPlanText(readFileSync(join(folder, file), 'utf8')).plan)
  const plans = [...examples, ...randomPlans(core, examples, DRAWN_PLANS, 11)]
  const bands = []
  const margins = []
  const errors = []
  const rests = { peakC: [], peakMin: [], startMin: [], unmouldMin: [] }
  plans.forEach((plan, i) => {
    const portions = core.portionsOf(plan, shelf)
    const input = core.runInputOf(plan, portions, shelf)
    const lanes = lanesCoverage(core, input, COVERED_RUNS, 100 + i)
    bands.push(lanes.band)
    if (lanes.margin !== null) margins.push(lanes.margin)
    const { many, truth } = chanceError(core, input, MANY_RUNS, 500 + i)
    errors.push(100 * Math.abs(many - truth))
    const held = restCoverage(core, { plan, shelf, portions, lanes: core.lanesOf(input) }, COVERED_RESTS, 900 + i)
    for (const [key, share] of Object.entries(held)) if (share !== null) rests[key].push(share)
  })
  const mean = list => list.reduce((sum, x) => sum + x, 0) / list.length
  tell('lanes.band80.coverage', mean(bands), '1')
  tell('lanes.margin80.coverage', mean(margins), '1')
  tell('rest.band80.coverage', mean(Object.values(rests).flat()), '1')
  for (const [key, shares] of Object.entries(rests)) tell(`rest.band80.${key}.coverage`, mean(shares), '1')
  tell('chances.error_points', mean(errors), 'points')
  tell('chances.error_points.p95', p95(errors), 'points')
}
