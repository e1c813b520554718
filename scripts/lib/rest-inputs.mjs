import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './paths.mjs'

/** What the rest of the plan of seven layers is worked out from. */
export async function restInputs() {
  const { forecast, readPlanText, referenceShelf } = await import('@ostler/core')
  const shelf = referenceShelf()
  const { plan } = readPlanText(readFileSync(join(ROOT, 'examples', 'seven-fathoms.json'), 'utf8'))
  const { portions, lanes } = forecast(plan, shelf).forecast
  return { plan, shelf, portions, lanes }
}
