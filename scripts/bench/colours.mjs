import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { p95, tell, timed } from '../lib/measure.mjs'
import { ROOT } from '../lib/paths.mjs'

/** Twelve cups of two colorants and a browning scent at three ages, gelled and not; and two doses for a wished colour. */
export default async function colours() {
  const { coloursOfPlan, newCupColorant, portionsOf, reachWish, readPlanText, referenceShelf } =
    await import('@ostler/core')
  const shelf = referenceShelf()
  const { plan: dusk } = readPlanText(readFileSync(join(ROOT, 'examples', 'ninth-lock.json'), 'utf8'))
  const lasting = shelf.colorants.filter(one => one.inLye === 'stable')
  const cups = Array.from({ length: 12 }, (_, i) => ({
    ...dusk.cups[0],
    id: `cup-${i}`,
    colorants: [lasting[i % lasting.length], lasting[(i + 5) % lasting.length]].map(one => newCupColorant(one)),
  }))
  const score = cups.map((cup, i) => ({ ...dusk.score[0], id: `pour-${i}`, cup: cup.id, share: 1 / 12 }))
  const plan = { ...dusk, cups, score, reserves: [], ladders: [] }
  const portions = portionsOf(plan, shelf)
  const older = i => ({ ...plan, colour: { ...plan.colour, curedDays: 28 + (i % 60) } })
  await timed(100, i => coloursOfPlan(older(i), portions, shelf))
  tell('colour.cups12x3ages.p95_ms', p95(await timed(500, i => coloursOfPlan(older(i), portions, shelf))), 'ms')
  const wish = i => `#${(0x304060 + i * 1511).toString(16).padStart(6, '0').slice(-6)}`
  const two = ['ultramarine-blue', 'red-oxide']
  await timed(20, i => reachWish(plan, portions, shelf, 0, wish(i), two))
  tell('colour.inverse.p95_ms', p95(await timed(200, i => reachWish(plan, portions, shelf, 0, wish(i), two))), 'ms')
}
