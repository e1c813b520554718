import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { p95, tell, tellP95, timed } from '../lib/measure.mjs'
import { ROOT } from '../lib/paths.mjs'

/** The whole forecast of a plan of seven layers, what other pages add to it, a recipe, and advice. */
export default async function forecasts() {
  const {
    everyResult,
    everything,
    forecast,
    plainOil,
    readPlanText,
    referenceShelf,
    remediesFor,
    starterPlan,
    unitBatter,
  } = await import('@ostler/core')
  const { plan } = readPlanText(readFileSync(join(ROOT, 'examples', 'seven-fathoms.json'), 'utf8'))
  const warmer = i => ({ ...plan, conditions: { ...plan.conditions, mixC: 27 + (i % 80) / 10 } })
  // Every result is read: what nobody reads is not worked out.
  const whole = i => everyResult(forecast(warmer(i), referenceShelf()).forecast)
  await timed(200, whole)
  tellP95('forecast.plan7', await timed(500, whole))
  const [first] = [forecast(plan, referenceShelf())]
  tell(
    'preparation.plan7.p95_ms',
    p95(await timed(60, i => everything(warmer(i), referenceShelf(), first.forecast))),
    'ms',
  )
  const oils = referenceShelf().oils.slice(0, 12)
  const twelve = i => ({
    ...starterPlan('x').recipe,
    oils: oils.map((oil, j) => plainOil(oil.id, (1 + ((i + j) % 5)) / 36)),
    liquids: [{ liquid: 'goat-milk', shareOfWater: 0.5, measure: 'water', moment: 'lye', countFat: true }],
  })
  await timed(200, i => unitBatter(twelve(i), referenceShelf()))
  tell('recipe.oils12.p95_ms', p95(await timed(1000, i => unitBatter(twelve(i), referenceShelf()))), 'ms')
  tell('remedies.plan7.p95_ms', p95(await timed(30, i => remediesFor(warmer(i), referenceShelf()))), 'ms')
}
