import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { againstC } from '../lib/against-c.mjs'
import { median, tell, tellP95, timed } from '../lib/measure.mjs'
import { ROOT } from '../lib/paths.mjs'

/** Lanes, many runs of a plan, and the search for a better one. */
export default async function lanes() {
  const {
    FREEDOMS,
    chanceOf,
    runInputOf,
    lanesOf,
    monteCarlo,
    plainCup,
    portionsOf,
    readPlanText,
    referenceShelf,
    searchPlans,
  } = await import('@ostler/core')
  const shelf = referenceShelf()
  const { plan } = readPlanText(readFileSync(join(ROOT, 'examples', 'verdigris-stair.json'), 'utf8'))
  const withCups = count => {
    const cups = Array.from({ length: count }, (_, i) => ({
      ...plan.cups[i % plan.cups.length],
      ...(i >= plan.cups.length && plainCup(`more-${i}`, `More ${i}`)),
    }))
    const score = cups.map((cup, i) => ({ ...plan.score[0], id: `pour-${i + 1}`, cup: cup.id, share: 1 / count }))
    const full = { ...plan, cups, score, ladders: [], moves: [] }
    return runInputOf(full, portionsOf(full, shelf), shelf)
  }
  const [six, twelve] = [withCups(6), withCups(12)]
  await timed(200, () => lanesOf(twelve))
  tellP95('lanes.cups12', await timed(200, () => lanesOf(twelve)))
  tell('lanes.mc400x6.median_ms', median(await timed(5, () => monteCarlo(six, 400))), 'ms')
  tell('lanes.mc400x12.median_ms', median(await timed(5, () => monteCarlo(twelve, 400))), 'ms')
  const ratio = againstC('native-lanes')
  if (ratio !== null) tell('lanes.ratio_to_c', ratio, '1')
  const before = chanceOf(runInputOf(plan, portionsOf(plan, shelf), shelf))
  const from = performance.now()
  let useful = null
  for (const { best } of searchPlans(plan, shelf, { free: new Set(Object.keys(FREEDOMS)), aim: 'works' }))
    if (best > before + 0.1) useful ??= performance.now() - from
  tell('lanes.search.first_useful_ms', useful, 'ms')
  tell('lanes.search.all_ms', performance.now() - from, 'ms')
}
