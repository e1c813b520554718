import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { p95, tell, timed } from '../lib/measure.mjs'
import { ROOT } from '../lib/paths.mjs'

const SAMPLES = 16
const AGES = [1, 2, 7, 14, 28, 42]

/** A curve of dose against colour fitted to sixteen samples at six ages, and the whole answer of the example. */
export default async function trial() {
  const core = await import('@ostler/core')
  const shelf = core.referenceShelf()
  const { pigment } = core.pigmentOfColorant(shelf.colorants.find(({ id }) => id === 'hydrated-green'))
  const hexes = Array.from({ length: SAMPLES }, (_, i) => (i < 2 ? 0 : 0.2 * 1.3 ** i))
  const readings = AGES.flatMap(days =>
    hexes.map((gPerKg, i) => ({
      ...{ sample: `S${i}`, photo: `day-${days}`, way: 'photo', gPerKg, whiteGPerKg: 0 },
      ...{ base: core.STANDARD_BASE, age: { days, gel: 0 } },
      // A little deeper than the shelf has it, and a little off each time.
      lab: shifted(core.mixed(core.STANDARD_BASE, [{ pigment, gPerKg: 1.3 * gPerKg }], { days, gel: 0 }).lab, i + days),
    })),
  )
  const fit = () => core.doseCurve(pigment, readings)
  await timed(3, fit)
  tell('trial.fit16x6.p95_ms', p95(await timed(20, fit)), 'ms')

  const read = core.readTrial(JSON.parse(readFileSync(join(ROOT, 'trials', 'green-doses.json'), 'utf8')))
  const answer = () => core.trialSays(read.trial, '00000000-0000-4000-8000-000000000000', shelf, null)
  await timed(2, answer)
  tell('trial.answer9x3.p95_ms', p95(await timed(10, answer)), 'ms')

  // Of a plan with a scent: until the first answer that tells of its chance, and until the last.
  const plan = core.readPlan(JSON.parse(readFileSync(join(ROOT, 'examples', 'ninth-lock.json'), 'utf8'))).plan
  const until = isEnough => () => {
    for (const told of core.worthOfTests(plan, shelf)) if (isEnough(told)) return
  }
  const first = until(({ tests }) => tests.some(({ of }) => of === 'chance'))
  await timed(2, first)
  tell('trial.value.first_ms', p95(await timed(10, first)), 'ms')
  tell(
    'trial.value.all_ms',
    p95(
      await timed(
        5,
        until(({ done }) => done >= 1),
      ),
    ),
    'ms',
  )
}

const shifted = ({ l, a, b }, n) => ({ l: l + Math.sin(n), a: a + Math.cos(2 * n) / 2, b: b + Math.sin(3 * n) / 2 })
