import fc from 'fast-check'
import { expect, test } from 'vitest'
import { cutForecast } from '../mould/index.ts'
import { baseAreaMm2, brimMl } from './mould.ts'
import { starterPlan } from './starter.ts'

/** A leaning mould against slices of it, added up. */

const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true })

test('a leaning mould holds what its slices hold, at any height, and never more than an upright one', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('box' as const, 'cylinder' as const, 'ellipse' as const, 'hexagon' as const),
      fc.record({ l: mm(80, 400), w: mm(70, 200), h: mm(40, 120), lean: mm(0, 12), fill: mm(0.2, 1) }),
      (form, { l, w, h, lean, fill }) => {
        const mould = { form, innerLengthMm: l, innerWidthMm: w, innerHeightMm: h, cavities: 1, taperMm: lean }
        const fillMm = h * fill
        const slices = 4000
        let ml = 0
        for (let i = 0; i < slices; i += 1) {
          const z = (fillMm * (i + 0.5)) / slices
          const off = 2 * lean * (1 - z / h)
          ml += (baseAreaMm2({ ...mould, taperMm: 0, innerLengthMm: l - off, innerWidthMm: w - off }) * fillMm) / slices
        }
        expect(baseAreaMm2({ ...mould, fillMm }) * fillMm).toBeCloseTo(ml, -1)
        expect(brimMl(mould)).toBeLessThanOrEqual(brimMl({ ...mould, taperMm: 0 }) + 1e-9)
      },
    ),
    { numRuns: 60 },
  )
})

test('cut, a leaning loaf is as heavy as it is, and its ends are told', () => {
  const plan = starterPlan('Leaning')
  const leaning = { ...plan, mould: { ...plan.mould, taperMm: 8 } }
  const [straight, made] = [cutForecast(plan), cutForecast(leaning)]
  const sum = Object.values(made.parts).reduce((a, b) => a + b, 0)
  expect(sum).toBeCloseTo(made.wholeG, 6)
  expect(made.wholeG).toBeLessThan(straight.wholeG)
  expect(JSON.stringify(made.steps)).toContain('cure.ends-are-wedges')
  expect(JSON.stringify(straight.steps)).not.toContain('cure.ends-are-wedges')
})
